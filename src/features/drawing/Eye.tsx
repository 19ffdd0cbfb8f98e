import { memo, useMemo } from "react";
import { drawnLashes, lidOutline, type EyeSurvey } from "@/core/eye";
import type { Fibre } from "@/core/lash";
import { lashPath, linePath } from "./lashPath";
import type { EyePlace } from "./plate";

/** What a lash is drawn in: ordinary ink, chosen, or stopped. */
export type LashInk = "plain" | "chosen" | "stop";
const INKS: Record<LashInk, string> = { plain: "var(--ink)", chosen: "var(--ivy)", stop: "var(--rosehip)" };
const SEED = { right: 11, left: 23 } as const;

/** An open eye from the front with every lash as it will fall, at the plate's scale. */
export const Eye = memo(function Eye({
  eye,
  place,
  pxPerMm,
  fibreAt,
  inkAt,
}: {
  eye: EyeSurvey;
  place: EyePlace;
  pxPerMm: number;
  fibreAt: (at: number) => Fibre | null;
  inkAt: (at: number) => LashInk;
}) {
  const lid = useMemo(() => lidOutline(eye), [eye]);
  const lashes = useMemo(() => drawnLashes(eye, fibreAt, { seed: SEED[place.side] }), [eye, fibreAt, place.side]);
  const natural = useMemo(
    () =>
      lashes
        .filter((lash) => lash.kind === "natural")
        .map((lash) => lashPath(lash, place, pxPerMm))
        .join(""),
    [lashes, place, pxPerMm],
  );
  const extensions = useMemo(() => {
    const byInk: Record<LashInk, string[]> = { plain: [], chosen: [], stop: [] };
    for (const lash of lashes) if (lash.kind === "extension") byInk[inkAt(lash.at)].push(lashPath(lash, place, pxPerMm));
    return byInk;
  }, [lashes, place, pxPerMm, inkAt]);
  const opening = `${linePath(lid.upper, place)}${linePath([...lid.lower].reverse(), place).replace("M", "L")}Z`;
  const [irisX, irisY] = place.point([lid.iris.x, lid.iris.y]);
  const radius = lid.iris.radius * pxPerMm;
  const clip = `opening-${place.side}`;
  const hasExtensions = lashes.some((lash) => lash.kind === "extension");
  return (
    <g>
      <clipPath id={clip}>
        <path d={opening} />
      </clipPath>
      <path d={opening} fill="var(--white-of-eye)" />
      <g clipPath={`url(#${clip})`}>
        <circle cx={irisX} cy={irisY} r={radius} fill="var(--iris)" stroke="var(--ink-2)" strokeWidth="1" />
        <circle cx={irisX} cy={irisY} r={radius * 0.42} fill="var(--ivy-deep)" opacity="0.85" />
        <circle cx={irisX - radius * 0.3} cy={irisY - radius * 0.25} r={radius * 0.1} fill="var(--white-of-eye)" />
      </g>
      <path d={linePath(lid.lower, place)} fill="none" stroke="var(--lid)" strokeWidth="1" />
      {lid.crease.length ? <path d={linePath(lid.crease, place)} fill="none" stroke="var(--lid)" strokeWidth="1" /> : null}
      <path d={linePath(lid.upper, place)} fill="none" stroke="var(--lid)" strokeWidth="1.75" />
      <path d={natural} fill="var(--ink-2)" opacity={hasExtensions ? 0.38 : 0.9} />
      {(Object.keys(INKS) as LashInk[]).map((ink) =>
        extensions[ink].length ? <path key={ink} d={extensions[ink].join("")} fill={INKS[ink]} /> : null,
      )}
    </g>
  );
});
