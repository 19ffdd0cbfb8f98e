ALTER TABLE "studio"."patch_test" ALTER COLUMN "placed_at" SET NOT NULL;--> statement-breakpoint
ALTER TABLE "studio"."visit" ALTER COLUMN "chair_id" SET NOT NULL;--> statement-breakpoint
ALTER TABLE "studio"."patch_test" DROP COLUMN "placed_on";--> statement-breakpoint
ALTER TABLE "studio"."patch_test" DROP COLUMN "result";--> statement-breakpoint
ALTER TABLE "studio"."visit" DROP COLUMN "chair";--> statement-breakpoint
CREATE EXTENSION IF NOT EXISTS btree_gist;
--> statement-breakpoint
-- One client at a chair, one client with a technician, at a time: kept by the database, whatever comes at once.
ALTER TABLE "studio"."visit" ADD CONSTRAINT "visit_chair_free" EXCLUDE USING gist (studio_id WITH =, chair_id WITH =, tstzrange(starts_at, ends_at) WITH &&) WHERE (keeps_time AND cancelled_at IS NULL AND withdrawn_at IS NULL);
--> statement-breakpoint
ALTER TABLE "studio"."visit" ADD CONSTRAINT "visit_technician_free" EXCLUDE USING gist (studio_id WITH =, technician_id WITH =, tstzrange(starts_at, ends_at) WITH &&) WHERE (keeps_time AND cancelled_at IS NULL AND withdrawn_at IS NULL);
--> statement-breakpoint
ALTER TABLE "studio"."visit" ADD CONSTRAINT "visit_possible" CHECK (minutes BETWEEN 5 AND 720 AND length(cancelled_why) <= 500 AND length(patch_reason) <= 2000) NOT VALID;
--> statement-breakpoint
CREATE UNIQUE INDEX "chair_name" ON "studio"."chair" (studio_id, room_id, name) WHERE closed_at IS NULL;
--> statement-breakpoint
-- The same placing written down at once by several is one.
CREATE UNIQUE INDEX "patch_test_once" ON "studio"."patch_test" (studio_id, client_id, family, coalesce(product_id, '00000000-0000-0000-0000-000000000000'), placed_at) WHERE hour_known;
--> statement-breakpoint
CREATE UNIQUE INDEX "patch_reading_once" ON "studio"."patch_reading" (studio_id, test_id, result, read_at) WHERE hour_known;
--> statement-breakpoint
CREATE UNIQUE INDEX "reaction_lifting_once" ON "studio"."reaction_lifting" (studio_id, reading_id, product_id);
--> statement-breakpoint
ALTER TABLE "studio"."patch_test" ADD CONSTRAINT "patch_test_possible" CHECK (placed_at <= created_at + interval '5 minutes' AND read_after_hours IN (24, 48)) NOT VALID;
--> statement-breakpoint
ALTER TABLE "studio"."reaction_lifting" ADD CONSTRAINT "reaction_lifting_small" CHECK (length(finding) BETWEEN 3 AND 2000);
--> statement-breakpoint
CREATE FUNCTION "studio"."reading_of_a_test"() RETURNS trigger LANGUAGE plpgsql SET search_path = pg_catalog AS $$
DECLARE v studio.patch_test%ROWTYPE;
BEGIN
  SELECT * INTO v FROM studio.patch_test t WHERE t.studio_id = NEW.studio_id AND t.id = NEW.test_id;
  IF NEW.read_at < v.placed_at THEN RAISE EXCEPTION 'a test is read after it is placed' USING ERRCODE = 'check_violation'; END IF;
  IF NEW.result = 'clear' AND NEW.read_at < v.placed_at + v.read_after_hours * interval '1 hour' THEN
    RAISE EXCEPTION 'a test is never clear so soon' USING ERRCODE = 'check_violation';
  END IF;
  RETURN NEW;
END $$;
--> statement-breakpoint
CREATE TRIGGER "reading_of_a_test" BEFORE INSERT ON "studio"."patch_reading" FOR EACH ROW WHEN (NEW.hour_known) EXECUTE FUNCTION "studio"."reading_of_a_test"();
--> statement-breakpoint
DO $$
DECLARE t text;
BEGIN
  FOREACH t IN ARRAY ARRAY['patch_reading', 'reaction_lifting', 'chair', 'visit_mark'] LOOP
    EXECUTE format('ALTER TABLE studio.%I ENABLE ROW LEVEL SECURITY', t);
    EXECUTE format($p$CREATE POLICY own_studio ON studio.%I TO ivy_app
      USING (studio_id = (SELECT studio.current_studio()) AND (SELECT studio.own_role()) IS NOT NULL)
      WITH CHECK (studio_id = (SELECT studio.current_studio()) AND (SELECT studio.own_role()) IS NOT NULL)$p$, t);
    EXECUTE format('GRANT SELECT, INSERT ON studio.%I TO ivy_app', t);
  END LOOP;
END $$;
--> statement-breakpoint
-- Tests are only added: what was read of one is added too.
REVOKE UPDATE ON "studio"."patch_test" FROM ivy_app;
--> statement-breakpoint
GRANT UPDATE ("name", "closed_at") ON "studio"."chair" TO ivy_app;
--> statement-breakpoint
GRANT UPDATE ("revision") ON "studio"."product" TO ivy_app;
--> statement-breakpoint
CREATE POLICY "tests_in_own_name" ON "studio"."patch_test" AS RESTRICTIVE FOR INSERT TO ivy_app WITH CHECK (recorded_by = studio.current_member());
--> statement-breakpoint
CREATE POLICY "readings_in_own_name" ON "studio"."patch_reading" AS RESTRICTIVE FOR INSERT TO ivy_app WITH CHECK (read_by = studio.current_member());
--> statement-breakpoint
CREATE POLICY "owner_lifts_reactions" ON "studio"."reaction_lifting" AS RESTRICTIVE FOR INSERT TO ivy_app WITH CHECK (studio.own_role() = 'owner' AND lifted_by = studio.current_member());
--> statement-breakpoint
CREATE POLICY "asked_in_own_name" ON "studio"."consultation" AS RESTRICTIVE FOR INSERT TO ivy_app WITH CHECK (asked_by = studio.current_member());
--> statement-breakpoint
CREATE POLICY "consent_in_own_name" ON "studio"."consent" AS RESTRICTIVE FOR INSERT TO ivy_app WITH CHECK (taken_by = studio.current_member());
--> statement-breakpoint
-- What a role may do holds here too, whatever a page or an action forgets.
CREATE POLICY "owner_makes_rooms" ON "studio"."room" AS RESTRICTIVE FOR INSERT TO ivy_app WITH CHECK (studio.own_role() = 'owner');
--> statement-breakpoint
CREATE POLICY "trainee_changes_no_room" ON "studio"."room" AS RESTRICTIVE FOR UPDATE TO ivy_app USING (studio.own_role() <> 'trainee');
--> statement-breakpoint
CREATE POLICY "owner_makes_chairs" ON "studio"."chair" AS RESTRICTIVE FOR INSERT TO ivy_app WITH CHECK (studio.own_role() = 'owner');
--> statement-breakpoint
CREATE POLICY "owner_changes_chairs" ON "studio"."chair" AS RESTRICTIVE FOR UPDATE TO ivy_app USING (studio.own_role() = 'owner');
--> statement-breakpoint
CREATE POLICY "owner_makes_devices" ON "studio"."sensor" AS RESTRICTIVE FOR INSERT TO ivy_app WITH CHECK (kind <> 'device' OR studio.own_role() = 'owner');
--> statement-breakpoint
CREATE POLICY "trainee_changes_no_sensor" ON "studio"."sensor" AS RESTRICTIVE FOR UPDATE TO ivy_app USING (studio.own_role() <> 'trainee');
--> statement-breakpoint
CREATE POLICY "trainee_adds_no_product" ON "studio"."product" AS RESTRICTIVE FOR INSERT TO ivy_app WITH CHECK (studio.own_role() <> 'trainee');
--> statement-breakpoint
CREATE POLICY "trainee_changes_no_product" ON "studio"."product" AS RESTRICTIVE FOR UPDATE TO ivy_app USING (studio.own_role() <> 'trainee');
--> statement-breakpoint
CREATE POLICY "trainee_adds_no_adhesive" ON "studio"."adhesive" AS RESTRICTIVE FOR INSERT TO ivy_app WITH CHECK (studio.own_role() <> 'trainee');
--> statement-breakpoint
CREATE POLICY "trainee_changes_no_adhesive" ON "studio"."adhesive" AS RESTRICTIVE FOR UPDATE TO ivy_app USING (studio.own_role() <> 'trainee');
--> statement-breakpoint
CREATE POLICY "trainee_adds_no_shield" ON "studio"."shield" AS RESTRICTIVE FOR INSERT TO ivy_app WITH CHECK (studio.own_role() <> 'trainee');
--> statement-breakpoint
-- A mistaken tap is taken back only while nothing has happened at the visit.
CREATE POLICY "withdrawn_only_empty" ON "studio"."visit" AS RESTRICTIVE FOR UPDATE TO ivy_app USING (true)
WITH CHECK (withdrawn_at IS NULL OR NOT EXISTS (SELECT 1 FROM studio.visit_event e WHERE e.studio_id = visit.studio_id AND e.visit_id = visit.id));
--> statement-breakpoint
CREATE OR REPLACE FUNCTION "auth"."create_first_studio"(p_studio uuid, p_user uuid, p_studio_name text, p_time_zone text, p_policy jsonb, p_name text, p_email text, p_hash text) RETURNS boolean LANGUAGE plpgsql SECURITY DEFINER SET search_path = pg_catalog AS $$
DECLARE v_room uuid := gen_random_uuid();
BEGIN
  LOCK TABLE studio.studio IN EXCLUSIVE MODE;
  IF EXISTS (SELECT 1 FROM studio.studio) THEN RETURN false; END IF;
  INSERT INTO studio.studio (studio_id, name, time_zone) VALUES (p_studio, p_studio_name, p_time_zone);
  INSERT INTO studio.policy (studio_id, document) VALUES (p_studio, p_policy);
  INSERT INTO studio.room (studio_id, id, name, volume_m3) VALUES (p_studio, v_room, 'Treatment room', 30);
  INSERT INTO studio.chair (studio_id, id, room_id, name) VALUES (p_studio, gen_random_uuid(), v_room, 'Chair 1');
  PERFORM auth.create_person(p_studio, p_user, p_name, p_email, p_hash, 'owner');
  RETURN true;
END $$;
--> statement-breakpoint
-- No room is drier than one part in a hundred; a reading below that is a broken sensor, and underflows a real.
ALTER TABLE "studio"."reading" DROP CONSTRAINT "reading_possible";
--> statement-breakpoint
ALTER TABLE "studio"."reading" ADD CONSTRAINT "reading_possible" CHECK ("temperature_c" BETWEEN -20 AND 60 AND "relative_humidity" BETWEEN 0.01 AND 1) NOT VALID;
--> statement-breakpoint
-- Hours that were owed are settled as before; one that cannot be is put off for an hour, and the rest goes on.
ALTER FUNCTION "device"."roll_up"(integer) RENAME TO "roll_up_at_once";
--> statement-breakpoint
CREATE OR REPLACE FUNCTION "device"."roll_up_at_once"(p_most integer) RETURNS integer LANGUAGE plpgsql SECURITY DEFINER SET search_path = pg_catalog
SET enable_hashjoin = off SET enable_mergejoin = off SET enable_seqscan = off SET enable_bitmapscan = off SET jit = off AS $$
DECLARE
  due device.owed[];
BEGIN
  -- Picked once and materialised: joined as a subquery it would be picked anew for every row.
  WITH picked AS MATERIALIZED (
    SELECT studio_id, sensor_id, hour FROM device.owed WHERE since <= clock_timestamp() ORDER BY since LIMIT p_most FOR UPDATE SKIP LOCKED
  ), taken AS (
    DELETE FROM device.owed o USING picked t
    WHERE o.studio_id = t.studio_id AND o.sensor_id = t.sensor_id AND o.hour = t.hour RETURNING o.*)
  SELECT array_agg(taken::device.owed) INTO due FROM taken;
  IF due IS NULL THEN RETURN 0; END IF;
  -- A statement of its own: it sees what was committed while the rows above were waited for. Readings of before the floor was
  -- set may lie under it, and are left out of what is shown.
  INSERT INTO studio.reading_minute
  SELECT d.studio_id, d.sensor_id, date_trunc('minute', r.taken_at, 'UTC'), (array_agg(r.room_id ORDER BY r.taken_at DESC))[1], count(*),
    avg(r.temperature_c), min(r.temperature_c), max(r.temperature_c), avg(r.relative_humidity), min(r.relative_humidity), max(r.relative_humidity)
  FROM unnest(due) d JOIN studio.reading r ON r.studio_id = d.studio_id AND r.sensor_id = d.sensor_id AND r.taken_at >= d.hour AND r.taken_at < d.hour + interval '1 hour'
  WHERE r.relative_humidity >= 0.01
  GROUP BY 1, 2, 3
  ON CONFLICT (studio_id, sensor_id, at) DO UPDATE SET room_id = excluded.room_id, readings = excluded.readings,
    temperature_c = excluded.temperature_c, temperature_low_c = excluded.temperature_low_c, temperature_high_c = excluded.temperature_high_c,
    relative_humidity = excluded.relative_humidity, humidity_low = excluded.humidity_low, humidity_high = excluded.humidity_high;
  INSERT INTO studio.reading_hour
  SELECT d.studio_id, d.sensor_id, d.hour, (array_agg(r.room_id ORDER BY r.taken_at DESC))[1], count(*),
    avg(r.temperature_c), min(r.temperature_c), max(r.temperature_c), avg(r.relative_humidity), min(r.relative_humidity), max(r.relative_humidity)
  FROM unnest(due) d JOIN studio.reading r ON r.studio_id = d.studio_id AND r.sensor_id = d.sensor_id AND r.taken_at >= d.hour AND r.taken_at < d.hour + interval '1 hour'
  WHERE r.relative_humidity >= 0.01
  GROUP BY 1, 2, 3
  ON CONFLICT (studio_id, sensor_id, at) DO UPDATE SET room_id = excluded.room_id, readings = excluded.readings,
    temperature_c = excluded.temperature_c, temperature_low_c = excluded.temperature_low_c, temperature_high_c = excluded.temperature_high_c,
    relative_humidity = excluded.relative_humidity, humidity_low = excluded.humidity_low, humidity_high = excluded.humidity_high;
  RETURN cardinality(due);
END $$;
--> statement-breakpoint
CREATE FUNCTION "device"."roll_up"(p_most integer) RETURNS integer LANGUAGE plpgsql SECURITY DEFINER SET search_path = pg_catalog AS $$
DECLARE
  settled integer := 0;
  one integer;
BEGIN
  BEGIN
    RETURN device.roll_up_at_once(p_most);
  EXCEPTION WHEN data_exception OR integrity_constraint_violation THEN NULL;
  END;
  -- One of them cannot be settled: hour by hour, and that one later.
  FOR i IN 1..p_most LOOP
    BEGIN
      one := device.roll_up_at_once(1);
      EXIT WHEN one = 0;
    EXCEPTION WHEN data_exception OR integrity_constraint_violation THEN
      UPDATE device.owed SET since = clock_timestamp() + interval '1 hour'
      WHERE (studio_id, sensor_id, hour) = (SELECT studio_id, sensor_id, hour FROM device.owed WHERE since <= clock_timestamp() ORDER BY since LIMIT 1);
    END;
    settled := settled + 1;
  END LOOP;
  RETURN settled;
END $$;
--> statement-breakpoint
REVOKE ALL ON FUNCTION "device"."roll_up"(integer), "device"."roll_up_at_once"(integer) FROM PUBLIC;
--> statement-breakpoint
REVOKE ALL ON FUNCTION "device"."roll_up_at_once"(integer) FROM ivy_device;
--> statement-breakpoint
GRANT EXECUTE ON FUNCTION "device"."roll_up"(integer) TO ivy_device;
