import { createHmac } from "node:crypto";
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

const ALPHABET = "ABCDEFGHIJKLMNOPQRSTUVWXYZ234567";
/** Base 32 as RFC 4648 has it. */
function bytesOf(secret: string): Buffer {
  const bits = [...secret.replace(/=+$/, "")].map((letter) => ALPHABET.indexOf(letter).toString(2).padStart(5, "0")).join("");
  return Buffer.from(bits.match(/.{8}/g)!.map((byte) => parseInt(byte, 2)));
}

/** The code of a moment, reckoned as RFC 6238 says, by nothing of the app's. */
export function codeAt(secret: Buffer | string, atMs: number, digits = 6): string {
  const key = typeof secret === "string" ? bytesOf(secret) : secret;
  const counter = Buffer.alloc(8);
  counter.writeBigUInt64BE(BigInt(Math.floor(atMs / 30_000)));
  const mac = createHmac("sha1", key).update(counter).digest();
  const offset = mac[19]! & 0xf;
  return String((mac.readUInt32BE(offset) & 0x7fffffff) % 10 ** digits).padStart(digits, "0");
}
