import { SERVICES } from "@/core/service";
import { MiniSkyline } from "@/features/drawing/MiniSkyline";
import { cx, Verdict } from "@/ui";
import { clockOf, type DayLine } from "./dayLine";

const TONES = { stop: "stop", ask: "look", note: "note" } as const;

/** The day as one line of knots, for a narrow screen. */
export function DayList({ lines, onOpen }: { lines: readonly DayLine[]; onOpen: (line: DayLine) => void }) {
  return (
    <ol aria-label="Visits" className="relative">
      {lines.map((line, i) => {
        const findings = line.findings.filter(({ weight }) => weight !== "note").slice(0, 2);
        return (
          <li key={line.id} className="relative grid grid-cols-[3.25rem_1.5rem_minmax(0,1fr)] items-start">
            <span className="pt-3 text-right font-semibold">{clockOf(line.fromMin)}</span>
            <span aria-hidden="true" className="relative h-full">
              {i === lines.length - 1 ? null : (
                <span className="absolute top-5 left-1/2 h-full -translate-x-1/2 border-l-2 border-dashed border-ivy" />
              )}
              <span
                className={cx(
                  "absolute top-[0.95rem] left-1/2 size-3.5 -translate-x-1/2 rounded-full border-2 border-ivy",
                  line.state === "done" ? "bg-ivy" : line.state === "running" ? "bg-moss" : "bg-paper",
                )}
              />
            </span>
            <button
              type="button"
              onClick={() => onOpen(line)}
              className="mb-1 block w-full rounded-lg px-3 py-2.5 text-left hover:bg-moss-soft"
            >
              <span className="flex flex-wrap items-baseline justify-between gap-x-3">
                <bdi className="min-w-0 font-serif text-xl break-words">{line.clientName}</bdi>
                {line.state === "running" ? (
                  <Verdict tone="good">under way</Verdict>
                ) : line.state === "done" ? (
                  <Verdict tone="good">done</Verdict>
                ) : null}
              </span>
              <span className="mt-0.5 block text-[0.9375rem] text-ink-2">
                {whenWords(line)}, {SERVICES[line.service].label}; {line.technicianName}, {line.place}
              </span>
              {line.state === "done"
                ? null
                : findings.map(({ key, weight, words }) => (
                    <span key={key} className="mt-0.5 block text-[0.9375rem]">
                      <Verdict tone={TONES[weight]}>{words}</Verdict>
                    </span>
                  ))}
              <span className="mt-0.5 block text-[0.9375rem] text-ink-2" data-testid={line.wishes.length > 0 ? "wish" : undefined}>
                {line.wishes.map(({ tone, word, says }) => (
                  <span key={word + says} className="block">
                    {tone === "good" ? says : <Verdict tone={tone}>{word || says}</Verdict>} {tone !== "good" && word ? says : ""}
                  </span>
                ))}
              </span>
              {line.map ? (
                <span className="mt-1.5 block">
                  <MiniSkyline profile={line.map} width={112} height={28} />
                </span>
              ) : null}
            </button>
          </li>
        );
      })}
    </ol>
  );
}

/** When it was, as far as it is known; what is agreed where it has not begun or ended. */
function whenWords({ really, toMin }: DayLine): string {
  if (really?.to) return `${really.from} to ${really.to}`;
  return really ? `since ${really.from}, agreed until ${clockOf(toMin)}` : `until ${clockOf(toMin)}`;
}
