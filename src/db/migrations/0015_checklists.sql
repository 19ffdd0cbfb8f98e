CREATE TABLE "studio"."checklist" (
	"studio_id" uuid NOT NULL,
	"service" text NOT NULL,
	"revision" integer NOT NULL,
	"document" jsonb NOT NULL,
	"saved_by" uuid NOT NULL,
	"saved_at" timestamp (3) with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "checklist_studio_id_service_revision_pk" PRIMARY KEY("studio_id","service","revision")
);
--> statement-breakpoint
ALTER TABLE "studio"."member" ADD COLUMN "hand" text;--> statement-breakpoint
ALTER TABLE "studio"."visit_outcome" ADD COLUMN "pace" jsonb;--> statement-breakpoint
ALTER TABLE "studio"."checklist" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE POLICY "own_studio" ON "studio"."checklist" TO ivy_app
  USING (studio_id = (SELECT studio.current_studio()) AND (SELECT studio.own_role()) IS NOT NULL)
  WITH CHECK (studio_id = (SELECT studio.current_studio()) AND (SELECT studio.own_role()) IS NOT NULL);
--> statement-breakpoint
CREATE POLICY "technician_writes_checklists" ON "studio"."checklist" AS RESTRICTIVE FOR INSERT TO ivy_app WITH CHECK (studio.own_role() <> 'trainee' AND saved_by = studio.current_member());
--> statement-breakpoint
-- Save by save: none is changed.
GRANT SELECT, INSERT ON "studio"."checklist" TO ivy_app;
--> statement-breakpoint
ALTER TABLE "studio"."member" ADD CONSTRAINT "member_hand" CHECK ("hand" IN ('practised', 'beginner'));
--> statement-breakpoint
-- Of a colleague nothing is changed here but what they say of their own hand, by them or the owner.
GRANT UPDATE ("hand") ON "studio"."member" TO ivy_app;
--> statement-breakpoint
CREATE POLICY "own_hand" ON "studio"."member" AS RESTRICTIVE FOR UPDATE TO ivy_app USING (id = studio.current_member() OR studio.own_role() = 'owner');
