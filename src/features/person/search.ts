import "server-only";
import { and, desc, isNull, sql, type SQL } from "drizzle-orm";
import { figuresOf, fold, phoneEnd, searchWords } from "@/core/client";
import type { Policy } from "@/core/policy";
import { client } from "@/db/schema";
import type { StudioTransaction } from "@/server/inStudio";

/** Clients who are somebody: neither merged into another, nor erased, nor taken back with their file. */
export const isSomebody = () => isNull(client.gone);

const literal = (text: string) => text.replace(/[\\%_]/g, (c) => `\\${c}`);

/** A telephone number is searched by its figures, whatever it begins with and however it is parted. */
const MOSTLY_FIGURES = /^\+?[\d\s()/.-]{4,}$/;

/** What lets those through whom a search finds: every word of it, in a name, an address, a number or a note, accents and capitals or not. */
export function found(search: string): SQL | undefined {
  if (MOSTLY_FIGURES.test(search.trim())) {
    const figures = figuresOf(search).replace(/^0+/, "") || "0";
    // Written with its country's number, it is found where it is kept without: both end alike.
    const end = /^(\+|00)/.test(search.trim()) && figures.length > 9 ? phoneEnd(search)! : figures;
    return sql`(${client.searched} like ${`%${literal(figures)}%`} or ${client.searched} like ${`%${literal(end)}%`} or ${client.searched} like ${`%${literal(fold(search))}%`})`;
  }
  return and(...searchWords(search).map((word) => sql`${client.searched} like ${`%${literal(word)}%`}`));
}

/** Names in the order of the studio's language. The language is one of a list, never what somebody typed. */
const byName = ({ nameOrder }: Pick<Policy, "nameOrder">) => sql`${client.name} collate ${sql.raw(`"${nameOrder}-x-icu"`)}`;

/** The order of a list: those whose name begins with what is searched, those with such a word in it, the others; within it by name. */
export function inOrder(search: string, policy: Pick<Policy, "nameOrder">): SQL[] {
  const [first] = searchWords(search);
  const start = first === undefined ? [] : [literal(first)];
  return [
    ...start.flatMap((word) => [
      desc(sql`${client.foldedName} like ${`${word}%`}`),
      desc(sql`(' ' || ${client.foldedName}) like ${`% ${word}%`}`),
      desc(sql`${client.foldedName} like ${`%${word}%`}`),
    ]),
    byName(policy),
    sql`${client.id}`,
  ];
}

export type FoundClient = { readonly id: string; readonly name: string; readonly mannequin: boolean; readonly hint: string };

/** The first few clients whom a search finds and who may come; with what else they are known by where it was not the name. */
export async function findClientsBy(
  tx: StudioTransaction,
  search: string,
  policy: Pick<Policy, "nameOrder">,
  most: number,
): Promise<FoundClient[]> {
  const rows = await tx
    .select({
      id: client.id,
      name: client.name,
      mannequin: client.mannequin,
      phone: client.phone,
      email: client.email,
      notes: client.notes,
      contact: client.contact,
    })
    .from(client)
    .where(and(isSomebody(), isNull(client.archivedAt), found(search)))
    .orderBy(...inOrder(search, policy))
    .limit(most);
  return rows.map(({ id, name, mannequin, ...more }) => ({ id, name, mannequin, hint: foundBy(search, { name, ...more }) }));
}

/** Where a search was found if not in the name: the number, the address, or the part of the note; empty where the name says it. */
export function foundBy(
  search: string,
  {
    name,
    ...more
  }: { readonly name: string; readonly phone: string; readonly email: string; readonly contact: string; readonly notes: string },
): string {
  const words = searchWords(search);
  if (words.every((word) => fold(name).includes(word))) return "";
  const [phone, email, contact, notes] = [more.phone, more.email, more.contact, more.notes];
  const figures = figuresOf(search).replace(/^0+/, "");
  if (phone && figures.length >= 4 && figuresOf(phone).includes(figures)) return phone;
  const has = (text: string) => words.some((word) => fold(text).includes(word) && !fold(name).includes(word));
  if (has(email)) return email;
  if (has(phone)) return phone;
  if (has(contact)) return contact;
  const line = notes.split(/\n|(?<=[.!?])\s/).find(has) ?? "";
  return line.length > 80 ? `${line.slice(0, 80)}…` : line;
}
