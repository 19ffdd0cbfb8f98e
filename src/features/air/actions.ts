"use server";
import { randomUUID } from "node:crypto";
import { eq } from "drizzle-orm";
import { z } from "zod";
import { airSchema } from "@/core/air";
import { reading, room } from "@/db/schema";
import { action, Refusal } from "@/server/action";
import { inStudio } from "@/server/inStudio";

/** A number as a person types it, with a point or a comma. */
const typed = (what: string) =>
  z
    .string()
    .trim()
    .max(20)
    .regex(/^-?\d+([.,]\d+)?$/, what)
    .transform((text) => Number(text.replace(",", ".")));

const GONE = "This room is not in the studio (any more).";

export const typeReading = action(
  {
    input: z.strictObject({
      roomId: z.uuid(),
      temperature: typed("A number of degrees, e.g. 21.5.").pipe(airSchema.shape.temperatureC),
      humidity: typed("A number of per cent, e.g. 45.")
        .transform((percent) => percent / 100)
        .pipe(airSchema.shape.relativeHumidity),
    }),
  },
  async (me, { roomId, temperature, humidity }) => {
    await inStudio(me, async (tx) => {
      const [known] = await tx.select({ id: room.id }).from(room).where(eq(room.id, roomId));
      if (!known) throw new Refusal(GONE);
      await tx.insert(reading).values({
        studioId: me.studioId,
        id: randomUUID(),
        roomId,
        takenAt: new Date(),
        temperatureC: temperature,
        relativeHumidity: humidity,
      });
    });
    return null;
  },
);

export const changeRoom = action(
  {
    input: z.strictObject({
      roomId: z.uuid(),
      volume: typed("Cubic metres, e.g. 30.").pipe(
        z.number().min(3, "A room under 3 m³ is a cupboard.").max(2000, "Over 2,000 m³ is a hall."),
      ),
    }),
    least: "technician",
  },
  async (me, { roomId, volume }) => {
    const rows = await inStudio(me, (tx) =>
      tx.update(room).set({ volumeM3: volume }).where(eq(room.id, roomId)).returning({ id: room.id }),
    );
    if (rows.length === 0) throw new Refusal(GONE);
    return null;
  },
);
