import { isMeasured, SIDES, sideLabel } from "../eye";
import {
  gatherFindings,
  LAYER_LABELS,
  layersInOrder,
  lengthWords,
  mapFindings,
  mapTotals,
  pickList,
  type Layer,
  type MapFacts,
  type Pick,
  BABY_WEARS,
  lookAdvice,
  placements,
} from "../map";
import { answerWords } from "../policy";
import { formatHours, formatMm, sentence } from "../units";

/** All that lies on the trolley, one page of words: what is worn, in which order, what to lay out, what to mind. */
export type TrolleyBrief = {
  /** A line where both eyes wear the same, else one an eye. */
  readonly layers: readonly { readonly side: string; readonly name: string; readonly lengths: string }[];
  readonly order: readonly string[];
  /** How accents and short support lashes are placed, what is done with baby lashes, and lengths to lay out by tray. */
  readonly hand: readonly string[];
  /** What this client's eyes speak for, followed or not. */
  readonly advice: readonly string[];
  readonly picks: readonly Pick[];
  readonly lashes: string;
  /** What keeps eyes and skin safe: never what a full page leaves out. */
  readonly cautions: readonly string[];
  /** What this map deserves to be told, the gravest first. */
  readonly findings: readonly string[];
};

/** The usual cautions of every set. Common practice; leaflets come first. */
const ALWAYS = [
  "Check left and right against the client before the first lash.",
  "Eyes stay shut; look again after every tape. Adhesive never touches skin.",
  "Sting or burning: rinse at once, lukewarm water, lenses out while rinsing, medical help.",
] as const;

/** Writes the brief from a map's facts and the time it is reckoned to take. */
export function trolleyBrief(
  facts: MapFacts,
  options: { readonly secondsPerSingle: number; readonly secondsPerFan: number },
): TrolleyBrief {
  const { map, policy } = facts;
  const totals = mapTotals(facts, options);
  const isFan = totals.fans > 0;
  const findings = gatherFindings(mapFindings(facts)).filter(({ severity }) => severity !== "note");
  return {
    layers: alike(
      SIDES.map((side) =>
        map.eyes[side].layers.map((layer) => ({
          side: sideLabel(side),
          name: sentence(LAYER_LABELS[layer.role]),
          lengths: lengthsOf(layer),
        })),
      ),
    ),
    order: [
      `Map on the pads: ${answerWords(policy, "mapOnPad")}. Pads ${answerWords(policy, "padsWhen")}, ${answerWords(policy, "padDistance")}; primer ${answerWords(policy, "primer")}.`,
      `${layerOrderWords(facts)} Eyes: ${answerWords(policy, "eyeOrder")}.`,
      `${facts.survey.oilyLids ? "Lids are oily: cleanse twice. " : ""}Attach ${answerWords(policy, "attach")}, ${formatMm(policy.attachmentOffsetMm)} mm from the lid; dip ${answerWords(policy, "dip")}.`,
      `Hold ${answerWords(policy, "hold")}; finish by ${answerWords(policy, "finish")}.`,
    ],
    hand: handLines(facts),
    advice: lookAdvice(facts.survey, map).map(
      ({ about, says, heeded }) => `${sentence(about)}: ${says}${heeded ? " (this map does)" : ""}.`,
    ),
    picks: pickList(facts),
    lashes:
      `${totals.lashes.right} lashes on the client's right, ${totals.lashes.left} on the left` +
      `${isFan ? `; ${totals.fans} fans of ${totals.fibres} fibres in all` : ""}; about ${formatHours(totals.seconds)} of placing.`,
    cautions: [
      ...(isMeasured(facts.survey) ? [] : ["NOT MEASURED: the survey stands as its form begins. Measure before the first lash."]),
      ...ALWAYS,
      ...(facts.survey.serum ? ["A lash serum is in use: growth is not the usual one."] : []),
    ],
    findings: findings.map(({ title, why }) => `${title}: ${why}`),
  };
}

/** The layers this map really has, in the order they are placed. */
function layerOrderWords({ map, policy }: MapFacts): string {
  const roles = new Set(SIDES.flatMap((side) => map.eyes[side].layers.map(({ role }) => role)));
  const worn = layersInOrder(policy.layerOrder)
    .filter((role) => roles.has(role))
    .map((role) => LAYER_LABELS[role]);
  return worn.length > 1 ? `${sentence(worn.join(", then "))}.` : "One layer.";
}

/** What the hand needs to know that no length tells. */
function handLines({ map, survey }: MapFacts): string[] {
  const lines: string[] = [];
  const accents = map.eyes.right.layers.find(({ role }) => role === "accent");
  if (accents?.placing) {
    const { every, cluster, innerEvery } = accents.placing;
    lines.push(
      `Accents on the longest lash of every ${every}${cluster > 1 ? `, ${cluster} side by side` : ", never two on neighbours"}; on a single row one of every ${innerEvery}.`,
    );
  }
  const supports = map.eyes.right.layers.flatMap(({ zones }) => zones.flatMap((zone) => (zone?.support ? [zone.support] : [])));
  const [support] = supports;
  if (support) lines.push(`Support: ${formatMm(support.lengthMm)} mm on one lash of ${support.every}, spread through the longer ones.`);
  const babies = SIDES.flatMap((side) => placements(map, survey, side)).filter(({ lash }) => lash.baby);
  const worn = babies.filter((placement) => placement.worn).length;
  if (babies.length)
    lines.push(
      `Baby lashes: ${babies.length - worn} left alone${worn ? `, ${worn} get ${formatMm(BABY_WEARS.upToMm)} mm or less, fine` : ""}.`,
    );
  return lines;
}

const lengthsOf = ({ zones }: Layer) => zones.map((zone) => (zone ? lengthWords(zone) : "–")).join("  ");

function alike([right = [], left = []]: readonly TrolleyBrief["layers"][]): TrolleyBrief["layers"] {
  const same =
    right.length === left.length && right.every(({ name, lengths }, i) => name === left[i]!.name && lengths === left[i]!.lengths);
  return same ? right.map((layer) => ({ ...layer, side: "both eyes" })) : [...right, ...left];
}
