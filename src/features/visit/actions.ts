"use server";
import { and, eq } from "drizzle-orm";
import { refresh } from "next/cache";
import { z } from "zod";
import { airSchema } from "@/core/air";
import { isByMap, isByProtocol, serviceOf, servicesFor } from "@/core/service";
import { lashMap, lashMapRevision, visit } from "@/db/schema";
import { clientWhoComes } from "@/features/person/knownClient";
import { action, Refusal } from "@/server/action";
import { inStudio, type StudioTransaction } from "@/server/inStudio";
import { momentIn } from "@/server/studioTime";
import { beforeTheVisit, LEAST_REASON } from "@/core/care";
import { refusePracticeLengths } from "./clientMaps";
import { lastMapOf, marksOf, visitsInFull } from "./data";
import { keepReason, standingFor } from "./door";
import { bookingForm, cancelForm, moveForm, service, when } from "./schema";
import { beginVisit, bookVisit, cancelVisit, knownVisit, moveVisit, openToday, takeBottle, withdrawVisit } from "./life";
import { saveNumber } from "@/server/typed";

const reason = z.string().trim().max(2000, "2,000 characters at most.");
function startOf(timeZone: string, { day, time }: { day: string; time: string }): Date {
  const startsAt = momentIn(timeZone, day, time);
  if (!startsAt) throw new Refusal("There is no such hour on that day.", { time: "The clocks change then; choose another." });
  if (Math.abs(startsAt.getTime() - Date.now()) > 3 * 365 * 86_400_000)
    throw new Refusal("That is more than three years away.", { day: "Nearer." });
  return startsAt;
}

/** Books a visit. Sending the same id twice books once. */
export const book = action({ input: bookingForm }, async (me, form) => {
  const { day, time, ...rest } = form;
  const { findings } = await inStudio(me, (tx) =>
    bookVisit(tx, me, new Date(), { ...rest, startsAt: startOf(me.timeZone, { day, time }) }),
  );
  refresh();
  return { visitId: form.id, findings };
});

/** What would stand against a booking, before it is made. */
export const lookAtBooking = action(
  { input: z.strictObject({ clientId: z.uuid(), service, visitId: z.uuid().optional(), ...when }) },
  (me, form) =>
    inStudio(me, async (tx) => {
      const now = new Date();
      const at = startOf(me.timeZone, form);
      const { id: clientId } = await clientWhoComes(tx, form.clientId);
      return {
        findings: beforeTheVisit(
          await standingFor(tx, me, now, {
            service: form.service,
            clientId,
            visitId: form.visitId ?? null,
            at: at > now ? at : now,
          }),
        ),
      };
    }),
);

export const move = action({ input: moveForm }, async (me, { day, time, service, ...rest }) => {
  const moved = await inStudio(me, (tx) =>
    moveVisit(tx, me, new Date(), { ...rest, ...(service ? { service } : {}), startsAt: startOf(me.timeZone, { day, time }) }),
  );
  refresh();
  return moved;
});

export const cancel = action({ input: cancelForm }, async (me, form) => {
  await inStudio(me, (tx) => cancelVisit(tx, me, new Date(), form));
  refresh();
  return null;
});

export const withdraw = action({ input: z.strictObject({ id: z.uuid(), back: z.boolean() }) }, async (me, form) => {
  await inStudio(me, (tx) => withdrawVisit(tx, me, new Date(), form));
  refresh();
  return null;
});

/** Opens the client's visit of today for a service: the agreed one that is not over, or a walk-in at once. */
export const openVisit = action(
  { input: z.strictObject({ visitId: z.uuid(), clientId: z.uuid(), service }) },
  (me, { visitId, clientId, service }) =>
    inStudio(me, (tx) =>
      openToday(tx, me, new Date(), {
        visitId,
        clientId,
        services: [service],
        until: isByProtocol(service) ? "finished" : "started",
        fresh: { service, minutes: serviceOf(service).usualMinutes },
      }),
    ),
);

/** The visit that wears this map: today's agreed set, fill or practice that has not begun, else a walk-in now. */
export const openForMap = action(
  { input: z.strictObject({ visitId: z.uuid(), clientId: z.uuid(), mapId: z.uuid(), revision: saveNumber(1) }) },
  (me, { visitId, clientId, mapId, revision }) =>
    inStudio(me, async (tx) => {
      const { mannequin } = await knownMap(tx, clientId, mapId, revision);
      const service = mannequin ? "practice" : "newSet";
      const opened = await openToday(tx, me, new Date(), {
        visitId,
        clientId,
        services: servicesFor(mannequin).filter(isByMap),
        until: "started",
        fresh: { service, minutes: serviceOf(service).usualMinutes },
      });
      await tx.update(visit).set({ mapId, mapRevision: revision }).where(eq(visit.id, opened.visitId));
      return opened;
    }),
);

/** A save of one of this client's maps that may be worn; whether by a mannequin head. */
async function knownMap(tx: StudioTransaction, clientId: string, mapId: string, revision: number) {
  const [worn] = await tx
    .select({ map: lashMapRevision.document })
    .from(lashMapRevision)
    .innerJoin(lashMap, and(eq(lashMap.studioId, lashMapRevision.studioId), eq(lashMap.id, lashMapRevision.mapId)))
    .where(and(eq(lashMapRevision.mapId, mapId), eq(lashMapRevision.revision, revision), eq(lashMap.clientId, clientId)));
  if (!worn) throw new Refusal("This map is not in the studio (any more).");
  return refusePracticeLengths(tx, clientId, worn.map);
}

/** A booked fill or set takes the map worn last time. */
export const takeLastMap = action({ input: z.strictObject({ visitId: z.uuid() }) }, async (me, { visitId }) => {
  await inStudio(me, async (tx) => {
    const row = await knownVisit(tx, visitId);
    if (row.begunAt !== null) throw new Refusal("This visit has begun; its map stands.");
    const last = await lastMapOf(tx, row.clientId, row.id);
    if (!last) throw new Refusal("This client has not worn a map yet. Plan one.");
    await tx.update(visit).set(last).where(eq(visit.id, visitId));
  });
  refresh();
  return { visitId };
});

/** A fill that has begun takes another of the client's maps, as long as nothing is placed by the one it has. */
export const fillByMap = action(
  { input: z.strictObject({ visitId: z.uuid(), mapId: z.uuid(), revision: saveNumber(1) }) },
  async (me, { visitId, mapId, revision }) => {
    await inStudio(me, async (tx) => {
      const [row] = await visitsInFull(tx, { visitId });
      if (!row) throw new Refusal("This visit is not in the studio (any more).");
      if (row.service !== "fill" || row.finishedAt !== null || row.cancelledAt !== null)
        throw new Refusal("Only a fill that is not over takes another map here.");
      if (row.state.placing.lashes.length > 0 || row.state.set.zones.length > 0)
        throw new Refusal("Lashes are placed by this map already: it stands.");
      await knownMap(tx, row.clientId, mapId, revision);
      await tx.update(visit).set({ mapId, mapRevision: revision }).where(eq(visit.id, visitId));
    });
    refresh();
    return null;
  },
);

/** Begins a visit of a set or fill: the one door, asked with the bottle that is taken. */
export const begin = action(
  { input: z.strictObject({ visitId: z.uuid(), eventId: z.uuid(), bottleId: z.uuid().nullable(), air: airSchema.nullable(), reason }) },
  async (me, form) => {
    await inStudio(me, (tx) => beginVisit(tx, me, new Date(), form));
    refresh();
    return null;
  },
);

/** A reason written while no server was in reach, for a visit that was begun meanwhile. The mark it was begun with stays. */
export const giveReason = action({ input: z.strictObject({ visitId: z.uuid(), reason }) }, async (me, { visitId, reason: words }) => {
  await inStudio(me, async (tx) => {
    const row = await knownVisit(tx, visitId);
    if (words.length < LEAST_REASON) throw new Refusal("Write why it goes ahead.", { reason: "A reason is needed." });
    const marks = await marksOf(tx, visitId);
    await keepReason(tx, visitId, row.askReason ? `${row.askReason}; ${words}`.slice(0, 2000) : words, marks);
  });
  refresh();
  return null;
});

/** Takes another bottle while a visit runs: asked like a beginning. */
export const changeBottle = action(
  { input: z.strictObject({ visitId: z.uuid(), eventId: z.uuid(), bottleId: z.uuid(), fromStart: z.boolean(), reason }) },
  async (me, form) => {
    await inStudio(me, (tx) => takeBottle(tx, me, new Date(), form));
    return null;
  },
);
