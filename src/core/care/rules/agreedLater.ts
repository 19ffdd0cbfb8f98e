import { finding, isAhead, type CareRule } from "../facts";
import { agreedTooSoonAfter, spacingOf } from "../spacing";
import { spanWords } from "../spanWords";

const HOUR_MS = 3_600_000;

/**
 * What is agreed for later would come too soon after this. A booking is refused like the later one would be; on the day it is
 * asked about, for then it is the later visit that moves.
 */
export const agreedLater: CareRule = (service, facts, rules) =>
  agreedTooSoonAfter(service.counts, facts.past, facts.atMs + service.usualMinutes * 60_000, rules.spacing).map(
    ({ later, fromMs, row }) => {
      const why = row
        ? `once ${spacingOf(row.id).words}, ${spacingOf(row.id).then.part} wait ${spanWords(row.until)} for it. Move one of the two.`
        : "not over extensions. Move one of the two, or book the removal between them.";
      return finding(
        "agreedLater",
        isAhead(facts) ? "stop" : "ask",
        `Agreed ${spanWords((fromMs - facts.atMs) / HOUR_MS)} after this: ${later.label}; ${why}`,
        `${later.label} ${fromMs}`,
      );
    },
  );
