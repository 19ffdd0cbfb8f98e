/** A look at the end of a set, or in between: what is asked, of each eye or of both, and what is done where something is found. */
export type Inspection = {
  readonly label: string;
  /** What is counted: none is good. */
  readonly asks: string;
  readonly each: "eye" | "both";
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
    mend: "They go back into the plan, zone by zone, to be set again.",
  },
  stickies: {
    label: "stickies",
    asks: "Pairs parted",
    each: "eye",
    mend: "Parted before they pull as they grow. Many at one place: less glue, or more time beside a wet lash.",
  },
  freeOfPad: {
    label: "lashes free of the pad",
    asks: "Lashes stuck to a pad",
    each: "eye",
    mend: "Free them one by one before a pad is lifted; never pull the pad off them.",
  },
  bluntTool: {
    label: "blunt tool along the bases",
    asks: "Places where it catches",
    each: "eye",
    mend: "Part what it caught on, and run it along once more.",
  },
  sting: {
    label: "sting at opening",
    asks: "Does it sting?",
    each: "both",
    isYesNo: true,
    mend: "Rinse at once with lukewarm clean water, lids held open, from the nose outwards, 15 minutes at least; lenses come out while rinsing. Pain or redness that stays: a doctor today.",
  },
  stuck: {
    label: "upper and lower lashes apart",
    asks: "Upper lashes stuck to a lower one",
    each: "eye",
    mend: "Part them before the client sits up. Lids glued together: never pull, no remover near the eye; a warm wet cloth, patience, a doctor.",
  },
  word: {
    label: "the client's word",
    asks: "Does the client feel anything?",
    each: "both",
    isYesNo: true,
    mend: "Look at that place in the mirror and with the blunt tool: a corner that pricks or pulls is a sticky or a base too near the lid.",
  },
} as const satisfies Record<string, Inspection>;
export type InspectionId = keyof typeof INSPECTIONS;
export const INSPECTION_IDS = Object.keys(INSPECTIONS) as [InspectionId, ...InspectionId[]];
export const inspectionOf = (id: InspectionId): Inspection => INSPECTIONS[id];
