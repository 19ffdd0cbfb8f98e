import { sideLabel } from "@/core/eye";
import { baseLayer, eyesInView, innerCornerOnRight, type LashMap } from "@/core/map";

const LOWEST_MM = 3;

/** The map at the bed: every zone's length as large as it goes, as seen from the bed head. */
export function LengthRows({ map }: { map: LashMap }) {
  return (
    <div className="space-y-4">
      {eyesInView("bedHead").map((side) => {
        const zones = baseLayer(map, side).zones.map((fibre, i) => ({ fibre, number: i + 1 }));
        if (innerCornerOnRight(side, "bedHead")) zones.reverse();
        return (
          <section key={side} aria-label={sideLabel(side)}>
            <h2 className="font-sans text-xl first-letter:uppercase">{sideLabel(side)}</h2>
            <ol className="mt-1 flex items-end gap-1">
              {zones.map(({ fibre, number }) => (
                <li key={number} className="min-w-0 flex-1 text-center">
                  <span className="block text-[clamp(1.25rem,3.75vw,3.25rem)] leading-none font-semibold tracking-tight">
                    {fibre ? fibre.lengthMm : "–"}
                  </span>
                  <span
                    aria-hidden="true"
                    className="mx-auto mt-1.5 block rounded-t-sm bg-ivy"
                    style={{ height: fibre ? (fibre.lengthMm - LOWEST_MM) * 5 : 2, opacity: 0.75 }}
                  />
                  <span className="block border-t border-line-strong pt-0.5 text-sm text-ink-2">
                    <span className="sr-only">zone </span>
                    {number}
                  </span>
                </li>
              ))}
            </ol>
          </section>
        );
      })}
      <p className="text-sm text-ink-2">
        Seen from the bed head: client&rsquo;s left on your left. {map.fibre.count > 1 ? `${map.fibre.count}D ` : ""}
        {map.fibre.curl} {map.fibre.diameterMm.toFixed(2)} {map.fibre.shape}.
      </p>
    </div>
  );
}
