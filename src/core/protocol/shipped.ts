import type { ServiceKind } from "../service";
import type { Policy } from "../policy/policy";
import type { Protocol } from "./protocol";
import {
  browTintStep,
  cleanse,
  laminationStep,
  lashTintStep,
  lightenerStep,
  liftStep,
  newPads,
  nourish,
  release,
  removerStep,
  rinse,
  shieldUp,
  sunCare,
  tonerStep,
} from "./shippedSteps";

/** Which schools the studio follows, of those that change a protocol. */
export type Schools = Pick<Policy, "lotion" | "tintAndLift" | "tintOrder">;

const DAYS = { lift: 42, tint: 21, lightening: 28, none: 0 };
const MEMORY = "Common practice, and from memory where a range is given; the product's leaflet wins.";

/** A lifted lash is tinted for half the time. Common practice: 5 minutes after a lift. */
const TINT_AFTER_LIFT = { leastS: 180, mostS: 480, defaultS: 300 };

/** The generic protocols, drawn up by the studio's schools. A leaflet's own times are entered in a copy. */
export const shippedProtocols: Readonly<Record<ServiceKind, (schools: Schools) => Protocol>> = {
  lift: ({ lotion }) => ({
    version: 1,
    name: "Lash lift",
    service: "lift",
    source: MEMORY,
    againAfterDays: DAYS.lift,
    steps: [cleanse("lashes"), shieldUp, liftStep(1, lotion), liftStep(2, lotion), release, nourish("lashes")],
  }),
  liftTint: ({ lotion, tintAndLift }) => {
    const tint = lashTintStep({
      ...TINT_AFTER_LIFT,
      waitsFor: ["step-2"],
      before: [
        ...(tintAndLift === "afterRelease"
          ? ["All glue off: glue left on lashes keeps tint out"]
          : ["Step 2 wiped off dry; no glue on top of the lashes"]),
        "Barrier cream on the skin, none on the hair",
        "Eyes shut from here to the last wipe",
      ],
    });
    return {
      version: 1,
      name: tintAndLift === "afterRelease" ? "Lash lift, tint after release" : "Lash lift, tint on the shield",
      service: "liftTint",
      source: MEMORY,
      againAfterDays: DAYS.lift,
      steps: [
        cleanse("lashes"),
        shieldUp,
        liftStep(1, lotion),
        liftStep(2, lotion),
        ...(tintAndLift === "afterRelease" ? [release, newPads, tint, rinse("lashes")] : [tint, release]),
        nourish("lashes"),
      ],
    };
  },
  lashTint: () => ({
    version: 1,
    name: "Lash tint",
    service: "lashTint",
    source: MEMORY,
    againAfterDays: DAYS.tint,
    steps: [cleanse("lashes"), lashTintStep(), rinse("lashes")],
  }),
  browTint: () => ({
    version: 1,
    name: "Brow tint",
    service: "browTint",
    source: MEMORY,
    againAfterDays: DAYS.tint,
    steps: [cleanse("brows"), browTintStep(), rinse("brows"), sunCare],
  }),
  lamination: () => ({
    version: 1,
    name: "Brow lamination",
    service: "lamination",
    source: MEMORY,
    againAfterDays: DAYS.lift,
    steps: [cleanse("brows"), laminationStep(1), laminationStep(2), rinse("brows"), nourish("brows")],
  }),
  lightening: () => ({
    version: 1,
    name: "Brow lightening and toner",
    service: "lightening",
    source: "From memory throughout; the product's leaflet wins.",
    againAfterDays: DAYS.lightening,
    steps: [cleanse("brows"), lightenerStep, { ...tonerStep, waitsFor: ["lighten"] }, rinse("brows"), sunCare],
  }),
  lashBrowTint: ({ tintOrder }) => ({
    version: 1,
    name: tintOrder === "browsOffFirst" ? "Lash and brow tint, brows off first" : "Lash and brow tint, lashes then brows",
    service: "lashBrowTint",
    source: MEMORY,
    againAfterDays: DAYS.tint,
    steps:
      tintOrder === "browsOffFirst"
        ? [cleanse("both"), lashTintStep({ offAfter: ["tint-brows"] }), browTintStep(), rinse("both")]
        : [cleanse("both"), lashTintStep(), browTintStep({ waitsFor: ["tint-lashes"] }), rinse("both")],
  }),
  removal: () => ({
    version: 1,
    name: "Extension removal with remover",
    service: "removal",
    source: "By the remover's leaflet; the range here is from memory.",
    againAfterDays: DAYS.none,
    steps: [cleanse("lashes"), removerStep, rinse("lashes")],
  }),
};
