CREATE TABLE "place_word" (
	"district_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"patch_id" uuid NOT NULL,
	"word" text NOT NULL,
	"holds" boolean NOT NULL,
	"day" date NOT NULL,
	"said_by" text NOT NULL,
	"said_by_id" text,
	"said_by_roles" text[],
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "place_word_district_id_id_pk" PRIMARY KEY("district_id","id")
);
--> statement-breakpoint
ALTER TABLE "place_word" ADD CONSTRAINT "place_word_patch_fk" FOREIGN KEY ("district_id","patch_id") REFERENCES "public"."patch"("district_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "place_word_patch" ON "place_word" USING btree ("district_id","patch_id","day");--> statement-breakpoint
ALTER TABLE place_word ADD CONSTRAINT place_word_size CHECK (length(word) BETWEEN 1 AND 60 AND day BETWEEN '1950-01-01' AND '2200-01-01');
ALTER TABLE place_word ENABLE ROW LEVEL SECURITY;
CREATE POLICY own_district ON place_word TO sentinel_app USING (district_id = current_district()) WITH CHECK (district_id = current_district());
CREATE POLICY masked ON place_word AS RESTRICTIVE FOR SELECT TO sentinel_app USING (sees_protected() OR EXISTS (SELECT 1 FROM patch o WHERE o.district_id = place_word.district_id AND o.id = place_word.patch_id));
GRANT SELECT, INSERT ON place_word TO sentinel_app;
CREATE TRIGGER refuse_truncate BEFORE TRUNCATE ON place_word FOR EACH STATEMENT EXECUTE FUNCTION refuse_truncate();
CREATE TRIGGER place_word_append_only BEFORE UPDATE OR DELETE ON place_word FOR EACH ROW EXECUTE FUNCTION refuse_change();
