import { createHash, randomBytes } from "node:crypto";
import pg from "pg";

/** A link made on the server lives for a day: whoever makes it is there to use it. */
const HOURS = 24;

export type Recovery =
  | { readonly ok: true; readonly token: string; readonly name: string; readonly role: string; readonly hours: number }
  | { readonly ok: false; readonly why: string };

/**
 * A one-time link to set a password, for who is shut out; by whoever has the database's owner at hand, which is whoever runs
 * the server. Nothing of theirs changes until it is used, but the second factor where that is to be taken off. It stands in
 * the studio's audit list.
 */
export async function recover(ownerUrl: string, email: string, options: { readonly secondFactorOff: boolean }): Promise<Recovery> {
  const client = new pg.Client({ connectionString: ownerUrl });
  await client.connect();
  try {
    await client.query("begin");
    const { rows } = await client.query<{ id: string; name: string; role: string; gone: boolean }>(
      `select u.id, m.name, m.role, m.deactivated_at is not null as gone from auth."user" u
       join studio.member m on m.studio_id = u.studio_id and m.id = u.id where u.email = lower($1)`,
      [email.trim()],
    );
    const [person] = rows;
    if (!person) return { ok: false, why: "Nobody signs in with this address." };
    if (person.gone) return { ok: false, why: "They were deactivated. The owner brings them back first." };
    const token = randomBytes(32).toString("base64url");
    await client.query("select auth.put_link($1, $2, 'recovery', $3)", [
      person.id,
      createHash("sha256").update(token).digest("hex"),
      HOURS,
    ]);
    await client.query("select auth.note($1, 'linkMade', 'on the server', null)", [person.id]);
    if (options.secondFactorOff) {
      await client.query("delete from auth.two_factor where user_id = $1", [person.id]);
      await client.query(`update auth."user" set two_factor_enabled = false where id = $1`, [person.id]);
      await client.query("select auth.note($1, 'secondFactorOff', 'on the server', null)", [person.id]);
    }
    await client.query("commit");
    return { ok: true, token, name: person.name, role: person.role, hours: HOURS };
  } finally {
    await client.query("rollback").catch(() => undefined);
    await client.end();
  }
}
