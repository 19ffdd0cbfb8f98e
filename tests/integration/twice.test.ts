import { actAs } from "../support/memberAs";
import { makeStudio, pointAppAtTests, type TestStudio, urls, withClient } from "../support/studios";

jest.mock("@/server/member", () => jest.requireActual("../support/memberAs"));
jest.mock("next/cache", () => ({ refresh: () => undefined }));
pointAppAtTests();

let studio: TestStudio;
const count = (table: string, id: string) =>
  withClient(urls().owner, async (db) =>
    Number(
      (await db.query(`select count(*) from studio.${table} where studio_id = $1 and id = $2`, [studio.ids.studioId, id])).rows[0].count,
    ),
  );
beforeAll(async () => {
  studio = await makeStudio("twice");
  actAs(studio.member("technician"));
});

/** An answer that was lost on its way: what was sent is sent again, with the id that was made for it on the page. */
const again = async (send: () => Promise<{ ok: boolean }>) => [(await send()).ok, (await send()).ok];

test.each([
  [
    "a survey",
    "survey",
    async (id: string) => {
      const { saveSurvey } = await import("@/features/survey/actions");
      return saveSurvey({ id, clientId: studio.ids.client, survey: studio.survey });
    },
  ],
  [
    "a client",
    "client",
    async (id: string) => {
      const { addClient } = await import("@/features/clients/actions");
      return addClient({ id, form: { name: "Twice Sent", contact: "", notes: "", bornOn: "" } });
    },
  ],
  [
    "an incident",
    "incident",
    async (id: string) => {
      const { writeIncident } = await import("@/features/run/actions");
      return writeIncident({ id, visitId: studio.ids.colourVisit, words: "It stung.", putOff: false });
    },
  ],
] as const)("%s sent twice is kept once, and both are told so", async (_, table, send) => {
  const id = crypto.randomUUID();
  expect(await again(() => send(id))).toEqual([true, true]);
  expect(await count(table, id)).toBe(1);
});
test("another of the same words is another", async () => {
  const { writeIncident } = await import("@/features/run/actions");
  const [one, two] = [crypto.randomUUID(), crypto.randomUUID()];
  for (const id of [one, two]) await writeIncident({ id, visitId: studio.ids.colourVisit, words: "It stung again.", putOff: false });
  expect([await count("incident", one), await count("incident", two)]).toEqual([1, 1]);
});
