import { defaultPolicy } from "@/core/policy";
import { USUAL_BOND_HAZARD } from "@/core/growth";
import { makeStudio, pointAppAtTests, type TestStudio, urls, withClient } from "../support/studios";

pointAppAtTests();

const DAYS = 21;
let studio: TestStudio;
beforeAll(async () => {
  studio = await makeStudio("hazard");
});

// What these visits came to stands on no events: others reckon all there is anew.
afterAll(() =>
  withClient(urls().owner, (db) =>
    db.query("delete from studio.visit v using studio.client c where c.id = v.client_id and c.studio_id = $1 and c.name like 'Counted %'", [
      studio.ids.studioId,
    ]),
  ),
);

/** So many clients with three fills each, all of whose sets kept this share over three weeks. */
async function haveCounted(clients: number, share: number) {
  const { ids } = studio;
  await withClient(urls().owner, async (db) => {
    for (let i = 0; i < clients; i++) {
      const clientId = crypto.randomUUID();
      await db.query("insert into studio.client (studio_id, id, name) values ($1, $2, $3)", [ids.studioId, clientId, `Counted ${i}`]);
      let before: string | null = null;
      for (let n = 3; n >= 0; n--) {
        const visitId = crypto.randomUUID();
        const at = new Date(Date.now() - (n * DAYS + 1) * 86_400_000);
        await db.query(
          "insert into studio.visit (studio_id, id, client_id, technician_id, room_id, chair_id, service, starts_at, minutes, keeps_time) values ($1, $2, $3, $4, $5, $6, $7, $8, 90, false)",
          [ids.studioId, visitId, clientId, ids.technician, ids.room, ids.chair, before ? "fill" : "newSet", at],
        );
        const zone = { side: "right", layer: 0, zone: 1 };
        const worn = { version: 2, zones: [{ ...zone, singles: 200, fans: 0, isKnown: true }] };
        const how = {
          ...{ version: 1, air: null, bottleId: null, beadAgeS: null, primer: null, attachment: null, talked: null, moved: null },
          ...{ technique: null, curl: "C", contactMm: 1.4, bareShare: 0 },
        };
        const found = before && {
          version: 1,
          countedAtMs: at.getTime(),
          // Clients lie about a tenth apart.
          zones: [{ ...zone, setVisitId: before, from: 0, to: 1, left: Math.round(200 * share * (0.95 + (i % 3) * 0.05)) }],
          since: { washesAWeek: null, oil: null, steam: null, cried: null, sleepsOn: null },
          off: 0,
          hurt: 0,
        };
        await db.query(
          "insert into studio.visit_outcome (studio_id, visit_id, through_seq, begun_at, finished_at, put_on_at, member_ids, worn, how_placed, found, state) values ($1, $2, 0, $3, $3, $3, '{}', $4, $5, $6, '{}')",
          [ids.studioId, visitId, at, worn, how, found],
        );
        before = visitId;
      }
    }
  });
}

const ask = async (cycleDays: number, own: boolean) => {
  const { inStudio } = await import("@/server/inStudio");
  const { clientHazard } = await import("@/features/visit/clientHazard");
  const { lastedSets } = await import("@/features/visit/lastedSets");
  const me = studio.member("technician");
  const policy = { ...defaultPolicy, cycleDays };
  return inStudio(me, async (tx) => {
    const sets = own ? await lastedSets(tx, me, null, policy) : [];
    return clientHazard(
      tx,
      me,
      sets.slice(0, 1).map(({ facts }) => facts),
      policy,
    );
  });
};

test("the first day nothing is known; with ten clients' fills a client without any is like them; with their own, by those", async () => {
  expect(await ask(90, false)).toMatchObject({ from: { of: "usual" } });
  // 40 % left at 21 days: (1 − 21/90) · e^(−21λ) = 0.4 gives 0.031. Derived.
  await haveCounted(12, 0.4);
  // What was reckoned a moment ago stands, and says what it is.
  expect(await ask(90, false)).toMatchObject({ from: { of: "usual" } });
  // By another cycle it is reckoned anew.
  const studioOwn = await ask(91, false);
  expect(studioOwn.from).toEqual({ of: "studio" });
  expect(studioOwn.hazard.mid).toBeGreaterThan(2 * USUAL_BOND_HAZARD);
  expect(studioOwn.hazard.mid).toBeCloseTo(0.031, 2);
  expect(studioOwn.hazard.low).toBeLessThan(studioOwn.hazard.mid);
  expect((await ask(91, true)).from).toEqual({ of: "client", fills: 1 });
});

test("many fills are read in portions, first ones or latest ones alike in order", async () => {
  const { inStudio } = await import("@/server/inStudio");
  const { lastedSets } = await import("@/features/visit/lastedSets");
  const me = studio.member("technician");
  await haveCounted(130, 0.6);
  const read = (most: number, of: "first" | "latest") =>
    inStudio(me, (tx) => lastedSets(tx, me, null, defaultPolicy, new Map(), { most, of })).then((sets) => sets.map(({ facts }) => facts));
  const all = await read(1000, "first");
  // Three fills of each of 142 clients: more than one portion.
  expect(all).toHaveLength(426);
  expect(new Set(all.map(({ visitId }) => visitId)).size).toBe(426);
  const placed = all.map(({ placedAtMs }) => placedAtMs);
  expect(placed).toEqual([...placed].sort((a, b) => a - b));
  const [first, latest] = [await read(20, "first"), await read(20, "latest")];
  expect([first.length, latest.length]).toEqual([20, 20]);
  expect(Math.max(...first.map(({ placedAtMs }) => placedAtMs))).toBeLessThan(Math.min(...latest.map(({ placedAtMs }) => placedAtMs)));
});
