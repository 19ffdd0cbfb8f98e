import type { Stop } from "../processing/runState";
import type { ServiceKind } from "../protocol/serviceKinds";

/** A line of an aftercare card; `afterHours` or `afterDays` are counted from the end of the visit into a date. */
export type CareLine = { readonly before?: { readonly hours?: number; readonly days?: number }; readonly text: string };

const HELP: CareLine = { text: "Sting, redness or swelling: rinse with clean water, call us, and see a doctor." };
const LIFT: readonly CareLine[] = [
  { before: { hours: 12 }, text: "The nourishing lotion stays on; nothing on it" },
  { before: { hours: 24 }, text: "No water, steam, oil, mascara or sleeping on your face" },
  { text: "Comb the lashes up once a day; oil-free cleanser." },
];
const TINT: readonly CareLine[] = [
  { before: { hours: 24 }, text: "No steam, swimming or oily cleanser" },
  { before: { hours: 24 }, text: "No extensions on tinted lashes" },
  { text: "It fades over four to six weeks, sooner with oil and sun." },
];
const BROWS: readonly CareLine[] = [{ before: { hours: 24 }, text: "No make-up, water, steam or oil on the brows" }];
const SUN: CareLine = { text: "Sun protection on the brows each day: bleached hair and skin burn sooner." };

/** What a client takes home, by service. Common practice; a product's leaflet adds to it. */
export const AFTERCARE: Readonly<Record<ServiceKind, readonly CareLine[]>> = {
  lift: [...LIFT, HELP],
  liftTint: [...LIFT, ...TINT.slice(1), HELP],
  lashTint: [...TINT, HELP],
  browTint: [...BROWS, TINT[2]!, HELP],
  lamination: [...BROWS, { text: "Comb to shape each morning; nourish at night." }, HELP],
  lightening: [...BROWS, SUN, HELP],
  lashBrowTint: [...TINT, ...BROWS, HELP],
  removal: [{ before: { hours: 24 }, text: "No oil-based make-up; let the lashes rest" }, { text: "Cleanse gently, twice today." }, HELP],
};

/** What goes home after a run that was broken off. Usual first aid; a doctor's word comes before it. */
const AFTER_STOP: Readonly<Record<Stop["kind"], readonly CareLine[]>> = {
  splash: [
    { text: "It was stopped because something stung or ran in; what lay on was rinsed off." },
    { text: "Pain, redness that stays, watering, blurred sight, light that hurts: see a doctor today, and take this card along." },
    { before: { hours: 24 }, text: "No contact lenses, make-up, steam or swimming, and no rubbing" },
  ],
  gluedLids: [
    { text: "It was stopped because lids stuck together. Never pull or cut: they come apart by themselves." },
    { text: "Warm water on a clean pad, held gently, again and again." },
    { text: "Pain, a red eye, or still stuck tomorrow: see a doctor, and take this card along." },
    { before: { hours: 24 }, text: "No contact lenses, make-up or oil at the eye" },
  ],
};

export type CareCard = {
  readonly title: string;
  readonly lines: readonly string[];
  /** When it may be done again, in words; null where nothing limits it. */
  readonly again: string | null;
};

export type CaredFor = {
  readonly service: ServiceKind;
  readonly label: string;
  readonly endedAtMs: number;
  readonly againAfterDays: number;
  /** Why it was broken off; null where it was run to its end. */
  readonly stopped: Stop["kind"] | null;
  /** What touched the client, with its lots: asked for by a doctor. */
  readonly used: readonly string[];
};

/** A card with its dates counted from the end of the visit. `words` puts a moment into the studio's words. */
export function careCard(
  { service, label, endedAtMs, againAfterDays, stopped, used }: CaredFor,
  words: { readonly moment: (ms: number) => string; readonly day: (ms: number) => string },
): CareCard {
  const dated = ({ before, text }: CareLine) => {
    if (!before) return text;
    const untilMs = endedAtMs + ((before.hours ?? 0) + (before.days ?? 0) * 24) * 3_600_000;
    return `${text} before ${words.moment(untilMs)}.`;
  };
  if (stopped)
    return {
      title: `After your ${label} was stopped`,
      lines: [
        ...AFTER_STOP[stopped].map(dated),
        ...(used.length > 0 ? [`Used on ${words.day(endedAtMs)}: ${used.join("; ")}.`] : []),
        "Call us tomorrow, however it is.",
      ],
      again: null,
    };
  return {
    title: `After your ${label}`,
    lines: AFTERCARE[service].map(dated),
    again: againAfterDays > 0 ? `Again from ${words.day(endedAtMs + againAfterDays * 86_400_000)}, not sooner.` : null,
  };
}

/** The card as plain text, a line each. */
export function careText(card: CareCard, studio: string, client: string): string {
  return [
    card.title,
    `For ${client}`,
    "",
    ...card.lines.map((line) => `- ${line}`),
    ...(card.again ? ["", card.again] : []),
    "",
    studio,
    "",
  ].join("\n");
}
