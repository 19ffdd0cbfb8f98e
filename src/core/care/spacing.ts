import type { Treated, Treatment } from "../service";
import type { PastService } from "./pastService";

const DAY_H = 24;
const WEEK_H = 7 * DAY_H;

/** Extensions are taken to be on for so long after a set or fill where no removal is on record, days. A model of this product. */
export const WORN_DAYS = 42;

/** How long after one thing another is stopped, and until when it is asked about; hours, null where it is not. */
export type Spacing = { readonly stopHours: number | null; readonly askHours: number | null };
type SpacingRow = Spacing & { readonly before: Treated; readonly then: Treated; readonly words: string };

const lashes = (treatment: Treatment): Treated => ({ treatment, part: "lashes" });
const brows = (treatment: Treatment): Treated => ({ treatment, part: "brows" });

/** What one service wants of the one before it, on the same hair. Common practice; the studio may change the hours. */
export const SPACING = {
  liftThenExtensions: { before: lashes("lift"), then: lashes("extensions"), stopHours: 48, askHours: 6 * WEEK_H, words: "lifted" },
  tintThenExtensions: { before: lashes("tint"), then: lashes("extensions"), stopHours: null, askHours: DAY_H, words: "tinted" },
  liftAgain: { before: lashes("lift"), then: lashes("lift"), stopHours: 4 * WEEK_H, askHours: 6 * WEEK_H, words: "lifted" },
  laminationAgain: { before: brows("lift"), then: brows("lift"), stopHours: 4 * WEEK_H, askHours: 6 * WEEK_H, words: "laminated" },
  tintThenLift: { before: lashes("tint"), then: lashes("lift"), stopHours: null, askHours: DAY_H, words: "tinted" },
  lashTintAgain: { before: lashes("tint"), then: lashes("tint"), stopHours: null, askHours: 3 * WEEK_H, words: "tinted" },
  lighteningThenLamination: { before: brows("lightening"), then: brows("lift"), stopHours: 14 * DAY_H, askHours: null, words: "lightened" },
  laminationThenLightening: { before: brows("lift"), then: brows("lightening"), stopHours: 14 * DAY_H, askHours: null, words: "laminated" },
  browTintThenLightening: { before: brows("tint"), then: brows("lightening"), stopHours: null, askHours: 14 * DAY_H, words: "tinted" },
} as const satisfies Record<string, SpacingRow>;
export type SpacingId = keyof typeof SPACING;
export const SPACING_IDS = Object.keys(SPACING) as [SpacingId, ...SpacingId[]];

const same = (a: Treated, b: Treated) => a.treatment === b.treatment && a.part === b.part;
/** A studio's own hours for some of the rows: to the stop and to the question; null leaves that out. */
export type SpacingChanges = Readonly<Partial<Record<SpacingId, Spacing>>>;

export const spacingOf = (id: SpacingId): SpacingRow => SPACING[id];

/** The newest of a treatment of a part before a moment. */
export function newestOf(past: readonly PastService[], treated: Treated, atMs: number): PastService | undefined {
  return past
    .filter((one) => one.atMs <= atMs && one.treated.some((what) => same(what, treated)))
    .reduce<PastService | undefined>((newest, one) => (newest && newest.atMs >= one.atMs ? newest : one), undefined);
}

/** A row of the table that speaks against a service at a moment. */
export type SpacingFinding = {
  readonly id: SpacingId;
  readonly weight: "stop" | "ask";
  readonly hours: number;
  readonly until: number;
  readonly before: PastService;
};

/** What the table says of a service that does `then`, by the studio's own hours where it has some. */
export function spacingAgainst(
  then: readonly Treated[],
  past: readonly PastService[],
  atMs: number,
  ofStudio: Partial<Record<SpacingId, Spacing>>,
): SpacingFinding[] {
  return SPACING_IDS.flatMap((id): SpacingFinding[] => {
    const row = SPACING[id];
    if (!then.some((what) => same(what, row.then))) return [];
    const before = newestOf(past, row.before, atMs);
    if (!before) return [];
    const hours = (atMs - before.atMs) / 3_600_000;
    const { stopHours, askHours } = ofStudio[id] ?? row;
    if (stopHours !== null && hours < stopHours) return [{ id, weight: "stop", hours, until: stopHours, before }];
    if (askHours !== null && hours < askHours) return [{ id, weight: "ask", hours, until: askHours, before }];
    return [];
  });
}

/** A visit agreed for later that would come too soon after a service; `row` stops it, or null where it would go over extensions. */
export type AgreedTooSoon = { readonly later: PastService; readonly fromMs: number; readonly row: SpacingFinding | null };

/**
 * The table from its other end: what is agreed for after a service that treats so and ends at `endMs`, and would be stopped
 * because of it, soonest first.
 */
export function agreedTooSoonAfter(
  treated: readonly Treated[],
  past: readonly PastService[],
  endMs: number,
  ofStudio: Partial<Record<SpacingId, Spacing>>,
): AgreedTooSoon[] {
  const before: PastService = { label: "", treated, atMs: endMs, stopped: null, known: "agreed" };
  const removals = past.filter((one) => one.treated.some((what) => same(what, lashes("removal"))));
  return past
    .flatMap((later) => (later.fromMs === undefined ? [] : [{ later, fromMs: later.fromMs }]))
    .sort((a, b) => a.fromMs - b.fromMs)
    .flatMap(({ later, fromMs }): AgreedTooSoon[] => {
      const row = spacingAgainst(later.treated, [before], fromMs, ofStudio).find(({ weight }) => weight === "stop") ?? null;
      const overThem =
        doesNotGoOverExtensions(later.treated) && wornAt({ past: [before, ...removals], extensionsSeen: null }, fromMs) !== undefined;
      return row || overThem ? [{ later, fromMs, row }] : [];
    });
}

/** No lift and no lash tint is done while extensions are on. */
export const doesNotGoOverExtensions = (treated: readonly Treated[]): boolean =>
  treated.some((what) => same(what, lashes("lift")) || same(what, lashes("tint")));

/** The set or fill that is still worn at a moment, as far as anybody knows; undefined where none is. `extensionsSeen` is when somebody last looked. */
export function wornAt(
  {
    past,
    extensionsSeen,
  }: { readonly past: readonly PastService[]; readonly extensionsSeen: { readonly on: boolean; readonly atMs: number } | null },
  atMs: number,
): PastService | undefined {
  const set = newestOf(past, lashes("extensions"), atMs);
  if (!set || atMs - set.atMs > WORN_DAYS * DAY_H * 3_600_000) return undefined;
  const removed = newestOf(past, lashes("removal"), atMs);
  if (removed && removed.atMs >= set.atMs) return undefined;
  const isSeenOff = extensionsSeen?.on === false && extensionsSeen.atMs >= set.atMs;
  return isSeenOff ? undefined : set;
}
