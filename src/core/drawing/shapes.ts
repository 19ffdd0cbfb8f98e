/** A point of a drawing, mm. */
export type Point2 = readonly [x: number, y: number];
export type Point3 = readonly [x: number, y: number, z: number];

/** What a thing is drawn in; a palette says which colour that is. */
export type Ink =
  | "paper"
  | "lit"
  | "lid"
  | "lidLine"
  | "white"
  | "irisRim"
  | "iris"
  | "irisLight"
  | "pupil"
  | "glint"
  | "shine"
  | "margin"
  | "tear"
  | "shadow"
  | "blush"
  | "hair"
  | "lash"
  | "pad"
  | "padLine";

/** A colour that runs out: from one point to another, or from the middle of a round to its rim. */
export type Shade = {
  readonly from: Point2;
  readonly to: Point2;
  /** Absent runs along the line from `from` to `to`; else round about `from`, `to` on the rim. */
  readonly round?: true;
  readonly stops: readonly (readonly [at: number, ink: Ink, opacity: number])[];
};

/** A hair: wide at its root, drawn out to its tip. */
export type Blade = {
  readonly points: readonly Point2[];
  readonly widthMm: number;
  /** Where along it the taper begins, 0 root .. 1 tip. */
  readonly taperFrom: number;
  /** 0 pale .. 1 in full ink. */
  readonly tone: number;
};

/** A drawing is a list of these, back to front. */
export type Shape =
  | { readonly kind: "area"; readonly outline: readonly Point2[]; readonly fill: Ink | Shade; readonly opacity: number }
  | {
      readonly kind: "line";
      readonly points: readonly Point2[];
      readonly ink: Ink;
      readonly widthMm: number;
      readonly opacity: number;
    }
  | { readonly kind: "blades"; readonly blades: readonly Blade[]; readonly ink: Ink; readonly opacity: number }
  | { readonly kind: "within"; readonly outline: readonly Point2[]; readonly shapes: readonly Shape[] };
