"use client";
import { TypedReading } from "@/features/air/TypedReading";
import { Dialog } from "@/ui";

/** What a hygrometer on the trolley shows, typed at the chair: the bead, the bottle and the cure are reckoned by it from then. */
export function TypeAirSheet({ roomId, onClose }: { roomId: string; onClose: () => void }) {
  return (
    <Dialog open onOpenChange={onClose} title="The air, read by hand">
      <TypedReading room={{ id: roomId }} heading={false} onKept={onClose} />
    </Dialog>
  );
}
