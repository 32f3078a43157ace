import {
  date,
  doublePrecision,
  foreignKey,
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
import { bytes, createdAt, districtId, districtKey, inSameDistrict, maybeSignedBy, rowId, signedBy } from "./columns";
import { label } from "./district";
import { finding } from "./findings";
import { patch } from "./ground";
import { crew } from "./season";
import { checkResultSchema } from "@/contracts/stored";
import { jsonOf } from "./json";

/** A piece of control work that is meant to be done. */
export const plan = pgTable(
  "plan",
  {
    districtId: districtId(),
    id: rowId(),
    patchId: uuid("patch_id").notNull(),
    findingId: uuid("finding_id").notNull(),
    method: text("method").notNull(),
    /** frozen id of the plant; `taxon` is its name as it was then */
    plantId: text("plant_id").notNull(),
    taxon: text("taxon").notNull(),
    windowFrom: date("window_from").notNull(),
    windowTo: date("window_to").notNull(),
    /** the first of its days */
    intendedOn: date("intended_on").notNull(),
    /** all days that it is meant for, in order */
    onDays: date("on_days").array().notNull(),
    /** who is responsible for it and records it */
    personId: text("person_id").notNull(),
    /** who goes along */
    helperIds: text("helper_ids").array().notNull().default([]),
    crewId: uuid("crew_id"),
    /** people who had it before it was handed over: their calendars hear that it is theirs no more */
    formerIds: text("former_ids").array().notNull().default([]),
    /** hours for all people together, as they were expected when it was planned */
    hours: doublePrecision("hours"),
    /** share that is done, 0 to 1, where it is done in several goes */
    doneShare: doublePrecision("done_share").notNull().default(0),
    /** the plan whose work this one follows: what should grow there afterward */
    followsPlan: uuid("follows_plan"),
    /** the check that found plants again, where it is planned because of it */
    afterCheck: uuid("after_check"),
    /** version of the label in force when the work was planned, or checked again since */
    labelId: uuid("label_id"),
    version: integer("version").notNull().default(1),
    followedBy: text("followed_by").notNull(),
    overruling: text("overruling"),
    state: text("state").$type<"planned" | "done" | "dropped">().notNull().default("planned"),
    ...signedBy("madeBy", "made_by"),
    createdAt: createdAt(),
    /** why it is not done after all */
    droppedWhy: text("dropped_why"),
    droppedAt: timestamp("dropped_at", { withTimezone: true }),
    ...maybeSignedBy("droppedBy", "dropped_by"),
  },
  (t) => [
    districtKey(t),
    inSameDistrict(t, t.patchId, patch, "plan_patch_fk"),
    inSameDistrict(t, t.crewId, crew, "plan_crew_fk"),
    inSameDistrict(t, t.labelId, label, "plan_label_fk"),
    foreignKey({
      name: "plan_finding_fk",
      columns: [t.districtId, t.patchId, t.findingId],
      foreignColumns: [finding.districtId, finding.patchId, finding.id],
    }),
    index("plan_district").on(t.districtId, t.state, t.intendedOn),
  ],
);

/** The ledger: appended one at a time per district, chained by hash, never changed or deleted. */
export const ledgerEntry = pgTable(
  "ledger_entry",
  {
    districtId: districtId(),
    seq: integer("seq").notNull(),
    id: rowId(),
    patchId: uuid("patch_id").notNull(),
    planId: uuid("plan_id"),
    supersedes: uuid("supersedes"),
    /** 1: entries from before ids of people were sealed; 2: kind, plan, patch, plant and the person with id and roles are sealed too */
    format: integer("format").$type<1 | 2>().notNull().default(1),
    kind: text("kind").notNull().default("treatment"),
    plantId: text("plant_id"),
    body: jsonb("body").notNull(),
    ...signedBy("enteredBy", "entered_by"),
    enteredAt: text("entered_at").notNull(),
    previousHash: text("previous_hash").notNull(),
    hash: text("hash").notNull(),
  },
  (t) => [
    districtKey(t),
    inSameDistrict(t, t.patchId, patch, "ledger_patch_fk"),
    inSameDistrict(t, t.planId, plan, "ledger_plan_fk"),
    uniqueIndex("ledger_superseded_once").on(t.districtId, t.supersedes),
    uniqueIndex("ledger_seq").on(t.districtId, t.seq),
    index("ledger_patch").on(t.districtId, t.patchId),
  ],
);

/** Going back to look: made when a treatment is recorded. */
export const followUp = pgTable(
  "follow_up",
  {
    districtId: districtId(),
    id: rowId(),
    patchId: uuid("patch_id").notNull(),
    ledgerId: uuid("ledger_id"),
    dueOn: date("due_on").notNull(),
    what: text("what").notNull(),
    doneOn: date("done_on"),
    result: jsonOf("result", checkResultSchema),
    ...maybeSignedBy("doneBy", "done_by"),
    /** its treatment was voided, or corrected to another day: it is due no more */
    droppedAt: timestamp("dropped_at", { withTimezone: true }),
    at: timestamp("at", { withTimezone: true }).notNull().defaultNow(),
  },
  (t) => [
    districtKey(t),
    inSameDistrict(t, t.patchId, patch, "follow_up_patch_fk"),
    inSameDistrict(t, t.ledgerId, ledgerEntry, "follow_up_ledger_fk"),
    index("follow_up_due").on(t.districtId, t.doneOn, t.dueOn),
  ],
);

/** A picture of what a check saw, re-encoded before it is stored. Appended. */
export const checkPicture = pgTable(
  "check_picture",
  {
    districtId: districtId(),
    id: rowId(),
    followUpId: uuid("follow_up_id").notNull(),
    content: bytes("content").notNull(),
    widthPx: integer("width_px").notNull(),
    heightPx: integer("height_px").notNull(),
    ...signedBy("by", "by"),
    at: timestamp("at", { withTimezone: true }).notNull().defaultNow(),
  },
  (t) => [
    districtKey(t),
    inSameDistrict(t, t.followUpId, followUp, "check_picture_check_fk"),
    index("check_picture_check").on(t.districtId, t.followUpId),
  ],
);

/**
 * How many entries a district's ledger has, and the hash of the last, written by the database itself as entries are appended, in a
 * table that no role of the application may change: a cut tail or a deleted district shows against it.
 */
export const ledgerAnchor = pgTable(
  "ledger_anchor",
  {
    districtId: districtId(),
    seq: integer("seq").notNull(),
    hash: text("hash").notNull(),
    /** from this entry on the district writes format 2; format 1 no longer verifies there */
    formatTwoFrom: integer("format_two_from"),
    at: timestamp("at", { withTimezone: true }).notNull().defaultNow(),
  },
  (t) => [primaryKey({ columns: [t.districtId] })],
);
