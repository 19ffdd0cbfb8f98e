CREATE TABLE "studio"."lot" (
	"studio_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"adhesive_id" uuid,
	"product_id" uuid,
	"number" text NOT NULL,
	"opened_on" date NOT NULL,
	"expires_on" date,
	"emptied_on" date,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "lot_studio_id_id_pk" PRIMARY KEY("studio_id","id"),
	CONSTRAINT "lot_of_one" CHECK (num_nonnulls("studio"."lot"."adhesive_id", "studio"."lot"."product_id") = 1)
);
--> statement-breakpoint
INSERT INTO "studio"."lot" ("studio_id", "id", "adhesive_id", "number", "opened_on", "expires_on", "emptied_on", "created_at")
  SELECT "studio_id", "id", "adhesive_id", "lot", "opened_on", "expires_on", "emptied_on", "created_at" FROM "studio"."bottle";
--> statement-breakpoint
INSERT INTO "studio"."lot" ("studio_id", "id", "product_id", "number", "opened_on", "expires_on", "emptied_on", "created_at")
  SELECT "studio_id", "id", "product_id", "lot", "opened_on", "expires_on", "emptied_on", "created_at" FROM "studio"."batch";
--> statement-breakpoint
ALTER TABLE "studio"."set_test" DROP CONSTRAINT "set_test_studio_id_bottle_id_bottle_studio_id_id_fk";
--> statement-breakpoint
DROP TABLE "studio"."batch";--> statement-breakpoint
DROP TABLE "studio"."bottle";--> statement-breakpoint
ALTER TABLE "studio"."lot" ADD CONSTRAINT "lot_studio_id_adhesive_id_adhesive_studio_id_id_fk" FOREIGN KEY ("studio_id","adhesive_id") REFERENCES "studio"."adhesive"("studio_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "studio"."lot" ADD CONSTRAINT "lot_studio_id_product_id_product_studio_id_id_fk" FOREIGN KEY ("studio_id","product_id") REFERENCES "studio"."product"("studio_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "lot_studio_id_adhesive_id_index" ON "studio"."lot" USING btree ("studio_id","adhesive_id");--> statement-breakpoint
CREATE INDEX "lot_studio_id_product_id_index" ON "studio"."lot" USING btree ("studio_id","product_id");--> statement-breakpoint
ALTER TABLE "studio"."set_test" ADD CONSTRAINT "set_test_studio_id_bottle_id_lot_studio_id_id_fk" FOREIGN KEY ("studio_id","bottle_id") REFERENCES "studio"."lot"("studio_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
-- A lot that a visit named both as a bottle and as a batch is one lot of it: the row that counts its drops stays.
DELETE FROM "studio"."visit_lot" b USING "studio"."visit_lot" g
  WHERE b."kind" = 'batch' AND g."kind" = 'bottle' AND g."studio_id" = b."studio_id" AND g."visit_id" = b."visit_id" AND g."lot_id" = b."lot_id";
--> statement-breakpoint
ALTER TABLE "studio"."visit_lot" DROP CONSTRAINT "visit_lot_studio_id_kind_lot_id_visit_id_pk";--> statement-breakpoint
ALTER TABLE "studio"."visit_lot" ADD CONSTRAINT "visit_lot_studio_id_lot_id_visit_id_pk" PRIMARY KEY("studio_id","lot_id","visit_id");--> statement-breakpoint
ALTER TABLE "studio"."visit_lot" DROP COLUMN "kind";--> statement-breakpoint
ALTER TABLE "studio"."lot" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE POLICY "own_studio" ON "studio"."lot" TO ivy_app
  USING (studio_id = (SELECT studio.current_studio()) AND (SELECT studio.own_role()) IS NOT NULL)
  WITH CHECK (studio_id = (SELECT studio.current_studio()) AND (SELECT studio.own_role()) IS NOT NULL);
--> statement-breakpoint
GRANT SELECT, INSERT ON "studio"."lot" TO ivy_app;--> statement-breakpoint
-- Of what a record speaks nothing is changed but whether it is empty.
GRANT UPDATE ("emptied_on") ON "studio"."lot" TO ivy_app;
