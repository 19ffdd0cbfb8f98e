CREATE TABLE "studio"."client_apart" (
	"studio_id" uuid NOT NULL,
	"one_id" uuid NOT NULL,
	"other_id" uuid NOT NULL,
	"by_id" uuid NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "client_apart_studio_id_one_id_other_id_pk" PRIMARY KEY("studio_id","one_id","other_id")
);
--> statement-breakpoint
CREATE TABLE "studio"."client_import" (
	"studio_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"file_name" text NOT NULL,
	"clients" integer NOT NULL,
	"by_id" uuid NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"taken_back_at" timestamp with time zone,
	CONSTRAINT "client_import_studio_id_id_pk" PRIMARY KEY("studio_id","id")
);
--> statement-breakpoint
CREATE TABLE "studio"."client_merge" (
	"studio_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"kept_id" uuid NOT NULL,
	"gone_id" uuid NOT NULL,
	"stood" jsonb NOT NULL,
	"moved" jsonb NOT NULL,
	"by_id" uuid NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"undone_at" timestamp with time zone,
	CONSTRAINT "client_merge_studio_id_id_pk" PRIMARY KEY("studio_id","id")
);
--> statement-breakpoint
ALTER TABLE "studio"."client" ADD COLUMN "phone" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "studio"."client" ADD COLUMN "email" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "studio"."client" ADD COLUMN "gone" text;--> statement-breakpoint
ALTER TABLE "studio"."client" ADD COLUMN "merged_into" uuid;--> statement-breakpoint
ALTER TABLE "studio"."client" ADD COLUMN "import_id" uuid;--> statement-breakpoint
-- A text as it is searched, by the rules of core/client/fold.ts: no accents, no capitals, no apostrophes, dashes as blanks.
CREATE FUNCTION "studio"."fold"(p_text text) RETURNS text LANGUAGE sql IMMUTABLE PARALLEL SAFE STRICT SET search_path = pg_catalog AS $$
  SELECT btrim(regexp_replace(
    replace(replace(replace(replace(
      translate(
        regexp_replace(lower(regexp_replace(normalize(p_text, NFKD), '[\u0300-\u036f\u0591-\u05bd\u064b-\u065f]', '', 'g') COLLATE "und-x-icu"),
          '[\u0300-\u036f\u0591-\u05bd\u064b-\u065f]', '', 'g'),
        'łøđðħıŋŧς''’‘ʼ`', 'loddhintσ'),
      'ß', 'ss'), 'æ', 'ae'), 'œ', 'oe'), 'þ', 'th'),
    '[\u2010-\u2015\s-]+', ' ', 'g'))
$$;
--> statement-breakpoint
CREATE FUNCTION "studio"."figures"(p_text text) RETURNS text LANGUAGE sql IMMUTABLE PARALLEL SAFE STRICT SET search_path = pg_catalog AS $$
  SELECT regexp_replace(normalize(p_text, NFKC), '[^0-9]', '', 'g')
$$;
--> statement-breakpoint
-- What was written into the one field there was, and is an address or a number and nothing else, goes to its own.
UPDATE "studio"."client" SET email = btrim(contact), contact = '' WHERE btrim(contact) ~ '^[^\s@<>,;]+@[^\s@<>,;]+\.[^\s@<>,;]+$';
--> statement-breakpoint
UPDATE "studio"."client" SET phone = btrim(contact), contact = '' WHERE btrim(contact) ~ '^\+?[0-9][0-9 ()/.-]{4,38}$';
--> statement-breakpoint
ALTER TABLE "studio"."client" ADD COLUMN "folded_name" text GENERATED ALWAYS AS (studio.fold(name)) STORED;--> statement-breakpoint
ALTER TABLE "studio"."client" ADD COLUMN "searched" text GENERATED ALWAYS AS (studio.fold(name || ' ' || email || ' ' || phone || ' ' || studio.figures(phone) || ' ' || contact || ' ' || notes)) STORED;--> statement-breakpoint
CREATE INDEX "client_merge_studio_id_kept_id_index" ON "studio"."client_merge" USING btree ("studio_id","kept_id");--> statement-breakpoint
CREATE INDEX "client_studio_id_import_id_index" ON "studio"."client" USING btree ("studio_id","import_id") WHERE import_id is not null;--> statement-breakpoint
CREATE INDEX "client_studio_id_merged_into_index" ON "studio"."client" USING btree ("studio_id","merged_into") WHERE merged_into is not null;--> statement-breakpoint
ALTER TABLE "studio"."client" ADD CONSTRAINT "gone_is_archived" CHECK (gone is null or archived_at is not null);--> statement-breakpoint
ALTER TABLE "studio"."client" ADD CONSTRAINT "merged_into_another" CHECK ((merged_into is not null) = coalesce(gone = 'merged', false) and merged_into <> id);
--> statement-breakpoint
DO $$
DECLARE t text;
BEGIN
  FOREACH t IN ARRAY ARRAY['client_merge', 'client_apart', 'client_import'] LOOP
    EXECUTE format('ALTER TABLE studio.%I ENABLE ROW LEVEL SECURITY', t);
    EXECUTE format($p$CREATE POLICY own_studio ON studio.%I TO ivy_app
      USING (studio_id = (SELECT studio.current_studio()) AND (SELECT studio.own_role()) IS NOT NULL)
      WITH CHECK (studio_id = (SELECT studio.current_studio()) AND (SELECT studio.own_role()) IS NOT NULL)$p$, t);
    EXECUTE format('GRANT SELECT ON studio.%I TO ivy_app', t);
  END LOOP;
END $$;
--> statement-breakpoint
GRANT INSERT ON "studio"."client_apart", "studio"."client_import" TO ivy_app;
--> statement-breakpoint
GRANT UPDATE ("taken_back_at") ON "studio"."client_import" TO ivy_app;
--> statement-breakpoint
CREATE POLICY "technician_tells_apart" ON "studio"."client_apart" AS RESTRICTIVE FOR INSERT TO ivy_app WITH CHECK (by_id = studio.current_member() AND studio.own_role() <> 'trainee');
--> statement-breakpoint
CREATE POLICY "technician_imports" ON "studio"."client_import" AS RESTRICTIVE FOR INSERT TO ivy_app WITH CHECK (by_id = studio.current_member() AND studio.own_role() <> 'trainee');
--> statement-breakpoint
CREATE POLICY "technician_takes_back" ON "studio"."client_import" AS RESTRICTIVE FOR UPDATE TO ivy_app USING (studio.own_role() <> 'trainee');
--> statement-breakpoint
-- Who was erased stays so: no form brings words back to them.
CREATE POLICY "erased_stays_erased" ON "studio"."client" AS RESTRICTIVE FOR UPDATE TO ivy_app USING (gone IS DISTINCT FROM 'erased');
--> statement-breakpoint
-- What names a client that was merged into another means that other: a tablet may not know yet. The client's row is held, so that
-- no merging passes by between the asking and the writing. Of who was erased nothing is written down any more.
CREATE FUNCTION "studio"."of_whom"() RETURNS trigger LANGUAGE plpgsql SECURITY DEFINER SET search_path = pg_catalog AS $$
DECLARE
  v_gone text;
  v_into uuid;
BEGIN
  FOR i IN 1..20 LOOP
    SELECT c.gone, c.merged_into INTO v_gone, v_into FROM studio.client c WHERE c.studio_id = NEW.studio_id AND c.id = NEW.client_id FOR KEY SHARE;
    EXIT WHEN v_into IS NULL;
    NEW.client_id := v_into;
  END LOOP;
  IF v_gone = 'erased' AND TG_OP = 'INSERT' AND TG_TABLE_NAME <> 'visit_mark' THEN
    RAISE EXCEPTION 'this client was erased' USING ERRCODE = 'check_violation';
  END IF;
  RETURN NEW;
END $$;
--> statement-breakpoint
DO $$
DECLARE t text;
BEGIN
  FOREACH t IN ARRAY ARRAY['visit', 'survey', 'lash_map', 'picture', 'patch_test', 'consultation', 'consent', 'visit_mark'] LOOP
    EXECUTE format('CREATE TRIGGER of_whom BEFORE INSERT OR UPDATE OF client_id ON studio.%I FOR EACH ROW EXECUTE FUNCTION studio.of_whom()', t);
  END LOOP;
END $$;
--> statement-breakpoint
-- Makes two entries one: everything of the other's becomes the kept one's, whose words are those chosen. Empty when it is done,
-- else why not. A patch test noted twice, at one and the same moment, stays with the other; what was read of it is moved.
CREATE FUNCTION "studio"."merge_clients"(p_id uuid, p_keep uuid, p_gone uuid, p_words jsonb) RETURNS text LANGUAGE plpgsql SECURITY DEFINER SET search_path = pg_catalog AS $$
DECLARE
  v_studio uuid := studio.current_studio();
  v_keep studio.client;
  v_gone studio.client;
  v_moved jsonb := '{}';
  v_ids jsonb;
  t text;
BEGIN
  IF studio.own_role() IS NULL OR studio.own_role() = 'trainee' THEN RETURN 'role'; END IF;
  -- In one order, so that two who merge crosswise wait for each other.
  PERFORM 1 FROM studio.client c WHERE c.studio_id = v_studio AND c.id IN (p_keep, p_gone) ORDER BY c.id FOR UPDATE;
  IF EXISTS (SELECT 1 FROM studio.client_merge m WHERE m.studio_id = v_studio AND m.id = p_id) THEN RETURN ''; END IF;
  SELECT * INTO v_keep FROM studio.client c WHERE c.studio_id = v_studio AND c.id = p_keep;
  SELECT * INTO v_gone FROM studio.client c WHERE c.studio_id = v_studio AND c.id = p_gone;
  IF v_keep.id IS NULL OR v_gone.id IS NULL OR p_keep = p_gone OR v_keep.gone IS NOT NULL OR v_gone.gone IS NOT NULL THEN RETURN 'gone'; END IF;
  IF v_keep.mannequin <> v_gone.mannequin THEN RETURN 'mannequin'; END IF;
  WITH twice AS (
    SELECT o.id AS gone_test, k.id AS kept_test FROM studio.patch_test o JOIN studio.patch_test k
      ON k.studio_id = v_studio AND k.client_id = p_keep AND k.family = o.family AND k.product_id IS NOT DISTINCT FROM o.product_id AND k.placed_at = o.placed_at AND k.hour_known
    WHERE o.studio_id = v_studio AND o.client_id = p_gone AND o.hour_known),
  read_so AS (
    UPDATE studio.patch_reading r SET test_id = w.kept_test FROM twice w
    WHERE r.studio_id = v_studio AND r.test_id = w.gone_test
      AND NOT EXISTS (SELECT 1 FROM studio.patch_reading n WHERE n.studio_id = v_studio AND n.test_id = w.kept_test AND n.result = r.result AND n.read_at = r.read_at)
    RETURNING r.id, w.gone_test)
  SELECT coalesce(jsonb_agg(jsonb_build_object('id', id, 'test', gone_test)), '[]') INTO v_ids FROM read_so;
  v_moved := jsonb_build_object('patch_reading', v_ids);
  FOREACH t IN ARRAY ARRAY['visit', 'survey', 'lash_map', 'picture', 'consultation', 'consent'] LOOP
    EXECUTE format('WITH went AS (UPDATE studio.%I SET client_id = $1 WHERE studio_id = $2 AND client_id = $3 RETURNING id)
      SELECT coalesce(jsonb_agg(id), ''[]'') FROM went', t) INTO v_ids USING p_keep, v_studio, p_gone;
    v_moved := v_moved || jsonb_build_object(t, v_ids);
  END LOOP;
  WITH went AS (
    UPDATE studio.patch_test o SET client_id = p_keep WHERE o.studio_id = v_studio AND o.client_id = p_gone
      AND NOT (o.hour_known AND EXISTS (SELECT 1 FROM studio.patch_test k WHERE k.studio_id = v_studio AND k.client_id = p_keep AND k.family = o.family
        AND k.product_id IS NOT DISTINCT FROM o.product_id AND k.placed_at = o.placed_at AND k.hour_known))
    RETURNING o.id)
  SELECT coalesce(jsonb_agg(id), '[]') INTO v_ids FROM went;
  v_moved := v_moved || jsonb_build_object('patch_test', v_ids);
  WITH went AS (
    UPDATE studio.visit_mark o SET client_id = p_keep WHERE o.studio_id = v_studio AND o.client_id = p_gone
      AND NOT EXISTS (SELECT 1 FROM studio.visit_mark k WHERE k.studio_id = v_studio AND k.visit_id = o.visit_id AND k.client_id = p_keep AND k.key = o.key)
    RETURNING o.visit_id, o.key)
  SELECT coalesce(jsonb_agg(jsonb_build_object('visit', visit_id, 'key', key)), '[]') INTO v_ids FROM went;
  v_moved := v_moved || jsonb_build_object('visit_mark', v_ids);
  INSERT INTO studio.client_merge (studio_id, id, kept_id, gone_id, stood, moved, by_id, created_at)
  VALUES (v_studio, p_id, p_keep, p_gone, jsonb_build_object('name', v_keep.name, 'phone', v_keep.phone, 'email', v_keep.email, 'contact', v_keep.contact,
    'notes', v_keep.notes, 'bornOn', v_keep.born_on, 'archivedAt', v_keep.archived_at), v_moved, studio.current_member(), now());
  UPDATE studio.client c SET name = p_words->>'name', phone = p_words->>'phone', email = p_words->>'email', contact = p_words->>'contact', notes = p_words->>'notes',
    born_on = (p_words->>'bornOn')::date, archived_at = CASE WHEN v_gone.archived_at IS NULL THEN NULL ELSE c.archived_at END, updated_at = now()
  WHERE c.studio_id = v_studio AND c.id = p_keep;
  UPDATE studio.client c SET gone = 'merged', merged_into = p_keep, archived_at = coalesce(c.archived_at, now()) WHERE c.studio_id = v_studio AND c.id = p_gone;
  DELETE FROM studio.client_apart a WHERE a.studio_id = v_studio AND a.one_id = least(p_keep, p_gone) AND a.other_id = greatest(p_keep, p_gone);
  RETURN '';
END $$;
--> statement-breakpoint
-- Takes a merging apart again: what was the other's is theirs, what came since stays. The kept one's words are set back only where
-- nobody wrote to them since.
CREATE FUNCTION "studio"."undo_merge"(p_id uuid) RETURNS text LANGUAGE plpgsql SECURITY DEFINER SET search_path = pg_catalog AS $$
DECLARE
  v_studio uuid := studio.current_studio();
  v_merge studio.client_merge;
  v_keep studio.client;
  t text;
BEGIN
  IF studio.own_role() IS NULL OR studio.own_role() = 'trainee' THEN RETURN 'role'; END IF;
  SELECT * INTO v_merge FROM studio.client_merge m WHERE m.studio_id = v_studio AND m.id = p_id FOR UPDATE;
  IF v_merge.id IS NULL THEN RETURN 'gone'; END IF;
  -- Twice does nothing; of who was erased nothing comes back.
  IF v_merge.undone_at IS NOT NULL THEN
    RETURN CASE WHEN EXISTS (SELECT 1 FROM studio.client c WHERE c.studio_id = v_studio AND c.id = v_merge.gone_id AND c.gone = 'merged') THEN 'gone' ELSE '' END;
  END IF;
  PERFORM 1 FROM studio.client c WHERE c.studio_id = v_studio AND c.id IN (v_merge.kept_id, v_merge.gone_id) ORDER BY c.id FOR UPDATE;
  SELECT * INTO v_keep FROM studio.client c WHERE c.studio_id = v_studio AND c.id = v_merge.kept_id;
  IF v_keep.gone IS NOT NULL THEN RETURN 'gone'; END IF;
  UPDATE studio.client c SET gone = NULL, merged_into = NULL, archived_at = NULL WHERE c.studio_id = v_studio AND c.id = v_merge.gone_id AND c.gone = 'merged';
  IF NOT FOUND THEN RETURN 'gone'; END IF;
  FOREACH t IN ARRAY ARRAY['visit', 'survey', 'lash_map', 'picture', 'consultation', 'consent', 'patch_test'] LOOP
    EXECUTE format('UPDATE studio.%I SET client_id = $1 WHERE studio_id = $2 AND client_id = $3 AND id IN (SELECT value::uuid FROM jsonb_array_elements_text($4))', t)
      USING v_merge.gone_id, v_studio, v_merge.kept_id, v_merge.moved->t;
  END LOOP;
  UPDATE studio.patch_reading r SET test_id = (m.value->>'test')::uuid FROM jsonb_array_elements(v_merge.moved->'patch_reading') m
    WHERE r.studio_id = v_studio AND r.id = (m.value->>'id')::uuid;
  UPDATE studio.visit_mark k SET client_id = v_merge.gone_id FROM jsonb_array_elements(v_merge.moved->'visit_mark') m
    WHERE k.studio_id = v_studio AND k.client_id = v_merge.kept_id AND k.visit_id = (m.value->>'visit')::uuid AND k.key = m.value->>'key';
  IF v_keep.updated_at = v_merge.created_at THEN
    UPDATE studio.client c SET name = v_merge.stood->>'name', phone = v_merge.stood->>'phone', email = v_merge.stood->>'email', contact = v_merge.stood->>'contact',
      notes = v_merge.stood->>'notes', born_on = (v_merge.stood->>'bornOn')::date, archived_at = (v_merge.stood->>'archivedAt')::timestamptz, updated_at = now()
    WHERE c.studio_id = v_studio AND c.id = v_merge.kept_id;
  END IF;
  UPDATE studio.client_merge m SET undone_at = now() WHERE m.studio_id = v_studio AND m.id = p_id;
  RETURN '';
END $$;
--> statement-breakpoint
-- Erases a client, for good: their words, pictures, answers and signatures, also of entries merged into theirs. What happened, with
-- which lots, stays, of nobody. Returns the visits whose events were changed, to be counted anew; null where it is refused.
CREATE FUNCTION "studio"."erase_client"(p_id uuid) RETURNS uuid[] LANGUAGE plpgsql SECURITY DEFINER SET search_path = pg_catalog AS $$
DECLARE
  v_studio uuid := studio.current_studio();
  v_all uuid[];
  v_changed uuid[];
BEGIN
  IF studio.own_role() IS DISTINCT FROM 'owner' THEN RETURN NULL; END IF;
  PERFORM 1 FROM studio.client c WHERE c.studio_id = v_studio AND c.id = p_id AND c.gone IS DISTINCT FROM 'merged' FOR UPDATE;
  IF NOT FOUND THEN RETURN NULL; END IF;
  WITH RECURSIVE whole AS (
    SELECT p_id AS id UNION SELECT c.id FROM studio.client c JOIN whole w ON c.merged_into = w.id WHERE c.studio_id = v_studio)
  SELECT array_agg(id) INTO v_all FROM whole;
  DELETE FROM studio.picture p WHERE p.studio_id = v_studio AND p.client_id = ANY (v_all);
  DELETE FROM studio.consultation p WHERE p.studio_id = v_studio AND p.client_id = ANY (v_all);
  DELETE FROM studio.consent p WHERE p.studio_id = v_studio AND p.client_id = ANY (v_all);
  DELETE FROM studio.client_apart a WHERE a.studio_id = v_studio AND (a.one_id = ANY (v_all) OR a.other_id = ANY (v_all));
  UPDATE studio.client_merge m SET stood = '{}', undone_at = coalesce(m.undone_at, now()) WHERE m.studio_id = v_studio AND (m.kept_id = ANY (v_all) OR m.gone_id = ANY (v_all));
  UPDATE studio.map_note n SET words = '' FROM studio.lash_map l WHERE n.studio_id = v_studio AND l.studio_id = v_studio AND l.id = n.map_id AND l.client_id = ANY (v_all);
  UPDATE studio.lash_map_revision r SET document = jsonb_set(r.document, '{title}', '"Map of an erased client"') FROM studio.lash_map l
    WHERE r.studio_id = v_studio AND l.studio_id = v_studio AND l.id = r.map_id AND l.client_id = ANY (v_all);
  UPDATE studio.reaction_lifting f SET finding = 'erased with the client' FROM studio.patch_reading r JOIN studio.patch_test p ON p.studio_id = r.studio_id AND p.id = r.test_id
    WHERE f.studio_id = v_studio AND r.studio_id = v_studio AND r.id = f.reading_id AND p.client_id = ANY (v_all);
  UPDATE studio.incident i SET words = 'erased with the client' FROM studio.visit v WHERE i.studio_id = v_studio AND v.studio_id = v_studio AND v.id = i.visit_id AND v.client_id = ANY (v_all) AND NOT i.put_off;
  UPDATE studio.visit_mark k SET words = 'erased with the client' WHERE k.studio_id = v_studio AND k.client_id = ANY (v_all);
  UPDATE studio.visit v SET patch_reason = '', cancelled_why = CASE WHEN v.cancelled_at IS NULL THEN '' ELSE 'erased with the client' END WHERE v.studio_id = v_studio AND v.client_id = ANY (v_all);
  WITH changed AS (
    UPDATE studio.visit_event e SET payload = jsonb_set(e.payload, '{why}', '"erased with the client"') FROM studio.visit v
    WHERE e.studio_id = v_studio AND e.type = 'corrected' AND e.payload ? 'why' AND v.studio_id = v_studio AND v.id = e.visit_id AND v.client_id = ANY (v_all)
    RETURNING e.visit_id)
  SELECT coalesce(array_agg(DISTINCT visit_id), '{}') INTO v_changed FROM changed;
  UPDATE studio.client c SET name = 'Erased client', phone = '', email = '', contact = '', notes = '', born_on = NULL, archived_at = coalesce(c.archived_at, now()),
    gone = CASE WHEN c.id = p_id THEN 'erased' ELSE c.gone END, updated_at = now()
  WHERE c.studio_id = v_studio AND c.id = ANY (v_all);
  RETURN v_changed;
END $$;
--> statement-breakpoint
REVOKE ALL ON FUNCTION "studio"."of_whom"(), "studio"."merge_clients"(uuid, uuid, uuid, jsonb), "studio"."undo_merge"(uuid), "studio"."erase_client"(uuid) FROM PUBLIC;
--> statement-breakpoint
GRANT EXECUTE ON FUNCTION "studio"."merge_clients"(uuid, uuid, uuid, jsonb), "studio"."undo_merge"(uuid), "studio"."erase_client"(uuid) TO ivy_app;
