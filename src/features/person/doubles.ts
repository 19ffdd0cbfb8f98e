import "server-only";
import { and, eq, ne, or, sql } from "drizzle-orm";
import { DOUBLE_REASONS, fold, KnownPeople, phoneEnd, type WhoIs } from "@/core/client";
import { client, clientApart } from "@/db/schema";
import { together, type StudioTransaction } from "@/server/inStudio";
import { isSomebody } from "./search";

/** A client whom another entry may be, and why that is likely. */
export type LikelyDouble = { readonly id: string; readonly name: string; readonly why: string; readonly archived: boolean };

const person = {
  id: client.id,
  name: client.name,
  phone: client.phone,
  email: client.email,
  bornOn: client.bornOn,
  archivedAt: client.archivedAt,
};

/** Who among the studio's clients an entry may be, `ownId` and those left out of whom somebody said that they are another. */
export async function likelyDoubles(tx: StudioTransaction, whoIs: WhoIs, ownId: string | null): Promise<LikelyDouble[]> {
  const email = fold(whoIs.email);
  const end = phoneEnd(whoIs.phone);
  const names = fold(whoIs.name)
    .split(/[\s,.]+/)
    .filter(Boolean);
  const signs = [
    ...(email ? [sql`studio.fold(${client.email}) = ${email}`] : []),
    ...(end ? [sql`right(studio.figures(${client.phone}), 8) = ${end}`] : []),
    ...(names.length > 0 ? [and(...names.map((name) => sql`position(${name} in ${client.foldedName}) > 0`))] : []),
    ...(whoIs.bornOn ? [eq(client.bornOn, whoIs.bornOn), sql`${client.bornOn}::text = ${turned(whoIs.bornOn)}`] : []),
  ];
  if (signs.length === 0) return [];
  const [near, apart] = await together([
    tx
      .select(person)
      .from(client)
      .where(and(isSomebody(), eq(client.mannequin, false), ownId ? ne(client.id, ownId) : undefined, or(...signs))),
    ownId
      ? tx
          .select()
          .from(clientApart)
          .where(or(eq(clientApart.oneId, ownId), eq(clientApart.otherId, ownId)))
      : Promise.resolve([]),
  ]);
  const others = new Set(apart.flatMap(({ oneId, otherId }) => [oneId, otherId]));
  return new KnownPeople(near.filter(({ id }) => !others.has(id)))
    .doublesOf(whoIs)
    .map(({ other, why }) => ({ id: other.id, name: other.name, why: DOUBLE_REASONS[why], archived: other.archivedAt !== null }));
}

const turned = (day: string) => `${day.slice(0, 4)}-${day.slice(8, 10)}-${day.slice(5, 7)}`;

/** Everybody of the studio, to be asked which of them many new entries may be. */
export function everybody(tx: StudioTransaction): Promise<(WhoIs & { readonly id: string })[]> {
  const { archivedAt: _, ...whoIs } = person;
  return tx
    .select(whoIs)
    .from(client)
    .where(and(isSomebody(), eq(client.mannequin, false)));
}
