import { z } from "zod";
import { treatmentSchema } from "@/core/records";

/** Stored: a treatment with what the label forbids for how long, and what was out of the ordinary. */
export const storedTreatmentSchema = treatmentSchema.safeExtend({
  restrictions: z.array(z.object({ what: z.string(), until: z.string() })),
  warnings: z.array(z.string()),
});
