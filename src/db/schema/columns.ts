import type { Geometry } from "geojson";
import { customType, foreignKey, primaryKey, text, timestamp, uuid } from "drizzle-orm/pg-core";
import type { AnyPgColumn } from "drizzle-orm/pg-core";

/** GeoJSON geometry, WGS 84, [longitude, latitude]. Written as GeoJSON text; read it with ST_AsGeoJSON. */
export const geometry = customType<{ data: Geometry; driverData: string }>({
  dataType: () => "geometry(Geometry,4326)",
  toDriver: (value) => JSON.stringify({ ...value, crs: { type: "name", properties: { name: "EPSG:4326" } } }),
});

export const bytes = customType<{ data: Buffer; driverData: Buffer }>({ dataType: () => "bytea" });

/** Every row of a district carries its id; row-level security compares it with the district of the transaction. */
export const districtId = () => uuid("district_id").notNull();
export const createdAt = () => timestamp("created_at", { withTimezone: true }).notNull().defaultNow();

/** Ids are made on the client, so an id is only an id within its district: the key of every row is the two together. */
export const rowId = () => uuid("id").notNull();
export const districtKey = (t: { districtId: AnyPgColumn; id: AnyPgColumn }) =>
  primaryKey({ columns: [t.districtId as never, t.id as never] });
/** A reference that cannot leave its district. */
export const inSameDistrict = (
  t: { districtId: AnyPgColumn },
  column: AnyPgColumn,
  other: { districtId: AnyPgColumn; id: AnyPgColumn },
  name: string,
) =>
  foreignKey({
    name,
    columns: [t.districtId as never, column as never],
    foreignColumns: [other.districtId as never, other.id as never],
  });

/**
 * Who signed: the name as it was then, the person's id, and the roles held then. Rows from before ids were kept carry the
 * name alone, unless it named exactly one member.
 */
export const signedBy = <P extends string>(field: P, column: string) =>
  ({
    [field]: text(column).notNull(),
    [`${field}Id`]: text(`${column}_id`),
    [`${field}Roles`]: text(`${column}_roles`).array(),
  }) as SignedBy<P, ReturnType<typeof notNullText>>;
const notNullText = () => text().notNull();
const nullText = () => text();
const textArray = () => text().array();
type SignedBy<P extends string, Name> = Record<P, Name> &
  Record<`${P}Id`, ReturnType<typeof nullText>> &
  Record<`${P}Roles`, ReturnType<typeof textArray>>;
/** The same where nobody has signed yet. */
export const maybeSignedBy = <P extends string>(field: P, column: string) =>
  ({
    [field]: text(column),
    [`${field}Id`]: text(`${column}_id`),
    [`${field}Roles`]: text(`${column}_roles`).array(),
  }) as SignedBy<P, ReturnType<typeof nullText>>;
