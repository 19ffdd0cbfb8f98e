"use client";
import { memo, useState } from "react";
import type { RatedBottle } from "@/features/shelf/ratedBottles";
import { Button } from "@/ui";
import { useReserve } from "@/ui/useReserve";

/** Wanted with a line or without. */
const load = () => import("./ChangeBottleSheet");

/** Another bottle while the visit runs, a new one opened, or the one that nobody wrote down. */
export const ChangeBottle = memo(function ChangeBottle(props: {
  visitId: string;
  rated: readonly RatedBottle[];
  bottleId: string | null;
  hasBeads: boolean;
  adhesives: readonly { readonly id: string; readonly name: string }[];
  today: string;
}) {
  const [open, setOpen] = useState(false);
  const sheet = useReserve(load, open);
  return (
    <>
      <Button tone="plain" className="min-h-8 px-2" onClick={() => setOpen(true)}>
        {props.bottleId === null ? "Write the bottle down" : "Change the bottle"}
      </Button>
      {open && sheet ? <sheet.ChangeBottleSheet {...props} onClose={() => setOpen(false)} /> : null}
    </>
  );
});
