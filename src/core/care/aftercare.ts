import { AFTERCARE_LINES, serviceOf, type CareLine, type ServiceId } from "../service";

/** Why work was broken off. */
export type StopKind = "splash" | "gluedLids";

/** What goes home after a run that was broken off. Usual first aid; a doctor's word comes before it. */
const AFTER_STOP: Readonly<Record<StopKind, readonly CareLine[]>> = {
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
  readonly service: ServiceId;
  readonly endedAtMs: number;
  readonly againAfterDays: number;
  /** Why it was broken off; null where it was run to its end. */
  readonly stopped: StopKind | null;
  /** What touched the client, with its lots: asked for by a doctor. */
  readonly used: readonly string[];
  /** From when water is harmless after extensions, ms; null where nothing was placed. */
  readonly waterFromMs: number | null;
  /** When the client comes again, in words; null where nothing is booked. */
  readonly next: string | null;
  /** What the studio adds, a line each (its policy's `aftercareWords`). */
  readonly aftercareWords: string;
};

/** A card with its dates counted from the end of the visit. `words` puts a moment into the studio's words. */
export function careCard(
  { service, endedAtMs, againAfterDays, stopped, used, waterFromMs, next, aftercareWords }: CaredFor,
  words: { readonly moment: (ms: number) => string; readonly day: (ms: number) => string },
): CareCard {
  const { label, aftercare } = serviceOf(service);
  const own = aftercareWords
    .split("\n")
    .map((line) => line.trim())
    .filter(Boolean);
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
        ...own,
      ],
      again: null,
    };
  return {
    title: `After your ${label}`,
    lines: [
      ...(waterFromMs === null ? [] : [`No water, steam or oil before ${words.moment(waterFromMs)}.`]),
      ...(aftercare ? AFTERCARE_LINES[aftercare] : []).map(dated),
      ...own,
    ],
    again: next
      ? `Next visit: ${next}.`
      : againAfterDays > 0
        ? `Again from ${words.day(endedAtMs + againAfterDays * 86_400_000)}, not sooner.`
        : null,
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
