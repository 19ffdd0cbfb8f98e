"use server";
import { randomUUID } from "node:crypto";
import { and, eq } from "drizzle-orm";
import { refresh } from "next/cache";
import { z } from "zod";
import { saltTest } from "@/core/air";
import { calibration, reading, room, sensor } from "@/db/schema";
import { action, Refusal } from "@/server/action";
import { inStudio } from "@/server/inStudio";
import { knownRoom } from "./knownRoom";
import { calibrationForm, readingForm, roomChange, type roomForm } from "./schema";
import { ownSource } from "@/features/readings/newestAir";

export const typeReading = action({ input: readingForm }, async (me, { roomId, temperature, humidity }) => {
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

export const changeRoom = action({ input: roomChange, least: "technician" }, async (me, { roomId, base, form }) => {
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
});

/** Offsets for a sensor from now on: from what it shows over salt, or typed beside a better instrument. */
export const calibrate = action(
  {
    input: calibrationForm,
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
