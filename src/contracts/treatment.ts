import { z } from "zod";
import { plainText } from "@/core/limits";
import { toldTreatmentSchema, treatmentSchema } from "@/core/records";

/** What is sent of a treatment: who did what to which plant comes from the plan and the register, never from a form. */
export const recordSchema = z.object({
  id: z.uuid(),
  planId: z.uuid().nullable().default(null),
  /** the entry that it corrects */
  supersedes: z.uuid().nullable().default(null),
  /** a correction may say that the work was on another patch of the same site */
  patchId: z.uuid().optional(),
  /** a specialist's word where the gate was closed on that day */
  againstGate: plainText(20, 2000, "say in at least 20 letters how it came about", true).optional(),
  /** how much of the planned work is done with it: less than 1 where it goes on another day */
  doneShare: z.number().min(0.01, "give at least 1%").max(1, "give at most 100%").default(1),
  treatment: toldTreatmentSchema,
});
export type RecordInput = z.output<typeof recordSchema>;

/** Stored: a treatment with what the label forbids for how long, and what was out of the ordinary. */
export const storedTreatmentSchema = treatmentSchema.safeExtend({
  restrictions: z.array(z.object({ what: z.string(), until: z.string() })),
  warnings: z.array(z.string()),
  /** how much of the plan was done with this work, from 0 to 1; entries of before it was stored have none */
  doneShare: z.number().min(0).max(1).optional(),
});
export type StoredTreatment = z.output<typeof storedTreatmentSchema>;

/** A void says that what an entry tells never was. */
export const voidSchema = z.object({
  id: z.uuid(),
  entryId: z.uuid(),
  reason: plainText(10, 2000, "say in at least 10 letters why", true),
});

/** Stored: a void. The names are those of the entry, so that it can be read by itself. */
export const storedVoidSchema = z.object({
  reason: z.string(),
  voids: z.number().int(),
  from: z.string(),
  zone: z.string(),
  siteName: z.string(),
  patchName: z.string(),
  taxon: z.string(),
  methodName: z.string(),
  who: z.string(),
});
export type StoredVoid = z.output<typeof storedVoidSchema>;
