import { boolean, date, doublePrecision, index, jsonb, pgTable, text, timestamp, uuid } from "drizzle-orm/pg-core";
import { createdAt, districtId, districtKey, rowId, signedBy } from "./columns";

/** One answer of a person in practice. Appended: what is to be asked next is worked out from all of them. */
export const drillAnswer = pgTable(
  "drill_answer",
  {
    districtId: districtId(),
    id: rowId(),
    personId: text("person_id").notNull(),
    at: timestamp("at", { withTimezone: true }).notNull(),
    flora: text("flora").notNull(),
    form: text("form").notNull(),
    taxon: text("taxon").notNull(),
    stage: text("stage").notNull(),
    seed: doublePrecision("seed").notNull(),
    options: text("options").array().notNull(),
    chosen: text("chosen"),
    given: jsonb("given").notNull(),
    right: boolean("right").notNull(),
    score: doublePrecision("score").notNull(),
    seconds: doublePrecision("seconds").notNull(),
    /** false where the flora has changed since, so that the server could not ask the question again */
    verified: boolean("verified").notNull(),
    setId: uuid("set_id"),
    createdAt: createdAt(),
  },
  (t) => [
    districtKey(t),
    index("drill_answer_person").on(t.districtId, t.personId, t.at),
    index("drill_answer_set").on(t.districtId, t.setId, t.personId, t.at),
  ],
);

/** Plants that a teacher puts together for practice; for some of them a finding may ask that the set was passed. */
export const drillSet = pgTable(
  "drill_set",
  {
    districtId: districtId(),
    id: rowId(),
    name: text("name").notNull(),
    /** flora ids */
    taxa: text("taxa").array().notNull(),
    /** null for every stage */
    stage: text("stage"),
    due: date("due"),
    /** flora ids of which a finding waits for a confirmation where its finder has not passed */
    requiredFor: text("required_for").array().notNull(),
    ...signedBy("madeBy", "made_by"),
    createdAt: createdAt(),
    endedAt: timestamp("ended_at", { withTimezone: true }),
  },
  (t) => [districtKey(t)],
);

/** A learner's word on whether a teacher sees their results. Appended; the newest counts, and none means no. */
export const drillConsent = pgTable(
  "drill_consent",
  {
    districtId: districtId(),
    id: rowId(),
    personId: text("person_id").notNull(),
    consents: boolean("consents").notNull(),
    at: timestamp("at", { withTimezone: true }).notNull().defaultNow(),
  },
  (t) => [districtKey(t), index("drill_consent_person").on(t.districtId, t.personId, t.at)],
);
