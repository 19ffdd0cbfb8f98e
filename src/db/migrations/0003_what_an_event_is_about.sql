ALTER TABLE "studio"."visit_event" ADD COLUMN "about" uuid GENERATED ALWAYS AS ((case type when 'beadPlaced' then payload->>'bottleId' when 'undone' then payload->>'eventId' end)::uuid) STORED;--> statement-breakpoint
CREATE INDEX "visit_event_about" ON "studio"."visit_event" USING btree ("studio_id","type","about") WHERE about is not null;--> statement-breakpoint
CREATE INDEX "visit_event_checks" ON "studio"."visit_event" USING btree ("studio_id","member_id","at") WHERE type = 'checked';--> statement-breakpoint
-- Under row-level security an index on an expression of the payload is never used: its functions are not known to be leakproof.
DROP INDEX "studio"."visit_event_beads";
--> statement-breakpoint
DROP INDEX "studio"."visit_event_undone";
--> statement-breakpoint
-- Settles hours that are owed: their minutes and the hour itself, reckoned anew from the readings. Any number of copies of
-- the app may call it at once; each takes other hours. Returns how many it settled.
-- An hour is found by the index, whatever the planner thinks of a few hundred of them: over years of readings its other ways read everything.
CREATE OR REPLACE FUNCTION "device"."roll_up"(p_most integer) RETURNS integer LANGUAGE plpgsql SECURITY DEFINER SET search_path = pg_catalog
SET enable_hashjoin = off SET enable_mergejoin = off SET enable_seqscan = off SET enable_bitmapscan = off SET jit = off AS $$
DECLARE
  due device.owed[];
BEGIN
  -- Picked once and materialised: joined as a subquery it would be picked anew for every row.
  WITH picked AS MATERIALIZED (
    SELECT studio_id, sensor_id, hour FROM device.owed ORDER BY since LIMIT p_most FOR UPDATE SKIP LOCKED
  ), taken AS (
    DELETE FROM device.owed o USING picked t
    WHERE o.studio_id = t.studio_id AND o.sensor_id = t.sensor_id AND o.hour = t.hour RETURNING o.*)
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
