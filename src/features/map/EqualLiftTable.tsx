import type { CurlId } from "@/core/curl";
import type { EqualLift } from "@/core/map";

/** Every curl at the lift of the one worn: how long, and how far it then reaches. A curl touched is drawn beside. */
export function EqualLiftTable({
  equal,
  worn,
  liftMm,
  angleDeg,
  drawn,
  onDraw,
}: {
  equal: readonly EqualLift[];
  worn: CurlId;
  liftMm: number;
  angleDeg: number;
  drawn: CurlId | null;
  onDraw: (curl: CurlId | null) => void;
}) {
  return (
    <div className="overflow-x-auto" tabIndex={0} role="region" aria-label="Curls at equal lift">
      <table className="w-full text-center text-[0.9375rem]">
        <thead className="text-sm text-ink-2">
          <tr>
            <th className="text-left font-normal">Curl</th>
            {equal.map(({ curl, lengthMm }) => (
              <th key={curl} className="py-0.5 font-normal">
                {curl === worn || lengthMm === null ? (
                  <span className={curl === worn ? "font-semibold text-ink" : ""}>{curl}</span>
                ) : (
                  <button
                    type="button"
                    aria-pressed={curl === drawn}
                    aria-label={`Draw ${curl} beside`}
                    onClick={() => onDraw(curl === drawn ? null : curl)}
                    className="min-h-8 min-w-9 border-b-2 border-dashed border-line-strong hover:bg-moss-soft aria-pressed:border-solid aria-pressed:border-brass aria-pressed:font-semibold aria-pressed:text-ink"
                  >
                    {curl}
                  </button>
                )}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          <tr>
            <th className="text-left text-sm font-normal text-ink-2">lifts {liftMm.toFixed(1)} at</th>
            {equal.map(({ curl, lengthMm }) => (
              <td key={curl} className="font-semibold">
                {lengthMm === null ? "–" : lengthMm.toFixed(1)}
              </td>
            ))}
          </tr>
          <tr>
            <th className="text-left text-sm font-normal text-ink-2">reaching</th>
            {equal.map(({ curl, reachMm }) => (
              <td key={curl}>{reachMm === null ? "–" : reachMm.toFixed(1)}</td>
            ))}
          </tr>
        </tbody>
      </table>
      <p className="text-sm text-ink-2">
        On a lash that leaves the lid at {Math.round(angleDeg)}°, in mm; touch a curl to draw it beside. A dash: no worn length of it lifts
        so far.
      </p>
    </div>
  );
}
