"use client";
import { useState } from "react";
import { SERVICES } from "@/core/service";
import { sentence } from "@/core/units";
import { Findings } from "@/features/care/CareCheck";
import { cancel, withdraw } from "@/features/visit/actions";
import { LastMap } from "@/features/visit/LastMap";
import { Button, Dialog, LinkButton, Notice, TextField, Verdict } from "@/ui";
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
  const [why, setWhy] = useState("");
  const [problem, setProblem] = useState<{ message: string; fields: Readonly<Record<string, string>> } | null>(null);
  const [busy, setBusy] = useState(false);
  const send = async (work: () => ReturnType<typeof cancel>, after: () => void) => {
    setBusy(true);
    const result = await answered(work());
    setBusy(false);
    if (result.ok) return after();
    setProblem(result);
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
      {problem ? <Notice tone="stop" title={problem.message} className="mt-3" /> : null}
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
              <Button
                tone="plain"
                disabled={busy}
                onClick={() =>
                  void send(
                    () => withdraw({ id: line.id, back: false }),
                    () => onGone(line.id),
                  )
                }
              >
                Made by mistake: take it back
              </Button>
            </>
          ) : null}
        </div>
      )}
      {cancelling ? (
        <form
          className="mt-3 space-y-3"
          noValidate
          onSubmit={(event) => {
            event.preventDefault();
            void send(() => cancel({ id: line.id, why, back: false }), onClose);
          }}
        >
          <TextField
            label="Why it is cancelled"
            autoFocus
            value={why}
            maxLength={500}
            error={problem?.fields.why}
            onChange={(event) => setWhy(event.target.value)}
          />
          <Button type="submit" tone="stop" disabled={busy}>
            Cancel the visit
          </Button>
        </form>
      ) : null}
    </Dialog>
  );
}
