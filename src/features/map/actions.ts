"use server";
import { randomUUID } from "node:crypto";
import { and, eq, sql } from "drizzle-orm";
import { z } from "zod";
import { notOfThese } from "@/core/eye";
import { readMapFile } from "@/core/formats";
import { lashMapSchema, ownLookSchema, sameKind, traySchema, withoutEmpty, type LashMap } from "@/core/map";
import { lashMap, lashMapRevision, MAP_NOTE_KINDS, mapNote, mapTemplate, ownLook, survey, tray } from "@/db/schema";
import { newestSurvey } from "@/features/survey/newestSurvey";
import { refusePracticeLengths } from "@/features/visit/clientMaps";
import { NO_CLIENT } from "@/features/person/knownClient";
import { action, Refusal } from "@/server/action";
import { inStudio } from "@/server/inStudio";
import { mayActAs } from "@/server/member";
import { headOf, historyOf } from "./data";
import { saveNumber } from "@/server/typed";

export type SaveOutcome =
  | { readonly state: "saved"; readonly revision: number }
  /** Someone saved in between: theirs is given, nothing is overwritten. What is `unsettled` is told to who is no longer on the page. */
  | { readonly state: "newer"; readonly theirs: LashMap; readonly revision: number; readonly unsettled: string };

const SAVED_BETWEEN = "Somebody saved this map in between. Yours is kept as a draft on its page: open it there and choose.";

/** Saves a map on top of the revision it was made from; a newer one in between is never overwritten. */
export const saveMap = action(
  {
    input: z.strictObject({ mapId: z.uuid(), clientId: z.uuid(), surveyId: z.uuid(), base: saveNumber(0), map: lashMapSchema }),
  },
  (me, input) =>
    inStudio(me, async (tx): Promise<SaveOutcome> => {
      const { id: clientId } = await refusePracticeLengths(tx, input.clientId, input.map);
      const [known] = await tx
        .select({ id: survey.id })
        .from(survey)
        .where(and(eq(survey.id, input.surveyId), eq(survey.clientId, clientId)));
      if (!known) throw new Refusal("The survey of this map is not in the studio (any more).");
      // A map that is not there yet has no row to be locked: several first saves of it come one after the other by its name.
      await tx.execute(sql`select pg_advisory_xact_lock(hashtextextended(${`${me.studioId} map ${input.mapId}`}, 0))`);
      const [row] = await tx.select().from(lashMap).where(eq(lashMap.id, input.mapId)).for("update");
      if (row && row.clientId !== clientId) throw new Refusal(NO_CLIENT);
      if ((row?.head ?? 0) !== input.base) {
        const head = await headOf(tx, input.mapId);
        if (!head) throw new Refusal("This map is not in the studio (any more).");
        // A repeated send of the very same save is the same save.
        if (JSON.stringify(lashMapSchema.parse(head.map)) === JSON.stringify(input.map)) return { state: "saved", revision: head.revision };
        return { state: "newer", theirs: head.map, revision: head.revision, unsettled: SAVED_BETWEEN };
      }
      const revision = input.base + 1;
      if (row) await tx.update(lashMap).set({ head: revision, surveyId: input.surveyId }).where(eq(lashMap.id, input.mapId));
      else await tx.insert(lashMap).values({ studioId: me.studioId, id: input.mapId, clientId, surveyId: input.surveyId, head: revision });
      await tx.insert(lashMapRevision).values({ studioId: me.studioId, mapId: input.mapId, revision, document: input.map, savedBy: me.id });
      return { state: "saved", revision };
    }),
);

/** A look bent and kept as the studio's own. */
export const keepLook = action({ input: ownLookSchema }, (me, look) =>
  inStudio(me, async (tx) => {
    const id = randomUUID();
    await tx.insert(ownLook).values({ studioId: me.studioId, id, document: look, keptBy: me.id });
    return { id };
  }),
);
export const forgetLook = action({ input: z.strictObject({ id: z.uuid() }), least: "technician" }, (me, { id }) =>
  inStudio(me, async (tx) => {
    const gone = await tx.delete(ownLook).where(eq(ownLook.id, id)).returning({ id: ownLook.id });
    if (!gone[0]) throw new Refusal("This look is not in the studio (any more).");
    return null;
  }),
);

/** A map kept to begin others from: its landmarks are this client's and stay behind. */
export const keepTemplate = action({ input: z.strictObject({ map: lashMapSchema }) }, (me, { map }) =>
  inStudio(me, async (tx) => {
    const { landmarks: _landmarks, ...shared } = map;
    const id = randomUUID();
    await tx.insert(mapTemplate).values({ studioId: me.studioId, id, document: shared, keptBy: me.id });
    return { id };
  }),
);
export const forgetTemplate = action({ input: z.strictObject({ id: z.uuid() }), least: "technician" }, (me, { id }) =>
  inStudio(me, async (tx) => {
    const gone = await tx.delete(mapTemplate).where(eq(mapTemplate.id, id)).returning({ id: mapTemplate.id });
    if (!gone[0]) throw new Refusal("This template is not in the studio (any more).");
    return null;
  }),
);

/** Takes one length, or all of a tray, off the shelf: it has run out. */
export const emptyTray = action(
  {
    input: z.strictObject({
      kind: traySchema.pick({ curl: true, diameterMm: true, shape: true, colour: true }),
      lengthMm: traySchema.shape.lengthsMm.element.nullable(),
    }),
  },
  (me, empty) =>
    inStudio(me, async (tx) => {
      const rows = await tx.select().from(tray).for("update");
      const alike = rows.filter(({ document }) => sameKind(document, empty.kind));
      for (const row of alike) {
        const [left] = withoutEmpty([row.document], empty);
        await tx.update(tray).set({ document: left! }).where(eq(tray.id, row.id));
      }
      return { trays: alike.length };
    }),
);

export const mapHistory = action({ input: z.strictObject({ clientId: z.uuid(), mapId: z.uuid() }) }, async (me, { clientId, mapId }) => {
  const history = await historyOf(me, clientId, mapId);
  if (!history) throw new Refusal(NO_CLIENT);
  return history;
});

/** One save of a map. */
export const savedMap = action({ input: z.strictObject({ mapId: z.uuid(), revision: saveNumber(1) }) }, (me, { mapId, revision }) =>
  inStudio(me, async (tx) => {
    const [row] = await tx
      .select({ map: lashMapRevision.document })
      .from(lashMapRevision)
      .where(and(eq(lashMapRevision.mapId, mapId), eq(lashMapRevision.revision, revision)));
    if (!row) throw new Refusal("This save is not in the studio (any more).");
    return { map: row.map };
  }),
);

/** Something said of a save of a map; only a technician or the owner approves one or sends it back. */
export const writeNote = action(
  {
    input: z.strictObject({
      mapId: z.uuid(),
      revision: saveNumber(1),
      kind: z.enum(MAP_NOTE_KINDS),
      words: z.string().trim().max(1000, "1,000 characters at most."),
    }),
  },
  (me, { mapId, revision, kind, words }) =>
    inStudio(me, async (tx) => {
      if (kind !== "note" && !mayActAs(me, "technician")) throw new Refusal("A technician or the owner approves maps.");
      if (kind !== "approved" && words === "") throw new Refusal("Write what is to be said.", { words: "Write what is to be said." });
      const [known] = await tx
        .select({ revision: lashMapRevision.revision, savedBy: lashMapRevision.savedBy })
        .from(lashMapRevision)
        .where(and(eq(lashMapRevision.mapId, mapId), eq(lashMapRevision.revision, revision)));
      if (!known) throw new Refusal("This save is not in the studio (any more).");
      await tx.insert(mapNote).values({ studioId: me.studioId, id: randomUUID(), mapId, revision, kind, words, writtenBy: me.id });
      return null;
    }),
);

/** Reads a map file for a client: the map, and where the client has no survey yet, the file's survey with it. */
export const importMap = action(
  {
    input: z.strictObject({ clientId: z.uuid(), text: z.string().max(600_000, "A map file is a few kilobytes; this one is over 512 kB.") }),
  },
  async (me, { clientId: wanted, text }) => {
    const read = readMapFile(text);
    if (!read.ok)
      throw new Refusal("Nothing was taken from this file.", Object.fromEntries(read.problems.map(({ where, what }) => [where, what])));
    return inStudio(me, async (tx) => {
      const { id: clientId, mannequin } = await refusePracticeLengths(tx, wanted, read.file.map);
      let surveyId = (await newestSurvey(tx, clientId))?.id;
      if (!surveyId) {
        if (!read.file.survey) throw new Refusal("This client has no survey yet and the file brings none. Take a survey first.");
        const other = notOfThese(read.file.survey, mannequin);
        if (other) throw new Refusal(`${other} Take a survey first.`);
        surveyId = randomUUID();
        await tx.insert(survey).values({ studioId: me.studioId, id: surveyId, clientId, document: read.file.survey, takenBy: me.id });
      }
      const mapId = randomUUID();
      await tx.insert(lashMap).values({ studioId: me.studioId, id: mapId, clientId, surveyId, head: 1 });
      await tx.insert(lashMapRevision).values({ studioId: me.studioId, mapId, revision: 1, document: read.file.map, savedBy: me.id });
      return { mapId };
    });
  },
);
