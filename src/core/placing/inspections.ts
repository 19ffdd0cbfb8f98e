/** A look at the end of a set, or in between: what is asked, of each eye or of both, and what is done where something is found. */
export type Inspection = {
  readonly label: string;
  /** What is counted: none is good. */
  readonly asks: string;
  readonly each: "eye" | "both";
  /** Before the cure is finished, or after. */
  readonly part: "check" | "dry";
  /** Asked of eyes that open: never of a mannequin head. */
  readonly ofAClient?: true;
  /** Answered by yes or no, not by a number. */
  readonly isYesNo?: true;
  readonly mend: string;
};

/** Common practice. A sting, glued lids: usual first aid; a doctor's word comes before it. */
export const INSPECTIONS = {
  mirror: {
    label: "mirror from below",
    asks: "Lashes out of line",
    each: "both",
    part: "check",
    mend: "They go back into the plan, zone by zone, to be set again.",
  },
  stickies: {
    label: "stickies",
    asks: "Pairs parted",
    each: "eye",
    part: "check",
    mend: "Parted before they pull as they grow. Many at one place: less glue, or more time beside a wet lash.",
  },
  freeOfPad: {
    label: "lashes free of the pad",
    asks: "Lashes stuck to a pad",
    each: "eye",
    part: "dry",
    mend: "Free them one by one before a pad is lifted; never pull the pad off them.",
  },
  sting: {
    label: "sting at opening",
    asks: "Does it sting?",
    each: "both",
    part: "dry",
    ofAClient: true,
    isYesNo: true,
    mend: "Rinse at once with lukewarm clean water, lids held open, from the nose outwards, 15 minutes at least; lenses come out while rinsing. Pain or redness that stays: a doctor today.",
  },
  stuck: {
    label: "upper and lower lashes apart",
    asks: "Upper lashes stuck to a lower one",
    each: "eye",
    part: "dry",
    ofAClient: true,
    mend: "Part them before the client sits up. Lids glued together: never pull, no remover near the eye; a warm wet cloth, patience, a doctor.",
  },
  bluntTool: {
    label: "blunt tool along the bases",
    asks: "Places where it catches",
    each: "eye",
    part: "dry",
    mend: "Part what it caught on, and run it along once more.",
  },
  word: {
    label: "the client's word",
    asks: "Does the client feel anything?",
    each: "both",
    part: "dry",
    ofAClient: true,
    isYesNo: true,
    mend: "Look at that place in the mirror and with the blunt tool: a corner that pricks or pulls is a sticky or a base too near the lid.",
  },
} as const satisfies Record<string, Inspection>;
export type InspectionId = keyof typeof INSPECTIONS;
export const INSPECTION_IDS = Object.keys(INSPECTIONS) as [InspectionId, ...InspectionId[]];
export const inspectionOf = (id: InspectionId): Inspection => INSPECTIONS[id];

/** The looks of a part of a visit, in the order they are taken; both parts where none is named. */
export const looksAtEnd = (onClient: boolean, part?: Inspection["part"]): readonly InspectionId[] =>
  INSPECTION_IDS.filter((id) => {
    const look = inspectionOf(id);
    return (part === undefined || look.part === part) && (onClient || !look.ofAClient);
  });

/** A look was taken: of both eyes where each is looked at. */
export function isLooked(id: InspectionId, taken: readonly { readonly what: InspectionId }[]): boolean {
  const sides = taken.filter(({ what }) => what === id).length;
  return inspectionOf(id).each === "eye" ? sides > 1 : sides > 0;
}
