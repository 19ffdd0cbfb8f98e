import { z } from "zod";
import { asked } from "../question";

export const adhesive = asked("Adhesive", {
  beadMinutes: {
    schema: z.number().min(5, "From 5 to 30 minutes.").max(30, "From 5 to 30 minutes."),
    default: 15,
    label: "Bead good for",
    unit: "min",
    step: 1,
    reason: "15 to 20 minutes at 22 °C and 50 %; heat and damp shorten it, never under half.",
    standing: "common practice",
    readBy: ["features/chair/useBeadTaps", "features/today/startTheRoom"],
  },
  shakeSeconds: {
    schema: z.int().min(10, "From 10 to 180 seconds.").max(180, "From 10 to 180 seconds."),
    default: 60,
    label: "Shake for",
    unit: "s",
    step: 5,
    reason: "60 to 120 s by hand, 30 s in a machine, or as the leaflet says.",
    standing: "common practice",
    readBy: ["features/chair/Placing"],
  },
});
