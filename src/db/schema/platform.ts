import {
  bigserial,
  boolean,
  date,
  index,
  integer,
  jsonb,
  pgTable,
  primaryKey,
  text,
  timestamp,
} from "drizzle-orm/pg-core";
import { createdAt, districtId, districtKey, rowId, signedBy } from "./columns";

export const JOB_KINDS = [
  "mail",
  "second-look",
  "pack-preview",
  "pack-take",
  "costs-preview",
  "amend-preview",
  "report",
] as const;
export type JobKind = (typeof JOB_KINDS)[number];
export const JOB_STATES = ["waiting", "running", "done", "failed", "cancelled"] as const;
export type JobState = (typeof JOB_STATES)[number];

/**
 * Work that is too long for a request. The jobs process takes it up, one long job at a time per district; the queue only wakes it.
 * Times are the database's.
 */
export const job = pgTable(
  "job",
  {
    districtId: districtId(),
    id: rowId(),
    kind: text("kind").$type<JobKind>().notNull(),
    state: text("state").$type<JobState>().notNull().default("waiting"),
    input: jsonb("input").notNull(),
    result: jsonb("result"),
    /** steps done, and how many there are, where that is known */
    progress: integer("progress").notNull().default(0),
    total: integer("total"),
    /** why it failed, in words for a person */
    problem: text("problem"),
    cancelAsked: boolean("cancel_asked").notNull().default(false),
    attempts: integer("attempts").notNull().default(0),
    /** not before this moment: what failed for a passing reason is tried again later */
    notBefore: timestamp("not_before", { withTimezone: true }).notNull().defaultNow(),
    ...signedBy("askedBy", "asked_by"),
    createdAt: createdAt(),
    startedAt: timestamp("started_at", { withTimezone: true }),
    /** the process that works on it says so every few seconds; one that is silent has died */
    heardAt: timestamp("heard_at", { withTimezone: true }),
    endedAt: timestamp("ended_at", { withTimezone: true }),
  },
  (t) => [
    districtKey(t),
    index("job_open").on(t.state, t.notBefore),
    index("job_kind").on(t.districtId, t.kind, t.createdAt),
  ],
);

/** What people changed: written by triggers alone. It is masked like the table that it is about. */
export const change = pgTable(
  "change",
  {
    districtId: districtId(),
    id: bigserial("id", { mode: "number" }).notNull(),
    at: timestamp("at", { withTimezone: true }).notNull(),
    /** name of the table */
    what: text("what").notNull(),
    rowId: text("row_id").notNull(),
    act: text("act").$type<"insert" | "update" | "delete">().notNull(),
    personId: text("person_id"),
    personName: text("person_name"),
    before: jsonb("before"),
    after: jsonb("after"),
  },
  (t) => [primaryKey({ columns: [t.districtId, t.id] }), index("change_row").on(t.districtId, t.what, t.rowId)],
);

/** Running numbers of a district: the row is locked by whoever takes the next, so that no two are the same. */
export const counter = pgTable(
  "counter",
  { districtId: districtId(), kind: text("kind").notNull(), last: integer("last").notNull() },
  (t) => [primaryKey({ columns: [t.districtId, t.kind] })],
);

/** How much one person has sent on one day. */
export const usage = pgTable(
  "usage",
  {
    districtId: districtId(),
    personId: text("person_id").notNull(),
    day: date("day").notNull(),
    kind: text("kind").notNull(),
    n: integer("n").notNull(),
  },
  (t) => [primaryKey({ columns: [t.districtId, t.personId, t.day, t.kind] })],
);
