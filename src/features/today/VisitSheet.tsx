"use client";
import { useState } from "react";
import { SERVICES } from "@/core/service";
import { sentence } from "@/core/units";
import { Findings } from "@/features/care/Findings";
import { cancel, withdraw } from "@/features/visit/actions";
import { LastMap } from "@/features/visit/LastMap";
import { Button, Dialog, LinkButton, Notice, TextField, Verdict } from "@/ui";
import { FormBody, useStudioForm } from "@/ui/form";
import { clockOf, type DayLine } from "./dayLine";
import { answered } from "@/ui/answered";

/** One visit of the day: what stands against it, what it wants, and what can be done with it. */
export function VisitSheet({
  line,
  onMove,
  onClose,
  onGone,
}: {
  line: DayLine;
  onMove: () => void;
  onClose: () => void;
  onGone: (id: string) => void;
}) {
  const [cancelling, setCancelling] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const takeBack = async () => {
    setBusy(true);
    const result = await answered(withdraw({ id: line.id, back: false }));
    setBusy(false);
    if (result.ok) return onGone(line.id);
    setProblem(result.message);
  };
  const ahead = line.state === "ahead";
  return (
    <Dialog open onOpenChange={(open) => !open && onClose()} title={line.clientName}>
      <p className="text-ink-2">
        {sentence(SERVICES[line.service].label)},{" "}
        {line.really?.to ? `${line.really.from} to ${line.really.to}` : `${clockOf(line.fromMin)} to ${clockOf(line.toMin)}`},{" "}
        {line.technicianName}, {line.place}
        {line.isWalkIn ? ", walk-in" : ""}
      </p>
      {line.findings.length > 0 ? <Findings findings={line.findings} className="mt-3 space-y-1" /> : null}
      {line.wishes.length > 0 ? (
        <ul className="mt-3 space-y-0.5 text-[0.9375rem]" data-testid="wish">
          {line.wishes.map(({ tone, word, says }) => (
            <li key={word + says} className="text-ink-2">
              {tone === "good" ? "" : word ? <Verdict tone={tone}>{word}</Verdict> : null}{" "}
              {tone !== "good" && !word ? <Verdict tone={tone}>{says}</Verdict> : says}
            </li>
          ))}
        </ul>
      ) : null}
      {problem ? <Notice tone="stop" title={problem} className="mt-3" /> : null}
      <div className="mt-5 flex flex-wrap gap-2">
        {line.mayTakeLastMap ? <LastMap visitId={line.id} /> : null}
        <LinkButton href={`/visits/${line.id}`} tone={line.mayTakeLastMap ? "line" : "ivy"}>
          {line.state === "running" ? "To the chair" : "Open the visit"}
        </LinkButton>
        <LinkButton href={`/clients/${line.clientId}`} tone="line">
          The client
        </LinkButton>
      </div>
      {line.state === "done" ? null : (
        <div className="mt-3 -ml-4 flex flex-wrap border-t border-line pt-3">
          <Button tone="plain" onClick={onMove}>
            {ahead ? "Move it" : "Another person or chair"}
          </Button>
          {ahead ? (
            <>
              <Button tone="plain" onClick={() => setCancelling(true)}>
                Cancel it
              </Button>
              <Button tone="plain" disabled={busy} onClick={() => void takeBack()}>
                Made by mistake: take it back
              </Button>
            </>
          ) : null}
        </div>
      )}
      {cancelling ? <CancelForm id={line.id} onCancelled={onClose} /> : null}
    </Dialog>
  );
}

function CancelForm({ id, onCancelled }: { id: string; onCancelled: () => void }) {
  const form = useStudioForm({
    values: { why: "" },
    input: ({ why }) => ({ id, why, back: false }),
    schema: () => import("@/features/visit/schema").then(({ cancelForm }) => cancelForm),
    send: cancel,
    onKept: onCancelled,
  });
  return (
    <FormBody form={form} submit="Cancel the visit" working="Cancelling…" tone="stop" className="mt-3 space-y-3">
      <TextField label="Why it is cancelled" autoFocus maxLength={500} {...form.field("why")} />
    </FormBody>
  );
}
