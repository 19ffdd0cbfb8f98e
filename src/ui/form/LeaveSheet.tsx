"use client";
import { Button } from "../Button";
import { Dialog } from "../Dialog";

/** The question before a page with something unsaved is left. */
export function LeaveSheet({ onStay, onLeave, onSave }: { onStay: () => void; onLeave: () => void; onSave?: () => void }) {
  return (
    <Dialog open onOpenChange={(open) => !open && onStay()} title={onSave ? "This is not saved" : "What you typed is not kept"}>
      <p className="text-ink-2">
        {onSave ? "Save it before you leave, or leave it unsaved." : "Go back to it to keep it, or leave it behind."}
      </p>
      <div className="mt-5 flex flex-wrap gap-3">
        {onSave ? <Button onClick={onSave}>Save</Button> : null}
        <Button tone={onSave ? "line" : "ivy"} onClick={onStay}>
          Go on with it
        </Button>
        <Button tone="plain" onClick={onLeave}>
          Leave it
        </Button>
      </div>
    </Dialog>
  );
}
