import { z } from "zod";
import { airSchema } from "./schema";
import type { DocumentKind } from "../document";

/** What a room does to the air in it. Every figure is an estimate that its studio can better. */
export const roomTraitsSchema = z.strictObject({
  version: z.literal(1),
  /** How often an hour the room's air is changed for outside air. Common practice: 0.3 closed, 0.5 to 1 lived in, 3 and more ventilated. */
  airChangePerH: z.number("Air changes an hour, e.g. 0.6.").min(0, "Not below none.").max(20, "Over 20 an hour is outdoors."),
  /** Water a humidifier gives when it runs, g/h; 0 where there is none. */
  humidifierGPerH: z.number("Grams an hour, e.g. 250.").min(0, "Not below none.").max(5000, "Over 5,000 g/h is no room humidifier."),
  /** Does it boil its water, so that it takes no heat from the air? */
  humidifierWarm: z.boolean(),
  dehumidifierGPerH: z.number("Grams an hour, e.g. 400.").min(0, "Not below none.").max(5000, "Over 5,000 g/h is no room dryer."),
  /** How fast the heater warms this room, °C an hour; 0 where there is none. Read it off the day's trail. */
  heaterCPerH: z.number("Degrees an hour, e.g. 3.").min(0, "Not below none.").max(20, "Over 20 °C an hour is an oven."),
  altitudeM: z.number("Metres above the sea, e.g. 40.").min(-400, "Below the lowest land.").max(5000, "Over 5,000 m nobody works."),
  glazing: z.enum(["single", "double"]),
  /** Outside air, as last told. */
  outside: airSchema,
});
export type RoomTraits = z.infer<typeof roomTraitsSchema>;

/** A small heated room in a cool month. From memory, to be bettered by each studio. */
export const usualRoomTraits: RoomTraits = {
  version: 1,
  airChangePerH: 0.6,
  humidifierGPerH: 250,
  humidifierWarm: false,
  dehumidifierGPerH: 0,
  heaterCPerH: 3,
  altitudeM: 0,
  glazing: "double",
  outside: { temperatureC: 8, relativeHumidity: 0.8 },
};

export const roomTraitsDocument: DocumentKind<RoomTraits> = { name: "room", version: 1, schema: roomTraitsSchema };
