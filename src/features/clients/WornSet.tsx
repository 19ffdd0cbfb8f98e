"use client";
import dynamic from "next/dynamic";
import type { PictureOf } from "@/features/drawing/EyesPicture";

/** As high as the picture is about to be, so that nothing jumps. */
const waiting = () => <div className="h-64" aria-hidden="true" />;
const EyesPicture = dynamic(() => import("@/features/drawing/EyesPicture").then((module) => module.EyesPicture), {
  ssr: false,
  loading: waiting,
});

/** The set that was put on last, as the mirror showed it. */
export function WornSet({ of, label }: { of: PictureOf; label: string }) {
  return (
    <div className="mt-2 max-w-3xl">
      <EyesPicture of={of} label={label} guess={720} />
    </div>
  );
}
