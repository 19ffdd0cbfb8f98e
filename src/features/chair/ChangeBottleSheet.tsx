"use client";
import dynamic from "next/dynamic";
import { useState } from "react";
import { Button, Dialog, Notice, TextField } from "@/ui";
import { useIdFor } from "@/ui/useIdFor";
import type { RatedBottle } from "@/features/shelf/ratedBottles";
import { changeBottle } from "@/features/visit/actions";
import { BottleChoice } from "./BottleChoice";
import { useTabletStore } from "@/features/tablet/TabletProvider";

const LotSheet = dynamic(() => import("@/features/shelf/LotSheet").then((module) => module.LotSheet));

/** Another bottle, or the one that was forgotten: asked at the door like a beginning; without a server the tap is kept and rated later. */
export function ChangeBottleSheet({
  visitId,
  rated,
  bottleId,
  hasBeads,
  adhesives,
  today,
  onClose,
}: {
  visitId: string;
  rated: readonly RatedBottle[];
  bottleId: string | null;
  /** Beads were put out already. */
  hasBeads: boolean;
  /** What a bottle can be opened of. */
  adhesives: readonly { readonly id: string; readonly name: string }[];
  today: string;
  onClose: () => void;
}) {
  const store = useTabletStore();
  const [picked, setPicked] = useState<string | null>(null);
  const [reason, setReason] = useState("");
  const [problem, setProblem] = useState<{ message: string; field?: string | undefined } | null>(null);
  const [busy, setBusy] = useState(false);
  const [opening, setOpening] = useState(false);
  const other = picked ?? rated.find(({ bottle }) => bottle.id !== bottleId)?.bottle.id ?? null;
  const eventId = useIdFor(other);
  const take = async (fromStart: boolean) => {
    if (!other) return;
    setBusy(true);
    const result = await changeBottle({ visitId, eventId, bottleId: other, fromStart, reason }).catch(() => null);
    setBusy(false);
    if (result && !result.ok) return setProblem({ message: result.message, field: result.fields.reason });
    if (result?.ok) await store.refresh();
    else await store.tap(visitId, "bottleTaken", { bottleId: other, fromStart });
    onClose();
  };
  if (opening)
    return <LotSheet title="Open a bottle" products={adhesives} productLabel="Adhesive" today={today} onClose={() => setOpening(false)} />;
  const isForgotten = bottleId === null && hasBeads;
  return (
    <Dialog open onOpenChange={(open) => !open && onClose()} title={bottleId === null ? "Write the bottle down" : "Change the bottle"}>
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
      <div className="mt-4 flex flex-wrap gap-3">
        {isForgotten ? (
          <Button disabled={busy || !other} onClick={() => void take(true)}>
            {busy ? "Asking…" : "It was this one from the start"}
          </Button>
        ) : null}
        <Button tone={isForgotten ? "line" : "ivy"} disabled={busy || !other || other === bottleId} onClick={() => void take(false)}>
          {busy ? "Asking…" : isForgotten ? "This one from now on" : "Work from this one"}
        </Button>
        {adhesives.length > 0 ? (
          <Button tone="plain" onClick={() => setOpening(true)}>
            Open a bottle
          </Button>
        ) : null}
      </div>
    </Dialog>
  );
}
