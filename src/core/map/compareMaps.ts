import { SIDES, type Side } from "../eye";
import { countLabel } from "../lash";
import { baseLayer } from "./layers";
import { LOOKS } from "./looks";
import type { FibreKind, LashMap, Layer, MapLimits, ZoneFibre } from "./schema";
import { SCHOOL_LABELS } from "./schools";
import { kindLabel } from "./stock";

/** One thing two maps differ in, in words. */
export type Difference = { readonly what: string; readonly before: string; readonly after: string };

const kind = (fibre: FibreKind) =>
  `${kindLabel(fibre)}, ${countLabel(fibre)}${fibre.opening && fibre.opening !== "usual" ? ` ${fibre.opening}` : ""}`;
const percent = (share: number) => `${Math.round(share * 100)} %`;
const places = (at: readonly number[]) => at.map(percent).join(", ");

const COUPLINGS: Readonly<Record<LashMap["coupling"], string>> = { mirrored: "alike", each: "each for itself", level: "seen level" };
const PATTERNS = { alternate: "in turn", scattered: "scattered", lowerRow: "lower row" } as const;
const LIMITS: Readonly<Record<keyof MapLimits, string>> = {
  overLengthMm: "over-length",
  fineOverLengthMm: "over-length, fine",
  corners: "corners",
  stepMm: "step",
  outerDropMm: "outer drop",
  loadRed: "load",
  attachmentOffsetMm: "gap at the lid",
};

/** Everything of a map that is asked for once, each with its words. A new field of a map is a new line here. */
const WHOLE: readonly (readonly [what: string, say: (map: LashMap) => string])[] = [
  ["look", ({ look, bend }) => `${LOOKS[look].label}${bend ? `, bent (${bend.map(({ dropMm }) => `−${dropMm}`).join(" ")})` : ""}`],
  ["zones", ({ school }) => `${SCHOOL_LABELS[school.id]}${school.id === "equal" ? `, ${school.zones}` : ""}`],
  ["fibre", ({ fibre }) => kind(fibre)],
  ["longest", ({ longestMm }) => (longestMm === null ? "as far as the limits go" : `${longestMm} mm`)],
  ["eyes", ({ coupling, differsOnPurpose }) => `${COUPLINGS[coupling]}${differsOnPurpose ? ", different on purpose" : ""}`],
  [
    "accents",
    ({ accents }) =>
      accents
        ? `+${accents.offsetMm} mm, ${accents.sections} sections, ${accents.placing.cluster} to every ${accents.placing.every}, ${kind(accents.fibre)}`
        : "none",
  ],
  ["under layer", ({ under }) => (under ? `−${under.belowMm} mm, ${under.sections} sections, ${kind(under.fibre)}` : "none")],
  ["hybrid", ({ hybrid }) => (hybrid ? `${percent(hybrid.share)} ${kind(hybrid.fibre)}, ${PATTERNS[hybrid.pattern]}` : "none")],
  ["classes of lash", ({ lashClasses }) => (lashClasses ? String(lashClasses) : "one")],
  [
    "limits of its own",
    ({ limits = {} }) =>
      (Object.keys(LIMITS) as (keyof MapLimits)[])
        .flatMap((limit) => (limits[limit] === undefined ? [] : [`${LIMITS[limit]} ${limits[limit]}`]))
        .join(", ") || "none",
  ],
];

/** "9 10 11", and what a zone wears that is not the layer's own: "9 10 11 (D 0.05, 5D)". */
function line({ zones }: Layer, own: FibreKind): string {
  const say = (zone: ZoneFibre | null) => {
    if (!zone) return "–";
    const classes = (zone.classes ?? []).map(({ lengthMm }) => `${lengthMm}/`).join("");
    const other = kind(zone) === kind(own) ? "" : ` (${kind(zone)})`;
    const mixed = zone.hybrid ? ` + ${zone.hybrid.fibre.lengthMm}` : "";
    return `${classes}${zone.lengthMm}${other}${mixed}`;
  };
  return zones.map(say).join(" ");
}

const ROLES = { base: "", accent: ", accents", under: ", under layer" } as const;

function lines(map: LashMap, side: Side, role: Layer["role"]): string {
  const own = { base: map.fibre, accent: map.accents?.fibre ?? map.fibre, under: map.under?.fibre ?? map.fibre }[role];
  const layers = role === "base" ? [baseLayer(map, side)] : map.eyes[side].layers.filter((layer) => layer.role === role);
  return layers.map((layer) => line(layer, own)).join(" / ") || "none";
}

/** What changed from one map to another, empty where nothing did but the title. */
export function compareMaps(before: LashMap, after: LashMap): Difference[] {
  const rows: Difference[] = [
    ...WHOLE.map(([what, say]) => ({ what, before: say(before), after: say(after) })),
    ...SIDES.flatMap((side) =>
      (["base", "accent", "under"] as const).map((role) => ({
        what: `client's ${side}${ROLES[role]}`,
        before: lines(before, side, role),
        after: lines(after, side, role),
      })),
    ),
    // Lines moved under the same lengths.
    ...SIDES.map((side) => ({
      what: `client's ${side}, zone lines`,
      before: places(baseLayer(before, side).boundaries.slice(1, -1)),
      after: places(baseLayer(after, side).boundaries.slice(1, -1)),
    })),
    ...SIDES.map((side) => ({
      what: `client's ${side}, landmarks`,
      before: before.landmarks ? places(Object.values(before.landmarks[side])) : "as surveyed",
      after: after.landmarks ? places(Object.values(after.landmarks[side])) : "as surveyed",
    })),
  ];
  return rows.filter((row) => row.before !== row.after);
}
