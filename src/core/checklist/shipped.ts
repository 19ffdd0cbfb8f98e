import type { Policy } from "../policy";
import { serviceOf, type ServiceId } from "../service";
import type { Checklist, CheckStep } from "./schema";
import type { StepWhen } from "./when";
import { partsOf, type VisitPart } from "./parts";
import type { Recorded } from "./recorded";

/** Answers of the policy that change a checklist. */
export type ChecklistSchools = Pick<Policy, "padsWhen" | "padDistance" | "primer" | "mapOnPad" | "stickyCheckMinutes">;

type Shipped = Omit<CheckStep, "part">;
const step = (
  id: string,
  name: string,
  why: string,
  { minutes = 0, when = "always", by = null }: { minutes?: number; when?: StepWhen; by?: Recorded | null } = {},
): Shipped => ({ id, name, why, minutes, when, recordedAs: by });

// Steps, reasons and minutes: common practice. A product's leaflet and the local code come before all of them.

const PRIMER_WHEN: Readonly<Record<Policy["primer"], StepWhen>> = {
  always: "always",
  balancer: "always",
  oilyOnly: "whenAsked",
  none: "never",
};
const ON_PAD_WHEN: Readonly<Record<Policy["mapOnPad"], StepWhen>> = { always: "always", newLooks: "whenAsked", never: "never" };

const PHOTO_BEFORE = step("photo-before", "Photo before", "The one after has something to stand beside.", {
  when: "whenAsked",
  by: "photoBefore",
});

const consult: readonly Shipped[] = [
  step("consultation", "Consultation, allergies asked", "What stands against it is known before anything is opened.", {
    minutes: 5,
    by: "consultation",
  }),
];
const howTheyHeld = step(
  "how-they-held",
  "How they held, asked",
  "Washing, oil, steam, crying, the side slept on: the next set is planned by it.",
  {
    minutes: 2,
    by: "sinceLast",
  },
);
const COUNT_LEFT = step("count-left", "What is left counted, zone by zone", "What nature took and what the work lost is told from it.", {
  minutes: 1,
  by: "leftCounted",
});
const TAKE_OFF = step("take-off", "Outgrown and twisted ones taken off", "Sound ones stay: there must be something to build on.", {
  minutes: 5,
  when: "whenAsked",
  by: "takenOff",
});

const prepare = ({ padsWhen, padDistance, primer, mapOnPad }: ChecklistSchools, onClient: boolean): readonly Shipped[] => {
  const cleansing = [
    step(
      "cleanse-lashes",
      "Lashes and the lid above cleansed",
      "Oil is the first thing glue does not hold on. At the bases, not the tips.",
      {
        minutes: 3,
      },
    ),
    step("cleanse-below", "Skin below cleansed", "Pads do not stick to oily skin.", { minutes: 1 }),
    step("rinse", "Rinsed fully, lashes dry", "What is left of a cleanser holds no better than oil, and water sets glue early.", {
      minutes: 2,
    }),
  ];
  const pads = [
    step(
      "pads",
      `Pads on, ${padDistance === "oneMm" ? "1 mm clear of the water line" : "as close as is comfortable"}`,
      "A pad that touches the eye waters it.",
      {
        minutes: 2,
      },
    ),
    step("lower-lashes", "All lower lashes under the pad", "One left out is glued to an upper one.", { minutes: 1 }),
    step("tape", "Tape on, its tack taken off first", "Where pads alone do not hold a lid or lower lashes.", { when: "whenAsked" }),
  ];
  const head = [
    step("aired", "Room aired", "Vapour of glue and primer must go somewhere.", { minutes: 2 }),
    step("hands", "Hands washed, tools and table clean", "What touches an eye is clean."),
    step("gloves", "Gloves on", "Glue and primer do not belong on skin that works with them all day."),
  ];
  if (!onClient) return [...head, ...pads.filter(({ id }) => id === "pads"), onPads(mapOnPad)];
  return [
    ...head,
    step("lenses", "Contact lenses out, or none worn", "Vapour and a trapped lens do not agree."),
    ...(padsWhen === "afterCleansing" ? [...cleansing, ...pads] : [...pads, ...cleansing]),
    step("in-the-eye", "“Anything in the eye?” asked", "A lash under the pad is felt before it is seen."),
    step("eyes-closed", "Eyes seen closed, with a mirror from below", "A gap that is not seen from above takes vapour for two hours."),
    step(
      "primer",
      primer === "balancer" ? "pH balancer" : "Primer",
      "Takes what oil is left. By its leaflet, and dry before the first bead.",
      {
        minutes: 1,
        when: PRIMER_WHEN[primer],
        by: "primer",
      },
    ),
    onPads(mapOnPad),
    step("in-the-eye-again", "“Anything in the eye?” asked again", "It is answered otherwise once the lids have lain shut a while."),
  ];
};
const onPads = (mapOnPad: Policy["mapOnPad"]) =>
  step("map-on-pads", "Map on the pads", "Drawn with the eyes open, so that it looks centred when they open.", {
    minutes: 1,
    when: ON_PAD_WHEN[mapOnPad],
  });

const room: readonly Shipped[] = [
  step("air", "Air read", "The bottle's time, a bead's life and how long eyes stay shut follow from it.", { by: "air" }),
  step("bottle", "Bottle written down", "A lot is found again by its visits.", { by: "bottle" }),
];
const place: readonly Shipped[] = [
  step("bead", "First bead out", "Shaken, fresh, its clock running.", { by: "bead" }),
  step("placed", "Last lash placed", "From here its cure is counted.", { by: "placed" }),
];
const check = ({ stickyCheckMinutes }: ChecklistSchools): readonly Shipped[] => [
  step("brushed", "Brushed through, eyes seen closed", "What does not hold comes off now and not at home.", { by: "eyesSeen" }),
  step("mirror", "Mirror from below", "Lean and gaps are seen from where nobody works.", { minutes: 2, by: "mirror" }),
  step("stickies", "Stickies parted, both eyes", "Lashes glued together pull each other out as they grow.", {
    minutes: stickyCheckMinutes,
    by: "stickies",
  }),
];
const dry = (onClient: boolean): readonly Shipped[] => [
  step("finish", "Cure finished", "Fanned, mist or bonder, by its leaflet.", { by: "finish" }),
  step("free-of-pad", "Lashes free of the pad", "A pad that lifts a lash lifts a natural one.", { by: "freeOfPad" }),
  ...(onClient
    ? [
        step("pads-off", "Pads and tape off, slowly", "Skin under the eye is the thinnest there is.", { minutes: 1 }),
        step("sting", "Eyes opened: no sting", "Opened only when dry.", { by: "sting" }),
        step("stuck", "No upper lash stuck to a lower one", "Seen now it is parted in a moment.", { by: "stuck" }),
      ]
    : []),
  step("blunt-tool", "Blunt tool run along the bases", "It finds the sticky that the eye passed over.", { minutes: 1, by: "bluntTool" }),
  ...(onClient ? [step("word", "The client's word", "A corner that pricks now is rubbed tonight.", { by: "word" })] : []),
];
const aftercare: readonly Shipped[] = [
  step("photo-after", "Photo after", "What was agreed and what came of it.", { when: "whenAsked", by: "photoAfter" }),
  step("card", "Aftercare told, card given", "What is said to somebody who is putting on a coat is forgotten at the door.", { minutes: 3 }),
  step("next-visit", "Next visit booked", "Gaps that show are gaps that were waited for.", { minutes: 1, by: "nextVisit" }),
];
const tidy: readonly Shipped[] = [
  step("single-use", "Single-use things thrown away", "Brushes, pads, tape, cups: once."),
  step("linen", "Linen changed", "It lay under a head."),
  step("surfaces", "Surfaces wiped with disinfectant", "Bed, trolley, lamp, tablet.", { minutes: 2 }),
  step("soak", "Implements cleaned, into the disinfectant", "Mixed by its label; its contact time runs as a clock.", {
    minutes: 2,
    by: "soak",
  }),
  step("closed", "Implements rinsed, dry, in the closed container", "Clean until they are taken out."),
  step("lots", "Lots written down", "A recall is answered by them.", { by: "lots" }),
];

/** The steps of a service as the studio's schools have it; the studio may save its own instead. */
export function shippedChecklist(service: ServiceId, schools: ChecklistSchools): Checklist {
  const { onClient } = serviceOf(service);
  const parts: Readonly<Record<VisitPart, readonly Shipped[]>> = {
    consult: service === "fill" ? [...consult, howTheyHeld] : partsOf(service).includes("survey") ? consult : [...consult, PHOTO_BEFORE],
    survey: [
      step("survey", "Landmarks and natural lashes, eyes open", "A set looks centred only on marks taken with the eyes open.", {
        minutes: 5,
        by: "survey",
      }),
      ...(onClient ? [PHOTO_BEFORE] : []),
      ...(service === "fill" ? [COUNT_LEFT] : []),
    ],
    map: [
      step("map", onClient ? "Look agreed, map chosen" : "Map chosen", "What is worked by is decided sitting up.", {
        minutes: 5,
        by: "map",
      }),
    ],
    plan: [step("planned", "Plan kept", "Times, mixes and limits are reckoned before anything lies on.", { minutes: 3, by: "planned" })],
    room,
    prepare: service === "fill" ? [...prepare(schools, onClient), TAKE_OFF] : prepare(schools, onClient),
    place,
    check: check(schools),
    dry: dry(onClient),
    run: [step("processed", "Worked by its protocol", "Its own steps and clocks.", { by: "processed" })],
    judge: [step("judged", "Result judged", "The next plan begins from it.", { minutes: 1, by: "judged" })],
    aftercare,
    tidy,
  };
  return {
    version: 1,
    service,
    steps: partsOf(service).flatMap((part) => parts[part].map((one) => ({ ...one, part }))),
  };
}
