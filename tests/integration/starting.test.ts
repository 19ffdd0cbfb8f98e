import { spawn, type ChildProcess } from "node:child_process";
import { existsSync, mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { createServer } from "node:net";
import { tmpdir } from "node:os";
import path from "node:path";
import { defaultPolicy } from "@/core/policy";
import { askRunning, claim } from "../../scripts/lib/claim.mjs";
import { dumpTo, isEmpty, restoreFrom, textOf } from "../../scripts/lib/dump.mjs";
import { keepUp } from "../../scripts/lib/keepUp.mjs";
import { beganAt, childrenIn, endOrphans } from "../../scripts/lib/orphans.mjs";
import { namePeer, peerReader } from "../../scripts/lib/peer.mjs";
import { freePort } from "../../scripts/lib/ports.mjs";
import { makeStudio, pointAppAtTests, urls, withClient } from "../support/studios";

pointAppAtTests();
const folder = mkdtempSync(path.join(tmpdir(), "ivy-start-"));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

const until = async (isSo: () => boolean | Promise<boolean>) => {
  for (let i = 0; i < 400 && !(await isSo()); i++) await new Promise((resolve) => setTimeout(resolve, 25));
  expect(await isSo()).toBe(true);
};
/** A program of the test's own that runs until it is ended, and says a line once it stands. */
async function program(source: string): Promise<ChildProcess & { pid: number; said: () => string }> {
  const child = spawn(process.execPath, ["--input-type=module", "-e", source], {
    stdio: ["ignore", "pipe", "inherit"],
    cwd: process.cwd(),
  });
  let text = "";
  child.stdout.on("data", (part: Buffer) => (text += part.toString()));
  await until(() => text.includes("\n"));
  return Object.assign(child, { pid: child.pid!, said: () => text.trim() });
}
const SLEEPS = "console.log('up'); setInterval(() => undefined, 1000);";

describe("one start at a time from a state folder", () => {
  test("a second one is refused, and told which and where; from another folder or under another name it is not", async () => {
    const first = await claim(folder, "demo");
    await expect(claim(folder, "demo")).rejects.toThrow(new RegExp(`process ${process.pid}, and is just starting`));
    first.tell({ url: "http://127.0.0.1:4100" });
    await expect(claim(folder, "demo")).rejects.toThrow(/at http:\/\/127\.0\.0\.1:4100/);
    expect(await askRunning(folder, "demo")).toEqual({ pid: process.pid, url: "http://127.0.0.1:4100" });
    expect(await askRunning(folder, "empty")).toBeNull();
    (await claim(folder, "empty")).release();
    (await claim(path.join(folder, "another"), "demo")).release();
    first.release();
    (await claim(folder, "demo")).release();
  });

  test("of ten at once one is let in, and one that was killed holds nothing", async () => {
    const source = `import { claim } from "./scripts/lib/claim.mjs";
      try { await claim(${JSON.stringify(folder)}, "ten"); console.log("in"); setInterval(() => undefined, 1000); } catch (error) { console.log("out"); }`;
    const ten = await Promise.all(Array.from({ length: 10 }, () => program(source)));
    const held = ten.filter((one) => one.said() === "in");
    expect(held).toHaveLength(1);
    held[0]!.kill("SIGKILL");
    await until(async () => (await askRunning(folder, "ten")) === null);
    (await claim(folder, "ten")).release();
  }, 30_000);
});

describe("what a start left behind that was killed", () => {
  test("is ended by the next, and nothing else is, though it bears the number of one", async () => {
    const file = path.join(folder, "children.json");
    const [orphan, stranger, finished] = await Promise.all([program(SLEEPS), program(SLEEPS), program(SLEEPS)]);
    const children = childrenIn(file);
    children.add(orphan);
    children.add(finished);
    children.remove(finished);
    // A process that died long ago, whose number another bears now.
    const list = JSON.parse(readFileSync(file, "utf8")) as { pid: number; beganAt: number }[];
    expect(list).toEqual([{ pid: orphan.pid, beganAt: beganAt(orphan.pid) }]);
    writeFileSync(file, JSON.stringify([...list, { pid: stranger.pid, beganAt: beganAt(stranger.pid)! - 1 }]));
    expect(await endOrphans(file)).toBe(1);
    await until(() => beganAt(orphan.pid) === null);
    expect(beganAt(stranger.pid)).not.toBeNull();
    expect(beganAt(finished.pid)).not.toBeNull();
    expect(await endOrphans(file)).toBe(0);
    for (const one of [stranger, finished]) one.kill("SIGKILL");
  }, 30_000);

  test("is killed where it does not end kindly, and a list cut off as it was written harms nothing", async () => {
    const file = path.join(folder, "stubborn.json");
    const stubborn = await program(`process.on("SIGTERM", () => undefined); ${SLEEPS}`);
    childrenIn(file).add(stubborn);
    expect(await endOrphans(file, { kindlyMs: 200 })).toBe(1);
    await until(() => beganAt(stubborn.pid) === null);
    writeFileSync(file, '[{"pid": 1');
    expect(await endOrphans(file)).toBe(0);
  }, 30_000);

  test("every process that a start makes is on its list, by whatever it is made", async () => {
    const file = path.join(folder, "started.json");
    const source = `import { start, writeChildrenTo } from "./scripts/lib/run.mjs"; import { childrenIn } from "./scripts/lib/orphans.mjs";
      writeChildrenTo(childrenIn(${JSON.stringify(file)}));
      const child = start(process.execPath, ["-e", "setInterval(() => undefined, 1000)"]); console.log(child.pid); setInterval(() => undefined, 1000);`;
    const keeper = await program(source);
    const child = Number(keeper.said());
    keeper.kill("SIGKILL");
    await until(() => beganAt(keeper.pid) === null);
    expect(beganAt(child)).not.toBeNull();
    expect(await endOrphans(file)).toBe(1);
    await until(() => beganAt(child) === null);
  }, 30_000);
});

test.each(["demo", "start", "test", "bench"])(
  "npm run %s, ended by npm's own number, is told so and ends what it started",
  async (name) => {
    const { scripts } = JSON.parse(readFileSync("package.json", "utf8")) as { scripts: Record<string, string> };
    const there = path.join(folder, `npm-${name}`);
    mkdirSync(path.join(there, "scripts"), { recursive: true });
    writeFileSync(path.join(there, "package.json"), JSON.stringify({ scripts: { [name]: scripts[name] } }));
    writeFileSync(
      path.join(there, `scripts/${name}.mjs`),
      `import { writeFileSync } from "node:fs";
     process.on("SIGTERM", () => { writeFileSync("ended", ""); process.exit(0); });
     console.log("up", process.pid); setInterval(() => undefined, 1000);`,
    );
    const npm = spawn("npm", ["run", name], { cwd: there, stdio: ["ignore", "pipe", "ignore"] });
    let said = "";
    npm.stdout.on("data", (part: Buffer) => (said += part.toString()));
    await until(() => /up \d+\n/.test(said));
    const own = Number(/up (\d+)/.exec(said)![1]);
    try {
      npm.kill("SIGTERM");
      await until(() => existsSync(path.join(there, "ended")) && beganAt(own) === null);
    } finally {
      if (beganAt(own) !== null) process.kill(own, "SIGKILL");
    }
  },
);

test("a port that is taken is named, and not moved away from", async () => {
  const server = createServer();
  const taken = await freePort();
  await new Promise<void>((resolve) => server.listen(taken, "127.0.0.1", resolve));
  await expect(freePort(taken)).rejects.toThrow(new RegExp(`Port ${taken} is taken`));
  await new Promise((resolve) => server.close(resolve));
  expect(await freePort(taken)).toBe(taken);
});

describe("the keeper", () => {
  type Life = "while starting" | "at once" | "until stopped";
  /** Something that lives as told, one life after the other. */
  const lives = (all: Life[]) => {
    let starts = 0;
    const ends: (() => void)[] = [];
    return {
      starts: () => starts,
      end: () => ends.at(-1)!(),
      start: async () => {
        const life = all[Math.min(starts++, all.length - 1)]!;
        if (life === "while starting") throw new Error("it ended while starting, with 1.");
        let end!: () => void;
        const ended = new Promise<void>((resolve) => (end = resolve));
        ends.push(end);
        if (life === "at once") end();
        return { ended, stop: async () => end() };
      },
    };
  };
  const quiet = { firstPauseMs: 1, say: () => undefined };

  test("outlives an app that dies while it starts, right after, and later", async () => {
    const app = lives(["while starting", "at once", "while starting", "until stopped", "until stopped"]);
    const kept = keepUp(app.start, quiet);
    await kept.first;
    await until(() => app.starts() === 4);
    app.end();
    await until(() => app.starts() === 5);
    await kept.stop();
    await expect(kept.gaveUp).resolves.toBeUndefined();
    expect(app.starts()).toBe(5);
  });

  test("gives up one that never stays up, in words, and counts anew after a calm time", async () => {
    const broken = lives(["while starting"]);
    const kept = keepUp(broken.start, { ...quiet, most: 4 });
    await expect(kept.first).rejects.toThrow(/does not stay up.*while starting.*4 times in a row/);
    await expect(kept.gaveUp).rejects.toThrow();
    expect(broken.starts()).toBe(4);
    const now = jest.spyOn(Date, "now");
    let atMs = 0;
    now.mockImplementation(() => (atMs += 100_000));
    const often = lives(["at once", "at once", "at once", "at once", "at once", "at once", "until stopped"]);
    const calm = keepUp(often.start, { ...quiet, most: 3 });
    await until(() => often.starts() === 7);
    await calm.stop();
    now.mockRestore();
  });
});

describe("who sends a request", () => {
  const from = (remoteAddress: string, forwarded?: string) => ({
    headers: { ...(forwarded ? { "x-forwarded-for": forwarded } : {}), "x-real-ip": "203.0.113.200" } as Record<string, string>,
    socket: { remoteAddress },
  });
  const named = (request: ReturnType<typeof from>, trusted?: string) => {
    namePeer(request as never, peerReader(trusted) as never);
    return request.headers;
  };
  test("is who is at the other end, whatever they say of themselves", () => {
    expect(named(from("198.51.100.7", "203.0.113.1, 203.0.113.2"))).toEqual({ "x-forwarded-for": "198.51.100.7" });
    expect(named(from("198.51.100.7"))).toEqual({ "x-forwarded-for": "198.51.100.7" });
  });
  test("or whom a proxy that the settings name has seen, the last of them that is none", () => {
    expect(named(from("127.0.0.1", "203.0.113.1, 198.51.100.9"), "loopback")["x-forwarded-for"]).toBe("198.51.100.9");
    expect(named(from("10.0.0.2", "203.0.113.1, 10.0.0.3"), "10.0.0.0/8")["x-forwarded-for"]).toBe("203.0.113.1");
    expect(named(from("198.51.100.7", "203.0.113.1"), "loopback")["x-forwarded-for"]).toBe("198.51.100.7");
    expect(() => peerReader("nonsense")).toThrow();
  });
});

describe("settings", () => {
  const good = () => {
    const { app, auth, device } = urls();
    return {
      IVY_APP_URL: app,
      IVY_AUTH_URL: auth,
      IVY_DEVICE_URL: device,
      IVY_SECRET: "x".repeat(40),
      IVY_BASE_URL: "https://studio.example",
      IVY_TRUSTED_PROXIES: "loopback",
    };
  };
  test("are read, one left empty as one not made; what is missing or wrong is said, a line each", async () => {
    const { readSettings } = await import("@/server/settings");
    expect(readSettings({ ...good(), IVY_MAIL_URL: "", OTHER: "x" })).toMatchObject({
      ok: true,
      settings: { IVY_BASE_URL: "https://studio.example" },
    });
    const wrong = (change: Record<string, string | undefined>) => {
      const read = readSettings({ ...good(), ...change });
      return read.ok ? [] : read.wrong;
    };
    expect(readSettings({})).toMatchObject({
      ok: false,
      wrong: expect.arrayContaining(["IVY_APP_URL is not set.", "IVY_SECRET is not set."]),
    });
    expect(wrong({ IVY_SECRET: "short" })).toEqual([expect.stringMatching(/^IVY_SECRET is shorter than 32/)]);
    expect(wrong({ IVY_APP_URL: "mysql://x" })).toEqual([expect.stringMatching(/^IVY_APP_URL is no address of a PostgreSQL/)]);
    expect(wrong({ IVY_BASE_URL: "studio" })).toEqual([expect.stringMatching(/^IVY_BASE_URL is not set, or no address/)]);
    expect(wrong({ IVY_BASE_URL: "http://studio.example" })).toEqual([expect.stringMatching(/in the open/)]);
    for (const here of ["http://127.0.0.1:4100", "http://localhost:4100"]) expect(wrong({ IVY_BASE_URL: here })).toEqual([]);
    expect(wrong({ IVY_TRUSTED_PROXIES: "" })).toEqual([expect.stringMatching(/^IVY_TRUSTED_PROXIES is not set, although/)]);
    expect(wrong({ IVY_TRUSTED_PROXIES: "", IVY_BASE_URL: "http://127.0.0.1:4100" })).toEqual([]);
    expect(wrong({ IVY_MAIL_URL: "http://mail.example" })).toEqual([expect.stringMatching(/^IVY_MAIL_URL/)]);
  });

  test("a database that is away, older, or asked as who may see everything is said before anybody is let in, without a password", async () => {
    const { startProblems } = await import("@/db/startCheck");
    const { app } = urls();
    expect(await startProblems(good())).toEqual([]);
    const away = await startProblems({ ...good(), IVY_APP_URL: app.replace(/:\d+\//, ":1/") });
    expect(away).toEqual(["IVY_APP_URL: the database cannot be asked (nothing answers at that address)."]);
    const wrongPassword = await startProblems({ ...good(), IVY_DEVICE_URL: urls().device.replace(/:[^:@/]+@/, ":wrong@") });
    expect(wrongPassword).toEqual(["IVY_DEVICE_URL: the database cannot be asked (the password is not right)."]);
    await withClient(urls().owner, (db) =>
      db.query("create table migrations.aside as select * from migrations.__drizzle_migrations where false"),
    );
    await withClient(urls().owner, async (db) => {
      await db.query("insert into migrations.aside select * from migrations.__drizzle_migrations order by id desc limit 1");
      await db.query("delete from migrations.__drizzle_migrations where id in (select id from migrations.aside)");
    });
    try {
      expect(await startProblems(good())).toEqual([expect.stringMatching(/older than this app.*npm run migrate/)]);
      const { GET } = await import("@/app/api/ready/route");
      const answer = await GET();
      expect([answer.status, await answer.json()]).toEqual([
        503,
        { ready: false, database: "up", migrations: "behind", rollUps: "settled" },
      ]);
    } finally {
      await withClient(urls().owner, async (db) => {
        await db.query("insert into migrations.__drizzle_migrations select * from migrations.aside");
        await db.query("drop table migrations.aside");
      });
    }
  });
});

describe("health and readiness", () => {
  test("the app says that it is up, and nothing keeps it; the rest says what it stands on", async () => {
    const { GET: health } = await import("@/app/api/health/route");
    const { GET: ready } = await import("@/app/api/ready/route");
    const up = health();
    expect(up.headers.get("cache-control")).toBe("no-store");
    expect(await up.json()).toEqual({ ok: true, upSince: expect.any(String) });
    const answer = await ready();
    expect([answer.status, await answer.json()]).toEqual([200, { ready: true, database: "up", migrations: "done", rollUps: "settled" }]);
  });

  test("roll-ups that nobody settles are told of after ten minutes", async () => {
    const { ids } = await makeStudio("readiness");
    const owe = (ago: string) =>
      withClient(urls().owner, (db) =>
        db.query(
          `insert into device.owed (studio_id, sensor_id, hour, since) values ($1, $2, date_trunc('hour', now()), now() - interval '${ago}')
           on conflict (studio_id, sensor_id, hour) do update set since = excluded.since`,
          [ids.studioId, ids.sensor],
        ),
      );
    const { readiness } = await import("@/server/readiness");
    await owe("9 minutes");
    expect(await readiness()).toMatchObject({ ready: true, rollUps: "settled" });
    await owe("11 minutes");
    expect(await readiness()).toMatchObject({ ready: false, rollUps: "late" });
    await withClient(urls().owner, (db) => db.query("delete from device.owed where studio_id = $1", [ids.studioId]));
  });
});

test("a backup, brought back into an empty place and backed up again, is identical, row by row; one that is not empty takes none", async () => {
  const studio = await makeStudio("kept-safe");
  await withClient(urls().owner, (db) =>
    db.query("update studio.policy set document = $2 where studio_id = $1", [
      studio.ids.studioId,
      JSON.stringify({ ...defaultPolicy, aftercareWords: "Ünïcode 漢字 \\ ' \" \t end" }),
    ]),
  );
  const [first, second] = [path.join(folder, "first.dump"), path.join(folder, "second.dump")];
  dumpTo(urls().owner, first);
  expect(await isEmpty(urls().owner)).toBe(false);
  expect(await isEmpty(urls().restored)).toBe(true);
  expect(() => restoreFrom(urls().owner, first)).toThrow(/did not go through/);
  restoreFrom(urls().restored, first);
  dumpTo(urls().restored, second);
  const text = textOf(urls().owner, first);
  expect(textOf(urls().restored, second)).toBe(text);
  expect(text).toContain(studio.ids.client);
  expect(text.length).toBeGreaterThan(100_000);
  // And is what it was, for the rules of the rows too.
  const rows = (url: string) =>
    withClient(
      url,
      async (db) =>
        (await db.query("select tablename, policyname, cmd, qual, with_check from pg_policies where schemaname = 'studio' order by 1, 2"))
          .rows,
    );
  expect(await rows(urls().restored)).toEqual(await rows(urls().owner));
}, 60_000);
