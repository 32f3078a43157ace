-- Closed sets and ranges. Rows from before that break one stay as they are (NOT VALID); no row can be written so from now on.
ALTER TABLE district ADD CONSTRAINT district_hemisphere CHECK (hemisphere IN ('north', 'south')) NOT VALID,
  ADD CONSTRAINT district_shift CHECK (season_shift BETWEEN -40 AND 40) NOT VALID,
  ADD CONSTRAINT district_name CHECK (length(name) BETWEEN 1 AND 200) NOT VALID;
ALTER TABLE membership ADD CONSTRAINT membership_roles CHECK (roles <@ ARRAY['visitor','scout','specialist','applicator','keeper'] AND cardinality(roles) > 0) NOT VALID,
  ADD CONSTRAINT membership_name CHECK (length(name) BETWEEN 1 AND 120) NOT VALID,
  ADD CONSTRAINT membership_licence CHECK (licence_expires IS NULL OR licence_expires BETWEEN '1950-01-01' AND '2200-01-01') NOT VALID;
ALTER TABLE invitation ADD CONSTRAINT invitation_roles CHECK (roles <@ ARRAY['visitor','scout','specialist','applicator','keeper'] AND cardinality(roles) > 0) NOT VALID;
ALTER TABLE list_entry ADD CONSTRAINT list_entry_status CHECK (status IN ('target','watch','tolerated','kept','protected','crop')) NOT VALID;
ALTER TABLE feature ADD CONSTRAINT feature_kind CHECK (kind IN ('river','creek','lake','landing','track','wood','field')) NOT VALID;
ALTER TABLE patch ADD CONSTRAINT patch_state CHECK (state IN ('open','treated','watched','gone')) NOT VALID,
  ADD CONSTRAINT patch_cover CHECK (cover_share BETWEEN 0 AND 1) NOT VALID,
  ADD CONSTRAINT patch_area CHECK (area_m2 > 0 AND area_m2 <= 1e8) NOT VALID,
  ADD CONSTRAINT patch_outline CHECK (GeometryType(outline) = 'POLYGON' AND ST_NPoints(outline) <= 40000 AND ST_YMin(outline) >= -85 AND ST_YMax(outline) <= 85 AND ST_XMin(outline) >= -180 AND ST_XMax(outline) <= 180) NOT VALID;
ALTER TABLE site ADD CONSTRAINT site_boundary CHECK (GeometryType(boundary) = 'POLYGON' AND ST_NPoints(boundary) <= 40000 AND ST_YMin(boundary) >= -85 AND ST_YMax(boundary) <= 85 AND ST_XMax(boundary) - ST_XMin(boundary) <= 5 AND ST_YMax(boundary) - ST_YMin(boundary) <= 5) NOT VALID;
ALTER TABLE finding ADD CONSTRAINT finding_verdict CHECK (verdict IN ('clear','hold','keep','open','unknown')) NOT VALID,
  ADD CONSTRAINT finding_day CHECK (day BETWEEN '1950-01-01' AND '2200-01-01') NOT VALID,
  ADD CONSTRAINT finding_stage CHECK (stage IN ('seedling','vegetative','flowering','fruiting','winter')) NOT VALID,
  ADD CONSTRAINT finding_place CHECK (GeometryType(place) = 'POINT' AND ST_Y(place) BETWEEN -85 AND 85 AND ST_X(place) BETWEEN -180 AND 180) NOT VALID;
ALTER TABLE finding_event ADD CONSTRAINT finding_event_kind CHECK (kind IN ('observations','verdict','confirmation','overruling','note')) NOT VALID;
ALTER TABLE picture ADD CONSTRAINT picture_size CHECK (width_px > 0 AND height_px > 0) NOT VALID,
  ADD CONSTRAINT picture_position CHECK ((longitude IS NULL AND latitude IS NULL) OR (longitude BETWEEN -180 AND 180 AND latitude BETWEEN -90 AND 90)) NOT VALID,
  ADD CONSTRAINT picture_taken CHECK (taken_at BETWEEN '1950-01-01' AND '2200-01-01') NOT VALID;
ALTER TABLE plan ADD CONSTRAINT plan_state CHECK (state IN ('planned','done','dropped')) NOT VALID,
  ADD CONSTRAINT plan_days CHECK (window_from <= window_to AND window_from >= '1950-01-01' AND window_to <= '2200-01-01' AND intended_on BETWEEN '1950-01-01' AND '2200-01-01') NOT VALID;
ALTER TABLE follow_up ADD CONSTRAINT follow_up_days CHECK (due_on BETWEEN '1950-01-01' AND '2250-01-01' AND (done_on IS NULL OR done_on BETWEEN '1950-01-01' AND '2200-01-01')) NOT VALID;
ALTER TABLE ledger_entry ADD CONSTRAINT ledger_form CHECK (seq > 0 AND format IN (1, 2) AND hash ~ '^[0-9a-f]{64}$' AND previous_hash ~ '^[0-9a-f]{64}$') NOT VALID,
  ADD CONSTRAINT ledger_format_two CHECK (format = 1 OR (entered_by_id IS NOT NULL AND entered_by_roles IS NOT NULL)) NOT VALID;
ALTER TABLE job ADD CONSTRAINT job_kind CHECK (kind IN ('mail','second-look','pack-preview','pack-take','costs-preview','amend-preview')),
  ADD CONSTRAINT job_state CHECK (state IN ('waiting','running','done','failed','cancelled')),
  ADD CONSTRAINT job_size CHECK (pg_column_size(input) < 16000000);
ALTER TABLE change ADD CONSTRAINT change_act CHECK (act IN ('insert','update','delete'));
ALTER TABLE auth.secret_link ADD CONSTRAINT secret_link_kind CHECK (kind IN ('password','address'));
ALTER TABLE auth.set_up_code ADD CONSTRAINT set_up_code_one CHECK (id = 1);
--> statement-breakpoint
-- What holds already is said to hold; what does not is left for its keeper, and named in the log of the migration.
DO $$
DECLARE c record;
BEGIN
  FOR c IN SELECT conrelid::regclass AS t, conname FROM pg_constraint WHERE NOT convalidated AND connamespace = 'public'::regnamespace LOOP
    BEGIN
      EXECUTE format('ALTER TABLE %s VALIDATE CONSTRAINT %I', c.t, c.conname);
    EXCEPTION WHEN check_violation OR foreign_key_violation THEN
      RAISE WARNING 'rows of % from before break %; they stay as they are', c.t, c.conname;
    END;
  END LOOP;
END $$;
--> statement-breakpoint
-- The wall around what is new.
DO $$
DECLARE name text;
BEGIN
  FOREACH name IN ARRAY ARRAY['job','counter','usage','sample_letter'] LOOP
    EXECUTE format('ALTER TABLE %I ENABLE ROW LEVEL SECURITY', name);
    EXECUTE format('CREATE POLICY own_district ON %I TO sentinel_app USING (district_id = current_district()) WITH CHECK (district_id = current_district())', name);
  END LOOP;
END $$;
GRANT SELECT, INSERT ON job TO sentinel_app;
GRANT UPDATE (cancel_asked) ON job TO sentinel_app;
GRANT SELECT, INSERT, UPDATE ON counter, usage TO sentinel_app;
GRANT SELECT ON sample_letter TO sentinel_app;
CREATE POLICY jobs_work ON job TO sentinel_jobs USING (true) WITH CHECK (true);
CREATE POLICY jobs_send ON mail TO sentinel_jobs USING (true) WITH CHECK (true);
CREATE POLICY jobs_keep ON sample_letter TO sentinel_jobs USING (true) WITH CHECK (true);
GRANT USAGE ON SCHEMA public TO sentinel_jobs;
GRANT SELECT, UPDATE, DELETE ON job TO sentinel_jobs;
GRANT SELECT ON mail TO sentinel_jobs;
GRANT UPDATE (body, sent_at) ON mail TO sentinel_jobs;
GRANT SELECT, INSERT ON sample_letter TO sentinel_jobs;
-- A letter may carry a secret link: whoever may write one may not read it.
REVOKE SELECT, UPDATE ON mail FROM sentinel_app;
GRANT SELECT (district_id, id, recipient, subject, sent_at, created_at) ON mail TO sentinel_app;
REVOKE DELETE ON membership, invitation FROM sentinel_app;
GRANT UPDATE (reverted_by_id, reverted_by_roles) ON amendment TO sentinel_app;
ALTER TABLE ledger_anchor ENABLE ROW LEVEL SECURITY;
CREATE POLICY own_district ON ledger_anchor FOR SELECT TO sentinel_app USING (district_id = current_district());
CREATE POLICY verify_reads ON ledger_anchor FOR SELECT TO sentinel_verify USING (true);
CREATE POLICY anchors ON ledger_anchor TO sentinel_anchor USING (true) WITH CHECK (true);
GRANT SELECT ON ledger_anchor TO sentinel_app, sentinel_verify;
GRANT USAGE ON SCHEMA public TO sentinel_anchor, sentinel_definer;
GRANT SELECT, INSERT, UPDATE ON ledger_anchor TO sentinel_anchor;
GRANT SELECT, INSERT, UPDATE, DELETE ON auth.known_device, auth.second_factor, auth.secret_link, auth.set_up_code, auth.sign_in_tries TO sentinel_auth;
-- The loader of a demonstration is the application, with one more right: to say when a change was made.
GRANT sentinel_app TO sentinel_loader;
--> statement-breakpoint
-- What people change leaves a trail that they cannot write themselves.
CREATE FUNCTION keep_change() RETURNS trigger LANGUAGE plpgsql SECURITY DEFINER SET search_path = public, pg_temp AS $$
DECLARE
  hidden text[] := ARRAY['mercator', 'token_hash'];
  before jsonb := CASE WHEN TG_OP <> 'INSERT' THEN to_jsonb(OLD) - hidden END;
  after jsonb := CASE WHEN TG_OP <> 'DELETE' THEN to_jsonb(NEW) - hidden END;
  row jsonb := coalesce(after, before);
BEGIN
  IF before IS NOT DISTINCT FROM after THEN RETURN NULL; END IF;
  INSERT INTO change (district_id, at, what, row_id, act, person_id, person_name, before, after) VALUES (
    (row->>'district_id')::uuid,
    CASE WHEN session_user = 'sentinel_loader' THEN coalesce(nullif(current_setting('app.clock', true), '')::timestamptz, now()) ELSE now() END,
    TG_TABLE_NAME, coalesce(row->>'id', row->>'person_id', row->>'district_id'), lower(TG_OP),
    nullif(current_setting('app.person_id', true), ''), nullif(current_setting('app.person_name', true), ''), before, after);
  RETURN NULL;
END $$;
DO $$
DECLARE name text;
BEGIN
  FOREACH name IN ARRAY ARRAY['district','membership','invitation','list_entry','label','site','feature','patch','plan','follow_up','amendment'] LOOP
    EXECUTE format('CREATE TRIGGER keep_change AFTER INSERT OR UPDATE OR DELETE ON %I FOR EACH ROW EXECUTE FUNCTION keep_change()', name);
  END LOOP;
END $$;
CREATE TRIGGER keep_change AFTER UPDATE OR DELETE ON finding FOR EACH ROW EXECUTE FUNCTION keep_change();
CREATE FUNCTION acts_as_keeper() RETURNS boolean LANGUAGE sql STABLE AS $$ SELECT coalesce(current_setting('app.keeper', true), '') = 'yes' $$;
ALTER TABLE change ENABLE ROW LEVEL SECURITY;
CREATE POLICY own_district ON change FOR SELECT TO sentinel_app USING (district_id = current_district() AND CASE
  WHEN what IN ('finding', 'patch', 'plan', 'follow_up') THEN sees_protected()
  WHEN what IN ('membership', 'invitation') THEN acts_as_keeper() ELSE true END);
GRANT SELECT ON change TO sentinel_app;
CREATE TRIGGER change_append_only BEFORE UPDATE OR DELETE ON change FOR EACH ROW EXECUTE FUNCTION refuse_change();
-- A version on what two people may edit: it goes up by itself.
CREATE FUNCTION next_version() RETURNS trigger LANGUAGE plpgsql AS $$ BEGIN NEW.version := OLD.version + 1; RETURN NEW; END $$;
CREATE TRIGGER next_version BEFORE UPDATE ON district FOR EACH ROW EXECUTE FUNCTION next_version();
CREATE TRIGGER next_version BEFORE UPDATE ON membership FOR EACH ROW EXECUTE FUNCTION next_version();
CREATE TRIGGER next_version BEFORE UPDATE ON list_entry FOR EACH ROW EXECUTE FUNCTION next_version();
--> statement-breakpoint
-- The anchor follows the ledger by itself, and refuses an entry that is not the next link.
CREATE FUNCTION anchor_entry() RETURNS trigger LANGUAGE plpgsql SECURITY DEFINER SET search_path = public, pg_temp AS $$
DECLARE anchored ledger_anchor;
BEGIN
  SELECT * INTO anchored FROM ledger_anchor WHERE district_id = NEW.district_id FOR UPDATE;
  IF NEW.seq <> coalesce(anchored.seq, 0) + 1 OR NEW.previous_hash <> coalesce(anchored.hash, repeat('0', 64)) THEN
    RAISE EXCEPTION 'entry % is not the next link of this ledger', NEW.seq;
  END IF;
  IF NEW.format = 1 AND anchored.format_two_from IS NOT NULL THEN RAISE EXCEPTION 'this ledger is of format 2'; END IF;
  INSERT INTO ledger_anchor (district_id, seq, hash, format_two_from) VALUES (NEW.district_id, NEW.seq, NEW.hash, CASE WHEN NEW.format = 2 THEN NEW.seq END)
    ON CONFLICT (district_id) DO UPDATE SET seq = excluded.seq, hash = excluded.hash, at = now(), format_two_from = coalesce(ledger_anchor.format_two_from, excluded.format_two_from);
  RETURN NULL;
END $$;
CREATE TRIGGER anchor_entry AFTER INSERT ON ledger_entry FOR EACH ROW EXECUTE FUNCTION anchor_entry();
-- A job wakes the jobs process in the transaction that asks for it: none can be lost between the two.
CREATE FUNCTION wake_jobs() RETURNS trigger LANGUAGE plpgsql SECURITY DEFINER SET search_path = public, pg_temp AS $$
BEGIN
  INSERT INTO queue.job (name, data) VALUES ('job', jsonb_build_object('district', NEW.district_id, 'job', NEW.id));
  RETURN NULL;
END $$;
CREATE TRIGGER wake_jobs AFTER INSERT ON job FOR EACH ROW EXECUTE FUNCTION wake_jobs();
--> statement-breakpoint
CREATE FUNCTION refuse_truncate() RETURNS trigger LANGUAGE plpgsql AS $$ BEGIN
  IF coalesce(current_setting('app.migrating', true), '') <> 'yes' THEN RAISE EXCEPTION '% may not be emptied', TG_TABLE_NAME; END IF;
  RETURN NULL;
END $$;
DO $$
DECLARE t record;
BEGIN
  FOR t IN SELECT c.oid::regclass AS name FROM pg_class c JOIN pg_attribute a ON a.attrelid = c.oid AND a.attname = 'district_id' WHERE c.relkind = 'r' AND c.relnamespace = 'public'::regnamespace LOOP
    EXECUTE format('CREATE TRIGGER refuse_truncate BEFORE TRUNCATE ON %s FOR EACH STATEMENT EXECUTE FUNCTION refuse_truncate()', t.name);
  END LOOP;
END $$;
--> statement-breakpoint
-- Before a district is chosen: which districts a person belongs to, under which name and roles, and nothing more.
DROP FUNCTION districts_of(text);
CREATE FUNCTION districts_of(person text) RETURNS TABLE (district_id uuid, name text, person_name text, roles text[]) LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public, pg_temp AS $$
  SELECT m.district_id, d.name, m.name, m.roles FROM membership m JOIN district d USING (district_id) WHERE m.person_id = person AND m.ended_at IS NULL ORDER BY d.name $$;
DROP FUNCTION invitation_by_token(text);
CREATE FUNCTION invitation_by_token(hash text) RETURNS TABLE (district_id uuid, id uuid, email text, person text, district_name text) LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public, pg_temp AS $$
  SELECT i.district_id, i.id, i.email, i.name, d.name FROM invitation i JOIN district d USING (district_id) WHERE i.token_hash = hash AND i.used_at IS NULL AND i.revoked_at IS NULL AND i.expires_at > now() $$;
DROP FUNCTION open_mail_districts();
-- Whether jobs are being taken up at all; it tells nothing of any of them.
CREATE FUNCTION jobs_lag() RETURNS boolean LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public, pg_temp AS $$
  SELECT EXISTS (SELECT 1 FROM job WHERE state = 'waiting' AND not_before < now() - interval '5 minutes' AND NOT EXISTS (SELECT 1 FROM job r WHERE r.state = 'running' AND r.heard_at > now() - interval '2 minutes')) $$;
REVOKE EXECUTE ON FUNCTION districts_of(text), invitation_by_token(text), jobs_lag() FROM PUBLIC;
GRANT EXECUTE ON FUNCTION districts_of(text), invitation_by_token(text), acts_as_keeper(), jobs_lag() TO sentinel_app;
REVOKE EXECUTE ON FUNCTION keep_change(), anchor_entry(), wake_jobs() FROM PUBLIC;
--> statement-breakpoint
-- Functions that run with another's rights run with those of a role that may only read what they read and write what they write.
-- It passes the policies, as their spatial indexes would be lost to them under row-level security; it cannot sign in.
GRANT SELECT ON membership, district, invitation, site, feature, patch, finding, job TO sentinel_definer;
GRANT INSERT ON change TO sentinel_definer;
GRANT EXECUTE ON FUNCTION current_district(), sees_protected() TO sentinel_definer;
GRANT USAGE ON SEQUENCE change_id_seq TO sentinel_definer;
DO $$
DECLARE f record;
BEGIN
  FOR f IN SELECT p.oid::regprocedure AS name, p.proname FROM pg_proc p WHERE p.prosecdef AND p.pronamespace = 'public'::regnamespace AND NOT EXISTS (SELECT 1 FROM pg_depend d WHERE d.objid = p.oid AND d.deptype = 'e') LOOP
    EXECUTE format('ALTER FUNCTION %s SET search_path = public, pg_temp', f.name);
    EXECUTE format('ALTER FUNCTION %s OWNER TO %I', f.name, CASE WHEN f.proname = 'anchor_entry' THEN 'sentinel_anchor' ELSE 'sentinel_definer' END);
  END LOOP;
  -- Its estimate tells the extent of all districts together.
  FOR f IN SELECT p.oid::regprocedure AS name FROM pg_proc p WHERE p.proname IN ('st_estimatedextent', '_postgis_stats', '_postgis_selectivity', '_postgis_join_selectivity', 'find_extent', 'st_findextent') LOOP
    EXECUTE format('REVOKE EXECUTE ON FUNCTION %s FROM PUBLIC', f.name);
  END LOOP;
END $$;
