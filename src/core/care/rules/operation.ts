import { finding, isAhead, type CareRule } from "../facts";
import { addMonths } from "../patchTest";

/** After an eye operation nothing is done until the surgeon's release is noted, and not before some months. From memory. */
export const operation: CareRule = (_service, facts, rules) => {
  const had = facts.consultation?.document.operation;
  if (!had) return [];
  const what = had.what ? `Eye operation (${had.what})` : "Eye operation";
  if (had.on !== null && addMonths(Date.parse(had.on), rules.operationMonths) > facts.atMs)
    return [
      finding(
        "operation",
        "stop",
        `${what} on ${had.on}: nothing at the eyes for ${rules.operationMonths} months, whatever else is noted.`,
      ),
    ];
  if (had.releasedOn === null)
    return [
      finding(
        "operation",
        isAhead(facts) ? "note" : "stop",
        `${what}${had.on ? ` on ${had.on}` : ""}: not until the surgeon's release is noted at the consultation.`,
      ),
    ];
  // The release is noted; without the day of the operation the months cannot be counted.
  return had.on === null
    ? [finding("operation", "ask", `${what}, its day not known: released on ${had.releasedOn}. Ask when it was.`)]
    : [];
};
