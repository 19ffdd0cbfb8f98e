import type { ReactNode } from "react";
import { FINISH_LABELS, type EyesOpen } from "@/core/adhesive";
import { sideLabel, SIDES } from "@/core/eye";
import type { LashMap } from "@/core/map";
import type { Air } from "@/core/air";
import { formatClock } from "@/core/units";
import type { Policy } from "@/core/policy";
import type { VisitState } from "@/core/visit";
import { FoundKept } from "@/features/fill/FoundKept";
import { PlacedKept } from "@/features/placing/PlacedKept";
import type { MapGround } from "@/features/visit/clientMaps";
import { Verdict, cx } from "@/ui";

/** A finished visit as its events tell it: when, in which air, from which bottle, bead by bead. */
export function KeptVisit({
  state,
  timeZone,
  bottleNames,
  map,
  ground,
  policy,
  eyes,
  steps,
}: {
  state: VisitState;
  timeZone: string;
  bottleNames: Readonly<Record<string, string>>;
  map: LashMap | null;
  ground: MapGround | null;
  policy: Policy;
  /** How the cure stood when the visit was finished; null where nothing was placed. */
  eyes: EyesOpen | null;
  /** What every visit's record says beside its own work. */
  steps: ReactNode;
}) {
  const clock = new Intl.DateTimeFormat("en-GB", { hour: "2-digit", minute: "2-digit", timeZone: timeZone });
  const airWords = (air: Air | null) =>
    air ? `${air.temperatureC.toFixed(1)} °C, ${Math.round(air.relativeHumidity * 100)} %` : "no reading";
  const brushed = state.set.checks.reduce((sum, { brush }) => ({ off: sum.off + (brush?.off ?? 0), of: sum.of + (brush?.of ?? 0) }), {
    off: 0,
    of: 0,
  });
  const hasLashes = state.placing.lashes.length > 0;
  return (
    <section aria-label="The visit as it was kept">
      <h2 className="text-3xl">Done and kept</h2>
      <dl className="mt-4 grid grid-cols-[auto_1fr] gap-x-6 gap-y-1.5">
        <dt className="text-ink-2">From, to</dt>
        <dd>
          {clock.format(state.head.startedAtMs!)} to {clock.format(state.head.finishedAtMs!)},{" "}
          {Math.round((state.head.finishedAtMs! - state.head.startedAtMs!) / 60_000)} minutes
        </dd>
        <dt className="text-ink-2">Air at the start</dt>
        <dd>{airWords(state.head.startAir)}</dd>
        <dt className="text-ink-2">Bottle</dt>
        <dd>{bottleNames[state.set.bottleId ?? ""] ?? <Verdict tone="look">not written down</Verdict>}</dd>
        {eyes ? (
          <>
            <dt className="text-ink-2">Eyes opened</dt>
            <dd>
              {formatClock(eyes.sinceS)} after the last lash{state.set.finish ? `, ${FINISH_LABELS[state.set.finish.method]}` : ""}{" "}
              {eyes.may ? <Verdict tone="good">cured</Verdict> : <Verdict tone="look">before the cure was there</Verdict>}
            </dd>
          </>
        ) : null}
        {state.set.checks.length > 0 ? (
          <>
            <dt className="text-ink-2">Brushed, eyes seen closed</dt>
            <dd>
              {state.set.checks.length} {state.set.checks.length === 1 ? "time" : "times"}
              {brushed.of > 0 ? `, ${brushed.off} of ${brushed.of} came off` : ""}
            </dd>
          </>
        ) : null}
        <FoundKept fill={state.fill} />
        {map && ground && hasLashes ? <PlacedKept state={state} map={map} ground={ground} policy={policy} /> : null}
        {map && !hasLashes ? (
          <>
            <dt className="text-ink-2">Zones tapped as placed</dt>
            <dd>{zoneWords(state, map)}</dd>
          </>
        ) : null}
        {state.set.tests.length > 0 ? (
          <>
            <dt className="text-ink-2">Set tests</dt>
            <dd>
              {state.set.tests
                .map(
                  (test) => `${test.seconds.toFixed(1)} s at ${Math.round(test.air.relativeHumidity * 100)} %, ${clock.format(test.atMs)}`,
                )
                .join("; ")}
            </dd>
          </>
        ) : null}
        {steps}
      </dl>
      <h3 className="mt-6 text-xl">
        {state.set.beads.length === 0
          ? "No bead was put out"
          : `${state.set.beads.length} ${state.set.beads.length === 1 ? "bead" : "beads"}`}
      </h3>
      {state.set.beads.length > 0 ? (
        <table className="mt-1 w-full text-[0.9375rem]">
          <thead>
            <tr className="text-left text-sm text-ink-2">
              {["", "put out", "used for", "of", "air", "bottle"].map((head) => (
                <th key={head} scope="col" className="py-1 font-normal">
                  {head || <span className="sr-only">bead</span>}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {state.set.beads.map((bead) => {
              const used = ((bead.endedAtMs ?? bead.placedAtMs) - bead.placedAtMs) / 1000;
              return (
                <tr key={bead.eventId} className="border-t border-line">
                  <th scope="row" className="py-1.5 text-left font-semibold">
                    {bead.number}
                  </th>
                  <td>{clock.format(bead.placedAtMs)}</td>
                  <td className={cx(used > bead.lifeS + 30 && "font-semibold text-rosehip")}>{formatClock(used)}</td>
                  <td>{formatClock(bead.lifeS)}</td>
                  <td>{airWords(bead.air)}</td>
                  <td>{bottleNames[bead.bottleId ?? ""] ?? "not written down"}</td>
                </tr>
              );
            })}
          </tbody>
        </table>
      ) : null}
    </section>
  );
}

/** "18 of 18", or which eye has how many; a set that nobody tapped zones of says so. */
function zoneWords({ set: { zones } }: VisitState, map: LashMap): string {
  const planned = (side: (typeof SIDES)[number]) =>
    map.eyes[side].layers.reduce((sum, layer) => sum + layer.zones.filter((fibre) => fibre !== null).length, 0);
  if (zones.length === 0) return "none";
  return SIDES.map((side) => `${zones.filter((zone) => zone.side === side).length} of ${planned(side)} on the ${sideLabel(side)}`).join(
    ", ",
  );
}
