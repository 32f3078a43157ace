import { jsonOf } from "./json";
import { boolean, doublePrecision, index, integer, pgTable, text, unique, uuid } from "drizzle-orm/pg-core";
import { createdAt, districtId, districtKey, geometry, inSameDistrict, rowId, signedBy } from "./columns";
import { settingSchema, siteRulesSchema } from "@/contracts/stored";

export const site = pgTable(
  "site",
  {
    districtId: districtId(),
    id: rowId(),
    name: text("name").notNull(),
    boundary: geometry("boundary").notNull(),
    zone: text("zone").notNull(),
    setting: jsonOf("setting", settingSchema).notNull(),
    rules: jsonOf("rules", siteRulesSchema).notNull(),
    note: text("note").notNull().default(""),
    createdAt: createdAt(),
  },
  (t) => [districtKey(t), index("site_district").on(t.districtId), index("site_place").using("gist", t.boundary)],
);

export const feature = pgTable(
  "feature",
  {
    districtId: districtId(),
    id: rowId(),
    kind: text("kind").$type<"river" | "creek" | "lake" | "landing" | "track" | "wood" | "field">().notNull(),
    name: text("name").notNull(),
    shape: geometry("shape").notNull(),
  },
  (t) => [districtKey(t), index("feature_place").using("gist", t.shape)],
);

export const patch = pgTable(
  "patch",
  {
    districtId: districtId(),
    id: rowId(),
    siteId: uuid("site_id").notNull(),
    /** frozen id of the plant; `taxon` is its name as it was then */
    plantId: text("plant_id").notNull(),
    taxon: text("taxon").notNull(),
    name: text("name").notNull(),
    outline: geometry("outline").notNull(),
    areaM2: doublePrecision("area_m2").notNull(),
    /** drawn on the map, typed, or told by the number of plants: then the outline is a round one about the finding */
    areaFrom: text("area_from").$type<"drawn" | "typed" | "counted">().notNull().default("drawn"),
    plants: integer("plants"),
    coverShare: doublePrecision("cover_share"),
    state: text("state").$type<"open" | "treated" | "watched" | "gone">().notNull().default("open"),
    protected: boolean("protected").notNull().default(false),
    ...signedBy("madeBy", "made_by"),
    createdAt: createdAt(),
  },
  (t) => [
    districtKey(t),
    inSameDistrict(t, t.siteId, site, "patch_site_fk"),
    unique("patch_at_site").on(t.districtId, t.siteId, t.id),
    index("patch_district").on(t.districtId, t.siteId),
    index("patch_place").using("gist", t.outline),
  ],
);
