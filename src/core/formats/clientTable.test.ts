import { readClientTable, type ClientRow } from "./clientTable";
import { readDay } from "./dayOfBirth";
import { guessClientTable } from "./guessClientTable";

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
  ["01/01/1900", "dmy", "1900-01-01"],
  ["31/12/1899", "dmy", null],
  ["01/00/1990", "dmy", null],
  ["1990/03/366", "iso", null],
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

test.each([
  [
    "Имя,Фамилия,Телефон,Дата рождения,Примечание\nЛина,Марш,+7 171 555 01 23,25.12.1990,левый бок",
    { name: "Лина Марш", phone: "+7 171 555 01 23", bornOn: "1990-12-25", notes: "левый бок" },
  ],
  [
    "Jméno,Příjmení,Telefon,Datum narození,Poznámka\nŽofie,Mokrá,171 555 012,25.12.1990,levý bok",
    { name: "Žofie Mokrá", phone: "171 555 012", bornOn: "1990-12-25", notes: "levý bok" },
  ],
  [
    "Ad,Soyad,Telefon,Doğum tarihi,E-posta\nLale,Kıyı,0171 555 01 23,25.12.1990,lale@posta.example",
    { name: "Lale Kıyı", phone: "0171 555 01 23", bornOn: "1990-12-25", email: "lale@posta.example" },
  ],
  ["Nimi,Puhelin,Syntymäaika\nLiina Ranta,0171 555 0123,25.12.1990", { name: "Liina Ranta", phone: "0171 555 0123", bornOn: "1990-12-25" }],
  ["Fornavn,Etternavn,Fødselsdato\nLine,Strand,25.12.1990", { name: "Line Strand", bornOn: "1990-12-25" }],
])("headings of yet another language: %j", (text, client) => expect(clients(read(text).rows)).toEqual([expect.objectContaining(client)]));

test("of several headings that would do, the one whose column holds what it says; the others are in the note", () => {
  const { guess, rows } = read(`
Name,E-mails wanted,E-mail 1 label,E-mail 1,Phone 1 label,Phone 1,Cancelled visits,Birth name,Birthday
Lina Marsh,yes,Work,lina@post.example,Mobile,0171 555 0123,2,Oare,25/12/1990
Tove Oare,no,Home,,Home,0171 555 0199,0,,01/02/1985`);
  expect(guess.reading.columns).toEqual({ name: 0, email: 3, phone: 5, bornOn: 8 });
  expect(clients(rows)[0]).toMatchObject({ email: "lina@post.example", phone: "0171 555 0123", bornOn: "1990-12-25" });
  expect(clients(rows)[0]!.notes.split("\n")).toEqual([
    "E-mails wanted: yes",
    "E-mail 1 label: Work",
    "Phone 1 label: Mobile",
    "Cancelled visits: 2",
    "Birth name: Oare",
  ]);
  // And alone it is no telephone, though "cell" is in it.
  expect(read("Name,Cancelled\nLina,2").guess.reading.columns).toEqual({ name: 0 });
});

test("headings in no language we know are headings still: what stands under them is something else", () => {
  const { guess, rows } = read(`
Izena,Zenbakia,Helbidea,Azken bisita
Lina Marsh,0171 555 0123,lina@post.example,03/05/2026
Tove Oare,0171 555 0199,tove@post.example,04/05/2026`);
  // When they were last there is a day too, and nobody's birthday.
  expect(guess.reading).toMatchObject({ skip: 1, columns: { name: 0, phone: 1, email: 2 } });
  expect(guess.reading.columns).not.toHaveProperty("bornOn");
  expect(guess.doubts).toHaveLength(1);
  expect(clients(rows).map(({ name, notes }) => [name, notes])).toEqual([
    ["Lina Marsh", "Azken bisita: 03/05/2026"],
    ["Tove Oare", "Azken bisita: 04/05/2026"],
  ]);
  // A number of a card is no telephone, for all that its heading is not known.
  expect(read("Izena,Txartela\nLina Marsh,1000234\nTove Oare,1000235").guess.reading.columns).toEqual({ name: 0 });
});

test("a first row that lacks what the others have is a client all the same, where anything of it is one's", () => {
  const { guess, rows } = read(`
Lina Marsh,no number yet,lina@post.example
Tove Oare,0171 555 0199,tove@post.example
Moa Dunn,0171 555 0155,moa@post.example`);
  expect(guess.reading.skip).toBe(0);
  expect(clients(rows).map(({ phone, contact }) => [phone, contact])[0]).toEqual(["", "no number yet"]);
});

test("without headings a first client whose cells are like the others' is one, and a number needs no 0 before it", () => {
  const born = read("Lina Marsh,25 Dec 1990\nTove Oare,01/02/1985\nMoa Dunn,03/04/1991");
  expect(born.rows).toHaveLength(3);
  expect(read("Lina Marsh,likes C\nTove Oare,0171 555 0199\nMoa Dunn,likes D").rows).toHaveLength(3);
  expect(born.guess.reading.columns).toEqual({ name: 0, bornOn: 1 });
  expect(read("Lina Marsh,555 123 4567\nTove Oare,555 123 4568").guess.reading).toMatchObject({ skip: 0, columns: { name: 0, phone: 1 } });
});

test.each([
  ["Contact", "0171 555 0123", { phone: 1 }],
  ["Contact", "lina@post.example", { email: 1 }],
  ["Contact number", "555 123 4567", { phone: 1 }],
  ["Number", "555 123 4567", { phone: 1 }],
  ["Contact", "at the harbour shop", { contact: 1 }],
])("under %j, %j is known for what it is", (heading, cell, column) =>
  expect(read(`Name,${heading}\nLina Marsh,${cell}`).guess.reading.columns).toEqual({ name: 0, ...column }),
);

test("of a table far too wide the first columns are guessed, and what stands further out is in the note", () => {
  const far = (cell: string, between: number) => ["Lina Marsh", ...Array.from({ length: between }, () => ""), cell].join(",");
  expect(read(`${far("lina@post.example", 298)}\nTove Oare`).guess.reading.columns).toEqual({ name: 0, email: 299 });
  const { guess, rows } = read(`${far("lina@post.example", 299)}\nTove Oare`);
  expect(guess.reading.columns).toEqual({ name: 0 });
  expect(clients(rows)[0]!.notes).toBe("Column 301: lina@post.example");
});

test("a number of a small place is a number, one in brackets too", () => {
  expect(clients(read("Name,Phone\nLina,55 501\nTove,1234").rows).map(({ phone, contact }) => [phone, contact])).toEqual([
    ["55 501", ""],
    ["", "1234"],
  ]);
  expect(read("Lina Marsh,(555) 123-4567\nTove Oare,(555) 123-4568").guess.reading.columns).toEqual({ name: 0, phone: 1 });
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

test("what is just as long as may be is taken; a longer way to reach somebody goes to the note", () => {
  const [name, note, far] = ["x".repeat(120), "n".repeat(4000), "w".repeat(300)];
  expect(clients(read(`Name,Notes\n${name},${note}`).rows)).toMatchObject([{ name, notes: note }]);
  const { rows } = read(`Name,Contact\nLina,${far}\nTove,${far}w`);
  expect(clients(rows).map(({ contact, notes }) => [contact, notes])).toEqual([
    [far, ""],
    ["", `${far}w`],
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
