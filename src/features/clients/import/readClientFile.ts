import { DOUBLE_REASONS, KnownPeople, type WhoIs } from "@/core/client";
import { guessClientTable, readClientTable, type ClientTableReading, type ReadClient } from "@/core/formats";
import { cellsOf } from "@/features/tables/cells";
import type { Encoding } from "@/features/tables/encodings";

export const MOST_CLIENTS = 10_000;
/** A cell may hold a long note; what is longer is no list of clients. */
const LONGEST_LINE = 60_000;
const SHOWN_ROWS = 8;
const SHOWN_PROBLEMS = 60;
const SHOWN_DOUBLES = 200;

export type ImportPreview = {
  readonly reading: ClientTableReading;
  readonly encoding: Encoding;
  readonly columns: readonly string[];
  readonly doubts: readonly string[];
  /** Rows that are clients, doubles among them. */
  readonly good: number;
  readonly wrong: number;
  readonly problems: readonly { readonly row: number; readonly why: string }[];
  readonly minded: readonly { readonly row: number; readonly why: string }[];
  readonly doubles: readonly {
    readonly row: number;
    readonly name: string;
    readonly of: { readonly id: string; readonly name: string } | { readonly row: number; readonly name: string };
    readonly why: string;
  }[];
  readonly doublesInAll: number;
  /** The first and the last, as they would be kept. */
  readonly rows: readonly (ReadClient & { readonly row: number })[];
};

export type ClientFile = {
  readonly bytes: Uint8Array;
  /** How it is to be read; null to guess. */
  readonly wished: ClientTableReading | null;
  readonly encoding: Encoding | null;
  readonly today: string;
  /** Who is in the studio already. */
  readonly known: readonly (WhoIs & { readonly id: string })[];
};
export type ImportedRow = { readonly row: number; readonly client: ReadClient; readonly isDouble: boolean };
export type ClientFileFound =
  | { readonly ok: false; readonly why: string }
  | { readonly ok: true; readonly preview: ImportPreview; readonly clients: readonly ImportedRow[] };

/** A list of clients as another program exports it, read: who is in it, what is wrong with rows, and who is likely there already. */
export function readClientFile({ bytes, wished, encoding, today, known }: ClientFile): ClientFileFound {
  const no = (why: string): ClientFileFound => ({ ok: false, why });
  const cells = cellsOf(bytes, {
    mostLines: MOST_CLIENTS + 20,
    longestLine: LONGEST_LINE,
    what: "list of clients",
    encoding: encoding ?? undefined,
  });
  if (!cells.ok) return no(cells.why);
  const { rows } = cells;
  const guess = guessClientTable(rows, today);
  const reading = wished ?? guess?.reading;
  if (!reading) return no("No column of names can be found in this file.");
  const read = readClientTable(rows, reading, today);
  const [good, problems] = [read.flatMap((row) => (row.ok ? [row] : [])), read.flatMap((row) => (row.ok ? [] : [row]))];
  if (good.length > MOST_CLIENTS)
    return no(`More than ${MOST_CLIENTS.toLocaleString("en-GB")} clients at once are not taken. Cut the file in two.`);
  const doubles: ImportPreview["doubles"][number][] = [];
  const there = new KnownPeople<
    WhoIs & { readonly of: { readonly id: string; readonly name: string } | { readonly row: number; readonly name: string } }
  >(known.map((one) => ({ ...one, of: { id: one.id, name: one.name } })));
  const clients = good.map(({ row, client }): ImportedRow => {
    const double = there.firstDoubleOf(client);
    if (double) doubles.push({ row, name: client.name, of: double.other.of, why: DOUBLE_REASONS[double.why] });
    there.add({ ...client, of: { row, name: client.name } });
    return { row, client, isDouble: double !== null };
  });
  const width = Math.max(...rows.slice(reading.skip, reading.skip + 40).map((row) => row.length), 1);
  const heading = rows[reading.skip - 1] ?? [];
  return {
    ok: true,
    clients,
    preview: {
      reading,
      encoding: cells.encoding,
      columns: Array.from({ length: width }, (_, i) => heading[i]?.trim().slice(0, 40) || `column ${i + 1}`),
      doubts: guess?.doubts ?? [],
      good: good.length,
      wrong: problems.length,
      problems: problems.slice(0, SHOWN_PROBLEMS).map(({ row, why }) => ({ row, why })),
      minded: good.flatMap(({ row, minded }) => minded.map((why) => ({ row, why }))).slice(0, SHOWN_PROBLEMS),
      doubles: doubles.slice(0, SHOWN_DOUBLES),
      doublesInAll: doubles.length,
      rows: [...good.slice(0, SHOWN_ROWS), ...good.slice(Math.max(SHOWN_ROWS, good.length - 1))].map(({ row, client }) => ({
        row,
        ...client,
      })),
    },
  };
}
