"use client";
import { useState } from "react";
import { findingKey, type Finding, type Severity } from "@/core/map";
import { Button, Verdict, type Tone } from "@/ui";

const TONES: Record<Severity, Tone> = { stop: "stop", look: "look", note: "note" };
const WORDS: Record<Severity, string> = { stop: "Stop", look: "Look", note: "Note" };
const NUMBERS = ["Nothing", "One thing", "Two things", "Three things", "Four things", "Five things", "Six things"];
const FEW = 5;

/** What the map deserves to be told, the gravest first; each opens to its numbers, and has its fix beside it. */
export function Findings({
  findings,
  onFix,
  onShow,
  onPlan,
}: {
  findings: readonly Finding[];
  onFix: (finding: Finding) => void;
  onShow: (finding: Finding) => void;
  onPlan: (wish: NonNullable<Finding["plan"]>["wish"]) => void;
}) {
  const [all, setAll] = useState(false);
  const grave = findings.filter((finding) => finding.severity !== "note").length;
  const shown = all ? findings : findings.slice(0, FEW);
  return (
    <section aria-label="Findings">
      <h2 className="text-xl" aria-live="polite" data-testid="findings-count">
        {grave === 0 ? "Nothing to settle" : `${NUMBERS[grave] ?? `${grave} things`} to settle`}
      </h2>
      {findings.length === 0 ? (
        <p className="mt-2 border-t border-line pt-3 text-[0.9375rem] text-ink-2">The line keeps every limit of the studio.</p>
      ) : null}
      <ul className="mt-2">
        {shown.map((finding) => (
          <li key={findingKey(finding)} className="border-t border-line py-3" data-rule={finding.rule}>
            <button type="button" className="min-h-6 text-left hover:underline" onClick={() => onShow(finding)}>
              <Verdict tone={TONES[finding.severity]}>{WORDS[finding.severity]}</Verdict> <b>{finding.title}</b>
            </button>
            <p className="mt-0.5 text-[0.9375rem] text-ink-2">{finding.why}</p>
            <div className="mt-1.5 flex flex-wrap items-start gap-x-3">
              {finding.fix ? (
                <Button tone={finding.severity === "stop" ? "ivy" : "line"} onClick={() => onFix(finding)}>
                  {finding.fix.label}
                </Button>
              ) : null}
              {finding.plan ? (
                <Button tone="line" onClick={() => onPlan(finding.plan!.wish)}>
                  {finding.plan.label}
                </Button>
              ) : null}
              <details className="min-w-0 flex-1 text-sm text-ink-2">
                <summary className="min-h-9 cursor-pointer py-2">Why</summary>
                <dl className="grid grid-cols-[1fr_auto] gap-x-3">
                  {finding.numbers.map(({ label, value }) => (
                    <div key={label} className="contents">
                      <dt>{label}</dt>
                      <dd className="text-right font-semibold text-ink">{value}</dd>
                    </div>
                  ))}
                </dl>
                <p className="mt-1">{finding.source}</p>
              </details>
            </div>
          </li>
        ))}
      </ul>
      {findings.length > FEW ? (
        <Button tone="plain" className="-ml-4" onClick={() => setAll(!all)}>
          {all ? "Fewer" : `${findings.length - FEW} more`}
        </Button>
      ) : null}
    </section>
  );
}
