CREATE TABLE "amendment" (
	"district_id" uuid NOT NULL,
	"id" uuid PRIMARY KEY NOT NULL,
	"taxon" text NOT NULL,
	"key" text NOT NULL,
	"value" text,
	"before" text,
	"reason" text NOT NULL,
	"flora" text NOT NULL,
	"made_by" text NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"reverted_by" text,
	"reverted_at" timestamp with time zone
);
--> statement-breakpoint
CREATE INDEX "amendment_district" ON "amendment" USING btree ("district_id","taxon");
--> statement-breakpoint
ALTER TABLE amendment ENABLE ROW LEVEL SECURITY;
CREATE POLICY own_district ON amendment TO sentinel_app USING (district_id = current_district()) WITH CHECK (district_id = current_district());
GRANT SELECT, INSERT ON amendment TO sentinel_app;
-- What was said stays said: only that it was taken back may be added.
GRANT UPDATE (reverted_by, reverted_at) ON amendment TO sentinel_app;
