import { jsonOf } from "./json";
import {
  boolean,
  date,
  doublePrecision,
  foreignKey,
  index,
  integer,
  pgTable,
  primaryKey,
  text,
  timestamp,
  unique,
  uniqueIndex,
  uuid,
} from "drizzle-orm/pg-core";
import { bytes, createdAt, districtId, districtKey, inSameDistrict, maybeSignedBy, rowId, signedBy } from "./columns";
import { site } from "./ground";
import { districtCostsSchema, districtSettingsSchema } from "@/contracts/stored";
import { labelLimitsSchema } from "@/core/records";
import type { Role } from "@/core/roles";

/** In hours of work; `hour` is what one costs in the district's money, 1 where it counts in hours. */

export const district = pgTable("district", {
  districtId: districtId().primaryKey(),
  name: text("name").notNull(),
  zone: text("zone").notNull(),
  hemisphere: text("hemisphere").$type<"north" | "south">().notNull().default("north"),
  /** days by which spring comes later here, and autumn earlier, than the flora's calendars say */
  seasonShift: integer("season_shift").notNull().default(0),
  costs: jsonOf("costs", districtCostsSchema).notNull(),
  settings: jsonOf("settings", districtSettingsSchema)
    .notNull()
    .default({} as never),
  version: integer("version").notNull().default(1),
  createdAt: createdAt(),
});

export const membership = pgTable(
  "membership",
  {
    districtId: districtId(),
    personId: text("person_id").notNull(),
    name: text("name").notNull(),
    email: text("email").notNull(),
    roles: text("roles").array().$type<Role[]>().notNull(),
    licence: text("licence"),
    licenceExpires: date("licence_expires"),
    /** hours that the person has for this work in a week; null where nobody has said */
    weekHours: doublePrecision("week_hours"),
    version: integer("version").notNull().default(1),
    /** left or removed; what the person signed keeps the name */
    endedAt: timestamp("ended_at", { withTimezone: true }),
    ...maybeSignedBy("endedBy", "ended_by"),
    createdAt: createdAt(),
  },
  (t) => [primaryKey({ columns: [t.districtId, t.personId] })],
);

export const invitation = pgTable(
  "invitation",
  {
    districtId: districtId(),
    id: rowId(),
    tokenHash: text("token_hash").notNull(),
    email: text("email").notNull(),
    name: text("name").notNull(),
    roles: text("roles").array().$type<Role[]>().notNull(),
    ...signedBy("invitedBy", "invited_by"),
    expiresAt: timestamp("expires_at", { withTimezone: true }).notNull(),
    usedAt: timestamp("used_at", { withTimezone: true }),
    revokedAt: timestamp("revoked_at", { withTimezone: true }),
    createdAt: createdAt(),
  },
  (t) => [districtKey(t), uniqueIndex("invitation_token").on(t.tokenHash)],
);

/** A letter to be sent. Its text is readable by the jobs process alone, and is emptied once it has been handed over. */
export const mail = pgTable(
  "mail",
  {
    districtId: districtId(),
    id: rowId(),
    recipient: text("recipient").notNull(),
    subject: text("subject").notNull(),
    body: text("body").notNull(),
    sentAt: timestamp("sent_at", { withTimezone: true }),
    createdAt: createdAt(),
  },
  (t) => [districtKey(t)],
);

/** Letters of a demonstration: they are sent to nobody, and its keeper reads them. Real use writes nothing here. */
export const sampleLetter = pgTable(
  "sample_letter",
  {
    districtId: districtId(),
    id: rowId(),
    recipient: text("recipient").notNull(),
    subject: text("subject").notNull(),
    body: text("body").notNull(),
    createdAt: createdAt(),
  },
  (t) => [districtKey(t)],
);

/** The district's list: what a plant is here, with exceptions by site (siteId set). */
export const listEntry = pgTable(
  "list_entry",
  {
    districtId: districtId(),
    id: rowId(),
    /** frozen id of the plant; `taxon` is its name as it was then */
    plantId: text("plant_id").notNull(),
    taxon: text("taxon").notNull(),
    siteId: uuid("site_id"),
    status: text("status").$type<"target" | "watch" | "tolerated" | "kept" | "protected" | "crop">().notNull(),
    action: text("action"),
    /** a target that is reported before anything is done; watch always is */
    reportFirst: boolean("report_first").notNull().default(false),
    version: integer("version").notNull().default(1),
    ...signedBy("changedBy", "changed_by"),
    changedAt: timestamp("changed_at", { withTimezone: true }).notNull().defaultNow(),
  },
  (t) => [
    districtKey(t),
    unique("list_entry_place").on(t.districtId, t.plantId, t.siteId).nullsNotDistinct(),
    foreignKey({
      name: "list_entry_site_fk",
      columns: [t.districtId, t.siteId],
      foreignColumns: [site.districtId, site.id],
    }),
  ],
);

export const demonstration = pgTable("demonstration", {
  districtId: districtId().primaryKey(),
  madeFor: date("made_for").notNull(),
  /** what was written later is not of its past */
  loadedAt: timestamp("loaded_at", { withTimezone: true }).notNull().defaultNow(),
});

/** A label as the user entered it: the program recommends none. */
export const label = pgTable(
  "label",
  {
    districtId: districtId(),
    id: rowId(),
    name: text("name").notNull(),
    limits: jsonOf("limits", labelLimitsSchema).notNull(),
    version: integer("version").notNull().default(1),
    /** the version before this one; each is replaced once */
    replaces: uuid("replaces"),
    ...signedBy("enteredBy", "entered_by"),
    createdAt: createdAt(),
  },
  (t) => [
    districtKey(t),
    index("label_district").on(t.districtId),
    uniqueIndex("label_replaced_once").on(t.districtId, t.replaces),
  ],
);

/** The label itself, as a PDF that a person uploaded. It is served as a download alone. Appended. */
export const labelPaper = pgTable(
  "label_paper",
  {
    districtId: districtId(),
    /** the label's own id: each version has one paper */
    id: rowId(),
    content: bytes("content").notNull(),
    ...signedBy("by", "by"),
    at: timestamp("at", { withTimezone: true }).notNull().defaultNow(),
  },
  (t) => [districtKey(t), inSameDistrict(t, t.id, label, "label_paper_label_fk")],
);

/** What the label says, in SI units. Absent means: the label says nothing. */

/** A district's own word on one score of the flora, over what is shipped. Kept for ever; one that is taken back says by whom. */
export const amendment = pgTable(
  "amendment",
  {
    districtId: districtId(),
    id: rowId(),
    /** frozen id of the plant; `taxon` is its name as it was then */
    plantId: text("plant_id").notNull(),
    taxon: text("taxon").notNull(),
    /** character, with where it holds after "@" */
    key: text("key").notNull(),
    /** in the words of the flora files; null: not recorded */
    value: text("value"),
    /** what the flora said before */
    before: text("before"),
    reason: text("reason").notNull(),
    /** version of the shipped flora that it was made over */
    flora: text("flora").notNull(),
    ...signedBy("madeBy", "made_by"),
    createdAt: createdAt(),
    ...maybeSignedBy("revertedBy", "reverted_by"),
    revertedAt: timestamp("reverted_at", { withTimezone: true }),
  },
  (t) => [districtKey(t), index("amendment_district").on(t.districtId, t.taxon)],
);
