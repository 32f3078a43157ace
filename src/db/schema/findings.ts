import {
  boolean,
  date,
  doublePrecision,
  index,
  integer,
  jsonb,
  pgTable,
  text,
  timestamp,
  uuid,
} from "drizzle-orm/pg-core";
import type { Marks } from "@/core/measure";
import { bytes, createdAt, districtId, geometry } from "./columns";
import { patch, site } from "./ground";

export type VerdictWord = "clear" | "hold" | "keep" | "open" | "unknown";

/** A plant looked at. What is known of it is in its events; the columns here repeat the latest, for lists and maps. */
export const finding = pgTable(
  "finding",
  {
    districtId: districtId(),
    id: uuid("id").primaryKey(),
    number: integer("number").notNull(),
    siteId: uuid("site_id")
      .notNull()
      .references(() => site.id),
    patchId: uuid("patch_id").references(() => patch.id),
    place: geometry("place").notNull(),
    day: date("day").notNull(),
    stage: text("stage"),
    taxon: text("taxon"),
    verdict: text("verdict").$type<VerdictWord>().notNull(),
    because: text("because").notNull(),
    reportFirst: boolean("report_first").notNull().default(false),
    overruled: boolean("overruled").notNull().default(false),
    settleFrom: date("settle_from"),
    protected: boolean("protected").notNull().default(false),
    note: text("note").notNull().default(""),
    madeBy: text("made_by").notNull(),
    createdAt: createdAt(),
  },
  (t) => [
    index("finding_district").on(t.districtId, t.verdict, t.day),
    index("finding_site").on(t.districtId, t.siteId),
    index("finding_place").using("gist", t.place),
  ],
);

/** Observations, verdicts, confirmations, overrulings: appended, never changed. */
export const findingEvent = pgTable(
  "finding_event",
  {
    districtId: districtId(),
    id: uuid("id").primaryKey(),
    findingId: uuid("finding_id")
      .notNull()
      .references(() => finding.id),
    kind: text("kind").$type<"observations" | "verdict" | "confirmation" | "overruling" | "note">().notNull(),
    body: jsonb("body").notNull(),
    by: text("by").notNull(),
    at: timestamp("at", { withTimezone: true }).notNull().defaultNow(),
  },
  (t) => [index("finding_event_finding").on(t.districtId, t.findingId, t.at)],
);

/** Pictures are re-encoded before they are stored; their position data is kept apart. */
export const picture = pgTable(
  "picture",
  {
    districtId: districtId(),
    id: uuid("id").primaryKey(),
    findingId: uuid("finding_id")
      .notNull()
      .references(() => finding.id),
    content: bytes("content").notNull(),
    widthPx: integer("width_px").notNull(),
    heightPx: integer("height_px").notNull(),
    takenAt: timestamp("taken_at", { withTimezone: true }),
    longitude: doublePrecision("longitude"),
    latitude: doublePrecision("latitude"),
    simulated: boolean("simulated").notNull().default(false),
    by: text("by").notNull(),
    createdAt: createdAt(),
  },
  (t) => [index("picture_finding").on(t.districtId, t.findingId)],
);

/** What was measured on a picture: each time that it is marked anew a row is added, the last one holds. */
export const pictureMarks = pgTable(
  "picture_marks",
  {
    districtId: districtId(),
    id: uuid("id").primaryKey(),
    pictureId: uuid("picture_id")
      .notNull()
      .references(() => picture.id),
    marks: jsonb("marks").$type<Marks>().notNull(),
    by: text("by").notNull(),
    at: timestamp("at", { withTimezone: true }).notNull().defaultNow(),
  },
  (t) => [index("picture_marks_picture").on(t.districtId, t.pictureId, t.at)],
);
