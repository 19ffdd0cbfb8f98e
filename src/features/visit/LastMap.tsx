"use client";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { Button, Verdict } from "@/ui";
import { takeLastMap } from "./actions";
import { answered } from "@/ui/answered";

/** One tap: the map worn last time, and to the visit. */
export function LastMap({ visitId }: { visitId: string }) {
  const router = useRouter();
  const [busy, setBusy] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const take = async () => {
    setBusy(true);
    const result = await answered(takeLastMap({ visitId }));
    setBusy(false);
    if (result.ok) return router.push(`/visits/${visitId}`);
    setProblem(result.message);
  };
  return (
    <>
      <Button disabled={busy} onClick={() => void take()}>
        Start with last time’s map
      </Button>
      {problem ? (
        <p role="alert">
          <Verdict tone="stop">{problem}</Verdict>
        </p>
      ) : null}
    </>
  );
}
