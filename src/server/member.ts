import "server-only";
import { sql } from "drizzle-orm";
import { cookies, headers } from "next/headers";
import { redirect } from "next/navigation";
import { cache } from "react";
import { z } from "zod";
import type { Role } from "@/db/schema";
import { auth } from "./auth";
import { env } from "./env";
import { isPassword } from "./passwords";
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
  readonly email: string;
  readonly role: Role;
  readonly studio_name: string;
  readonly time_zone: string;
  readonly has_second_factor: boolean;
  readonly second_factor_since: Date | null;
};

/** How the member signed in, and what their sign-in still lacks. */
export type Account = {
  readonly member: Member;
  readonly email: string;
  readonly sessionId: string;
  readonly hasSecondFactor: boolean;
  /** The studio asks a second factor of everybody. */
  readonly demandsSecondFactor: boolean;
  /** It does since before this sign-in, and there is none: nothing is reached but setting one up. */
  readonly lacksSecondFactor: boolean;
};

/** The account whose session this request bears, in whoever's hands the tablet is. Asked once a request. */
const signedIn = cache(async (): Promise<Account | null> => {
  // The cookies as they are now: an action may have renewed the session that its request came with.
  const asked = new Headers(await headers());
  asked.set("cookie", (await cookies()).toString());
  const found = await auth().api.getSession({ headers: asked });
  if (!found) return null;
  const { id } = found.user;
  const [row] = (await authDatabase().execute<MemberRow>(sql`select * from auth.member_of(${id})`)).rows;
  if (!row) return null;
  const { studio_id: studioId, name, role, studio_name: studioName, time_zone: timeZone, email } = row;
  const since = row.second_factor_since && new Date(row.second_factor_since);
  return {
    member: { id, studioId, name, role, studioName, timeZone },
    email,
    sessionId: found.session.id,
    hasSecondFactor: row.has_second_factor,
    demandsSecondFactor: since !== null,
    lacksSecondFactor: since !== null && !row.has_second_factor && found.session.createdAt > since,
  };
});

const HANDED = "ivy_handed";

/** The visit whose client holds the tablet; null while a member does. It holds for this sign-in only. */
const handedVisit = cache(async (): Promise<string | null> => {
  const [sessionId, visitId] = ((await cookies()).get(HANDED)?.value ?? "").split(" ");
  if (!visitId || !z.uuid().safeParse(visitId).success) return null;
  return (await signedIn())?.sessionId === sessionId ? visitId : null;
});

/** The account signed in, also while its second factor is asked for; nobody while the tablet is in a client's hands. */
export const currentAccount = async (): Promise<Account | null> => ((await handedVisit()) ? null : signedIn());

/** The member signed in on this request, or null; nobody while the tablet is in a client's hands, or a second factor is asked for. */
export async function currentMember(): Promise<Member | null> {
  const account = await currentAccount();
  return account && !account.lacksSecondFactor ? account.member : null;
}

/** Where the second factor is set up that the studio asks of everybody. */
const SECOND_FACTOR = "/second-factor";

/** The account signed in; sends anyone else to sign in first, and a client who holds the tablet back to their questions. For pages. */
export async function requireAccount(): Promise<Account> {
  const visitId = await handedVisit();
  if (visitId) redirect(`/consult/${visitId}`);
  return (await currentAccount()) ?? redirect("/sign-in");
}

/** The member signed in; sends who lacks the second factor they are asked for to set it up, and anyone else to sign in. For pages. */
export async function requireMember(): Promise<Member> {
  const account = await requireAccount();
  return account.lacksSecondFactor ? redirect(SECOND_FACTOR) : account.member;
}

/** In whose name a client answers who was handed the tablet, and at which visit; null while a member holds it. */
export async function handedTo(): Promise<{ readonly member: Member; readonly visitId: string } | null> {
  const visitId = await handedVisit();
  const signed = await signedIn();
  return visitId && signed && !signed.lacksSecondFactor ? { member: signed.member, visitId } : null;
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
  const signed = await signedIn();
  if (!signed || !(await isPassword(signed.member.id, password))) return false;
  (await cookies()).delete(HANDED);
  return true;
}

const RANK: Readonly<Record<Role, number>> = { trainee: 0, technician: 1, owner: 2 };

/** May this member do what needs at least this role? */
export function mayActAs(m: Pick<Member, "role">, least: Role): boolean {
  return RANK[m.role] >= RANK[least];
}
