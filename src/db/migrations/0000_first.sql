CREATE SCHEMA "auth";
--> statement-breakpoint
CREATE SCHEMA "device";
--> statement-breakpoint
CREATE SCHEMA "studio";
--> statement-breakpoint
CREATE TABLE "auth"."account" (
	"id" uuid PRIMARY KEY NOT NULL,
	"account_id" text NOT NULL,
	"provider_id" text NOT NULL,
	"user_id" uuid NOT NULL,
	"access_token" text,
	"refresh_token" text,
	"id_token" text,
	"access_token_expires_at" timestamp with time zone,
	"refresh_token_expires_at" timestamp with time zone,
	"scope" text,
	"password" text,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "auth"."rate_limit" (
	"id" uuid PRIMARY KEY NOT NULL,
	"key" text NOT NULL,
	"count" integer NOT NULL,
	"last_request" bigint NOT NULL,
	CONSTRAINT "rate_limit_key_unique" UNIQUE("key")
);
--> statement-breakpoint
CREATE TABLE "auth"."session" (
	"id" uuid PRIMARY KEY NOT NULL,
	"token" text NOT NULL,
	"expires_at" timestamp with time zone NOT NULL,
	"ip_address" text,
	"user_agent" text,
	"user_id" uuid NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "session_token_unique" UNIQUE("token")
);
--> statement-breakpoint
CREATE TABLE "auth"."user" (
	"id" uuid PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"email" text NOT NULL,
	"email_verified" boolean DEFAULT false NOT NULL,
	"image" text,
	"studio_id" uuid NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "user_email_unique" UNIQUE("email")
);
--> statement-breakpoint
CREATE TABLE "auth"."verification" (
	"id" uuid PRIMARY KEY NOT NULL,
	"identifier" text NOT NULL,
	"value" text NOT NULL,
	"expires_at" timestamp with time zone NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "studio"."client" (
	"studio_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"name" text NOT NULL,
	"contact" text DEFAULT '' NOT NULL,
	"notes" text DEFAULT '' NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	"archived_at" timestamp with time zone,
	CONSTRAINT "client_studio_id_id_pk" PRIMARY KEY("studio_id","id")
);
--> statement-breakpoint
CREATE TABLE "studio"."patch_test" (
	"studio_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"client_id" uuid NOT NULL,
	"family" text NOT NULL,
	"placed_on" date NOT NULL,
	"result" text NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "patch_test_studio_id_id_pk" PRIMARY KEY("studio_id","id")
);
--> statement-breakpoint
CREATE TABLE "device"."token" (
	"hash" text PRIMARY KEY NOT NULL,
	"studio_id" uuid NOT NULL,
	"sensor_id" uuid NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"revoked_at" timestamp with time zone,
	"window_start" timestamp with time zone DEFAULT now() NOT NULL,
	"window_count" integer DEFAULT 0 NOT NULL
);
--> statement-breakpoint
CREATE TABLE "studio"."studio" (
	"studio_id" uuid PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"time_zone" text NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "studio"."member" (
	"studio_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"name" text NOT NULL,
	"role" text NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "member_studio_id_id_pk" PRIMARY KEY("studio_id","id")
);
--> statement-breakpoint
CREATE TABLE "studio"."policy" (
	"studio_id" uuid PRIMARY KEY NOT NULL,
	"document" jsonb NOT NULL,
	"revision" integer DEFAULT 1 NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_by" uuid
);
--> statement-breakpoint
CREATE TABLE "studio"."survey" (
	"studio_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"client_id" uuid NOT NULL,
	"document" jsonb NOT NULL,
	"taken_by" uuid NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "survey_studio_id_id_pk" PRIMARY KEY("studio_id","id")
);
--> statement-breakpoint
CREATE TABLE "studio"."lash_map" (
	"studio_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"client_id" uuid NOT NULL,
	"survey_id" uuid NOT NULL,
	"head" integer NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "lash_map_studio_id_id_pk" PRIMARY KEY("studio_id","id")
);
--> statement-breakpoint
CREATE TABLE "studio"."lash_map_revision" (
	"studio_id" uuid NOT NULL,
	"map_id" uuid NOT NULL,
	"revision" integer NOT NULL,
	"document" jsonb NOT NULL,
	"saved_by" uuid NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "lash_map_revision_studio_id_map_id_revision_pk" PRIMARY KEY("studio_id","map_id","revision")
);
--> statement-breakpoint
CREATE TABLE "studio"."reading" (
	"studio_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"room_id" uuid NOT NULL,
	"sensor_id" uuid,
	"taken_at" timestamp with time zone NOT NULL,
	"temperature_c" double precision NOT NULL,
	"relative_humidity" double precision NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "reading_studio_id_id_pk" PRIMARY KEY("studio_id","id")
);
--> statement-breakpoint
CREATE TABLE "studio"."room" (
	"studio_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"name" text NOT NULL,
	"volume_m3" double precision NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "room_studio_id_id_pk" PRIMARY KEY("studio_id","id")
);
--> statement-breakpoint
CREATE TABLE "studio"."sensor" (
	"studio_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"room_id" uuid NOT NULL,
	"name" text NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "sensor_studio_id_id_pk" PRIMARY KEY("studio_id","id")
);
--> statement-breakpoint
CREATE TABLE "studio"."adhesive" (
	"studio_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"document" jsonb NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "adhesive_studio_id_id_pk" PRIMARY KEY("studio_id","id")
);
--> statement-breakpoint
CREATE TABLE "studio"."bottle" (
	"studio_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"adhesive_id" uuid NOT NULL,
	"lot" text NOT NULL,
	"opened_on" date NOT NULL,
	"emptied_on" date,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "bottle_studio_id_id_pk" PRIMARY KEY("studio_id","id")
);
--> statement-breakpoint
CREATE TABLE "studio"."tray" (
	"studio_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"document" jsonb NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "tray_studio_id_id_pk" PRIMARY KEY("studio_id","id")
);
--> statement-breakpoint
CREATE TABLE "studio"."visit" (
	"studio_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"client_id" uuid NOT NULL,
	"technician_id" uuid NOT NULL,
	"room_id" uuid NOT NULL,
	"chair" integer NOT NULL,
	"service" text NOT NULL,
	"starts_at" timestamp with time zone NOT NULL,
	"minutes" integer NOT NULL,
	"map_id" uuid,
	"map_revision" integer,
	"patch_reason" text DEFAULT '' NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "visit_studio_id_id_pk" PRIMARY KEY("studio_id","id")
);
--> statement-breakpoint
CREATE TABLE "studio"."visit_event" (
	"studio_id" uuid NOT NULL,
	"visit_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"at" timestamp (3) with time zone NOT NULL,
	"server_time" timestamp (3) with time zone DEFAULT now() NOT NULL,
	"clock" text NOT NULL,
	"type" text NOT NULL,
	"payload" jsonb NOT NULL,
	"member_id" uuid NOT NULL,
	CONSTRAINT "visit_event_studio_id_id_pk" PRIMARY KEY("studio_id","id")
);
--> statement-breakpoint
ALTER TABLE "auth"."account" ADD CONSTRAINT "account_user_id_user_id_fk" FOREIGN KEY ("user_id") REFERENCES "auth"."user"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "auth"."session" ADD CONSTRAINT "session_user_id_user_id_fk" FOREIGN KEY ("user_id") REFERENCES "auth"."user"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "studio"."patch_test" ADD CONSTRAINT "patch_test_studio_id_client_id_client_studio_id_id_fk" FOREIGN KEY ("studio_id","client_id") REFERENCES "studio"."client"("studio_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "studio"."survey" ADD CONSTRAINT "survey_studio_id_client_id_client_studio_id_id_fk" FOREIGN KEY ("studio_id","client_id") REFERENCES "studio"."client"("studio_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "studio"."lash_map" ADD CONSTRAINT "lash_map_studio_id_client_id_client_studio_id_id_fk" FOREIGN KEY ("studio_id","client_id") REFERENCES "studio"."client"("studio_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "studio"."lash_map" ADD CONSTRAINT "lash_map_studio_id_survey_id_survey_studio_id_id_fk" FOREIGN KEY ("studio_id","survey_id") REFERENCES "studio"."survey"("studio_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "studio"."lash_map_revision" ADD CONSTRAINT "lash_map_revision_studio_id_map_id_lash_map_studio_id_id_fk" FOREIGN KEY ("studio_id","map_id") REFERENCES "studio"."lash_map"("studio_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "studio"."reading" ADD CONSTRAINT "reading_studio_id_room_id_room_studio_id_id_fk" FOREIGN KEY ("studio_id","room_id") REFERENCES "studio"."room"("studio_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "studio"."sensor" ADD CONSTRAINT "sensor_studio_id_room_id_room_studio_id_id_fk" FOREIGN KEY ("studio_id","room_id") REFERENCES "studio"."room"("studio_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "studio"."bottle" ADD CONSTRAINT "bottle_studio_id_adhesive_id_adhesive_studio_id_id_fk" FOREIGN KEY ("studio_id","adhesive_id") REFERENCES "studio"."adhesive"("studio_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "studio"."visit" ADD CONSTRAINT "visit_studio_id_client_id_client_studio_id_id_fk" FOREIGN KEY ("studio_id","client_id") REFERENCES "studio"."client"("studio_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "studio"."visit" ADD CONSTRAINT "visit_studio_id_room_id_room_studio_id_id_fk" FOREIGN KEY ("studio_id","room_id") REFERENCES "studio"."room"("studio_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "studio"."visit" ADD CONSTRAINT "visit_studio_id_map_id_map_revision_lash_map_revision_studio_id_map_id_revision_fk" FOREIGN KEY ("studio_id","map_id","map_revision") REFERENCES "studio"."lash_map_revision"("studio_id","map_id","revision") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "studio"."visit_event" ADD CONSTRAINT "visit_event_studio_id_visit_id_visit_studio_id_id_fk" FOREIGN KEY ("studio_id","visit_id") REFERENCES "studio"."visit"("studio_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "account_user_id_index" ON "auth"."account" USING btree ("user_id");--> statement-breakpoint
CREATE INDEX "session_user_id_index" ON "auth"."session" USING btree ("user_id");--> statement-breakpoint
CREATE INDEX "verification_identifier_index" ON "auth"."verification" USING btree ("identifier");--> statement-breakpoint
CREATE INDEX "client_studio_id_name_index" ON "studio"."client" USING btree ("studio_id","name");--> statement-breakpoint
CREATE INDEX "patch_test_studio_id_client_id_index" ON "studio"."patch_test" USING btree ("studio_id","client_id");--> statement-breakpoint
CREATE INDEX "survey_studio_id_client_id_created_at_index" ON "studio"."survey" USING btree ("studio_id","client_id","created_at");--> statement-breakpoint
CREATE INDEX "lash_map_studio_id_client_id_index" ON "studio"."lash_map" USING btree ("studio_id","client_id");--> statement-breakpoint
CREATE INDEX "reading_studio_id_room_id_taken_at_index" ON "studio"."reading" USING btree ("studio_id","room_id","taken_at");--> statement-breakpoint
CREATE UNIQUE INDEX "reading_studio_id_sensor_id_taken_at_index" ON "studio"."reading" USING btree ("studio_id","sensor_id","taken_at");--> statement-breakpoint
CREATE INDEX "visit_studio_id_starts_at_index" ON "studio"."visit" USING btree ("studio_id","starts_at");--> statement-breakpoint
CREATE INDEX "visit_studio_id_client_id_starts_at_index" ON "studio"."visit" USING btree ("studio_id","client_id","starts_at");--> statement-breakpoint
CREATE INDEX "visit_event_studio_id_visit_id_index" ON "studio"."visit_event" USING btree ("studio_id","visit_id");
--> statement-breakpoint
ALTER TABLE "studio"."reading" ADD CONSTRAINT "reading_possible" CHECK ("temperature_c" BETWEEN -20 AND 60 AND "relative_humidity" > 0 AND "relative_humidity" <= 1);
--> statement-breakpoint
-- Who is asking: set for one transaction by inStudio(), empty otherwise, and an empty setting sees nothing.
CREATE FUNCTION "studio"."current_studio"() RETURNS uuid LANGUAGE sql STABLE AS
$$ select nullif(current_setting('ivy.studio_id', true), '')::uuid $$;
--> statement-breakpoint
CREATE FUNCTION "studio"."current_member"() RETURNS uuid LANGUAGE sql STABLE AS
$$ select nullif(current_setting('ivy.member_id', true), '')::uuid $$;
--> statement-breakpoint
-- Definer, so that policies on member do not call themselves.
CREATE FUNCTION "studio"."own_role"() RETURNS text LANGUAGE sql STABLE SECURITY DEFINER SET search_path = pg_catalog AS
$$ select m.role from studio.member m where m.studio_id = studio.current_studio() and m.id = studio.current_member() $$;
--> statement-breakpoint
DO $$
DECLARE t text;
BEGIN
  FOR t IN SELECT tablename FROM pg_tables WHERE schemaname = 'studio' LOOP
    EXECUTE format('ALTER TABLE studio.%I ENABLE ROW LEVEL SECURITY', t);
    -- Own studio only, and only as one of its members.
    EXECUTE format($p$CREATE POLICY own_studio ON studio.%I TO ivy_app
      USING (studio_id = (SELECT studio.current_studio()) AND (SELECT studio.own_role()) IS NOT NULL)
      WITH CHECK (studio_id = (SELECT studio.current_studio()) AND (SELECT studio.own_role()) IS NOT NULL)$p$, t);
    EXECUTE format('GRANT SELECT ON studio.%I TO ivy_app', t);
  END LOOP;
END $$;
--> statement-breakpoint
GRANT USAGE ON SCHEMA "studio" TO ivy_app;
--> statement-breakpoint
GRANT INSERT ON "studio"."client", "studio"."patch_test", "studio"."survey", "studio"."lash_map", "studio"."lash_map_revision", "studio"."room", "studio"."sensor", "studio"."reading", "studio"."adhesive", "studio"."bottle", "studio"."tray", "studio"."visit", "studio"."visit_event" TO ivy_app;
--> statement-breakpoint
-- Surveys, saved maps, readings and visit events are never changed, so nothing lets the app change them.
GRANT UPDATE ON "studio"."studio", "studio"."policy", "studio"."client", "studio"."patch_test", "studio"."lash_map", "studio"."room", "studio"."sensor", "studio"."adhesive", "studio"."bottle", "studio"."tray", "studio"."visit" TO ivy_app;
--> statement-breakpoint
GRANT DELETE ON "studio"."tray" TO ivy_app;
--> statement-breakpoint
CREATE POLICY "owner_sets_policy" ON "studio"."policy" AS RESTRICTIVE FOR UPDATE TO ivy_app USING (studio.own_role() = 'owner');
--> statement-breakpoint
CREATE POLICY "owner_sets_studio" ON "studio"."studio" AS RESTRICTIVE FOR UPDATE TO ivy_app USING (studio.own_role() = 'owner');
--> statement-breakpoint
CREATE POLICY "trainee_deletes_nothing" ON "studio"."tray" AS RESTRICTIVE FOR DELETE TO ivy_app USING (studio.own_role() <> 'trainee');
--> statement-breakpoint
CREATE POLICY "trainee_puts_nobody_away" ON "studio"."client" AS RESTRICTIVE FOR UPDATE TO ivy_app USING (true) WITH CHECK (archived_at IS NULL OR studio.own_role() <> 'trainee');
--> statement-breakpoint
CREATE POLICY "events_in_own_name" ON "studio"."visit_event" AS RESTRICTIVE FOR INSERT TO ivy_app WITH CHECK (member_id = studio.current_member());
--> statement-breakpoint
GRANT USAGE ON SCHEMA "auth" TO ivy_auth;
--> statement-breakpoint
GRANT SELECT, INSERT, UPDATE, DELETE ON ALL TABLES IN SCHEMA "auth" TO ivy_auth;
--> statement-breakpoint
-- The only ways in for people: the first studio, and an owner adding a member.
CREATE FUNCTION "auth"."any_studio"() RETURNS boolean LANGUAGE sql STABLE SECURITY DEFINER SET search_path = pg_catalog AS
$$ select exists (select 1 from studio.studio) $$;
--> statement-breakpoint
CREATE FUNCTION "auth"."create_person"(p_studio uuid, p_user uuid, p_name text, p_email text, p_hash text, p_role text) RETURNS void LANGUAGE plpgsql SET search_path = pg_catalog AS $$
BEGIN
  INSERT INTO auth."user" (id, name, email, email_verified, studio_id) VALUES (p_user, p_name, lower(p_email), true, p_studio);
  INSERT INTO auth.account (id, account_id, provider_id, user_id, password) VALUES (gen_random_uuid(), p_user::text, 'credential', p_user, p_hash);
  INSERT INTO studio.member (studio_id, id, name, role) VALUES (p_studio, p_user, p_name, p_role);
END $$;
--> statement-breakpoint
REVOKE ALL ON FUNCTION "auth"."create_person"(uuid, uuid, text, text, text, text) FROM PUBLIC;
--> statement-breakpoint
CREATE FUNCTION "auth"."create_first_studio"(p_studio uuid, p_user uuid, p_studio_name text, p_time_zone text, p_policy jsonb, p_name text, p_email text, p_hash text) RETURNS boolean LANGUAGE plpgsql SECURITY DEFINER SET search_path = pg_catalog AS $$
BEGIN
  LOCK TABLE studio.studio IN EXCLUSIVE MODE;
  IF EXISTS (SELECT 1 FROM studio.studio) THEN RETURN false; END IF;
  INSERT INTO studio.studio (studio_id, name, time_zone) VALUES (p_studio, p_studio_name, p_time_zone);
  INSERT INTO studio.policy (studio_id, document) VALUES (p_studio, p_policy);
  INSERT INTO studio.room (studio_id, id, name, volume_m3) VALUES (p_studio, gen_random_uuid(), 'Treatment room', 30);
  PERFORM auth.create_person(p_studio, p_user, p_name, p_email, p_hash, 'owner');
  RETURN true;
END $$;
--> statement-breakpoint
REVOKE ALL ON FUNCTION "auth"."create_first_studio"(uuid, uuid, text, text, jsonb, text, text, text), "auth"."any_studio"() FROM PUBLIC;
--> statement-breakpoint
GRANT EXECUTE ON FUNCTION "auth"."create_first_studio"(uuid, uuid, text, text, jsonb, text, text, text), "auth"."any_studio"() TO ivy_auth;
--> statement-breakpoint
CREATE FUNCTION "studio"."add_member"(p_user uuid, p_name text, p_email text, p_hash text, p_role text) RETURNS text LANGUAGE plpgsql SECURITY DEFINER SET search_path = pg_catalog AS $$
BEGIN
  IF studio.own_role() IS DISTINCT FROM 'owner' THEN RETURN 'forbidden'; END IF;
  IF EXISTS (SELECT 1 FROM auth."user" WHERE email = lower(p_email)) THEN RETURN 'taken'; END IF;
  PERFORM auth.create_person(studio.current_studio(), p_user, p_name, p_email, p_hash, p_role);
  RETURN 'added';
END $$;
--> statement-breakpoint
-- A device's token is shown once and kept as a hash. Only an owner makes or revokes one.
CREATE FUNCTION "studio"."give_token"(p_sensor uuid, p_hash text) RETURNS boolean LANGUAGE plpgsql SECURITY DEFINER SET search_path = pg_catalog AS $$
BEGIN
  IF studio.own_role() IS DISTINCT FROM 'owner' THEN RETURN false; END IF;
  IF NOT EXISTS (SELECT 1 FROM studio.sensor s WHERE s.studio_id = studio.current_studio() AND s.id = p_sensor) THEN RETURN false; END IF;
  UPDATE device.token SET revoked_at = now() WHERE studio_id = studio.current_studio() AND sensor_id = p_sensor AND revoked_at IS NULL;
  INSERT INTO device.token (hash, studio_id, sensor_id) VALUES (p_hash, studio.current_studio(), p_sensor);
  RETURN true;
END $$;
--> statement-breakpoint
REVOKE ALL ON FUNCTION "studio"."add_member"(uuid, text, text, text, text), "studio"."give_token"(uuid, text) FROM PUBLIC;
--> statement-breakpoint
GRANT EXECUTE ON FUNCTION "studio"."add_member"(uuid, text, text, text, text), "studio"."give_token"(uuid, text) TO ivy_app;
--> statement-breakpoint
-- The intake's only door: a token's hash and readings already checked. Same reading twice does nothing.
CREATE FUNCTION "device"."accept_readings"(p_hash text, p_readings jsonb, p_per_minute integer) RETURNS TABLE (status text, kept integer) LANGUAGE plpgsql SECURITY DEFINER SET search_path = pg_catalog AS $$
DECLARE
  v device.token%ROWTYPE;
  v_room uuid;
BEGIN
  UPDATE device.token AS k SET
    window_count = CASE WHEN k.window_start < now() - interval '1 minute' THEN 1 ELSE k.window_count + 1 END,
    window_start = CASE WHEN k.window_start < now() - interval '1 minute' THEN now() ELSE k.window_start END
  WHERE k.hash = p_hash AND k.revoked_at IS NULL RETURNING k.* INTO v;
  IF NOT FOUND THEN RETURN QUERY SELECT 'unknown', 0; RETURN; END IF;
  IF v.window_count > p_per_minute THEN RETURN QUERY SELECT 'slow down', 0; RETURN; END IF;
  SELECT s.room_id INTO v_room FROM studio.sensor s WHERE s.studio_id = v.studio_id AND s.id = v.sensor_id;
  RETURN QUERY WITH put AS (
    INSERT INTO studio.reading (studio_id, id, room_id, sensor_id, taken_at, temperature_c, relative_humidity)
    SELECT v.studio_id, gen_random_uuid(), v_room, v.sensor_id, r."takenAt", r."temperatureC", r."relativeHumidity"
    FROM jsonb_to_recordset(p_readings) AS r("takenAt" timestamptz, "temperatureC" double precision, "relativeHumidity" double precision)
    ON CONFLICT (studio_id, sensor_id, taken_at) DO NOTHING RETURNING 1)
  SELECT 'kept', count(*)::integer FROM put;
END $$;
--> statement-breakpoint
REVOKE ALL ON FUNCTION "device"."accept_readings"(text, jsonb, integer) FROM PUBLIC;
--> statement-breakpoint
GRANT USAGE ON SCHEMA "device" TO ivy_device;
--> statement-breakpoint
GRANT EXECUTE ON FUNCTION "device"."accept_readings"(text, jsonb, integer) TO ivy_device;
