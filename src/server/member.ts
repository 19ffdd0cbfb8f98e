import "server-only";
import { sql } from "drizzle-orm";
import { cookies, headers } from "next/headers";
import { redirect } from "next/navigation";
import { cache } from "react";
import { z } from "zod";
import type { Role } from "@/db/schema";
import { auth } from "./auth";
import { env } from "./env";
import { authDatabase } from "./pools";

/** Who is signed in, in which studio, and what they may do. */
export type Member = {
  readonly id: string;
  readonly studioId: string;
  readonly name: string;
  readonly role: Role;
  readonly studioName: string;
  readonly timeZone: string;
};

type MemberRow = {
  readonly studio_id: string;
  readonly name: string;
  readonly role: Role;
  readonly studio_name: string;
  readonly time_zone: string;
};

/** The member whose session this request bears, in whoever's hands the tablet is. Asked once a request. */
const signedIn = cache(async (): Promise<{ readonly member: Member; readonly sessionId: string } | null> => {
  const session = await auth().api.getSession({ headers: await headers() });
  if (!session) return null;
  const { id } = session.user;
  const [row] = (await authDatabase().execute<MemberRow>(sql`select * from auth.member_of(${id})`)).rows;
  if (!row) return null;
  const { studio_id: studioId, name, role, studio_name: studioName, time_zone: timeZone } = row;
  return { member: { id, studioId, name, role, studioName, timeZone }, sessionId: session.session.id };
});

const HANDED = "ivy_handed";

/** The visit whose client holds the tablet; null while a member does. It holds for this sign-in only. */
const handedVisit = cache(async (): Promise<string | null> => {
  const [sessionId, visitId] = ((await cookies()).get(HANDED)?.value ?? "").split(" ");
  if (!visitId || !z.uuid().safeParse(visitId).success) return null;
  return (await signedIn())?.sessionId === sessionId ? visitId : null;
});

/** The member signed in on this request, or null; nobody while the tablet is in a client's hands. */
export const currentMember = async (): Promise<Member | null> => ((await handedVisit()) ? null : ((await signedIn())?.member ?? null));

/** The member signed in; sends anyone else to sign in first, and a client who holds the tablet back to their questions. For pages. */
export async function requireMember(): Promise<Member> {
  const visitId = await handedVisit();
  if (visitId) redirect(`/consult/${visitId}`);
  return (await currentMember()) ?? redirect("/sign-in");
}

/** In whose name a client answers who was handed the tablet, and at which visit; null while a member holds it. */
export async function handedTo(): Promise<{ readonly member: Member; readonly visitId: string } | null> {
  const visitId = await handedVisit();
  const signed = await signedIn();
  return visitId && signed ? { member: signed.member, visitId } : null;
}

/** Hands the tablet to the client of a visit: from now on this sign-in reaches nothing but their questions. */
export async function handOver(visitId: string): Promise<void> {
  const signed = await signedIn();
  if (!signed) return;
  (await cookies()).set(HANDED, `${signed.sessionId} ${visitId}`, {
    httpOnly: true,
    sameSite: "lax",
    path: "/",
    secure: env().IVY_BASE_URL.startsWith("https:"),
  });
}

/** Gives the tablet back to who signed in, by their password; false where it is wrong. */
export async function takeBack(password: string): Promise<boolean> {
  try {
    await auth().api.verifyPassword({ body: { password }, headers: await headers() });
  } catch {
    return false;
  }
  (await cookies()).delete(HANDED);
  return true;
}

const RANK: Readonly<Record<Role, number>> = { trainee: 0, technician: 1, owner: 2 };

/** May this member do what needs at least this role? */
export function mayActAs(m: Pick<Member, "role">, least: Role): boolean {
  return RANK[m.role] >= RANK[least];
}
