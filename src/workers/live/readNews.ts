import type { RoomAir, RoomWithAir } from "@/core/air";
import { isList, isNumber, isText, mayField, readField } from "@/core/document/readField";
import type { LiveNews } from "./messages";

/** What the stream said under a name, parsed; null where it makes no sense, and then nothing is told of it. */
export function readNews(kind: "air" | "visit", text: string): LiveNews | null {
  try {
    const news: unknown = JSON.parse(text);
    if (kind === "visit") return { kind, id: readField(news, "id", isText), seq: readField(news, "seq", isNumber) };
    return { kind, rooms: readField(news, "rooms", isList).map(readRoom) };
  } catch {
    return null;
  }
}

function readRoom(row: unknown): RoomWithAir {
  const [id, name] = [readField(row, "id", isText), readField(row, "name", isText)];
  const air: unknown = (row as { air?: unknown }).air ?? null;
  return { id, name, volumeM3: readField(row, "volumeM3", isNumber), air: air === null ? null : readAir(air) };
}

const readAir = (air: unknown): RoomAir => ({
  temperatureC: readField(air, "temperatureC", isNumber),
  relativeHumidity: readField(air, "relativeHumidity", isNumber),
  takenAt: readField(air, "takenAt", isText),
  by: mayField(air, "by", isText) ?? "",
  sensorId: readField(air, "sensorId", isText),
});
