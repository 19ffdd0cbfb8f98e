import { parse } from "csv-parse/sync";
import { guessSeparator } from "@/core/formats";
import type { Encoding } from "./encodings";

export type Cells =
  | { readonly ok: false; readonly why: string }
  | { readonly ok: true; readonly rows: string[][]; readonly encoding: Encoding; readonly separator: string };

type Limits = {
  readonly mostLines: number;
  readonly longestLine: number;
  /** "table of readings" */ readonly what: string;
  readonly encoding?: Encoding | undefined;
};

/** A file of lines parted into cells, however it is encoded and whatever parts its columns; words for why not. */
export function cellsOf(bytes: Uint8Array, { mostLines, longestLine, what, encoding: wished }: Limits): Cells {
  const no = (why: string): Cells => ({ ok: false, why });
  const read = textOf(Buffer.from(bytes.buffer, bytes.byteOffset, bytes.byteLength), wished);
  if (read === null) return no("This is not a text file. Save it as CSV first.");
  const { text, encoding } = read;
  const long = longLine(text, longestLine);
  if (long) return no(`Line ${long} has more than ${longestLine.toLocaleString("en-GB")} characters: this is no ${what}.`);
  const separator = guessSeparator(text);
  try {
    const rows = parse(text, {
      delimiter: separator,
      relax_column_count: true,
      relax_quotes: true,
      skip_empty_lines: false,
      trim: true,
      to: mostLines + 1,
    }) as string[][];
    return rows.length > mostLines
      ? no(`More than ${mostLines.toLocaleString("en-GB")} lines at once are not taken. Cut the file in two.`)
      : { ok: true, rows, encoding, separator };
  } catch {
    return no("The lines of this file cannot be parted into columns.");
  }
}

/** UTF-8, UTF-16 as some loggers write it, else as wished or as older programs of Western Europe write; null for what is no text. */
function textOf(body: Buffer, wished: Encoding | undefined): { readonly text: string; readonly encoding: Encoding } | null {
  if (body.length >= 2 && body[0] === 0xff && body[1] === 0xfe) return { text: body.toString("utf16le").slice(1), encoding: "utf-8" };
  if (body.includes(0)) return null;
  const decode = (encoding: Encoding, fatal: boolean) => new TextDecoder(encoding, { fatal }).decode(body);
  if (wished && wished !== "utf-8") return { text: decode(wished, false), encoding: wished };
  try {
    return { text: decode("utf-8", true), encoding: "utf-8" };
  } catch {
    return { text: decode("windows-1252", false), encoding: "windows-1252" };
  }
}

/** The number of the first line that is longer than any of a table; 0 where none is. */
function longLine(text: string, longest: number): number {
  for (let from = 0, line = 1; from < text.length; line++) {
    const end = text.indexOf("\n", from);
    const until = end < 0 ? text.length : end;
    if (until - from > longest) return line;
    from = until + 1;
  }
  return 0;
}
