import type pg from "pg";
import { giveAccounts, PASSWORD } from "../support/accounts";
import { accountIs, actAs } from "../support/memberAs";
import { makeStudio, pointAppAtTests, urls, withClient, type TestStudio } from "../support/studios";
import { codeAt } from "../support/totp";

jest.mock("@/server/member", () => jest.requireActual("../support/memberAs"));
jest.mock("next/cache", () => ({ refresh: () => undefined }));
let sent = new Headers();
jest.mock("next/headers", () => ({ headers: async () => sent, cookies: async () => ({ set: () => undefined }) }));
const mails: { to: string; subject: string; text: string }[] = [];
jest.mock("@/server/mail", () => ({ sendsMail: () => true, sendMail: async (mail: (typeof mails)[number]) => (mails.push(mail), true) }));
pointAppAtTests();

let studio: TestStudio;
let mail: Awaited<ReturnType<typeof giveAccounts>>;
let address = 0;
const sql = async <T extends Record<string, unknown>>(text: string, values: unknown[] = []) =>
  withClient(urls().owner, async (db) => (await db.query<T>(text, values)).rows);

beforeAll(async () => {
  studio = await makeStudio("people");
  mail = await giveAccounts(studio);
});
beforeEach(() => {
  sent = new Headers({ "x-forwarded-for": `10.7.0.${++address}` });
  accountIs({});
  mails.length = 0;
});

const call = async (path: string, body: unknown, headers: Record<string, string> = {}) => {
  const { auth } = await import("@/server/auth");
  return auth().handler(
    new Request(`http://127.0.0.1:9/api/auth${path}`, {
      method: "POST",
      headers: {
        "content-type": "application/json",
        origin: "http://127.0.0.1:9",
        "x-forwarded-for": sent.get("x-forwarded-for")!,
        ...headers,
      },
      body: JSON.stringify(body),
    }),
  );
};
const cookiesOf = (answer: Response) =>
  answer.headers
    .getSetCookie()
    .map((line) => line.split(";")[0]!)
    .filter((pair) => !pair.endsWith("="))
    .join("; ");
const signIn = (email: string, password = PASSWORD, headers: Record<string, string> = {}) =>
  call("/sign-in/email", { email, password }, headers);
const sessions = (id: string) => sql<{ id: string }>("select id from auth.session where user_id = $1", [id]);
const audit = async (kind: string) =>
  sql<{ by_id: string | null; member_id: string | null; detail: string | null; address: string | null }>(
    "select by_id, member_id, detail, address from studio.audit_entry where studio_id = $1 and kind = $2 order by at desc",
    [studio.ids.studioId, kind],
  );
const people = () => import("@/features/people/actions");
const account = () => import("@/features/account/actions");
const door = () => import("@/features/signIn/actions");
const linkOf = (url: string) => url.split("/link/")[1]!;

describe("an invitation", () => {
  test("makes somebody without a password, who chooses one by a link that works once", async () => {
    actAs(studio.member("owner"));
    const { invite } = await people();
    const made = await invite({ name: "Wren Ashdown", email: "Wren@people.example", role: "trainee" });
    if (!made.ok) throw new Error(made.message);
    expect((await signIn("wren@people.example", "")).status).toBeGreaterThanOrEqual(400);
    expect(await audit("invited")).toMatchObject([{ by_id: studio.ids.owner, member_id: made.data.id, detail: "trainee" }]);
    const { choosePassword } = await door();
    const token = linkOf(made.data.url);
    const set = (password: string, again = password) => choosePassword({ token, password, again });
    expect(await set("nine char")).toMatchObject({ ok: false, fields: { password: expect.stringMatching(/Ten/) } });
    expect(await set("long enough 12", "long enough 13")).toMatchObject({ ok: false, fields: { again: expect.any(String) } });
    expect(await set("long enough 12")).toEqual({ ok: true, data: null });
    expect(await set("another one 34")).toMatchObject({ ok: false, message: expect.stringMatching(/used/) });
    expect((await signIn("wren@people.example", "long enough 12")).status).toBe(200);
    expect((await signIn("wren@people.example", "another one 34")).status).toBe(401);
    expect(await invite({ name: "X", email: "wren@people.example", role: "owner" })).toMatchObject({
      ok: false,
      fields: { email: expect.any(String) },
    });
  });

  test("is of no use after 72 hours, once replaced, or to anybody who alters it", async () => {
    actAs(studio.member("owner"));
    const { invite, makeLink } = await people();
    const made = await invite({ name: "Late", email: "late@people.example", role: "technician" });
    if (!made.ok) throw new Error();
    const token = linkOf(made.data.url);
    const { openLink } = await import("@/server/passwords");
    expect(await openLink(token)).toMatchObject({ kind: "invitation", name: "Late", studioName: "people" });
    expect(await openLink(`${token.slice(0, -1)}${token.endsWith("A") ? "B" : "A"}`)).toBeNull();
    const [row] = await sql<{ h: number }>(
      "select extract(epoch from expires_at - created_at)::float8 / 3600 as h from auth.password_link where user_id = $1",
      [made.data.id],
    );
    expect(row!.h).toBeCloseTo(72, 3);
    // Kept as a hash: whoever reads the table cannot use it.
    expect(await sql("select 1 from auth.password_link where hash = $1", [token])).toEqual([]);
    await sql("update auth.password_link set expires_at = now() - interval '1 second' where user_id = $1", [made.data.id]);
    const { choosePassword } = await door();
    expect((await choosePassword({ token, password: "long enough 12", again: "long enough 12" })).ok).toBe(false);
    const second = await makeLink({ id: made.data.id });
    const third = await makeLink({ id: made.data.id });
    if (!second.ok || !third.ok) throw new Error();
    expect(await openLink(linkOf(second.data.url))).toBeNull();
    expect(await openLink(linkOf(third.data.url))).not.toBeNull();
  });

  test("of two who use one link at once, one is let in", async () => {
    actAs(studio.member("owner"));
    const { invite } = await people();
    const made = await invite({ name: "Twice", email: "twice@people.example", role: "technician" });
    if (!made.ok) throw new Error();
    const { choosePassword } = await door();
    const token = linkOf(made.data.url);
    const results = await Promise.all(
      ["first of two 1", "second of two"].map((password) => choosePassword({ token, password, again: password })),
    );
    expect(results.filter(({ ok }) => ok)).toHaveLength(1);
  });

  test("is sent by the gateway to the address it is for, and to no other of the same link", async () => {
    actAs(studio.member("owner"));
    const { makeLink, mailLink } = await people();
    const made = await makeLink({ id: studio.ids.trainee });
    if (!made.ok) throw new Error();
    expect(await mailLink({ id: studio.ids.technician, token: made.data.token })).toMatchObject({ ok: false });
    expect(await mailLink({ id: studio.ids.trainee, token: made.data.token })).toEqual({ ok: true, data: { to: mail.trainee } });
    expect(mails).toHaveLength(1);
    expect(mails[0]).toMatchObject({ to: mail.trainee, text: expect.stringContaining(made.data.url) });
  });
});

describe("a password", () => {
  test("is changed by who knows it, ten characters at least, and every other sign-in ends", async () => {
    await signIn(mail.technician);
    await signIn(mail.technician);
    const [kept] = await sessions(studio.ids.technician);
    expect(await sessions(studio.ids.technician)).toHaveLength(2);
    actAs(studio.member("technician"));
    accountIs({ sessionId: kept!.id });
    const { changePassword } = await account();
    const change = (current: string, password: string, again = password) => changePassword({ current, password, again });
    expect(await change("not this one", "long enough 12")).toMatchObject({ ok: false, fields: { current: expect.any(String) } });
    expect(await change(PASSWORD, "123456789")).toMatchObject({ ok: false, fields: { password: expect.any(String) } });
    expect(await change(PASSWORD, "long enough 12", "long enough 13")).toMatchObject({ ok: false, fields: { again: expect.any(String) } });
    expect(await change(PASSWORD, PASSWORD)).toMatchObject({ ok: false });
    expect(await sessions(studio.ids.technician)).toHaveLength(2);
    actAs(studio.member("owner"));
    const link = await (await people()).makeLink({ id: studio.ids.technician });
    actAs(studio.member("technician"));
    expect(await change(PASSWORD, "long enough 12")).toEqual({ ok: true, data: null });
    // A link that lay about is of no use to anybody any more.
    const { openLink } = await import("@/server/passwords");
    expect(link.ok && (await openLink(link.data.token))).toBeNull();
    expect(await sessions(studio.ids.technician)).toEqual([{ id: kept!.id }]);
    expect((await signIn(mail.technician)).status).toBe(401);
    expect((await signIn(mail.technician, "long enough 12")).status).toBe(200);
    expect((await change("long enough 12", PASSWORD)).ok).toBe(true);
  });

  test("is not guessed at on a tablet left signed in", async () => {
    actAs(studio.member("trainee"));
    const { leaveStudio } = await account();
    const tries = [];
    for (let i = 0; i < 12; i++) tries.push(await leaveStudio({ current: `guess number ${i}` }));
    expect(tries[9]).toMatchObject({ message: expect.stringMatching(/not your password/) });
    expect(tries[10]).toMatchObject({ message: expect.stringMatching(/Too many/) });
    await sql("delete from auth.rate_limit");
  });

  test("forgotten, a link is mailed to who signs in with the address, and nobody is told whether anybody does", async () => {
    const { askForLink } = await door();
    const known = await askForLink({ email: mail.trainee.toUpperCase() });
    const unknown = await askForLink({ email: "nobody@people.example" });
    expect(known).toEqual(unknown);
    expect(mails.map(({ to }) => to)).toEqual([mail.trainee]);
    const token = /\/link\/(\S+)/.exec(mails[0]!.text)![1]!;
    // One that was asked for kills none that an owner made.
    actAs(studio.member("owner"));
    const { makeLink } = await people();
    const made = await makeLink({ id: studio.ids.trainee });
    if (!made.ok) throw new Error();
    await askForLink({ email: mail.trainee });
    const { openLink } = await import("@/server/passwords");
    expect(await openLink(linkOf(made.data.url))).not.toBeNull();
    expect(await openLink(token)).toBeNull();
    expect((await askForLink({ email: mail.trainee })).ok).toBe(true);
    expect(await askForLink({ email: mail.trainee })).toMatchObject({ ok: false, message: expect.stringMatching(/Too many/) });
  });
});

describe("the address one signs in with", () => {
  const change = async (email: string, current = PASSWORD) => (await account()).changeEmail({ email, current });

  test("is changed by who knows the password; the one before lets nobody in, is told so, and its open links are dead", async () => {
    actAs(studio.member("owner"));
    const link = await (await people()).makeLink({ id: studio.ids.technician });
    if (!link.ok) throw new Error();
    actAs(studio.member("technician"));
    accountIs({ email: mail.technician });
    expect(await change("else@people.example", "not this one")).toMatchObject({ ok: false, fields: { current: expect.any(String) } });
    expect(await change("no address")).toMatchObject({ ok: false, fields: { email: expect.any(String) } });
    expect(await change(mail.technician.toUpperCase())).toMatchObject({ ok: false, fields: { email: expect.stringMatching(/have/) } });
    expect(await change(mail.owner)).toMatchObject({ ok: false, fields: { email: expect.stringMatching(/taken/) } });
    const { openLink } = await import("@/server/passwords");
    expect(await openLink(linkOf(link.data.url))).not.toBeNull();
    expect([await audit("emailChanged"), mails]).toEqual([[], []]);

    expect(await change("Else@People.example")).toEqual({ ok: true, data: null });
    expect((await signIn(mail.technician)).status).toBe(401);
    expect((await signIn("else@people.example")).status).toBe(200);
    expect((await signIn("ELSE@people.example")).status).toBe(200);
    expect(await openLink(linkOf(link.data.url))).toBeNull();
    expect(await audit("emailChanged")).toMatchObject([{ by_id: studio.ids.technician, detail: null }]);
    expect(mails).toEqual([expect.objectContaining({ to: mail.technician, text: expect.stringContaining("lets nobody in any more") })]);
    expect(mails[0]!.text).not.toContain("else@people.example");
    // Nobody else's was touched, and the one given up may be taken.
    expect((await signIn(mail.trainee)).status).toBe(200);
    accountIs({ email: "else@people.example" });
    expect((await change(mail.technician)).ok).toBe(true);
  });

  test("of two who want one address at once, one has it", async () => {
    const { changeEmail } = await import("@/server/passwords");
    const wanted = "both@people.example";
    const had = [studio.ids.technician, studio.ids.trainee].map((id) => changeEmail(id, wanted));
    expect((await Promise.all(had)).sort()).toEqual([false, true]);
    expect(await sql("select 1 from auth.user where email = $1", [wanted])).toHaveLength(1);
    await changeEmail(studio.ids.technician, mail.technician);
    await changeEmail(studio.ids.trainee, mail.trainee);
  });
});

describe("sign-ins", () => {
  test("are listed with what each was made on, and ended one by one or all but this", async () => {
    for (const agent of ["Mozilla/5.0 (iPad; CPU OS 18_0 like Mac OS X) AppleWebKit Version/18.0 Safari/604.1", "curl/8", "curl/8"])
      await signIn(mail.owner, PASSWORD, { "user-agent": agent });
    const { sessionsOf } = await import("@/features/account/sessions");
    const [tablet] = (await sessionsOf(studio.ids.owner, "")).filter(({ device }) => device === "Safari, iPad");
    const mine = await sessionsOf(studio.ids.owner, tablet!.id);
    expect(mine[0]).toMatchObject({ isThis: true, device: "Safari, iPad", address: sent.get("x-forwarded-for") });
    expect(mine).toHaveLength(3);
    actAs(studio.member("owner"));
    accountIs({ sessionId: tablet!.id });
    const { endSessions } = await account();
    expect(await endSessions({ id: mine[1]!.id })).toEqual({ ok: true, data: { ended: 1 } });
    expect((await endSessions({ id: mine[1]!.id })).ok).toBe(false);
    // Neither the one in use nor anybody else's.
    expect((await endSessions({ id: tablet!.id })).ok).toBe(false);
    await signIn(mail.technician);
    const [theirs] = await sessions(studio.ids.technician);
    expect((await endSessions({ id: theirs!.id })).ok).toBe(false);
    expect(await endSessions({ id: null })).toEqual({ ok: true, data: { ended: 1 } });
    expect(await sessions(studio.ids.owner)).toEqual([{ id: tablet!.id }]);
    expect(await sessions(studio.ids.technician)).not.toEqual([]);
  });

  test("are told of in the audit list, with whose failed", async () => {
    await sql("delete from studio.audit_entry where studio_id = $1", [studio.ids.studioId]);
    await signIn(mail.owner);
    await signIn(mail.owner, "wrong wrong 1");
    await signIn("nobody@people.example", "wrong wrong 1");
    expect(await audit("signedIn")).toEqual([
      { by_id: studio.ids.owner, member_id: studio.ids.owner, detail: null, address: sent.get("x-forwarded-for") },
    ]);
    // Who guessed is not known to be the one whose account it is.
    expect(await audit("signInFailed")).toMatchObject([{ by_id: null, member_id: studio.ids.owner }]);
  });
});

describe("guesses", () => {
  test("from one network are refused after ten, while the owner gets in on a device of theirs, and from elsewhere", async () => {
    const known = cookiesOf(await signIn(mail.owner));
    const guess = () => signIn(mail.owner, "wrong wrong 1", { "x-forwarded-for": "203.0.113.9" });
    const statuses = [];
    for (let i = 0; i < 12; i++) statuses.push((await guess()).status);
    expect(statuses).toEqual([...Array(10).fill(401), 429, 429]);
    // Right or wrong, from there it is not tried any more.
    expect((await signIn(mail.owner, PASSWORD, { "x-forwarded-for": "203.0.113.9" })).status).toBe(429);
    const device = known.split("; ").find((pair) => pair.startsWith("ivy_device="))!;
    expect((await signIn(mail.owner, PASSWORD, { "x-forwarded-for": "203.0.113.9", cookie: device })).status).toBe(200);
    expect((await signIn(mail.owner, PASSWORD, { "x-forwarded-for": "198.51.100.4" })).status).toBe(200);
  });

  test("at once are no more than in turn, and what was right is no guess", async () => {
    const from = { "x-forwarded-for": "203.0.113.10" };
    for (let i = 0; i < 15; i++) expect((await signIn(mail.technician, PASSWORD, from)).status).toBe(200);
    const many = await Promise.all(Array.from({ length: 20 }, () => signIn(mail.technician, "wrong wrong 1", from)));
    expect(many.filter(({ status }) => status === 401)).toHaveLength(10);
    await sql("delete from auth.session where user_id = $1", [studio.ids.technician]);
  });

  test("from a thousand networks stop at sixty, and a device that is known goes on", async () => {
    const known = cookiesOf(await signIn(mail.trainee, PASSWORD, { "x-forwarded-for": "192.0.2.1" }));
    const device = known.split("; ").find((pair) => pair.startsWith("ivy_device="))!;
    const statuses: number[] = [];
    for (let i = 0; i < 64; i++)
      statuses.push((await signIn(mail.trainee, "wrong wrong 1", { "x-forwarded-for": `203.0.114.${i}` })).status);
    expect(statuses.filter((status) => status === 401)).toHaveLength(60);
    expect((await signIn(mail.trainee, PASSWORD, { "x-forwarded-for": "203.0.115.1", cookie: device })).status).toBe(200);
    // A device known for one person is a stranger for another, and a seal is not made up.
    expect((await signIn(mail.trainee, PASSWORD, { "x-forwarded-for": "203.0.115.2", cookie: `${device}x` })).status).toBe(429);
  });

  test("an IPv6 household is one network", async () => {
    const { networkOf } = await import("@/server/address");
    expect(networkOf("2001:db8:1:2:3:4:5:6")).toBe(networkOf("2001:db8:1:2::9"));
    expect(networkOf("2001:db8:1:2::9")).toBe("2001:db8:1:2");
    expect(networkOf("2001:db8::9")).toBe("2001:db8:0:0");
    expect(networkOf("::1")).toBe("0:0:0:0");
    expect(networkOf("::ffff:203.0.113.9")).toBe("203.0.113.9");
    expect(networkOf("203.0.113.9")).toBe("203.0.113.9");
    expect(networkOf(null)).toBe("unknown");
  });
});

describe("the second factor", () => {
  // RFC 6238, appendix B: the test's own reckoning against the published values (SHA-1, eight figures).
  test.each([
    [59, "94287082"],
    [1111111109, "07081804"],
    [1234567890, "89005924"],
    [20000000000, "65353130"],
  ])("codes are those of RFC 6238 at %d s", (seconds, code) =>
    expect(codeAt(Buffer.from("12345678901234567890"), seconds * 1000, 8)).toBe(code),
  );

  test("is set up with a first code, asked at sign-in, and let in by a recovery code once", async () => {
    await sql("delete from auth.rate_limit");
    actAs(studio.member("trainee"));
    const first = await signIn(mail.trainee);
    await signIn(mail.trainee);
    sent.set("cookie", cookiesOf(first));
    const { beginSecondFactor, confirmSecondFactor } = await account();
    expect(await beginSecondFactor({ current: "not this one" })).toMatchObject({ ok: false });
    const begun = await beginSecondFactor({ current: PASSWORD });
    if (!begun.ok) throw new Error(begun.message);
    const { secret, recoveryCodes, square } = begun.data;
    expect(square.dark).toHaveLength(square.size ** 2);
    // Until a first code was right, nothing is asked.
    expect(await (await signIn(mail.trainee)).json()).toMatchObject({ user: expect.anything() });
    expect(await confirmSecondFactor({ code: "000000" })).toMatchObject({ ok: false, fields: { code: expect.any(String) } });
    expect(await confirmSecondFactor({ code: codeAt(secret, Date.now()) })).toEqual({ ok: true, data: null });
    expect(await sessions(studio.ids.trainee)).toHaveLength(1);

    const told = (await audit("signedIn")).length;
    const half = await signIn(mail.trainee);
    expect(await half.json()).toMatchObject({ twoFactorRedirect: true });
    const pending = { cookie: cookiesOf(half) };
    // The password alone gives no session.
    expect(await sessions(studio.ids.trainee)).toHaveLength(1);
    expect((await call("/two-factor/verify-totp", { code: "123456" }, pending)).status).toBe(401);
    expect((await call("/two-factor/verify-totp", { code: codeAt(secret, Date.now()), trustDevice: true }, pending)).status).toBe(400);
    const code = codeAt(secret, Date.now() + 30_000);
    expect((await call("/two-factor/verify-totp", { code }, pending)).status).toBe(200);
    expect(await sessions(studio.ids.trainee)).toHaveLength(2);
    // Told of once it was whole, and not when the password was right.
    const tells = await audit("signedIn");
    expect([tells.length, tells[0]]).toMatchObject([told + 1, { by_id: studio.ids.trainee, detail: "second factor" }]);
    // Looked at over a shoulder, it lets nobody in a second time.
    const again = { cookie: cookiesOf(await signIn(mail.trainee)) };
    expect((await call("/two-factor/verify-totp", { code }, again)).status).toBe(401);

    const third = { cookie: cookiesOf(await signIn(mail.trainee)) };
    expect((await call("/two-factor/verify-backup-code", { code: recoveryCodes[0] }, third)).status).toBe(200);
    const fourth = { cookie: cookiesOf(await signIn(mail.trainee)) };
    expect((await call("/two-factor/verify-backup-code", { code: recoveryCodes[0] }, fourth)).status).toBe(401);
    expect((await call("/two-factor/verify-backup-code", { code: recoveryCodes[1] }, fourth)).status).toBe(200);
  });

  test("is not guessed: six from one network, twelve of strangers, and the person's own device goes on", async () => {
    const guess = async (from: string) => {
      const half = await signIn(mail.trainee, PASSWORD, { "x-forwarded-for": from });
      return call("/two-factor/verify-totp", { code: "123456" }, { cookie: cookiesOf(half), "x-forwarded-for": from });
    };
    await sql("delete from auth.rate_limit");
    const statuses = [];
    for (let i = 0; i < 7; i++) statuses.push((await guess("203.0.116.1")).status);
    expect(statuses).toEqual([...Array(6).fill(401), 429]);
    for (let i = 0; i < 6; i++) statuses.push((await guess(`203.0.117.${i}`)).status);
    expect(statuses.slice(7)).toEqual(Array(6).fill(401));
    expect((await guess("203.0.118.1")).status).toBe(429);
  });

  test("is taken off by the owner for a lost phone, and every sign-in of theirs ends", async () => {
    actAs(studio.member("owner"));
    const { takeSecondFactorOff } = await people();
    expect((await takeSecondFactorOff({ id: studio.ids.owner })).ok).toBe(false);
    expect(await takeSecondFactorOff({ id: studio.ids.trainee })).toEqual({ ok: true, data: null });
    expect(await sessions(studio.ids.trainee)).toEqual([]);
    await sql("delete from auth.rate_limit");
    expect(await (await signIn(mail.trainee)).json()).toMatchObject({ user: expect.anything() });
  });

  test("is asked of everybody by an owner who has one, from the next sign-in on", async () => {
    actAs(studio.member("owner"));
    const { demandSecondFactor } = await people();
    expect(await demandSecondFactor({ demanded: true })).toMatchObject({ ok: false, message: expect.stringMatching(/your own first/i) });
    accountIs({ hasSecondFactor: true });
    expect((await demandSecondFactor({ demanded: true })).ok).toBe(true);
    const since = async () =>
      (await sql<{ since: Date | null }>("select second_factor_since as since from auth.member_of($1)", [studio.ids.trainee]))[0]!.since;
    const first = await since();
    expect(first).not.toBeNull();
    // Asked again, it stays asked since then: who set theirs up meanwhile is asked for nothing.
    await demandSecondFactor({ demanded: true });
    expect(await since()).toEqual(first);
    const { dropSecondFactor } = await account();
    accountIs({ hasSecondFactor: true, demandsSecondFactor: true });
    expect(await dropSecondFactor({ current: PASSWORD })).toMatchObject({ ok: false, message: expect.stringMatching(/everybody/) });
    // Who lacks it reaches nothing but setting it up.
    actAs(null);
    const { findClients } = await import("@/features/clients/actions");
    expect(await findClients({ search: "" })).toMatchObject({ ok: false, signedOut: true });
    actAs(studio.member("owner"));
    await demandSecondFactor({ demanded: false });
    expect(await since()).toBeNull();
  });
});

describe("an owner", () => {
  test("lets somebody go, whose sign-ins and links end at once, whose history stays, and who is booked no more", async () => {
    actAs(studio.member("owner"));
    const { deactivate, bringBack, makeLink } = await people();
    const link = await makeLink({ id: studio.ids.technician });
    if (!link.ok) throw new Error();
    const visitId = crypto.randomUUID();
    const { book, move } = await import("@/features/visit/actions");
    const day = new Date(Date.now() + 3 * 86_400_000).toISOString().slice(0, 10);
    const place = { technicianId: studio.ids.technician, chairId: studio.ids.chair, day, time: "10:00", minutes: 60 };
    expect(await book({ id: visitId, clientId: studio.ids.client, service: "fill", ...place })).toMatchObject({ ok: true });
    await signIn(mail.technician);
    expect(await sessions(studio.ids.technician)).not.toEqual([]);

    expect((await deactivate({ id: studio.ids.owner })).ok).toBe(false);
    expect(await deactivate({ id: studio.ids.technician })).toEqual({ ok: true, data: null });
    expect(await sessions(studio.ids.technician)).toEqual([]);
    const refused = await signIn(mail.technician);
    expect([refused.status, await refused.json()]).toEqual([403, expect.objectContaining({ code: "DEACTIVATED" })]);
    const { openLink } = await import("@/server/passwords");
    expect(await openLink(linkOf(link.data.url))).toBeNull();
    expect((await makeLink({ id: studio.ids.technician })).ok).toBe(false);
    // What they are booked for is shown to be given away, and is given away.
    const { peoplePage } = await import("@/features/people/data");
    const { accountOf } = await import("../support/memberAs");
    const theirs = async () =>
      (await peoplePage(accountOf(studio.member("owner")), new Date())).people.find(({ id }) => id === studio.ids.technician)!;
    expect(await theirs()).toMatchObject({ deactivated: expect.any(String), booked: [{ visitId, href: expect.stringContaining(day) }] });
    const another = { ...place, day: new Date(Date.now() + 4 * 86_400_000).toISOString().slice(0, 10) };
    expect(await book({ id: crypto.randomUUID(), clientId: studio.ids.client, service: "fill", ...another })).toMatchObject({
      ok: false,
      fields: { technicianId: expect.any(String) },
    });
    expect((await move({ id: visitId, revision: 1, ...place, time: "11:00" })).ok).toBe(false);
    expect((await move({ id: visitId, revision: 1, ...place, technicianId: studio.ids.owner })).ok).toBe(true);
    expect((await theirs()).booked).toEqual([]);

    expect(await bringBack({ id: studio.ids.technician })).toEqual({ ok: true, data: null });
    expect((await signIn(mail.technician)).status).toBe(200);
    expect((await audit("deactivated"))[0]).toMatchObject({ by_id: studio.ids.owner, member_id: studio.ids.technician });
    expect((await audit("broughtBack"))[0]).toMatchObject({ member_id: studio.ids.technician });
  });

  test("changes roles, and one owner who can sign in is always kept", async () => {
    actAs(studio.member("owner"));
    const { changeRole, invite } = await people();
    const { leaveStudio } = await account();
    const mine = (role: string) => changeRole({ id: studio.ids.owner, was: "owner", role });
    expect(await mine("trainee")).toMatchObject({ ok: false, message: expect.stringMatching(/needs an owner/) });
    expect(await leaveStudio({ current: PASSWORD })).toMatchObject({ ok: false, message: expect.stringMatching(/only owner/) });
    // One who was invited and has not come yet is no owner who could let anybody in.
    expect((await invite({ name: "Not yet", email: "notyet@people.example", role: "owner" })).ok).toBe(true);
    expect((await mine("trainee")).ok).toBe(false);
    const theirs = (was: string, role: string) => changeRole({ id: studio.ids.technician, was, role });
    expect((await theirs("trainee", "owner")).ok).toBe(false);
    expect((await theirs("technician", "owner")).ok).toBe(true);
    expect((await audit("roleChanged"))[0]).toMatchObject({ member_id: studio.ids.technician, detail: "technician to owner" });

    // Two owners, each putting the other down at once: the second waits for the first, and is no owner any more.
    const asOwner = async (db: pg.Client, byId: string, id: string) => {
      await db.query("begin");
      await db.query("select set_config('ivy.studio_id', $1, true), set_config('ivy.member_id', $2, true)", [studio.ids.studioId, byId]);
      const { rows } = await db.query<{ outcome: string }>("select studio.change_role($1, 'owner', 'technician') as outcome", [id]);
      return rows[0]!.outcome;
    };
    await withClient(urls().app, (first) =>
      withClient(urls().app, async (second) => {
        expect(await asOwner(first, studio.ids.owner, studio.ids.technician)).toBe("changed");
        const waits = asOwner(second, studio.ids.technician, studio.ids.owner);
        await new Promise((resolve) => setTimeout(resolve, 300));
        await first.query("commit");
        expect(["forbidden", "last owner"]).toContain(await waits);
        await second.query("commit");
      }),
    );
    const [owners] = await sql<{ n: number }>(
      "select count(*)::int as n from studio.member m join auth.account a on a.user_id = m.id and a.password is not null where m.studio_id = $1 and m.role = 'owner' and m.deactivated_at is null",
      [studio.ids.studioId],
    );
    expect(owners!.n).toBe(1);
    await sql("update studio.member set role = 'owner' where id = $1", [studio.ids.owner]);
    await sql("update studio.member set role = 'technician' where id = $1", [studio.ids.technician]);
  });

  test("anybody else leaves by themselves, with their password", async () => {
    actAs(studio.member("trainee"));
    const { leaveStudio } = await account();
    expect(await leaveStudio({ current: PASSWORD })).toEqual({ ok: true, data: null });
    expect((await signIn(mail.trainee)).status).toBe(403);
    await sql("update studio.member set deactivated_at = null where id = $1", [studio.ids.trainee]);
  });

  test("locked out, is let in on the server by a link of a day, without their second factor where it is lost", async () => {
    const { recover } = await import("@/db/recover");
    expect(await recover(urls().owner, "nobody@people.example", { secondFactorOff: false })).toMatchObject({ ok: false });
    await sql(`update auth."user" set two_factor_enabled = true where id = $1`, [studio.ids.owner]);
    const plain = await recover(urls().owner, mail.owner, { secondFactorOff: false });
    expect(plain).toMatchObject({ ok: true, role: "owner", hours: 24 });
    const factor = async () =>
      (await sql<{ on: boolean }>(`select two_factor_enabled as on from auth."user" where id = $1`, [studio.ids.owner]))[0]!.on;
    expect(await factor()).toBe(true);
    const found = await recover(urls().owner, ` ${mail.owner.toUpperCase()} `, { secondFactorOff: true });
    if (!found.ok) throw new Error(found.why);
    expect(await factor()).toBe(false);
    const { choosePassword } = await door();
    await signIn(mail.owner);
    const set = { password: "quite new 1234", again: "quite new 1234" };
    expect((await choosePassword({ token: (plain as { token: string }).token, ...set })).ok).toBe(false);
    expect(await choosePassword({ token: found.token, ...set })).toEqual({ ok: true, data: null });
    expect(await sessions(studio.ids.owner)).toEqual([]);
    expect((await signIn(mail.owner, "quite new 1234")).status).toBe(200);
    expect((await audit("linkMade"))[0]).toMatchObject({ by_id: null, detail: "on the server", member_id: studio.ids.owner });
    expect((await audit("passwordSet"))[0]).toMatchObject({ detail: "recovery" });
  });
});
