import { z } from "zod";
import { airSchema, MOST_OFFSET, roomTraitsSchema } from "@/core/air";
import { saveNumber, typedNumber, typedPercent } from "@/server/typed";

const degrees = typedNumber("A number of degrees, e.g. 21.5.").pipe(airSchema.shape.temperatureC);
const humidity = (what: string) => typedPercent(what).pipe(airSchema.shape.relativeHumidity);

/** A reading taken by eye. */
export const readingForm = z.strictObject({
  roomId: z.uuid(),
  temperature: degrees,
  humidity: humidity("A number of per cent, e.g. 45."),
});

const volume = typedNumber("Cubic metres, e.g. 30.").pipe(
  z.number().min(3, "A room under 3 m³ is a cupboard.").max(2000, "Over 2,000 m³ is a hall."),
);
const trait = roomTraitsSchema.shape;

/** What a room does to its air, as typed; its name is the owner's, in the studio's settings. Figures as text, per cent for humidity. */
export const roomForm = z.strictObject({
  volume,
  airChange: typedNumber("Changes an hour, e.g. 0.6.").pipe(trait.airChangePerH),
  humidifier: typedNumber("Grams an hour, e.g. 250; 0 for none.").pipe(trait.humidifierGPerH),
  humidifierWarm: z.boolean(),
  dehumidifier: typedNumber("Grams an hour, e.g. 400; 0 for none.").pipe(trait.dehumidifierGPerH),
  heater: typedNumber("Degrees an hour, e.g. 3; 0 for none.").pipe(trait.heaterCPerH),
  altitude: typedNumber("Metres, e.g. 40.").pipe(trait.altitudeM),
  glazing: trait.glazing,
  outsideTemperature: degrees,
  outsideHumidity: humidity("Per cent, e.g. 80."),
});

export const roomChange = z.strictObject({ roomId: z.uuid(), base: saveNumber(1), form: roomForm });

/** What a hygrometer shows over salt, or what is added to it beside a better one. */
export const calibrationForm = z.discriminatedUnion("how", [
  z.strictObject({
    sensorId: z.uuid(),
    how: z.literal("salt"),
    temperature: degrees,
    humidity: humidity("A number of per cent, e.g. 73."),
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
]);
