import { brow } from "./brow";
import type { ClosedEye } from "./closedEye";
import type { Point2, Shape } from "./shapes";

/** The brow's base lies so far above the closed line, in lash lines. */
const BROW_DOWN = 0.3;

/** How far above the closed line the drawing reaches, the brow with it, in lash lines. */
export const CLOSED_ABOVE = 0.52;

/**
 * A closed eye on its gel pad from straight above, without lashes, mm as in `closedEye` (y down the face), back to front.
 * `outline` is the pad's own. Hairs of the brow are drawn from `seed`.
 */
export function drawClosedEye(eye: ClosedEye, outline: readonly Point2[], seed: number): Shape[] {
  return [
    {
      kind: "area",
      outline: outline.map(([x, y]): Point2 => [x, y + 0.5]),
      fill: "shadow",
      opacity: 0.07,
    },
    { kind: "area", outline, fill: "pad", opacity: 1 },
    { kind: "line", points: [...outline, outline[0]!], ink: "padLine", widthMm: 0.14, opacity: 1 },
    ...lidSkin(eye),
    { kind: "line", points: eye.run(0, 1, -0.55, 48), ink: "blush", widthMm: 0.8, opacity: 0.22 },
    { kind: "line", points: eye.run(0, 1, 0, 48), ink: "margin", widthMm: 0.32, opacity: 0.75 },
    brow(eye.lashLineMm * 0.9, (x, over) => [eye.point(0, 0)[0] + x, -eye.lashLineMm * BROW_DOWN - over], seed),
  ];
}

/** The lid's skin: a soft wash, and creases that run with the line and fade. */
function lidSkin(eye: ClosedEye): Shape[] {
  const deep = eye.lashLineMm * 0.3;
  const edge = eye.run(0, 1, 0, 32);
  const back = Array.from({ length: 33 }, (_, i) => eye.point(i / 32, -deep * Math.sin((Math.PI * i) / 32) ** 0.7));
  const mid = eye.point(0.5, 0);
  return [
    {
      kind: "area",
      outline: [...edge, ...[...back].reverse()],
      fill: {
        from: mid,
        to: eye.point(0.5, -deep),
        stops: [
          [0, "lid", 0.42],
          [0.5, "lid", 0.2],
          [1, "lid", 0],
        ],
      },
      opacity: 1,
    },
    ...[0.34, 0.6, 0.82].map((d, i): Shape => {
      const inset = 0.07 + 0.07 * i;
      return {
        kind: "line",
        points: Array.from({ length: 25 }, (_, k) => {
          const at = inset + ((1 - 2 * inset) * k) / 24;
          return eye.point(at, -deep * d * (0.75 + 0.25 * Math.sin((Math.PI * k) / 24)));
        }),
        ink: "lidLine",
        widthMm: 0.14,
        opacity: [0.5, 0.3, 0.18][i]!,
      };
    }),
  ];
}
