CREATE TABLE "calendar_feed" (
	"district_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"person_id" text NOT NULL,
	"secret_hash" text NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"ended_at" timestamp with time zone,
	CONSTRAINT "calendar_feed_district_id_id_pk" PRIMARY KEY("district_id","id")
);
--> statement-breakpoint
CREATE TABLE "crew" (
	"district_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"name" text NOT NULL,
	"member_ids" text[] NOT NULL,
	"made_by" text NOT NULL,
	"made_by_id" text,
	"made_by_roles" text[],
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"ended_at" timestamp with time zone,
	CONSTRAINT "crew_district_id_id_pk" PRIMARY KEY("district_id","id")
);
--> statement-breakpoint
CREATE TABLE "gone_word" (
	"district_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"patch_id" uuid NOT NULL,
	"reason" text NOT NULL,
	"by" text NOT NULL,
	"by_id" text,
	"by_roles" text[],
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "gone_word_district_id_id_pk" PRIMARY KEY("district_id","id")
);
--> statement-breakpoint
CREATE TABLE "own_method" (
	"district_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"method_id" text NOT NULL,
	"body" text,
	"reason" text NOT NULL,
	"by" text NOT NULL,
	"by_id" text,
	"by_roles" text[],
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "own_method_district_id_id_pk" PRIMARY KEY("district_id","id")
);
--> statement-breakpoint
CREATE TABLE "stand_size" (
	"district_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"patch_id" uuid NOT NULL,
	"height_cm" double precision,
	"stem_cm" double precision,
	"count" integer,
	"infested_m2" double precision,
	"day" date NOT NULL,
	"seen_by" text NOT NULL,
	"seen_by_id" text,
	"seen_by_roles" text[],
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "stand_size_district_id_id_pk" PRIMARY KEY("district_id","id")
);
--> statement-breakpoint
ALTER TABLE "plan" ADD COLUMN "on_days" date[];
UPDATE plan SET on_days = ARRAY[intended_on];
ALTER TABLE "plan" ALTER COLUMN "on_days" SET NOT NULL;--> statement-breakpoint
ALTER TABLE "plan" ADD COLUMN "helper_ids" text[] DEFAULT '{}' NOT NULL;--> statement-breakpoint
ALTER TABLE "plan" ADD COLUMN "crew_id" uuid;--> statement-breakpoint
ALTER TABLE "plan" ADD COLUMN "former_ids" text[] DEFAULT '{}' NOT NULL;--> statement-breakpoint
ALTER TABLE "plan" ADD COLUMN "hours" double precision;--> statement-breakpoint
ALTER TABLE "plan" ADD COLUMN "done_share" double precision DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "plan" ADD COLUMN "follows_plan" uuid;--> statement-breakpoint
ALTER TABLE "plan" ADD COLUMN "after_check" uuid;--> statement-breakpoint
ALTER TABLE "plan" ADD COLUMN "version" integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE "membership" ADD COLUMN "week_hours" double precision;--> statement-breakpoint
ALTER TABLE "gone_word" ADD CONSTRAINT "gone_word_patch_fk" FOREIGN KEY ("district_id","patch_id") REFERENCES "public"."patch"("district_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "stand_size" ADD CONSTRAINT "stand_size_patch_fk" FOREIGN KEY ("district_id","patch_id") REFERENCES "public"."patch"("district_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE UNIQUE INDEX "calendar_feed_secret" ON "calendar_feed" USING btree ("secret_hash");--> statement-breakpoint
CREATE INDEX "calendar_feed_person" ON "calendar_feed" USING btree ("district_id","person_id");--> statement-breakpoint
CREATE INDEX "gone_word_patch" ON "gone_word" USING btree ("district_id","patch_id");--> statement-breakpoint
CREATE INDEX "own_method_newest" ON "own_method" USING btree ("district_id","method_id","at");--> statement-breakpoint
CREATE INDEX "stand_size_patch" ON "stand_size" USING btree ("district_id","patch_id","at");--> statement-breakpoint
ALTER TABLE "plan" ADD CONSTRAINT "plan_crew_fk" FOREIGN KEY ("district_id","crew_id") REFERENCES "public"."crew"("district_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE plan ADD CONSTRAINT plan_on_days CHECK (cardinality(on_days) BETWEEN 1 AND 20 AND on_days[1] = intended_on),
  ADD CONSTRAINT plan_people CHECK (cardinality(helper_ids) <= 30 AND cardinality(former_ids) <= 100),
  ADD CONSTRAINT plan_hours CHECK (hours BETWEEN 0 AND 100000),
  ADD CONSTRAINT plan_done_share CHECK (done_share BETWEEN 0 AND 1),
  ADD CONSTRAINT plan_follows_fk FOREIGN KEY (district_id, follows_plan) REFERENCES plan (district_id, id),
  ADD CONSTRAINT plan_check_fk FOREIGN KEY (district_id, after_check) REFERENCES follow_up (district_id, id);
ALTER TABLE membership ADD CONSTRAINT membership_week_hours CHECK (week_hours BETWEEN 0 AND 168);
ALTER TABLE stand_size ADD CONSTRAINT stand_size_range CHECK (height_cm BETWEEN 0 AND 10000 AND stem_cm BETWEEN 0 AND 1000 AND count BETWEEN 0 AND 1000000000 AND infested_m2 BETWEEN 0 AND 1e9 AND day BETWEEN '1950-01-01' AND '2200-01-01');
ALTER TABLE crew ADD CONSTRAINT crew_size CHECK (cardinality(member_ids) BETWEEN 1 AND 30 AND length(name) BETWEEN 2 AND 80);
ALTER TABLE own_method ADD CONSTRAINT own_method_size CHECK (length(body) <= 20000 AND length(reason) BETWEEN 1 AND 1000 AND length(method_id) BETWEEN 2 AND 60);
ALTER TABLE gone_word ADD CONSTRAINT gone_word_size CHECK (length(reason) BETWEEN 1 AND 1000);
CREATE UNIQUE INDEX calendar_feed_one ON calendar_feed (district_id, person_id) WHERE ended_at IS NULL;
CREATE INDEX plan_patch ON plan (district_id, patch_id);
CREATE TRIGGER next_version BEFORE UPDATE ON plan FOR EACH ROW EXECUTE FUNCTION next_version();
--> statement-breakpoint
-- The wall around what is new.
DO $$
DECLARE name text;
BEGIN
  FOREACH name IN ARRAY ARRAY['stand_size','crew','calendar_feed','own_method','gone_word'] LOOP
    EXECUTE format('ALTER TABLE %I ENABLE ROW LEVEL SECURITY', name);
    EXECUTE format('CREATE POLICY own_district ON %I TO sentinel_app USING (district_id = current_district()) WITH CHECK (district_id = current_district())', name);
    EXECUTE format('GRANT SELECT, INSERT ON %I TO sentinel_app', name);
    EXECUTE format('CREATE TRIGGER refuse_truncate BEFORE TRUNCATE ON %I FOR EACH STATEMENT EXECUTE FUNCTION refuse_truncate()', name);
  END LOOP;
  FOREACH name IN ARRAY ARRAY['stand_size','gone_word'] LOOP
    EXECUTE format('CREATE POLICY masked ON %1$I AS RESTRICTIVE FOR SELECT TO sentinel_app USING (sees_protected() OR EXISTS (SELECT 1 FROM patch o WHERE o.district_id = %1$I.district_id AND o.id = %1$I.patch_id))', name);
  END LOOP;
  FOREACH name IN ARRAY ARRAY['stand_size','own_method','gone_word'] LOOP
    EXECUTE format('CREATE TRIGGER %1$s_append_only BEFORE UPDATE OR DELETE ON %1$I FOR EACH ROW EXECUTE FUNCTION refuse_change()', name);
  END LOOP;
END $$;
GRANT UPDATE (name, member_ids, ended_at) ON crew TO sentinel_app;
GRANT UPDATE (ended_at) ON calendar_feed TO sentinel_app;
CREATE TRIGGER keep_change AFTER INSERT OR UPDATE OR DELETE ON crew FOR EACH ROW EXECUTE FUNCTION keep_change();
--> statement-breakpoint
-- Before a district is chosen: whose calendar a secret address opens, and nothing more. It ends with the person's membership.
CREATE FUNCTION calendar_by_secret(hash text) RETURNS TABLE (district_id uuid, district_name text, person_id text, person_name text, roles text[]) LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public, pg_temp AS $$
  SELECT f.district_id, d.name, m.person_id, m.name, m.roles FROM calendar_feed f JOIN district d USING (district_id) JOIN membership m ON m.district_id = f.district_id AND m.person_id = f.person_id
  WHERE f.secret_hash = hash AND f.ended_at IS NULL AND m.ended_at IS NULL $$;
REVOKE EXECUTE ON FUNCTION calendar_by_secret(text) FROM PUBLIC;
GRANT SELECT ON calendar_feed TO sentinel_definer;
ALTER FUNCTION calendar_by_secret(text) OWNER TO sentinel_definer;
GRANT EXECUTE ON FUNCTION calendar_by_secret(text) TO sentinel_app;
