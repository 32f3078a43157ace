import { date, index, integer, jsonb, pgTable, text, timestamp, uuid } from "drizzle-orm/pg-core";
import { createdAt, districtId, districtKey, inSameDistrict, rowId, signedBy } from "./columns";
import { finding } from "./findings";
import type { ReportState } from "@/core/records";

/** The report of a plant that is reported before anything is done. Its id is the key by which the registry knows it again. */
export const report = pgTable(
  "report",
  {
    districtId: districtId(),
    id: rowId(),
    findingId: uuid("finding_id").notNull(),
    plantId: text("plant_id").notNull(),
    taxon: text("taxon").notNull(),
    /** how it goes: handed to the registry, or printed */
    way: text("way").$type<"registry" | "printed">().notNull(),
    state: text("state").$type<ReportState>().notNull().default("waiting"),
    /** what is sent, byte for byte */
    body: text("body").notNull(),
    sentAt: timestamp("sent_at", { withTimezone: true }),
    /** by which the registry calls it */
    reference: text("reference"),
    /** when it was acknowledged, or waived in writing */
    settledOn: date("settled_on"),
    settledAt: timestamp("settled_at", { withTimezone: true }),
    attempts: integer("attempts").notNull().default(0),
    ...signedBy("madeBy", "made_by"),
    createdAt: createdAt(),
  },
  (t) => [
    districtKey(t),
    inSameDistrict(t, t.findingId, finding, "report_finding_fk"),
    index("report_finding").on(t.districtId, t.findingId),
    index("report_state").on(t.districtId, t.state),
  ],
);

/** History of a report: sent, asked about, answered, refused, acknowledged, waived. Appended, never changed. */
export const reportEvent = pgTable(
  "report_event",
  {
    districtId: districtId(),
    id: rowId(),
    reportId: uuid("report_id").notNull(),
    kind: text("kind")
      .$type<"sent" | "failed" | "question" | "answer" | "refused" | "acknowledged" | "waived">()
      .notNull(),
    body: jsonb("body").notNull(),
    ...signedBy("by", "by"),
    at: timestamp("at", { withTimezone: true }).notNull().defaultNow(),
  },
  (t) => [
    districtKey(t),
    inSameDistrict(t, t.reportId, report, "report_event_report_fk"),
    index("report_event_report").on(t.districtId, t.reportId, t.at),
  ],
);
