import { boolean, doublePrecision, index, jsonb, pgTable, text, uuid } from "drizzle-orm/pg-core";
import { createdAt, districtId, geometry } from "./columns";

export interface SiteRules {
  noProduct?: boolean;
  grazed?: boolean;
  hayed?: boolean;
  foraged?: boolean;
  noMachines?: boolean;
  note?: string;
}

export const site = pgTable(
  "site",
  {
    districtId: districtId(),
    id: uuid("id").primaryKey(),
    name: text("name").notNull(),
    boundary: geometry("boundary").notNull(),
    zone: text("zone").notNull(),
    setting: jsonb("setting").$type<Record<string, string[]>>().notNull(),
    rules: jsonb("rules").$type<SiteRules>().notNull(),
    note: text("note").notNull().default(""),
    createdAt: createdAt(),
  },
  (t) => [index("site_district").on(t.districtId), index("site_place").using("gist", t.boundary)],
);

export const feature = pgTable(
  "feature",
  {
    districtId: districtId(),
    id: uuid("id").primaryKey(),
    kind: text("kind").$type<"river" | "creek" | "lake" | "landing" | "track" | "wood" | "field">().notNull(),
    name: text("name").notNull(),
    shape: geometry("shape").notNull(),
  },
  (t) => [index("feature_place").using("gist", t.shape)],
);

export const patch = pgTable(
  "patch",
  {
    districtId: districtId(),
    id: uuid("id").primaryKey(),
    siteId: uuid("site_id")
      .notNull()
      .references(() => site.id),
    taxon: text("taxon").notNull(),
    name: text("name").notNull(),
    outline: geometry("outline").notNull(),
    areaM2: doublePrecision("area_m2").notNull(),
    coverShare: doublePrecision("cover_share"),
    state: text("state").$type<"open" | "treated" | "watched" | "gone">().notNull().default("open"),
    protected: boolean("protected").notNull().default(false),
    madeBy: text("made_by").notNull(),
    createdAt: createdAt(),
  },
  (t) => [index("patch_district").on(t.districtId, t.siteId), index("patch_place").using("gist", t.outline)],
);
