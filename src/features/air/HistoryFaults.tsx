import type { ReadingFault } from "@/core/air";
import { formatHours } from "@/core/units";
import { Verdict } from "@/ui";

const SHOWN = 6;

export type SensorFaults = { readonly sensorId: string; readonly faults: readonly ReadingFault[] };

/** What the last day shows of each hygrometer, in words. */
export function HistoryFaults({
  faults,
  names,
  timeZone,
}: {
  faults: readonly SensorFaults[];
  names: Readonly<Record<string, string>>;
  timeZone: string;
}) {
  const clock = new Intl.DateTimeFormat("en-GB", { hour: "2-digit", minute: "2-digit", timeZone });
  const all = faults
    .flatMap(({ sensorId, faults: ofSensor }) => ofSensor.map((fault) => ({ ...fault, name: names[sensorId] ?? "" })))
    .slice(-SHOWN);
  if (all.length === 0) return <p className="mt-3 text-[0.9375rem] text-ink-2">No gaps, stuck stretches or spikes in the last 24 hours.</p>;
  return (
    <ul className="mt-3 text-[0.9375rem]" aria-label="What to know of these readings">
      {all.map((fault, i) => (
        <li key={i} className="border-t border-line py-1">
          <Verdict tone={fault.kind === "spike" ? "note" : "look"}>{fault.name}</Verdict>{" "}
          {faultWords(fault, (ms) => clock.format(new Date(ms)))}
        </li>
      ))}
    </ul>
  );
}

export function faultWords({ kind, fromMs, toMs, by }: ReadingFault, clock: (ms: number) => string): string {
  if (kind === "gap") return `was not heard from ${clock(fromMs)} to ${clock(toMs)}, ${formatHours((toMs - fromMs) / 1000)}.`;
  if (kind === "stuck") return `showed the very same from ${clock(fromMs)} to ${clock(toMs)}: stuck?`;
  const parts = [
    by && by.relativeHumidity !== 0 ? `${signed(by.relativeHumidity * 100)} points` : "",
    by && by.temperatureC !== 0 ? `${signed(by.temperatureC)} °C` : "",
  ].filter(Boolean);
  return `jumped at ${clock(fromMs)} by ${parts.join(" and ")}: breath, a door, or a fault.`;
}
const signed = (value: number) => `${value > 0 ? "+" : "−"}${Math.abs(value).toFixed(value >= 10 || value <= -10 ? 0 : 1)}`;
