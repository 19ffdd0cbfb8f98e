ALTER TABLE "studio"."visit_outcome" ADD COLUMN "how_placed" jsonb;--> statement-breakpoint
ALTER TABLE "studio"."visit_outcome" ADD COLUMN "found" jsonb;