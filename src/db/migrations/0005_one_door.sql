CREATE TABLE "studio"."patch_reading" (
	"studio_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"test_id" uuid NOT NULL,
	"read_at" timestamp (3) with time zone NOT NULL,
	"hour_known" boolean DEFAULT true NOT NULL,
	"result" text NOT NULL,
	"severe" boolean,
	"read_by" uuid,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "patch_reading_studio_id_id_pk" PRIMARY KEY("studio_id","id")
);
--> statement-breakpoint
CREATE TABLE "studio"."reaction_lifting" (
	"studio_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"reading_id" uuid NOT NULL,
	"product_id" uuid NOT NULL,
	"finding" text NOT NULL,
	"lifted_by" uuid NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "reaction_lifting_studio_id_id_pk" PRIMARY KEY("studio_id","id")
);
--> statement-breakpoint
CREATE TABLE "studio"."chair" (
	"studio_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"room_id" uuid NOT NULL,
	"name" text NOT NULL,
	"closed_at" timestamp with time zone,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "chair_studio_id_id_pk" PRIMARY KEY("studio_id","id"),
	CONSTRAINT "chair_in_room" UNIQUE("studio_id","room_id","id")
);
--> statement-breakpoint
CREATE TABLE "studio"."visit_mark" (
	"studio_id" uuid NOT NULL,
	"visit_id" uuid NOT NULL,
	"key" text NOT NULL,
	"weight" text NOT NULL,
	"words" text NOT NULL,
	"event_id" uuid NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "visit_mark_studio_id_visit_id_key_pk" PRIMARY KEY("studio_id","visit_id","key")
);
--> statement-breakpoint
ALTER TABLE "studio"."patch_test" ALTER COLUMN "placed_on" DROP NOT NULL;--> statement-breakpoint
ALTER TABLE "studio"."patch_test" ALTER COLUMN "result" DROP NOT NULL;--> statement-breakpoint
ALTER TABLE "studio"."visit" ALTER COLUMN "chair" DROP NOT NULL;--> statement-breakpoint
ALTER TABLE "studio"."patch_test" ADD COLUMN "product_id" uuid;--> statement-breakpoint
ALTER TABLE "studio"."patch_test" ADD COLUMN "placed_at" timestamp (3) with time zone;--> statement-breakpoint
ALTER TABLE "studio"."patch_test" ADD COLUMN "hour_known" boolean DEFAULT true NOT NULL;--> statement-breakpoint
ALTER TABLE "studio"."patch_test" ADD COLUMN "read_after_hours" integer DEFAULT 48 NOT NULL;--> statement-breakpoint
ALTER TABLE "studio"."patch_test" ADD COLUMN "recorded_by" uuid;--> statement-breakpoint
ALTER TABLE "studio"."batch" ADD COLUMN "expires_on" date;--> statement-breakpoint
ALTER TABLE "studio"."consent" ADD COLUMN "signed_by" text DEFAULT 'client' NOT NULL;--> statement-breakpoint
ALTER TABLE "studio"."consultation" ADD COLUMN "service" text;--> statement-breakpoint
ALTER TABLE "studio"."consultation" ADD COLUMN "confirms" uuid;--> statement-breakpoint
ALTER TABLE "studio"."consultation" ADD COLUMN "visit_id" uuid;--> statement-breakpoint
ALTER TABLE "studio"."consultation" ADD COLUMN "given_by" text DEFAULT 'technician' NOT NULL;--> statement-breakpoint
ALTER TABLE "studio"."incident" ADD COLUMN "put_off" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "studio"."product" ADD COLUMN "revision" integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE "studio"."room" ADD COLUMN "revision" integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE "studio"."room" ADD COLUMN "closed_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "studio"."adhesive" ADD COLUMN "revision" integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE "studio"."bottle" ADD COLUMN "expires_on" date;--> statement-breakpoint
ALTER TABLE "studio"."visit" ADD COLUMN "chair_id" uuid;--> statement-breakpoint
ALTER TABLE "studio"."visit" ADD COLUMN "ends_at" timestamp with time zone GENERATED ALWAYS AS (((starts_at at time zone 'UTC') + make_interval(mins => minutes)) at time zone 'UTC') STORED NOT NULL;--> statement-breakpoint
ALTER TABLE "studio"."visit" ADD COLUMN "keeps_time" boolean DEFAULT true NOT NULL;--> statement-breakpoint
ALTER TABLE "studio"."visit" ADD COLUMN "revision" integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE "studio"."visit" ADD COLUMN "cancelled_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "studio"."visit" ADD COLUMN "cancelled_why" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "studio"."visit" ADD COLUMN "withdrawn_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "studio"."visit" ADD COLUMN "ask_keys" text[] DEFAULT '{}'::text[] NOT NULL;--> statement-breakpoint
ALTER TABLE "studio"."patch_reading" ADD CONSTRAINT "patch_reading_studio_id_test_id_patch_test_studio_id_id_fk" FOREIGN KEY ("studio_id","test_id") REFERENCES "studio"."patch_test"("studio_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "studio"."reaction_lifting" ADD CONSTRAINT "reaction_lifting_studio_id_reading_id_patch_reading_studio_id_id_fk" FOREIGN KEY ("studio_id","reading_id") REFERENCES "studio"."patch_reading"("studio_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "studio"."chair" ADD CONSTRAINT "chair_studio_id_room_id_room_studio_id_id_fk" FOREIGN KEY ("studio_id","room_id") REFERENCES "studio"."room"("studio_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "studio"."visit_mark" ADD CONSTRAINT "visit_mark_studio_id_visit_id_visit_studio_id_id_fk" FOREIGN KEY ("studio_id","visit_id") REFERENCES "studio"."visit"("studio_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "patch_reading_studio_id_test_id_index" ON "studio"."patch_reading" USING btree ("studio_id","test_id");--> statement-breakpoint
CREATE INDEX "reaction_lifting_studio_id_reading_id_index" ON "studio"."reaction_lifting" USING btree ("studio_id","reading_id");--> statement-breakpoint
ALTER TABLE "studio"."visit" ADD CONSTRAINT "visit_studio_id_room_id_chair_id_chair_studio_id_room_id_id_fk" FOREIGN KEY ("studio_id","room_id","chair_id") REFERENCES "studio"."chair"("studio_id","room_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
-- Tests were dated by day, in the studio's zone; what was read of them had no hour, and counts from when it was written down
-- or could first be read, whichever is later.
UPDATE "studio"."patch_test" t SET placed_at = (t.placed_on::timestamp AT TIME ZONE s.time_zone), hour_known = false
FROM "studio"."studio" s WHERE s.studio_id = t.studio_id;
--> statement-breakpoint
INSERT INTO "studio"."patch_reading" (studio_id, id, test_id, read_at, hour_known, result, created_at)
SELECT studio_id, gen_random_uuid(), id,
  CASE result WHEN 'clear' THEN greatest(created_at, placed_at + interval '48 hours') ELSE greatest(least(created_at, now()), placed_at) END,
  false, result, created_at
FROM "studio"."patch_test" WHERE result IN ('clear', 'reaction');
--> statement-breakpoint
-- Chairs were numbers of a room; a room where nobody has lain yet has its first.
INSERT INTO "studio"."chair" (studio_id, id, room_id, name)
SELECT r.studio_id, gen_random_uuid(), r.id, 'Chair ' || coalesce(v.chair, 1)
FROM "studio"."room" r LEFT JOIN (SELECT DISTINCT studio_id, room_id, chair FROM "studio"."visit") v ON v.studio_id = r.studio_id AND v.room_id = r.id;
--> statement-breakpoint
UPDATE "studio"."visit" v SET chair_id = c.id FROM "studio"."chair" c
WHERE c.studio_id = v.studio_id AND c.room_id = v.room_id AND c.name = 'Chair ' || v.chair;
--> statement-breakpoint
UPDATE "studio"."visit" SET service = CASE service
  WHEN 'new set' THEN 'newSet' WHEN 'tint' THEN 'lashTint' WHEN 'lift and tint' THEN 'liftTint' WHEN 'brow tint' THEN 'browTint'
  WHEN 'lash and brow tint' THEN 'lashBrowTint' WHEN 'brow lamination' THEN 'lamination' WHEN 'brow lightening' THEN 'lightening'
  ELSE service END;
--> statement-breakpoint
-- What is over holds no time; of what is to come and overlaps, the one agreed first does.
UPDATE "studio"."visit" v SET keeps_time = false
WHERE v.starts_at < now() OR EXISTS (
  SELECT 1 FROM "studio"."visit" o
  WHERE o.studio_id = v.studio_id AND o.id <> v.id AND (o.technician_id = v.technician_id OR o.chair_id = v.chair_id)
    AND tstzrange(o.starts_at, o.ends_at) && tstzrange(v.starts_at, v.ends_at)
    AND (o.created_at, o.id) < (v.created_at, v.id));
