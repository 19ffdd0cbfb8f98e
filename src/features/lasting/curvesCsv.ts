import { csvFormatRows } from "d3";
import type { CurvePoint } from "@/core/retention";

/** One way of a factor with its curve. */
export type LevelCurve = {
  readonly label: string;
  readonly fills: number;
  readonly clients: number;
  readonly points: readonly CurvePoint[];
};

const share = (value: number | null) => (value === null ? "" : value.toFixed(4));
/** A cell that a spreadsheet would take for a formula is text. */
const words = (text: string) => (/^[=+\-@\t\r]/.test(text) ? `'${text}` : text);

/** Curves as a table: a row a day a fill was counted on. Shares are 0 to 1. */
export const curvesCsv = (curves: readonly LevelCurve[]): string =>
  `${csvFormatRows([
    ["sets", "day", "still_on", "at_least", "at_most", "fills"],
    ...curves.flatMap(({ label, points }) =>
      points.map((point) => [
        words(label),
        String(point.days),
        share(point.share),
        share(point.low),
        share(point.high),
        String(point.fills),
      ]),
    ),
  ])}\n`;
