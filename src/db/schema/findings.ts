import {
  boolean,
  date,
  doublePrecision,
  foreignKey,
  index,
  integer,
  jsonb,
  pgTable,
  text,
  timestamp,
  unique,
  uniqueIndex,
  uuid,
} from "drizzle-orm/pg-core";
import { marksSchema } from "@/core/measure";
import { bytes, createdAt, districtId, districtKey, geometry, inSameDistrict, rowId, signedBy } from "./columns";
import { patch, site } from "./ground";
import type { Stage } from "@/core/flora";
import type { Verdict } from "@/core/identify";
import { jsonOf } from "./json";

/** A plant looked at. What is known of it is in its events; the columns here repeat the latest, for lists and maps. */
export const finding = pgTable(
  "finding",
  {
    districtId: districtId(),
    id: rowId(),
    number: integer("number").notNull(),
    siteId: uuid("site_id").notNull(),
    patchId: uuid("patch_id"),
    place: geometry("place").notNull(),
    day: date("day").notNull(),
    stage: text("stage").$type<Stage>(),
    /** frozen id of the plant; `taxon` is its name as it was then */
    plantId: text("plant_id"),
    taxon: text("taxon"),
    verdict: text("verdict").$type<Verdict>().notNull(),
    because: text("because").notNull(),
    reportFirst: boolean("report_first").notNull().default(false),
    overruled: boolean("overruled").notNull().default(false),
    settleFrom: date("settle_from"),
    /** frozen ids of the plants that it may be: where one of them is protected here, its place is masked */
    concerns: text("concerns").array().notNull().default([]),
    /** kept by the database itself, by the list as it is now */
    protected: boolean("protected").notNull().default(false),
    note: text("note").notNull().default(""),
    /** its day lies before the district was made here: it was entered from older notes */
    enteredLater: boolean("entered_later").notNull().default(false),
    ...signedBy("madeBy", "made_by"),
    createdAt: createdAt(),
  },
  (t) => [
    districtKey(t),
    uniqueIndex("finding_number").on(t.districtId, t.number),
    inSameDistrict(t, t.siteId, site, "finding_site_fk"),
    foreignKey({
      name: "finding_patch_fk",
      columns: [t.districtId, t.siteId, t.patchId],
      foreignColumns: [patch.districtId, patch.siteId, patch.id],
    }),
    unique("finding_at_patch").on(t.districtId, t.patchId, t.id),
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
    id: rowId(),
    findingId: uuid("finding_id").notNull(),
    kind: text("kind").$type<"observations" | "verdict" | "confirmation" | "overruling" | "note">().notNull(),
    body: jsonb("body").notNull(),
    ...signedBy("by", "by"),
    at: timestamp("at", { withTimezone: true }).notNull().defaultNow(),
  },
  (t) => [
    districtKey(t),
    inSameDistrict(t, t.findingId, finding, "finding_event_finding_fk"),
    index("finding_event_finding").on(t.districtId, t.findingId, t.at),
  ],
);

/** Pictures are re-encoded before they are stored; their position data is kept apart. */
export const picture = pgTable(
  "picture",
  {
    districtId: districtId(),
    id: rowId(),
    findingId: uuid("finding_id").notNull(),
    content: bytes("content").notNull(),
    widthPx: integer("width_px").notNull(),
    heightPx: integer("height_px").notNull(),
    takenAt: timestamp("taken_at", { withTimezone: true }),
    longitude: doublePrecision("longitude"),
    latitude: doublePrecision("latitude"),
    simulated: boolean("simulated").notNull().default(false),
    ...signedBy("by", "by"),
    createdAt: createdAt(),
  },
  (t) => [
    districtKey(t),
    inSameDistrict(t, t.findingId, finding, "picture_finding_fk"),
    index("picture_finding").on(t.districtId, t.findingId),
  ],
);

/** What was measured on a picture: each time that it is marked again a row is added, the last one holds. */
export const pictureMarks = pgTable(
  "picture_marks",
  {
    districtId: districtId(),
    id: rowId(),
    pictureId: uuid("picture_id").notNull(),
    marks: jsonOf("marks", marksSchema).notNull(),
    ...signedBy("by", "by"),
    at: timestamp("at", { withTimezone: true }).notNull().defaultNow(),
  },
  (t) => [
    districtKey(t),
    inSameDistrict(t, t.pictureId, picture, "picture_marks_picture_fk"),
    index("picture_marks_picture").on(t.districtId, t.pictureId, t.at),
  ],
);
