import pg from "pg";
import type { Survey } from "@/core/eye";
import { zonesFound } from "@/core/fill";
import { NOTHING_FOUND } from "@/core/fill/work";
import { wornLashes, type LashMap } from "@/core/map";
import { rebuildOutcomes } from "@/db/outcomes/rebuild";

/**
 * Fills the demo studio up to 2,000 clients with 40,000 finished visits, each with its map and nine events, from some
 * eight hundred bottles, so that pages are timed on a studio of many years. The last eleven fills of half the clients counted
 * what was left, zone by zone, so that there are 10,000 fills to learn from.
 */
const { IVY_BENCH_OWNER: ownerUrl } = process.env;
if (!ownerUrl) throw new Error("IVY_BENCH_OWNER is needed.");
const BOTTLES = 800;
const db = new pg.Client({ connectionString: ownerUrl });
await db.connect();
await db.query("begin");
await db.query(`create temporary table model as
  select s.studio_id, s.document as survey, r.document as map, m.id as member, room.id as room
  from studio.survey s join studio.lash_map lm on lm.studio_id = s.studio_id and lm.survey_id = s.id
  join studio.lash_map_revision r on r.studio_id = lm.studio_id and r.map_id = lm.id and r.revision = 1
  join studio.member m on m.studio_id = s.studio_id and m.role = 'owner'
  join studio.room room on room.studio_id = s.studio_id limit 1`);
await db.query(`create temporary table many as
  select gen_random_uuid() as client, gen_random_uuid() as survey, gen_random_uuid() as map, i
  from generate_series(1, 2000 - (select count(*) from studio.client)::int) i`);
await db.query(
  "insert into studio.client (studio_id, id, name) select studio_id, client, 'Bench client ' || lpad(i::text, 4, '0') from many, model",
);
await db.query(
  "insert into studio.survey (studio_id, id, client_id, document, taken_by) select studio_id, many.survey, client, model.survey, member from many, model",
);
await db.query(
  "insert into studio.lash_map (studio_id, id, client_id, survey_id, head) select studio_id, many.map, client, many.survey, 1 from many, model",
);
await db.query(
  "insert into studio.lash_map_revision (studio_id, map_id, revision, document, saved_by) select studio_id, many.map, 1, model.map, member from many, model",
);
await db.query(`create temporary table times as
  select gen_random_uuid() as visit, client, map, now() - (n * 20 + 1) * interval '1 day' as at, n <= 11 and i % 2 = 0 as counts
  from many, generate_series(1, (select ceil((40000 - (select count(*) from studio.visit))::numeric / (select count(*) from many))::int)) n`);
await db.query(`insert into studio.visit (studio_id, id, client_id, technician_id, room_id, chair_id, service, starts_at, minutes, map_id, map_revision, keeps_time, last_seq)
  select studio_id, visit, client, member, room, (select c.id from studio.chair c where c.studio_id = model.studio_id and c.room_id = model.room limit 1), 'fill', at, 90, times.map, 1, false, 9 from times, model`);
const [model] = (await db.query<{ map: LashMap; survey: Survey }>("select map, survey from model")).rows;
const { map, survey } = model!;
const zones = zonesFound({ visitId: null, leftAtMs: 0, map, survey, worn: wornLashes(map, survey) }, NOTHING_FOUND, {
  days: 20,
  hazardPerDay: 0.0117,
  bareBelowDays: 0,
  cycleDays: 90,
}).map(({ side, layer, zone, role, from, to, expected }) => ({
  side,
  layer,
  zone,
  role,
  from,
  to,
  left: expected,
  twisted: null,
  outgrown: null,
  by: "pads",
}));
// What was left scatters by one either way; counted before anything else was done, numbered after the nine.
await db.query(
  `insert into studio.visit_event (studio_id, visit_id, id, at, server_time, clock, type, seq, payload, member_id)
  select studio_id, visit, gen_random_uuid(), at + interval '10 minutes', at + interval '10 minutes', 'checked', 'leftCounted', 9 + z.i,
    z.zone || jsonb_build_object('setVisitId', set_visit, 'left', greatest(0, (z.zone->>'left')::int - 1 + floor(random() * 3)::int)), member
  from (select *, lead(visit) over (partition by client order by at desc) as set_visit from times) times, model,
    jsonb_array_elements($1::jsonb) with ordinality as z(zone, i) where counts`,
  [JSON.stringify(zones)],
);
await db.query("update studio.visit v set last_seq = $1 from times where v.id = times.visit and counts", [9 + zones.length]);
// A bottle lasts some fifty visits; the first two are still open.
await db.query(`create temporary table bottles as
  select gen_random_uuid() as bottle, i as n from generate_series(0, ${BOTTLES - 1}) i`);
await db.query(`insert into studio.lot (studio_id, id, adhesive_id, number, opened_on, emptied_on)
  select studio_id, bottle, (select id from studio.adhesive limit 1), 'B ' || n, current_date - 10 - n * 3, case when n > 1 then current_date - n * 3 end
  from bottles, model`);
await db.query(`insert into studio.visit_event (studio_id, visit_id, id, at, server_time, clock, type, seq, payload, member_id)
  select studio_id, visit, gen_random_uuid(), at + x.after, at + x.after, 'checked', x.type, x.seq,
    case when x.payload ? 'bottleId' then x.payload || jsonb_build_object('bottleId', bottle) else x.payload end, member
  from (select *, row_number() over (order by at desc) * ${BOTTLES} / (select count(*) + 1 from times) as n from times) times join bottles using (n), model,
  (values (interval '1 minute', 'started', '{"bottleId":null,"air":{"temperatureC":22,"relativeHumidity":0.5}}'::jsonb, 1),
    (interval '20 minutes', 'shakeStarted', '{"durationS":60}', 2),
    (interval '22 minutes', 'beadPlaced', '{"lifeS":900,"bottleId":null,"air":{"temperatureC":22,"relativeHumidity":0.5}}', 3),
    (interval '35 minutes', 'checked', '{"off":1,"of":30}', 4),
    (interval '36 minutes', 'beadPlaced', '{"lifeS":900,"bottleId":null,"air":{"temperatureC":22,"relativeHumidity":0.5}}', 5),
    (interval '50 minutes', 'beadPlaced', '{"lifeS":900,"bottleId":null,"air":{"temperatureC":22,"relativeHumidity":0.49}}', 6),
    (interval '64 minutes', 'beadPlaced', '{"lifeS":900,"bottleId":null,"air":{"temperatureC":22,"relativeHumidity":0.48}}', 7),
    (interval '78 minutes', 'beadWiped', '{}', 8),
    (interval '85 minutes', 'finished', '{}', 9)) as x(after, type, payload, seq)`);
await db.query("commit");
await db.query("analyze");
await db.end();
await rebuildOutcomes(ownerUrl, { onlyBehind: true });
