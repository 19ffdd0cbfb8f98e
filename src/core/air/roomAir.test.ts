import { freshAir, isOfNow, shownAir } from ".";

const MINUTE = 60_000;
const takenMs = Date.parse("2026-11-27T10:00:00Z");
const air = { temperatureC: 21.04, relativeHumidity: 0.616, takenAt: new Date(takenMs).toISOString(), by: "hygrometer", sensorId: "s" };

test("a reading of half an hour ago is not of now, on any screen (handbook of the trade)", () => {
  expect([29.9, 30, 31].map((minutes) => isOfNow(air, takenMs + minutes * MINUTE))).toEqual([true, false, false]);
  expect(freshAir(air, takenMs + 29.9 * MINUTE)).toEqual({ temperatureC: 21.04, relativeHumidity: 0.616 });
  expect(freshAir(air, takenMs + 30 * MINUTE)).toBeNull();
  expect(freshAir(null, takenMs)).toBeNull();
});
test("air is shown to a tenth of a degree and a whole per cent", () =>
  expect(shownAir(air)).toEqual({ temperatureC: 21, relativeHumidity: 0.62 }));
