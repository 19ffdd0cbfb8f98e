"use server";
import { randomUUID } from "node:crypto";
import { and, eq } from "drizzle-orm";
import { refresh } from "next/cache";
import { z } from "zod";
import { airSchema, MOST_OFFSET, roomTraitsSchema, saltTest } from "@/core/air";
import { calibration, reading, room, sensor } from "@/db/schema";
import { action, Refusal } from "@/server/action";
import { inStudio, type StudioTransaction } from "@/server/inStudio";
import { typedNumber, typedPercent } from "@/server/typed";
import { ownSource } from "@/features/readings/newestAir";

const GONE = "This room is not in the studio (any more).";
const degrees = typedNumber("A number of degrees, e.g. 21.5.");

async function knownRoom(tx: StudioTransaction, roomId: string) {
  const [known] = await tx.select({ id: room.id }).from(room).where(eq(room.id, roomId));
  if (!known) throw new Refusal(GONE);
}

export const typeReading = action(
  {
    input: z.strictObject({
      roomId: z.uuid(),
      temperature: degrees.pipe(airSchema.shape.temperatureC),
      humidity: typedPercent("A number of per cent, e.g. 45.").pipe(airSchema.shape.relativeHumidity),
    }),
  },
  async (me, { roomId, temperature, humidity }) => {
    await inStudio(me, async (tx) => {
      await knownRoom(tx, roomId);
      const sensorId = await ownSource(tx, me.studioId, roomId, "hand", randomUUID());
      await tx
        .insert(reading)
        .values({ studioId: me.studioId, sensorId, roomId, takenAt: new Date(), temperatureC: temperature, relativeHumidity: humidity })
        .onConflictDoNothing();
    });
    refresh();
    return null;
  },
);

const volume = typedNumber("Cubic metres, e.g. 30.").pipe(
  z.number().min(3, "A room under 3 m³ is a cupboard.").max(2000, "Over 2,000 m³ is a hall."),
);
const trait = roomTraitsSchema.shape;

/** What a room does to its air, as typed; its name is the owner's, in the studio's settings. Figures as text, per cent for humidity. */
const roomForm = z.strictObject({
  volume,
  airChange: typedNumber("Changes an hour, e.g. 0.6.").pipe(trait.airChangePerH),
  humidifier: typedNumber("Grams an hour, e.g. 250; 0 for none.").pipe(trait.humidifierGPerH),
  humidifierWarm: z.boolean(),
  dehumidifier: typedNumber("Grams an hour, e.g. 400; 0 for none.").pipe(trait.dehumidifierGPerH),
  heater: typedNumber("Degrees an hour, e.g. 3; 0 for none.").pipe(trait.heaterCPerH),
  altitude: typedNumber("Metres, e.g. 40.").pipe(trait.altitudeM),
  glazing: trait.glazing,
  outsideTemperature: degrees.pipe(airSchema.shape.temperatureC),
  outsideHumidity: typedPercent("Per cent, e.g. 80.").pipe(airSchema.shape.relativeHumidity),
});

const columnsOf = (form: z.output<typeof roomForm>) => ({
  volumeM3: form.volume,
  traits: {
    version: 1 as const,
    airChangePerH: form.airChange,
    humidifierGPerH: form.humidifier,
    humidifierWarm: form.humidifierWarm,
    dehumidifierGPerH: form.dehumidifier,
    heaterCPerH: form.heater,
    altitudeM: form.altitude,
    glazing: form.glazing,
    outside: { temperatureC: form.outsideTemperature, relativeHumidity: form.outsideHumidity },
  },
});

export const changeRoom = action(
  { input: z.strictObject({ roomId: z.uuid(), base: z.int().min(1), form: roomForm }), least: "technician" },
  async (me, { roomId, base, form }) => {
    const kept = await inStudio(me, async (tx) => {
      await knownRoom(tx, roomId);
      const [row] = await tx
        .update(room)
        .set({ ...columnsOf(form), revision: base + 1 })
        .where(and(eq(room.id, roomId), eq(room.revision, base)))
        .returning({ revision: room.revision });
      if (!row) throw new Refusal("This room was changed elsewhere since you opened it. Yours is still here; reload to see theirs.");
      return row;
    });
    refresh();
    return kept;
  },
);

/** Offsets for a sensor from now on: from what it shows over salt, or typed beside a better instrument. */
export const calibrate = action(
  {
    input: z.discriminatedUnion("how", [
      z.strictObject({
        sensorId: z.uuid(),
        how: z.literal("salt"),
        temperature: degrees.pipe(airSchema.shape.temperatureC),
        humidity: typedPercent("A number of per cent, e.g. 73.").pipe(airSchema.shape.relativeHumidity),
      }),
      z.strictObject({
        sensorId: z.uuid(),
        how: z.literal("typed"),
        humidityOffset: typedPercent("Points, e.g. -2; 0 for none.").pipe(
          z.number().min(-MOST_OFFSET, "At most 15 points.").max(MOST_OFFSET, "At most 15 points."),
        ),
        temperatureOffset: typedNumber("Degrees, e.g. -0.4; 0 for none.").pipe(
          z.number().min(-5, "At most 5 degrees.").max(5, "At most 5 degrees."),
        ),
      }),
    ]),
    least: "technician",
  },
  async (me, form) => {
    const offset = await inStudio(me, async (tx) => {
      const [known] = await tx
        .select({ id: sensor.id })
        .from(sensor)
        .where(and(eq(sensor.id, form.sensorId), eq(sensor.kind, "device")));
      if (!known) throw new Refusal("This hygrometer is not in the studio.");
      const offsets = offsetsOf(form);
      await tx.insert(calibration).values({
        studioId: me.studioId,
        id: randomUUID(),
        sensorId: form.sensorId,
        fromAt: new Date(),
        how: form.how,
        setBy: me.id,
        ...offsets,
      });
      return offsets.humidityOffset;
    });
    refresh();
    return { humidityOffset: offset };
  },
);

function offsetsOf(
  form: { how: "salt"; temperature: number; humidity: number } | { how: "typed"; humidityOffset: number; temperatureOffset: number },
) {
  if (form.how === "typed") return { humidityOffset: form.humidityOffset, temperatureOffsetC: form.temperatureOffset };
  const test = saltTest({ temperatureC: form.temperature, relativeHumidity: form.humidity });
  if (!test.ok) throw new Refusal(test.why);
  return { humidityOffset: test.offset, temperatureOffsetC: 0 };
}
