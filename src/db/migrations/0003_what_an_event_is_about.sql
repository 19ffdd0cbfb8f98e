ALTER TABLE "studio"."visit_event" ADD COLUMN "about" uuid GENERATED ALWAYS AS ((case type when 'beadPlaced' then payload->>'bottleId' when 'undone' then payload->>'eventId' end)::uuid) STORED;--> statement-breakpoint
CREATE INDEX "visit_event_about" ON "studio"."visit_event" USING btree ("studio_id","type","about") WHERE about is not null;--> statement-breakpoint
CREATE INDEX "visit_event_checks" ON "studio"."visit_event" USING btree ("studio_id","member_id","at") WHERE type = 'checked';--> statement-breakpoint
-- Under row-level security an index on an expression of the payload is never used: its functions are not known to be leakproof.
DROP INDEX "studio"."visit_event_beads";
--> statement-breakpoint
DROP INDEX "studio"."visit_event_undone";
