import type { Geometry } from "geojson";
import { customType, timestamp, uuid } from "drizzle-orm/pg-core";

/** GeoJSON geometry, WGS 84, [longitude, latitude]. Written as GeoJSON text; read it with ST_AsGeoJSON. */
export const geometry = customType<{ data: Geometry; driverData: string }>({
  dataType: () => "geometry(Geometry,4326)",
  toDriver: (value) => JSON.stringify({ ...value, crs: { type: "name", properties: { name: "EPSG:4326" } } }),
});

export const bytes = customType<{ data: Buffer; driverData: Buffer }>({ dataType: () => "bytea" });

/** Every row of a district carries its id; row-level security compares it with the district of the transaction. */
export const districtId = () => uuid("district_id").notNull();
export const createdAt = () => timestamp("created_at", { withTimezone: true }).notNull().defaultNow();
