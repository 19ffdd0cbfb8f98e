import { SERVICES } from "../service";
import { PRODUCT_KINDS } from "../mixing/productKinds";
import type { ProcessStep, Protocol, Step } from "./protocol";
import { isProcess } from "./steps";

/** Why a protocol cannot be worked by: the field it is about, as a path into the document, and the reason. */
export type ProtocolProblem = { readonly path: string; readonly why: string };

/** The hardest ceilings of the trade, s. From memory (lightener) and common practice; a leaflet is often stricter. */
const CEILINGS: Partial<Record<NonNullable<ProcessStep["product"]>, number>> = { lightener: 15 * 60 };

/** Everything that makes a protocol impossible. An empty list is a protocol that can be kept. */
export function checkProtocol(protocol: Protocol): ProtocolProblem[] {
  const { steps } = protocol;
  const problems: ProtocolProblem[] = [];
  const at = (i: number, field: string) => `steps.${i}.${field}`;
  const known = new Map(steps.map((step, i) => [step.id, i]));
  steps.forEach((step, i) => {
    if (known.get(step.id) !== i)
      problems.push({ path: at(i, "id"), why: `Two steps are called “${step.id}”; a clock could not tell them apart.` });
    if (isProcess(step)) problems.push(...checkProcess(step, i, steps, known).map(({ path, why }) => ({ path: at(i, path), why })));
  });
  const parts: readonly string[] = SERVICES[protocol.service].parts;
  steps.forEach((step, i) => {
    if (step.on !== "both" && !parts.includes(step.on))
      problems.push({ path: at(i, "on"), why: `${SERVICES[protocol.service].label} has no ${step.on}.` });
  });
  if (!steps.some(isProcess))
    problems.push({ path: "steps", why: "Nothing is put on: a protocol needs a step with a product and a time." });
  for (const [later, earlier] of [["setting", "lifting"]] as const) {
    const first = steps.findIndex((step) => isProcess(step) && step.product === earlier);
    const last = steps.findIndex((step) => isProcess(step) && step.product === later);
    if (last >= 0 && (first < 0 || last < first))
      problems.push({ path: at(last, "product"), why: "A setting lotion follows a lifting lotion; alone, or before it, it sets nothing." });
    if (first >= 0 && last < 0)
      problems.push({ path: at(first, "product"), why: "What a lifting lotion opened must be set by a setting lotion." });
  }
  return problems;
}

function checkProcess(step: ProcessStep, i: number, steps: readonly Step[], known: ReadonlyMap<string, number>): ProtocolProblem[] {
  const problems: ProtocolProblem[] = [];
  const object = (path: string, why: string) => problems.push({ path, why });
  if (step.product === null) object("product", "No product: say what lies on the hair, or nothing can be timed, traced or tested for.");
  if (step.product === "developer") object("product", "A developer is never put on alone; it goes into a mix.");
  if (step.mostS === 0) object("mostS", "The leaflet's longest time is zero: nothing could be put on.");
  if (step.defaultS === 0) object("defaultS", "A time of zero is no step.");
  if (step.leastS > step.mostS) object("leastS", "The range is reversed: its shortest time is longer than its longest.");
  else if (step.defaultS !== 0 && (step.defaultS < step.leastS || step.defaultS > step.mostS))
    object("defaultS", "The usual time lies outside the leaflet's range.");
  const ceiling = step.product && CEILINGS[step.product];
  if (ceiling && step.mostS > ceiling) object("mostS", `${ceiling / 60} minutes is the ceiling for ${PRODUCT_KINDS[step.product!].label}.`);
  if (step.product === "lightener" && step.on === "lashes")
    object("on", "Lash lightening is not offered: the mix would run into the eye, and bleached lashes break.");
  if ((step.product === "lifting" || step.product === "setting") && step.on === "lashes" && step.where === "wholeLength")
    object("where", "Lift lotion on the tips makes them frizz: root, or root to middle.");
  if (step.lookEveryS !== null && step.mostS > 0 && step.lookEveryS > step.mostS)
    object("lookEveryS", "The first look would come after the leaflet's end.");
  if (step.product === "lightener" && step.lookEveryS === null) object("lookEveryS", "Lightener is looked at: say how often.");
  const rinsed = steps.findIndex((other) => other.kind === "rinse" && (other.on === step.on || other.on === "both"));
  if (rinsed >= 0 && rinsed < i)
    object("id", `“${step.name}” comes after the rinse “${steps[rinsed]!.name}”: what follows a rinse is care, not chemistry.`);
  const mixed = step.product === "tint" || step.product === "lightener";
  if (mixed && step.mix === null)
    object("mix", `${step.product === "tint" ? "Tint" : "Lightener"} is mixed with a developer: say how much of each.`);
  if (step.mix?.pasteLifeS === 0) object("mix.pasteLifeS", "A paste good for no time could never be used.");
  for (const field of ["waitsFor", "offAfter"] as const)
    step[field].forEach((id, j) => {
      const there = known.get(id);
      const other = there === undefined ? undefined : steps[there];
      if (!other || !isProcess(other)) object(`${field}.${j}`, `There is no timed step “${id}”.`);
      else if (field === "waitsFor" && there! >= i) object(`${field}.${j}`, `It would wait for “${other.name}”, which comes later.`);
      else if (field === "offAfter" && other.on === step.on)
        object(`${field}.${j}`, "On the same hair the order of the steps says it already.");
      else if (field === "offAfter" && other.offAfter.includes(step.id))
        object(`${field}.${j}`, "Each would wait for the other to come off first.");
    });
  return problems;
}
