import { randomUUID } from "node:crypto";
import pg from "pg";
import type { Survey } from "@/core/eye";
import { planMap, type LashMap, type MapWish, type Tray } from "@/core/map";
import { defaultPolicy } from "@/core/policy";

/** A client of the demo with a survey and a map planned by a wish, from the demo's own trays and what else is named. Returns where its page is. */
export async function mapOfBench(
  ownerUrl: string,
  name: string,
  survey: Survey,
  wish: MapWish,
  more: readonly Tray[] = [],
): Promise<{ readonly path: string; readonly map: LashMap }> {
  const db = new pg.Client({ connectionString: ownerUrl });
  await db.connect();
  const [clientId, surveyId, mapId] = [randomUUID(), randomUUID(), randomUUID()];
  const { rows } = await db.query<{ studio_id: string; member: string }>(
    "select s.studio_id, m.id as member from studio.studio s join studio.member m on m.studio_id = s.studio_id and m.role = 'owner' limit 1",
  );
  const { studio_id: studioId, member } = rows[0]!;
  const trays = (await db.query<{ document: Tray }>("select document from studio.tray")).rows.map(({ document }) => document);
  const { map } = planMap(survey, wish, defaultPolicy, [...trays, ...more])!;
  await db.query("insert into studio.client (studio_id, id, name) values ($1, $2, $3)", [studioId, clientId, name]);
  await db.query("insert into studio.survey (studio_id, id, client_id, document, taken_by) values ($1, $2, $3, $4, $5)", [
    studioId,
    surveyId,
    clientId,
    JSON.stringify(survey),
    member,
  ]);
  await db.query("insert into studio.lash_map (studio_id, id, client_id, survey_id, head) values ($1, $2, $3, $4, 1)", [
    studioId,
    mapId,
    clientId,
    surveyId,
  ]);
  await db.query("insert into studio.lash_map_revision (studio_id, map_id, revision, document, saved_by) values ($1, $2, 1, $3, $4)", [
    studioId,
    mapId,
    JSON.stringify(map),
    member,
  ]);
  await db.end();
  return { path: `/clients/${clientId}/map/${mapId}`, map };
}
