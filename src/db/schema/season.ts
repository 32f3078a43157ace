import {
  boolean,
  date,
  doublePrecision,
  index,
  integer,
  pgTable,
  text,
  timestamp,
  uniqueIndex,
  uuid,
} from "drizzle-orm/pg-core";
import { createdAt, districtId, districtKey, inSameDistrict, rowId, signedBy } from "./columns";
import { patch } from "./ground";

/** How much stands on a patch, as a person saw it on a day. Appended; the newest counts. An empty value was looked for and is not known. */
export const standSize = pgTable(
  "stand_size",
  {
    districtId: districtId(),
    id: rowId(),
    patchId: uuid("patch_id").notNull(),
    heightCm: doublePrecision("height_cm"),
    stemCm: doublePrecision("stem_cm"),
    count: integer("count"),
    infestedM2: doublePrecision("infested_m2"),
    day: date("day").notNull(),
    ...signedBy("seenBy", "seen_by"),
    at: timestamp("at", { withTimezone: true }).notNull().defaultNow(),
  },
  (t) => [
    districtKey(t),
    inSameDistrict(t, t.patchId, patch, "stand_size_patch_fk"),
    index("stand_size_patch").on(t.districtId, t.patchId, t.at),
  ],
);

/** What a person says to be ready at a patch that a method waits for, or not. Appended; of each word the newest counts. */
export const placeWord = pgTable(
  "place_word",
  {
    districtId: districtId(),
    id: rowId(),
    patchId: uuid("patch_id").notNull(),
    word: text("word").notNull(),
    holds: boolean("holds").notNull(),
    day: date("day").notNull(),
    ...signedBy("saidBy", "said_by"),
    at: timestamp("at", { withTimezone: true }).notNull().defaultNow(),
  },
  (t) => [
    districtKey(t),
    inSameDistrict(t, t.patchId, patch, "place_word_patch_fk"),
    index("place_word_patch").on(t.districtId, t.patchId, t.day),
  ],
);

/** People who go out together, under a name. */
export const crew = pgTable(
  "crew",
  {
    districtId: districtId(),
    id: rowId(),
    name: text("name").notNull(),
    memberIds: text("member_ids").array().notNull(),
    ...signedBy("madeBy", "made_by"),
    createdAt: createdAt(),
    endedAt: timestamp("ended_at", { withTimezone: true }),
  },
  (t) => [districtKey(t)],
);

/** The secret address under which a calendar program reads a person's plans. Only the hash of the secret is kept. */
export const calendarFeed = pgTable(
  "calendar_feed",
  {
    districtId: districtId(),
    id: rowId(),
    personId: text("person_id").notNull(),
    secretHash: text("secret_hash").notNull(),
    createdAt: createdAt(),
    endedAt: timestamp("ended_at", { withTimezone: true }),
  },
  (t) => [
    districtKey(t),
    uniqueIndex("calendar_feed_secret").on(t.secretHash),
    index("calendar_feed_person").on(t.districtId, t.personId),
  ],
);

/** A district's own word on a method: the whole method as its file would write it. Appended; the newest counts, and an empty body gives the shipped word back. */
export const ownMethod = pgTable(
  "own_method",
  {
    districtId: districtId(),
    id: rowId(),
    methodId: text("method_id").notNull(),
    body: text("body"),
    reason: text("reason").notNull(),
    ...signedBy("by", "by"),
    at: timestamp("at", { withTimezone: true }).notNull().defaultNow(),
  },
  (t) => [districtKey(t), index("own_method_newest").on(t.districtId, t.methodId, t.at)],
);

/** A specialist's written word that a patch is gone, or is no longer. Appended; the newest counts. */
export const goneWord = pgTable(
  "gone_word",
  {
    districtId: districtId(),
    id: rowId(),
    patchId: uuid("patch_id").notNull(),
    reason: text("reason").notNull(),
    ...signedBy("by", "by"),
    at: timestamp("at", { withTimezone: true }).notNull().defaultNow(),
  },
  (t) => [
    districtKey(t),
    inSameDistrict(t, t.patchId, patch, "gone_word_patch_fk"),
    index("gone_word_patch").on(t.districtId, t.patchId),
  ],
);
