"use client";
import Link from "next/link";
import dynamic from "next/dynamic";
import { useState } from "react";
import type { CareFinding } from "@/core/care";
import { asksOf } from "@/core/care";
import { serviceOf } from "@/core/service";
import { Button, TextField, Verdict } from "@/ui";
import { newId } from "@/ui/newId";
import { confirmConsultation } from "./actions";
import { answersWords } from "./answersWords";
import type { CareProps } from "./careProps";
import { Findings } from "./Findings";
import { answered } from "@/ui/answered";

// Fetched when they are opened: most visits confirm by one tap.
const ConsultSheet = dynamic(() => import("./ConsultSheet").then((module) => module.ConsultSheet));
const ConsentSheet = dynamic(() => import("./ConsentSheet").then((module) => module.ConsentSheet));

/** The reason for what is asked; where only the consultation is to be asked, asking it is the way, and going on without it stands back. */
function Reasoned({ quietly, children }: { quietly: boolean; children: React.ReactNode }) {
  return quietly ? (
    <details className="mt-2">
      <summary className="text-sm text-ink-2">Go ahead without asking it</summary>
      <div className="mt-2">{children}</div>
    </details>
  ) : (
    <div className="mt-3">{children}</div>
  );
}

/** What stands between the client and the service: stops that nothing passes, questions that a written reason passes. */
export function CareCheck({
  care,
  findings,
  reason,
  error,
  onReason,
}: {
  care: CareProps;
  /** What stands with what is chosen on this page; the server judges it once more. */
  findings: readonly CareFinding[];
  reason: string;
  error?: string | undefined;
  /** Left out where nothing is begun from here yet: then no reason is asked for. */
  onReason?: ((reason: string) => void) | undefined;
}) {
  const [sheet, setSheet] = useState<"consult" | "consent" | null>(null);
  const [busy, setBusy] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const asks = asksOf(findings);
  const { consultation, consent } = care;
  const confirm = async () => {
    setBusy(true);
    const result = await answered(
      confirmConsultation({
        id: newId(),
        clientId: care.clientId,
        visitId: care.visitId,
        service: care.service,
      }),
    );
    setBusy(false);
    setProblem(result.ok ? null : result.message);
  };
  return (
    <section aria-label="Before anything" className="max-w-xl">
      {findings.length === 0 ? (
        <p>
          <Verdict tone="good">Nothing stands against it.</Verdict>
        </p>
      ) : (
        <Findings findings={findings} />
      )}
      {consultation ? (
        <p className="mt-2 text-[0.9375rem] text-ink-2">
          Answered {consultation.isOfToday ? "today" : `on ${consultation.confirmedOn}`}: {answersWords(consultation.document)}.
        </p>
      ) : null}
      <div className="mt-2 flex flex-wrap gap-2">
        {consultation && consultation.mayConfirm && !consultation.isOfToday ? (
          <Button disabled={busy} onClick={() => void confirm()}>
            As on {consultation.confirmedOn}, nothing changed
          </Button>
        ) : null}
        <Button tone="line" onClick={() => setSheet("consult")}>
          {consultation ? "Ask it whole" : "Ask the consultation"}
        </Button>
        {care.visitId ? (
          <Link
            href={`/consult/${care.visitId}`}
            className="inline-flex min-h-9 items-center rounded-full px-4 text-[0.9375rem] font-semibold text-ivy hover:bg-moss-soft"
          >
            Hand it to the client
          </Link>
        ) : null}
        {serviceOf(care.service).consent ? (
          <Button tone={consent?.state === "valid" ? "plain" : "line"} onClick={() => setSheet("consent")}>
            {consent?.state === "valid" ? `Consent of ${consent.signedOn}` : "Sign the consent"}
          </Button>
        ) : null}
      </div>
      {problem ? (
        <p role="alert" className="mt-2">
          <Verdict tone="stop">{problem}</Verdict>
        </p>
      ) : null}
      {onReason && (asks.length > 0 || error) ? (
        <Reasoned quietly={error === undefined && asks.every(({ rule }) => rule === "noConsultation")}>
          <TextField
            label="Why it goes ahead"
            hint="Kept with the visit, in your name."
            value={reason}
            maxLength={500}
            error={error}
            onChange={(event) => onReason(event.target.value)}
          />
          {care.reason && reason !== care.reason.words ? (
            <Button tone="plain" className="mt-1 -ml-4 max-w-full text-left" onClick={() => onReason(care.reason!.words)}>
              {care.reason.of === "this visit" ? "As written" : `As on ${care.reason.of}`}: “{care.reason.words}”
            </Button>
          ) : null}
        </Reasoned>
      ) : null}
      {sheet === "consult" ? <ConsultSheet care={care} onClose={() => setSheet(null)} /> : null}
      {sheet === "consent" ? <ConsentSheet care={care} onClose={() => setSheet(null)} /> : null}
    </section>
  );
}
