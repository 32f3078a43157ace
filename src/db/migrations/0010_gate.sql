CREATE TABLE "water_seen" (
	"district_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"patch_id" uuid NOT NULL,
	"kind" text NOT NULL,
	"meters" double precision NOT NULL,
	"day" date NOT NULL,
	"seen_by" text NOT NULL,
	"seen_by_id" text,
	"seen_by_roles" text[],
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "water_seen_district_id_id_pk" PRIMARY KEY("district_id","id")
);
--> statement-breakpoint
CREATE TABLE "report" (
	"district_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"finding_id" uuid NOT NULL,
	"plant_id" text NOT NULL,
	"taxon" text NOT NULL,
	"way" text NOT NULL,
	"state" text DEFAULT 'waiting' NOT NULL,
	"body" text NOT NULL,
	"sent_at" timestamp with time zone,
	"reference" text,
	"settled_on" date,
	"settled_at" timestamp with time zone,
	"attempts" integer DEFAULT 0 NOT NULL,
	"made_by" text NOT NULL,
	"made_by_id" text,
	"made_by_roles" text[],
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "report_district_id_id_pk" PRIMARY KEY("district_id","id")
);
--> statement-breakpoint
CREATE TABLE "report_event" (
	"district_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"report_id" uuid NOT NULL,
	"kind" text NOT NULL,
	"body" jsonb NOT NULL,
	"by" text NOT NULL,
	"by_id" text,
	"by_roles" text[],
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "report_event_district_id_id_pk" PRIMARY KEY("district_id","id")
);
--> statement-breakpoint
CREATE TABLE "check_picture" (
	"district_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"follow_up_id" uuid NOT NULL,
	"content" "bytea" NOT NULL,
	"width_px" integer NOT NULL,
	"height_px" integer NOT NULL,
	"by" text NOT NULL,
	"by_id" text,
	"by_roles" text[],
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "check_picture_district_id_id_pk" PRIMARY KEY("district_id","id")
);
--> statement-breakpoint
ALTER TABLE "demonstration" ADD COLUMN "loaded_at" timestamp with time zone DEFAULT now() NOT NULL;--> statement-breakpoint
ALTER TABLE "follow_up" ADD COLUMN "dropped_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "plan" ADD COLUMN "dropped_why" text;--> statement-breakpoint
ALTER TABLE "plan" ADD COLUMN "dropped_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "plan" ADD COLUMN "dropped_by" text;--> statement-breakpoint
ALTER TABLE "plan" ADD COLUMN "dropped_by_id" text;--> statement-breakpoint
ALTER TABLE "plan" ADD COLUMN "dropped_by_roles" text[];--> statement-breakpoint
ALTER TABLE "district" ADD COLUMN "settings" jsonb DEFAULT '{}'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "list_entry" ADD COLUMN "report_first" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "finding" ADD COLUMN "concerns" text[] DEFAULT '{}' NOT NULL;--> statement-breakpoint
ALTER TABLE "feature" ADD COLUMN "flows" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "feature" ADD COLUMN "made_by" text;--> statement-breakpoint
ALTER TABLE "feature" ADD COLUMN "made_by_id" text;--> statement-breakpoint
ALTER TABLE "feature" ADD COLUMN "made_by_roles" text[];--> statement-breakpoint
ALTER TABLE "patch" ADD COLUMN "withdrawn_why" text;--> statement-breakpoint
ALTER TABLE "patch" ADD COLUMN "withdrawn_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "patch" ADD COLUMN "withdrawn_by" text;--> statement-breakpoint
ALTER TABLE "patch" ADD COLUMN "withdrawn_by_id" text;--> statement-breakpoint
ALTER TABLE "patch" ADD COLUMN "withdrawn_by_roles" text[];--> statement-breakpoint
ALTER TABLE "site" ADD COLUMN "water" jsonb;--> statement-breakpoint
ALTER TABLE "water_seen" ADD CONSTRAINT "water_seen_patch_fk" FOREIGN KEY ("district_id","patch_id") REFERENCES "public"."patch"("district_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "report" ADD CONSTRAINT "report_finding_fk" FOREIGN KEY ("district_id","finding_id") REFERENCES "public"."finding"("district_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "report_event" ADD CONSTRAINT "report_event_report_fk" FOREIGN KEY ("district_id","report_id") REFERENCES "public"."report"("district_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "check_picture" ADD CONSTRAINT "check_picture_check_fk" FOREIGN KEY ("district_id","follow_up_id") REFERENCES "public"."follow_up"("district_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "check_picture_check" ON "check_picture" USING btree ("district_id","follow_up_id");--> statement-breakpoint
CREATE INDEX "water_seen_patch" ON "water_seen" USING btree ("district_id","patch_id","at");--> statement-breakpoint
CREATE INDEX "report_finding" ON "report" USING btree ("district_id","finding_id");--> statement-breakpoint
CREATE INDEX "report_state" ON "report" USING btree ("district_id","state");--> statement-breakpoint
CREATE INDEX "report_event_report" ON "report_event" USING btree ("district_id","report_id","at");--> statement-breakpoint
ALTER TABLE finding_event DROP CONSTRAINT finding_event_kind;
ALTER TABLE finding_event ADD CONSTRAINT finding_event_kind CHECK (kind IN ('observations','verdict','confirmation','overruling','note'));
ALTER TABLE job DROP CONSTRAINT job_kind;
ALTER TABLE job ADD CONSTRAINT job_kind CHECK (kind IN ('mail','second-look','pack-preview','pack-take','costs-preview','amend-preview','report'));
ALTER TABLE plan ADD CONSTRAINT plan_dropped_why CHECK (dropped_at IS NULL OR (state = 'dropped' AND length(dropped_why) > 0));
ALTER TABLE patch ADD CONSTRAINT patch_withdrawn_why CHECK ((withdrawn_at IS NULL) = (withdrawn_why IS NULL));
ALTER TABLE ledger_entry ADD CONSTRAINT ledger_kind CHECK (kind IN ('treatment', 'void'));
ALTER TABLE ledger_entry ADD CONSTRAINT ledger_void_of CHECK (kind <> 'void' OR supersedes IS NOT NULL);
ALTER TABLE water_seen ADD CONSTRAINT water_seen_known CHECK (kind IN ('none', 'at') AND meters BETWEEN 0 AND 100000 AND day BETWEEN '1950-01-01' AND '2200-01-01');
ALTER TABLE report ADD CONSTRAINT report_way CHECK (way IN ('registry', 'printed')),
  ADD CONSTRAINT report_state CHECK (state IN ('waiting','sent','question','refused','acknowledged','waived')),
  ADD CONSTRAINT report_settled CHECK ((state IN ('acknowledged', 'waived')) = (settled_at IS NOT NULL)),
  ADD CONSTRAINT report_size CHECK (length(body) BETWEEN 1 AND 20000);
ALTER TABLE report_event ADD CONSTRAINT report_event_kind CHECK (kind IN ('sent','failed','question','answer','refused','acknowledged','waived'));
-- One report of a finding is on its way at a time; one that was sent back may be followed by another.
CREATE UNIQUE INDEX report_open_once ON report (district_id, finding_id) WHERE state <> 'refused';
--> statement-breakpoint
-- The wall around what is new.
DO $$
DECLARE name text;
BEGIN
  FOREACH name IN ARRAY ARRAY['water_seen','report','report_event','check_picture'] LOOP
    EXECUTE format('ALTER TABLE %I ENABLE ROW LEVEL SECURITY', name);
    EXECUTE format('CREATE POLICY own_district ON %I TO sentinel_app USING (district_id = current_district()) WITH CHECK (district_id = current_district())', name);
    EXECUTE format('GRANT SELECT, INSERT ON %I TO sentinel_app', name);
    EXECUTE format('CREATE TRIGGER refuse_truncate BEFORE TRUNCATE ON %I FOR EACH STATEMENT EXECUTE FUNCTION refuse_truncate()', name);
  END LOOP;
END $$;
-- What is sent of a report never changes; how it stands does.
GRANT UPDATE (state, sent_at, reference, settled_on, settled_at, attempts) ON report TO sentinel_app;
CREATE TRIGGER water_seen_append_only BEFORE UPDATE OR DELETE ON water_seen FOR EACH ROW EXECUTE FUNCTION refuse_change();
CREATE TRIGGER check_picture_append_only BEFORE UPDATE OR DELETE ON check_picture FOR EACH ROW EXECUTE FUNCTION refuse_change();
CREATE TRIGGER report_event_append_only BEFORE UPDATE OR DELETE ON report_event FOR EACH ROW EXECUTE FUNCTION refuse_change();
CREATE TRIGGER keep_change AFTER INSERT OR UPDATE OR DELETE ON report FOR EACH ROW EXECUTE FUNCTION keep_change();
--> statement-breakpoint
-- Masking follows the list. Whether a plant is protected at a place is said here, and nowhere else.
CREATE FUNCTION plant_status(here uuid, plant text, place uuid) RETURNS text LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public, pg_temp AS $$
  SELECT coalesce(
    (SELECT status FROM list_entry WHERE district_id = here AND plant_id = plant AND site_id = place),
    (SELECT status FROM list_entry WHERE district_id = here AND plant_id = plant AND site_id IS NULL), 'kept') $$;
CREATE FUNCTION plant_is_protected(here uuid, plant text, place uuid) RETURNS boolean LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public, pg_temp AS $$
  SELECT plant_status(here, plant, place) = 'protected' $$;
CREATE FUNCTION mask_finding() RETURNS trigger LANGUAGE plpgsql SECURITY DEFINER SET search_path = public, pg_temp AS $$ BEGIN
  NEW.protected := EXISTS (SELECT 1 FROM unnest(NEW.concerns || CASE WHEN NEW.plant_id IS NULL THEN '{}' ELSE ARRAY[NEW.plant_id] END) plant WHERE plant_is_protected(NEW.district_id, plant, NEW.site_id));
  RETURN NEW;
END $$;
CREATE FUNCTION mask_patch() RETURNS trigger LANGUAGE plpgsql SECURITY DEFINER SET search_path = public, pg_temp AS $$ BEGIN
  NEW.protected := plant_is_protected(NEW.district_id, NEW.plant_id, NEW.site_id)
    OR EXISTS (SELECT 1 FROM finding f WHERE f.district_id = NEW.district_id AND f.patch_id = NEW.id AND f.protected);
  RETURN NEW;
END $$;
CREATE TRIGGER mask BEFORE INSERT OR UPDATE ON finding FOR EACH ROW EXECUTE FUNCTION mask_finding();
CREATE TRIGGER mask BEFORE INSERT OR UPDATE ON patch FOR EACH ROW EXECUTE FUNCTION mask_patch();
CREATE FUNCTION mask_after_list() RETURNS trigger LANGUAGE plpgsql SECURITY DEFINER SET search_path = public, pg_temp AS $$
DECLARE row list_entry := CASE WHEN TG_OP = 'DELETE' THEN OLD ELSE NEW END;
BEGIN
  -- The triggers above set the column; only rows that it changes are written.
  UPDATE finding SET protected = NOT protected WHERE district_id = row.district_id AND (plant_id = row.plant_id OR row.plant_id = ANY (concerns))
    AND protected <> EXISTS (SELECT 1 FROM unnest(concerns || CASE WHEN plant_id IS NULL THEN '{}' ELSE ARRAY[plant_id] END) plant WHERE plant_is_protected(finding.district_id, plant, finding.site_id));
  UPDATE patch SET protected = NOT protected WHERE district_id = row.district_id AND (plant_id = row.plant_id OR id IN (SELECT patch_id FROM finding f WHERE f.district_id = row.district_id AND (f.plant_id = row.plant_id OR row.plant_id = ANY (f.concerns))))
    AND protected <> (plant_is_protected(district_id, plant_id, site_id) OR EXISTS (SELECT 1 FROM finding f WHERE f.district_id = patch.district_id AND f.patch_id = patch.id AND f.protected));
  RETURN NULL;
END $$;
CREATE TRIGGER mask_after_list AFTER INSERT OR UPDATE OR DELETE ON list_entry FOR EACH ROW EXECUTE FUNCTION mask_after_list();
CREATE FUNCTION mask_patch_of_finding() RETURNS trigger LANGUAGE plpgsql SECURITY DEFINER SET search_path = public, pg_temp AS $$ BEGIN
  UPDATE patch SET protected = NOT protected WHERE district_id = NEW.district_id AND id = NEW.patch_id
    AND protected <> (plant_is_protected(district_id, plant_id, site_id) OR EXISTS (SELECT 1 FROM finding f WHERE f.district_id = patch.district_id AND f.patch_id = patch.id AND f.protected));
  RETURN NULL;
END $$;
CREATE TRIGGER mask_patch_of_finding AFTER INSERT OR UPDATE OF protected, patch_id ON finding FOR EACH ROW WHEN (NEW.patch_id IS NOT NULL) EXECUTE FUNCTION mask_patch_of_finding();
--> statement-breakpoint
-- Findings from before: the plants that they may be, by the last verdict.
UPDATE finding f SET concerns = ARRAY(
  SELECT DISTINCT regexp_replace(replace(regexp_replace(lower(c->>'taxon'), '×\s*', 'x-', 'g'), '.', ''), '[^a-z-]+', '-', 'g')
  FROM (SELECT e.body FROM finding_event e WHERE e.district_id = f.district_id AND e.finding_id = f.id AND e.kind = 'verdict' ORDER BY e.at DESC LIMIT 1) last,
    jsonb_array_elements(CASE WHEN jsonb_typeof(last.body->'identification'->'candidates') = 'array' THEN last.body->'identification'->'candidates' ELSE '[]' END) c
  WHERE (c->>'probability')::float8 > 0.1);
UPDATE patch SET protected = protected;
--> statement-breakpoint
-- Who may not see protected places sees no row that stands at one: the places themselves, and whatever hangs on them.
CREATE POLICY masked ON finding AS RESTRICTIVE FOR SELECT TO sentinel_app USING (sees_protected() OR NOT protected);
CREATE POLICY masked ON patch AS RESTRICTIVE FOR SELECT TO sentinel_app USING (sees_protected() OR NOT protected);
DO $$
DECLARE t text[];
BEGIN
  FOREACH t SLICE 1 IN ARRAY ARRAY[['finding_event','finding','finding_id'],['picture','finding','finding_id'],['report','finding','finding_id'],['plan','patch','patch_id'],['ledger_entry','patch','patch_id'],['follow_up','patch','patch_id'],['water_seen','patch','patch_id'],['check_picture','follow_up','follow_up_id']] LOOP
    EXECUTE format('CREATE POLICY masked ON %1$I AS RESTRICTIVE FOR SELECT TO sentinel_app USING (sees_protected() OR EXISTS (SELECT 1 FROM %2$I o WHERE o.district_id = %1$I.district_id AND o.id = %1$I.%3$I))', t[1], t[2], t[3]);
  END LOOP;
END $$;
CREATE POLICY masked ON picture_marks AS RESTRICTIVE FOR SELECT TO sentinel_app USING (sees_protected() OR EXISTS (SELECT 1 FROM picture o WHERE o.district_id = picture_marks.district_id AND o.id = picture_marks.picture_id));
CREATE POLICY masked ON report_event AS RESTRICTIVE FOR SELECT TO sentinel_app USING (sees_protected() OR EXISTS (SELECT 1 FROM report o WHERE o.district_id = report_event.district_id AND o.id = report_event.report_id));
DROP POLICY own_district ON change;
CREATE POLICY own_district ON change FOR SELECT TO sentinel_app USING (district_id = current_district() AND CASE
  WHEN what IN ('finding', 'patch', 'plan', 'follow_up', 'report') THEN sees_protected()
  WHEN what IN ('membership', 'invitation') THEN acts_as_keeper() ELSE true END);
--> statement-breakpoint
-- The role and the license of a person at a moment, from the trail of changes, for whoever asks whether that person might act: for
-- moments before the first change the oldest known state counts.
CREATE FUNCTION membership_at(person text, moment timestamptz) RETURNS TABLE (name text, roles text[], licence text, licence_expires date, ended boolean) LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public, pg_temp AS $$
  WITH own AS (SELECT c.at, c.id, c.before, c.after FROM change c WHERE c.district_id = current_district() AND c.what = 'membership' AND c.row_id = person),
  then_ AS (SELECT after AS row FROM own WHERE at <= moment ORDER BY at DESC, id DESC LIMIT 1),
  first AS (SELECT coalesce(before, after) AS row FROM own ORDER BY at, id LIMIT 1),
  now_ AS (SELECT to_jsonb(m) AS row FROM membership m WHERE m.district_id = current_district() AND m.person_id = person),
  found AS (SELECT coalesce((SELECT row FROM then_), (SELECT row FROM first), (SELECT row FROM now_)) AS row)
  SELECT row->>'name', ARRAY(SELECT jsonb_array_elements_text(row->'roles')), row->>'licence', (row->>'licence_expires')::date, coalesce((row->>'ended_at')::timestamptz <= moment, false) FROM found WHERE row IS NOT NULL $$;
REVOKE EXECUTE ON FUNCTION membership_at(text, timestamptz), plant_status(uuid, text, uuid), plant_is_protected(uuid, text, uuid), mask_finding(), mask_patch(), mask_after_list(), mask_patch_of_finding() FROM PUBLIC;
GRANT EXECUTE ON FUNCTION membership_at(text, timestamptz) TO sentinel_app;
GRANT SELECT ON change, list_entry TO sentinel_definer;
GRANT UPDATE (protected) ON finding, patch TO sentinel_definer;
GRANT EXECUTE ON FUNCTION plant_status(uuid, text, uuid), plant_is_protected(uuid, text, uuid) TO sentinel_definer;
DO $$
DECLARE f record;
BEGIN
  FOR f IN SELECT p.oid::regprocedure AS name FROM pg_proc p WHERE p.pronamespace = 'public'::regnamespace AND p.proname IN ('plant_status', 'plant_is_protected', 'mask_finding', 'mask_patch', 'mask_after_list', 'mask_patch_of_finding', 'membership_at') LOOP
    EXECUTE format('ALTER FUNCTION %s OWNER TO sentinel_definer', f.name);
  END LOOP;
END $$;
--> statement-breakpoint
-- The map: a place that is masked is not on it, nor is a patch that was withdrawn; a patch says whether its plant is acted on or kept.
CREATE OR REPLACE FUNCTION map_tile(z int, x int, y int) RETURNS bytea LANGUAGE plpgsql STABLE SECURITY DEFINER SET search_path = public, pg_temp AS $$
DECLARE box geometry := ST_TileEnvelope(z, x, y); here uuid := current_district(); seen boolean := sees_protected(); tile bytea;
BEGIN
  IF here IS NULL THEN RETURN ''::bytea; END IF;
  SELECT coalesce((SELECT ST_AsMVT(t, 'sites') FROM (SELECT s.id::text, s.name, ST_AsMVTGeom(s.mercator, box, 4096, 64) AS geom FROM site s WHERE s.district_id = here AND s.mercator && box) t), '')
      || coalesce((SELECT ST_AsMVT(t, 'features') FROM (SELECT f.id::text, f.kind, f.name, f.flows, ST_AsMVTGeom(f.mercator, box, 4096, 64) AS geom FROM feature f WHERE f.district_id = here AND f.mercator && box) t), '')
      || coalesce((SELECT ST_AsMVT(t, 'patches') FROM (SELECT p.id::text, p.name, p.taxon, p.state, plant_status(here, p.plant_id, p.site_id) NOT IN ('target', 'watch') AS kept, ST_AsMVTGeom(p.mercator, box, 4096, 64) AS geom FROM patch p WHERE p.district_id = here AND p.mercator && box AND p.withdrawn_at IS NULL AND (seen OR NOT p.protected)) t), '')
      || coalesce((SELECT ST_AsMVT(t, 'findings') FROM (SELECT f.id::text, f.number, f.taxon, f.verdict, ST_AsMVTGeom(f.mercator, box, 4096, 64) AS geom FROM finding f WHERE f.district_id = here AND f.mercator && box AND (seen OR NOT f.protected)) t), '')
    INTO tile;
  RETURN tile;
END $$;
--> statement-breakpoint
-- The name of a site stands over its northern edge, where no finding of it lies under the letters.
CREATE OR REPLACE FUNCTION name_tile(z int, x int, y int) RETURNS bytea LANGUAGE plpgsql STABLE SECURITY DEFINER SET search_path = public, pg_temp AS $$
DECLARE box geometry := ST_TileEnvelope(z, x, y); here uuid := current_district(); tile bytea;
BEGIN
  IF here IS NULL THEN RETURN ''::bytea; END IF;
  SELECT coalesce((SELECT ST_AsMVT(t, 'site_names') FROM (SELECT n.name, ST_AsMVTGeom(n.at, box, 4096, 0) AS geom FROM (SELECT s.name, ST_SetSRID(ST_MakePoint(ST_X(ST_Centroid(s.mercator)), ST_YMax(s.mercator)), 3857) AS at FROM site s WHERE s.district_id = here AND s.mercator && box) n WHERE ST_Intersects(n.at, box)) t), '')
      || coalesce((SELECT ST_AsMVT(t, 'place_names') FROM (SELECT f.kind, f.name, ST_AsMVTGeom(ST_PointOnSurface(f.mercator), box, 4096, 0) AS geom FROM feature f WHERE f.district_id = here AND f.mercator && box AND ST_Dimension(f.mercator) <> 1 AND ST_Intersects(ST_PointOnSurface(f.mercator), box)) t), '')
    INTO tile;
  RETURN tile;
END $$;
