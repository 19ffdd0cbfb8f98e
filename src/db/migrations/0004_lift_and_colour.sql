CREATE TABLE "studio"."batch" (
	"studio_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"product_id" uuid NOT NULL,
	"lot" text NOT NULL,
	"opened_on" date NOT NULL,
	"emptied_on" date,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "batch_studio_id_id_pk" PRIMARY KEY("studio_id","id")
);
--> statement-breakpoint
CREATE TABLE "studio"."consent" (
	"studio_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"client_id" uuid NOT NULL,
	"service" text NOT NULL,
	"words" text NOT NULL,
	"signed_name" text NOT NULL,
	"signature" text NOT NULL,
	"signed_on" date NOT NULL,
	"taken_by" uuid NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "consent_studio_id_id_pk" PRIMARY KEY("studio_id","id")
);
--> statement-breakpoint
CREATE TABLE "studio"."consultation" (
	"studio_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"client_id" uuid NOT NULL,
	"document" jsonb NOT NULL,
	"asked_by" uuid NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "consultation_studio_id_id_pk" PRIMARY KEY("studio_id","id")
);
--> statement-breakpoint
CREATE TABLE "studio"."incident" (
	"studio_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"visit_id" uuid NOT NULL,
	"words" text NOT NULL,
	"written_by" uuid NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "incident_studio_id_id_pk" PRIMARY KEY("studio_id","id")
);
--> statement-breakpoint
CREATE TABLE "studio"."product" (
	"studio_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"document" jsonb NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "product_studio_id_id_pk" PRIMARY KEY("studio_id","id")
);
--> statement-breakpoint
CREATE TABLE "studio"."protocol" (
	"studio_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"document" jsonb NOT NULL,
	"revision" integer DEFAULT 1 NOT NULL,
	"put_away" boolean DEFAULT false NOT NULL,
	"saved_by" uuid NOT NULL,
	"saved_at" timestamp with time zone DEFAULT now() NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "protocol_studio_id_id_pk" PRIMARY KEY("studio_id","id")
);
--> statement-breakpoint
CREATE TABLE "studio"."shield" (
	"studio_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"document" jsonb NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "shield_studio_id_id_pk" PRIMARY KEY("studio_id","id")
);
--> statement-breakpoint
ALTER TABLE "studio"."client" ADD COLUMN "born_on" date;--> statement-breakpoint
ALTER TABLE "studio"."batch" ADD CONSTRAINT "batch_studio_id_product_id_product_studio_id_id_fk" FOREIGN KEY ("studio_id","product_id") REFERENCES "studio"."product"("studio_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "studio"."consent" ADD CONSTRAINT "consent_studio_id_client_id_client_studio_id_id_fk" FOREIGN KEY ("studio_id","client_id") REFERENCES "studio"."client"("studio_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "studio"."consultation" ADD CONSTRAINT "consultation_studio_id_client_id_client_studio_id_id_fk" FOREIGN KEY ("studio_id","client_id") REFERENCES "studio"."client"("studio_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "studio"."incident" ADD CONSTRAINT "incident_studio_id_visit_id_visit_studio_id_id_fk" FOREIGN KEY ("studio_id","visit_id") REFERENCES "studio"."visit"("studio_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "batch_studio_id_product_id_index" ON "studio"."batch" USING btree ("studio_id","product_id");--> statement-breakpoint
CREATE INDEX "consent_studio_id_client_id_service_created_at_index" ON "studio"."consent" USING btree ("studio_id","client_id","service","created_at");--> statement-breakpoint
CREATE INDEX "consultation_studio_id_client_id_created_at_index" ON "studio"."consultation" USING btree ("studio_id","client_id","created_at");--> statement-breakpoint
CREATE INDEX "incident_studio_id_visit_id_index" ON "studio"."incident" USING btree ("studio_id","visit_id");--> statement-breakpoint
DO $$
DECLARE t text;
BEGIN
  FOREACH t IN ARRAY ARRAY['batch', 'consent', 'consultation', 'incident', 'product', 'protocol', 'shield'] LOOP
    EXECUTE format('ALTER TABLE studio.%I ENABLE ROW LEVEL SECURITY', t);
    EXECUTE format($p$CREATE POLICY own_studio ON studio.%I TO ivy_app
      USING (studio_id = (SELECT studio.current_studio()) AND (SELECT studio.own_role()) IS NOT NULL)
      WITH CHECK (studio_id = (SELECT studio.current_studio()) AND (SELECT studio.own_role()) IS NOT NULL)$p$, t);
    EXECUTE format('GRANT SELECT, INSERT ON studio.%I TO ivy_app', t);
  END LOOP;
END $$;
--> statement-breakpoint
-- What a client signed or answered, and what was written of an incident, is never changed.
GRANT UPDATE ("document") ON "studio"."product" TO ivy_app;
--> statement-breakpoint
GRANT UPDATE ("emptied_on") ON "studio"."batch" TO ivy_app;
--> statement-breakpoint
GRANT UPDATE ("document", "revision", "put_away", "saved_by", "saved_at") ON "studio"."protocol" TO ivy_app;
--> statement-breakpoint
GRANT DELETE ON "studio"."shield" TO ivy_app;
--> statement-breakpoint
CREATE POLICY "trainee_deletes_nothing" ON "studio"."shield" AS RESTRICTIVE FOR DELETE TO ivy_app USING (studio.own_role() <> 'trainee');
--> statement-breakpoint
CREATE POLICY "technician_writes_protocols" ON "studio"."protocol" AS RESTRICTIVE FOR UPDATE TO ivy_app USING (studio.own_role() <> 'trainee');
--> statement-breakpoint
CREATE POLICY "technician_begins_protocols" ON "studio"."protocol" AS RESTRICTIVE FOR INSERT TO ivy_app WITH CHECK (studio.own_role() <> 'trainee' AND saved_by = studio.current_member());
--> statement-breakpoint
CREATE POLICY "incidents_in_own_name" ON "studio"."incident" AS RESTRICTIVE FOR INSERT TO ivy_app WITH CHECK (written_by = studio.current_member());
--> statement-breakpoint
ALTER TABLE "studio"."consent" ADD CONSTRAINT "consent_small" CHECK (length("words") <= 6000 AND length("signed_name") <= 120 AND length("signature") <= 60000);
--> statement-breakpoint
ALTER TABLE "studio"."incident" ADD CONSTRAINT "incident_small" CHECK (length("words") BETWEEN 1 AND 6000);
