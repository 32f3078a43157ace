import { jsonOf } from "./json";
import {
  boolean,
  date,
  doublePrecision,
  index,
  integer,
  pgTable,
  text,
  timestamp,
  unique,
  uuid,
} from "drizzle-orm/pg-core";
import {
  createdAt,
  districtId,
  districtKey,
  geometry,
  inSameDistrict,
  maybeSignedBy,
  rowId,
  signedBy,
} from "./columns";
import { mappedWaterSchema, settingSchema, siteRulesSchema } from "@/contracts/stored";

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
    /** how far around it water is on the map, who says so and since when; null where nobody has said */
    water: jsonOf("water", mappedWaterSchema),
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
    /** the line of a stream runs downstream as it was drawn */
    flows: boolean("flows").notNull().default(false),
    ...maybeSignedBy("madeBy", "made_by"),
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
    /** kept by the database itself, by the list as it is now */
    protected: boolean("protected").notNull().default(false),
    ...signedBy("madeBy", "made_by"),
    createdAt: createdAt(),
    /** why it is no patch after all: a slip, or drawn twice */
    withdrawnWhy: text("withdrawn_why"),
    withdrawnAt: timestamp("withdrawn_at", { withTimezone: true }),
    ...maybeSignedBy("withdrawnBy", "withdrawn_by"),
  },
  (t) => [
    districtKey(t),
    inSameDistrict(t, t.siteId, site, "patch_site_fk"),
    unique("patch_at_site").on(t.districtId, t.siteId, t.id),
    index("patch_district").on(t.districtId, t.siteId),
    index("patch_place").using("gist", t.outline),
  ],
);

/** What a person saw of water at a patch, on the ground. Appended; the newest counts. */
export const waterSeen = pgTable(
  "water_seen",
  {
    districtId: districtId(),
    id: rowId(),
    patchId: uuid("patch_id").notNull(),
    /** "none": no water within `meters`; "at": the nearest water is so many meters away */
    kind: text("kind").$type<"none" | "at">().notNull(),
    meters: doublePrecision("meters").notNull(),
    day: date("day").notNull(),
    ...signedBy("seenBy", "seen_by"),
    at: timestamp("at", { withTimezone: true }).notNull().defaultNow(),
  },
  (t) => [
    districtKey(t),
    inSameDistrict(t, t.patchId, patch, "water_seen_patch_fk"),
    index("water_seen_patch").on(t.districtId, t.patchId, t.at),
  ],
);
