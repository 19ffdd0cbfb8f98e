import "server-only";
import { and, inArray, isNull, sql } from "drizzle-orm";
import { client } from "@/db/schema";
import { inStudio } from "@/server/inStudio";
import type { Member } from "@/server/member";

/** An entry beside another: its own words, and how much hangs on it. */
export type Side = {
  readonly id: string;
  readonly words: {
    readonly name: string;
    readonly phone: string;
    readonly email: string;
    readonly bornOn: string;
    readonly contact: string;
    readonly notes: string;
  };
  readonly mannequin: boolean;
  readonly since: Date;
  readonly counts: Readonly<Record<"visits" | "maps" | "surveys" | "patchTests" | "pictures", number>>;
};

const countOf = (table: string) =>
  sql<number>`(select count(*)::int from ${sql.raw(`studio.${table}`)} t where t.studio_id = studio.client.studio_id and t.client_id = studio.client.id)`;

/** Two entries side by side, in the order they are named; those that are nobody (any more) are left out. */
export function sidesOf(me: Member, ids: readonly string[]): Promise<Side[]> {
  return inStudio(me, async (tx) => {
    const rows = await tx
      .select({
        person: client,
        visits: countOf("visit"),
        maps: countOf("lash_map"),
        surveys: countOf("survey"),
        patchTests: countOf("patch_test"),
        pictures: countOf("picture"),
      })
      .from(client)
      .where(and(inArray(client.id, [...ids]), isNull(client.gone)));
    return ids.flatMap((id) => {
      const row = rows.find(({ person }) => person.id === id);
      if (!row) return [];
      const { person, ...counts } = row;
      const { name, phone, email, bornOn, contact, notes, mannequin, createdAt } = person;
      return [{ id, words: { name, phone, email, bornOn: bornOn ?? "", contact, notes }, mannequin, since: createdAt, counts }];
    });
  });
}
