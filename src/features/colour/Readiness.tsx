"use client";
import { useState } from "react";
import type { ReadinessFinding } from "@/core/care";
import { Button, TextField, Verdict } from "@/ui";
import type { ColourProps } from "./colourProps";
import { ConsentSheet } from "./ConsentSheet";
import { ConsultSheet } from "./ConsultSheet";

/** What stands between the client and the service: stops that nothing passes, questions that a written reason passes. */
export function Readiness({
  visit,
  findings,
  reason,
  error,
  onReason,
}: {
  visit: ColourProps;
  findings: readonly ReadinessFinding[];
  reason: string;
  error?: string | undefined;
  onReason: (reason: string) => void;
}) {
  const [sheet, setSheet] = useState<"consult" | "consent" | null>(null);
  const asks = findings.some(({ weight }) => weight === "ask");
  return (
    <section aria-label="Before anything">
      {findings.length === 0 ? (
        <p>
          <Verdict tone="good">Patch tests, consultation and consent are in order.</Verdict>
        </p>
      ) : (
        <ul className="space-y-1">
          {findings.map(({ rule, weight, words }) => (
            <li key={rule + words}>
              <Verdict tone={weight === "stop" ? "stop" : "look"}>{words}</Verdict>
            </li>
          ))}
        </ul>
      )}
      <div className="mt-1 -ml-4 flex flex-wrap">
        <Button tone="plain" onClick={() => setSheet("consult")}>
          {visit.standing.consultation ? "Ask again" : "Ask the consultation"}
        </Button>
        <Button tone="plain" onClick={() => setSheet("consent")}>
          {visit.standing.consentOn ? `Consent of ${visit.standing.consentOn}` : "Sign the consent"}
        </Button>
      </div>
      {asks ? (
        <TextField label="Why it goes ahead" value={reason} error={error} onChange={(event) => onReason(event.target.value)} />
      ) : null}
      {sheet === "consult" ? <ConsultSheet visit={visit} onClose={() => setSheet(null)} /> : null}
      {sheet === "consent" ? <ConsentSheet visit={visit} onClose={() => setSheet(null)} /> : null}
    </section>
  );
}
