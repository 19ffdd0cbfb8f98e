import { finding, type CareRule } from "../facts";
import { spanWords } from "../spanWords";

/** The last visit was broken off. */
export const stoppedLast: CareRule = (_service, { past, atMs }) => {
  const before = past.filter(({ known, atMs: then }) => known === "here" && then <= atMs).sort((a, b) => b.atMs - a.atMs)[0];
  return before?.stopped
    ? [
        finding(
          "stoppedLast",
          "ask",
          `Last time was stopped (${before.stopped}), ${spanWords((atMs - before.atMs) / 3_600_000)} before: ask how it has been since.`,
          String(before.atMs),
        ),
      ]
    : [];
};
