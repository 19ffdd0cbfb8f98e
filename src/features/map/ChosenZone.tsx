import { sideLabel } from "@/core/eye";
import { ZONE_WORDS } from "@/core/map";
import type { Finding, ZoneFacts } from "@/core/map";
import { cx } from "@/ui";

const isAbout = ({ where }: Finding, zone: ZoneFacts) =>
  (where.side === zone.side || where.side === "both") &&
  (where.layer === undefined ? zone.role === "base" : where.layer === zone.layer) &&
  where.zones.includes(zone.index);

/** The chosen zone in a sentence: what it wears, on what, up to what, and what that asks of its lashes. */
export function ChosenZone({ zone, findings }: { zone: ZoneFacts | undefined; findings: readonly Finding[] }) {
  const told = zone && findings.find((finding) => finding.severity !== "note" && isAbout(finding, zone));
  return (
    <p aria-live="polite" className={cx("min-h-6 text-[0.9375rem] text-ink-2", !zone && "invisible")}>
      {zone ? (
        <>
          <b className="inline-block text-ink first-letter:uppercase">
            {sideLabel(zone.side)}, {ZONE_WORDS[zone.role]} {zone.index + 1}:
          </b>{" "}
          {zone.fibre ? `${zone.fibre.lengthMm} mm` : "bare"} on lashes of {zone.limit.natural.meanMm.toFixed(1)}, at most{" "}
          {(zone.pieces[0]?.limitMm ?? zone.limit.limitMm).toFixed(1)}.{" "}
          {zone.fibre
            ? `Suits ${Math.round(zone.limit.suits(zone.fibre.lengthMm) * 100)} % of ${zone.limit.natural.lashes} lashes, load ${zone.limit.loadOf(zone.fibre).resting.toFixed(2)} ×.`
            : null}
          {told ? <span className={told.severity === "stop" ? "text-rosehip" : "text-brass"}> {told.why}</span> : null}
        </>
      ) : (
        "No zone chosen"
      )}
    </p>
  );
}
