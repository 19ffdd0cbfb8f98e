import { sideLabel } from "@/core/eye";
import { LOAD_DAY, mapTotals, type MapFacts } from "@/core/map";
import { formatMm } from "@/core/units";

/** What the map takes: lashes an eye, by length, the heaviest zone. */
export function Takes({ facts }: { facts: MapFacts }) {
  const totals = mapTotals(facts);
  const { heaviest } = totals;
  const lines: readonly (readonly [string, string])[] = [
    ["Lashes, client's right", String(totals.lashes.right)],
    ["Lashes, client's left", String(totals.lashes.left)],
    ...(heaviest
      ? ([
          [`Heaviest, ${sideLabel(heaviest.side)} zone ${heaviest.index + 1}`, `${heaviest.resting.toFixed(2)} ×`],
          [`the same, grown to day ${LOAD_DAY}`, `${heaviest.growing.toFixed(2)} ×`],
        ] as const)
      : []),
  ];
  return (
    <section aria-label="What it takes">
      <h2 className="text-xl">What it takes</h2>
      <dl className="mt-2 grid grid-cols-[1fr_auto] gap-x-4 gap-y-1.5 border-t border-line pt-3 text-[0.9375rem]">
        {lines.map(([label, value]) => (
          <div key={label} className="contents">
            <dt className="text-ink-2">{label}</dt>
            <dd className="text-right font-semibold">{value}</dd>
          </div>
        ))}
      </dl>
      <p className="mt-2 flex flex-wrap gap-x-3 text-sm text-ink-2">
        {totals.byLength.map(({ lengthMm, lashes }) => (
          <span key={lengthMm}>
            <b className="text-ink">{formatMm(lengthMm)}</b> mm {lashes}
          </span>
        ))}
      </p>
    </section>
  );
}
