import { z } from "zod";
import { asked } from "../question";

export const paceAndStock = asked("Pace and stock", {
  /** Fibres of 0.15 on one strip of a tray; finer ones in proportion. */
  fibresPerStrip: {
    schema: z.int().min(20, "From 20 to 600.").max(600, "From 20 to 600."),
    default: 100,
    label: "Fibres of 0.15 on a strip",
    step: 10,
    reason: "For the strips a set takes; count one of your own trays. Finer fibres stand closer, in proportion.",
    standing: "a model of ours",
    readBy: ["core/map/totals"],
  },
  secondsPerSingle: {
    schema: z.int().min(10, "From 10 to 300 seconds.").max(300, "From 10 to 300 seconds."),
    default: 36,
    label: "One single takes",
    unit: "s",
    step: 1,
    reason: "Two hours for a full classic set by a practised hand. The technician's own pace takes its place once it is known.",
    standing: "common practice",
    readBy: ["core/map/totals"],
  },
  secondsPerFan: {
    schema: z.int().min(10, "From 10 to 300 seconds.").max(300, "From 10 to 300 seconds."),
    default: 70,
    label: "One fan takes",
    unit: "s",
    step: 1,
    reason: "Three to five hours for a full volume set.",
    standing: "common practice",
    readBy: ["core/map/totals"],
  },
});
