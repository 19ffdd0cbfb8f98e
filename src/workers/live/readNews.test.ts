import { readNews } from "./readNews";

const air = { temperatureC: 21.5, relativeHumidity: 0.44, takenAt: "2026-11-02T10:00:00.000Z", by: "Sill", sensorId: "s" };
const room = { id: "r", name: "Front room", volumeM3: 42, air };

test("rooms with their air, and rooms without any", () =>
  expect(readNews("air", JSON.stringify({ rooms: [room, { ...room, id: "q", air: null }] }))).toEqual({
    kind: "air",
    rooms: [room, { ...room, id: "q", air: null }],
  }));
test("a visit and its number", () => expect(readNews("visit", '{"id":"v","seq":7}')).toEqual({ kind: "visit", id: "v", seq: 7 }));

test.each([
  ["air", "{"],
  ["air", '{"rooms":{}}'],
  ["air", JSON.stringify({ rooms: [{ ...room, volumeM3: "42" }] })],
  ["air", JSON.stringify({ rooms: [{ ...room, air: { ...air, relativeHumidity: null } }] })],
  ["visit", '{"id":"v"}'],
  ["visit", "null"],
] as const)("%s: %s is not believed", (kind, text) => expect(readNews(kind, text)).toBeNull());
