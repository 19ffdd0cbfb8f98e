"use server";
import { and, desc, eq, isNull, sql } from "drizzle-orm";
import { refresh } from "next/cache";
import { z } from "zod";
import { member, readingImport, readingsTakenBack, sensor } from "@/db/schema";
import { action, Refusal } from "@/server/action";
import { inStudio, together, type StudioTransaction } from "@/server/inStudio";
import type { Member } from "@/server/member";
import { formatIn, momentIn } from "@/server/studioTime";
import { knownRoom } from "../knownRoom";
import { takeBackForm } from "./schema";

const SHOWN = 20;

/** What may be taken back in a room, and what was. */
export const roomImports = action({ input: z.strictObject({ roomId: z.uuid() }) }, (me, { roomId }) =>
  inStudio(me, async (tx) => {
    await knownRoom(tx, roomId);
    const at = (moment: Date) => formatIn(me.timeZone, moment, "d MMM yyyy, HH:mm");
    const [sources, imports, taken] = await together([
      tx.select({ id: sensor.id, name: sensor.name }).from(sensor).where(eq(sensor.roomId, roomId)).orderBy(sensor.createdAt),
      tx
        .select({ row: readingImport, by: member.name, takenBack: readingsTakenBack.id })
        .from(readingImport)
        .leftJoin(member, and(eq(member.studioId, readingImport.studioId), eq(member.id, readingImport.byId)))
        .leftJoin(
          readingsTakenBack,
          and(
            eq(readingsTakenBack.studioId, readingImport.studioId),
            eq(readingsTakenBack.importId, readingImport.id),
            isNull(readingsTakenBack.broughtBackAt),
          ),
        )
        .where(eq(readingImport.roomId, roomId))
        .orderBy(desc(readingImport.createdAt))
        .limit(SHOWN),
      tx
        .select({ row: readingsTakenBack, by: member.name, source: sensor.name, fileName: readingImport.fileName })
        .from(readingsTakenBack)
        .innerJoin(sensor, and(eq(sensor.studioId, readingsTakenBack.studioId), eq(sensor.id, readingsTakenBack.sensorId)))
        .leftJoin(member, and(eq(member.studioId, readingsTakenBack.studioId), eq(member.id, readingsTakenBack.byId)))
        .leftJoin(
          readingImport,
          and(eq(readingImport.studioId, readingsTakenBack.studioId), eq(readingImport.id, readingsTakenBack.importId)),
        )
        .where(and(eq(readingsTakenBack.roomId, roomId), isNull(readingsTakenBack.broughtBackAt)))
        .orderBy(desc(readingsTakenBack.createdAt))
        .limit(SHOWN),
    ]);
    return {
      sources,
      imports: imports
        .filter(({ takenBack }) => takenBack === null)
        .map(({ row, by }) => ({ id: row.id, name: row.fileName, readings: row.readings, on: at(row.createdAt), by: by ?? "" })),
      taken: taken.map(({ row, by, source, fileName }) => ({
        id: row.id,
        what: fileName ?? `${source}, ${at(row.fromAt)} to ${at(row.toAt)}`,
        readings: row.readings,
        why: row.why,
        on: at(row.createdAt),
        by: by ?? "",
      })),
    };
  }),
);

type Taking = {
  readonly id: string;
  readonly sensorId: string;
  readonly importId: string | null;
  readonly from: Date;
  readonly to: Date;
  readonly why: string;
};

async function take(tx: StudioTransaction, { id, sensorId, importId, from, to, why }: Taking): Promise<{ taken: number }> {
  const [again] = await tx.select({ readings: readingsTakenBack.readings }).from(readingsTakenBack).where(eq(readingsTakenBack.id, id));
  if (again) return { taken: again.readings };
  const { rows } = await tx.execute<{ taken: number }>(
    sql`select studio.take_readings_back(${id}, ${sensorId}, ${importId}, ${from.toISOString()}, ${to.toISOString()}, ${why}) as taken`,
  );
  const taken = rows[0]?.taken ?? -1;
  if (taken < 0) throw new Refusal("This source is not in the studio (any more).");
  if (taken === 0) throw new Refusal("There is no reading of it in that time.");
  return { taken };
}

/** A file that was the wrong one, whole. */
export const takeImportBack = action(
  { input: z.strictObject({ id: z.uuid(), importId: z.uuid() }), least: "technician" },
  async (me, { id, importId }) => {
    const result = await inStudio(me, async (tx) => {
      const [known] = await tx.select().from(readingImport).where(eq(readingImport.id, importId));
      if (!known) throw new Refusal("This file is not in the studio (any more).");
      const always = { from: new Date("1900-01-01"), to: new Date("2200-01-01") };
      return take(tx, { id, sensorId: known.sensorId, importId, why: "", ...always });
    });
    refresh();
    return result;
  },
);

const moment = (me: Member, day: string, time: string, field: string): Date => {
  const at = momentIn(me.timeZone, day, time);
  if (!at) throw new Refusal("The clocks skip this hour.", { [field]: "Another hour." });
  return at;
};

/** What a source read between two times: beside the kettle, in the car, before it was set right. */
export const takeReadingsBack = action({ input: takeBackForm, least: "technician" }, async (me, form) => {
  const [from, to] = [moment(me, form.fromDay, form.fromTime, "fromTime"), moment(me, form.toDay, form.toTime, "toTime")];
  if (to <= from) throw new Refusal("The second time lies before the first.", { toTime: "Later than the first." });
  const result = await inStudio(me, (tx) => take(tx, { id: form.id, sensorId: form.sensorId, importId: null, from, to, why: form.why }));
  refresh();
  return result;
});

/** What was taken back counts again, as it was. */
export const bringReadingsBack = action({ input: z.strictObject({ id: z.uuid() }), least: "technician" }, async (me, { id }) => {
  const { rows } = await inStudio(me, (tx) => tx.execute<{ back: number }>(sql`select studio.bring_readings_back(${id}) as back`));
  const back = rows[0]?.back ?? -1;
  if (back < 0) throw new Refusal("These were brought back already, or are not in the studio.");
  refresh();
  return { back };
});
