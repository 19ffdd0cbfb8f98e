CREATE TABLE "studio"."audit_entry" (
	"studio_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"at" timestamp (3) with time zone DEFAULT now() NOT NULL,
	"kind" text NOT NULL,
	"by_id" uuid,
	"member_id" uuid,
	"client_id" uuid,
	"detail" text,
	"address" text,
	"once_key" text,
	CONSTRAINT "audit_entry_studio_id_id_pk" PRIMARY KEY("studio_id","id")
);
--> statement-breakpoint
CREATE TABLE "auth"."password_link" (
	"hash" text PRIMARY KEY NOT NULL,
	"user_id" uuid NOT NULL,
	"kind" text NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"expires_at" timestamp with time zone NOT NULL,
	"used_at" timestamp with time zone
);
--> statement-breakpoint
CREATE TABLE "auth"."two_factor" (
	"id" uuid PRIMARY KEY NOT NULL,
	"secret" text NOT NULL,
	"backup_codes" text NOT NULL,
	"user_id" uuid NOT NULL,
	"verified" boolean DEFAULT false NOT NULL,
	"failed_verification_count" integer DEFAULT 0 NOT NULL,
	"locked_until" timestamp with time zone,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
ALTER TABLE "auth"."user" ADD COLUMN "two_factor_enabled" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "studio"."studio" ADD COLUMN "second_factor_since" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "studio"."member" ADD COLUMN "deactivated_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "auth"."password_link" ADD CONSTRAINT "password_link_user_id_user_id_fk" FOREIGN KEY ("user_id") REFERENCES "auth"."user"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "auth"."two_factor" ADD CONSTRAINT "two_factor_user_id_user_id_fk" FOREIGN KEY ("user_id") REFERENCES "auth"."user"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "audit_entry_studio_id_at_index" ON "studio"."audit_entry" USING btree ("studio_id","at");--> statement-breakpoint
CREATE UNIQUE INDEX "audit_entry_studio_id_once_key_index" ON "studio"."audit_entry" USING btree ("studio_id","once_key") WHERE once_key is not null;--> statement-breakpoint
CREATE INDEX "password_link_user_id_index" ON "auth"."password_link" USING btree ("user_id");--> statement-breakpoint
CREATE UNIQUE INDEX "two_factor_user_id_index" ON "auth"."two_factor" USING btree ("user_id");--> statement-breakpoint
GRANT SELECT, INSERT, UPDATE, DELETE ON "auth"."two_factor", "auth"."password_link" TO ivy_auth;
--> statement-breakpoint
ALTER TABLE "auth"."password_link" ADD CONSTRAINT "password_link_kind" CHECK ("kind" IN ('invitation', 'reset', 'recovery'));
--> statement-breakpoint
ALTER TABLE "studio"."audit_entry" ENABLE ROW LEVEL SECURITY;
--> statement-breakpoint
-- Read by the owner; added to by everybody, in their own name; changed and removed by nobody.
CREATE POLICY "owner_reads_audit" ON "studio"."audit_entry" FOR SELECT TO ivy_app USING (studio_id = (SELECT studio.current_studio()) AND (SELECT studio.own_role()) = 'owner');
--> statement-breakpoint
CREATE POLICY "noted_in_own_name" ON "studio"."audit_entry" FOR INSERT TO ivy_app WITH CHECK (studio_id = (SELECT studio.current_studio()) AND (SELECT studio.own_role()) IS NOT NULL AND by_id = (SELECT studio.current_member()));
--> statement-breakpoint
GRANT SELECT, INSERT ON "studio"."audit_entry" TO ivy_app;
--> statement-breakpoint
-- Who was deactivated has no role, so that no row of the studio is seen or written in their name, by whatever way they come.
CREATE OR REPLACE FUNCTION "studio"."own_role"() RETURNS text LANGUAGE plpgsql STABLE SECURITY DEFINER SET search_path = pg_catalog AS $$
BEGIN
  RETURN (SELECT m.role FROM studio.member m WHERE m.studio_id = studio.current_studio() AND m.id = studio.current_member() AND m.deactivated_at IS NULL);
END
$$;
--> statement-breakpoint
DROP FUNCTION "auth"."member_of"(uuid);
--> statement-breakpoint
CREATE FUNCTION "auth"."member_of"(p_user uuid)
RETURNS TABLE (studio_id uuid, name text, email text, role text, studio_name text, time_zone text, has_second_factor boolean, second_factor_since timestamptz)
LANGUAGE sql STABLE SECURITY DEFINER SET search_path = pg_catalog AS $$
  SELECT m.studio_id, m.name, u.email, m.role, s.name, s.time_zone, u.two_factor_enabled, s.second_factor_since
  FROM auth."user" u
  JOIN studio.member m ON m.studio_id = u.studio_id AND m.id = u.id
  JOIN studio.studio s ON s.studio_id = m.studio_id
  WHERE u.id = p_user AND m.deactivated_at IS NULL
$$;
--> statement-breakpoint
-- Signing in happens before anybody is a member of anything: it is noted in the studio of whom it is about.
CREATE FUNCTION "auth"."note"(p_user uuid, p_kind text, p_detail text, p_address text) RETURNS void LANGUAGE sql SECURITY DEFINER SET search_path = pg_catalog AS $$
  INSERT INTO studio.audit_entry (studio_id, id, kind, by_id, member_id, detail, address)
  SELECT u.studio_id, gen_random_uuid(), p_kind, CASE WHEN p_kind = 'signInFailed' OR p_detail = 'on the server' THEN NULL ELSE u.id END, u.id, p_detail, p_address
  FROM auth."user" u WHERE u.id = p_user
$$;
--> statement-breakpoint
REVOKE ALL ON FUNCTION "auth"."member_of"(uuid), "auth"."note"(uuid, text, text, text) FROM PUBLIC;
--> statement-breakpoint
GRANT EXECUTE ON FUNCTION "auth"."member_of"(uuid), "auth"."note"(uuid, text, text, text) TO ivy_auth;
--> statement-breakpoint
DROP FUNCTION "studio"."add_member"(uuid, text, text, text, text);
--> statement-breakpoint
-- A new link takes the place of those before it.
CREATE FUNCTION "auth"."put_link"(p_user uuid, p_hash text, p_kind text, p_hours integer) RETURNS void LANGUAGE plpgsql SET search_path = pg_catalog AS $$
BEGIN
  DELETE FROM auth.password_link WHERE user_id = p_user AND used_at IS NULL;
  INSERT INTO auth.password_link (hash, user_id, kind, expires_at) VALUES (p_hash, p_user, p_kind, now() + make_interval(hours => p_hours));
END $$;
--> statement-breakpoint
REVOKE ALL ON FUNCTION "auth"."put_link"(uuid, text, text, integer) FROM PUBLIC;
--> statement-breakpoint
GRANT EXECUTE ON FUNCTION "auth"."put_link"(uuid, text, text, integer) TO ivy_auth;
--> statement-breakpoint
-- What an owner does with people. Each says what came of it, and does nothing for anybody else.
CREATE FUNCTION "studio"."invite_member"(p_user uuid, p_name text, p_email text, p_role text, p_hash text, p_hours integer) RETURNS text LANGUAGE plpgsql SECURITY DEFINER SET search_path = pg_catalog AS $$
BEGIN
  IF studio.own_role() IS DISTINCT FROM 'owner' THEN RETURN 'forbidden'; END IF;
  BEGIN
    PERFORM auth.create_person(studio.current_studio(), p_user, p_name, p_email, NULL, p_role);
  EXCEPTION WHEN unique_violation THEN RETURN 'taken';
  END;
  PERFORM auth.put_link(p_user, p_hash, 'invitation', p_hours);
  RETURN 'invited';
END $$;
--> statement-breakpoint
CREATE FUNCTION "studio"."link_for"(p_member uuid, p_hash text, p_hours integer) RETURNS text LANGUAGE plpgsql SECURITY DEFINER SET search_path = pg_catalog AS $$
DECLARE v_kind text;
BEGIN
  IF studio.own_role() IS DISTINCT FROM 'owner' THEN RETURN 'forbidden'; END IF;
  SELECT CASE WHEN a.password IS NULL THEN 'invitation' ELSE 'reset' END INTO v_kind
    FROM studio.member m JOIN auth.account a ON a.user_id = m.id AND a.provider_id = 'credential'
    WHERE m.studio_id = studio.current_studio() AND m.id = p_member AND m.deactivated_at IS NULL;
  IF v_kind IS NULL THEN RETURN 'unknown'; END IF;
  PERFORM auth.put_link(p_member, p_hash, v_kind, p_hours);
  RETURN v_kind;
END $$;
--> statement-breakpoint
-- Whether another owner would be left who can sign in. Held against two owners who go at once by the studio's own row.
CREATE FUNCTION "studio"."owner_beside"(p_member uuid) RETURNS boolean LANGUAGE plpgsql SET search_path = pg_catalog AS $$
BEGIN
  PERFORM 1 FROM studio.studio s WHERE s.studio_id = studio.current_studio() FOR UPDATE;
  RETURN EXISTS (SELECT 1 FROM studio.member m JOIN auth.account a ON a.user_id = m.id AND a.password IS NOT NULL
    WHERE m.studio_id = studio.current_studio() AND m.role = 'owner' AND m.deactivated_at IS NULL AND m.id <> p_member);
END $$;
--> statement-breakpoint
CREATE FUNCTION "studio"."change_role"(p_member uuid, p_was text, p_role text) RETURNS text LANGUAGE plpgsql SECURITY DEFINER SET search_path = pg_catalog AS $$
BEGIN
  IF studio.own_role() IS DISTINCT FROM 'owner' THEN RETURN 'forbidden'; END IF;
  IF NOT studio.owner_beside(p_member) AND p_role <> 'owner' AND p_was = 'owner' THEN RETURN 'last owner'; END IF;
  -- Asked again: while the row was waited for, the role of who asks may have changed.
  IF studio.own_role() IS DISTINCT FROM 'owner' THEN RETURN 'forbidden'; END IF;
  UPDATE studio.member SET role = p_role WHERE studio_id = studio.current_studio() AND id = p_member AND role = p_was AND deactivated_at IS NULL;
  RETURN CASE WHEN FOUND THEN 'changed' ELSE 'unknown' END;
END $$;
--> statement-breakpoint
-- An owner lets somebody go, or anybody themselves. Their sign-ins and links end with it.
CREATE FUNCTION "studio"."deactivate_member"(p_member uuid) RETURNS text LANGUAGE plpgsql SECURITY DEFINER SET search_path = pg_catalog AS $$
BEGIN
  IF studio.own_role() IS NULL OR (studio.own_role() <> 'owner' AND p_member <> studio.current_member()) THEN RETURN 'forbidden'; END IF;
  IF NOT studio.owner_beside(p_member) THEN
    IF EXISTS (SELECT 1 FROM studio.member m WHERE m.studio_id = studio.current_studio() AND m.id = p_member AND m.role = 'owner') THEN RETURN 'last owner'; END IF;
  END IF;
  IF studio.own_role() IS NULL OR (studio.own_role() <> 'owner' AND p_member <> studio.current_member()) THEN RETURN 'forbidden'; END IF;
  UPDATE studio.member SET deactivated_at = now() WHERE studio_id = studio.current_studio() AND id = p_member AND deactivated_at IS NULL;
  IF NOT FOUND THEN RETURN 'unknown'; END IF;
  DELETE FROM auth.session WHERE user_id = p_member;
  DELETE FROM auth.password_link WHERE user_id = p_member AND used_at IS NULL;
  PERFORM pg_notify('ivy_live', json_build_object('studio', studio.current_studio(), 'kind', 'left', 'id', p_member)::text);
  RETURN 'deactivated';
END $$;
--> statement-breakpoint
CREATE FUNCTION "studio"."bring_back_member"(p_member uuid) RETURNS text LANGUAGE plpgsql SECURITY DEFINER SET search_path = pg_catalog AS $$
BEGIN
  IF studio.own_role() IS DISTINCT FROM 'owner' THEN RETURN 'forbidden'; END IF;
  UPDATE studio.member SET deactivated_at = NULL WHERE studio_id = studio.current_studio() AND id = p_member AND deactivated_at IS NOT NULL;
  RETURN CASE WHEN FOUND THEN 'back' ELSE 'unknown' END;
END $$;
--> statement-breakpoint
-- A lost phone: the owner takes somebody's second factor off, and their sign-ins end with it.
CREATE FUNCTION "studio"."take_second_factor_off"(p_member uuid) RETURNS text LANGUAGE plpgsql SECURITY DEFINER SET search_path = pg_catalog AS $$
BEGIN
  IF studio.own_role() IS DISTINCT FROM 'owner' THEN RETURN 'forbidden'; END IF;
  IF NOT EXISTS (SELECT 1 FROM studio.member m WHERE m.studio_id = studio.current_studio() AND m.id = p_member) THEN RETURN 'unknown'; END IF;
  DELETE FROM auth.two_factor WHERE user_id = p_member;
  UPDATE auth."user" SET two_factor_enabled = false WHERE id = p_member;
  DELETE FROM auth.session WHERE user_id = p_member;
  RETURN 'off';
END $$;
--> statement-breakpoint
CREATE FUNCTION "studio"."change_own_name"(p_name text) RETURNS boolean LANGUAGE plpgsql SECURITY DEFINER SET search_path = pg_catalog AS $$
BEGIN
  IF studio.own_role() IS NULL THEN RETURN false; END IF;
  UPDATE studio.member SET name = p_name WHERE studio_id = studio.current_studio() AND id = studio.current_member();
  UPDATE auth."user" SET name = p_name WHERE id = studio.current_member();
  RETURN true;
END $$;
--> statement-breakpoint
-- How people sign in, for the owner.
CREATE FUNCTION "studio"."people_accounts"() RETURNS TABLE (id uuid, email text, has_password boolean, has_second_factor boolean, link_until timestamptz, signed_in_at timestamptz)
LANGUAGE plpgsql STABLE SECURITY DEFINER SET search_path = pg_catalog AS $$
BEGIN
  IF studio.own_role() IS DISTINCT FROM 'owner' THEN RETURN; END IF;
  RETURN QUERY SELECT m.id, u.email, a.password IS NOT NULL, u.two_factor_enabled,
    (SELECT max(l.expires_at) FROM auth.password_link l WHERE l.user_id = u.id AND l.used_at IS NULL AND l.expires_at > now()),
    (SELECT max(e.at)::timestamptz FROM studio.audit_entry e WHERE e.studio_id = m.studio_id AND e.kind = 'signedIn' AND e.by_id = m.id)
  FROM studio.member m JOIN auth."user" u ON u.id = m.id LEFT JOIN auth.account a ON a.user_id = u.id AND a.provider_id = 'credential'
  WHERE m.studio_id = studio.current_studio();
END $$;
--> statement-breakpoint
REVOKE ALL ON FUNCTION "studio"."invite_member"(uuid, text, text, text, text, integer), "studio"."link_for"(uuid, text, integer), "studio"."owner_beside"(uuid), "studio"."change_role"(uuid, text, text), "studio"."deactivate_member"(uuid), "studio"."bring_back_member"(uuid), "studio"."take_second_factor_off"(uuid), "studio"."change_own_name"(text), "studio"."people_accounts"() FROM PUBLIC;
--> statement-breakpoint
GRANT EXECUTE ON FUNCTION "studio"."invite_member"(uuid, text, text, text, text, integer), "studio"."link_for"(uuid, text, integer), "studio"."change_role"(uuid, text, text), "studio"."deactivate_member"(uuid), "studio"."bring_back_member"(uuid), "studio"."take_second_factor_off"(uuid), "studio"."change_own_name"(text), "studio"."people_accounts"() TO ivy_app;
--> statement-breakpoint
-- Whether the app may be sent work: how many migrations the database has, how many hours of readings are owed to the roll-ups, and
-- since when the oldest is. Asked by whoever watches over the app; it tells of nobody.
CREATE FUNCTION "auth"."readiness"() RETURNS TABLE (migrations integer, owed integer, owed_s double precision)
LANGUAGE plpgsql STABLE SECURITY DEFINER SET search_path = pg_catalog AS $$
BEGIN
  RETURN QUERY SELECT (SELECT count(*)::integer FROM migrations.__drizzle_migrations), count(*)::integer,
    coalesce(extract(epoch FROM clock_timestamp() - min(o.since)), 0)::double precision
  FROM device.owed o WHERE o.since <= clock_timestamp();
END $$;
--> statement-breakpoint
REVOKE ALL ON FUNCTION "auth"."readiness"() FROM PUBLIC;
--> statement-breakpoint
GRANT EXECUTE ON FUNCTION "auth"."readiness"() TO ivy_auth;
--> statement-breakpoint
-- The same rules, written so that they read back as they are written: BETWEEN comes out of a backup in other brackets each time,
-- and a backup of what was restored would differ from the first.
ALTER TABLE "studio"."reading" DROP CONSTRAINT "reading_possible", ADD CONSTRAINT "reading_possible" CHECK ("temperature_c" >= -20 AND "temperature_c" <= 60 AND "relative_humidity" >= 0.01 AND "relative_humidity" <= 1) NOT VALID;
--> statement-breakpoint
ALTER TABLE "studio"."set_test" DROP CONSTRAINT "set_test_possible", ADD CONSTRAINT "set_test_possible" CHECK ("seconds" >= 0.1 AND "seconds" <= 60 AND "temperature_c" >= -20 AND "temperature_c" <= 60 AND "relative_humidity" > 0 AND "relative_humidity" <= 1);
--> statement-breakpoint
ALTER TABLE "studio"."picture" DROP CONSTRAINT "picture_small", ADD CONSTRAINT "picture_small" CHECK (octet_length("jpeg") <= 4000000 AND "width_px" >= 1 AND "width_px" <= 4000 AND "height_px" >= 1 AND "height_px" <= 4000);
--> statement-breakpoint
ALTER TABLE "studio"."visit" DROP CONSTRAINT "visit_possible", ADD CONSTRAINT "visit_possible" CHECK (minutes >= 5 AND minutes <= 720 AND length(cancelled_why) <= 500 AND length(patch_reason) <= 2000) NOT VALID;
