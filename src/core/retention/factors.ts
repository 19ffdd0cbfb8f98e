import type { FillFacts } from "./fillFacts";

/** One way a factor can be; the first of a factor is what the others are compared with. */
export type Level = { readonly id: string; readonly label: string };

/** Something that may cost or keep bonds. */
export type Factor = {
  readonly id: string;
  readonly label: string;
  /** What it belongs to: a visit, or a client (then clients are counted, not fills). */
  readonly belongsTo: "visit" | "client";
  /** Chosen by what the client is like, so that only what changes within a client speaks. */
  readonly isChosenByClient?: true;
  /** Reckoned apart from others that say nearly the same. */
  readonly insteadOf?: readonly string[];
  /** Which way a fill is; null where nobody knows. */
  readonly levelOf: (fill: FillFacts) => string | null;
  /** Its ways; null where they are the studio's own (people, bottles), compared with the one most worked with. */
  readonly levels: readonly Level[] | null;
};

/** Bands of a measure, each with its lower edge; the one marked `usual` comes first. */
function banded(
  of: (fill: FillFacts) => number | null,
  bands: readonly { readonly from: number; readonly id: string; readonly label: string; readonly usual?: true }[],
): Pick<Factor, "levelOf" | "levels"> {
  return {
    levelOf: (fill) => {
      const value = of(fill);
      return value === null || !Number.isFinite(value) ? null : (bands.findLast(({ from }) => value >= from)?.id ?? null);
    },
    levels: [...bands].sort((a, b) => Number(b.usual ?? false) - Number(a.usual ?? false)).map(({ id, label }) => ({ id, label })),
  };
}

function saidOrNot(of: (fill: FillFacts) => boolean | null, yes: string, no: string): Pick<Factor, "levelOf" | "levels"> {
  return {
    levelOf: (fill) => (of(fill) === null ? null : of(fill) ? "yes" : "no"),
    levels: [
      { id: "no", label: no },
      { id: "yes", label: yes },
    ],
  };
}

const from = -Infinity;

/** Everything that is asked. Bands are common practice of windows, lives and ages; a new question is an entry here. */
export const FACTORS: readonly Factor[] = [
  {
    id: "humidity",
    label: "humidity at placing",
    belongsTo: "visit",
    ...banded(
      ({ relativeHumidity }) => relativeHumidity,
      [
        { from, id: "dry", label: "below 40 % humidity" },
        { from: 0.4, id: "usual", label: "40 to 60 % humidity", usual: true },
        { from: 0.6, id: "damp", label: "above 60 % humidity" },
      ],
    ),
  },
  {
    id: "temperature",
    label: "warmth at placing",
    belongsTo: "visit",
    ...banded(
      ({ temperatureC }) => temperatureC,
      [
        { from, id: "cool", label: "below 20 °C" },
        { from: 20, id: "usual", label: "20 to 24 °C", usual: true },
        { from: 24, id: "warm", label: "above 24 °C" },
      ],
    ),
  },
  {
    id: "vapour",
    label: "water in the air at placing",
    belongsTo: "visit",
    insteadOf: ["humidity", "temperature"],
    ...banded(
      ({ vapourDensityGm3 }) => vapourDensityGm3,
      [
        { from, id: "little", label: "less than 7 g/m³ of water" },
        { from: 7, id: "usual", label: "7 to 11 g/m³ of water", usual: true },
        { from: 11, id: "much", label: "more than 11 g/m³ of water" },
      ],
    ),
  },
  { id: "adhesive", label: "adhesive", belongsTo: "visit", levelOf: ({ adhesiveId }) => adhesiveId, levels: null },
  {
    id: "bottleAge",
    label: "age of the bottle",
    belongsTo: "visit",
    ...banded(
      ({ bottleAgeDays }) => bottleAgeDays,
      [
        { from, id: "fresh", label: "a bottle in its first five weeks", usual: true },
        { from: 35, id: "old", label: "a bottle open for more than five weeks" },
      ],
    ),
  },
  {
    id: "drift",
    label: "bottle gone slow",
    belongsTo: "visit",
    ...banded(
      ({ setTimeDrift }) => setTimeDrift,
      [
        { from, id: "steady", label: "a bottle as fast as when new", usual: true },
        { from: 1.25, id: "slow", label: "a bottle a quarter slower than when new" },
      ],
    ),
  },
  {
    id: "beadAge",
    label: "age of the bead",
    belongsTo: "visit",
    ...banded(
      ({ beadAgeS }) => beadAgeS,
      [
        { from, id: "young", label: "beads changed in good time", usual: true },
        { from: 600, id: "old", label: "beads ten minutes old in the mean" },
      ],
    ),
  },
  {
    id: "primer",
    label: "primer",
    belongsTo: "visit",
    isChosenByClient: true,
    levelOf: ({ primer }) => primer,
    levels: [
      { id: "none", label: "no primer" },
      { id: "primer", label: "primer" },
      { id: "balancer", label: "pH balancer" },
    ],
  },
  {
    id: "talked",
    label: "talk while placing",
    belongsTo: "visit",
    ...saidOrNot(({ talked }) => talked, "clients who talked", "clients who lay silent"),
  },
  {
    id: "moved",
    label: "movement while placing",
    belongsTo: "visit",
    ...saidOrNot(({ moved }) => moved, "clients who moved", "clients who lay still"),
  },
  {
    id: "attachment",
    label: "attachment",
    belongsTo: "visit",
    isChosenByClient: true,
    levelOf: ({ attachment }) => attachment,
    levels: [
      { id: "top", label: "attached on top" },
      { id: "side", label: "attached at the side" },
      { id: "under", label: "attached underneath" },
    ],
  },
  { id: "technician", label: "technician", belongsTo: "client", levelOf: ({ technicianId }) => technicianId, levels: null },
  {
    id: "technique",
    label: "singles or fans",
    belongsTo: "client",
    levelOf: ({ technique }) => technique,
    levels: [
      { id: "single", label: "singles" },
      { id: "fan", label: "fans" },
    ],
  },
  { id: "curl", label: "curl", belongsTo: "client", levelOf: ({ curl }) => curl, levels: null },
  {
    id: "contact",
    label: "contact of lash and extension",
    belongsTo: "client",
    insteadOf: ["curl"],
    ...banded(
      ({ contactMm }) => contactMm,
      [
        { from, id: "short", label: "less than 1 mm of contact" },
        { from: 1, id: "usual", label: "1 to 2 mm of contact", usual: true },
        { from: 2, id: "long", label: "more than 2 mm of contact" },
      ],
    ),
  },
  {
    id: "washing",
    label: "washing",
    belongsTo: "client",
    ...banded(
      ({ washesAWeek }) => washesAWeek,
      [
        { from, id: "seldom", label: "washed less than four times a week" },
        { from: 4, id: "often", label: "washed four times a week or more", usual: true },
      ],
    ),
  },
  { id: "oil", label: "oil", belongsTo: "client", ...saidOrNot(({ oil }) => oil, "clients who used oil", "clients who used none") },
  {
    id: "steam",
    label: "steam",
    belongsTo: "client",
    ...saidOrNot(({ steam }) => steam, "clients who sat in steam", "clients who did not"),
  },
  { id: "cried", label: "crying", belongsTo: "client", ...saidOrNot(({ cried }) => cried, "clients who cried", "clients who did not") },
  {
    id: "sleepsOn",
    label: "side slept on",
    belongsTo: "client",
    levelOf: ({ sleepsOn }) => (sleepsOn === null ? null : sleepsOn === "back" ? "back" : "side"),
    levels: [
      { id: "back", label: "clients who sleep on the back" },
      { id: "side", label: "clients who sleep on a side" },
    ],
  },
];
