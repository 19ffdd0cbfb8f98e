import { airSchema } from "../air";

/** How the columns of a logger's table are read. Guessed first, and a person may set it right. */
export type TableReading = {
  /** Lines before the readings begin: titles, serial numbers, the header. */
  readonly skip: number;
  readonly time: number;
  /** A column of its own for the hour, where date and hour stand apart. */
  readonly hour: number | null;
  readonly temperature: number;
  readonly humidity: number;
  readonly dateOrder: DateOrder;
  readonly temperatureUnit: "C" | "F";
  readonly humidityUnit: "percent" | "fraction";
};
export const DATE_ORDERS = ["iso", "dmy", "mdy", "unixS", "unixMs"] as const;
export type DateOrder = (typeof DATE_ORDERS)[number];

/** What was guessed, and what a person should look at before it is kept. */
export type TableGuess = { readonly reading: TableReading; readonly header: readonly string[]; readonly doubts: readonly string[] };

/** A moment as a table writes it: on a wall clock of no named place, or absolute where the text says its zone. */
export type TableTime =
  | {
      readonly kind: "wall";
      readonly year: number;
      readonly month: number;
      readonly day: number;
      readonly hour: number;
      readonly minute: number;
      readonly second: number;
    }
  | { readonly kind: "absolute"; readonly ms: number };

export type TableRow =
  | { readonly line: number; readonly ok: true; readonly time: TableTime; readonly temperatureC: number; readonly relativeHumidity: number }
  | { readonly line: number; readonly ok: false; readonly why: string };

const SEPARATORS = [";", "\t", ",", "|"] as const;

/** The character that parts columns: the one that parts most lines into the same number of them. */
export function guessSeparator(text: string): string {
  const lines = text
    .split(/\r?\n/)
    .filter((line) => line.trim())
    .slice(0, 60);
  const score = (separator: string) => {
    const counts = lines.map((line) => line.split(separator).length);
    const usual = [...counts].sort((a, b) => counts.filter((c) => c === b).length - counts.filter((c) => c === a).length)[0] ?? 1;
    return usual < 2 ? 0 : counts.filter((count) => count === usual).length + usual / 100;
  };
  return [...SEPARATORS].reduce((best, one) => (score(one) > score(best) ? one : best));
}

const TIME_WORDS = /date|time|zeit|datum|tijd|hora|fecha|heure|uhr|stamp|when|logged/i;
const HOUR_WORDS = /^(time|hour|uhrzeit|zeit|heure|hora|tijd)\b/i;
const WARMTH_WORDS = /temp|°\s*[cf]|\bt\b|celsius|fahrenheit/i;
const DAMP_WORDS = /hum|rh\b|r\.h|feucht|%|luftf|hr\b|vocht/i;
const NOT_THESE = /dew|tau|ros[ée]e|vpd|abs|index|battery|volt|press|min|max|heat/i;

/** A number as loggers write it, units and thousands marks put up with; null where there is none. */
export function numberIn(text: string): number | null {
  const cleaned = text.replace(/[^\d,.\-+eE]/g, "");
  const match = /^[+-]?\d+(?:[.,]\d+)?(?:[eE][+-]?\d+)?$/.exec(cleaned);
  return match ? Number(match[0].replace(",", ".")) : null;
}

const looksLikeTime = (text: string) =>
  parseTime(text, "iso") !== null || parseTime(text, "dmy") !== null || parseTime(text, "mdy") !== null;
const CLOCK = /^\d{1,2}:\d{2}(:\d{2}(\.\d+)?)?\s*([ap]\.?m\.?)?$/i;

/**
 * Guesses where the readings begin, which column is what, in which order dates are written and in which units. Null
 * where no column of times with two of numbers can be found.
 */
export function guessTable(rows: readonly (readonly string[])[]): TableGuess | null {
  const isReading = (row: readonly string[]) =>
    row.some((cell) => looksLikeTime(cell) || isUnix(cell)) &&
    row.filter((cell) => numberIn(cell) !== null && !looksLikeTime(cell)).length >= 2;
  const skip = rows.findIndex(isReading);
  if (skip < 0) return null;
  const header = headingOf(rows, skip);
  const body = rows.slice(skip, skip + 400).filter(isReading);
  const columns = Math.max(...body.map((row) => row.length));
  const all = Array.from({ length: columns }, (_, i) => i);
  const share = (column: number, test: (cell: string) => boolean) => body.filter((row) => test(row[column] ?? "")).length / body.length;
  const doubts: string[] = [];

  const time =
    all.find(
      (i) => share(i, looksLikeTime) > 0.9 && (header[i] === undefined || TIME_WORDS.test(header[i]) || !NOT_THESE.test(header[i])),
    ) ?? all.find((i) => share(i, isUnix) > 0.9);
  if (time === undefined) return null;
  const hour =
    all.find(
      (i) =>
        i !== time &&
        share(i, (cell) => CLOCK.test(cell.trim())) > 0.9 &&
        (!header[i] || HOUR_WORDS.test(header[i]) || TIME_WORDS.test(header[i])),
    ) ?? null;
  const numbers = all.filter((i) => i !== time && i !== hour && share(i, (cell) => numberIn(cell) !== null) > 0.6);
  const named = (words: RegExp, not: number | null) =>
    numbers.find((i) => i !== not && words.test(header[i] ?? "") && !NOT_THESE.test(header[i] ?? ""));
  const humidityNamed = named(DAMP_WORDS, null);
  const temperatureNamed = named(WARMTH_WORDS, humidityNamed ?? null);
  // Nothing says which: room air has its degrees before its per cent in nearly every table.
  const unnamed = numbers.filter((i) => i !== humidityNamed && i !== temperatureNamed && !NOT_THESE.test(header[i] ?? ""));
  const temperature = temperatureNamed ?? unnamed[0];
  const humidity = humidityNamed ?? unnamed.find((i) => i !== temperature);
  if (temperature === undefined || humidity === undefined) return null;
  if (temperatureNamed === undefined || humidityNamed === undefined)
    doubts.push("No heading says which column is temperature and which humidity.");

  const values = (column: number) => body.flatMap((row) => numberIn(row[column] ?? "") ?? []);
  const middle = (list: readonly number[]) => [...list].sort((a, b) => a - b)[list.length >> 1] ?? 0;
  const saysF = /°?\s*f\b|fahrenheit/i.test(header[temperature] ?? "") || body.some((row) => /°?F\b/.test(row[temperature] ?? ""));
  const saysC = /°?\s*c\b|celsius/i.test(header[temperature] ?? "");
  const temperatureUnit = saysF || (!saysC && middle(values(temperature)) > 45) ? "F" : "C";
  const humidityUnit = Math.max(...values(humidity)) <= 1 ? "fraction" : "percent";
  const { order, sure } = guessOrder(body.map((row) => row[time] ?? ""));
  if (!sure) doubts.push("Every date can be read day first or month first. Look at the first and the last one.");
  return { reading: { skip, time, hour, temperature, humidity, dateOrder: order, temperatureUnit, humidityUnit }, header, doubts };
}

/** The line of headings over readings that begin after so many lines; empty where there is none. */
export const headingOf = (rows: readonly (readonly string[])[], skip: number): readonly string[] =>
  rows.slice(0, skip).findLast((row) => row.filter((cell) => cell.trim()).length >= 2) ?? [];

const isUnix = (cell: string) => /^\d{10}(\.\d+)?$|^\d{13}$/.test(cell.trim());

/** Day first or month first: by a figure over twelve, else by which one runs forward in even steps. */
function guessOrder(cells: readonly string[]): { order: DateOrder; sure: boolean } {
  if (cells.every((cell) => isUnix(cell))) return { order: cells[0]!.trim().length >= 13 ? "unixMs" : "unixS", sure: true };
  if (cells.every((cell) => parseTime(cell, "iso") !== null)) return { order: "iso", sure: true };
  const reads = (order: DateOrder) => cells.every((cell) => parseTime(cell, order) !== null);
  const [dmy, mdy] = [reads("dmy"), reads("mdy")];
  if (dmy !== mdy) return { order: dmy ? "dmy" : "mdy", sure: true };
  // Points between the figures are a habit of places that write the day first.
  if (cells.every((cell) => /^\s*\d{1,2}\.\d{1,2}\.\d/.test(cell))) return { order: "dmy", sure: true };
  const span = (order: DateOrder) => {
    const days = cells.flatMap((cell) => {
      const time = parseTime(cell, order);
      return time?.kind === "wall" ? [Date.UTC(time.year, time.month - 1, time.day)] : [];
    });
    return Math.max(...days) - Math.min(...days);
  };
  const [asDmy, asMdy] = [span("dmy"), span("mdy")];
  if (asDmy !== asMdy) return { order: asDmy < asMdy ? "dmy" : "mdy", sure: true };
  return { order: "dmy", sure: false };
}

const DATE =
  /^(\d{1,4})[-/. ](\d{1,2})[-/. ](\d{1,4})(?:[T ,]+(\d{1,2}):(\d{2})(?::(\d{2})(?:[.,]\d+)?)?\s*([ap])?\.?m?\.?)?\s*(Z|[+-]\d{2}:?\d{2})?$/i;

/** One cell (and the hour's own cell, where there is one) as a moment; null where it is none. */
export function parseTime(cell: string, order: DateOrder, hourCell?: string): TableTime | null {
  const text = (hourCell === undefined ? cell : `${cell.trim()} ${hourCell.trim()}`).trim();
  if (order === "unixS" || order === "unixMs")
    return isUnix(text) ? { kind: "absolute", ms: Number(text) * (order === "unixS" ? 1000 : 1) } : null;
  const match = DATE.exec(text);
  if (!match) return null;
  const [, a, b, c, h, min, s, half, zone] = match;
  const yearFirst = a!.length === 4;
  if (order === "iso" && !yearFirst) return null;
  const [year, month, day] = yearFirst ? [a!, b!, c!] : order === "mdy" ? [c!, a!, b!] : [c!, b!, a!];
  const full = year.length === 2 ? 2000 + Number(year) : Number(year);
  const hour = half ? (Number(h) % 12) + (half.toLowerCase() === "p" ? 12 : 0) : Number(h ?? 0);
  const parts = { year: full, month: Number(month), day: Number(day), hour, minute: Number(min ?? 0), second: Number(s ?? 0) };
  const asUtc = Date.UTC(parts.year, parts.month - 1, parts.day, parts.hour, parts.minute, parts.second);
  const back = new Date(asUtc);
  if (parts.year < 2000 || parts.year > 2100 || back.getUTCMonth() + 1 !== parts.month || back.getUTCDate() !== parts.day) return null;
  if (parts.hour > 23 || parts.minute > 59 || parts.second > 59) return null;
  if (!zone) return { kind: "wall", ...parts };
  const away = /^z$/i.test(zone) ? 0 : (zone.startsWith("-") ? -1 : 1) * (Number(zone.slice(1, 3)) * 60 + Number(zone.slice(-2)));
  return { kind: "absolute", ms: asUtc - away * 60_000 };
}

/** Every line after the heading as a reading, or why it is none. Empty lines are left out. `line` counts from 1 in the file. */
export function readTable(rows: readonly (readonly string[])[], reading: TableReading): TableRow[] {
  return rows.slice(reading.skip).flatMap((row, i): TableRow[] => {
    const line = reading.skip + i + 1;
    if (row.every((cell) => cell.trim() === "")) return [];
    const wrong = (why: string): TableRow[] => [{ line, ok: false, why }];
    const time = parseTime(row[reading.time] ?? "", reading.dateOrder, reading.hour === null ? undefined : (row[reading.hour] ?? ""));
    if (!time) return wrong(`No time can be read in “${shorten(row[reading.time] ?? "")}”.`);
    const [warmth, damp] = [numberIn(row[reading.temperature] ?? ""), numberIn(row[reading.humidity] ?? "")];
    if (warmth === null) return wrong(`No temperature in “${shorten(row[reading.temperature] ?? "")}”.`);
    if (damp === null) return wrong(`No humidity in “${shorten(row[reading.humidity] ?? "")}”.`);
    const air = airSchema.safeParse({
      temperatureC: reading.temperatureUnit === "F" ? (warmth - 32) / 1.8 : warmth,
      relativeHumidity: reading.humidityUnit === "percent" ? damp / 100 : damp,
    });
    return air.success ? [{ line, ok: true, time, ...air.data }] : wrong(air.error.issues[0]!.message);
  });
}

const shorten = (text: string) => (text.length > 24 ? `${text.slice(0, 24)}…` : text);
