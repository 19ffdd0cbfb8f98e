import { PassThrough } from "node:stream";
import { actAs } from "../support/memberAs";
import { ask, everyAction, everyRoute, inputs, openActions, type Action } from "../support/everyDoor";
import { fingerprint, makeStudio, pointAppAtTests, urls, withClient, type TestStudio } from "../support/studios";

// A hundred and more hostile inputs at each action and each route there is: refused in words, nothing half kept, no stack, and no
// word of a client in the log. What each is sent follows from what would be right for it, so a new door is tried as well.

jest.mock("@/server/member", () => jest.requireActual("../support/memberAs"));
jest.mock("next/cache", () => ({ refresh: () => undefined, revalidatePath: () => undefined }));
pointAppAtTests();

const logged: string[] = [];
jest.mock("@/server/log", () => {
  const pino = jest.requireActual("pino") as typeof import("pino").default;
  const stream = new PassThrough();
  stream.on("data", (line: Buffer) => logged.push(line.toString()));
  return { log: pino({ level: "trace" }, stream) };
});

const AT_A_DOOR = 100;
/** No more than so many at one, taken evenly from all there are. */
const MOST = 140;
const SECRET = "Ottoline Secretname";
/** What may stand where something else is meant. */
const BAD: readonly unknown[] = [
  null,
  undefined,
  "",
  "\u0000",
  "\ud800",
  SECRET,
  "'; drop table studio.client; --",
  "../../etc/passwd",
  "constructor",
  "9999-12-31",
  "x".repeat(5_000),
  -1,
  1e308,
  Number.NaN,
  2_147_483_648,
  true,
  [],
  [SECRET],
  {},
  { $gt: "" },
  JSON.parse('{"__proto__": {"role": "owner"}}'),
  "00000000-0000-0000-0000-000000000000",
];
/** For a door that names nothing of a studio's: these alone, each bare, and in each of some wrappings. */
const BARE = BAD.flatMap((bad) => [bad, { id: bad }, { name: bad, form: bad }, { document: bad, id: crypto.randomUUID() }, [bad]]);

type Path = readonly (string | number)[];
function pathsOf(value: unknown, path: Path = []): Path[] {
  if (typeof value !== "object" || value === null) return [path];
  const keys: (string | number)[] = Array.isArray(value) ? value.map((_, i) => i) : Object.keys(value);
  return [path, ...keys.flatMap((key) => pathsOf((value as Record<string | number, unknown>)[key], [...path, key]))];
}
function withAt(value: unknown, path: Path, bad: unknown): unknown {
  const [key, ...rest] = path;
  if (key === undefined) return bad;
  const copy: Record<string | number, unknown> = Array.isArray(value) ? ([...value] as never) : { ...(value as object) };
  copy[key] = withAt(copy[key], rest, bad);
  return copy;
}
/** Every place of what is right with everything that is wrong, and what is right with something more. */
function hostileOf(valid: unknown): unknown[] {
  if (valid === null) return BARE.slice(0, MOST);
  const all = [
    ...pathsOf(valid).flatMap((path) => BAD.map((bad) => withAt(valid, path, bad))),
    { ...(valid as object), studioId: crypto.randomUUID(), role: "owner" },
  ];
  const every =
    all.length > MOST ? all.filter((_, i) => Math.floor((i * MOST) / all.length) !== Math.floor(((i - 1) * MOST) / all.length)) : all;
  return [...every, ...BARE.slice(0, Math.max(0, AT_A_DOOR - every.length))];
}

/** What is said to whom it was refused is in words: no apology, no query, no place in the code. */
const STACK = /did not go through|could not do this just now|select |insert |Zod|\.ts:\d|\n\s+at /;

const counts = { doors: 0, tried: 0, refused: 0, taken: 0 };
let made = 0;
const fresh = () => makeStudio(`hostile ${++made}`);

/** What was not as it should be, all of it. */
const wrong: string[] = [];
async function tryAll(studio: TestStudio, name: string, action: Action, wanted: ReadonlySet<number> | null): Promise<Set<number>> {
  const refused = new Set<number>();
  for (const [i, input] of hostileOf(inputs[name]?.(studio) ?? null).entries()) {
    if (wanted && !wanted.has(i)) continue;
    const result = await action(input);
    const said = JSON.stringify(result);
    if (STACK.test(said)) wrong.push(`${name}, asked ${JSON.stringify(input)?.slice(0, 400)}: ${said.slice(0, 300)}`);
    if (result.ok) continue;
    refused.add(i);
    if (!/\w+/.test(result.message ?? "")) wrong.push(`${name} refused without a word`);
  }
  return refused;
}

afterAll(() => {
  process.stdout.write(
    `Hostile input: ${counts.tried} tries at ${counts.doors} doors, ${counts.refused} refused, ${counts.taken} taken as they may be.\n`,
  );
});
/** By the owner's hand, whose doors are the most. */
const asOwner = (studio: TestStudio) => actAs(studio.member("owner"));

test("every action: refused in words or taken whole, nothing half kept", async () => {
  for (const [name, action] of [...(await everyAction()), ...(await openActions())]) {
    const studio = await fresh();
    asOwner(studio);
    const before = await fingerprint(studio.ids.studioId);
    const tried = hostileOf(inputs[name]?.(studio) ?? null).length;
    expect([name, tried >= AT_A_DOOR]).toEqual([name, true]);
    const refused = await tryAll(studio, name, action, null);
    counts.doors += 1;
    counts.tried += tried;
    counts.refused += refused.size;
    counts.taken += tried - refused.size;
    // Where something was taken, what was refused is sent once more by itself: of that nothing may be left.
    const alone = refused.size === tried ? studio : await fresh();
    if (alone !== studio) {
      asOwner(alone);
      const untouched = await fingerprint(alone.ids.studioId);
      const again = await tryAll(alone, name, action, refused);
      if (again.size === refused.size) expect([name, await fingerprint(alone.ids.studioId)]).toEqual([name, untouched]);
    } else expect([name, await fingerprint(studio.ids.studioId)]).toEqual([name, before]);
  }
  expect(wrong).toEqual([]);
}, 600_000);

test("every route: answered below 500 in words, whatever its address, query and body say", async () => {
  const studio = await fresh();
  asOwner(studio);
  const { context } = ask(studio);
  const right = await context.params;
  for (const [route, handlers] of await everyRoute()) {
    // It takes nothing but a request to listen, and is listened to elsewhere.
    if (route === "api/live") continue;
    const names = [...route.matchAll(/\[(\w+)\]/g)].map(([, name]) => name!);
    const text = (bad: unknown) => (typeof bad === "string" ? bad : (JSON.stringify(bad) ?? "undefined"));
    const queries = [
      "find",
      "show",
      "page",
      "from",
      "to",
      "days",
      "paper",
      "view",
      "kind",
      "side",
      "reading",
      "encoding",
      "keep",
      "add",
      "since",
      "what",
      "who",
      "name",
    ];
    const tries = [
      ...names.flatMap((name) => BAD.map((bad) => ({ params: { ...right, [name]: text(bad) }, query: "", body: "{}" }))),
      ...BAD.map((bad, i) => ({
        params: right,
        query: new URLSearchParams({ [queries[i % queries.length]!]: text(bad).slice(0, 2_000) }).toString(),
        body: text(bad),
      })),
      ...queries.flatMap((key) =>
        ["\u0000", "9999-12-31", "-1", "constructor"].map((value) => ({
          params: right,
          query: `${key}=${encodeURIComponent(value.toWellFormed())}&${key}=2`,
          body: `a,b\n${value},${SECRET}\n`,
        })),
      ),
      { params: right, query: "%00=%00&%FF=%FE", body: "\u0000" },
      ...[`{"events": [${"[".repeat(2_000)}${"]".repeat(2_000)}]}`, "null", "7", '"x"', "[]", '{"__proto__": 1}'].map((body) => ({
        params: right,
        query: "",
        body,
      })),
    ];
    expect([route, tries.length >= AT_A_DOOR]).toEqual([route, true]);
    counts.doors += 1;
    for (const method of ["GET", "POST"] as const) {
      const handler = handlers[method];
      if (!handler) continue;
      for (const { params, query, body } of tries) {
        const request = new Request(`http://127.0.0.1/x?${query}`, { method, ...(method === "POST" ? { body } : {}) });
        const response = await handler(request, { params: Promise.resolve(params) } as never);
        counts.tried += 1;
        if (response.status >= 500)
          wrong.push(`${method} ${route}?${query} ${JSON.stringify(params)}: ${response.status} ${await response.clone().text()}`);
        if (response.status >= 400) {
          counts.refused += 1;
          expect([route, await response.text()]).toEqual([route, expect.not.stringMatching(STACK)]);
        } else {
          counts.taken += 1;
          await response.arrayBuffer();
        }
      }
    }
  }
  expect(wrong).toEqual([]);
}, 300_000);

test("of all that was sent, and of any client, the log says no word", async () => {
  const text = logged.join("");
  for (const word of ["Ottoline", "Secretname", "private", "drop table", "hostile 1 client"]) expect(text.includes(word)).toBe(false);
  // The tables are still there.
  const { rows } = await withClient(urls().owner, (db) => db.query("select count(*)::int as n from studio.client"));
  expect(rows[0].n).toBeGreaterThan(0);
});
