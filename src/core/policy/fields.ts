import type { Policy } from "./policy";

/** Where a default comes from. */
export type Standing = "common practice" | "from memory" | "a model of ours";

export type PolicyField = {
  readonly key: Exclude<keyof Policy, "version">;
  readonly group: "Lengths" | "Load" | "Adhesive" | "Care";
  readonly label: string;
  readonly unit: string;
  readonly step?: number;
  readonly options?: readonly { readonly value: string; readonly label: string }[];
  readonly reason: string;
  readonly standing: Standing;
};

/** Every question of studio policy with the reason for its default, in the order it is asked. */
export const POLICY_FIELDS: readonly PolicyField[] = [
  {
    key: "overLengthMm",
    group: "Lengths",
    label: "Over-length at most",
    unit: "mm",
    step: 0.5,
    reason: "Schools say 2, 3 or by eye. Judged on the zone's shorter quarter, since a zone holds lashes of many lengths.",
    standing: "common practice",
  },
  {
    key: "fineOverLengthMm",
    group: "Lengths",
    label: "Over-length on fine lashes",
    unit: "mm",
    step: 0.5,
    reason: "A fine lash droops under what a medium one carries.",
    standing: "common practice",
  },
  {
    key: "corners",
    group: "Lengths",
    label: "Inner and outer corners",
    unit: "",
    options: [
      { value: "match", label: "match the natural length" },
      { value: "graded", label: "grade up like the rest" },
    ],
    reason: "The cautious school adds nothing at the corners: one row of short lashes there.",
    standing: "common practice",
  },
  {
    key: "stepMm",
    group: "Lengths",
    label: "Step between neighbours at most",
    unit: "mm",
    step: 1,
    reason: "Past 2 mm the line looks stepped; 1 mm is usual.",
    standing: "common practice",
  },
  {
    key: "outerDropMm",
    group: "Lengths",
    label: "Outermost zone below its neighbour by",
    unit: "mm",
    step: 1,
    reason: "Without a drop the eye droops, the more so as lashes fall out.",
    standing: "common practice",
  },
  {
    key: "loadAmber",
    group: "Load",
    label: "Caution from, single",
    unit: "×",
    step: 0.05,
    reason: "Multiples of the ordinary classic lash: 0.15 × 12 mm on a medium lash.",
    standing: "a model of ours",
  },
  {
    key: "loadAmberFan",
    group: "Load",
    label: "Caution from, fan",
    unit: "×",
    step: 0.05,
    reason: "A fan catches more air and more glue.",
    standing: "a model of ours",
  },
  {
    key: "loadRed",
    group: "Load",
    label: "Stop from",
    unit: "×",
    step: 0.05,
    reason: "A comparison, not a strength. Growing lashes are judged at day 21 with this and the caution raised by a third.",
    standing: "a model of ours",
  },
  {
    key: "attachmentOffsetMm",
    group: "Load",
    label: "Gap at the lid",
    unit: "mm",
    step: 0.1,
    reason: "Schools: 0.5, 0.5 to 1, 1 to 2 mm. Adhesive never touches skin.",
    standing: "common practice",
  },
  {
    key: "beadMinutes",
    group: "Adhesive",
    label: "Bead good for",
    unit: "min",
    step: 1,
    reason: "15 to 20 minutes at 22 °C and 50 %; heat and damp shorten it, never under half.",
    standing: "common practice",
  },
  {
    key: "shakeSeconds",
    group: "Adhesive",
    label: "Shake for",
    unit: "s",
    step: 5,
    reason: "60 to 120 s by hand, 30 s in a machine, or as the leaflet says.",
    standing: "common practice",
  },
  {
    key: "patchTestMonths",
    group: "Care",
    label: "A patch test holds for",
    unit: "months",
    step: 1,
    reason: "Again on a new product or after a reaction, whatever the date.",
    standing: "common practice",
  },
];
