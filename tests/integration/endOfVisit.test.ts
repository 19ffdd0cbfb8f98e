import { shippedChecklist, type Checklist } from "@/core/checklist";
import { defaultPolicy } from "@/core/policy";
import { EVENT_KINDS, type EventPayload, type EventType } from "@/core/visit";
import { actAs, acting, accountOf } from "../support/memberAs";
import { makeStudio, pointAppAtTests, type TestStudio, urls, withClient } from "../support/studios";

jest.mock("@/server/member", () => jest.requireActual("../support/memberAs"));
jest.mock("next/cache", () => ({ refresh: () => undefined }));
pointAppAtTests();

const sql = async <T>(text: string, values: unknown[] = []) =>
  withClient(urls().owner, async (db) => (await db.query(text, values)).rows as T[]);
let studio: TestStudio;
beforeAll(async () => {
  studio = await makeStudio("end of visit");
});
beforeEach(() => actAs(studio.member("technician")));

async function agreed(service: string, minutesAgo: number): Promise<string> {
  const { ids } = studio;
  const id = crypto.randomUUID();
  await sql(
    "insert into studio.visit (studio_id, id, client_id, technician_id, room_id, chair_id, service, starts_at, minutes, map_id, map_revision, keeps_time) values ($1, $2, $3, $4, $5, $6, $7, now() - make_interval(mins => $8), 90, $9, 1, false)",
    [ids.studioId, id, ids.client, ids.technician, ids.room, ids.chair, service, minutesAgo, ids.map],
  );
  return id;
}
const tapAt = <Type extends EventType>(visitId: string, atMs: number, type: Type, payload: EventPayload<Type>) => ({
  id: crypto.randomUUID(),
  visitId,
  at: new Date(atMs).toISOString(),
  clock: "checked" as const,
  type,
  version: EVENT_KINDS[type].version,
  payload,
});
const keep = async (taps: readonly object[]) => {
  const { POST } = await import("@/app/api/visits/events/route");
  const answer = await POST(new Request("http://x/", { method: "POST", body: JSON.stringify({ events: taps }) }));
  return (await answer.json()) as { kept: { id: string }[]; refused: { id: string; why: string }[] };
};
const page = async (visitId: string) => (await import("@/features/chair/page")).visitPage(acting(), visitId, new Date());
const running = async () => (await import("@/features/visit/running")).runningVisits(acting(), new Date());
const own = (name: string): Checklist => {
  const shipped = shippedChecklist("newSet", defaultPolicy);
  return { ...shipped, steps: shipped.steps.map((step) => (step.id === "hands" ? { ...step, name } : step)) };
};
const handsIn = (checklist: Checklist) => checklist.steps.find(({ id }) => id === "hands")!.name;

/** A set of so many lashes a hand took so many seconds each for, finished a while ago. */
async function tappedSet(seconds: number, lashes = 30): Promise<string> {
  const id = await agreed("newSet", 300);
  const startMs = Date.now() - 5 * 3_600_000;
  await keep([
    tapAt(id, startMs, "started", { bottleId: null, air: null }),
    tapAt(id, startMs + 1000, "beadPlaced", { lifeS: 900, air: null, bottleId: null }),
    ...Array.from({ length: lashes }, (_, i) =>
      tapAt(id, startMs + (60 + i * seconds) * 1000, "lashPlaced", { side: "right", layer: 0, zone: 3, piece: 0, n: 1 }),
    ),
    tapAt(id, startMs + 4 * 3_600_000, "finished", {}),
  ]);
  return id;
}

describe("steps of a visit", () => {
  test("one begun keeps the steps that stood then, whatever is saved later; two who change at once are told", async () => {
    const { keepChecklist } = await import("@/features/checklists/actions");
    const { checklistPage } = await import("@/features/checklists/data");
    const before = await agreed("newSet", 5);
    expect(handsIn((await page(before))!.thread.checklist)).toMatch(/^Hands washed/);
    expect(await keepChecklist({ base: 0, document: own("First wording") })).toEqual({ ok: true, data: { revision: 1 } });
    // Not begun, it follows; begun, it stays.
    expect(handsIn((await page(before))!.thread.checklist)).toBe("First wording");
    await keep([tapAt(before, Date.now(), "started", { bottleId: null, air: null })]);
    await new Promise((resolve) => setTimeout(resolve, 30));
    expect(await keepChecklist({ base: 1, document: own("Second wording") })).toEqual({ ok: true, data: { revision: 2 } });
    expect(handsIn((await page(before))!.thread.checklist)).toBe("First wording");
    expect(handsIn((await checklistPage(acting(), "newSet"))!.document)).toBe("Second wording");
    const lost = await keepChecklist({ base: 1, document: own("Lost wording") });
    expect(lost).toMatchObject({ ok: false, message: expect.stringContaining("changed elsewhere") });
    const many = await Promise.all([1, 2, 3, 4].map((n) => keepChecklist({ base: 2, document: own(`Wording ${n}`) })));
    expect(many.filter(({ ok }) => ok)).toHaveLength(1);
    expect(await checklistPage(acting(), "constructor")).toBeNull();
  });
  test("one that cannot be is refused with the place", async () => {
    const { keepChecklist } = await import("@/features/checklists/actions");
    const shipped = shippedChecklist("fill", defaultPolicy);
    const wrong = { ...shipped, steps: [{ ...shipped.steps[0]!, name: "" }, ...shipped.steps.slice(1)] };
    expect(await keepChecklist({ base: 0, document: wrong })).toMatchObject({
      ok: false,
      fields: { "document.steps.0.name": "Say it in words." },
    });
  });
});

describe("what a lash takes", () => {
  test("is learned from sets that were tapped, on that eye; until then what the hand said of itself counts", async () => {
    const { inStudio } = await import("@/server/inStudio");
    const { ownPace } = await import("@/features/visit/ownPace");
    const { sayHand } = await import("@/features/people/actions");
    const { peoplePage } = await import("@/features/people/data");
    const pace = () => inStudio(acting(), (tx) => ownPace(tx, studio.ids.technician, defaultPolicy));
    await sql(
      "delete from studio.visit where studio_id = $1 and technician_id = $2 and service = 'newSet' and not exists (select 1 from studio.visit_event e where e.visit_id = visit.id)",
      [studio.ids.studioId, studio.ids.technician],
    );
    expect(await pace()).toMatchObject({ secondsPerSingle: 36, secondsPerFan: 70, known: false, lash: [] });
    expect((await sayHand({ id: studio.ids.technician, hand: "beginner" })).ok).toBe(true);
    // Common practice: three hours for a set where a practised hand takes two.
    expect(await pace()).toMatchObject({ secondsPerSingle: 54, secondsPerFan: 105 });
    const isFan = async () => (await pace()).lash[0]!.isFan;
    await tappedSet(20);
    await tappedSet(24);
    const { lash, known } = await pace();
    expect(known).toBe(true);
    expect(lash).toHaveLength(1);
    expect(lash[0]).toMatchObject({ side: "right", seconds: expect.closeTo(22, 6), lashes: 58 });
    expect((await pace())[(await isFan()) ? "secondsPerFan" : "secondsPerSingle"]).toBe(22);
    expect(lash[0]!.lowS).toBeLessThan(20);
    // It is for themselves and the owner, and nobody says another's hand.
    const seen = async () =>
      (await peoplePage(accountOf(acting()), new Date())).people.find(({ id }) => id === studio.ids.technician)!.hand;
    expect((await seen())!.paces).toHaveLength(1);
    actAs(studio.member("trainee"));
    expect(await seen()).toBeNull();
    expect((await sayHand({ id: studio.ids.technician, hand: null })).ok).toBe(false);
    actAs(studio.member("owner"));
    expect((await seen())!.said).toBe("beginner");
    expect((await sayHand({ id: studio.ids.technician, hand: "practised" })).ok).toBe(true);
  });
});

describe("after a visit", () => {
  test("a set's card as a file: from when water, the studio's own words, the next visit; refused before the end", async () => {
    const { GET } = await import("@/app/api/visits/[visitId]/care.txt/route");
    await sql("update studio.policy set document = document || $2::jsonb where studio_id = $1", [
      studio.ids.studioId,
      JSON.stringify({ aftercareWords: "Ring us before nine.\nZadzwoń: 555" }),
    ]);
    const id = await agreed("newSet", 200);
    const ask = () => GET(new Request("http://127.0.0.1/x"), { params: Promise.resolve({ visitId: id }) });
    const now = Date.now();
    await keep([
      tapAt(id, now - 9_000_000, "started", { bottleId: null, air: null }),
      tapAt(id, now - 8_900_000, "beadPlaced", { lifeS: 900, air: null, bottleId: null }),
    ]);
    expect((await ask()).status).toBe(409);
    await keep([tapAt(id, now - 900_000, "beadWiped", {}), tapAt(id, now - 300_000, "finished", {})]);
    const text = await (await ask()).text();
    expect(text).toMatch(/^After your new set\n/);
    expect(text).toMatch(/- No water, steam or oil before \w+day \d\d:\d\d\.\n- Wash lids/);
    expect(text).toContain("- Ring us before nine.\n- Zadzwoń: 555");
    expect(text).not.toContain("Next visit");
    const { book } = await import("@/features/visit/actions");
    const { ids } = studio;
    const day = new Date(now + 14 * 86_400_000).toISOString().slice(0, 10);
    const place = { technicianId: ids.technician, chairId: ids.chair, day, time: "06:30", minutes: 60 };
    const booked = await book({ id: crypto.randomUUID(), clientId: ids.client, service: "fill", ...place });
    expect(booked.ok).toBe(true);
    expect(await (await ask()).text()).toMatch(/Next visit: \w+ \d+ \w+, 06:30, fill\./);
    expect((await page(id))!.thread.next!.words).toMatch(/06:30, fill$/);
    // What left the studio is told in the audit list, each time.
    const told = await sql("select client_id from studio.audit_entry where studio_id = $1 and detail = 'aftercare card'", [ids.studioId]);
    expect(told.length).toBeGreaterThan(1);
    expect(new Set(told.map((row) => (row as { client_id: string }).client_id))).toEqual(new Set([ids.client]));
  });
  test("practice goes home with nobody", async () => {
    const { GET } = await import("@/app/api/visits/[visitId]/care.pdf/route");
    const id = await agreed("practice", 60);
    await keep([tapAt(id, Date.now() - 60_000, "started", { bottleId: null, air: null }), tapAt(id, Date.now() - 30_000, "finished", {})]);
    const told = () => sql("select 1 from studio.audit_entry where studio_id = $1 and detail = 'aftercare card'", [studio.ids.studioId]);
    const before = (await told()).length;
    expect((await GET(new Request("http://127.0.0.1/x"), { params: Promise.resolve({ visitId: id }) })).status).toBe(404);
    expect(await told()).toHaveLength(before);
  });
  test("while its implements lie in the disinfectant a finished visit is among those with clocks, and then no more", async () => {
    const id = await agreed("newSet", 90);
    const now = Date.now();
    const ids = async () => (await running()).map((visit) => visit.id);
    await keep([tapAt(id, now - 90_000, "started", { bottleId: null, air: null })]);
    expect(await ids()).toContain(id);
    await keep([tapAt(id, now - 80_000, "finished", {})]);
    expect(await ids()).not.toContain(id);
    await keep([tapAt(id, now - 70_000, "soakStarted", { contactS: 600, batchId: studio.ids.batch })]);
    expect(await ids()).toContain(id);
    await keep([tapAt(id, now - 10_000, "soakEnded", {})]);
    expect(await ids()).not.toContain(id);
    // Its lot is traced like any other.
    expect(await sql("select beads from studio.visit_lot where visit_id = $1 and lot_id = $2", [id, studio.ids.batch])).toEqual([
      { beads: 0 },
    ]);
  });
});
