import { saturationPressurePa, vapourDensityGm3 } from "@/core/air";
import { Label, overlaps, type Placed } from "./Label";
import { DAMP, LEFT, WARMTH, type PlaneScales } from "./planeScales";

const DENSITIES_GM3 = [4, 6, 8, 10, 12, 14, 16];
const DEW_POINTS_C = [2, 6, 10, 14, 18];
const LABEL = { size: 12 } as const;

/** What is true of all air: axes, lines of equal water, lines of equal dew point. Their names give way to what is `taken`. */
export function PlaneGround({ scales, taken }: { scales: PlaneScales; taken: readonly Placed[] }) {
  const { x, y, height, right, curve } = scales;
  const isFree = (place: Placed) => !taken.some((other) => overlaps(place, other));
  return (
    <>
      {x.ticks(9).map((t) => (
        <g key={t}>
          <line x1={x(t)} x2={x(t)} y1={y(DAMP[1])} y2={y(DAMP[0])} stroke="var(--line)" opacity="0.6" />
          <text x={x(t)} y={height - 12} textAnchor="middle" fontSize="13" fill="var(--ink-2)">
            {t} °C
          </text>
        </g>
      ))}
      {y.ticks(7).map((rh) => (
        <g key={rh}>
          <line x1={LEFT} x2={right} y1={y(rh)} y2={y(rh)} stroke="var(--line)" opacity="0.6" />
          <text x={LEFT - 8} y={y(rh) + 4} textAnchor="end" fontSize="13" fill="var(--ink-2)">
            {Math.round(rh * 100)} %
          </text>
        </g>
      ))}
      {DENSITIES_GM3.map((grams) => {
        const humidityAt = (temperatureC: number) => grams / vapourDensityGm3({ temperatureC, relativeHumidity: 1 });
        const end = humidityAt(WARMTH[1]);
        const name: Placed = { ...LABEL, words: `${grams} g/m³`, x: right - 2, y: y(end) - 5, anchor: "end" };
        return (
          <g key={grams}>
            <polyline points={curve(humidityAt)} fill="none" stroke="var(--moss)" opacity="0.65" />
            {end > DAMP[0] + 0.02 && isFree(name) ? <Label {...name} /> : null}
          </g>
        );
      })}
      {DEW_POINTS_C.map((dew) => {
        const humidityAt = (t: number) => saturationPressurePa(dew) / saturationPressurePa(t);
        const start = humidityAt(WARMTH[0]);
        // Named at the left edge, or at the upper one where it comes in from above.
        const at =
          start > DAMP[1]
            ? { x: x(warmthAt(humidityAt, DAMP[1])) + 4, y: y(DAMP[1]) + 13 }
            : start > DAMP[0] + 0.02
              ? { x: LEFT + 4, y: y(start) + 14 }
              : null;
        const name: Placed | null = at && { ...LABEL, ...at, words: `dew ${dew} °C`, anchor: "start" };
        return (
          <g key={dew}>
            <polyline
              points={curve(humidityAt)}
              fill="none"
              stroke="var(--ink-2)"
              strokeDasharray="1 5"
              strokeLinecap="round"
              opacity="0.7"
            />
            {name && isFree(name) ? <Label {...name} /> : null}
          </g>
        );
      })}
    </>
  );
}

/** Warmth at which a falling curve of humidity passes a figure, by halving. */
function warmthAt(humidityAt: (temperatureC: number) => number, humidity: number): number {
  let [low, high] = WARMTH;
  for (let i = 0; i < 30; i++) {
    const middle = (low + high) / 2;
    if (humidityAt(middle) > humidity) low = middle;
    else high = middle;
  }
  return low;
}
