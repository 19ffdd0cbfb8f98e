import { guessTable, headingOf, readTable, type TableReading, type TableRow } from "@/core/formats";
import { cellsOf } from "@/features/tables/cells";
import { wallClock } from "./wallClock";

export const MAX_LINES = 200_000;
/** No line of a logger's file is longer; what is, is no table, and parting it would take a long time. */
const LONGEST_LINE = 20_000;
const SHOWN_ROWS = 6;
const SHOWN_PROBLEMS = 40;
const AHEAD_MS = 60_000;
const BEHIND_MS = 10 * 366 * 86_400_000;
const TELL_EVERY = 5_000;

export type TablePreview = {
  readonly reading: TableReading;
  readonly columns: readonly string[];
  readonly doubts: readonly string[];
  readonly good: number;
  readonly problems: readonly { line: number; why: string }[];
  readonly wrong: number;
  /** First and last readings, as they would be kept: ISO times. */
  readonly rows: readonly { line: number; at: string; temperatureC: number; relativeHumidity: number }[];
};

/** The good lines, a list for each column, so that they are handed from one thread to another without being copied. */
export type TableColumns = { readonly atMs: Float64Array; readonly temperatureC: Float64Array; readonly relativeHumidity: Float64Array };

export type TableFile = {
  readonly bytes: Uint8Array;
  /** How it is to be read; null to guess. */
  readonly wished: TableReading | null;
  readonly timeZone: string;
  readonly nowMs: number;
};
export type TableFound =
  { readonly ok: false; readonly why: string } | { readonly ok: true; readonly preview: TablePreview; readonly columns: TableColumns };

type Dated = { line: number; atMs: number; temperatureC: number; relativeHumidity: number };

/** A logger's file, read: its good lines, and what is wrong with the others. `tell` hears how far it is, 0..1. */
export function readTableFile({ bytes, wished, timeZone, nowMs }: TableFile, tell: (done: number) => void): TableFound {
  const no = (why: string): TableFound => ({ ok: false, why });
  const cells = cellsOf(bytes, { mostLines: MAX_LINES, longestLine: LONGEST_LINE, what: "table of readings" });
  if (!cells.ok) return no(cells.why);
  const { rows } = cells;
  tell(0.4);
  const guess = guessTable(rows);
  const reading = wished ?? guess?.reading;
  if (!reading) return no("No column of times with temperature and humidity beside it can be found in this file.");
  const { good, problems } = dated(readTable(rows, reading), timeZone, nowMs, (share) => tell(0.5 + share / 2));
  const column = (of: (row: Dated) => number) => Float64Array.from(good, of);
  return {
    ok: true,
    preview: preview(reading, rows, guess?.doubts ?? [], good, problems),
    columns: {
      atMs: column(({ atMs }) => atMs),
      temperatureC: column(({ temperatureC }) => temperatureC),
      relativeHumidity: column(({ relativeHumidity }) => relativeHumidity),
    },
  };
}

/** Moments on the studio's clock, and what is wrong with those that are none. */
function dated(
  rows: readonly TableRow[],
  timeZone: string,
  nowMs: number,
  tell: (share: number) => void,
): { good: Dated[]; problems: { line: number; why: string }[] } {
  const momentOf = wallClock(timeZone);
  // Some loggers write the newest first.
  const times = rows.flatMap((row) => (row.ok ? [momentOf(row.time)] : []));
  const backwards = times.length > 1 && times[0]! > times.at(-1)!;
  const good: Dated[] = [];
  const problems: { line: number; why: string }[] = [];
  const seen = new Set<number>();
  let looked = 0;
  for (const row of backwards ? rows.toReversed() : rows) {
    if (looked++ % TELL_EVERY === 0) tell(looked / rows.length);
    if (!row.ok) {
      problems.push({ line: row.line, why: row.why });
      continue;
    }
    const atMs = momentOf(row.time, good.at(-1)?.atMs);
    if (atMs > nowMs + AHEAD_MS) problems.push({ line: row.line, why: "Its time lies in the future." });
    else if (atMs < nowMs - BEHIND_MS) problems.push({ line: row.line, why: "Its time lies more than ten years back." });
    else if (seen.has(atMs)) problems.push({ line: row.line, why: "Its time stands in the file already." });
    else {
      seen.add(atMs);
      good.push({ line: row.line, atMs, temperatureC: row.temperatureC, relativeHumidity: row.relativeHumidity });
    }
  }
  return backwards ? { good: good.reverse(), problems: problems.reverse() } : { good, problems };
}

function preview(
  reading: TableReading,
  rows: readonly (readonly string[])[],
  doubts: readonly string[],
  good: readonly Dated[],
  problems: readonly { line: number; why: string }[],
): TablePreview {
  const width = Math.max(...rows.slice(reading.skip, reading.skip + 20).map((row) => row.length), 1);
  const heading = headingOf(rows, reading.skip);
  return {
    reading,
    columns: Array.from({ length: width }, (_, i) => heading[i]?.trim() || `column ${i + 1}`),
    doubts,
    good: good.length,
    wrong: problems.length,
    problems: problems.slice(0, SHOWN_PROBLEMS),
    rows: [...good.slice(0, SHOWN_ROWS), ...good.slice(Math.max(SHOWN_ROWS, good.length - 1))].map(({ atMs, ...row }) => ({
      ...row,
      at: new Date(atMs).toISOString(),
    })),
  };
}
