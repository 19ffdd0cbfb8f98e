const HEAD_PX = 7;
/** An accent: a needle with its eye at the tip. */
export function Needle({ x, top, groundY, ink, bold }: { x: number; top: number; groundY: number; ink: string; bold?: boolean }) {
  return (
    <>
      <path
        d={`M${x} ${groundY}L${x - (bold ? 2.6 : 1.8)} ${top + HEAD_PX}L${x} ${top}L${x + (bold ? 2.6 : 1.8)} ${top + HEAD_PX}Z`}
        fill={ink}
      />
      <circle cx={x} cy={top + HEAD_PX + 4} r={bold ? 5 : 4} fill="var(--paper)" stroke={ink} strokeWidth={bold ? 2.5 : 1.75} />
    </>
  );
}
