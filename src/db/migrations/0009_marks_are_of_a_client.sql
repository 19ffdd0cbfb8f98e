-- Whom a mark stood against: until now the one client that its visit had.
ALTER TABLE "studio"."visit_mark" ADD COLUMN "client_id" uuid;--> statement-breakpoint
UPDATE "studio"."visit_mark" m SET "client_id" = v."client_id" FROM "studio"."visit" v
WHERE v."studio_id" = m."studio_id" AND v."id" = m."visit_id";--> statement-breakpoint
ALTER TABLE "studio"."visit_mark" ALTER COLUMN "client_id" SET NOT NULL;--> statement-breakpoint
ALTER TABLE "studio"."visit_mark" DROP CONSTRAINT "visit_mark_studio_id_visit_id_key_pk";--> statement-breakpoint
ALTER TABLE "studio"."visit_mark" ADD CONSTRAINT "visit_mark_studio_id_visit_id_client_id_key_pk" PRIMARY KEY("studio_id","visit_id","client_id","key");
