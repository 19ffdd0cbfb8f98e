import { scaleLinear, type ScaleLinear } from "d3";
import type { Air } from "@/core/air";
import { clamp } from "@/core/units";

export const WARMTH: readonly [number, number] = [14, 32];
export const DAMP: readonly [number, number] = [0.15, 0.8];
export const LEFT = 44;
const RIGHT = 24;
const CURVE_STEPS = 36;

export type Point = [number, number];

/** Warmth across and damp up, in px, with what is drawn by them. */
export type PlaneScales = {
  readonly width: number;
  readonly height: number;
  readonly right: number;
  readonly x: ScaleLinear<number, number>;
  readonly y: ScaleLinear<number, number>;
  /** An air in px, held to the plane's edges. */
  readonly place: (air: Air) => Point;
  /** The nearest air that the plane shows. */
  readonly held: (air: Air) => Air;
  /** A curve of humidity over warmth, where the plane shows it, as a polyline's points. */
  readonly curve: (humidityAt: (temperatureC: number) => number) => string;
};

/** Points as a polyline takes them, to a tenth of a px. */
export const polyline = (points: readonly Point[]): string => points.map(([x, y]) => `${x.toFixed(1)},${y.toFixed(1)}`).join(" ");

export function planeScales(width: number): PlaneScales {
  const height = clamp(width * 0.66, 300, 530);
  const right = width - RIGHT;
  const x = scaleLinear(WARMTH, [LEFT, right]);
  const y = scaleLinear(DAMP, [height - 34, 12]);
  const within = ({ temperatureC, relativeHumidity }: Air): Air => ({
    temperatureC: clamp(temperatureC, ...WARMTH),
    relativeHumidity: clamp(relativeHumidity, ...DAMP),
  });
  const warmths = Array.from({ length: CURVE_STEPS + 1 }, (_, i) => WARMTH[0] + (i / CURVE_STEPS) * (WARMTH[1] - WARMTH[0]));
  return {
    width,
    height,
    right,
    x,
    y,
    held: within,
    place: (air) => [x(within(air).temperatureC), y(within(air).relativeHumidity)],
    curve: (humidityAt) =>
      polyline(
        warmths.flatMap((t) => {
          const rh = humidityAt(t);
          return rh >= DAMP[0] && rh <= DAMP[1] ? [[x(t), y(rh)] as Point] : [];
        }),
      ),
  };
}
