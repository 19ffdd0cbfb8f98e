import { z } from "zod";
import { SPACING_IDS } from "../../care/spacing";
import { curlOverridesSchema } from "../../curl/curlSchema";
import { asked } from "../question";

const hours = z.number().min(0, "From 0 hours.").max(8760, "A year at most.").nullable();

/** What every studio's notes begin with; the owner writes on from there. */
const LOCAL_NOTES = `Check your local code.
Hydrogen peroxide in eyelash products: 2 % at most, professional use (EU Regulation 1223/2009, Annex III; from memory, check your local code).
Thioglycolate in eyelash waving: 11 % at most, pH 7 to 9.5, professional use (EU Regulation 1223/2009, Annex III; from memory, check your local code).`;

export const withFormsOfTheirOwn = asked(null, {
  /** The studio's own hours between services, where they differ from the usual ones. */
  spacing: {
    schema: z.partialRecord(z.enum(SPACING_IDS), z.strictObject({ stopHours: hours, askHours: hours })),
    default: {},
    label: "Time between services",
    reason: "The usual hours stand beside each pair of services.",
    standing: "common practice",
    readBy: ["core/care/rules/spacing"],
  },
  /** The studio's own geometry of some curl letters; the rest keep the working values. */
  curls: {
    schema: curlOverridesSchema,
    default: {},
    label: "Curls",
    reason: "Letters have no standard: a studio measures its own against a protractor.",
    standing: "from memory",
    readBy: ["core/map/stock"],
  },
  /** Where the studio works, and what its code says, in the owner's words. */
  country: {
    schema: z.string().trim().max(60, "60 characters at most."),
    default: "",
    label: "Country or state",
    reason: "Rules differ by place; nobody can know them for the studio.",
    standing: "common practice",
    readBy: ["features/plan/PlanPanel"],
  },
  /** What the studio adds to every aftercare card, a line each. */
  aftercareWords: {
    schema: z.string().trim().max(1000, "1000 characters at most."),
    default: "",
    label: "On every aftercare card",
    reason: "Whom to call and when, what the studio's own leaflets ask: in its own words, in any language.",
    standing: "common practice",
    readBy: ["core/care/aftercare"],
  },
  localNotes: {
    schema: z.string().trim().max(4000, "4000 characters at most."),
    default: LOCAL_NOTES,
    label: "Notes on the local code",
    reason: "The usual limits to begin with; the owner writes what holds at the studio's place.",
    standing: "from memory",
    readBy: ["features/plan/PlanPanel"],
  },
});
