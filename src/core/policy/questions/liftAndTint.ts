import { z } from "zod";
import { asked, oneOf } from "../question";

export const liftAndTint = asked("Lift and tint", {
  shield: {
    ...oneOf({ shield: "a shield", rod: "a rod" }),
    default: "shield",
    label: "Lift over",
    reason: "A shield gives an open curve, a rod a rounder one.",
    standing: "common practice",
    readBy: ["core/lift/chooseShield"],
  },
  shieldSize: {
    ...oneOf({ byLength: "by natural length", oneSmaller: "one smaller" }),
    default: "byLength",
    label: "Size chosen",
    reason: "One size smaller is for drama; the kept turn says whether the tips fold back.",
    standing: "common practice",
    readBy: ["core/lift/chooseShield"],
  },
  lotion: {
    ...oneOf({ rootToMiddle: "from root to middle", rootOnly: "on the root only" }),
    default: "rootToMiddle",
    label: "Lotion goes",
    reason: "Never on the tips: they frizz.",
    standing: "common practice",
    readBy: ["core/protocol/shipped"],
  },
  filmCover: {
    ...oneOf({ no: "no", yes: "yes" }),
    default: "no",
    label: "Covered with film",
    reason: "Film and a mask speed it: the time is shortened and looked at early.",
    standing: "common practice",
    readBy: ["features/plan/usePlanDraft"],
  },
  tintAndLift: {
    ...oneOf({ afterRelease: "after release", onTheShield: "on the shield" }),
    default: "afterRelease",
    label: "Tint with a lift",
    reason: "Glue left on lashes keeps tint out; after release all of it is gone.",
    standing: "common practice",
    readBy: ["core/protocol/shipped"],
  },
  tintOrder: {
    ...oneOf({ browsOffFirst: "both on, brows off first", lashesThenBrows: "lashes on and off, then brows" }),
    default: "browsOffFirst",
    label: "Lashes and brows tinted",
    reason: "Brows take colour faster than lashes.",
    standing: "common practice",
    readBy: ["core/protocol/shipped"],
  },
  /** Most peroxide in what lies on lashes, per cent by weight. A studio may be stricter, never laxer. */
  lashPeroxidePercent: {
    schema: z.number().min(0.5, "From 0.5 to 2.0 %.").max(2, "2.0 % is the most; local code may ask for less."),
    default: 2,
    label: "Peroxide on lashes at most",
    unit: "%",
    step: 0.1,
    reason: "Known above it, a mix is stopped; not known, it is shown as a range. Local code may ask for less, never more here.",
    standing: "from memory",
    readBy: ["features/plan/actions", "core/processing/workOutPlan"],
  },
});
