"use client";
import { useEffect, useMemo, useRef, useState } from "react";
import { sideLabel, type Side, type Survey } from "@/core/eye";
import { eyesInView } from "@/core/map";
import { tapesOn, type PlacingWork } from "@/core/placing";
import { layPlate, type Plate } from "@/features/drawing/plate";
import { shownHeight, type SetOnPads, type Stretch } from "./onPlate";
import { PadMarks } from "./PadMarks";
import { PlacedLashes } from "./PlacedLashes";
import type { AtWork } from "./usePlacing";
import { WetDots } from "./WetMarks";

type Props = {
  of: SetOnPads;
  work: AtWork;
  placing: PlacingWork;
  /** Lashes each spot would end with, while what remains is planned again. */
  after: ReadonlyMap<number, number> | null;
  onZone: (side: Side, zone: number) => void;
};

/** Both closed eyes on their pads from the bed head, with every lash that is placed, the zone to work lit, what is wet marked. */
export function PadsAtWork({ of, work, placing, after, onZone }: Props) {
  const [box, size] = useSize();
  const { survey, map } = of;
  const longestMm = useMemo(() => Math.max(...work.plan.spots.map(({ fibre }) => fibre.lengthMm), 8), [work.plan]);
  const { tapeStretchMm } = of.policy;
  const { tapes } = placing;
  const stretch = useMemo((): Stretch => {
    const drawn = tapesOn({ tapes }).filter(({ what }) => what === "innerDrawn");
    const of = (eye: Side) => (drawn.some(({ side }) => side === eye) ? tapeStretchMm : 0);
    return { right: of("right"), left: of("left") };
  }, [tapes, tapeStretchMm]);
  const litSide = work.spot?.side ?? "right";
  const both = useMemo(() => arranged(survey, longestMm, size), [survey, longestMm, size]);
  // Changing eyes lays nothing out anew where both are shown.
  const plates = both.find((plates) => plates.some(({ eyes }) => eyes.some(({ side }) => side === litSide))) ?? both[0]!;
  return (
    <div ref={box} className="flex h-full w-full flex-col items-center justify-center overflow-hidden">
      {plates.map((plate) => (
        <div
          key={plate.eyes.map(({ side }) => side).join(" ")}
          className="relative shrink-0 overflow-hidden"
          style={{ width: plate.widthPx, height: shownHeight(plate, survey) }}
        >
          <PlacedLashes plate={plate} of={of} work={work} stretch={stretch} />
          <WetDots plate={plate} of={of} work={work} stretch={stretch} />
          <svg
            width={plate.widthPx}
            height={plate.eyeBottom}
            className="absolute top-0 left-0 select-none"
            role="img"
            aria-label={plate.eyes
              .map(({ side }) => `${sideLabel(side)} on its pad, ${work.progress.placed[side]} lashes placed`)
              .join("; ")}
          >
            {plate.eyes.map((place) => (
              <PadMarks
                key={place.side}
                place={place}
                survey={survey}
                map={map}
                work={work}
                after={after}
                stretchMm={stretch[place.side]}
                longestMm={longestMm}
                onZone={onZone}
              />
            ))}
          </svg>
        </div>
      ))}
    </div>
  );
}

/** Smaller than this two eyes say little, px per mm: then the one that is worked is shown alone. */
const LEAST_SCALE = 6;

/**
 * Both eyes beside each other or one over the other, whichever is larger: one arrangement of plates. Where neither is large
 * enough, two: each eye alone, of which the one at work is shown.
 */
function arranged(survey: Survey, longestMm: number, { width, height }: { width: number; height: number }): Plate[][] {
  const fit = (onlys: readonly (Side | null)[]) => {
    const shapes = onlys.map((only) => layPlate(survey, "pad", 1000, { longestMm, only }));
    const tall = shapes.reduce((sum, shape) => sum + shownHeight(shape, survey), 0);
    const widthPx = Math.max(160, Math.floor(Math.min(width, (height / tall) * 1000)));
    const scale = (Math.min(...shapes.flatMap(({ eyes }) => eyes.map(({ pxPerMm }) => pxPerMm))) * widthPx) / 1000;
    return { scale, plates: () => onlys.map((only) => layPlate(survey, "pad", widthPx, { longestMm, only })) };
  };
  const [beside, over] = [fit([null]), fit(eyesInView("bedHead"))];
  const alone = eyesInView("bedHead").map((side) => fit([side]));
  const best = over.scale > beside.scale ? over : beside;
  const isAlone = best.scale < LEAST_SCALE && alone.every(({ scale }) => scale > best.scale);
  return isAlone ? alone.map(({ plates }) => plates()) : [best.plates()];
}

/** Less of a change in height than this is none. */
const KEEPS_PX = 48;

/** The room there is, px. */
function useSize() {
  const ref = useRef<HTMLDivElement>(null);
  const [size, setSize] = useState({ width: 800, height: 320 });
  useEffect(() => {
    if (!ref.current) return;
    let told = { width: 0, height: 0 };
    const observer = new ResizeObserver(([entry]) => {
      if (!entry) return;
      const { width, height } = entry.contentRect;
      // A line of words more or less under them lays no eyes out anew.
      if (told.width === width && Math.abs(told.height - height) < KEEPS_PX) return;
      told = { width, height };
      setSize(told);
    });
    observer.observe(ref.current);
    return () => observer.disconnect();
  }, []);
  return [ref, size] as const;
}
