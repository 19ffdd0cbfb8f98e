import fc from "fast-check";
import { guessSeparator, guessTable, readTable, type DateOrder } from ".";

/**
 * Whatever a logger's habits, what it wrote is what is read: separators, decimal marks, order of dates, hours with am and
 * pm or in a column of their own, degrees, fractions, titles and headings of several languages.
 */
type Style = {
  readonly separator: "," | ";" | "\t" | "|";
  readonly comma: boolean;
  readonly order: Exclude<DateOrder, "unixS" | "unixMs">;
  readonly mark: "-" | "/" | ".";
  readonly ownHour: boolean;
  readonly halfDay: boolean;
  readonly fahrenheit: boolean;
  readonly fraction: boolean;
  readonly title: boolean;
  readonly dampFirst: boolean;
  readonly heading: readonly [date: string, hour: string, warmth: string, damp: string];
};
type Reading = { readonly minute: number; readonly tenths: number; readonly permille: number };

const HEADINGS = [
  ["Date", "Time", "Temperature", "Humidity"],
  ["Datum", "Uhrzeit", "Temperatur", "rel. Feuchte"],
  ["Fecha", "Hora", "Temp", "Hum"],
  ["Datum", "Tijd", "Temp", "RH"],
] as const;
// A day over the twelfth says which figure is the month.
const BEGIN = Date.UTC(2026, 2, 14, 9, 0);

const style: fc.Arbitrary<Style> = fc
  .record({
    separator: fc.constantFrom(",", ";", "\t", "|"),
    comma: fc.boolean(),
    order: fc.constantFrom("iso", "dmy", "mdy"),
    mark: fc.constantFrom("-", "/", "."),
    ownHour: fc.boolean(),
    halfDay: fc.boolean(),
    fahrenheit: fc.boolean(),
    fraction: fc.boolean(),
    title: fc.boolean(),
    dampFirst: fc.boolean(),
    heading: fc.constantFrom(...HEADINGS),
  } as const)
  // A comma cannot part both columns and figures.
  .map((one) => ({ ...one, comma: one.comma && one.separator !== "," }) as Style);
const readings: fc.Arbitrary<Reading[]> = fc
  .uniqueArray(fc.integer({ min: 0, max: 14_000 }), { minLength: 3, maxLength: 30 })
  .chain((minutes) =>
    fc.tuple(
      ...minutes
        .sort((a, b) => a - b)
        .map((minute) =>
          fc.record({
            minute: fc.constant(minute),
            tenths: fc.integer({ min: 100, max: 350 }),
            permille: fc.integer({ min: 150, max: 900 }),
          }),
        ),
    ),
  );

function written(rows: readonly Reading[], by: Style): string {
  const figure = (value: number, digits: number) => value.toFixed(digits).replace(".", by.comma ? "," : ".");
  const line = (...cells: string[]) => cells.join(by.separator);
  const two = (value: number) => String(value).padStart(2, "0");
  const [date, hour, warmth, damp] = by.heading;
  const measures = <T>(one: T, other: T): T[] => (by.dampFirst ? [other, one] : [one, other]);
  const heads = measures(`${warmth} (°${by.fahrenheit ? "F" : "C"})`, by.fraction ? damp : `${damp} (%)`);
  const lines = rows.map(({ minute, tenths, permille }) => {
    const at = new Date(BEGIN + minute * 60_000);
    const [y, m, d] = [String(at.getUTCFullYear()), two(at.getUTCMonth() + 1), two(at.getUTCDate())];
    const day = { iso: [y, m, d], dmy: [d, m, y], mdy: [m, d, y] }[by.order].join(by.mark);
    const h = at.getUTCHours();
    const clock = by.halfDay
      ? `${h % 12 || 12}:${two(at.getUTCMinutes())} ${h < 12 ? "AM" : "PM"}`
      : `${two(h)}:${two(at.getUTCMinutes())}:00`;
    const t = by.fahrenheit ? figure((tenths / 10) * 1.8 + 32, 2) : figure(tenths / 10, 1);
    const rh = by.fraction ? figure(permille / 1000, 3) : figure(permille / 10, 1);
    return by.ownHour ? line(day, clock, ...measures(t, rh)) : line(`${day} ${clock}`, ...measures(t, rh));
  });
  const header = by.ownHour ? line(date, hour, ...heads) : line(`${date} ${hour}`, ...heads);
  return [...(by.title ? ["Logger 4711, shelf by the window"] : []), header, ...lines].join("\n");
}

test("a table in any usual habit is read back as it was written", () => {
  fc.assert(
    fc.property(readings, style, (rows, by) => {
      const text = written(rows, by);
      const separator = guessSeparator(text);
      expect(separator).toBe(by.separator);
      const cells = text.split("\n").map((line) => line.split(separator));
      const guess = guessTable(cells)!;
      expect(guess.reading).toMatchObject({
        skip: by.title ? 2 : 1,
        dateOrder: by.order,
        temperatureUnit: by.fahrenheit ? "F" : "C",
        humidityUnit: by.fraction ? "fraction" : "percent",
      });
      const table = readTable(cells, guess.reading);
      expect(table).toHaveLength(rows.length);
      for (const [i, row] of table.entries()) {
        if (!row.ok || row.time.kind !== "wall") throw new Error(`line ${row.line} was not read: ${text}`);
        const { year, month, day, hour, minute } = row.time;
        expect((Date.UTC(year, month - 1, day, hour, minute) - BEGIN) / 60_000).toBe(rows[i]!.minute);
        expect(Math.abs(row.temperatureC - rows[i]!.tenths / 10)).toBeLessThan(0.006);
        expect(row.relativeHumidity).toBeCloseTo(rows[i]!.permille / 1000, 6);
      }
    }),
    { seed: 12, numRuns: 400 },
  );
});

test("text that is no table is refused or read, and never breaks anything", () => {
  fc.assert(
    fc.property(fc.string({ maxLength: 400, unit: "grapheme" }), fc.constantFrom(...HEADINGS), (noise, [date, , warmth, damp]) => {
      for (const text of [noise, `${date};${warmth};${damp}\n${noise}`, `${date};${warmth};${damp}\n2026-03-14 09:00;21;40\n${noise}`]) {
        const cells = text.split("\n").map((line) => line.split(guessSeparator(text)));
        const guess = guessTable(cells);
        if (!guess) continue;
        for (const row of readTable(cells, guess.reading)) {
          if (!row.ok) expect(row.why).toMatch(/\w/);
          else expect(row.relativeHumidity > 0 && row.relativeHumidity <= 1 && Number.isFinite(row.temperatureC)).toBe(true);
        }
      }
    }),
    { seed: 13, numRuns: 400 },
  );
});
