-- A name stands at one point of its place: written on the place's own outline it stood once in every tile that holds a piece of it.
-- Like map_tile it runs with its owner's rights, so that the spatial index serves, and filters by the caller's district itself.
CREATE FUNCTION name_tile(z int, x int, y int) RETURNS bytea LANGUAGE plpgsql STABLE SECURITY DEFINER SET search_path = public AS $$
DECLARE box geometry := ST_TileEnvelope(z, x, y); here uuid := current_district(); tile bytea;
BEGIN
  IF here IS NULL THEN RETURN ''::bytea; END IF;
  SELECT coalesce((SELECT ST_AsMVT(t, 'site_names') FROM (SELECT s.name, ST_AsMVTGeom(ST_PointOnSurface(s.mercator), box, 4096, 0) AS geom FROM site s WHERE s.district_id = here AND s.mercator && box AND ST_Intersects(ST_PointOnSurface(s.mercator), box)) t), '')
      || coalesce((SELECT ST_AsMVT(t, 'place_names') FROM (SELECT f.kind, f.name, ST_AsMVTGeom(ST_PointOnSurface(f.mercator), box, 4096, 0) AS geom FROM feature f WHERE f.district_id = here AND f.mercator && box AND ST_Dimension(f.mercator) <> 1 AND ST_Intersects(ST_PointOnSurface(f.mercator), box)) t), '')
    INTO tile;
  RETURN tile;
END $$;
REVOKE EXECUTE ON FUNCTION name_tile(int, int, int) FROM PUBLIC;
GRANT EXECUTE ON FUNCTION name_tile(int, int, int) TO sentinel_app;
