import { SIDES, type Side } from "../eye";
import { countLabel } from "../lash";
import { LAYER_LABELS } from "./layers";
import { limitWords } from "./limitWords";
import { LOOKS } from "./looks";
import { LAYER_ROLES } from "./layerBounds";
import type { FibreKind, Hybrid, LashMap, Layer, AccentPlacing, ZoneFibre } from "./schema";
import { SCHOOL_LABELS } from "./schools";
import { kindLabel } from "./stock";
import { samePlaced } from "./swapEverywhere";

/** One thing two maps differ in, in words. */
export type Difference = { readonly what: string; readonly before: string; readonly after: string };

const kind = (fibre: FibreKind) =>
  `${kindLabel(fibre)}, ${countLabel(fibre)}${fibre.opening && fibre.opening !== "usual" ? ` ${fibre.opening}` : ""}`;
const percent = (share: number) => `${Math.round(share * 100)} %`;
/** Tenths of a per cent of the lash line are hundredths of a millimetre: finer than a hand draws. */
const places = (at: readonly number[]) => at.map((place) => `${(place * 100).toFixed(1)} %`).join(", ");
const spread = ({ cluster, every, innerEvery }: AccentPlacing) => `${cluster} to every ${every}, 1 to every ${innerEvery} on a single row`;
const mix = ({ fibre, share, pattern }: Pick<Hybrid, "share" | "pattern"> & { fibre: FibreKind }) =>
  `${percent(share)} ${kind(fibre)}, ${PATTERNS[pattern]}`;

const COUPLINGS: Readonly<Record<LashMap["coupling"], string>> = { mirrored: "alike", each: "each for itself", level: "seen level" };
const PATTERNS = { alternate: "in turn", scattered: "scattered", lowerRow: "lower row" } as const;

/** Everything of a map that is asked for once, each with its words. A new field of a map is a new line here. */
const WHOLE: readonly (readonly [what: string, say: (map: LashMap) => string])[] = [
  [
    "look",
    ({ look, bend }) =>
      `${LOOKS[look].label}${bend ? `, bent (${bend.map(({ at, dropMm }) => `−${dropMm} at ${places([at])}`).join(", ")})` : ""}`,
  ],
  ["zones", ({ school }) => `${SCHOOL_LABELS[school.id]}${school.id === "equal" ? `, ${school.zones}` : ""}`],
  ["fibre", ({ fibre }) => kind(fibre)],
  ["longest", ({ longestMm }) => (longestMm === null ? "as far as the limits go" : `${longestMm} mm`)],
  ["eyes", ({ coupling, differsOnPurpose }) => `${COUPLINGS[coupling]}${differsOnPurpose ? ", different on purpose" : ""}`],
  [
    "accents",
    ({ accents }) =>
      accents
        ? `+${accents.offsetMm} mm, ${accents.sections ?? "the zones' own"} sections, ${spread(accents.placing)}, ${kind(accents.fibre)}`
        : "none",
  ],
  ["under layer", ({ under }) => (under ? `−${under.belowMm} mm, ${under.sections} sections, ${kind(under.fibre)}` : "none")],
  ["hybrid", ({ hybrid }) => (hybrid ? mix(hybrid) : "none")],
  [
    "classes of lash",
    ({ lashClasses, classLengthsMm }) =>
      lashClasses ? `${lashClasses}${classLengthsMm ? ` (${classLengthsMm.join(", ")} mm)` : ""}` : "one",
  ],
  ["limits of its own", ({ limits }) => limitWords(limits).join(", ") || "none"],
];

type LayerWords = (layer: Layer, standard: FibreKind, map: LashMap) => string;

/** "9 10 11", and what a zone wears that is not the layer's own: "9 10 11 (D 0.05, 5D)". */
function line({ zones }: Layer, standard: FibreKind, { hybrid }: LashMap): string {
  const wordsOf = (zone: ZoneFibre | null) => {
    if (!zone) return "–";
    const classes = (zone.classes ?? []).map(({ upToMm, lengthMm }) => `${lengthMm ?? "–"}≤${upToMm}/`).join("");
    const support = zone.support ? ` (${zone.support.lengthMm} on one of ${zone.support.every})` : "";
    const other = samePlaced(zone, standard) ? "" : ` (${kind(zone)})`;
    const mixture = zone.hybrid && mix(zone.hybrid);
    const mixed = zone.hybrid ? `+${zone.hybrid.fibre.lengthMm}${hybrid && mixture === mix(hybrid) ? "" : ` (${mixture})`}` : "";
    return `${classes}${zone.lengthMm}${support}${other}${mixed}`;
  };
  return zones.map(wordsOf).join(" ");
}

function lines(map: LashMap, side: Side, role: Layer["role"], words: LayerWords): string {
  const standard = { base: map.fibre, accent: map.accents?.fibre ?? map.fibre, under: map.under?.fibre ?? map.fibre }[role];
  const layers = map.eyes[side].layers.filter((layer) => layer.role === role);
  return layers.map((layer) => words(layer, standard, map)).join(" / ") || "none";
}

/** What changed from one map to another, empty where nothing did but the title. */
export function compareMaps(before: LashMap, after: LashMap): Difference[] {
  const rows: Difference[] = [
    ...WHOLE.map(([what, words]) => ({ what, before: words(before), after: words(after) })),
    ...SIDES.flatMap((side) =>
      LAYER_ROLES.flatMap((role) => {
        const where = `client's ${side}${role === "base" ? "" : `, ${LAYER_LABELS[role]}`}`;
        const row = (what: string, words: LayerWords) => ({
          what,
          before: lines(before, side, role, words),
          after: lines(after, side, role, words),
        });
        return [
          row(where, line),
          // Lines and accents moved under the same lengths.
          row(`${where}, zone lines`, ({ boundaries }) => places(boundaries.slice(1, -1))),
          row(`${where}, placed`, ({ placing }) => (placing ? spread(placing) : "on every lash")),
        ];
      }),
    ),
    ...SIDES.map((side) => ({
      what: `client's ${side}, landmarks`,
      before: before.landmarks ? places(Object.values(before.landmarks[side])) : "as surveyed",
      after: after.landmarks ? places(Object.values(after.landmarks[side])) : "as surveyed",
    })),
  ];
  return rows.filter((row) => row.before !== row.after);
}
