import { figuresOf, isEmail } from "../client";
import { readDay, type DayOrder } from "./dayOfBirth";

/** What a column of a list of clients may say. */
export const CLIENT_FIELDS = ["name", "firstName", "lastName", "phone", "email", "bornOn", "contact", "notes"] as const;
export type ClientField = (typeof CLIENT_FIELDS)[number];

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

/** The least figures of a telephone number: numbers of one small place are short. */
const LEAST_FIGURES = 5;
/** Not where a spreadsheet has cut it to 4.4E+11. */
export const isPhone = (text: string) => text.length <= 40 && figuresOf(text).length >= LEAST_FIGURES && !/\de[+-]?\d/i.test(text);
/** A spreadsheet's way to keep a text from being taken for a formula. */
export const bare = (cell: string) => cell.trim().replace(/^'(?=[=+\-@])/, "");

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
    const phone = own("phone", isPhone, "telephone number");
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
