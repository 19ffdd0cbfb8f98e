"use server";
import { randomUUID } from "node:crypto";
import { refresh } from "next/cache";
import { z } from "zod";
import { airSchema } from "@/core/air";
import { planMixes, runPlanSchema, type RunPlan } from "@/core/processing";
import { isByProtocol } from "@/core/service";
import { product } from "@/db/schema";
import { appendEvents, happensNow, lockVisits } from "@/features/visit/appendEvents";
import { keepReason, passOrRefuse, plannedProducts, standingFor } from "@/features/visit/door";
import { knownVisit } from "@/features/visit/life";
import { action, Refusal } from "@/server/action";
import { inStudio } from "@/server/inStudio";
import { studioPolicy } from "@/server/studioPolicy";

/** Products that a plan names: those of its mixes. Ready ones are named when their batch is taken. */
const namedIn = (plan: RunPlan): string[] =>
  Object.values(plan.recipes).flatMap(({ colours, developers }) => [...colours, ...developers].map(({ productId }) => productId));

/**
 * The only door a plan comes in by: what stands against the service is looked at once more, here. A stop is never passed;
 * what is asked needs its reason.
 */
export const planRun = action(
  {
    input: z.strictObject({
      visitId: z.uuid(),
      eventId: z.uuid(),
      plan: runPlanSchema,
      air: airSchema.nullable(),
      reason: z.string().trim().max(2000, "2000 characters at most."),
    }),
  },
  async (me, { visitId, eventId, plan, air, reason }) => {
    const now = new Date();
    await inStudio(me, async (tx) => {
      await lockVisits(tx, [visitId]);
      const row = await knownVisit(tx, visitId);
      if (!isByProtocol(row.service)) throw new Refusal("This visit is worked from a map, not by a protocol.");
      if (row.finishedAt !== null) throw new Refusal("This visit is over.");
      if (row.cancelledAt) throw new Refusal("This visit is cancelled. Take it up again first.");
      if (row.putOnAt !== null) throw new Refusal("Something lies on already; the plan it was begun by stands.");
      if (plan.protocol.service !== row.service) throw new Refusal("This protocol is for another service.");
      const findings = await standingFor(tx, me, now, {
        service: row.service,
        clientId: row.clientId,
        visitId,
        products: await plannedProducts(tx, namedIn(plan)),
      });
      const why = reason || row.askReason;
      const asks = passOrRefuse(findings, why, reason ? [] : row.askKeys);
      const policy = await studioPolicy(tx);
      const products = new Map((await tx.select().from(product)).map(({ id, document }) => [id, document]));
      const [objection] = planMixes(plan, products, policy.lashPeroxidePercent / 100).flatMap((mix) => mix.objection ?? []);
      if (objection) throw new Refusal(objection);
      await keepReason(tx, visitId, why, asks);
      await appendEvents(tx, me, [
        ...(row.begunAt === null
          ? [happensNow(visitId, randomUUID(), new Date(now.getTime() - 1), "started", { bottleId: null, air })]
          : []),
        happensNow(visitId, eventId, now, "runPlanned", { plan, air }),
      ]);
    });
    refresh();
    return null;
  },
);
