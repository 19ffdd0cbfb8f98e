import { isEmail, phoneEnd } from "../client";

/** What a column of a list of clients may say. */
export const CLIENT_FIELDS = ["name", "firstName", "lastName", "phone", "email", "bornOn", "contact", "notes"] as const;
export type ClientField = (typeof CLIENT_FIELDS)[number];
export const DAY_ORDERS = ["iso", "dmy", "mdy"] as const;
export type DayOrder = (typeof DAY_ORDERS)[number];

/** How the columns of a list of clients are read. Guessed first, and a person may set it right. */
export type ClientTableReading = {
  /** Rows before the first client: titles and headings. */
  readonly skip: number;
  /** Which column says what; what is not there is in none. */
  readonly columns: Readonly<Partial<Record<ClientField, number>>>;
  readonly dayOrder: DayOrder;
  /** Columns that say none of these become lines of the note: nothing is lost. */
  readonly othersToNotes: boolean;
};
export type ClientTableGuess = {
  readonly reading: ClientTableReading;
  readonly header: readonly string[];
  readonly doubts: readonly string[];
};

export type ReadClient = {
  readonly name: string;
  readonly phone: string;
  readonly email: string;
  readonly bornOn: string | null;
  readonly contact: string;
  readonly notes: string;
};
/** A row, 1 for the first of the file as a spreadsheet counts; `minded` is what could not stand in its own field and was put elsewhere. */
export type ClientRow =
  | { readonly row: number; readonly ok: true; readonly client: ReadClient; readonly minded: readonly string[] }
  | { readonly row: number; readonly ok: false; readonly why: string };

const HEADINGS: readonly (readonly [ClientField, RegExp])[] = [
  ["firstName", /^(first|given|fore)[\s_-]*name|^vorname|^pr[ée]nom|^(primer )?nombre$|^f[öo]rnamn|^fornavn|^imi[ęe]$|^voornaam|^nome$/i],
  [
    "lastName",
    /^(last|family|sur)[\s_-]*name|^nachname|^familienname|^nom( de famille)?$|^apellido|^efternamn|^etternavn|^nazwisko|^achternaam|^cognome|^sobrenome/i,
  ],
  ["email", /e-?mail|^mail$|correo|courriel/i],
  ["phone", /phone|mobile|cell|^tel|^handy|mobil|m[óo]vil|t[ée]l[ée]fono?|telefon|gsm/i],
  ["bornOn", /birth|^dob$|born|geburt|naiss|nacimiento|f[öo]del|f[øo]dt|urodz|geboorte|nascita|nascimento/i],
  ["notes", /note|comment|remark|bemerkung|notiz|remarque|observ|anteckn|uwagi|opmerking/i],
  ["contact", /address|adresse|street|stra(ß|ss)e|contact|anschrift|direcci|indirizzo|adres/i],
  ["name", /^(full|client|customer|display)?[\s_-]*name$|^client$|^customer$|^kund|^nombre y|^nom complet|^namn$|^navn$|^naam$/i],
];

const PHONE = /^\+?[\d][\d\s()/.\-–]{4,38}$/;
const MONTHS = ["jan", "feb", "mar", "apr", "may", "jun", "jul", "aug", "sep", "oct", "nov", "dec"];

/** A spreadsheet's way to keep a text from being taken for a formula. */
const bare = (cell: string) => cell.trim().replace(/^'(?=[=+\-@])/, "");

/** A day of birth as people write it, ISO, or null. Two figures of a year are of the last hundred years before `today`. */
export function readDay(text: string, order: DayOrder, today: string): string | null {
  const cell = text.trim().replace(/[T\s]+\d{1,2}:\d{2}(:\d{2}(\.\d+)?)?\s*(Z|[ap]m)?$/i, "");
  const worded =
    /^(?:(\d{1,2})(?:st|nd|rd|th|\.)?[\s-]+([a-z]{3,9})\.?|([a-z]{3,9})\.?[\s-]+(\d{1,2})(?:st|nd|rd|th)?),?[\s-]+(\d{4}|\d{2})$/i.exec(
      cell,
    );
  const figures = /^(\d{1,4})[-/. ]\s?(\d{1,2})[-/. ]\s?(\d{1,4})\.?$/.exec(cell);
  let parts: readonly [string, number, number];
  if (worded) {
    const month = MONTHS.indexOf((worded[2] ?? worded[3]!).slice(0, 3).toLowerCase()) + 1;
    parts = [worded[5]!, month, Number(worded[1] ?? worded[4])];
  } else if (figures) {
    const [, a, b, c] = figures;
    const yearFirst = a!.length > 2;
    if (order === "iso" && !yearFirst) return null;
    parts = yearFirst ? [a!, Number(b), Number(c)] : order === "mdy" ? [c!, Number(a), Number(b)] : [c!, Number(b), Number(a)];
  } else return null;
  const [year, month, day] = parts;
  if (year.length === 3 || year.length === 1) return null;
  const century = Math.floor(Number(today.slice(0, 4)) / 100) * 100;
  const short = century + Number(year);
  const full = year.length === 4 ? Number(year) : short > Number(today.slice(0, 4)) ? short - 100 : short;
  const at = new Date(Date.UTC(full, month - 1, day));
  if (full < 1900 || month < 1 || at.getUTCMonth() + 1 !== month || at.getUTCDate() !== day) return null;
  const iso = at.toISOString().slice(0, 10);
  return iso <= today ? iso : null;
}

/** Guesses the headings, which column says what, and how dates are written. Null where no column of names can be found. */
export function guessClientTable(rows: readonly (readonly string[])[], today: string): ClientTableGuess | null {
  const filled = rows.findIndex((row) => row.filter((cell) => cell.trim()).length > 0);
  if (filled < 0) return null;
  // Titles may stand over the headings: the first of the first rows in which most is a heading, if any is.
  const known = (row: readonly string[]) => row.filter((cell) => HEADINGS.some(([, words]) => words.test(cell.trim()))).length;
  const heading = rows
    .slice(0, 12)
    .findIndex((row) => known(row) >= 2 || (known(row) === 1 && row.filter((cell) => cell.trim()).length <= 2));
  const header = heading < 0 ? [] : rows[heading]!.map((cell) => cell.trim());
  const skip = heading < 0 ? filled : heading + 1;
  const body = rows.slice(skip, skip + 400).filter((row) => row.some((cell) => cell.trim()));
  if (body.length === 0) return null;
  const width = Math.max(...body.map((row) => row.length));
  const all = Array.from({ length: width }, (_, i) => i);
  const cells = (column: number) => body.map((row) => bare(row[column] ?? "")).filter(Boolean);
  const share = (column: number, test: (cell: string) => boolean) => {
    const list = cells(column);
    return list.length === 0 ? 0 : list.filter(test).length / list.length;
  };
  const columns: Partial<Record<ClientField, number>> = {};
  const taken = new Set<number>();
  const take = (field: ClientField, column: number | undefined) => {
    if (column === undefined || columns[field] !== undefined) return;
    columns[field] = column;
    taken.add(column);
  };
  for (const [field, words] of HEADINGS)
    take(
      field,
      all.find((i) => !taken.has(i) && words.test(header[i] ?? "") && cells(i).length > 0) ??
        all.find((i) => !taken.has(i) && words.test(header[i] ?? "")),
    );
  const isDay = (cell: string) => DAY_ORDERS.some((order) => readDay(cell, order, today) !== null);
  const free = () => all.filter((i) => !taken.has(i) && !header[i]);
  take(
    "email",
    free().find((i) => share(i, isEmail) > 0.6),
  );
  take(
    "bornOn",
    free().find((i) => share(i, isDay) > 0.8),
  );
  take(
    "phone",
    free().find((i) => share(i, (cell) => PHONE.test(cell)) > 0.6),
  );
  const doubts: string[] = [];
  // "Nom" and "Nombre" are half a name beside another half, and a whole one alone.
  if (columns.name === undefined && (columns.firstName === undefined) !== (columns.lastName === undefined)) {
    const half = columns.firstName ?? columns.lastName;
    if (share(half!, (cell) => /\S\s+\S/.test(cell)) > 0.5) {
      delete columns.firstName;
      delete columns.lastName;
      columns.name = half!;
    }
  }
  if (columns.name === undefined && columns.firstName === undefined && columns.lastName === undefined) {
    const letters = all.find((i) => !taken.has(i) && share(i, (cell) => /\p{L}{2}/u.test(cell) && !/\d/.test(cell)) > 0.7);
    if (letters === undefined) return null;
    take("name", letters);
    doubts.push("No heading says which column holds the names.");
  }
  const { order, sure } =
    columns.bornOn === undefined ? { order: "dmy" as const, sure: true } : guessDayOrder(cells(columns.bornOn), today);
  if (!sure) doubts.push("Every date of birth can be read day first or month first. Look at the ones below.");
  return { reading: { skip, columns, dayOrder: order, othersToNotes: true }, header, doubts };
}

function guessDayOrder(cells: readonly string[], today: string): { readonly order: DayOrder; readonly sure: boolean } {
  const reads = (order: DayOrder) => cells.filter((cell) => readDay(cell, order, today) !== null).length;
  const [iso, dmy, mdy] = [reads("iso"), reads("dmy"), reads("mdy")];
  if (iso >= dmy && iso >= mdy) return { order: "iso", sure: true };
  if (dmy !== mdy) return { order: dmy > mdy ? "dmy" : "mdy", sure: true };
  // Points between the figures are a habit of places that write the day first.
  const isPointed = cells.every((cell) => !/\d[/-]\d/.test(cell));
  return { order: "dmy", sure: isPointed };
}

const [NAME_MOST, CONTACT_MOST, NOTES_MOST] = [120, 300, 4000] as const;
const withoutControls = (text: string) => text.replace(/\p{Cc}/gu, (sign) => (sign === "\n" || sign === "\t" ? sign : ""));

/** Every row after the headings as a client, or why it is none. Empty rows are left out. */
export function readClientTable(
  rows: readonly (readonly string[])[],
  { skip, columns, dayOrder, othersToNotes }: ClientTableReading,
  today: string,
): ClientRow[] {
  const header = rows[skip - 1] ?? [];
  const used = new Set(Object.values(columns));
  return rows.slice(skip).flatMap((cells, i): ClientRow[] => {
    const row = skip + i + 1;
    if (cells.every((cell) => cell.trim() === "")) return [];
    const say = (field: ClientField) => (columns[field] === undefined ? "" : withoutControls(bare(cells[columns[field]] ?? "")).trim());
    const line = (field: ClientField) => say(field).replace(/\s+/g, " ");
    const name = line("name") || [line("firstName"), line("lastName")].filter(Boolean).join(" ");
    if (!name) return [{ row, ok: false, why: "No name in this row." }];
    if (name.length > NAME_MOST)
      return [{ row, ok: false, why: `A name of ${name.length} characters: more than ${NAME_MOST} are not taken.` }];
    const minded: string[] = [];
    const contacts = [say("contact")];
    const noted = [say("notes")];
    const own = (field: "phone" | "email", isOne: (text: string) => boolean, what: string) => {
      const text = line(field);
      if (text === "" || isOne(text)) return text;
      minded.push(`“${shorten(text)}” is no ${what}: kept among the other ways to reach them.`);
      contacts.push(text);
      return "";
    };
    const phone = own("phone", (text) => text.length <= 40 && phoneEnd(text) !== null && !/\de[+-]?\d/i.test(text), "telephone number");
    const email = own("email", (text) => text.length <= 200 && isEmail(text), "e-mail address");
    const written = line("bornOn");
    const bornOn = written ? readDay(written, dayOrder, today) : null;
    if (written && bornOn === null) {
      minded.push(`“${shorten(written)}” is no date of birth: kept in the note.`);
      noted.push(`Date of birth, as written: ${written}`);
    }
    if (othersToNotes)
      cells.forEach((cell, column) => {
        const text = withoutControls(bare(cell)).trim();
        if (!used.has(column) && text) noted.push(`${(header[column] ?? "").trim() || `Column ${column + 1}`}: ${text}`);
      });
    let contact = contacts.filter(Boolean).join(", ");
    if (contact.length > CONTACT_MOST) {
      noted.push(contact);
      contact = "";
    }
    const notes = noted.filter(Boolean).join("\n");
    if (notes.length > NOTES_MOST)
      return [
        {
          row,
          ok: false,
          why: `A note of ${notes.length.toLocaleString("en-GB")} characters: more than ${NOTES_MOST.toLocaleString("en-GB")} are not taken.`,
        },
      ];
    return [{ row, ok: true, client: { name, phone, email, bornOn, contact, notes }, minded }];
  });
}

const shorten = (text: string) => (text.length > 40 ? `${text.slice(0, 40)}…` : text);
