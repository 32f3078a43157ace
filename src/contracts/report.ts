import { z } from "zod";
import { plainText } from "@/core/limits";

/** A finding is reported. */
export const reportSchema = z.object({
  id: z.uuid(),
  findingId: z.uuid(),
  note: plainText(0, 2000, "", true).default(""),
});

/** A person enters that the registry acknowledged a report. */
export const acknowledgmentSchema = z.object({
  reportId: z.uuid(),
  day: z.iso.date(),
  by: plainText(2, 120, "say who acknowledged it"),
  reference: plainText(1, 120, "give the reference of the registry"),
});

/** A specialist waives the report in writing. */
export const waiverSchema = z.object({
  findingId: z.uuid(),
  reason: plainText(20, 2000, "say in at least 20 letters why it need not be acknowledged first", true),
});

/** What the registry asked is answered. */
export const answerSchema = z.object({
  reportId: z.uuid(),
  answer: plainText(2, 2000, "write an answer", true),
});

/** Stored: the history of a report. */
export const reportEventSchema = z.object({
  text: z.string().default(""),
  reference: z.string().optional(),
  by: z.string().optional(),
  day: z.string().optional(),
});
