"use client";
import { useState } from "react";
import { Button, Notice } from "@/ui";
import { answered } from "@/ui/answered";
import { demandSecondFactor } from "./actions";

/** Whether everybody is asked for a second factor. */
export function SecondFactorDemand({ demanded, mayChange }: { demanded: boolean; mayChange: boolean }) {
  const [busy, setBusy] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const change = async () => {
    setBusy(true);
    const result = await answered(demandSecondFactor({ demanded: !demanded }), "Nothing was changed.");
    setProblem(result.ok ? null : result.message);
    setBusy(false);
  };
  return (
    <section aria-label="Second factor">
      <h2 className="text-2xl">Second factor</h2>
      <p className="mt-1 mb-3 text-[0.9375rem] text-ink-2">
        {demanded
          ? "Asked of everybody: who has none sets one up at their next sign-in, before anything else."
          : "Left to each of you, on your own profile. Asked of everybody, a password found out lets nobody in."}
      </p>
      {problem ? <Notice tone="stop" title={problem} className="mb-3" /> : null}
      {mayChange ? (
        <Button tone="line" disabled={busy} onClick={() => void change()}>
          {demanded ? "Leave it to each" : "Ask it of everybody"}
        </Button>
      ) : null}
    </section>
  );
}
