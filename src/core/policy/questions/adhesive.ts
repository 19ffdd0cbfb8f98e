import { z } from "zod";
import { asked, oneOf } from "../question";

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
  shakeBy: {
    ...oneOf({ hand: "hand", machine: "machine" }),
    default: "hand",
    label: "Bottles are shaken by",
    reason: "A machine does in half a minute what takes a hand one or two.",
    standing: "common practice",
    readBy: ["core/adhesive/shakeS"],
  },
  shakeSeconds: {
    schema: z.int().min(10, "From 10 to 180 seconds.").max(180, "From 10 to 180 seconds."),
    default: 60,
    label: "Shaken by hand for",
    unit: "s",
    step: 5,
    reason: "60 to 120 s before the first bead, or as the leaflet says.",
    standing: "common practice",
    readBy: ["core/adhesive/shakeS"],
  },
  shakeMachineSeconds: {
    schema: z.int().min(5, "From 5 to 120 seconds.").max(120, "From 5 to 120 seconds."),
    default: 30,
    label: "Shaken in a machine for",
    unit: "s",
    step: 5,
    reason: "Before the first bead of a bottle.",
    standing: "common practice",
    readBy: ["core/adhesive/shakeS"],
  },
  shakeAgainSeconds: {
    schema: z.int().min(5, "From 5 to 120 seconds.").max(120, "From 5 to 120 seconds."),
    default: 18,
    label: "Shaken again before a later bead for",
    unit: "s",
    step: 1,
    reason: "15 to 20 s: it was mixed a quarter of an hour ago.",
    standing: "common practice",
    readBy: ["core/adhesive/shakeS"],
  },
});
