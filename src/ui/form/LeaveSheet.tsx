"use client";
import { Button } from "../Button";
import { Dialog } from "../Dialog";

/** The question before a page with something unsaved is left. */
export function LeaveSheet({ onStay, onLeave }: { onStay: () => void; onLeave: () => void }) {
  return (
    <Dialog open onOpenChange={(open) => !open && onStay()} title="What you typed is not kept">
      <p className="text-ink-2">Go back to it to keep it, or leave it behind.</p>
      <div className="mt-5 flex flex-wrap gap-3">
        <Button onClick={onStay}>Go on with it</Button>
        <Button tone="plain" onClick={onLeave}>
          Leave it
        </Button>
      </div>
    </Dialog>
  );
}
