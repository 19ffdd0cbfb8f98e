import { z } from "zod";
import { asked, oneOf } from "../question";

export const accents = asked("Accents", {
  /** Accents longer than the base by, mm. */
  accentOffsetMm: {
    schema: z.int().min(1, "Accents stand 1 to 5 mm over the base.").max(5, "Accents stand 1 to 5 mm over the base."),
    default: 3,
    label: "Accents over the base by",
    unit: "mm",
    step: 1,
    reason: "Schools say 2, 3 or 4; 2 with a flat-base curl, 4 for drama.",
    standing: "common practice",
    readBy: ["core/map/texture"],
  },
  accentPlacing: {
    ...oneOf({ singles: "one at a time", clusters: "in clusters of three" }),
    default: "singles",
    label: "Accents placed",
    reason: "Single spikes read softer. At the inner corner, with one row of lashes, there are never clusters.",
    standing: "common practice",
    readBy: ["core/map/texture"],
  },
  /** One accent, or one cluster, to so many lashes. */
  accentEvery: {
    schema: z.int().min(2, "From every 2nd to every 8th lash.").max(8, "From every 2nd to every 8th lash."),
    default: 4,
    label: "One to so many lashes",
    step: 1,
    reason: "Every third or fourth lash; closer reads as a second line.",
    standing: "common practice",
    readBy: ["core/map/texture"],
  },
});
