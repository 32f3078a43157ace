CREATE TABLE "picture_marks" (
	"district_id" uuid NOT NULL,
	"id" uuid PRIMARY KEY NOT NULL,
	"picture_id" uuid NOT NULL,
	"marks" jsonb NOT NULL,
	"by" text NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
ALTER TABLE "picture_marks" ADD CONSTRAINT "picture_marks_picture_id_picture_id_fk" FOREIGN KEY ("picture_id") REFERENCES "public"."picture"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "picture_marks_picture" ON "picture_marks" USING btree ("district_id","picture_id","at");
--> statement-breakpoint
ALTER TABLE picture_marks ENABLE ROW LEVEL SECURITY;
CREATE POLICY own_district ON picture_marks TO sentinel_app USING (district_id = current_district()) WITH CHECK (district_id = current_district());
GRANT SELECT, INSERT ON picture_marks TO sentinel_app;
