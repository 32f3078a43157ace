-- A name stands at one point of its place: written on the place's own outline it stood once in every tile that holds a piece of it.
CREATE OR REPLACE FUNCTION map_tile(z int, x int, y int) RETURNS bytea LANGUAGE plpgsql STABLE SECURITY DEFINER SET search_path = public AS $$
DECLARE box geometry := ST_TileEnvelope(z, x, y); here uuid := current_district(); seen boolean := sees_protected(); tile bytea;
BEGIN
  IF here IS NULL THEN RETURN ''::bytea; END IF;
  SELECT coalesce((SELECT ST_AsMVT(t, 'sites') FROM (SELECT s.id::text, s.name, ST_AsMVTGeom(s.mercator, box, 4096, 64) AS geom FROM site s WHERE s.district_id = here AND s.mercator && box) t), '')
      || coalesce((SELECT ST_AsMVT(t, 'site_names') FROM (SELECT s.name, ST_AsMVTGeom(ST_PointOnSurface(s.mercator), box, 4096, 0) AS geom FROM site s WHERE s.district_id = here AND s.mercator && box AND ST_Intersects(ST_PointOnSurface(s.mercator), box)) t), '')
      || coalesce((SELECT ST_AsMVT(t, 'place_names') FROM (SELECT f.kind, f.name, ST_AsMVTGeom(ST_PointOnSurface(f.mercator), box, 4096, 0) AS geom FROM feature f WHERE f.district_id = here AND f.mercator && box AND ST_Dimension(f.mercator) <> 1 AND ST_Intersects(ST_PointOnSurface(f.mercator), box)) t), '')
      || coalesce((SELECT ST_AsMVT(t, 'features') FROM (SELECT f.id::text, f.kind, f.name, ST_AsMVTGeom(f.mercator, box, 4096, 64) AS geom FROM feature f WHERE f.district_id = here AND f.mercator && box) t), '')
      || coalesce((SELECT ST_AsMVT(t, 'patches') FROM (SELECT p.id::text, p.name, p.taxon, p.state, ST_AsMVTGeom(p.mercator, box, 4096, 64) AS geom FROM patch p WHERE p.district_id = here AND p.mercator && box AND (seen OR NOT p.protected)) t), '')
      || coalesce((SELECT ST_AsMVT(t, 'findings') FROM (SELECT f.id::text, f.number, f.taxon, f.verdict, ST_AsMVTGeom(CASE WHEN seen OR NOT f.protected THEN f.mercator ELSE ST_SnapToGrid(f.mercator, 2000) END, box, 4096, 64) AS geom FROM finding f WHERE f.district_id = here AND f.mercator && ST_Expand(box, CASE WHEN seen THEN 0 ELSE 2000 END)) t), '')
    INTO tile;
  RETURN tile;
END $$;
