"use client";
import { memo, useState } from "react";
import { Button } from "@/ui";
import { useReserve } from "@/ui/useReserve";

/** Wanted with a line or without. */
const load = () => import("./TypeAirSheet");

/** Where no reading is fresh, one is typed here. */
export const TypeAir = memo(function TypeAir({ roomId }: { roomId: string }) {
  const [open, setOpen] = useState(false);
  const sheet = useReserve(load, open);
  return (
    <>
      <Button tone="plain" className="min-h-8 px-2" onClick={() => setOpen(true)}>
        Type a reading
      </Button>
      {open && sheet ? <sheet.TypeAirSheet roomId={roomId} onClose={() => setOpen(false)} /> : null}
    </>
  );
});
