import { hashPassword } from "better-auth/crypto";
import { makeStudio, pointAppAtTests, urls, withClient } from "../support/studios";

pointAppAtTests();
const EMAIL = "hand@workshop.example";
const PASSWORD = "shingle-marram-4411";
let studioId: string;

const call = async (path: string, body: unknown, headers: Record<string, string> = {}) => {
  const { auth } = await import("@/server/auth");
  return auth().handler(
    new Request(`http://127.0.0.1:9/api/auth${path}`, {
      method: body === undefined ? "GET" : "POST",
      headers: { "content-type": "application/json", origin: "http://127.0.0.1:9", ...headers },
      ...(body === undefined ? {} : { body: JSON.stringify(body) }),
    }),
  );
};
const signIn = (password: string, address: string) => call("/sign-in/email", { email: EMAIL, password }, { "x-forwarded-for": address });

beforeAll(async () => {
  const studio = await makeStudio("sign-in");
  studioId = studio.ids.studioId;
  const hash = await hashPassword(PASSWORD);
  await withClient(urls().owner, (db) =>
    db.query("select auth.create_person($1, gen_random_uuid(), 'Hand', $2, $3, 'technician')", [studioId, EMAIL, hash]),
  );
});

test("a sign-in gives a session cookie out of scripts' reach, for a working day, and a sign-out ends it at once", async () => {
  const answer = await signIn(PASSWORD, "10.0.0.1");
  expect(answer.status).toBe(200);
  const cookie = answer.headers.get("set-cookie")!;
  expect(cookie).toMatch(/HttpOnly/i);
  expect(cookie).toMatch(/SameSite=(Lax|Strict)/i);
  expect(cookie).toMatch(/Max-Age=43200/);
  const sent = { cookie: cookie.split(";")[0]! };
  const session = (await (await call("/get-session", undefined, sent)).json()) as { user: { studioId: string } };
  expect(session.user.studioId).toBe(studioId);
  expect((await call("/sign-out", {}, sent)).status).toBe(200);
  expect(await (await call("/get-session", undefined, sent)).json()).toBeNull();
});

test("nobody signs themselves up, and nobody picks their studio", async () => {
  expect(
    (await call("/sign-up/email", { email: "spy@x.example", password: "long enough 12", name: "Spy", studioId })).status,
  ).toBeGreaterThanOrEqual(400);
});

test("guessing at many people from one network is slowed", async () => {
  const statuses: number[] = [];
  for (let i = 0; i < 42; i++)
    statuses.push(
      (await call("/sign-in/email", { email: `nobody${i}@x.example`, password: "wrong wrong" }, { "x-forwarded-for": "10.0.0.2" })).status,
    );
  expect(statuses.slice(0, 40).every((status) => status === 401)).toBe(true);
  expect(statuses.slice(40)).toEqual([429, 429]);
});

test("a browser asks sign-in for nothing but signing in and out: the rest has actions that ask for the password", async () => {
  const { POST } = await import("@/app/api/auth/[...all]/route");
  const cookie = (await signIn(PASSWORD, "10.0.0.3")).headers.get("set-cookie")!.split(";")[0]!;
  const post = (path: string, body: unknown) =>
    POST(
      new Request(`http://127.0.0.1:9/api/auth${path}`, {
        method: "POST",
        headers: { "content-type": "application/json", origin: "http://127.0.0.1:9", "x-forwarded-for": "10.0.0.3", cookie },
        body: JSON.stringify(body),
      }),
    );
  for (const [path, body] of [
    ["/change-password", { currentPassword: PASSWORD, newPassword: "12345678" }],
    ["/update-user", { name: "Mallory" }],
    ["/delete-user", { password: PASSWORD }],
    ["/revoke-sessions", {}],
    ["/request-password-reset", { email: EMAIL }],
    ["/two-factor/enable", { password: PASSWORD }],
    ["/two-factor/disable", { password: PASSWORD }],
    ["/sign-up/email", { email: "spy@x.example", password: "long enough 12", name: "Spy" }],
    ["/verify-password", { password: PASSWORD }],
    ["/sign-in/email/", { email: EMAIL, password: PASSWORD }],
    ["/../auth/update-user", { name: "Mallory" }],
  ] as const)
    expect([path, (await post(path, body)).status]).toEqual([path, 404]);
  expect((await post("/sign-out", {})).status).toBe(200);
});

test("the first studio is created once only", async () => {
  const { setUpStudio } = await import("@/features/signIn/actions");
  const again = await setUpStudio({
    studioName: "Second",
    timeZone: "Europe/London",
    name: "X",
    email: "x@y.example",
    password: "long enough 12",
  });
  expect(again).toMatchObject({ ok: false, message: expect.stringContaining("already") });
  expect(await setUpStudio({ studioName: "", timeZone: "Moon/Base", name: "X", email: "no", password: "short" })).toMatchObject({
    ok: false,
    fields: { studioName: expect.any(String), timeZone: expect.any(String), email: expect.any(String), password: expect.any(String) },
  });
});
