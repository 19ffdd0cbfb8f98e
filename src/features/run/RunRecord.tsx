"use client";
import { AREA_LABELS } from "@/core/eye";
import { doseWords } from "@/core/mixing";
import { lainS, overrunS, runMistakes, stepOf, type RunState, STOP_WORDS } from "@/core/processing";
import { depthWords } from "@/core/colour";
import { formatClock, sentence } from "@/core/units";
import { cx, Verdict } from "@/ui";
import { ENDED_EARLY_WORDS, TAKEN_BACK_WORDS } from "./StopScreen";

/** A run as it was kept: what lay where and how long, what was mixed from which lots, in which air, how it turned out. */
export function RunRecord({
  run,
  endedAtMs,
  timeZone,
  batchNames,
}: {
  run: RunState;
  endedAtMs: number;
  timeZone: string;
  batchNames: Readonly<Record<string, string>>;
}) {
  const clock = new Intl.DateTimeFormat("en-GB", { timeZone, hour: "2-digit", minute: "2-digit", second: "2-digit" });
  const plan = run.plan!;
  const mistakes = runMistakes(run, endedAtMs);
  const batchOf = (stepId: string) =>
    [
      ...run.batches.filter((one) => one.stepId === stepId),
      ...run.pastes.filter((one) => one.stepId === stepId).flatMap(({ lines }) => lines),
    ]
      .map(({ batchId }) => batchNames[batchId] ?? "not written down")
      .join(", ") || "no batch written down";
  return (
    <section aria-label="The run as it was kept">
      <h2 className="text-3xl">{plan.protocol.name}</h2>
      <p className="text-[0.9375rem] text-ink-2">
        {plan.pace.hair} hair, {plan.density} density
        {plan.pace.processed ? ", processed before" : ""}
        {plan.pace.filmCover ? ", under film" : ""}
        {run.air ? `; air ${run.air.temperatureC.toFixed(1)} °C, ${Math.round(run.air.relativeHumidity * 100)} %` : ""}
        {plan.shield ? `; shield ${plan.shield.name}, r ${plan.shield.radiusMm} mm, ${Math.round(plan.shield.rawDeg)}° on it` : ""}.
      </p>
      {run.stop ? (
        <p className="mt-2">
          <Verdict tone="stop">
            Stopped at {clock.format(run.stop.atMs)}, {STOP_WORDS[run.stop.kind].label}; rinsed{" "}
            {run.stop.endedAtMs === null ? "until the visit ended" : formatClock((run.stop.endedAtMs - run.stop.atMs) / 1000)}
            {run.stop.endedEarly ? `, ended before its time: ${ENDED_EARLY_WORDS[run.stop.endedEarly]}` : ""}.
          </Verdict>
        </p>
      ) : null}
      {run.stopsTakenBack.map((stop) => (
        <p key={stop.atMs} className="mt-2">
          <Verdict tone="look">
            Stopped at {clock.format(stop.atMs)}, {STOP_WORDS[stop.kind].label}; taken back at {clock.format(stop.takenBackAtMs)}:{" "}
            {TAKEN_BACK_WORDS[stop.why]}.
          </Verdict>
        </p>
      ))}
      <table className="mt-4 w-full text-[0.9375rem]">
        <thead>
          <tr className="text-left text-sm text-ink-2">
            {["step", "where", "first touch", "lay", "planned, leaflet", "looks"].map((head) => (
              <th key={head} scope="col" className="py-1 font-normal">
                {head}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {run.coats.map((coat) => {
            const step = stepOf(run, coat.stepId)!;
            return (
              <tr key={coat.eventId} className="border-t border-line">
                <th scope="row" className="py-1.5 text-left font-semibold">
                  {step.name}
                </th>
                <td>{AREA_LABELS[coat.area]}</td>
                <td>{clock.format(coat.onAtMs)}</td>
                <td className={cx(overrunS(run, coat, endedAtMs) > 0 && "font-semibold text-rosehip")}>
                  {formatClock(lainS(coat, endedAtMs))}
                </td>
                <td>
                  {formatClock(plan.seconds[coat.stepId] ?? 0)}
                  {coat.extraS ? ` + ${coat.extraS} s` : ""}, to {formatClock(step.mostS)}
                </td>
                <td>{coat.looks.map(({ atMs, depth }) => `${formatClock((atMs - coat.onAtMs) / 1000)} → ${depth}`).join(", ")}</td>
              </tr>
            );
          })}
        </tbody>
      </table>
      <h3 className="mt-5 text-xl">From</h3>
      <ul className="mt-1 text-[0.9375rem]">
        {[...new Set(run.coats.map(({ stepId }) => stepId))].map((stepId) => (
          <li key={stepId}>
            <b>{stepOf(run, stepId)?.name}:</b> {batchOf(stepId)}
          </li>
        ))}
        {run.pastes.map((paste) => (
          <li key={paste.eventId} className="text-ink-2">
            Mixed {clock.format(paste.mixedAtMs)}: {paste.lines.map(({ amount, unit }) => doseWords(amount, unit)).join(" + ")},{" "}
            {(paste.peroxide.mid * 100).toFixed(1)} % peroxide
            {paste.peroxide.known ? "" : ` (${(paste.peroxide.low * 100).toFixed(1)} to ${(paste.peroxide.high * 100).toFixed(1)})`}
            {paste.cost === null ? "" : `, cost ${paste.cost.toFixed(2)}`}.
          </li>
        ))}
      </ul>
      {run.result ? (
        <>
          <h3 className="mt-5 text-xl">How it turned out</h3>
          <p className="mt-1">
            {[
              run.result.turn
                ? `kept ${Math.round(run.result.turn.seenDeg)}°${plan.shield ? ` of ${Math.round(plan.shield.rawDeg)}°` : ""}, ${run.result.turn.by === "card" ? "by the card" : "measured in a picture"}`
                : "",
              run.result.lashDepth === null
                ? ""
                : `lashes ${run.result.lashDepth} (${depthWords(run.result.lashDepth)}), wished ${plan.wish.lashDepth}`,
              run.result.browDepth === null
                ? ""
                : `brows ${run.result.browDepth} (${depthWords(run.result.browDepth)}), wished ${plan.wish.browDepth}`,
              run.result.even === null ? "" : run.result.even ? "even" : "uneven",
              run.result.comfort === null ? "" : { well: "felt nothing", tickled: "tickled", stung: "stung" }[run.result.comfort],
            ]
              .filter(Boolean)
              .join("; ")}
            .
          </p>
        </>
      ) : null}
      {mistakes.length > 0 ? (
        <ul className="mt-4 space-y-1">
          {mistakes.map(({ rule, severity, words }) => (
            <li key={rule + words}>
              <Verdict tone={severity}>{sentence(words)}</Verdict>
            </li>
          ))}
        </ul>
      ) : null}
    </section>
  );
}
