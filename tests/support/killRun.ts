import { randomUUID } from "node:crypto";
import { createServer, request, type Server } from "node:http";
import pg from "pg";
import { mulberry32 } from "@/core/units";
import { loadDemo, migrate, startApp } from "../../scripts/lib/app.mjs";
import { keepUp } from "../../scripts/lib/keepUp.mjs";
import { removePostgres, startPostgres } from "../../scripts/lib/postgres.mjs";

/** What came of sending while app and database were killed again and again. */
export type Killed = {
  readonly appKills: number;
  readonly databaseKills: number;
  /** Answers that were thrown away after the server had given them: what was sent is sent again. */
  readonly answersCut: number;
  readonly events: { readonly made: number; readonly lost: number; readonly doubled: number };
  readonly readings: { readonly made: number; readonly lost: number; readonly doubled: number };
  /** Beads as the visit's outcome counts them; each event is one. */
  readonly beadsCounted: number;
  readonly seconds: number;
};

type Secrets = { password: string; secret: string; tokens: Record<string, string> };

/** A second, so many of each. */
const PER_SECOND = 20;
const ONE_IN_CUT = 4;
/** Every fourth kill is the database's. */
const EACH_DATABASE = 4;
const PATIENCE_MS = 4_000;

/**
 * Kills app and database at random, `kills` times in all, while a tablet sends taps and a hygrometer readings, twenty of each a
 * second, through a line that swallows some answers after they were given. Both keep what was not acknowledged and send it
 * again, as they do. The database is a durable one of its own, in `stateFolder`.
 */
export async function killRun({
  kills,
  seed,
  stateFolder,
  secrets,
}: {
  kills: number;
  seed: number;
  stateFolder: string;
  secrets: Secrets;
}): Promise<Killed> {
  const random = mulberry32(seed);
  removePostgres(stateFolder, "kills");
  let postgres = await startPostgres(stateFolder, { name: "kills" });
  migrate(postgres);
  loadDemo(postgres, secrets);
  const began = Date.now();
  let port = 0;
  let app: Awaited<ReturnType<typeof startApp>> | null = null;
  const kept = keepUp(
    async () => {
      app = await startApp(postgres, secrets, { env: { IVY_LOG: "silent" }, ...(port ? { port } : {}) });
      port = app.port;
      return app;
    },
    // Killed on purpose, it is started again at once, however often.
    { most: 100_000, calmMs: 0, firstPauseMs: 50, say: () => undefined },
  );
  const { url } = await kept.first;
  const line = await lineTo(url, () => random() < 1 / ONE_IN_CUT);
  try {
    const visit = await aVisit(postgres.urls.owner);
    const cookie = await signIn(url, secrets.password);
    const tablet = sender(line.url, "/api/visits/events", { cookie, origin: url }, (batch) => ({ events: batch }));
    const device = sender(line.url, "/api/intake/readings", { authorization: `Bearer ${secrets.tokens.back}` }, (batch) => ({
      readings: batch,
    }));
    const events: string[] = [];
    let readings = 0;
    const making = setInterval(() => {
      const id = randomUUID();
      events.push(id);
      const at = new Date().toISOString();
      tablet.add({
        id,
        visitId: visit.id,
        at,
        clock: "checked",
        type: "beadPlaced",
        payload: { lifeS: 900, air: null, bottleId: visit.lotId },
      });
      device.add({ takenAt: new Date(began - 3_600_000 + readings++ * 50).toISOString(), temperatureC: 21, relativeHumidity: 0.77 });
    }, 1000 / PER_SECOND);
    let [appKills, databaseKills] = [0, 0];
    while (appKills + databaseKills < kills) {
      await answers(url);
      await pause(100 + random() * 700);
      if ((appKills + databaseKills) % EACH_DATABASE === EACH_DATABASE - 1) {
        databaseKills += 1;
        postgres.crash();
        await pause(random() * 400);
        postgres = await startPostgres(stateFolder, { name: "kills", port: postgres.port });
      } else {
        appKills += 1;
        app!.child.kill("SIGKILL");
        await pause(50);
      }
    }
    clearInterval(making);
    await answers(url);
    await Promise.all([tablet.empty(), device.empty()]);
    return {
      appKills,
      databaseKills,
      answersCut: line.cut(),
      ...(await counted(postgres.urls.owner, visit, events, readings)),
      seconds: (Date.now() - began) / 1000,
    };
  } finally {
    line.close();
    await kept.stop();
    postgres.destroy();
  }
}

const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));

async function answers(url: string): Promise<void> {
  for (let i = 0; i < 600; i++) {
    const answer = await fetch(`${url}/api/ready`, { signal: AbortSignal.timeout(PATIENCE_MS) }).catch(() => null);
    if (answer?.ok) return;
    await pause(50);
  }
  throw new Error("The app did not come back within its time.");
}

/** A line to the app that throws some answers away once they are given: the work is done, and the sender does not know. */
async function lineTo(url: string, isCut: () => boolean): Promise<{ url: string; cut: () => number; close: () => void }> {
  let cut = 0;
  const { hostname, port } = new URL(url);
  const server: Server = createServer((from, to) => {
    const on = request({ hostname, port, path: from.url, method: from.method, headers: from.headers }, (answer) => {
      if (isCut()) {
        cut += 1;
        answer.resume();
        to.socket?.destroy();
        return;
      }
      to.writeHead(answer.statusCode ?? 502, answer.headers);
      answer.on("error", () => to.socket?.destroy()).pipe(to);
    });
    on.on("error", () => to.socket?.destroy());
    from.pipe(on);
  });
  await new Promise<void>((resolve) => server.listen(0, "127.0.0.1", resolve));
  const address = server.address();
  const at = typeof address === "object" && address ? address.port : 0;
  return { url: `http://127.0.0.1:${at}`, cut: () => cut, close: () => (server.close(), server.closeAllConnections()) };
}

/** Keeps what it is given, in order, until the server has answered to it. */
function sender(base: string, path: string, headers: Record<string, string>, body: (batch: readonly unknown[]) => unknown) {
  const MOST = 200;
  // A hygrometer may hand in two batches a second.
  const EVERY_MS = 550;
  let waiting: unknown[] = [];
  let stopped = false;
  const loop = (async () => {
    while (!stopped) {
      await pause(EVERY_MS);
      const batch = waiting.slice(0, MOST);
      if (batch.length === 0) continue;
      const answer = await fetch(`${base}${path}`, {
        method: "POST",
        headers: { "content-type": "application/json", ...headers },
        body: JSON.stringify(body(batch)),
        signal: AbortSignal.timeout(PATIENCE_MS),
      }).catch(() => null);
      if (answer && answer.status >= 400 && answer.status < 500 && answer.status !== 429)
        throw new Error(`Refused: ${answer.status} ${await answer.text()}`);
      // Read whole: an answer that broke off is none.
      const whole = answer?.ok ? await answer.text().catch(() => null) : null;
      if (whole !== null) waiting = waiting.slice(batch.length);
    }
  })();
  return {
    add: (one: unknown) => void waiting.push(one),
    empty: async () => {
      for (let i = 0; i < 1200 && waiting.length > 0; i++) await Promise.race([pause(100), loop]);
      stopped = true;
      await loop;
      if (waiting.length > 0) throw new Error(`${waiting.length} were never acknowledged.`);
    },
  };
}

async function withClient<T>(url: string, work: (db: pg.Client) => Promise<T>): Promise<T> {
  const db = new pg.Client({ connectionString: url });
  await db.connect();
  try {
    return await work(db);
  } finally {
    await db.end();
  }
}

type Visit = { readonly id: string; readonly lotId: string };

function aVisit(ownerUrl: string): Promise<Visit> {
  return withClient(ownerUrl, async (db) => {
    const id = randomUUID();
    await db.query(
      `insert into studio.visit (studio_id, id, client_id, technician_id, room_id, chair_id, service, starts_at, minutes, keeps_time)
       select v.studio_id, $1, v.client_id, m.id, v.room_id, v.chair_id, 'newSet', now(), 90, false
       from studio.visit v join studio.member m on m.studio_id = v.studio_id and m.role = 'owner' limit 1`,
      [id],
    );
    const { rows } = await db.query<{ id: string }>(
      "select id from studio.lot where adhesive_id is not null order by opened_on desc limit 1",
    );
    return { id, lotId: rows[0]!.id };
  });
}

async function signIn(url: string, password: string): Promise<string> {
  const answer = await fetch(`${url}/api/auth/sign-in/email`, {
    method: "POST",
    headers: { "content-type": "application/json", origin: url },
    body: JSON.stringify({ email: "maren@tideroom.example", password }),
  });
  if (!answer.ok) throw new Error(`No sign-in: ${answer.status}`);
  return answer.headers
    .getSetCookie()
    .map((cookie) => cookie.split(";")[0])
    .join("; ");
}

function counted(ownerUrl: string, visit: Visit, events: readonly string[], readings: number) {
  return withClient(ownerUrl, async (db) => {
    const { rows: kept } = await db.query<{ id: string; seq: number }>(
      "select id, seq from studio.visit_event where visit_id = $1 order by seq",
      [visit.id],
    );
    const ids = new Set(kept.map(({ id }) => id));
    const { rows: air } = await db.query<{ all: number; apart: number }>(
      `select count(*)::int as all, count(distinct taken_at)::int as apart from studio.reading where relative_humidity = 0.77 and temperature_c = 21`,
    );
    const { rows: lots } = await db.query<{ beads: number }>("select beads from studio.visit_lot where visit_id = $1", [visit.id]);
    return {
      events: {
        made: events.length,
        lost: events.filter((id) => !ids.has(id)).length,
        doubled: kept.length - ids.size + (kept.length - new Set(kept.map(({ seq }) => seq)).size),
      },
      readings: { made: readings, lost: readings - air[0]!.apart, doubled: air[0]!.all - air[0]!.apart },
      beadsCounted: lots.reduce((sum, { beads }) => sum + beads, 0),
    };
  });
}
