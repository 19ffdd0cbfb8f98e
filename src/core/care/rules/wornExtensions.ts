import { finding, isAhead, type CareRule } from "../facts";
import { doesNotGoOverExtensions, newestOf, wornAt } from "../spacing";

/** No lift and no lash tint over extensions: off first, and the removal written down. */
export const wornExtensions: CareRule = (service, facts) => {
  if (!doesNotGoOverExtensions(service.counts)) return [];
  const seen = facts.extensionsSeen;
  const off = newestOf(facts.past, { treatment: "removal", part: "lashes" }, facts.atMs);
  const seenOn = seen?.on === true && !(off && off.atMs >= seen.atMs);
  if (seenOn || wornAt(facts, facts.atMs))
    return [
      finding(
        "wornExtensions",
        "stop",
        `Extensions are on, by the record: not over extensions. ${isAhead(facts) ? "Book their removal before it" : "Take them off and write the removal down"}, or look, and note at the consultation that none are on.`,
      ),
    ];
  const lift = service.counts.some(({ treatment, part }) => part === "lashes" && treatment === "lift");
  return lift && off && off.atMs >= facts.dayStartMs
    ? [finding("removedToday", "ask", "Extensions came off the same day: look at the lashes before lifting them.", String(off.atMs))]
    : [];
};
