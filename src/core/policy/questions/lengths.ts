import { z } from "zod";
import { asked, oneOf } from "../question";

export const lengths = asked("Lengths", {
  /** Most a fibre may stand past the zone's shorter lashes, mm. */
  overLengthMm: {
    schema: z.number().min(0, "Over-length runs from 0 to 5 mm.").max(5, "Over-length runs from 0 to 5 mm."),
    default: 3,
    label: "Over-length at most",
    unit: "mm",
    step: 0.5,
    reason: "Schools say 2, 3 or by eye. Judged on the zone's shorter quarter, since a zone holds lashes of many lengths.",
    standing: "common practice",
    readBy: ["core/map/zoneLimit"],
  },
  /** The same where the natural lashes are fine. */
  fineOverLengthMm: {
    schema: z.number().min(0, "Over-length runs from 0 to 5 mm.").max(5, "Over-length runs from 0 to 5 mm."),
    default: 2,
    label: "Over-length on fine lashes",
    unit: "mm",
    step: 0.5,
    reason: "A fine lash droops under what a medium one carries.",
    standing: "common practice",
    readBy: ["core/map/zoneLimit"],
  },
  corners: {
    ...oneOf({ match: "match the natural length", graded: "grade up like the rest" }),
    default: "match",
    label: "Inner and outer corners",
    reason: "The cautious school adds nothing at the corners: one row of short lashes there.",
    standing: "common practice",
    readBy: ["core/map/zoneLimit"],
  },
  /** Most one zone may differ from its neighbour, mm. */
  stepMm: {
    schema: z.int().min(1, "Steps of 1 to 4 mm.").max(4, "Steps of 1 to 4 mm."),
    default: 2,
    label: "Step between neighbours at most",
    unit: "mm",
    step: 1,
    reason: "Past 2 mm the line looks stepped; 1 mm is usual.",
    standing: "common practice",
    readBy: ["core/map/planMap", "core/map/rules/steppedLine"],
  },
  /** Least the outermost zone lies below its inner neighbour, mm. */
  outerDropMm: {
    schema: z.int().min(0, "A drop of 0 to 3 mm.").max(3, "A drop of 0 to 3 mm."),
    default: 1,
    label: "Outermost zone below its neighbour by",
    unit: "mm",
    step: 1,
    reason: "Without a drop the eye droops, the more so as lashes fall out.",
    standing: "common practice",
    readBy: ["core/map/planMap", "core/map/rules/droopingOuterEnd"],
  },
});
