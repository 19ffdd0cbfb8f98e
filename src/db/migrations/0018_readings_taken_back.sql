CREATE TABLE "studio"."reading_aside" (
	"studio_id" uuid NOT NULL,
	"taken_back_id" uuid NOT NULL,
	"sensor_id" uuid NOT NULL,
	"taken_at" timestamp (3) with time zone NOT NULL,
	"room_id" uuid NOT NULL,
	"temperature_c" double precision NOT NULL,
	"relative_humidity" double precision NOT NULL,
	"import_id" uuid,
	CONSTRAINT "reading_aside_studio_id_taken_back_id_taken_at_pk" PRIMARY KEY("studio_id","taken_back_id","taken_at")
);
--> statement-breakpoint
CREATE TABLE "studio"."reading_import" (
	"studio_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"room_id" uuid NOT NULL,
	"sensor_id" uuid NOT NULL,
	"file_name" text NOT NULL,
	"readings" integer NOT NULL,
	"by_id" uuid NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "reading_import_studio_id_id_pk" PRIMARY KEY("studio_id","id")
);
--> statement-breakpoint
CREATE TABLE "studio"."readings_taken_back" (
	"studio_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"room_id" uuid NOT NULL,
	"sensor_id" uuid NOT NULL,
	"import_id" uuid,
	"from_at" timestamp (3) with time zone NOT NULL,
	"to_at" timestamp (3) with time zone NOT NULL,
	"why" text NOT NULL,
	"readings" integer NOT NULL,
	"by_id" uuid NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"brought_back_at" timestamp with time zone,
	CONSTRAINT "readings_taken_back_studio_id_id_pk" PRIMARY KEY("studio_id","id")
);
--> statement-breakpoint
ALTER TABLE "studio"."reading" ADD COLUMN "import_id" uuid;--> statement-breakpoint
CREATE INDEX "audit_entry_studio_id_by_id_at_index" ON "studio"."audit_entry" USING btree ("studio_id","by_id","at") WHERE kind = 'signedIn';--> statement-breakpoint
CREATE INDEX "reading_studio_id_import_id_index" ON "studio"."reading" USING btree ("studio_id","import_id") WHERE import_id is not null;
--> statement-breakpoint
DO $$
DECLARE t text;
BEGIN
  FOREACH t IN ARRAY ARRAY['reading_import', 'readings_taken_back', 'reading_aside'] LOOP
    EXECUTE format('ALTER TABLE studio.%I ENABLE ROW LEVEL SECURITY', t);
    EXECUTE format($p$CREATE POLICY own_studio ON studio.%I TO ivy_app
      USING (studio_id = (SELECT studio.current_studio()) AND (SELECT studio.own_role()) IS NOT NULL)
      WITH CHECK (studio_id = (SELECT studio.current_studio()) AND (SELECT studio.own_role()) IS NOT NULL)$p$, t);
    EXECUTE format('GRANT SELECT ON studio.%I TO ivy_app', t);
  END LOOP;
END $$;
--> statement-breakpoint
GRANT INSERT ON "studio"."reading_import" TO ivy_app;
--> statement-breakpoint
CREATE POLICY "imported_in_own_name" ON "studio"."reading_import" AS RESTRICTIVE FOR INSERT TO ivy_app WITH CHECK (by_id = studio.current_member());
--> statement-breakpoint
-- Hours of a source whose readings changed otherwise than by new ones coming: what was reckoned of them goes, and they are owed
-- anew. The rows of what is owed are touched first: that holds back the job that is about to settle them.
CREATE FUNCTION "studio"."owe_hours"(p_sensor uuid, p_hours timestamptz[]) RETURNS void LANGUAGE plpgsql SET search_path = pg_catalog AS $$
BEGIN
  INSERT INTO device.owed (studio_id, sensor_id, hour) SELECT studio.current_studio(), p_sensor, h FROM unnest(p_hours) h ORDER BY h
  ON CONFLICT (studio_id, sensor_id, hour) DO UPDATE SET since = now();
  DELETE FROM studio.reading_minute m WHERE m.studio_id = studio.current_studio() AND m.sensor_id = p_sensor AND date_trunc('hour', m.at, 'UTC') = ANY (p_hours);
  DELETE FROM studio.reading_hour h WHERE h.studio_id = studio.current_studio() AND h.sensor_id = p_sensor AND h.at = ANY (p_hours);
END $$;
--> statement-breakpoint
-- Takes readings back: those of one file, or a source's from one time on and before another. Returns how many; nothing is lost.
CREATE FUNCTION "studio"."take_readings_back"(p_id uuid, p_sensor uuid, p_import uuid, p_from timestamptz, p_to timestamptz, p_why text) RETURNS integer LANGUAGE plpgsql SECURITY DEFINER SET search_path = pg_catalog AS $$
DECLARE
  v_room uuid;
  v_hours timestamptz[];
  v_count integer;
BEGIN
  IF studio.own_role() IS NULL OR studio.own_role() = 'trainee' THEN RETURN -1; END IF;
  SELECT s.room_id INTO v_room FROM studio.sensor s WHERE s.studio_id = studio.current_studio() AND s.id = p_sensor;
  IF v_room IS NULL THEN RETURN -1; END IF;
  SELECT array_agg(DISTINCT date_trunc('hour', r.taken_at, 'UTC')) INTO v_hours FROM studio.reading r
    WHERE r.studio_id = studio.current_studio() AND r.sensor_id = p_sensor AND r.taken_at >= p_from AND r.taken_at < p_to AND (p_import IS NULL OR r.import_id = p_import);
  IF v_hours IS NULL THEN RETURN 0; END IF;
  PERFORM studio.owe_hours(p_sensor, v_hours);
  WITH gone AS (
    DELETE FROM studio.reading r WHERE r.studio_id = studio.current_studio() AND r.sensor_id = p_sensor AND r.taken_at >= p_from AND r.taken_at < p_to AND (p_import IS NULL OR r.import_id = p_import)
      AND date_trunc('hour', r.taken_at, 'UTC') = ANY (v_hours)
    RETURNING r.*)
  INSERT INTO studio.reading_aside (studio_id, taken_back_id, sensor_id, taken_at, room_id, temperature_c, relative_humidity, import_id)
  SELECT g.studio_id, p_id, g.sensor_id, g.taken_at, g.room_id, g.temperature_c, g.relative_humidity, g.import_id FROM gone g;
  GET DIAGNOSTICS v_count = ROW_COUNT;
  INSERT INTO studio.readings_taken_back (studio_id, id, room_id, sensor_id, import_id, from_at, to_at, why, readings, by_id)
  VALUES (studio.current_studio(), p_id, v_room, p_sensor, p_import, p_from, p_to, p_why, v_count, studio.current_member());
  PERFORM pg_notify('ivy_live', json_build_object('studio', studio.current_studio(), 'kind', 'air', 'id', v_room)::text);
  RETURN v_count;
END $$;
--> statement-breakpoint
-- Brings back what was taken back, as it was. A reading of the same moment that came meanwhile stays.
CREATE FUNCTION "studio"."bring_readings_back"(p_id uuid) RETURNS integer LANGUAGE plpgsql SECURITY DEFINER SET search_path = pg_catalog AS $$
DECLARE v_count integer;
BEGIN
  IF studio.own_role() IS NULL OR studio.own_role() = 'trainee' THEN RETURN -1; END IF;
  UPDATE studio.readings_taken_back SET brought_back_at = now() WHERE studio_id = studio.current_studio() AND id = p_id AND brought_back_at IS NULL;
  IF NOT FOUND THEN RETURN -1; END IF;
  WITH back AS (DELETE FROM studio.reading_aside a WHERE a.studio_id = studio.current_studio() AND a.taken_back_id = p_id RETURNING a.*)
  INSERT INTO studio.reading (studio_id, sensor_id, taken_at, room_id, temperature_c, relative_humidity, import_id)
  SELECT b.studio_id, b.sensor_id, b.taken_at, b.room_id, b.temperature_c, b.relative_humidity, b.import_id FROM back b ORDER BY b.taken_at
  ON CONFLICT (studio_id, sensor_id, taken_at) DO NOTHING;
  GET DIAGNOSTICS v_count = ROW_COUNT;
  RETURN v_count;
END $$;
--> statement-breakpoint
REVOKE ALL ON FUNCTION "studio"."owe_hours"(uuid, timestamptz[]), "studio"."take_readings_back"(uuid, uuid, uuid, timestamptz, timestamptz, text), "studio"."bring_readings_back"(uuid) FROM PUBLIC;
--> statement-breakpoint
GRANT EXECUTE ON FUNCTION "studio"."take_readings_back"(uuid, uuid, uuid, timestamptz, timestamptz, text), "studio"."bring_readings_back"(uuid) TO ivy_app;
