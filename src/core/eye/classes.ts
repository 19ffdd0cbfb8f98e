export const SHAPES = {
  almond: "almond",
  round: "round",
  hooded: "hooded",
  monolid: "monolid",
  downturned: "downturned",
  upturned: "upturned",
  deepSet: "deep-set",
  prominent: "prominent",
} as const;
export type EyeShape = keyof typeof SHAPES;

export const SPACINGS = { close: "close-set", average: "average", wide: "wide-set" } as const;
export type EyeSpacing = keyof typeof SPACINGS;

/**
 * Lashes per mm of lash line. Set so that an upper lid of about 28 mm carries 90 to 160 (dermatology and
 * ophthalmology textbooks; from memory).
 */
export const DENSITIES = {
  sparse: { label: "sparse", lashesPerMm: 3.2 },
  usual: { label: "usual", lashesPerMm: 4.2 },
  dense: { label: "dense", lashesPerMm: 5.4 },
} as const;
export type Density = keyof typeof DENSITIES;

/** Turn of the natural lash over its own length, degrees. A model of this product. */
export const OWN_CURLS = {
  straight: { label: "straight", turnDeg: 0 },
  slight: { label: "slight", turnDeg: 30 },
  curly: { label: "curly", turnDeg: 60 },
} as const;
export type OwnCurl = keyof typeof OWN_CURLS;

/** How far a natural lash is twisted out of its place: a twisted one is isolated with care. */
export const TWISTS = {
  none: { label: "none" },
  some: { label: "some" },
  strong: { label: "strong" },
} as const;
export type Twist = keyof typeof TWISTS;

/** The inner corner has one row, elsewhere there are two or three. Common practice. */
export const ROWS = [1, 2, 3] as const;
/** Where the single row of the inner corner ends, as a fraction of the lash line, unless the survey says. */
export const SINGLE_ROW_UP_TO = 0.15;

/** Share of baby lashes taken where nobody counted them. A model of this product. */
export const USUAL_BABY_SHARE = 0.1;

/** The farthest aside a lash may be said to leave, degrees off straight ahead. */
export const MOST_SPLAY_DEG = 75;
/** What splay is asked in, degrees: near enough for the eye. */
export const SPLAYS_DEG = [-45, -30, -15, 0, 15, 30, 45, 60] as const;

/** What a client's habits and health say of lashes; asked, never required. */
export const SLEEPS_ON = { unknown: "not asked", right: "right side", left: "left side", back: "back", either: "either side" } as const;
export type SleepsOn = keyof typeof SLEEPS_ON;

/** The largest seed the lashes of a survey may grow from. */
export const MOST_SEED = 2 ** 31 - 1;
/** Places an eye may be looked at in. */
export const MOST_PLACES = 40;
