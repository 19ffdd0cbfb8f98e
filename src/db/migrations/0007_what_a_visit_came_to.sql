CREATE TABLE "studio"."visit_brush" (
	"studio_id" uuid NOT NULL,
	"visit_id" uuid NOT NULL,
	"event_id" uuid NOT NULL,
	"member_id" uuid NOT NULL,
	"at" timestamp (3) with time zone NOT NULL,
	"came_off" integer NOT NULL,
	"of_lashes" integer NOT NULL,
	CONSTRAINT "visit_brush_studio_id_event_id_pk" PRIMARY KEY("studio_id","event_id")
);
--> statement-breakpoint
CREATE TABLE "studio"."visit_lot" (
	"studio_id" uuid NOT NULL,
	"visit_id" uuid NOT NULL,
	"kind" text NOT NULL,
	"lot_id" uuid NOT NULL,
	"beads" integer NOT NULL,
	CONSTRAINT "visit_lot_studio_id_kind_lot_id_visit_id_pk" PRIMARY KEY("studio_id","kind","lot_id","visit_id")
);
--> statement-breakpoint
CREATE TABLE "studio"."visit_outcome" (
	"studio_id" uuid NOT NULL,
	"visit_id" uuid NOT NULL,
	"through_seq" integer NOT NULL,
	"begun_at" timestamp (3) with time zone,
	"finished_at" timestamp (3) with time zone,
	"put_on_at" timestamp (3) with time zone,
	"stopped" text,
	"member_ids" uuid[] NOT NULL,
	"worn" jsonb,
	"state" jsonb NOT NULL,
	CONSTRAINT "visit_outcome_studio_id_visit_id_pk" PRIMARY KEY("studio_id","visit_id")
);
--> statement-breakpoint
DROP INDEX "studio"."visit_event_studio_id_visit_id_index";--> statement-breakpoint
DROP INDEX "studio"."visit_event_about";--> statement-breakpoint
DROP INDEX "studio"."visit_event_checks";--> statement-breakpoint
ALTER TABLE "studio"."visit" ADD COLUMN "last_seq" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "studio"."visit_event" ADD COLUMN "version" integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE "studio"."visit_event" ADD COLUMN "seq" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "studio"."visit_brush" ADD CONSTRAINT "visit_brush_studio_id_visit_id_visit_studio_id_id_fk" FOREIGN KEY ("studio_id","visit_id") REFERENCES "studio"."visit"("studio_id","id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "studio"."visit_lot" ADD CONSTRAINT "visit_lot_studio_id_visit_id_visit_studio_id_id_fk" FOREIGN KEY ("studio_id","visit_id") REFERENCES "studio"."visit"("studio_id","id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "studio"."visit_outcome" ADD CONSTRAINT "visit_outcome_studio_id_visit_id_visit_studio_id_id_fk" FOREIGN KEY ("studio_id","visit_id") REFERENCES "studio"."visit"("studio_id","id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "visit_brush_studio_id_member_id_at_index" ON "studio"."visit_brush" USING btree ("studio_id","member_id","at");--> statement-breakpoint
CREATE INDEX "visit_brush_studio_id_visit_id_index" ON "studio"."visit_brush" USING btree ("studio_id","visit_id");--> statement-breakpoint
CREATE INDEX "visit_lot_studio_id_visit_id_index" ON "studio"."visit_lot" USING btree ("studio_id","visit_id");--> statement-breakpoint
-- Events that are there get their numbers in the order they came in.
UPDATE "studio"."visit_event" e SET seq = n.seq FROM (
  SELECT studio_id, id, row_number() OVER (PARTITION BY studio_id, visit_id ORDER BY server_time, at, id) AS seq FROM "studio"."visit_event") n
WHERE n.studio_id = e.studio_id AND n.id = e.id;
--> statement-breakpoint
UPDATE "studio"."visit" v SET last_seq = n.seq FROM (
  SELECT studio_id, visit_id, max(seq) AS seq FROM "studio"."visit_event" GROUP BY 1, 2) n
WHERE n.studio_id = v.studio_id AND n.visit_id = v.id;
--> statement-breakpoint
CREATE UNIQUE INDEX "visit_event_numbered" ON "studio"."visit_event" USING btree ("studio_id","visit_id","seq");
--> statement-breakpoint
-- The next number of its visit, under the visit's row lock: whoever reads all up to a number has missed none before it.
CREATE FUNCTION "studio"."event_numbered"() RETURNS trigger LANGUAGE plpgsql SECURITY DEFINER SET search_path = pg_catalog AS $$
BEGIN
  UPDATE studio.visit SET last_seq = last_seq + 1 WHERE studio_id = NEW.studio_id AND id = NEW.visit_id RETURNING last_seq INTO NEW.seq;
  RETURN NEW;
END $$;
--> statement-breakpoint
CREATE TRIGGER "event_numbered" BEFORE INSERT ON "studio"."visit_event" FOR EACH ROW WHEN (NEW.seq = 0) EXECUTE FUNCTION studio.event_numbered();
--> statement-breakpoint
DO $$
DECLARE t text;
BEGIN
  FOREACH t IN ARRAY ARRAY['visit_outcome', 'visit_lot', 'visit_brush'] LOOP
    EXECUTE format('ALTER TABLE studio.%I ENABLE ROW LEVEL SECURITY', t);
    EXECUTE format($p$CREATE POLICY own_studio ON studio.%I TO ivy_app
      USING (studio_id = (SELECT studio.current_studio()) AND (SELECT studio.own_role()) IS NOT NULL)
      WITH CHECK (studio_id = (SELECT studio.current_studio()) AND (SELECT studio.own_role()) IS NOT NULL)$p$, t);
    EXECUTE format('GRANT SELECT, INSERT, UPDATE, DELETE ON studio.%I TO ivy_app', t);
  END LOOP;
END $$;
--> statement-breakpoint
-- Only the owner of the tables can change or erase an event; what the visit came to is then read anew, where it is next wanted.
CREATE FUNCTION "studio"."events_went"() RETURNS trigger LANGUAGE plpgsql SECURITY DEFINER SET search_path = pg_catalog AS $$
BEGIN
  DELETE FROM studio.visit_outcome o USING (SELECT DISTINCT w.studio_id, w.visit_id FROM went w) g
  WHERE o.studio_id = g.studio_id AND o.visit_id = g.visit_id;
  RETURN NULL;
END $$;
--> statement-breakpoint
CREATE TRIGGER "events_erased" AFTER DELETE ON "studio"."visit_event" REFERENCING OLD TABLE AS went FOR EACH STATEMENT EXECUTE FUNCTION studio.events_went();
--> statement-breakpoint
CREATE TRIGGER "events_changed" AFTER UPDATE ON "studio"."visit_event" REFERENCING OLD TABLE AS went FOR EACH STATEMENT EXECUTE FUNCTION studio.events_went();
--> statement-breakpoint
-- What is told names the number of the newest event too: a tablet that has it already asks for nothing.
CREATE OR REPLACE FUNCTION "studio"."events_came"() RETURNS trigger LANGUAGE plpgsql SECURITY DEFINER SET search_path = pg_catalog AS $$
BEGIN
  PERFORM pg_notify('ivy_live', json_build_object('studio', d.studio_id, 'kind', 'visit', 'id', d.visit_id, 'seq', d.seq)::text)
  FROM (SELECT c.studio_id, c.visit_id, max(c.seq) AS seq FROM came c GROUP BY 1, 2) d;
  RETURN NULL;
END $$;
