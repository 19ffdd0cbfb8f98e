CREATE TABLE "studio"."map_note" (
	"studio_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"map_id" uuid NOT NULL,
	"revision" integer NOT NULL,
	"kind" text NOT NULL,
	"words" text NOT NULL,
	"written_by" uuid NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "map_note_studio_id_id_pk" PRIMARY KEY("studio_id","id")
);
--> statement-breakpoint
CREATE TABLE "studio"."map_template" (
	"studio_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"document" jsonb NOT NULL,
	"kept_by" uuid NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "map_template_studio_id_id_pk" PRIMARY KEY("studio_id","id")
);
--> statement-breakpoint
CREATE TABLE "studio"."own_look" (
	"studio_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"document" jsonb NOT NULL,
	"kept_by" uuid NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "own_look_studio_id_id_pk" PRIMARY KEY("studio_id","id")
);
--> statement-breakpoint
CREATE TABLE "studio"."picture" (
	"studio_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"client_id" uuid NOT NULL,
	"kind" text NOT NULL,
	"side" text NOT NULL,
	"width_px" integer NOT NULL,
	"height_px" integer NOT NULL,
	"jpeg" "bytea" NOT NULL,
	"marks" jsonb,
	"taken_by" uuid NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "picture_studio_id_id_pk" PRIMARY KEY("studio_id","id")
);
--> statement-breakpoint
ALTER TABLE "studio"."map_note" ADD CONSTRAINT "map_note_studio_id_map_id_revision_lash_map_revision_studio_id_map_id_revision_fk" FOREIGN KEY ("studio_id","map_id","revision") REFERENCES "studio"."lash_map_revision"("studio_id","map_id","revision") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "studio"."picture" ADD CONSTRAINT "picture_studio_id_client_id_client_studio_id_id_fk" FOREIGN KEY ("studio_id","client_id") REFERENCES "studio"."client"("studio_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "map_note_studio_id_map_id_created_at_index" ON "studio"."map_note" USING btree ("studio_id","map_id","created_at");--> statement-breakpoint
CREATE INDEX "picture_studio_id_client_id_created_at_index" ON "studio"."picture" USING btree ("studio_id","client_id","created_at");
--> statement-breakpoint
ALTER TABLE "studio"."picture" ADD CONSTRAINT "picture_small" CHECK (octet_length("jpeg") <= 4000000 AND "width_px" BETWEEN 1 AND 4000 AND "height_px" BETWEEN 1 AND 4000);
--> statement-breakpoint
DO $$
DECLARE t text;
BEGIN
  FOREACH t IN ARRAY ARRAY['map_note', 'map_template', 'own_look', 'picture'] LOOP
    EXECUTE format('ALTER TABLE studio.%I ENABLE ROW LEVEL SECURITY', t);
    EXECUTE format($p$CREATE POLICY own_studio ON studio.%I TO ivy_app
      USING (studio_id = (SELECT studio.current_studio()) AND (SELECT studio.own_role()) IS NOT NULL)
      WITH CHECK (studio_id = (SELECT studio.current_studio()) AND (SELECT studio.own_role()) IS NOT NULL)$p$, t);
    EXECUTE format('GRANT SELECT, INSERT ON studio.%I TO ivy_app', t);
  END LOOP;
END $$;
--> statement-breakpoint
-- Of a picture only what is marked on it changes; what was said of a map never does.
GRANT UPDATE ("marks") ON "studio"."picture" TO ivy_app;
--> statement-breakpoint
GRANT DELETE ON "studio"."picture", "studio"."map_template", "studio"."own_look" TO ivy_app;
--> statement-breakpoint
CREATE POLICY "trainee_deletes_nothing" ON "studio"."picture" AS RESTRICTIVE FOR DELETE TO ivy_app USING (studio.own_role() <> 'trainee');
--> statement-breakpoint
CREATE POLICY "trainee_deletes_nothing" ON "studio"."map_template" AS RESTRICTIVE FOR DELETE TO ivy_app USING (studio.own_role() <> 'trainee');
--> statement-breakpoint
CREATE POLICY "trainee_deletes_nothing" ON "studio"."own_look" AS RESTRICTIVE FOR DELETE TO ivy_app USING (studio.own_role() <> 'trainee');
--> statement-breakpoint
CREATE POLICY "notes_in_own_name" ON "studio"."map_note" AS RESTRICTIVE FOR INSERT TO ivy_app WITH CHECK (written_by = studio.current_member() AND (kind = 'note' OR studio.own_role() <> 'trainee'));
