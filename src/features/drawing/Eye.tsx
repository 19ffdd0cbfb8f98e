import { memo, useId, useMemo, type ReactNode } from "react";
import { lidOutline, type DrawnLash, type EyeSurvey } from "@/core/eye";
import { lashPath, linePath } from "./lashPath";
import type { EyePlace } from "./plate";

/** An open eye from the front with its natural lashes, at the plate's scale; what is worn on them comes as children. */
export const Eye = memo(function Eye({
  eye,
  place,
  pxPerMm,
  naturals,
  faint,
  children,
}: {
  eye: EyeSurvey;
  place: EyePlace;
  pxPerMm: number;
  naturals: readonly DrawnLash[];
  /** Drawn back, because extensions stand on them. */
  faint: boolean;
  children?: ReactNode;
}) {
  return (
    <g>
      <Lid eye={eye} place={place} pxPerMm={pxPerMm} />
      <Naturals lashes={naturals} place={place} pxPerMm={pxPerMm} faint={faint} />
      {children}
    </g>
  );
});

const Lid = memo(function Lid({ eye, place, pxPerMm }: { eye: EyeSurvey; place: EyePlace; pxPerMm: number }) {
  const lid = useMemo(() => lidOutline(eye), [eye]);
  const opening = `${linePath(lid.upper, place)}${linePath([...lid.lower].reverse(), place).replace("M", "L")}Z`;
  const [irisX, irisY] = place.point([lid.iris.x, lid.iris.y]);
  const radius = lid.iris.radius * pxPerMm;
  // Several eyes may stand on one page.
  const clip = useId();
  return (
    <>
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
    </>
  );
});

const Naturals = memo(function Naturals({
  lashes,
  place,
  pxPerMm,
  faint,
}: {
  lashes: readonly DrawnLash[];
  place: EyePlace;
  pxPerMm: number;
  faint: boolean;
}) {
  const path = useMemo(() => lashes.map((lash) => lashPath(lash, place, pxPerMm)).join(""), [lashes, place, pxPerMm]);
  return <path d={path} fill="var(--ink-2)" opacity={faint ? 0.38 : 0.9} />;
});
