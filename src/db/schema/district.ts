import {
  boolean,
  date,
  index,
  integer,
  jsonb,
  pgTable,
  primaryKey,
  text,
  timestamp,
  uniqueIndex,
  uuid,
} from "drizzle-orm/pg-core";
import { createdAt, districtId } from "./columns";

/** In hours of work; `hour` is what one costs in the district's money, 1 where it counts in hours. */
export interface DistrictCosts {
  wrongClear: number;
  missedTarget: number;
  hold: number;
  hour?: number;
}

export const district = pgTable("district", {
  districtId: districtId().primaryKey(),
  name: text("name").notNull(),
  zone: text("zone").notNull(),
  hemisphere: text("hemisphere").$type<"north" | "south">().notNull().default("north"),
  /** days by which spring comes later here, and autumn earlier, than the flora's calendars say */
  seasonShift: integer("season_shift").notNull().default(0),
  costs: jsonb("costs").$type<DistrictCosts>().notNull(),
  listVersion: text("list_version").notNull(),
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
    createdAt: createdAt(),
  },
  (t) => [primaryKey({ columns: [t.districtId, t.personId] })],
);

export const ROLES = ["visitor", "scout", "specialist", "applicator", "keeper"] as const;
export type Role = (typeof ROLES)[number];

export const invitation = pgTable(
  "invitation",
  {
    districtId: districtId(),
    id: uuid("id").primaryKey(),
    tokenHash: text("token_hash").notNull(),
    email: text("email").notNull(),
    name: text("name").notNull(),
    roles: text("roles").array().$type<Role[]>().notNull(),
    invitedBy: text("invited_by").notNull(),
    expiresAt: timestamp("expires_at", { withTimezone: true }).notNull(),
    usedAt: timestamp("used_at", { withTimezone: true }),
    createdAt: createdAt(),
  },
  (t) => [uniqueIndex("invitation_token").on(t.tokenHash)],
);

export const mail = pgTable("mail", {
  districtId: districtId(),
  id: uuid("id").primaryKey(),
  recipient: text("recipient").notNull(),
  subject: text("subject").notNull(),
  body: text("body").notNull(),
  sentAt: timestamp("sent_at", { withTimezone: true }),
  createdAt: createdAt(),
});

/** The district's list: what a plant is here, with exceptions by site (siteId set). */
export const listEntry = pgTable(
  "list_entry",
  {
    districtId: districtId(),
    id: uuid("id").primaryKey(),
    taxon: text("taxon").notNull(),
    siteId: uuid("site_id"),
    status: text("status").$type<"target" | "watch" | "tolerated" | "kept" | "protected" | "crop">().notNull(),
    action: text("action"),
    changedBy: text("changed_by").notNull(),
    changedAt: timestamp("changed_at", { withTimezone: true }).notNull().defaultNow(),
  },
  (t) => [uniqueIndex("list_entry_place").on(t.districtId, t.taxon, t.siteId)],
);

export const demonstration = pgTable("demonstration", {
  districtId: districtId().primaryKey(),
  madeFor: date("made_for").notNull(),
  sample: boolean("sample").notNull().default(true),
});

/** A label as the user entered it: the program recommends none. */
export const label = pgTable(
  "label",
  {
    districtId: districtId(),
    id: uuid("id").primaryKey(),
    name: text("name").notNull(),
    limits: jsonb("limits").$type<LabelLimits>().notNull(),
    enteredBy: text("entered_by").notNull(),
    createdAt: createdAt(),
  },
  (t) => [index("label_district").on(t.districtId)],
);

/** What the label says, in SI units. Absent means: the label says nothing. */
export interface LabelLimits {
  registration?: string;
  siteOfAction?: string;
  ratePerHaMax?: number;
  rateUnit: "L" | "kg";
  seasonMaxPerHa?: number;
  windMaxMS?: number;
  windMinMS?: number;
  temperatureMaxC?: number;
  temperatureMinC?: number;
  rainFreeHours?: number;
  reentryHours?: number;
  grazingDays?: number;
  hayingDays?: number;
  waterBufferM?: number;
}

/** A district's own word on one score of the flora, over what is shipped. Kept for ever; one that is taken back says by whom. */
export const amendment = pgTable(
  "amendment",
  {
    districtId: districtId(),
    id: uuid("id").primaryKey(),
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
    madeBy: text("made_by").notNull(),
    createdAt: createdAt(),
    revertedBy: text("reverted_by"),
    revertedAt: timestamp("reverted_at", { withTimezone: true }),
  },
  (t) => [index("amendment_district").on(t.districtId, t.taxon)],
);
