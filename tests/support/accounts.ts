import { hashPassword } from "better-auth/crypto";
import { urls, withClient, type TestStudio } from "./studios";

export const PASSWORD = "shingle-marram-4411";

/** Gives the three people of a test's studio an account each, `owner@NAME.example` and so on, with one password. */
export async function giveAccounts({ ids, name }: TestStudio): Promise<Record<"owner" | "technician" | "trainee", string>> {
  const hash = await hashPassword(PASSWORD);
  const mails = { owner: `owner@${name}.example`, technician: `technician@${name}.example`, trainee: `trainee@${name}.example` };
  await withClient(urls().owner, async (db) => {
    for (const role of ["owner", "technician", "trainee"] as const) {
      await db.query(`insert into auth."user" (id, name, email, email_verified, studio_id) values ($1, $2, $3, true, $4)`, [
        ids[role],
        `${name} ${role}`,
        mails[role],
        ids.studioId,
      ]);
      await db.query(
        "insert into auth.account (id, account_id, provider_id, user_id, password) values (gen_random_uuid(), $1::text, 'credential', $1::uuid, $2)",
        [ids[role], hash],
      );
    }
  });
  return mails;
}
