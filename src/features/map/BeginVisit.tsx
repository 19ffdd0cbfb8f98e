"use client";
import { useRouter } from "next/navigation";
import { useState } from "react";
import type { PatchTestStanding } from "@/core/visit";
import { patchTestWords } from "@/features/clients/patchTestWords";
import { Button, Dialog, Notice, TextArea, Verdict } from "@/ui";
import { openVisit } from "./actions";

/** Begins the visit that wears this map; asks for a reason where there is no valid patch test. */
export function BeginVisit({
  clientId,
  clientName,
  standing,
  mapId,
  save,
  stops,
}: {
  clientId: string;
  clientName: string;
  standing: PatchTestStanding;
  mapId: string;
  save: () => Promise<number | null>;
  stops: number;
}) {
  const router = useRouter();
  const [asking, setAsking] = useState(false);
  const [reason, setReason] = useState("");
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const words = patchTestWords(standing);
  const settled = standing.state === "valid" || standing.state === "due";

  const begin = async () => {
    setBusy(true);
    const revision = await save();
    if (revision === null) {
      setBusy(false);
      setAsking(false);
      return;
    }
    const result = await openVisit({ clientId, mapId, revision, reason }).catch(() => null);
    setBusy(false);
    if (result?.ok) return router.push(`/visits/${result.data.visitId}`);
    setProblem(result?.message ?? "The server did not answer. The map is saved; begin again when it is back.");
    setAsking(true);
  };
  return (
    <>
      <Button disabled={busy} onClick={() => (settled && stops === 0 ? void begin() : setAsking(true))}>
        To the chair
      </Button>
      <Dialog open={asking} onOpenChange={setAsking} title={`${clientName}: before the chair`}>
        {stops > 0 ? (
          <p className="mb-4">
            <Verdict tone="stop">
              {stops} {stops === 1 ? "finding says" : "findings say"} stop
            </Verdict>
            <span className="block text-ink-2">You may go on; the map carries them as they are.</span>
          </p>
        ) : null}
        {settled && problem === null ? null : (
          <div className="space-y-3">
            {settled ? null : (
              <p>
                <Verdict tone={words.tone}>{words.title}</Verdict>
                <span className="block text-ink-2">{words.says}</span>
              </p>
            )}
            {standing.state === "reaction" ? null : (
              <TextArea
                label="Why it goes ahead"
                hint="Kept with the visit, in your name."
                value={reason}
                maxLength={500}
                onChange={(event) => setReason(event.target.value)}
              />
            )}
          </div>
        )}
        {problem ? <Notice tone="stop" title={problem} className="mt-4" /> : null}
        <div className="mt-5 flex gap-3">
          {standing.state === "reaction" ? null : (
            <Button disabled={busy || (!settled && reason.trim().length < 3)} onClick={() => void begin()}>
              {busy ? "Opening…" : "To the chair"}
            </Button>
          )}
          <Button tone="line" onClick={() => setAsking(false)}>
            Stay with the map
          </Button>
        </div>
      </Dialog>
    </>
  );
}
