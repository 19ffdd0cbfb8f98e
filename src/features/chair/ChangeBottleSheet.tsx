"use client";
import { useState } from "react";
import { Button, Dialog, Notice, TextField } from "@/ui";
import { useIdFor } from "@/ui/useIdFor";
import type { RatedBottle } from "@/features/shelf/ratedBottles";
import { changeBottle } from "@/features/visit/actions";
import { BottleChoice } from "./BottleChoice";
import { useTabletStore } from "@/features/tablet/TabletProvider";

/** Another bottle: asked at the door like a beginning; without a server the tap is kept and rated later. */
export function ChangeBottleSheet({
  visitId,
  rated,
  bottleId,
  onClose,
}: {
  visitId: string;
  rated: readonly RatedBottle[];
  bottleId: string | null;
  onClose: () => void;
}) {
  const store = useTabletStore();
  const [picked, setPicked] = useState<string | null>(null);
  const [reason, setReason] = useState("");
  const [problem, setProblem] = useState<{ message: string; field?: string | undefined } | null>(null);
  const [busy, setBusy] = useState(false);
  const other = picked ?? rated.find(({ bottle }) => bottle.id !== bottleId)?.bottle.id ?? null;
  const eventId = useIdFor(other);
  const take = async () => {
    if (!other) return;
    setBusy(true);
    const result = await changeBottle({ visitId, eventId, bottleId: other, reason }).catch(() => null);
    setBusy(false);
    if (result && !result.ok) return setProblem({ message: result.message, field: result.fields.reason });
    if (result?.ok) await store.refresh();
    else await store.tap(visitId, "bottleTaken", { bottleId: other });
    onClose();
  };
  return (
    <Dialog open onOpenChange={(open) => !open && onClose()} title="Change the bottle">
      <BottleChoice rated={rated} value={other ?? ""} onChange={setPicked} />
      {problem?.field ? (
        <div className="mt-3">
          <TextField
            label="Why it goes ahead"
            value={reason}
            error={problem.field}
            maxLength={500}
            onChange={(event) => setReason(event.target.value)}
          />
        </div>
      ) : null}
      {problem ? <Notice tone="stop" title={problem.message} className="mt-3" /> : null}
      <Button className="mt-4" disabled={busy || !other || other === bottleId} onClick={() => void take()}>
        {busy ? "Asking…" : "Work from this one"}
      </Button>
    </Dialog>
  );
}
