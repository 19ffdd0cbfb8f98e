import { SERVICES } from "@/core/service";
import { consentText, NOTHING_SO } from "@/core/care";
import { isMix, mixFor, type Recipe } from "@/core/mixing";
import { defaultPolicy } from "@/core/policy";
import type { RunPlan } from "@/core/processing";
import { processSteps, shippedProtocols } from "@/core/protocol";
import { AREAS, partOf } from "@/core/eye";
import type { VisitEvent } from "@/core/visit";
import * as schema from "../schema";
import type { Tx } from "./ids";
import { eyes } from "./clients";
import {
  BROW_BLEND,
  COLOUR_CLIENTS,
  LASH_BLEND,
  LIGHTENER,
  OWN_PROTOCOL,
  PRODUCTS,
  SHIELDS,
  type ColourClient,
  type DemoRecipe,
  type DemoRun,
} from "./colour";
import { reached } from "./reached";
import { airAt } from "./scenario";

/** How the demo makes ids and dates, handed in by `load.ts`. */
export type Making = {
  readonly studioId: string;
  readonly id: (of: string) => string;
  readonly day: (daysAgo: number) => string;
  readonly at: (daysAgo: number, hour: number, minute?: number) => Date;
  readonly dayNumber: (daysAgo: number) => number;
};

/** A signature: a hand's wave. */
export const SIGNED = "M20 55L32 30L40 62L52 34L60 60L78 42L96 58L130 40L170 56L240 38";

/** Products with their lots, shields, the studio's own protocol, and three who come for lift and colour. */
export async function loadColour(tx: Tx, make: Making): Promise<void> {
  const { studioId } = make;
  for (const { key, document, lots } of PRODUCTS) {
    await tx.insert(schema.product).values({
      studioId,
      id: make.id(`product ${key}`),
      document,
      createdAt: make.at(
        90,
        9,
        PRODUCTS.findIndex((one) => one.key === key),
      ),
    });
    for (const { lot, openedDaysAgo } of lots)
      await tx.insert(schema.lot).values({
        studioId,
        id: make.id(`batch ${lot}`),
        productId: make.id(`product ${key}`),
        number: lot,
        openedOn: make.day(openedDaysAgo),
      });
  }
  for (const { key, document } of SHIELDS) await tx.insert(schema.shield).values({ studioId, id: make.id(key), document });
  await tx
    .insert(schema.protocol)
    .values({ studioId, id: make.id(OWN_PROTOCOL.key), document: OWN_PROTOCOL.document, savedBy: make.id("maren") });
  for (const person of COLOUR_CLIENTS) await loadPerson(tx, make, person);
}

async function loadPerson(tx: Tx, make: Making, person: ColourClient) {
  const { studioId } = make;
  const clientId = make.id(person.key);
  const since = make.at(Math.max(10, ...person.runs.map(({ daysAgo }) => daysAgo + 2)), 10);
  await tx.insert(schema.client).values({
    studioId,
    id: clientId,
    name: person.name,
    ...reached(person.name, 70 + COLOUR_CLIENTS.indexOf(person)),
    contact: person.contact,
    notes: person.notes,
    bornOn: person.bornOn,
    createdAt: since,
  });
  for (const [family, daysAgo] of Object.entries(person.patchDaysAgo)) {
    const common = { studioId, createdAt: make.at(daysAgo, 8, 10) };
    const testId = make.id(`patch ${person.key} ${family}`);
    await tx.insert(schema.patchTest).values({
      ...common,
      id: testId,
      clientId,
      family: family as "tint",
      placedAt: make.at(daysAgo, 8),
      recordedBy: make.id(person.technician),
    });
    await tx.insert(schema.patchReading).values({
      ...common,
      id: make.id(`reading ${person.key} ${family}`),
      testId,
      readAt: make.at(daysAgo - 2, 8, 30),
      result: "clear",
      readBy: make.id(person.technician),
    });
  }
  await tx.insert(schema.consultation).values({
    studioId,
    id: make.id(`consultation ${person.key}`),
    clientId,
    document: { ...NOTHING_SO, conditions: [...person.conditions] },
    service: person.kind,
    givenBy: "client",
    askedBy: make.id(person.technician),
    createdAt: since,
  });
  if (person.runs.length > 0)
    await tx.insert(schema.consent).values({
      studioId,
      id: make.id(`consent ${person.key}`),
      clientId,
      service: person.kind,
      words: consentText(person.kind),
      signedName: person.name,
      signature: SIGNED,
      signedOn: since.toISOString().slice(0, 10),
      takenBy: make.id(person.technician),
      createdAt: since,
    });
  if (person.lengths)
    await tx.insert(schema.survey).values({
      studioId,
      id: make.id(`survey ${person.key}`),
      clientId,
      document: eyes(person.lengths, { all: { direction: "down" }, left: -0.3 }),
      takenBy: make.id(person.technician),
      createdAt: since,
    });
  for (const run of person.runs) await loadRun(tx, make, person, run);
}

const recipeOf = (make: Making, { colours, developer, ...amounts }: DemoRecipe): Recipe => ({
  colours: colours.map(([key, parts]) => ({ productId: make.id(`product ${key}`), parts })),
  developers: [{ productId: make.id(`product ${developer}`), parts: 1 }],
  ...amounts,
});

async function loadRun(tx: Tx, make: Making, person: ColourClient, run: DemoRun) {
  const { studioId } = make;
  const protocol = shippedProtocols[person.kind](defaultPolicy);
  const steps = processSteps(protocol);
  const visitId = make.id(`visit ${person.key} ${run.daysAgo}`);
  const start = make.at(run.daysAgo, 16);
  const air = airAt(16, make.dayNumber(run.daysAgo));
  await tx.insert(schema.visit).values({
    studioId,
    id: visitId,
    clientId: make.id(person.key),
    technicianId: make.id(person.technician),
    roomId: make.id("front"),
    chairId: make.id(`chair ${person.technician === "maren" ? 2 : 1}`),
    service: person.kind,
    keepsTime: false,
    startsAt: start,
    minutes: 75,
  });
  await tx.insert(schema.consultation).values({
    studioId,
    id: make.id(`consultation ${person.key} ${run.daysAgo}`),
    clientId: make.id(person.key),
    document: { ...NOTHING_SO, conditions: [...person.conditions] },
    service: person.kind,
    confirms: make.id(`consultation ${person.key}`),
    visitId,
    askedBy: make.id(person.technician),
    createdAt: start,
  });
  const products = new Map(PRODUCTS.map(({ key, document }) => [make.id(`product ${key}`), document]));
  const recipes = Object.fromEntries(
    steps
      .filter(({ mix }) => mix)
      .map(({ id, product, on }) => [id, recipeOf(make, product === "lightener" ? LIGHTENER : on === "lashes" ? LASH_BLEND : BROW_BLEND)]),
  );
  const shield = run.shield ? SHIELDS.find(({ document }) => document.name === run.shield!.key)! : null;
  const areas = AREAS.filter((area) => (SERVICES[person.kind].parts as readonly string[]).includes(partOf(area)));
  const plan: RunPlan = {
    protocol,
    protocolId: null,
    revision: 1,
    areas,
    seconds: Object.fromEntries(steps.map(({ id, leastS, mostS }) => [id, Math.min(mostS, Math.max(leastS, (run.minutes[id] ?? 5) * 60))])),
    pace: { hair: "medium", processed: false, filmCover: false },
    density: "usual",
    wish: person.wish,
    from: person.from,
    shield: shield && {
      shieldId: make.id(shield.key),
      name: shield.document.name,
      radiusMm: shield.document.radiusMm,
      rawDeg: run.shield!.rawDeg,
      keptDeg: run.shield!.rawDeg * 0.7,
    },
    recipes,
  };
  const events: { second: number; type: VisitEvent["type"]; payload: VisitEvent["payload"] }[] = [
    { second: 120, type: "started", payload: { bottleId: null, air } },
    { second: 150, type: "runPlanned", payload: { plan, air } },
  ];
  let second = 900;
  for (const step of protocol.steps) {
    if (step.kind !== "process") {
      events.push({ second, type: "taskDone", payload: { stepId: step.id } });
      second += 60;
      continue;
    }
    const recipe = recipes[step.id];
    const mix = recipe && mixFor(recipe, products, { areas: areas.filter((area) => partOf(area) === step.on), density: "usual" }, step.on);
    const batchOf = (productId: string) =>
      make.id(`batch ${PRODUCTS.find(({ key }) => make.id(`product ${key}`) === productId)!.lots[0]!.lot}`);
    if (mix && isMix(mix))
      events.push({
        second: second - 30,
        type: "pasteMixed",
        payload: {
          stepId: step.id,
          lines: mix.lines.map(({ productId, dosed, unit, grams }) => ({
            productId,
            batchId: batchOf(productId),
            amount: dosed,
            unit,
            grams: grams.mid,
          })),
          peroxide: { low: mix.peroxide.range.low, mid: mix.peroxide.range.mid, high: mix.peroxide.range.high, known: mix.peroxide.known },
          lifeS: step.mix!.pasteLifeS,
          leftoverG: mix.leftoverG,
          cost: mix.cost,
        },
      });
    else {
      const { key } = PRODUCTS.find(({ document }) => document.kind === step.product)!;
      events.push({
        second: second - 30,
        type: "batchTaken",
        payload: { stepId: step.id, productId: make.id(`product ${key}`), batchId: batchOf(make.id(`product ${key}`)) },
      });
    }
    const lies = (run.minutes[step.id] ?? 5) * 60;
    const treated = areas.filter((area) => partOf(area) === step.on);
    treated.forEach((area, i) => {
      events.push({ second: second + i * 45, type: "coated", payload: { stepId: step.id, area } });
      (run.looks?.[step.id] ?? []).forEach((depth, j) =>
        events.push({ second: second + i * 45 + (j + 1) * 120, type: "looked", payload: { stepId: step.id, area, depth } }),
      );
      events.push({ second: second + i * 45 + lies, type: "wiped", payload: { stepId: step.id, area } });
    });
    second += lies + treated.length * 45 + 60;
  }
  events.push({ second: second + 60, type: "resultJudged", payload: run.result }, { second: second + 120, type: "finished", payload: {} });
  for (const [i, stepId] of ["card", "single-use", "linen", "surfaces", "closed"].entries())
    events.push({ second: second + 180 + i * 60, type: "stepDone", payload: { stepId } });
  await tx.insert(schema.visitEvent).values(
    events.map(({ second: at, type, payload }, i) => {
      const moment = new Date(start.getTime() + at * 1000);
      return {
        studioId,
        visitId,
        id: make.id(`event ${person.key} ${run.daysAgo} ${i}`),
        at: moment,
        serverTime: moment,
        clock: "checked" as const,
        type,
        payload,
        memberId: make.id(person.technician),
      };
    }),
  );
}
