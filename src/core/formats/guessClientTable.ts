import { isEmail } from "../client";
import { bare, isPhone, type ClientField, type ClientTableReading } from "./clientTable";
import { DAY_ORDERS, readDay, type DayOrder } from "./dayOfBirth";

export type ClientTableGuess = {
  readonly reading: ClientTableReading;
  readonly header: readonly string[];
  readonly doubts: readonly string[];
};

/** In the order they are asked: a first name is no whole one, an e-mail address no address. */
const HEADINGS: readonly (readonly [ClientField, RegExp])[] = [
  [
    "firstName",
    /^(first|given|fore)[\s_-]*name|^vorname|^pr[ée]nom|^(primer )?nombre$|^f[öo]rnamn|^fornavn|^imi[ęe]$|^voornaam|^nome$|^etunimi|^jm[ée]no$|^keresztn[ée]v|^ad[ıi]?$|^имя$|^ім.я$|^όνομα$/i,
  ],
  [
    "lastName",
    /^(last|family|sur)[\s_-]*name|^nachname|^familienname|^nom( de famille)?$|^apellido|^efternamn|^etternavn|^efternavn|^nazwisko|^achternaam|^cognome|^sobrenome|^sukunimi|^p[řr][íi]jmen[íi]|^vezet[ée]kn[ée]v|^soyad|^фамилия|^прізвище|^επώνυμο|^επίθετο/i,
  ],
  ["email", /e-?mail|^mail$|correo|courriel|e-?post|s[äa]hk[öo]posti|почта|пошта/i],
  [
    "phone",
    /phone|mobile|\bcell|contact[\s_-]*n(o|um)|^n[uú]m(ber|mer|er|éro|ero)$|rufnummer|^tel|^handy|mobil|m[óo]vil|t[ée]l[ée]fono?|telefon|gsm|puhelin|matkapuh|телефон|τηλέφωνο|κινητό/i,
  ],
  [
    "bornOn",
    /birth|^dob$|born|geburt|naiss|nacimiento|f[öo]del|f[øo]d[ts]|urodz|geboorte|nascita|nascimento|syntym|naroz|sz[üu]let|do[ğg]um|рожд|народж|γέννησ/i,
  ],
  [
    "notes",
    /note|comment|remark|bemerkung|notiz|remarque|observ|anteckn|uwagi|opmerking|pozn[áa]mk|megjegyz|huom|muistiin|примеч|заметк|приміт|σημειώ/i,
  ],
  ["contact", /ways to reach|address|street|stra(ß|ss)e|contact|anschrift|direcci|indirizzo|adres|osoite|c[íi]m$|адрес|διεύθυνση/i],
  [
    "name",
    /^(full|client|customer|display)?[\s_-]*name$|^client$|^customer$|^kund|^nombre y|^nom complet|^namn$|^navn$|^naam$|^nimi$|^asiakas|^n[ée]v$|^фио$|^клиент$|^клієнт$|^ονοματεπώνυμο/i,
  ],
];

/** Nothing but what a number is written with, as it must be where no heading says what it is. */
const isBarePhone = (text: string) => /^\+?[\d(][\d\s()/.\-–]{4,38}$/.test(text) && isPhone(text);

/** As many rows and columns as a guess needs; what stands further out is read all the same. */
const LOOKED_AT = { rows: 400, columns: 300 };
const shareOf = (cells: readonly string[], test: (cell: string) => boolean) =>
  cells.length === 0 ? 0 : cells.filter(test).length / cells.length;

/** Guesses the headings, which column says what, and how dates are written. Null where no column of names can be found. */
export function guessClientTable(rows: readonly (readonly string[])[], today: string): ClientTableGuess | null {
  const filled = rows.findIndex((row) => row.filter((cell) => cell.trim()).length > 0);
  if (filled < 0) return null;
  const isDay = (cell: string) => DAY_ORDERS.some((order) => readDay(cell, order, today) !== null);
  const heading = headingRow(rows, filled, isDay);
  const header = heading < 0 ? [] : rows[heading]!.map((cell) => cell.trim());
  const skip = heading < 0 ? filled : heading + 1;
  const body = rows.slice(skip, skip + LOOKED_AT.rows).filter((row) => row.some((cell) => cell.trim()));
  if (body.length === 0) return null;
  const width = Math.min(LOOKED_AT.columns, Math.max(...body.map((row) => row.length)));
  const all = Array.from({ length: width }, (_, i) => i);
  const cells = (column: number) => body.map((row) => bare(row[column] ?? "")).filter(Boolean);
  const share = (column: number, test: (cell: string) => boolean) => shareOf(cells(column), test);
  const columns: Partial<Record<ClientField, number>> = {};
  const taken = new Set<number>();
  const take = (field: ClientField, column: number | undefined) => {
    if (column === undefined || columns[field] !== undefined) return;
    columns[field] = column;
    taken.add(column);
  };
  // Where several headings would do ("Phone, label" before "Phone, number"; "E-mails wanted"), the one whose cells are what it says.
  const isOne: Partial<Record<ClientField, (cell: string) => boolean>> = { email: isEmail, phone: isPhone, bornOn: isDay };
  const byHeading = (fields: (field: ClientField) => boolean) => {
    for (const [field, words] of HEADINGS)
      if (fields(field))
        take(
          field,
          all
            .filter((i) => !taken.has(i) && words.test(header[i] ?? ""))
            .sort((a, b) => share(b, isOne[field] ?? Boolean) - share(a, isOne[field] ?? Boolean))[0],
        );
  };
  byHeading((field) => field !== "contact");
  // What no heading says, or "Contact" only, may be plain by what stands there. A day may be any day, so it is only taken where
  // there is no heading.
  const free = () => all.filter((i) => !taken.has(i));
  const isUntitled = (i: number) => !header[i];
  const isUnknown = (i: number) => !HEADINGS.some(([field, words]) => field !== "contact" && words.test(header[i] ?? ""));
  take(
    "email",
    free().find((i) => share(i, isEmail) > 0.6),
  );
  take(
    "bornOn",
    free().find((i) => isUntitled(i) && share(i, isDay) > 0.8),
  );
  take(
    "phone",
    free().find((i) => share(i, isBarePhone) > 0.6 && (isUntitled(i) || (isUnknown(i) && share(i, (cell) => /^[+0(]/.test(cell)) > 0.6))),
  );
  byHeading((field) => field === "contact");
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

/**
 * The row of the headings, below 0 where there is none: the first of the first rows in which most is a heading we know (titles
 * may stand over it); else, in whatever language, the first row of all, where it holds no address, number or day and a column under it does.
 */
function headingRow(rows: readonly (readonly string[])[], filled: number, isDay: (cell: string) => boolean): number {
  const known = (row: readonly string[]) => row.filter((cell) => HEADINGS.some(([, words]) => words.test(cell.trim()))).length;
  const worded = rows
    .slice(0, 12)
    .findIndex((row) => known(row) >= 2 || (known(row) === 1 && row.filter((cell) => cell.trim()).length <= 2));
  if (worded >= 0) return worded;
  const isKnown = (cell: string) => isEmail(cell) || isBarePhone(cell) || isDay(cell);
  const first = rows[filled]!.slice(0, LOOKED_AT.columns).map(bare);
  const below = (column: number) =>
    rows
      .slice(filled + 1, filled + 1 + LOOKED_AT.rows)
      .map((row) => bare(row[column] ?? ""))
      .filter(Boolean);
  const isHeading = !first.some(isKnown) && first.some((cell, column) => cell !== "" && shareOf(below(column), isKnown) > 0.6);
  return isHeading ? filled : -1;
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
