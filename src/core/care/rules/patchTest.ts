import type { PatchFamily } from "../../mixing/productKinds";
import { finding, isAhead, type CareFacts, type CareFinding, type CareRule } from "../facts";
import { familiesUsed, familyLabel } from "../families";
import { mayLift, patchTestStanding, READ_AFTER_H } from "../patchTest";

/** Families that nothing goes ahead without a test of; a lotion or adhesive may, for a written reason. */
const NEVER_WITHOUT: readonly PatchFamily[] = ["tint", "lightener"];
const HOUR_MS = 3_600_000;

/** Patch tests, family by family: a reaction stands for good, a missing one stops or is asked about. */
export const patchTest: CareRule = (service, facts, rules) =>
  familiesUsed(service, facts).flatMap((family) => {
    const tests = facts.tests.filter((test) => test.family === family);
    const reacted = reactions(family, facts);
    // Whether it is tested does not matter where it is not used.
    if (reacted.some(({ weight }) => weight === "stop")) return reacted;
    const lifted = reacted.length > 0;
    const standing = patchTestStanding(
      lifted ? tests.filter(({ readings }) => !readings.some(isReaction)) : tests,
      facts.atMs,
      rules.patchTestMonths,
    );
    const lack = lackOf(standing, family, facts);
    const untested =
      (standing.state === "valid" || standing.state === "due") && standing.productIds.length > 0
        ? facts.products.filter((used) => used.family === family && !standing.productIds.includes(used.productId))
        : [];
    return [
      ...reacted,
      ...(lack ? [lack] : []),
      ...untested.map(({ name, productId }) =>
        finding(
          "newProduct",
          "ask",
          `${name} was not tested on this client: their ${familyLabel(family)} test was of another product.`,
          productId,
        ),
      ),
    ];
  });

const isReaction = ({ result }: { readonly result: string }) => result === "reaction";

/** Reactions of a family that stand, or are lifted for what is chosen: then only said. */
function reactions(family: PatchFamily, facts: CareFacts): CareFinding[] {
  const name = familyLabel(family);
  const used = facts.products.filter((one) => one.family === family);
  const relevant = facts.tests
    .filter((test) => test.family === family)
    .flatMap(({ readings }) => readings.filter(isReaction))
    .map((reading) => {
      const liftings = mayLift(reading) === null ? facts.liftings.filter(({ readingId }) => readingId === reading.id) : [];
      if (liftings.length === 0 || used.some(({ productId }) => !liftings.some((lifting) => lifting.productId === productId)))
        return finding("reaction", "stop", `Reacted to ${name}: nothing of that family on this client, whatever is tested since.`, family);
      const why = liftings.map(({ finding: words }) => words).join("; ");
      return used.length === 0
        ? finding(
            "reaction",
            "ask",
            `Reacted to ${name}; lifted by the owner for one product only (${why}). Use that and no other.`,
            family,
          )
        : finding(
            "reaction",
            "note",
            `Reacted to ${name}; lifted by the owner for ${used.map((one) => one.name).join(", ")} (${why}).`,
            family,
          );
    });
  return relevant.some(({ weight }) => weight === "stop")
    ? relevant.filter(({ weight }) => weight === "stop").slice(0, 1)
    : relevant.slice(0, 1);
}

function lackOf(standing: ReturnType<typeof patchTestStanding>, family: PatchFamily, facts: CareFacts): CareFinding | null {
  if (standing.state === "valid" || standing.state === "due" || standing.state === "reaction") return null;
  const name = familyLabel(family);
  const never = NEVER_WITHOUT.includes(family);
  const wornBefore =
    family === "adhesive"
      ? facts.past.filter(({ known: its, treated }) => its === "here" && treated.some(({ treatment }) => treatment === "extensions")).length
      : 0;
  const lack = {
    missing: "none",
    expired: "run out",
    waiting: "still being watched",
  }[standing.state];
  const record = wornBefore > 0 ? ` Worn ${wornBefore} ${wornBefore === 1 ? "time" : "times"} before on our record.` : "";
  if (isAhead(facts)) {
    // There is time to place one and read it, or to read the one that lies.
    const readFromMs = standing.state === "waiting" ? standing.readFromMs : facts.nowMs + READ_AFTER_H * HOUR_MS;
    if (readFromMs <= facts.atMs) {
      const then =
        standing.state === "waiting" ? "Read it before the visit." : `Place it ${READ_AFTER_H} h before the visit at the latest.`;
      return finding("noPatchTest", "note", `Patch test for ${name}: ${lack}. ${then}${record}`, family);
    }
    const late = `Patch test for ${name}: ${lack}, and none can be read before this visit: it takes ${READ_AFTER_H} h.`;
    return finding("noPatchTest", never ? "stop" : "ask", `${late}${never ? " Book it later." : record}`, family);
  }
  const then =
    standing.state === "waiting"
      ? `Read it from ${Math.max(1, Math.ceil((standing.readFromMs - facts.atMs) / HOUR_MS))} h from now.`
      : `Place it ${READ_AFTER_H} h before.`;
  const readable = standing.state === "waiting" && standing.readFromMs <= facts.atMs;
  return finding(
    "noPatchTest",
    never ? "stop" : "ask",
    `Patch test for ${name}: ${lack}. ${readable ? "It can be read now." : then}${record}`,
    family,
  );
}
