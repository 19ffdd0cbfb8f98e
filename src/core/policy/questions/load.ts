import { z } from "zod";
import { asked } from "../question";

export const load = asked("Load", {
  loadAmber: {
    schema: z.number().min(0.5).max(3),
    default: 1.2,
    label: "Caution from, single",
    unit: "×",
    step: 0.05,
    reason: "Multiples of the ordinary classic lash: 0.15 × 12 mm on a medium lash.",
    standing: "a model of ours",
    readBy: ["core/map/zoneLimit"],
  },
  loadAmberFan: {
    schema: z.number().min(0.5).max(3),
    default: 1.1,
    label: "Caution from, fan",
    unit: "×",
    step: 0.05,
    reason: "A fan catches more air and more glue.",
    standing: "a model of ours",
    readBy: ["core/map/zoneLimit"],
  },
  loadRed: {
    schema: z.number().min(0.6, "From 0.6 to 5.").max(5, "From 0.6 to 5."),
    default: 1.6,
    label: "Stop from",
    unit: "×",
    step: 0.05,
    reason: "A comparison, not a strength. Growing lashes are judged at day 21 with this and the caution raised by a third.",
    standing: "a model of ours",
    readBy: ["core/map/zoneLimit"],
  },
  attachmentOffsetMm: {
    schema: z.number().min(0.3, "From 0.3 to 3 mm.").max(3, "From 0.3 to 3 mm."),
    default: 1,
    label: "Gap at the lid",
    unit: "mm",
    step: 0.1,
    reason: "Schools: 0.5, 0.5 to 1, 1 to 2 mm. Adhesive never touches skin.",
    standing: "common practice",
    readBy: ["core/map/fibreOnLash", "core/formats/trolleyBrief"],
  },
});
