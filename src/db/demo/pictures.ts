import sharp from "sharp";
import { mulberry32 } from "@/core/units";
import type { PictureMarks, Px } from "@/core/measure";

/**
 * Drawn pictures whose true measures are known: a closed eye with its lashes on a pad, a right-angled pad ruler beside
 * it, seen flat-on, turned, leaning from the camera, or with curled lashes that come towards it; and an open eye from the
 * front. Nobody's eye: arcs and lines.
 */
export type DrawnPicture = {
  readonly key: "flat" | "turned" | "leaning" | "curled" | "open";
  readonly kind: "closed" | "open";
  readonly svg: string;
  readonly widthPx: number;
  readonly heightPx: number;
  /** What the picture shows, in true millimetres. */
  readonly truth: {
    readonly lashLineMm: number;
    readonly lashesMm: readonly number[];
    readonly landmarks?: Readonly<Record<"irisInner" | "pupil" | "irisOuter" | "browPeak", number>>;
  };
  /** Where everything lies on the picture, to the pixel, as a careful hand would tap it. */
  readonly marks: PictureMarks;
};

type Space = readonly [x: number, y: number, z: number];

const SIZE = { width: 1600, height: 1200 } as const;
const PX_PER_MM = 31;
/** The closed lash line: an arc of this radius and angle, mm and radians. Its length is their product. */
const ARC = { radiusMm: 26, angle: 1.09 } as const;
const RULER_MM = 20;
const LASHES = 17;

/** The plane seen by a camera far away: turned in the picture, leaning back about its own x. */
const camera = (turnDeg: number, leanDeg: number) => {
  const [turn, lean] = [(turnDeg * Math.PI) / 180, (leanDeg * Math.PI) / 180];
  return ([x, y, z]: Space): Px => {
    const [lx, ly] = [x, y * Math.cos(lean) - z * Math.sin(lean)];
    const [rx, ry] = [lx * Math.cos(turn) - ly * Math.sin(turn), lx * Math.sin(turn) + ly * Math.cos(turn)];
    return [SIZE.width / 2 + rx * PX_PER_MM, SIZE.height / 2 + ry * PX_PER_MM];
  };
};

const whole = ([x, y]: Px): [number, number] => [Math.round(x), Math.round(y)];
const d = (points: readonly Px[]) => `M${points.map(([x, y]) => `${x.toFixed(1)} ${y.toFixed(1)}`).join("L")}`;

/** Points of a natural lash from its root outwards: straight on the pad, or curling up from it towards the camera. */
function lashPath(root: readonly [number, number], angle: number, lengthMm: number, curlDeg: number): Space[] {
  const steps = 16;
  const curve = (curlDeg * Math.PI) / 180;
  const points: Space[] = [[root[0], root[1], 0]];
  let [along, up] = [0, 0];
  for (let i = 0; i < steps; i++) {
    const theta = (curve * (i + 0.5)) / steps;
    along += (Math.cos(theta) * lengthMm) / steps;
    up += (Math.sin(theta) * lengthMm) / steps;
    points.push([root[0] + Math.cos(angle) * along, root[1] + Math.sin(angle) * along, up]);
  }
  return points;
}

function closed(key: DrawnPicture["key"], options: { turnDeg?: number; leanDeg?: number; curlDeg?: number; seed: number }): DrawnPicture {
  const { turnDeg = 0, leanDeg = 0, curlDeg = 0, seed } = options;
  const random = mulberry32(seed);
  const see = camera(turnDeg, leanDeg);
  const onLine = (at: number): readonly [number, number] => {
    const angle = (at - 0.5) * ARC.angle;
    return [Math.sin(angle) * ARC.radiusMm, Math.cos(angle) * ARC.radiusMm - ARC.radiusMm - 2];
  };
  const line = Array.from({ length: 65 }, (_, i) => see([...onLine(i / 64), 0]));
  const lashes = Array.from({ length: LASHES }, (_, i) => {
    const at = 0.04 + (0.92 * i) / (LASHES - 1);
    const lengthMm = 6.8 + 3.2 * Math.sin(Math.PI * Math.min(1, at * 1.15)) + (random() - 0.5) * 0.9;
    const angle = Math.PI / 2 - (at - 0.5) * 1.5 + (random() - 0.5) * 0.1;
    return { lengthMm, points: lashPath(onLine(at), angle, lengthMm, curlDeg).map(see) };
  });
  // The pad ruler is an angle of two scales in the plane of the pad, clear of the lashes.
  const corner: readonly [number, number] = [-12, -14.5];
  const ends = { along: see([corner[0] + RULER_MM, corner[1], 0]), down: see([corner[0], corner[1] + 10, 0]) };
  const zero = see([...corner, 0]);
  const ticks = [
    ...Array.from(
      { length: RULER_MM + 1 },
      (_, mm) => [see([corner[0] + mm, corner[1], 0]), see([corner[0] + mm, corner[1] - (mm % 5 ? 0.9 : 1.7), 0])] as const,
    ),
    ...Array.from(
      { length: 11 },
      (_, mm) => [see([corner[0], corner[1] + mm, 0]), see([corner[0] - (mm % 5 ? 0.9 : 1.7), corner[1] + mm, 0])] as const,
    ),
  ];
  const pad = Array.from({ length: 33 }, (_, i) => {
    const [x, y] = onLine(i / 32);
    return see([x * 1.06, y + 0.6, 0]);
  });
  const padEnd = Array.from({ length: 33 }, (_, i) => {
    const angle = (0.5 - i / 32) * ARC.angle * 1.25;
    return see([Math.sin(angle) * (ARC.radiusMm + 13), Math.cos(angle) * (ARC.radiusMm + 13) - ARC.radiusMm - 2, 0]);
  });
  const svg =
    `<svg xmlns="http://www.w3.org/2000/svg" width="${SIZE.width}" height="${SIZE.height}">` +
    `<rect width="100%" height="100%" fill="#D9BFA5"/>` +
    `<path d="${d([...pad, ...padEnd])}Z" fill="#F4F1EA"/>` +
    `<path d="${d(
      ticks
        .slice(0, 1)
        .map(([p]) => p)
        .concat([ends.along]),
    )}M${zero[0]} ${zero[1]}L${ends.down[0]} ${ends.down[1]}" stroke="#1F2A24" stroke-width="4" fill="none"/>` +
    ticks.map(([a, b]) => `<path d="${d([a, b])}" stroke="#1F2A24" stroke-width="2.5"/>`).join("") +
    `<path d="${d(line)}" stroke="#8A5F49" stroke-width="9" fill="none" stroke-linecap="round"/>` +
    lashes.map(({ points }) => `<path d="${d(points)}" stroke="#2A211B" stroke-width="5" fill="none" stroke-linecap="round"/>`).join("") +
    `</svg>`;
  return {
    key,
    kind: "closed",
    svg,
    widthPx: SIZE.width,
    heightPx: SIZE.height,
    truth: { lashLineMm: ARC.radiusMm * ARC.angle, lashesMm: lashes.map(({ lengthMm }) => lengthMm) },
    marks: {
      version: 2,
      left: [],
      scale: { from: whole(zero), to: whole(ends.along), mm: RULER_MM },
      across: { from: whole(zero), to: whole(ends.down), mm: 10 },
      line: Array.from({ length: 9 }, (_, i) => whole(line[i * 8]!)),
      places: {},
      lashes: lashes.map(({ points }) => [whole(points[0]!), whole(points.at(-1)!)]),
    },
  };
}

function open(): DrawnPicture {
  const see = camera(4, 0);
  const width = 26;
  const upper = (t: number): readonly [number, number] => [-width / 2 + t * width, -7.2 * Math.sin(Math.PI * t) ** 0.9 - 1.2 * t];
  const lower = (t: number): readonly [number, number] => [-width / 2 + t * width, 3.4 * Math.sin(Math.PI * t) - 1.2 * t];
  const run = (of: (t: number) => readonly [number, number]) => Array.from({ length: 65 }, (_, i) => see([...of(i / 64), 0]));
  const lidMm = Array.from({ length: 400 }, (_, i) => {
    const [[x1, y1], [x2, y2]] = [upper(i / 400), upper((i + 1) / 400)];
    return Math.hypot(x2 - x1, y2 - y1);
  });
  const total = lidMm.reduce((sum, mm) => sum + mm, 0);
  /** Fraction of the lid's length up to where its x is this share of the width. */
  const fraction = (t: number) => lidMm.slice(0, Math.round(t * 400)).reduce((sum, mm) => sum + mm, 0) / total;
  const shares = { irisInner: 0.28, pupil: 0.5, irisOuter: 0.72, browPeak: 0.8 };
  const iris: Space = [-width / 2 + shares.pupil * width, -2.4, 0];
  const irisRadius = ((shares.irisOuter - shares.irisInner) * width) / 2;
  const [ix, iy] = see(iris);
  const scale = [see([-10, 13, 0]), see([10, 13, 0])] as const;
  const across = [see([-10, 13, 0]), see([-10, 8, 0])] as const;
  const brow = Array.from({ length: 9 }, (_, i) =>
    see([-15 + i * 4, -14 - 4 * Math.sin((Math.PI * (i + 1)) / 10) - (i === 6 ? 0.4 : 0), 0]),
  );
  const clip = `${d(run(upper))}${d([...run(lower)].reverse()).replace("M", "L")}Z`;
  const svg =
    `<svg xmlns="http://www.w3.org/2000/svg" width="${SIZE.width}" height="${SIZE.height}">` +
    `<rect width="100%" height="100%" fill="#E2C9B0"/><clipPath id="o"><path d="${clip}"/></clipPath>` +
    `<path d="${clip}" fill="#FBF8F2"/><circle cx="${ix}" cy="${iy}" r="${irisRadius * PX_PER_MM}" fill="#7E8F6E" clip-path="url(#o)"/>` +
    `<circle cx="${ix}" cy="${iy}" r="${irisRadius * 0.42 * PX_PER_MM}" fill="#16211B" clip-path="url(#o)"/>` +
    `<path d="${d(run(upper))}" stroke="#5C4233" stroke-width="8" fill="none"/><path d="${d(run(lower))}" stroke="#A78468" stroke-width="4" fill="none"/>` +
    `<path d="${d(brow)}" stroke="#5A4536" stroke-width="34" fill="none" stroke-linecap="round" stroke-linejoin="round" opacity="0.75"/>` +
    `<path d="${d([...scale])}" stroke="#1F2A24" stroke-width="4"/><path d="${d([...across])}" stroke="#1F2A24" stroke-width="4"/>` +
    Array.from(
      { length: 21 },
      (_, mm) =>
        `<path d="${d([see([-10 + mm, 13, 0]), see([-10 + mm, 13 - (mm % 5 ? 0.8 : 1.6), 0])])}" stroke="#1F2A24" stroke-width="2.5"/>`,
    ).join("") +
    `</svg>`;
  const at = (t: number) => whole(see([...upper(t), 0]));
  /** A place square to the line between the corners under or over a place of the lid, mm down. */
  const square = (t: number, downMm: number) => {
    const tilt = Math.atan2(-1.2, width);
    const [x, y] = upper(t);
    return whole(see([x - Math.sin(tilt) * downMm, y + Math.cos(tilt) * downMm, 0]));
  };
  return {
    key: "open",
    kind: "open",
    svg,
    widthPx: SIZE.width,
    heightPx: SIZE.height,
    truth: {
      lashLineMm: total,
      lashesMm: [],
      landmarks: {
        irisInner: fraction(shares.irisInner),
        pupil: fraction(shares.pupil),
        irisOuter: fraction(shares.irisOuter),
        browPeak: fraction(shares.browPeak),
      },
    },
    marks: {
      version: 2,
      left: [],
      scale: { from: whole(scale[0]), to: whole(scale[1]), mm: 20 },
      across: { from: whole(across[0]), to: whole(across[1]), mm: 5 },
      line: [0.1, 0.2, 0.35, 0.5, 0.65, 0.8, 0.9].map(at),
      places: {
        innerCorner: at(0),
        outerCorner: at(1),
        irisInner: square(shares.irisInner, 3.1),
        pupil: square(shares.pupil, 5.4),
        irisOuter: square(shares.irisOuter, 3.1),
        browPeak: square(shares.browPeak, -13),
        lowerLid: whole(see([...lower(0.5), 0])),
      },
      lashes: [],
    },
  };
}

/** Every drawn picture. */
export const DRAWN_PICTURES: readonly DrawnPicture[] = [
  closed("flat", { seed: 5 }),
  closed("turned", { seed: 6, turnDeg: 17 }),
  closed("leaning", { seed: 7, turnDeg: 6, leanDeg: 27 }),
  closed("curled", { seed: 8, turnDeg: -5, curlDeg: 55 }),
  open(),
];

/** A drawn picture as the JPEG that is stored. */
export const asJpeg = (picture: DrawnPicture): Promise<Buffer> => sharp(Buffer.from(picture.svg)).jpeg({ quality: 84 }).toBuffer();
