import { z } from "zod";
import { asked, oneOf } from "../question";

export const care = asked("Care", {
  /** Whether the owner has confirmed that lash tint is lawful at the studio's place. */
  lashTintLawful: {
    ...oneOf({ notConfirmed: "not confirmed: not offered", confirmed: "confirmed by the owner" }),
    default: "notConfirmed",
    label: "Is lash tint lawful at the studio's place?",
    reason: "Some places forbid it, some allow few dyes. Ask your authority or insurer, then confirm it once.",
    standing: "from memory",
    readBy: ["core/care/rules/lawful"],
  },
  patchTestMonths: {
    schema: z.int().min(1, "From 1 to 12 months.").max(12, "From 1 to 12 months."),
    default: 6,
    label: "A patch test holds for",
    unit: "months",
    step: 1,
    reason: "Again on a new product or after a reaction, whatever the date.",
    standing: "common practice",
    readBy: ["core/care/rules/patchTest"],
  },
  /** No tint and no lightener under this age. */
  colourAge: {
    schema: z.int().min(16, "16 is the floor; a studio may only be stricter.").max(21, "From 16 to 21 years."),
    default: 16,
    label: "Tint, lightening, lift and lamination from the age of",
    unit: "years",
    reason: "Many codes and leaflets say so; 16 is the floor, and under 18 a guardian signs.",
    standing: "from memory",
    readBy: ["core/care/rules/age"],
  },
  /** No set and no fill under this age. */
  extensionsAge: {
    schema: z.int().min(14, "From 14 to 21 years.").max(21, "From 14 to 21 years."),
    default: 16,
    label: "Extensions from the age of",
    unit: "years",
    reason: "Under 18 a guardian signs.",
    standing: "from memory",
    readBy: ["core/care/rules/age"],
  },
  /** Months after an eye operation in which nothing is done, whatever is noted. A studio may be stricter, never laxer. */
  operationMonths: {
    schema: z.int().min(3, "Three months at least.").max(24, "Two years at most."),
    default: 3,
    label: "After an eye operation nothing for",
    unit: "months",
    reason: "And not before the surgeon's release is noted. A studio may wait longer, never less.",
    standing: "from memory",
    readBy: ["core/care/rules/operation"],
  },
  /** The full consultation is asked again after so many months. */
  consultationMonths: {
    schema: z.int().min(1, "From 1 to 6 months.").max(6, "Six months at most."),
    default: 6,
    label: "The consultation is asked whole again after",
    unit: "months",
    reason: "At every visit one tap confirms the last answers; people forget what has changed.",
    standing: "common practice",
    readBy: ["core/care/rules/consultationAsked"],
  },
  /** A consent is signed again after so many months. */
  consentMonths: {
    schema: z.int().min(1, "From 1 to 12 months.").max(12, "Twelve months at most."),
    default: 12,
    label: "A consent holds for",
    unit: "months",
    reason: "Signed again sooner when its wording changes.",
    standing: "common practice",
    readBy: ["core/care/rules/consentSigned"],
  },
  /** A rinse runs so long, minutes. */
  rinseMinutes: {
    schema: z.int().min(15, "15 minutes at least.").max(30, "30 minutes at most."),
    default: 15,
    label: "A splash is rinsed for",
    unit: "min",
    reason: "Usual first aid for the eye: lukewarm clean water, then medical help.",
    standing: "common practice",
    readBy: ["features/run/AtTheRun"],
  },
});
