"use client";
import { useId, useMemo, useState } from "react";
import { useWidth } from "@/ui";
import { EyesCanvas } from "./EyesCanvas";
import { Sides, type PictureOf } from "./EyesPicture";
import { useCurls } from "./useCurls";
import { layPlate } from "./plate";

/**
 * Two looks of the same eyes one over the other, the first left of a line that a slider moves, the second right of it.
 * Both are drawn ahead: sliding draws nothing anew.
 */
export function EyesOver({
  first,
  second,
  guess = 880,
}: {
  first: PictureOf & { title: string };
  second: PictureOf & { title: string };
  guess?: number;
}) {
  const [ref, width] = useWidth<HTMLDivElement>(guess);
  const [share, setShare] = useState(50);
  const plate = useMemo(() => layPlate(first.survey, "mirror", width), [first.survey, width]);
  const curls = [useCurls(first), useCurls(second)];
  const id = useId();
  return (
    <div ref={ref}>
      <div
        role="img"
        aria-label={`Both eyes in the mirror: ${first.title} on the left of the line, ${second.title} on the right of it`}
        className="eye-glass relative overflow-hidden"
        style={{ width, height: plate.eyeBottom }}
      >
        {[first, second].map((of, i) => (
          <div key={i} className="absolute inset-0" style={{ clipPath: i ? `inset(0 0 0 ${share}%)` : `inset(0 ${100 - share}% 0 0)` }}>
            <EyesCanvas plate={plate} survey={of.survey} map={of.map} curlOf={curls[i]!} offsetMm={of.policy.attachmentOffsetMm} />
          </div>
        ))}
        <span aria-hidden="true" className="absolute top-0 bottom-0 w-px bg-ivy" style={{ left: `${share}%` }} />
      </div>
      <Sides plate={plate} />
      <label htmlFor={id} className="flex items-baseline justify-between gap-4 text-[0.9375rem]">
        <span className="min-w-0 break-words">{first.title}</span>
        <span className="sr-only"> or </span>
        <span className="min-w-0 text-right break-words">{second.title}</span>
      </label>
      <input
        id={id}
        type="range"
        min="0"
        max="100"
        value={share}
        aria-valuetext={`${share} % ${first.title}, ${100 - share} % ${second.title}`}
        onChange={(event) => setShare(Number(event.target.value))}
        className="h-11 w-full cursor-ew-resize accent-[var(--ivy)]"
      />
    </div>
  );
}
