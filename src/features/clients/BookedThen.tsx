"use client";
import { useRouter } from "next/navigation";
import { Button, Dialog, Notice } from "@/ui";

/** A visit was opened into a time that is another's: said before it is gone to. */
export function BookedThen({
  warning: { words, visitId },
  onClose,
}: {
  warning: { readonly words: string; readonly visitId: string };
  onClose: () => void;
}) {
  const router = useRouter();
  return (
    <Dialog open onOpenChange={(open) => !open && onClose()} title="Something is booked then">
      <Notice tone="look" title={words}>
        A walk-in keeps nobody’s time. Move it on its page if it is in the way.
      </Notice>
      <Button className="mt-4" onClick={() => router.push(`/visits/${visitId}`)}>
        To the visit
      </Button>
    </Dialog>
  );
}
