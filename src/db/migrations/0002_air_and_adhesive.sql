CREATE TABLE "device"."owed" (
	"studio_id" uuid NOT NULL,
	"sensor_id" uuid NOT NULL,
	"hour" timestamp (3) with time zone NOT NULL,
	"since" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "owed_studio_id_sensor_id_hour_pk" PRIMARY KEY("studio_id","sensor_id","hour")
);
--> statement-breakpoint
CREATE TABLE "studio"."calibration" (
	"studio_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"sensor_id" uuid NOT NULL,
	"from_at" timestamp (3) with time zone NOT NULL,
	"humidity_offset" double precision NOT NULL,
	"temperature_offset_c" double precision NOT NULL,
	"how" text NOT NULL,
	"set_by" uuid NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "calibration_studio_id_id_pk" PRIMARY KEY("studio_id","id")
);
--> statement-breakpoint
CREATE TABLE "studio"."reading_hour" (
	"studio_id" uuid NOT NULL,
	"sensor_id" uuid NOT NULL,
	"at" timestamp (3) with time zone NOT NULL,
	"room_id" uuid NOT NULL,
	"readings" integer NOT NULL,
	"temperature_c" real NOT NULL,
	"temperature_low_c" real NOT NULL,
	"temperature_high_c" real NOT NULL,
	"relative_humidity" real NOT NULL,
	"humidity_low" real NOT NULL,
	"humidity_high" real NOT NULL,
	CONSTRAINT "reading_hour_studio_id_sensor_id_at_pk" PRIMARY KEY("studio_id","sensor_id","at")
);
--> statement-breakpoint
CREATE TABLE "studio"."reading_minute" (
	"studio_id" uuid NOT NULL,
	"sensor_id" uuid NOT NULL,
	"at" timestamp (3) with time zone NOT NULL,
	"room_id" uuid NOT NULL,
	"readings" integer NOT NULL,
	"temperature_c" real NOT NULL,
	"temperature_low_c" real NOT NULL,
	"temperature_high_c" real NOT NULL,
	"relative_humidity" real NOT NULL,
	"humidity_low" real NOT NULL,
	"humidity_high" real NOT NULL,
	CONSTRAINT "reading_minute_studio_id_sensor_id_at_pk" PRIMARY KEY("studio_id","sensor_id","at")
);
--> statement-breakpoint
CREATE TABLE "studio"."hand_time" (
	"studio_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"member_id" uuid NOT NULL,
	"technique" text NOT NULL,
	"seconds" double precision NOT NULL,
	"at" timestamp (3) with time zone NOT NULL,
	CONSTRAINT "hand_time_studio_id_id_pk" PRIMARY KEY("studio_id","id")
);
--> statement-breakpoint
CREATE TABLE "studio"."set_test" (
	"studio_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"bottle_id" uuid NOT NULL,
	"at" timestamp (3) with time zone NOT NULL,
	"seconds" double precision NOT NULL,
	"temperature_c" double precision NOT NULL,
	"relative_humidity" double precision NOT NULL,
	"member_id" uuid NOT NULL,
	"left_out" boolean DEFAULT false NOT NULL,
	CONSTRAINT "set_test_studio_id_id_pk" PRIMARY KEY("studio_id","id")
);
--> statement-breakpoint
ALTER TABLE "studio"."sensor" ADD COLUMN "kind" text DEFAULT 'device' NOT NULL;--> statement-breakpoint
CREATE UNIQUE INDEX "sensor_one_hand" ON "studio"."sensor" USING btree ("studio_id","room_id","kind") WHERE kind <> 'device';--> statement-breakpoint
-- A reading is known by its source and time from here on: what was typed by hand gets a source of its own, one a room.
INSERT INTO "studio"."sensor" ("studio_id", "id", "room_id", "name", "kind")
SELECT DISTINCT r.studio_id, gen_random_uuid(), r.room_id, 'by hand', 'hand' FROM (SELECT DISTINCT studio_id, room_id FROM studio.reading WHERE sensor_id IS NULL) r;--> statement-breakpoint
UPDATE "studio"."reading" r SET sensor_id = s.id FROM "studio"."sensor" s
WHERE r.sensor_id IS NULL AND s.studio_id = r.studio_id AND s.room_id = r.room_id AND s.kind = 'hand';--> statement-breakpoint
DELETE FROM "studio"."reading" a USING "studio"."reading" b
WHERE a.studio_id = b.studio_id AND a.sensor_id = b.sensor_id AND a.taken_at::timestamptz(3) = b.taken_at::timestamptz(3) AND a.id > b.id;--> statement-breakpoint
ALTER TABLE "studio"."reading" DROP CONSTRAINT "reading_studio_id_room_id_room_studio_id_id_fk";
--> statement-breakpoint
DROP INDEX "studio"."reading_studio_id_room_id_taken_at_index";--> statement-breakpoint
DROP INDEX "studio"."reading_studio_id_sensor_id_taken_at_index";--> statement-breakpoint
ALTER TABLE "studio"."reading" DROP CONSTRAINT "reading_studio_id_id_pk";--> statement-breakpoint
ALTER TABLE "studio"."reading" ALTER COLUMN "sensor_id" SET NOT NULL;--> statement-breakpoint
ALTER TABLE "studio"."reading" ALTER COLUMN "taken_at" SET DATA TYPE timestamp (3) with time zone;--> statement-breakpoint
ALTER TABLE "studio"."reading" ADD CONSTRAINT "reading_studio_id_sensor_id_taken_at_pk" PRIMARY KEY("studio_id","sensor_id","taken_at");--> statement-breakpoint
ALTER TABLE "studio"."room" ADD COLUMN "traits" jsonb;--> statement-breakpoint
ALTER TABLE "studio"."sensor" ADD COLUMN "clock_off_s" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "studio"."calibration" ADD CONSTRAINT "calibration_studio_id_sensor_id_sensor_studio_id_id_fk" FOREIGN KEY ("studio_id","sensor_id") REFERENCES "studio"."sensor"("studio_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "studio"."set_test" ADD CONSTRAINT "set_test_studio_id_bottle_id_bottle_studio_id_id_fk" FOREIGN KEY ("studio_id","bottle_id") REFERENCES "studio"."bottle"("studio_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "calibration_studio_id_sensor_id_from_at_index" ON "studio"."calibration" USING btree ("studio_id","sensor_id","from_at");--> statement-breakpoint
CREATE INDEX "hand_time_studio_id_member_id_technique_at_index" ON "studio"."hand_time" USING btree ("studio_id","member_id","technique","at");--> statement-breakpoint
CREATE INDEX "set_test_studio_id_bottle_id_index" ON "studio"."set_test" USING btree ("studio_id","bottle_id");--> statement-breakpoint
ALTER TABLE "studio"."reading" DROP COLUMN "id";--> statement-breakpoint
ALTER TABLE "studio"."reading" DROP COLUMN "created_at";
--> statement-breakpoint
DO $$
DECLARE t text;
BEGIN
  FOREACH t IN ARRAY ARRAY['reading_minute', 'reading_hour', 'calibration', 'set_test', 'hand_time'] LOOP
    EXECUTE format('ALTER TABLE studio.%I ENABLE ROW LEVEL SECURITY', t);
    EXECUTE format($p$CREATE POLICY own_studio ON studio.%I TO ivy_app
      USING (studio_id = (SELECT studio.current_studio()) AND (SELECT studio.own_role()) IS NOT NULL)
      WITH CHECK (studio_id = (SELECT studio.current_studio()) AND (SELECT studio.own_role()) IS NOT NULL)$p$, t);
    EXECUTE format('GRANT SELECT ON studio.%I TO ivy_app', t);
  END LOOP;
END $$;
--> statement-breakpoint
GRANT INSERT ON "studio"."calibration", "studio"."set_test", "studio"."hand_time" TO ivy_app;
--> statement-breakpoint
-- A set test is never changed; whether it is learned from may be.
GRANT UPDATE (left_out) ON "studio"."set_test" TO ivy_app;
--> statement-breakpoint
CREATE POLICY "tests_in_own_name" ON "studio"."set_test" AS RESTRICTIVE FOR INSERT TO ivy_app WITH CHECK (member_id = studio.current_member());
--> statement-breakpoint
CREATE POLICY "times_in_own_name" ON "studio"."hand_time" AS RESTRICTIVE FOR INSERT TO ivy_app WITH CHECK (member_id = studio.current_member());
--> statement-breakpoint
CREATE POLICY "trainee_calibrates_nothing" ON "studio"."calibration" AS RESTRICTIVE FOR INSERT TO ivy_app WITH CHECK (studio.own_role() <> 'trainee');
--> statement-breakpoint
ALTER TABLE "studio"."set_test" ADD CONSTRAINT "set_test_possible" CHECK ("seconds" BETWEEN 0.1 AND 60 AND "temperature_c" BETWEEN -20 AND 60 AND "relative_humidity" > 0 AND "relative_humidity" <= 1);
--> statement-breakpoint
ALTER TABLE "studio"."hand_time" ADD CONSTRAINT "hand_time_possible" CHECK ("seconds" BETWEEN 0.1 AND 60);
--> statement-breakpoint
ALTER TABLE "studio"."calibration" ADD CONSTRAINT "calibration_possible" CHECK (abs("humidity_offset") <= 0.15 AND abs("temperature_offset_c") <= 5);
--> statement-breakpoint
-- Whatever way readings come: their roll-ups are owed from now on, and every open screen of the studio hears of it. The
-- message names the studio and the room, nothing that was read.
CREATE FUNCTION "studio"."readings_came"() RETURNS trigger LANGUAGE plpgsql SECURITY DEFINER SET search_path = pg_catalog AS $$
BEGIN
  -- Touching the row holds back the job that is about to settle it, until these readings are there to be counted.
  INSERT INTO device.owed (studio_id, sensor_id, hour)
  SELECT DISTINCT c.studio_id, c.sensor_id, date_trunc('hour', c.taken_at, 'UTC') FROM came c ORDER BY 1, 2, 3
  ON CONFLICT (studio_id, sensor_id, hour) DO UPDATE SET since = now();
  PERFORM pg_notify('ivy_live', json_build_object('studio', d.studio_id, 'kind', 'air', 'id', d.room_id)::text)
  FROM (SELECT DISTINCT c.studio_id, c.room_id FROM came c) d;
  RETURN NULL;
END $$;
--> statement-breakpoint
CREATE TRIGGER "readings_came" AFTER INSERT ON "studio"."reading" REFERENCING NEW TABLE AS came FOR EACH STATEMENT EXECUTE FUNCTION studio.readings_came();
--> statement-breakpoint
INSERT INTO device.owed (studio_id, sensor_id, hour)
SELECT DISTINCT studio_id, sensor_id, date_trunc('hour', taken_at, 'UTC') FROM studio.reading;
--> statement-breakpoint
CREATE FUNCTION "studio"."events_came"() RETURNS trigger LANGUAGE plpgsql SECURITY DEFINER SET search_path = pg_catalog AS $$
BEGIN
  PERFORM pg_notify('ivy_live', json_build_object('studio', d.studio_id, 'kind', 'visit', 'id', d.visit_id)::text)
  FROM (SELECT DISTINCT c.studio_id, c.visit_id FROM came c) d;
  RETURN NULL;
END $$;
--> statement-breakpoint
CREATE TRIGGER "events_came" AFTER INSERT ON "studio"."visit_event" REFERENCING NEW TABLE AS came FOR EACH STATEMENT EXECUTE FUNCTION studio.events_came();
--> statement-breakpoint
-- Settles hours that are owed: their minutes and the hour itself, reckoned anew from the readings. Any number of copies of
-- the app may call it at once; each takes other hours. Returns how many it settled.
CREATE FUNCTION "device"."roll_up"(p_most integer) RETURNS integer LANGUAGE plpgsql SECURITY DEFINER SET search_path = pg_catalog AS $$
DECLARE
  due device.owed[];
BEGIN
  WITH taken AS (
    DELETE FROM device.owed o USING (
      SELECT studio_id, sensor_id, hour FROM device.owed ORDER BY since LIMIT p_most FOR UPDATE SKIP LOCKED
    ) t WHERE o.studio_id = t.studio_id AND o.sensor_id = t.sensor_id AND o.hour = t.hour RETURNING o.*)
  SELECT array_agg(taken::device.owed) INTO due FROM taken;
  IF due IS NULL THEN RETURN 0; END IF;
  -- A statement of its own: it sees what was committed while the rows above were waited for.
  INSERT INTO studio.reading_minute
  SELECT d.studio_id, d.sensor_id, date_trunc('minute', r.taken_at, 'UTC'), (array_agg(r.room_id ORDER BY r.taken_at DESC))[1], count(*),
    avg(r.temperature_c), min(r.temperature_c), max(r.temperature_c), avg(r.relative_humidity), min(r.relative_humidity), max(r.relative_humidity)
  FROM unnest(due) d JOIN studio.reading r ON r.studio_id = d.studio_id AND r.sensor_id = d.sensor_id AND r.taken_at >= d.hour AND r.taken_at < d.hour + interval '1 hour'
  GROUP BY 1, 2, 3
  ON CONFLICT (studio_id, sensor_id, at) DO UPDATE SET room_id = excluded.room_id, readings = excluded.readings,
    temperature_c = excluded.temperature_c, temperature_low_c = excluded.temperature_low_c, temperature_high_c = excluded.temperature_high_c,
    relative_humidity = excluded.relative_humidity, humidity_low = excluded.humidity_low, humidity_high = excluded.humidity_high;
  INSERT INTO studio.reading_hour
  SELECT d.studio_id, d.sensor_id, d.hour, (array_agg(r.room_id ORDER BY r.taken_at DESC))[1], count(*),
    avg(r.temperature_c), min(r.temperature_c), max(r.temperature_c), avg(r.relative_humidity), min(r.relative_humidity), max(r.relative_humidity)
  FROM unnest(due) d JOIN studio.reading r ON r.studio_id = d.studio_id AND r.sensor_id = d.sensor_id AND r.taken_at >= d.hour AND r.taken_at < d.hour + interval '1 hour'
  GROUP BY 1, 2, 3
  ON CONFLICT (studio_id, sensor_id, at) DO UPDATE SET room_id = excluded.room_id, readings = excluded.readings,
    temperature_c = excluded.temperature_c, temperature_low_c = excluded.temperature_low_c, temperature_high_c = excluded.temperature_high_c,
    relative_humidity = excluded.relative_humidity, humidity_low = excluded.humidity_low, humidity_high = excluded.humidity_high;
  RETURN cardinality(due);
END $$;
--> statement-breakpoint
REVOKE ALL ON FUNCTION "device"."roll_up"(integer) FROM PUBLIC;
--> statement-breakpoint
GRANT EXECUTE ON FUNCTION "device"."roll_up"(integer) TO ivy_device;
--> statement-breakpoint
DROP FUNCTION "device"."accept_readings"(text, jsonb, integer);
--> statement-breakpoint
-- The intake's only door: a token's hash and readings already checked. Same reading twice does nothing. A device that says
-- what time it believes it is, and is more than a minute off, has its readings put right by that much; while its error stays
-- within half a minute the same correction is used, so that a batch sent again is the same batch.
CREATE FUNCTION "device"."accept_readings"(p_hash text, p_at timestamptz[], p_temperature double precision[], p_humidity double precision[], p_device_now timestamptz, p_per_minute integer)
RETURNS TABLE (status text, kept integer, clock_off_s integer) LANGUAGE plpgsql SECURITY DEFINER SET search_path = pg_catalog AS $$
DECLARE
  v device.token%ROWTYPE;
  v_room uuid;
  v_known integer;
  v_off integer := 0;
BEGIN
  UPDATE device.token AS k SET
    window_count = CASE WHEN k.window_start < now() - interval '1 minute' THEN 1 ELSE k.window_count + 1 END,
    window_start = CASE WHEN k.window_start < now() - interval '1 minute' THEN now() ELSE k.window_start END
  WHERE k.hash = p_hash AND k.revoked_at IS NULL RETURNING k.* INTO v;
  IF NOT FOUND THEN RETURN QUERY SELECT 'unknown', 0, 0; RETURN; END IF;
  IF v.window_count > p_per_minute THEN RETURN QUERY SELECT 'slow down', 0, 0; RETURN; END IF;
  SELECT s.room_id, s.clock_off_s INTO v_room, v_known FROM studio.sensor s WHERE s.studio_id = v.studio_id AND s.id = v.sensor_id;
  IF p_device_now IS NOT NULL THEN
    v_off := round(extract(epoch FROM p_device_now - clock_timestamp()))::integer;
    IF abs(v_off) <= 60 THEN v_off := 0; ELSIF abs(v_off - v_known) <= 30 THEN v_off := v_known; END IF;
    IF v_off <> v_known THEN UPDATE studio.sensor s SET clock_off_s = v_off WHERE s.studio_id = v.studio_id AND s.id = v.sensor_id; END IF;
  END IF;
  RETURN QUERY WITH put AS (
    INSERT INTO studio.reading (studio_id, sensor_id, taken_at, room_id, temperature_c, relative_humidity)
    SELECT v.studio_id, v.sensor_id, r.taken - v_off * interval '1 second', v_room, r.temperature, r.humidity
    FROM unnest(p_at, p_temperature, p_humidity) AS r(taken, temperature, humidity)
    ON CONFLICT (studio_id, sensor_id, taken_at) DO NOTHING RETURNING 1)
  SELECT 'kept', count(*)::integer, v_off FROM put;
END $$;
--> statement-breakpoint
REVOKE ALL ON FUNCTION "device"."accept_readings"(text, timestamptz[], double precision[], double precision[], timestamptz, integer) FROM PUBLIC;
--> statement-breakpoint
GRANT EXECUTE ON FUNCTION "device"."accept_readings"(text, timestamptz[], double precision[], double precision[], timestamptz, integer) TO ivy_device;
--> statement-breakpoint
-- Drops left in a bottle are counted from the beads put out of it.
CREATE INDEX "visit_event_beads" ON "studio"."visit_event" ("studio_id", ("payload"->>'bottleId')) WHERE "type" = 'beadPlaced';
--> statement-breakpoint
CREATE INDEX "visit_event_undone" ON "studio"."visit_event" ("studio_id", ("payload"->>'eventId')) WHERE "type" = 'undone';
