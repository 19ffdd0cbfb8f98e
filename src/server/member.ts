import "server-only";
import { eq } from "drizzle-orm";
import { headers } from "next/headers";
import { redirect } from "next/navigation";
import { cache } from "react";
import { member, studio, type Role } from "@/db/schema";
import { auth } from "./auth";
import { inStudio } from "./inStudio";

/** Who is signed in, in which studio, and what they may do. */
export type Member = {
  readonly id: string;
  readonly studioId: string;
  readonly name: string;
  readonly role: Role;
  readonly studioName: string;
  readonly timeZone: string;
};

/** The member signed in on this request, or null. Asked once a request. */
export const currentMember = cache(async (): Promise<Member | null> => {
  const found = await auth().api.getSession({ headers: await headers() });
  if (!found) return null;
  const scope = { studioId: found.user.studioId, id: found.user.id };
  const [row] = await inStudio(scope, (tx) =>
    tx
      .select({ name: member.name, role: member.role, studioName: studio.name, timeZone: studio.timeZone })
      .from(member)
      .innerJoin(studio, eq(studio.studioId, member.studioId))
      .where(eq(member.id, scope.id)),
  );
  return row ? { ...scope, ...row } : null;
});

/** The member signed in; sends anyone else to sign in first. For pages. */
export async function requireMember(): Promise<Member> {
  return (await currentMember()) ?? redirect("/sign-in");
}

const RANK: Readonly<Record<Role, number>> = { trainee: 0, technician: 1, owner: 2 };

/** May this member do what needs at least this role? */
export function mayActAs(m: Pick<Member, "role">, least: Role): boolean {
  return RANK[m.role] >= RANK[least];
}
