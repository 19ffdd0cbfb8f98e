import { guessClientTable, readClientTable, readDay, type ClientRow } from "./clientTable";

const TODAY = "2026-06-15";
const rowsOf = (text: string, separator = ",") =>
  text
    .trim()
    .split("\n")
    .map((line) => line.split(separator).map((cell) => cell.trim()));
const read = (text: string, separator = ",") => {
  const rows = rowsOf(text, separator);
  const guess = guessClientTable(rows, TODAY)!;
  return { guess, rows: readClientTable(rows, guess.reading, TODAY) };
};
const clients = (rows: readonly ClientRow[]) => rows.flatMap((row) => (row.ok ? [row.client] : []));

test.each([
  ["04/03/1990", "dmy", "1990-03-04"],
  ["04/03/1990", "mdy", "1990-04-03"],
  ["4.3.90", "dmy", "1990-03-04"],
  ["4.3.26", "dmy", "2026-03-04"],
  ["4.3.27", "dmy", "1927-03-04"],
  ["1990-03-04", "iso", "1990-03-04"],
  ["1990-03-04T00:00:00Z", "iso", "1990-03-04"],
  ["1990/03/04", "dmy", "1990-03-04"],
  ["4 Mar 1990", "iso", "1990-03-04"],
  ["March 4, 1990", "dmy", "1990-03-04"],
  ["4th March 1990", "mdy", "1990-03-04"],
  ["31/02/1990", "dmy", null],
  ["13/13/1990", "dmy", null],
  ["04/03/1890", "dmy", null],
  ["16/06/2026", "dmy", null],
  ["15/06/2026", "dmy", "2026-06-15"],
  ["4 March", "dmy", null],
  ["soon", "dmy", null],
] as const)("%j read as %s is %j", (text, order, day) => expect(readDay(text, order, TODAY)).toBe(day));

test("an address book's columns are known by their headings, first and last name put together", () => {
  const { guess, rows } = read(`
First Name,Last Name,E-mail Address,Mobile Phone,Birthday,Notes,City
Lina,Marsh,lina@post.example,+44 171 555 0123,25/12/1990,sleeps on her left,Saltmouth
,Oare,,0171 555 0199,01/02/1985,,`);
  expect(guess.reading).toEqual({
    skip: 1,
    columns: { firstName: 0, lastName: 1, email: 2, phone: 3, bornOn: 4, notes: 5 },
    dayOrder: "dmy",
    othersToNotes: true,
  });
  expect(guess.doubts).toEqual([]);
  expect(clients(rows)).toEqual([
    {
      name: "Lina Marsh",
      phone: "+44 171 555 0123",
      email: "lina@post.example",
      bornOn: "1990-12-25",
      contact: "",
      notes: "sleeps on her left\nCity: Saltmouth",
    },
    { name: "Oare", phone: "0171 555 0199", email: "", bornOn: "1985-02-01", contact: "", notes: "" },
  ]);
});

test.each([
  [
    "Vorname;Nachname;Telefon;Geburtsdatum;Bemerkung\nLina;Marsch;0171 5550123;25.12.1990;mag C",
    { name: "Lina Marsch", bornOn: "1990-12-25", notes: "mag C" },
  ],
  ["Prénom;Nom;Téléphone;Courriel\nZoé;Marais;01 55 50 12 34;zoe@poste.example", { name: "Zoé Marais", email: "zoe@poste.example" }],
  ["Nom;Téléphone\nZoé Marais;01 55 50 12 34", { name: "Zoé Marais", phone: "01 55 50 12 34" }],
  ["Imię;Nazwisko;Telefon;Uwagi\nŁucja;Żółć;555 123 456;lubi D", { name: "Łucja Żółć", phone: "555 123 456", notes: "lubi D" }],
  ["Client;DOB;Mobile\nLina Marsh;1990-12-25;0171 555 0123", { name: "Lina Marsh", bornOn: "1990-12-25", phone: "0171 555 0123" }],
])("headings of another language: %j", (text, client) => {
  expect(clients(read(text, ";").rows)[0]).toMatchObject(client);
});

test("titles over the headings are passed over; without headings columns are known by what stands in them, and that is said", () => {
  const titled = read(`
Clients of the shop,,
exported on Monday,,
Name,Phone,Email
Lina Marsh,0171 555 0123,lina@post.example`);
  expect(titled.guess.reading.skip).toBe(3);
  const bare = read(`
Lina Marsh,0171 555 0123,lina@post.example,25/12/1990
Tove Oare,0171 555 0199,tove@post.example,01/02/1985`);
  expect(bare.guess.reading).toMatchObject({ skip: 0, columns: { name: 0, phone: 1, email: 2, bornOn: 3 } });
  expect(bare.guess.doubts).toHaveLength(1);
  expect(clients(bare.rows)[1]).toMatchObject({ name: "Tove Oare", bornOn: "1985-02-01" });
});

test("which comes first, day or month: by a figure over twelve, by points, else it is asked", () => {
  const order = (...days: string[]) => {
    const { guess } = read(`Name,Birthday\n${days.map((one, i) => `Person ${"abc"[i]},${one}`).join("\n")}`);
    return [guess.reading.dayOrder, guess.doubts.length];
  };
  expect(order("04/03/1990", "25/12/1990")).toEqual(["dmy", 0]);
  expect(order("04/03/1990", "12/25/1990")).toEqual(["mdy", 0]);
  expect(order("1990-12-25", "1985-02-01")).toEqual(["iso", 0]);
  expect(order("04.03.1990", "05.06.1990")).toEqual(["dmy", 0]);
  expect(order("04/03/1990", "05/06/1990")).toEqual(["dmy", 1]);
});

test("nothing is lost: what cannot stand in its own field stands elsewhere, and it is told", () => {
  const { rows } = read(`
Name,Phone,Email,Birthday,Allergies
Lina Marsh,ring her sister,lina at post,some day in May,latex`);
  expect(rows[0]).toMatchObject({
    ok: true,
    client: {
      phone: "",
      email: "",
      bornOn: null,
      contact: "ring her sister, lina at post",
      notes: "Date of birth, as written: some day in May\nAllergies: latex",
    },
  });
  expect(rows[0]).toHaveProperty("minded.length", 3);
  // A spreadsheet has cut a number: it is no number any more.
  expect(clients(read("Name,Phone\nLina,4.41716E+11").rows)[0]).toMatchObject({ phone: "", contact: "4.41716E+11" });
});

test("other columns are left out where somebody says so", () => {
  const rows = rowsOf("Name,City\nLina,Saltmouth");
  const { reading } = guessClientTable(rows, TODAY)!;
  expect(clients(readClientTable(rows, { ...reading, othersToNotes: false }, TODAY))[0]!.notes).toBe("");
});

test("rows without a name, or too long, are wrong in words, by the row a spreadsheet counts; empty ones are nothing", () => {
  const { rows } = read(`
Name,Phone,Notes
Lina,0171 555 0123,
,0171 555 0199,
,,
${"x".repeat(121)},,
Tove,,${"n".repeat(4001)}`);
  expect(rows.map((row) => [row.row, row.ok])).toEqual([
    [2, true],
    [3, false],
    [5, false],
    [6, false],
  ]);
});

test("a formula's guard and control characters go, marks of a language stay", () => {
  const [client] = clients(
    readClientTable(
      [
        ["Name", "Phone"],
        ["Ha\u0007na\u0000 Åse", "'+44 171 555 0123"],
      ],
      { skip: 1, columns: { name: 0, phone: 1 }, dayOrder: "dmy", othersToNotes: true },
      TODAY,
    ),
  );
  expect(client).toMatchObject({ name: "Hana Åse", phone: "+44 171 555 0123" });
});

test("a table with no names in it is none", () => {
  expect(guessClientTable(rowsOf("1,2\n3,4"), TODAY)).toBeNull();
  expect(guessClientTable([], TODAY)).toBeNull();
  expect(guessClientTable([["", ""]], TODAY)).toBeNull();
});
