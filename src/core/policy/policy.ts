import { z } from "zod";
import { SPACING_IDS } from "../care/spacing";
import { curlOverridesSchema } from "../curl/curlSchema";

const hours = z.number().min(0, "From 0 hours.").max(8760, "A year at most.").nullable();

/** What a studio has decided where practitioners disagree. A product leaflet wins over all of it. */
export const policySchema = z
  .strictObject({
    version: z.literal(5),
    /** Most a fibre may stand past the zone's shorter lashes, mm. */
    overLengthMm: z.number().min(0, "Over-length runs from 0 to 5 mm.").max(5, "Over-length runs from 0 to 5 mm."),
    /** The same where the natural lashes are fine. */
    fineOverLengthMm: z.number().min(0, "Over-length runs from 0 to 5 mm.").max(5, "Over-length runs from 0 to 5 mm."),
    corners: z.enum(["match", "graded"]),
    /** Most one zone may differ from its neighbour, mm. */
    stepMm: z.int().min(1, "Steps of 1 to 4 mm.").max(4, "Steps of 1 to 4 mm."),
    /** Least the outermost zone lies below its inner neighbour, mm. */
    outerDropMm: z.int().min(0, "A drop of 0 to 3 mm.").max(3, "A drop of 0 to 3 mm."),
    loadAmber: z.number().min(0.5).max(3),
    loadAmberFan: z.number().min(0.5).max(3),
    loadRed: z.number().min(0.6, "From 0.6 to 5.").max(5, "From 0.6 to 5."),
    attachmentOffsetMm: z.number().min(0.3, "From 0.3 to 3 mm.").max(3, "From 0.3 to 3 mm."),
    /** Accents longer than the base by, mm. */
    accentOffsetMm: z.int().min(1, "Accents stand 1 to 5 mm over the base.").max(5, "Accents stand 1 to 5 mm over the base."),
    accentPlacing: z.enum(["singles", "clusters"]),
    /** One accent, or one cluster, to so many lashes. */
    accentEvery: z.int().min(2, "From every 2nd to every 8th lash.").max(8, "From every 2nd to every 8th lash."),
    mapOnPad: z.enum(["always", "newLooks", "never"]),
    /** Fibres of 0.15 on one strip of a tray; finer ones in proportion. */
    fibresPerStrip: z.int().min(20, "From 20 to 600.").max(600, "From 20 to 600."),
    secondsPerSingle: z.int().min(10, "From 10 to 300 seconds.").max(300, "From 10 to 300 seconds."),
    secondsPerFan: z.int().min(10, "From 10 to 300 seconds.").max(300, "From 10 to 300 seconds."),
    padsWhen: z.enum(["afterCleansing", "beforeCleansing"]),
    padDistance: z.enum(["oneMm", "close"]),
    primer: z.enum(["oilyOnly", "always", "balancer", "none"]),
    attach: z.enum(["asTheLashLies", "top", "side", "under"]),
    dip: z.enum(["oneMm", "threeQuarters", "frontOnly"]),
    eyeOrder: z.enum(["alternate", "outsideIn", "oneEye"]),
    layerOrder: z.enum(["baseFirst", "accentsFirst"]),
    hold: z.enum(["fromSetTime", "twoToThree", "four"]),
    finish: z.enum(["fan", "bonder", "mist", "spray"]),
    fill: z.enum(["computed", "twoWeeks", "threeWeeks"]),
    outgrown: z.enum(["loadAndLever", "fullyOnly", "all"]),
    shield: z.enum(["shield", "rod"]),
    shieldSize: z.enum(["byLength", "oneSmaller"]),
    lotion: z.enum(["rootToMiddle", "rootOnly"]),
    filmCover: z.enum(["no", "yes"]),
    tintAndLift: z.enum(["afterRelease", "onTheShield"]),
    tintOrder: z.enum(["browsOffFirst", "lashesThenBrows"]),
    /** The studio's own geometry of some curl letters; the rest keep the working values. */
    curls: curlOverridesSchema,
    beadMinutes: z.number().min(5, "From 5 to 30 minutes.").max(30, "From 5 to 30 minutes."),
    shakeSeconds: z.int().min(10, "From 10 to 180 seconds.").max(180, "From 10 to 180 seconds."),
    /** One lash held apart at 22 °C and 50 %, s. */
    holdSeconds: z.number().min(1, "From 1 to 6 seconds.").max(6, "From 1 to 6 seconds."),
    /** Cure before eyes may open, minutes at 22 °C and 50 %. */
    eyesOpenMinutes: z.number().min(3, "From 3 to 10 minutes.").max(10, "From 3 to 10 minutes."),
    /** Hours without water where nothing quicker was used. */
    waterHours: z.number().min(0, "From 0 to 72 hours.").max(72, "From 0 to 72 hours."),
    bonderWaitMinutes: z.number().min(0, "From 0 to 15 minutes.").max(15, "From 0 to 15 minutes."),
    bonderEyesMinutes: z.number().min(0, "From 0 to 15 minutes.").max(15, "From 0 to 15 minutes."),
    bonderWaterHours: z.number().min(0, "From 0 to 72 hours.").max(72, "From 0 to 72 hours."),
    mistEyesMinutes: z.number().min(0, "From 0 to 15 minutes.").max(15, "From 0 to 15 minutes."),
    mistWaterHours: z.number().min(0, "From 0 to 72 hours.").max(72, "From 0 to 72 hours."),
    sprayEyesMinutes: z.number().min(0, "From 0 to 15 minutes.").max(15, "From 0 to 15 minutes."),
    sprayWaterHours: z.number().min(0, "From 0 to 72 hours.").max(72, "From 0 to 72 hours."),
    patchTestMonths: z.int().min(1, "From 1 to 12 months.").max(12, "From 1 to 12 months."),
    /** No tint and no lightener under this age. */
    colourAge: z.int().min(16, "16 is the floor; a studio may only be stricter.").max(21, "From 16 to 21 years."),
    /** No set and no fill under this age. */
    extensionsAge: z.int().min(14, "From 14 to 21 years.").max(21, "From 14 to 21 years."),
    /** Months after an eye operation in which nothing is done, whatever is noted. A studio may be stricter, never laxer. */
    operationMonths: z.int().min(3, "Three months at least.").max(24, "Two years at most."),
    /** The full consultation is asked again after so many months. */
    consultationMonths: z.int().min(1, "From 1 to 6 months.").max(6, "Six months at most."),
    /** A consent is signed again after so many months. */
    consentMonths: z.int().min(1, "From 1 to 12 months.").max(12, "Twelve months at most."),
    /** Whether the owner has confirmed that lash tint is lawful at the studio's place. */
    lashTintLawful: z.enum(["notConfirmed", "confirmed"]),
    /** The studio's own hours between services, where they differ from the usual ones. */
    spacing: z.partialRecord(z.enum(SPACING_IDS), z.strictObject({ stopHours: hours, askHours: hours })),
    /** Most peroxide in what lies on lashes, per cent by weight. A studio may be stricter, never laxer. */
    lashPeroxidePercent: z.number().min(0.5, "From 0.5 to 2.0 %.").max(2, "2.0 % is the most; local code may ask for less."),
    /** A rinse runs so long, minutes. */
    rinseMinutes: z.int().min(15, "15 minutes at least.").max(30, "30 minutes at most."),
    /** Where the studio works, and what its code says, in the owner's words. */
    country: z.string().trim().max(60, "60 characters at most."),
    localNotes: z.string().trim().max(4000, "4000 characters at most."),
  })
  .refine((p) => p.fineOverLengthMm <= p.overLengthMm, {
    message: "Fine lashes cannot be given more than the rest.",
    path: ["fineOverLengthMm"],
  })
  .refine((p) => p.loadAmber < p.loadRed && p.loadAmberFan < p.loadRed, {
    message: "The stop must lie above the caution.",
    path: ["loadRed"],
  });
export type Policy = z.infer<typeof policySchema>;
