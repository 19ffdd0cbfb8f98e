"use client";
import { useState, useTransition } from "react";
import { Button } from "@/ui";
import { putClientAway } from "./actions";

/** Puts a client away from the lists, or back. Nothing is destroyed. */
export function PutAway({ id, away }: { id: string; away: boolean }) {
  const [busy, begin] = useTransition();
  const [problem, setProblem] = useState<string | null>(null);
  return (
    <>
      <Button
        tone="plain"
        disabled={busy}
        onClick={() =>
          begin(async () => {
            const result = await putClientAway({ id, away: !away });
            setProblem(result.ok ? null : result.message);
          })
        }
      >
        {away ? "Take up again" : "Put away"}
      </Button>
      {problem ? <p className="text-sm text-rosehip">{problem}</p> : null}
    </>
  );
}
