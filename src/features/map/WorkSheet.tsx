"use client";
import { SIDES, sideLabel } from "@/core/eye";
import { darknessWords, mapDarkness, mapTotals, pickList, type MapFacts, type PlacingPace, LAYER_LABELS } from "@/core/map";
import { formatHours, formatMm } from "@/core/units";

/** What the set takes: lashes by zone, fans and fibres, time, and what to lay out in the order of work. */
export function WorkSheet({ facts, pace }: { facts: MapFacts; pace: PlacingPace & { readonly known: boolean } }) {
  const totals = mapTotals(facts, pace);
  const picks = pickList(facts);
  const darkness = mapDarkness(facts);
  const lacking = picks.filter(({ inStock }) => !inStock);
  return (
    <div className="grid gap-x-10 gap-y-5 md:grid-cols-2">
      <section aria-label="Pick list">
        <h3 className="text-lg">To lay out, in the order of work</h3>
        <table className="mt-1 w-full text-[0.9375rem]">
          <thead className="text-left text-sm text-ink-2">
            <tr>
              <th className="font-normal">tray</th>
              <th className="text-right font-normal">mm</th>
              <th className="text-right font-normal">lashes</th>
              <th className="text-right font-normal">fibres</th>
              <th className="text-right font-normal">strips</th>
            </tr>
          </thead>
          <tbody>
            {picks.map((pick) => (
              <tr key={`${pick.label} ${pick.lengthMm}`} className="border-t border-line">
                <td className="py-1">
                  {pick.label}
                  {pick.inStock ? "" : <b className="text-rosehip"> ■ not in stock</b>}
                </td>
                <td className="text-right font-semibold">{formatMm(pick.lengthMm)}</td>
                <td className="text-right">{pick.lashes}</td>
                <td className="text-right">{pick.fibres}</td>
                <td className="text-right">{pick.strips}</td>
              </tr>
            ))}
          </tbody>
        </table>
        <p className="mt-1 text-sm text-ink-2">
          {lacking.length
            ? `Stock lacks ${lacking.map(({ label, lengthMm }) => `${formatMm(lengthMm)} ${label}`).join(", ")}. `
            : "All of it is in stock. "}
          Strips by the studio&rsquo;s own count of fibres.
        </p>
      </section>
      <section aria-label="Lashes and time">
        <h3 className="text-lg">
          {totals.lashes.right + totals.lashes.left} lashes, about {formatHours(totals.seconds)}
        </h3>
        <p className="text-[0.9375rem] text-ink-2">
          {totals.fans ? `${totals.fans} fans, ` : ""}
          {totals.fibres} fibres. {pace.known ? "By your own pace of the last sets" : "By the studio's pace"}: {pace.secondsPerSingle} s a
          single, {pace.secondsPerFan} s a fan, placing alone.
        </p>
        <p className="text-[0.9375rem] text-ink-2">
          Reads {darknessWords((darkness.right.darkness + darkness.left.darkness) / 2, facts.map.fibre)}, seen from the front.
        </p>
        {SIDES.map((side) =>
          facts.layers[side].map((zones, layer) => {
            const counted = totals.zones.filter((zone) => zone.side === side && zone.layer === layer);
            const sum = counted.reduce((total, zone) => total + zone.lashes, 0);
            return (
              <p key={`${side}${layer}`} className="mt-2 text-[0.9375rem]">
                <span className="text-sm text-ink-2">
                  {sideLabel(side)}, {LAYER_LABELS[zones[0]!.role]}, {sum}:
                </span>{" "}
                {zones.map((zone) => counted.find(({ index }) => index === zone.index)?.lashes ?? 0).join(" · ")}
              </p>
            );
          }),
        )}
      </section>
    </div>
  );
}
