/** The nose, so that it is plain which way up and which eye is which. Turned with the view. */
export function Nose({
  x,
  y,
  length,
  turned,
  ink = "var(--ink-2)",
}: {
  x: number;
  y: number;
  length: number;
  turned: boolean;
  ink?: string;
}) {
  const way = turned ? -1 : 1;
  return (
    <g>
      <path
        d={`M${x} ${y - (way * length) / 2}v${way * length}m-7 ${-way * 3}q7 ${way * 8} 14 0`}
        fill="none"
        stroke={ink}
        strokeWidth="1.25"
        strokeLinecap="round"
      />
      <text x={x} y={turned ? y + length / 2 + 16 : y - length / 2 - 7} textAnchor="middle" fontSize="13" fill={ink}>
        nose
      </text>
    </g>
  );
}
