CREATE TABLE "drill_answer" (
	"district_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"person_id" text NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"flora" text NOT NULL,
	"form" text NOT NULL,
	"taxon" text NOT NULL,
	"stage" text NOT NULL,
	"seed" double precision NOT NULL,
	"options" text[] NOT NULL,
	"chosen" text,
	"given" jsonb NOT NULL,
	"right" boolean NOT NULL,
	"score" double precision NOT NULL,
	"seconds" double precision NOT NULL,
	"verified" boolean NOT NULL,
	"set_id" uuid,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "drill_answer_district_id_id_pk" PRIMARY KEY("district_id","id")
);
--> statement-breakpoint
CREATE TABLE "drill_consent" (
	"district_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"person_id" text NOT NULL,
	"consents" boolean NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "drill_consent_district_id_id_pk" PRIMARY KEY("district_id","id")
);
--> statement-breakpoint
CREATE TABLE "drill_set" (
	"district_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"name" text NOT NULL,
	"taxa" text[] NOT NULL,
	"stage" text,
	"due" date,
	"required_for" text[] NOT NULL,
	"made_by" text NOT NULL,
	"made_by_id" text,
	"made_by_roles" text[],
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"ended_at" timestamp with time zone,
	CONSTRAINT "drill_set_district_id_id_pk" PRIMARY KEY("district_id","id")
);
--> statement-breakpoint
CREATE INDEX "drill_answer_person" ON "drill_answer" USING btree ("district_id","person_id","at");--> statement-breakpoint
CREATE INDEX "drill_answer_set" ON "drill_answer" USING btree ("district_id","set_id","person_id","at");--> statement-breakpoint
CREATE INDEX "drill_consent_person" ON "drill_consent" USING btree ("district_id","person_id","at");--> statement-breakpoint
ALTER TABLE drill_answer
  ADD CONSTRAINT drill_answer_set_fk FOREIGN KEY (district_id, set_id) REFERENCES drill_set (district_id, id),
  ADD CONSTRAINT drill_answer_score CHECK (score BETWEEN 0 AND 1),
  ADD CONSTRAINT drill_answer_seconds CHECK (seconds BETWEEN 0 AND 86400),
  ADD CONSTRAINT drill_answer_options CHECK (cardinality(options) <= 12),
  ADD CONSTRAINT drill_answer_given CHECK (pg_column_size(given) <= 2000);
ALTER TABLE drill_set
  ADD CONSTRAINT drill_set_taxa CHECK (cardinality(taxa) BETWEEN 1 AND 200),
  ADD CONSTRAINT drill_set_required CHECK (required_for <@ taxa);
DO $$
DECLARE name text;
BEGIN
  FOREACH name IN ARRAY ARRAY['drill_answer', 'drill_set', 'drill_consent'] LOOP
    EXECUTE format('ALTER TABLE %I ENABLE ROW LEVEL SECURITY', name);
    EXECUTE format('CREATE POLICY own_district ON %I TO sentinel_app USING (district_id = current_district()) WITH CHECK (district_id = current_district())', name);
    EXECUTE format('GRANT SELECT, INSERT ON %I TO sentinel_app', name);
    EXECUTE format('CREATE TRIGGER refuse_truncate BEFORE TRUNCATE ON %I FOR EACH STATEMENT EXECUTE FUNCTION refuse_truncate()', name);
  END LOOP;
  FOREACH name IN ARRAY ARRAY['drill_answer', 'drill_consent'] LOOP
    EXECUTE format('CREATE TRIGGER %1$s_append_only BEFORE UPDATE OR DELETE ON %1$I FOR EACH ROW EXECUTE FUNCTION refuse_change()', name);
  END LOOP;
END $$;
GRANT UPDATE (ended_at) ON drill_set TO sentinel_app;
CREATE TRIGGER keep_change AFTER INSERT OR UPDATE OR DELETE ON drill_set FOR EACH ROW EXECUTE FUNCTION keep_change();
