import { boolean, date, index, integer, jsonb, pgTable, text, timestamp, uniqueIndex, uuid } from "drizzle-orm/pg-core";
import { createdAt, districtId } from "./columns";
import { finding } from "./findings";
import { patch } from "./ground";

/** A piece of control work that is meant to be done. */
export const plan = pgTable(
  "plan",
  {
    districtId: districtId(),
    id: uuid("id").primaryKey(),
    patchId: uuid("patch_id")
      .notNull()
      .references(() => patch.id),
    findingId: uuid("finding_id")
      .notNull()
      .references(() => finding.id),
    method: text("method").notNull(),
    taxon: text("taxon").notNull(),
    windowFrom: date("window_from").notNull(),
    windowTo: date("window_to").notNull(),
    intendedOn: date("intended_on").notNull(),
    personId: text("person_id").notNull(),
    followedBy: text("followed_by").notNull(),
    overruling: text("overruling"),
    state: text("state").$type<"planned" | "done" | "dropped">().notNull().default("planned"),
    madeBy: text("made_by").notNull(),
    createdAt: createdAt(),
  },
  (t) => [index("plan_district").on(t.districtId, t.state, t.intendedOn)],
);

/** The ledger: appended one at a time per district, chained by hash, never changed or deleted. */
export const ledgerEntry = pgTable(
  "ledger_entry",
  {
    districtId: districtId(),
    seq: integer("seq").notNull(),
    id: uuid("id").primaryKey(),
    patchId: uuid("patch_id")
      .notNull()
      .references(() => patch.id),
    planId: uuid("plan_id").references(() => plan.id),
    supersedes: uuid("supersedes"),
    body: jsonb("body").notNull(),
    enteredBy: text("entered_by").notNull(),
    enteredAt: text("entered_at").notNull(),
    previousHash: text("previous_hash").notNull(),
    hash: text("hash").notNull(),
  },
  (t) => [uniqueIndex("ledger_seq").on(t.districtId, t.seq), index("ledger_patch").on(t.districtId, t.patchId)],
);

/** Going back to look: made when a treatment is recorded. */
export const followUp = pgTable(
  "follow_up",
  {
    districtId: districtId(),
    id: uuid("id").primaryKey(),
    patchId: uuid("patch_id")
      .notNull()
      .references(() => patch.id),
    ledgerId: uuid("ledger_id"),
    dueOn: date("due_on").notNull(),
    what: text("what").notNull(),
    doneOn: date("done_on"),
    result: jsonb("result").$type<{ percentControl?: number; note: string } | null>(),
    doneBy: text("done_by"),
    sample: boolean("sample").notNull().default(false),
    at: timestamp("at", { withTimezone: true }).notNull().defaultNow(),
  },
  (t) => [index("follow_up_due").on(t.districtId, t.doneOn, t.dueOn)],
);
