"use client";
import dynamic from "next/dynamic";
import { useState } from "react";
import type { Hazard } from "@/core/growth";
import type { LashMap } from "@/core/map";
import type { PictureOf } from "@/features/drawing/EyesPicture";
import { Button } from "@/ui";

/** As high as the picture is about to be, so that nothing jumps. */
const waiting = () => <div className="h-64" aria-hidden="true" />;
const EyesPicture = dynamic(() => import("@/features/drawing/EyesPicture").then((module) => module.EyesPicture), {
  ssr: false,
  loading: waiting,
});

const SetOverDays = dynamic(() => import("@/features/lasting/SetOverDays").then((module) => module.SetOverDays), {
  ssr: false,
  loading: waiting,
});

/** The set that was put on last, as the mirror showed it; and, asked for, as it will look on each of its days. */
export function WornSet({
  of,
  label,
  placedOn,
  hazard,
}: {
  of: PictureOf & { readonly map: LashMap };
  label: string;
  placedOn: string;
  /** Bonds this client loses a day, as far as it is known. */
  hazard: Hazard;
}) {
  const [overDays, setOverDays] = useState(false);
  return (
    <div className="mt-2 max-w-3xl">
      {overDays ? <SetOverDays of={of} hazard={hazard} placedOn={placedOn} /> : <EyesPicture of={of} label={label} guess={720} />}
      <Button tone="plain" className="-ml-3 min-h-11" aria-pressed={overDays} onClick={() => setOverDays(!overDays)}>
        {overDays ? "As it was put on" : "Over its next 35 days"}
      </Button>
    </div>
  );
}
