import { createHash, randomUUID } from "node:crypto";
import pg from "pg";
import { rebuildOutcomes } from "@/db/outcomes/rebuild";
import { NOTHING_SO } from "@/core/care";
import { usualSurvey } from "@/core/eye";
import { planMap, type LashMap } from "@/core/map";
import type { Product } from "@/core/mixing";
import { shippedChecklist } from "@/core/checklist";
import { defaultPolicy } from "@/core/policy";
import { shippedProtocols } from "@/core/protocol";
import { lengthsFrom, trayOf } from "./surveys";

/** Addresses of the database that scripts/test.mjs started; without it these tests have nothing to run on. */
export function urls() {
  const text = process.env.IVY_TEST_URLS;
  if (!text) throw new Error("Run `npm test`: it starts the PostgreSQL that these tests need.");
  return JSON.parse(text) as Record<"owner" | "app" | "auth" | "device" | "empty" | "beforeBookings" | "restored", string>;
}

/** Points the app's own modules at the test database. */
export function pointAppAtTests() {
  const { app, auth, device } = urls();
  Object.assign(process.env, {
    IVY_APP_URL: app,
    IVY_AUTH_URL: auth,
    IVY_DEVICE_URL: device,
    IVY_SECRET: "x".repeat(40),
    IVY_BASE_URL: "http://127.0.0.1:9",
    IVY_LOG: "silent",
  });
}

export async function withClient<T>(url: string, work: (client: pg.Client) => Promise<T>): Promise<T> {
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  try {
    return await work(client);
  } finally {
    await client.end();
  }
}

const PRODUCT = {
  version: 1,
  name: "lotion",
  kind: "lifting",
  peroxide: null,
  ready: null,
  consistency: "cream",
  densityGMl: null,
  nozzleMm: null,
  dropsPerGram: null,
  colour: null,
  packG: null,
  packPrice: null,
  lifeAfterOpeningDays: null,
} satisfies Product;

export type TestStudio = Awaited<ReturnType<typeof makeStudio>>;

/** A whole small studio with one of everything, made as the owner of the tables. */
export async function makeStudio(name: string) {
  const ids = Object.fromEntries(
    [
      "studioId",
      "owner",
      "technician",
      "trainee",
      "client",
      "survey",
      "map",
      "room",
      "chair",
      "sensor",
      "adhesive",
      "bottle",
      "tray",
      "visit",
      "patch",
      "patchReading",
      "lifting",
      "event",
      "look",
      "template",
      "note",
      "picture",
      "calibration",
      "setTest",
      "handTime",
      "product",
      "batch",
      "shield",
      "protocol",
      "consultation",
      "consent",
      "incident",
      "colourVisit",
      "readingImport",
      "takenBack",
      "double",
      "merged",
      "merge",
      "clientImport",
    ].map((key) => [key, randomUUID()]),
  ) as Record<
    | "studioId"
    | "owner"
    | "technician"
    | "trainee"
    | "client"
    | "survey"
    | "map"
    | "room"
    | "chair"
    | "sensor"
    | "adhesive"
    | "bottle"
    | "tray"
    | "visit"
    | "patch"
    | "patchReading"
    | "lifting"
    | "event"
    | "look"
    | "template"
    | "note"
    | "picture"
    | "calibration"
    | "setTest"
    | "handTime"
    | "product"
    | "batch"
    | "shield"
    | "protocol"
    | "consultation"
    | "consent"
    | "incident"
    | "colourVisit"
    | "readingImport"
    | "takenBack"
    | "double"
    | "merged"
    | "merge"
    | "clientImport",
    string
  >;
  const survey = usualSurvey();
  const tray = trayOf(lengthsFrom(6, 13));
  const map: LashMap = planMap(
    survey,
    {
      title: `${name} map`,
      look: "natural",
      school: { id: "browPeak" },
      fibre: { curl: "C", diameterMm: 0.15, shape: "round", count: 1 },
      longestMm: null,
      coupling: "mirrored",
    },
    defaultPolicy,
    [tray],
  )!.map;
  const token = `ivy_${randomUUID()}`;
  const hash = createHash("sha256").update(token).digest("hex");
  const adhesive = {
    name: `${name} glue`,
    setTimeS: 1,
    humidityLow: 0.3,
    humidityHigh: 0.6,
    temperatureLowC: 18,
    temperatureHighC: 26,
    lifeAfterOpeningDays: 42,
  };
  await withClient(urls().owner, async (db) => {
    const put = (sql: string, values: unknown[]) => db.query(sql, values);
    const s = ids.studioId;
    await put("insert into studio.studio (studio_id, name, time_zone) values ($1, $2, 'Europe/London')", [s, name]);
    await put("insert into studio.policy (studio_id, document) values ($1, $2)", [
      s,
      JSON.stringify({ ...defaultPolicy, lashTintLawful: "confirmed" }),
    ]);
    for (const role of ["owner", "technician", "trainee"] as const)
      await put("insert into studio.member (studio_id, id, name, role) values ($1, $2, $3, $4)", [s, ids[role], `${name} ${role}`, role]);
    await put("insert into studio.client (studio_id, id, name, notes) values ($1, $2, $3, 'private')", [s, ids.client, `${name} client`]);
    // Beside the one client of this studio: one who is archived, one who was merged into them, a file that was read in.
    await put("insert into studio.client (studio_id, id, name, archived_at, import_id) values ($1, $2, $3, now(), $4)", [
      s,
      ids.double,
      `${name} double`,
      ids.clientImport,
    ]);
    await put(
      "insert into studio.client (studio_id, id, name, archived_at, gone, merged_into) values ($1, $2, 'merged', now(), 'merged', $3)",
      [s, ids.merged, ids.client],
    );
    await put(
      "insert into studio.client_merge (studio_id, id, kept_id, gone_id, stood, moved, by_id) values ($1, $2, $3, $4, '{}', '{}', $5)",
      [s, ids.merge, ids.client, ids.merged, ids.owner],
    );
    await put("insert into studio.client_import (studio_id, id, file_name, clients, by_id) values ($1, $2, 'people.csv', 1, $3)", [
      s,
      ids.clientImport,
      ids.owner,
    ]);
    await put("insert into studio.client_apart (studio_id, one_id, other_id, by_id) values ($1, $2, $3, $4)", [
      s,
      ids.client,
      ids.double,
      ids.owner,
    ]);
    await put(
      "insert into studio.patch_test (studio_id, id, client_id, family, placed_at, recorded_by) values ($1, $2, $3, 'adhesive', now() - interval '30 days', $4)",
      [s, ids.patch, ids.client, ids.owner],
    );
    await put(
      "insert into studio.patch_reading (studio_id, id, test_id, read_at, result, read_by) values ($1, $2, $3, now() - interval '28 days', 'clear', $4)",
      [s, ids.patchReading, ids.patch, ids.owner],
    );
    await put(
      "insert into studio.reaction_lifting (studio_id, id, reading_id, product_id, finding, lifted_by) values ($1, $2, $3, $4, 'private', $5)",
      [s, ids.lifting, ids.patchReading, ids.product, ids.owner],
    );
    await put("insert into studio.survey (studio_id, id, client_id, document, taken_by) values ($1, $2, $3, $4, $5)", [
      s,
      ids.survey,
      ids.client,
      JSON.stringify(survey),
      ids.owner,
    ]);
    await put("insert into studio.lash_map (studio_id, id, client_id, survey_id, head) values ($1, $2, $3, $4, 1)", [
      s,
      ids.map,
      ids.client,
      ids.survey,
    ]);
    await put("insert into studio.lash_map_revision (studio_id, map_id, revision, document, saved_by) values ($1, $2, 1, $3, $4)", [
      s,
      ids.map,
      JSON.stringify(map),
      ids.owner,
    ]);
    await put("insert into studio.own_look (studio_id, id, document, kept_by) values ($1, $2, $3, $4)", [
      s,
      ids.look,
      JSON.stringify({
        version: 1,
        name: `${name} look`,
        from: "doll",
        bend: [
          { at: 0, dropMm: 3 },
          { at: 1, dropMm: 2 },
        ],
      }),
      ids.owner,
    ]);
    await put("insert into studio.map_template (studio_id, id, document, kept_by) values ($1, $2, $3, $4)", [
      s,
      ids.template,
      JSON.stringify(map),
      ids.owner,
    ]);
    await put(
      "insert into studio.map_note (studio_id, id, map_id, revision, kind, words, written_by) values ($1, $2, $3, 1, 'note', 'private', $4)",
      [s, ids.note, ids.map, ids.owner],
    );
    await put(
      "insert into studio.picture (studio_id, id, client_id, kind, side, width_px, height_px, jpeg, taken_by) values ($1, $2, $3, 'closed', 'right', 40, 30, '\\x00', $4)",
      [s, ids.picture, ids.client, ids.owner],
    );
    await put("insert into studio.room (studio_id, id, name, volume_m3) values ($1, $2, 'room', 30)", [s, ids.room]);
    await put("insert into studio.chair (studio_id, id, room_id, name) values ($1, $2, $3, 'Chair 1')", [s, ids.chair, ids.room]);
    await put("insert into studio.sensor (studio_id, id, room_id, name) values ($1, $2, $3, 'sensor')", [s, ids.sensor, ids.room]);
    await put(
      "insert into studio.reading (studio_id, sensor_id, room_id, taken_at, temperature_c, relative_humidity) values ($1, $2, $3, now() - interval '1 hour', 21, 0.5)",
      [s, ids.sensor, ids.room],
    );
    await put(
      "insert into studio.reading_minute select studio_id, sensor_id, date_trunc('minute', taken_at), room_id, 1, 21, 21, 21, 0.5, 0.5, 0.5 from studio.reading where studio_id = $1",
      [s],
    );
    await put(
      "insert into studio.reading_hour select studio_id, sensor_id, date_trunc('hour', at), room_id, 1, 21, 21, 21, 0.5, 0.5, 0.5 from studio.reading_minute where studio_id = $1",
      [s],
    );
    await put(
      "insert into studio.reading_import (studio_id, id, room_id, sensor_id, file_name, readings, by_id) values ($1, $2, $3, $4, 'private', 1, $5)",
      [s, ids.readingImport, ids.room, ids.sensor, ids.owner],
    );
    await put(
      "insert into studio.readings_taken_back (studio_id, id, room_id, sensor_id, from_at, to_at, why, readings, by_id) values ($1, $2, $3, $4, now() - interval '9 days', now() - interval '8 days', 'private', 1, $5)",
      [s, ids.takenBack, ids.room, ids.sensor, ids.owner],
    );
    await put(
      "insert into studio.reading_aside (studio_id, taken_back_id, sensor_id, taken_at, room_id, temperature_c, relative_humidity) values ($1, $2, $3, now() - interval '8.5 days', $4, 21, 0.5)",
      [s, ids.takenBack, ids.sensor, ids.room],
    );
    await put(
      "insert into studio.calibration (studio_id, id, sensor_id, from_at, humidity_offset, temperature_offset_c, how, set_by) values ($1, $2, $3, now() - interval '9 days', 0, 0, 'typed', $4)",
      [s, ids.calibration, ids.sensor, ids.owner],
    );
    await put("insert into studio.adhesive (studio_id, id, document) values ($1, $2, $3)", [s, ids.adhesive, JSON.stringify(adhesive)]);
    await put("insert into studio.lot (studio_id, id, adhesive_id, number, opened_on) values ($1, $2, $3, 'L1', current_date - 3)", [
      s,
      ids.bottle,
      ids.adhesive,
    ]);
    await put(
      "insert into studio.set_test (studio_id, id, bottle_id, at, seconds, temperature_c, relative_humidity, member_id) values ($1, $2, $3, now(), 1.2, 22, 0.5, $4)",
      [s, ids.setTest, ids.bottle, ids.owner],
    );
    await put("insert into studio.hand_time (studio_id, id, member_id, technique, seconds, at) values ($1, $2, $3, 'single', 1.1, now())", [
      s,
      ids.handTime,
      ids.owner,
    ]);
    await put("insert into studio.tray (studio_id, id, document) values ($1, $2, $3)", [s, ids.tray, JSON.stringify(tray)]);
    await put(
      "insert into studio.visit (studio_id, id, client_id, technician_id, room_id, chair_id, service, starts_at, minutes, map_id, map_revision, keeps_time) values ($1, $2, $3, $4, $5, $7, 'fill', now(), 90, $6, 1, false)",
      [s, ids.visit, ids.client, ids.owner, ids.room, ids.map, ids.chair],
    );
    await put(
      "insert into studio.visit_event (studio_id, visit_id, id, at, clock, type, payload, member_id) values ($1, $2, $3, now(), 'checked', 'started', $4, $5)",
      [s, ids.visit, ids.event, JSON.stringify({ bottleId: ids.bottle, air: null }), ids.owner],
    );
    await put(
      "insert into studio.visit_event (studio_id, visit_id, id, at, clock, type, payload, member_id) values ($1, $2, gen_random_uuid(), now(), 'checked', 'checked', $3, $4)",
      [s, ids.visit, JSON.stringify({ off: 1, of: 30 }), ids.owner],
    );
    await put("insert into studio.product (studio_id, id, document) values ($1, $2, $3)", [s, ids.product, JSON.stringify(PRODUCT)]);
    await put("insert into studio.lot (studio_id, id, product_id, number, opened_on) values ($1, $2, $3, 'B1', current_date - 3)", [
      s,
      ids.batch,
      ids.product,
    ]);
    await put("insert into studio.shield (studio_id, id, document) values ($1, $2, $3)", [
      s,
      ids.shield,
      JSON.stringify({ version: 1, name: `${name} shield`, kind: "shield", radiusMm: 4 }),
    ]);
    await put("insert into studio.protocol (studio_id, id, document, saved_by) values ($1, $2, $3, $4)", [
      s,
      ids.protocol,
      JSON.stringify(shippedProtocols.lift(defaultPolicy)),
      ids.owner,
    ]);
    await put("insert into studio.checklist (studio_id, service, revision, document, saved_by) values ($1, 'removal', 1, $2, $3)", [
      s,
      JSON.stringify(shippedChecklist("removal", defaultPolicy)),
      ids.owner,
    ]);
    await put(
      "insert into studio.consultation (studio_id, id, client_id, document, asked_by, service) values ($1, $2, $3, $4, $5, 'lift')",
      [s, ids.consultation, ids.client, JSON.stringify(NOTHING_SO), ids.owner],
    );
    await put(
      "insert into studio.consent (studio_id, id, client_id, service, words, signed_name, signature, signed_on, taken_by) values ($1, $2, $3, 'lift', 'private', 'private', '', current_date, $4)",
      [s, ids.consent, ids.client, ids.owner],
    );
    await put(
      "insert into studio.visit (studio_id, id, client_id, technician_id, room_id, chair_id, service, starts_at, minutes, keeps_time) values ($1, $2, $3, $4, $5, $6, 'lift', now(), 60, false)",
      [s, ids.colourVisit, ids.client, ids.owner, ids.room, ids.chair],
    );
    await put(
      "insert into studio.visit_mark (studio_id, visit_id, client_id, key, weight, words, event_id) values ($1, $2, $3, 'private', 'stop', 'private', $4)",
      [s, ids.visit, ids.client, ids.event],
    );
    await put("insert into studio.incident (studio_id, id, visit_id, words, written_by) values ($1, $2, $3, 'private', $4)", [
      s,
      ids.incident,
      ids.colourVisit,
      ids.owner,
    ]);
    await put(
      "insert into studio.audit_entry (studio_id, id, kind, by_id, client_id, detail) values ($1, gen_random_uuid(), 'exported', $2, $3, 'map, map.json')",
      [s, ids.owner, ids.client],
    );
    await put("insert into device.token (hash, studio_id, sensor_id) values ($1, $2, $3)", [hash, s, ids.sensor]);
  });
  await readOutcomesAnew();
  const member = (role: "owner" | "technician" | "trainee") => ({
    id: ids[role],
    studioId: ids.studioId,
    name: `${name} ${role}`,
    role,
    studioName: name,
    timeZone: "Europe/London",
  });
  return { name, ids, survey, map, tray, token, adhesive, member };
}

/** After events were put in by hand: what their visits came to is read from them. */
export const readOutcomesAnew = () => rebuildOutcomes(urls().owner, { onlyBehind: true });

/** A fingerprint of every row of a studio, to show that nothing of it was touched. */
export function fingerprint(studioId: string): Promise<string> {
  return withClient(urls().owner, async (db) => {
    const { rows } = await db.query<{ table_name: string }>(
      "select table_name from information_schema.tables where table_schema = 'studio' order by 1",
    );
    const parts: string[] = [];
    for (const { table_name } of rows) {
      const { rows: digests } = await db.query<{ digest: string }>(
        `select coalesce(md5(string_agg(t::text, '|' order by t::text)), '') as digest from studio."${table_name}" t where studio_id = $1`,
        [studioId],
      );
      parts.push(`${table_name}:${digests[0]!.digest}`);
    }
    return parts.join(" ");
  });
}
