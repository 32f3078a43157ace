-- The wall between districts, in the database itself. The application's role owns nothing; it names the district
-- per transaction (app.district), and a query without a "where" sees that district alone.
REVOKE ALL ON SCHEMA public FROM PUBLIC;
GRANT USAGE ON SCHEMA public TO sentinel_app, sentinel_verify;
GRANT USAGE ON SCHEMA auth TO sentinel_auth;
GRANT SELECT, INSERT, UPDATE, DELETE ON ALL TABLES IN SCHEMA auth TO sentinel_auth;
--> statement-breakpoint
CREATE FUNCTION current_district() RETURNS uuid LANGUAGE sql STABLE AS $$ SELECT nullif(current_setting('app.district', true), '')::uuid $$;
--> statement-breakpoint
DO $$
DECLARE name text;
BEGIN
  FOREACH name IN ARRAY ARRAY['district','membership','invitation','mail','list_entry','label','demonstration','site','feature','patch','finding','finding_event','picture','plan','ledger_entry','follow_up'] LOOP
    EXECUTE format('ALTER TABLE %I ENABLE ROW LEVEL SECURITY', name);
    EXECUTE format('CREATE POLICY own_district ON %I TO sentinel_app USING (district_id = current_district()) WITH CHECK (district_id = current_district())', name);
    EXECUTE format('GRANT SELECT, INSERT ON %I TO sentinel_app', name);
  END LOOP;
  FOREACH name IN ARRAY ARRAY['district','membership','invitation','mail','list_entry','label','site','patch','finding','plan','follow_up'] LOOP
    EXECUTE format('GRANT UPDATE ON %I TO sentinel_app', name);
  END LOOP;
  FOREACH name IN ARRAY ARRAY['list_entry','membership','invitation'] LOOP
    EXECUTE format('GRANT DELETE ON %I TO sentinel_app', name);
  END LOOP;
END $$;
--> statement-breakpoint
-- The ledger and the events of a finding are appended, never changed: no role of the application may, and the owner is stopped too.
CREATE FUNCTION refuse_change() RETURNS trigger LANGUAGE plpgsql AS $$ BEGIN RAISE EXCEPTION '% is append-only: write a new entry that supersedes', TG_TABLE_NAME; END $$;
CREATE TRIGGER ledger_append_only BEFORE UPDATE OR DELETE ON ledger_entry FOR EACH ROW EXECUTE FUNCTION refuse_change();
CREATE TRIGGER finding_event_append_only BEFORE UPDATE OR DELETE ON finding_event FOR EACH ROW EXECUTE FUNCTION refuse_change();
--> statement-breakpoint
CREATE POLICY verify_reads ON ledger_entry FOR SELECT TO sentinel_verify USING (true);
CREATE POLICY verify_reads ON district FOR SELECT TO sentinel_verify USING (true);
GRANT SELECT ON ledger_entry, district TO sentinel_verify;
--> statement-breakpoint
-- Before a district is chosen: which districts a person belongs to, and nothing more.
CREATE FUNCTION districts_of(person text) RETURNS TABLE (district_id uuid, name text, roles text[]) LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public AS $$
  SELECT m.district_id, d.name, m.roles FROM membership m JOIN district d USING (district_id) WHERE m.person_id = person ORDER BY d.name $$;
CREATE FUNCTION invitation_by_token(hash text) RETURNS TABLE (district_id uuid, id uuid, email text, person text, district_name text) LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public AS $$
  SELECT i.district_id, i.id, i.email, i.name, d.name FROM invitation i JOIN district d USING (district_id) WHERE i.token_hash = hash AND i.used_at IS NULL AND i.expires_at > now() $$;
CREATE FUNCTION any_district() RETURNS boolean LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public AS $$ SELECT EXISTS (SELECT 1 FROM district) $$;
CREATE FUNCTION open_mail_districts() RETURNS SETOF uuid LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public AS $$ SELECT DISTINCT district_id FROM mail WHERE sent_at IS NULL $$;
REVOKE EXECUTE ON FUNCTION districts_of(text), invitation_by_token(text), any_district(), open_mail_districts() FROM PUBLIC;
GRANT EXECUTE ON FUNCTION districts_of(text), invitation_by_token(text), any_district(), open_mail_districts() TO sentinel_app;
--> statement-breakpoint
-- Map. Under row-level security the box operator is not leakproof, so the spatial index would not be used:
-- these functions run with their owner's rights, filter by the caller's district themselves and mask protected places.
ALTER TABLE site ADD COLUMN mercator geometry(Geometry,3857) GENERATED ALWAYS AS (ST_Transform(boundary, 3857)) STORED;
ALTER TABLE feature ADD COLUMN mercator geometry(Geometry,3857) GENERATED ALWAYS AS (ST_Transform(shape, 3857)) STORED;
ALTER TABLE patch ADD COLUMN mercator geometry(Geometry,3857) GENERATED ALWAYS AS (ST_Transform(outline, 3857)) STORED;
ALTER TABLE finding ADD COLUMN mercator geometry(Geometry,3857) GENERATED ALWAYS AS (ST_Transform(place, 3857)) STORED;
CREATE INDEX site_mercator ON site USING gist (mercator);
CREATE INDEX feature_mercator ON feature USING gist (mercator);
CREATE INDEX patch_mercator ON patch USING gist (mercator);
CREATE INDEX finding_mercator ON finding USING gist (mercator);
--> statement-breakpoint
CREATE FUNCTION sees_protected() RETURNS boolean LANGUAGE sql STABLE AS $$ SELECT coalesce(current_setting('app.sees_protected', true), '') = 'yes' $$;
CREATE FUNCTION map_tile(z int, x int, y int) RETURNS bytea LANGUAGE plpgsql STABLE SECURITY DEFINER SET search_path = public AS $$
DECLARE box geometry := ST_TileEnvelope(z, x, y); here uuid := current_district(); seen boolean := sees_protected(); tile bytea;
BEGIN
  IF here IS NULL THEN RETURN ''::bytea; END IF;
  SELECT coalesce((SELECT ST_AsMVT(t, 'sites') FROM (SELECT s.id::text, s.name, ST_AsMVTGeom(s.mercator, box, 4096, 64) AS geom FROM site s WHERE s.district_id = here AND s.mercator && box) t), '')
      || coalesce((SELECT ST_AsMVT(t, 'features') FROM (SELECT f.id::text, f.kind, f.name, ST_AsMVTGeom(f.mercator, box, 4096, 64) AS geom FROM feature f WHERE f.district_id = here AND f.mercator && box) t), '')
      || coalesce((SELECT ST_AsMVT(t, 'patches') FROM (SELECT p.id::text, p.name, p.taxon, p.state, ST_AsMVTGeom(p.mercator, box, 4096, 64) AS geom FROM patch p WHERE p.district_id = here AND p.mercator && box AND (seen OR NOT p.protected)) t), '')
      || coalesce((SELECT ST_AsMVT(t, 'findings') FROM (SELECT f.id::text, f.number, f.taxon, f.verdict, ST_AsMVTGeom(CASE WHEN seen OR NOT f.protected THEN f.mercator ELSE ST_SnapToGrid(f.mercator, 2000) END, box, 4096, 64) AS geom FROM finding f WHERE f.district_id = here AND f.mercator && ST_Expand(box, CASE WHEN seen THEN 0 ELSE 2000 END)) t), '')
    INTO tile;
  RETURN tile;
END $$;
CREATE FUNCTION patches_in_box(west float8, south float8, east float8, north float8) RETURNS TABLE (id uuid, name text, taxon text, state text, site_id uuid, area_m2 float8) LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public AS $$
  SELECT p.id, p.name, p.taxon, p.state, p.site_id, p.area_m2 FROM patch p WHERE p.district_id = current_district() AND p.outline && ST_MakeEnvelope(west, south, east, north, 4326) AND (sees_protected() OR NOT p.protected) $$;
-- Metres from a patch to the nearest water, on the spheroid; null if no water is mapped.
CREATE FUNCTION water_distance_m(place uuid) RETURNS float8 LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public AS $$
  SELECT min(ST_Distance(p.outline::geography, f.shape::geography)) FROM patch p, feature f WHERE p.id = place AND p.district_id = current_district() AND f.district_id = p.district_id AND f.kind IN ('river', 'creek', 'lake') $$;
REVOKE EXECUTE ON FUNCTION map_tile(int, int, int), patches_in_box(float8, float8, float8, float8), water_distance_m(uuid), sees_protected() FROM PUBLIC;
GRANT EXECUTE ON FUNCTION map_tile(int, int, int), patches_in_box(float8, float8, float8, float8), water_distance_m(uuid), sees_protected() TO sentinel_app;
