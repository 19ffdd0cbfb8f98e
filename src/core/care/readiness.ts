import type { HairPart } from "../eye/areas";
import type { PatchFamily } from "../mixing/productKinds";
import { STOP_WORDS } from "../processing/stopWords";
import type { Protocol } from "../protocol/protocol";
import { familiesOf } from "../protocol/steps";
import { SERVICE_KINDS } from "../protocol/serviceKinds";
import { patchTestStanding, type PatchTest } from "../visit/patchTest";
import { CONDITIONS, ONLY_FOR } from "./conditions";
import type { Consultation } from "./consultation";
import { treatmentOf, type PastService } from "./pastService";
import { sentence } from "../units";

export type ReadinessFinding = {
  readonly rule:
    | "underAge"
    | "noPatchTest"
    | "reaction"
    | "condition"
    | "sameDay"
    | "tintThenExtensions"
    | "liftOverExtensions"
    | "tooSoon"
    | "stoppedLast"
    | "noConsent"
    | "noConsultation"
    | "ageUnknown";
  /** Stop: nothing overrides it. Ask: passed with a written reason. Look: said, no more. */
  readonly weight: "stop" | "ask" | "look";
  readonly words: string;
};

export type ClientStanding = {
  /** ISO date; null where nobody asked. */
  readonly bornOn: string | null;
  readonly tests: readonly (PatchTest & { readonly family: PatchFamily })[];
  readonly consultation: Consultation | null;
  /** ISO date of the newest consent to this service; null where there is none. */
  readonly consentOn: string | null;
  readonly past: readonly PastService[];
};

export type ReadinessRules = {
  readonly patchTestMonths: number;
  /** Tint and lightening not under this age. */
  readonly colourAge: number;
  /** Hours between a tint or lift and extensions. */
  readonly extensionsAfterHours: number;
};

const HOUR_MS = 3_600_000;
/** Extensions are taken to be on for so long after a set or fill where no removal is on record, days. A model of this product. */
const WORN_DAYS = 42;

/** Whole years between two ISO dates. `ageOn("2010-11-26", "2026-11-25")` → 15 */
export function ageOn(bornOn: string, today: string): number {
  const years = Number(today.slice(0, 4)) - Number(bornOn.slice(0, 4));
  return today.slice(5) < bornOn.slice(5) ? years - 1 : years;
}

/** What stands between a client and a service today (ISO date, and the moment in ms): stops first. */
export function readiness(
  protocol: Protocol,
  client: ClientStanding,
  today: string,
  nowMs: number,
  rules: ReadinessRules,
): ReadinessFinding[] {
  const found: ReadinessFinding[] = [];
  const say = (weight: ReadinessFinding["weight"], rule: ReadinessFinding["rule"], words: string) => found.push({ rule, weight, words });
  const families = familiesOf(protocol);
  const colours = families.includes("tint") || families.includes("lightener");

  if (colours && client.bornOn === null)
    say("ask", "ageUnknown", `Date of birth not written down: no tint or lightener under ${rules.colourAge}.`);
  if (colours && client.bornOn !== null && ageOn(client.bornOn, today) < rules.colourAge)
    say("stop", "underAge", `Under ${rules.colourAge}: no tint and no lightener.`);

  for (const family of families) {
    const standing = patchTestStanding(
      client.tests.filter((test) => test.family === family),
      today,
      rules.patchTestMonths,
    );
    const name = family === "lotion" ? "lift lotion" : family;
    if (standing.state === "reaction") say("stop", "reaction", `Reacted to ${name}: nothing of that family on this client.`);
    else if (standing.state !== "valid" && standing.state !== "due") {
      const lack = { missing: "none", waiting: "still being watched", expired: "run out" }[standing.state];
      // Colour and lightener never without; a lotion worn before may go ahead for a written reason.
      say(family === "lotion" ? "ask" : "stop", "noPatchTest", `Patch test for ${name}: ${lack}. Place it 24 to 48 hours before.`);
    }
  }

  if (client.consultation === null) say("ask", "noConsultation", "The consultation has not been asked yet.");
  for (const condition of client.consultation?.conditions ?? []) {
    const only = ONLY_FOR[condition];
    if (only && !only.some((family) => families.includes(family))) continue;
    const { label, weight } = CONDITIONS[condition];
    say(
      weight,
      "condition",
      weight === "stop" ? `${sentence(label)}: not today.` : `${sentence(label)}: ask, and write down why it goes ahead.`,
    );
  }

  const onLashes = (SERVICE_KINDS[protocol.service].parts as readonly string[]).includes("lashes");
  const kind = treatmentOf(protocol.service);
  if (onLashes && kind !== "removal") {
    const worn = newestOf(client.past, nowMs, "extensions", "removal");
    if (worn?.kind === "extensions") {
      const days = (nowMs - worn.atMs) / (24 * HOUR_MS);
      if (kind === "lift" && days <= WORN_DAYS)
        say(
          "stop",
          "liftOverExtensions",
          "Extensions are on by the record: no lift over extensions. Take them off first, and write the removal down.",
        );
      else if (days < 1) say("stop", "sameDay", "Extensions went on today: not on the same lashes on the same day.");
    }
  }
  const parts: readonly HairPart[] = SERVICE_KINDS[protocol.service].parts;
  // Brows treated yesterday say nothing of lashes.
  const again = newestOf(
    client.past.filter((one) => one.parts.some((part) => parts.includes(part))),
    nowMs,
    kind,
  );
  if (kind !== "removal" && again) {
    const days = Math.floor((nowMs - again.atMs) / (24 * HOUR_MS));
    if (days < protocol.againAfterDays)
      say("ask", "tooSoon", `Last one ${daysAgo(days)}; not again before ${protocol.againAfterDays} days.`);
  }
  const latest = newestOf(client.past, nowMs);
  if (latest?.stopped)
    say(
      "ask",
      "stoppedLast",
      `Last time was stopped (${STOP_WORDS[latest.stopped].label}), ${daysAgo((nowMs - latest.atMs) / (24 * HOUR_MS))}: ask how it has been since.`,
    );
  if (kind !== "removal" && client.consentOn === null) say("ask", "noConsent", "No signed consent for this service.");
  const order = { stop: 0, ask: 1, look: 2 };
  return found.sort((a, b) => order[a.weight] - order[b.weight]);
}

const daysAgo = (days: number) => (days < 1 ? "today" : days < 2 ? "yesterday" : `${Math.floor(days)} days ago`);

/** The newest of these kinds; of any where none is named. */
const newestOf = (past: readonly PastService[], nowMs: number, ...kinds: PastService["kind"][]): PastService | undefined =>
  past.filter(({ kind, atMs }) => (kinds.length === 0 || kinds.includes(kind)) && atMs <= nowMs).sort((a, b) => b.atMs - a.atMs)[0];

/** Whether a set may go on lashes that were lifted or tinted: null, or why not yet. Common practice: a day at least. */
export function extensionsTooSoon(past: readonly PastService[], nowMs: number, afterHours: number): string | null {
  const last = newestOf(
    past.filter(({ parts }) => parts.includes("lashes")),
    nowMs,
    "lift",
    "tint",
  );
  if (!last) return null;
  const hours = (nowMs - last.atMs) / HOUR_MS;
  return hours < afterHours
    ? `Lashes were ${last.kind === "lift" ? "lifted" : "tinted"} ${Math.floor(hours)} h ago; extensions not before ${afterHours} h.`
    : null;
}
