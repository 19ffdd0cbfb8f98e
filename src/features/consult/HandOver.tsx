"use client";
import { useState } from "react";
import { Button, Notice } from "@/ui";
import { giveToClient } from "./actions";
import { answered } from "@/ui/answered";

/** Said before the tablet leaves the technician's hands. */
export function HandOver({ visitId, clientName }: { visitId: string; clientName: string }) {
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const give = async () => {
    setBusy(true);
    const result = await answered(giveToClient({ visitId }));
    // A page of its own, loaded afresh: nothing of the studio stays behind it.
    if (result.ok) return window.location.replace(`/consult/${visitId}`);
    setBusy(false);
    setProblem(result.message);
  };
  return (
    <main className="mx-auto max-w-2xl px-5 py-16">
      <h1 className="text-4xl">
        To <bdi>{clientName}</bdi>
      </h1>
      <p className="mt-3 text-lg text-ink-2">
        The tablet shows their questions and nothing else until you take it back with your password. Clocks go on counting; taps that are on
        their way wait on the tablet.
      </p>
      {problem ? <Notice tone="stop" title={problem} className="mt-4" /> : null}
      <div className="mt-6 flex gap-3">
        <Button size="bed" disabled={busy} onClick={() => void give()}>
          Hand it over
        </Button>
        <Button size="bed" tone="plain" onClick={() => window.history.back()}>
          Back
        </Button>
      </div>
    </main>
  );
}
