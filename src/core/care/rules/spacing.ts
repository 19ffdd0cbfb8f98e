import type { Treated } from "../../service";
import { finding, isAhead, type CareRule } from "../facts";
import { spanWords } from "../spanWords";
import { agreedTooSoonAfter, doesNotGoOverExtensions, newestOf, spacingAgainst, spacingOf, wornAt } from "../spacing";

const HOUR_MS = 3_600_000;
const LASHES: Treated["part"] = "lashes";

const where = { here: "", elsewhere: " elsewhere", agreed: " by then" } as const;

/** Too soon after what was done to the same hair. */
export const spacing: CareRule = (service, facts, rules) =>
  spacingAgainst(service.counts, facts.past, facts.atMs, rules.spacing).map(({ id, weight, hours, until, before }) => {
    const words = spacingOf(id).words;
    return finding(
      "spacing",
      weight,
      `${service.parts.includes(LASHES) && spacingOf(id).then.part === LASHES ? "Lashes" : "Brows"} ${words} ${spanWords(hours)} before${where[before.standing]}: ${weight === "stop" ? "not" : "asked about"} before ${spanWords(until)}.`,
      `${id} ${before.atMs}`,
    );
  });

/** No lift and no lash tint over extensions: off first, and the removal written down. */
export const wornExtensions: CareRule = (service, facts) => {
  if (!doesNotGoOverExtensions(service.counts)) return [];
  const seen = facts.extensionsSeen;
  const off = newestOf(facts.past, { treatment: "removal", part: LASHES }, facts.atMs);
  const seenOn = seen?.on === true && !(off && off.atMs >= seen.atMs);
  if (seenOn || wornAt(facts.past, facts.atMs, seen?.on === false ? seen.atMs : null))
    return [
      finding(
        "wornExtensions",
        "stop",
        `Extensions are on, by the record: not over extensions. ${isAhead(facts) ? "Book their removal before it" : "Take them off and write the removal down"}, or look, and note at the consultation that none are on.`,
      ),
    ];
  const lift = service.counts.some(({ treatment, part }) => part === LASHES && treatment === "lift");
  return lift && off && off.atMs >= facts.dayStartMs
    ? [finding("removedToday", "ask", "Extensions came off the same day: look at the lashes before lifting them.", String(off.atMs))]
    : [];
};

/**
 * What is agreed for later would come too soon after this. A booking is refused like the later one would be; on the day it is
 * asked about, for then it is the later visit that moves.
 */
export const agreedLater: CareRule = (service, facts, rules) =>
  agreedTooSoonAfter(service.counts, facts.past, facts.atMs + service.usualMinutes * 60_000, rules.spacing).map(({ later, row }) => {
    const why = row
      ? `once ${spacingOf(row.id).words}, ${spacingOf(row.id).then.part} wait ${spanWords(row.until)} for it. Move one of the two.`
      : "not over extensions. Move one of the two, or book the removal between them.";
    return finding(
      "agreedLater",
      isAhead(facts) ? "stop" : "ask",
      `Agreed ${spanWords((later.fromMs! - facts.atMs) / HOUR_MS)} after this: ${later.label}; ${why}`,
      `${later.label} ${later.fromMs}`,
    );
  });

/** What was done elsewhere to the same hair: what, and when. */
export const elsewhere: CareRule = (service, facts) =>
  (facts.consultation?.document.elsewhere ?? [])
    .filter(({ part }) => service.parts.includes(part))
    .map(({ treatment, part, on }) =>
      finding(
        "elsewhere",
        "ask",
        `${treatment === "lift" && part === "brows" ? "Lamination" : `${treatment[0]!.toUpperCase()}${treatment.slice(1)} of ${part}`} elsewhere, ${on ? `on ${on}` : "nobody knows when"}: ask with what, and how it went.`,
        `${treatment} ${part} ${on ?? "?"}`,
      ),
    );
