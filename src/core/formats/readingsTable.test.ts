import { guessSeparator, guessTable, numberIn, parseTime, readTable } from ".";

// Tables as common loggers write them, each made up here: separators, headings, dates and units differ.
const split = (text: string) => {
  const separator = guessSeparator(text);
  return text.split("\n").map((line) => line.split(separator).map((cell) => cell.replace(/^"|"$/g, "")));
};
const read = (text: string) => {
  const rows = split(text);
  const guess = guessTable(rows)!;
  return { guess, rows: readTable(rows, guess.reading) };
};
const wall = (year: number, month: number, day: number, hour: number, minute: number, second = 0) => ({
  kind: "wall",
  year,
  month,
  day,
  hour,
  minute,
  second,
});

test("comma, ISO times with a zone, per cent", () => {
  const { guess, rows } = read("timestamp,temperature_c,humidity\n2026-03-02T09:00:00Z,21.4,43\n2026-03-02T10:00:00+01:00,21.6,42.5");
  expect(guess.doubts).toEqual([]);
  expect(rows).toEqual([
    { line: 2, ok: true, time: { kind: "absolute", ms: Date.UTC(2026, 2, 2, 9) }, temperatureC: 21.4, relativeHumidity: 0.43 },
    { line: 3, ok: true, time: { kind: "absolute", ms: Date.UTC(2026, 2, 2, 9) }, temperatureC: 21.6, relativeHumidity: 0.425 },
  ]);
});

test("semicolon, decimal comma, day first with points, a title over the heading", () => {
  const { guess, rows } = read(
    "Logger 4711\nDatum;Uhrzeit;Temperatur °C;rel. Feuchte %;Taupunkt °C\n02.03.2026;09:00:05;21,4;43,0;8,4\n02.03.2026;09:10:05;21,5;42,8;8,3",
  );
  expect(guess.reading).toMatchObject({ skip: 2, time: 0, hour: 1, temperature: 2, humidity: 3, dateOrder: "dmy", temperatureUnit: "C" });
  expect(rows[0]).toEqual({ line: 3, ok: true, time: wall(2026, 3, 2, 9, 0, 5), temperatureC: 21.4, relativeHumidity: 0.43 });
});

test("month first by a figure over twelve, Fahrenheit by its heading, hours with am and pm", () => {
  const { guess, rows } = read("Date Time,Temp(°F),RH(%)\n3/14/2026 12:05 AM,71.6,38\n3/14/2026 1:05 PM,73.4,36");
  expect(guess.reading).toMatchObject({ dateOrder: "mdy", temperatureUnit: "F", humidityUnit: "percent" });
  expect(rows.map((row) => row.ok && row.time)).toEqual([wall(2026, 3, 14, 0, 5), wall(2026, 3, 14, 13, 5)]);
  // 71.6 °F are 22 °C.
  expect(rows[0]!.ok && rows[0]!.temperatureC).toBeCloseTo(22, 6);
});

test("no heading, fractions, seconds since 1970", () => {
  const { guess, rows } = read("1772442000\t21.4\t0.43\n1772442600\t21.5\t0.42");
  expect(guess.reading).toMatchObject({ skip: 0, dateOrder: "unixS", humidityUnit: "fraction" });
  expect(guess.doubts).toHaveLength(1);
  expect(rows[0]).toMatchObject({ ok: true, time: { kind: "absolute", ms: 1772442000000 }, relativeHumidity: 0.43 });
});

test("Fahrenheit without a word of it: no room has 72 °C", () => {
  expect(read("time,temp,hum\n2026-03-02 09:00,72.1,41\n2026-03-02 09:05,72.3,41").guess.reading.temperatureUnit).toBe("F");
});

test("dates that read both ways go by the shorter span, and where that says nothing a person is asked", () => {
  const over = (dates: string[]) => read(`date,temp °C,hum\n${dates.map((date) => `${date} 09:00,21,40`).join("\n")}`).guess;
  expect(over(["05/03/2026", "06/03/2026", "07/03/2026"]).reading.dateOrder).toBe("dmy");
  expect(over(["03/05/2026", "03/06/2026", "03/07/2026"]).reading.dateOrder).toBe("mdy");
  expect(over(["05/05/2026", "05/05/2026"]).doubts.join(" ")).toMatch(/day first or month first/);
});

test("columns in another order, a dew point and a battery beside them", () => {
  const { guess } = read(
    "Humidity (%),Dew point (°C),Battery,Temperature (°C),Time\n41,8.1,2.9,21.7,2026-03-02 09:00\n42,8.2,2.9,21.6,2026-03-02 09:05",
  );
  expect(guess.reading).toMatchObject({ humidity: 0, temperature: 3, time: 4 });
});

test("what is wrong with a line is said by its number, and the others are read", () => {
  const { rows } = read(
    "time,temp,hum\n2026-03-02 09:00,21,40\n2026-02-30 09:05,21,40\n2026-03-02 09:10,error,40\n2026-03-02 09:15,21,140\n2026-03-02 09:20,1e9,40\n\n2026-03-02 09:25,21,-5\n2026-03-02 09:30,21,",
  );
  expect(rows.map((row) => [row.line, row.ok || row.why])).toEqual([
    [2, true],
    [3, expect.stringMatching(/No time can be read/)],
    [4, expect.stringMatching(/No temperature/)],
    [5, "Humidity cannot pass 100 %."],
    [6, "A room over 60 °C cannot be right."],
    [8, "No room is under 1 %: a reading below that is a broken sensor."],
    [9, expect.stringMatching(/No humidity/)],
  ]);
});

test.each(["", "hello", "a,b\n1,2", "time,temp,hum\nyesterday,21,40", "name;street\nA;B"])("%j is no table of readings", (text) => {
  expect(guessTable(split(text))).toBeNull();
});

test.each([
  ["21,4 °C", 21.4],
  ["43%", 43],
  ["-3.5", -3.5],
  ["1.2e1", 12],
  ["", null],
  ["n/a", null],
  ["1.234,5", null],
])("the number in %j is %p", (text, expected) => expect(numberIn(text)).toBe(expected));

test.each([
  ["2026-13-01", "iso"],
  ["31/04/2026", "dmy"],
  ["2026-03-02 25:00", "iso"],
  ["02/03/1850", "dmy"],
] as const)("%s is no date", (text, order) => expect(parseTime(text, order)).toBeNull());

test.each([
  [45, "C"],
  [46, "F"],
])("no unit named anywhere: a table about %d is read in °%s, since no room is 46 °C warm", (degrees, unit) =>
  expect(read(`time,temp,hum\n2026-03-02 09:00,${degrees},41\n2026-03-02 09:05,${degrees},41`).guess.reading.temperatureUnit).toBe(unit),
);
