import { z } from "zod";
import { STAGES, STATUSES } from "@/core/flora";

/** Plants that a name may mean. */
export const foundNamesSchema = z.object({
  text: z.string(),
  plants: z.array(
    z.object({
      id: z.string(),
      name: z.string(),
      common: z.string(),
      /** the name that matched, where it is not the one shown */
      matched: z.string().nullable(),
      /** that name is of a plant that the flora does not include and that is mistaken for this one */
      unheld: z.boolean(),
      status: z.enum(STATUSES),
    }),
  ),
  /** where several plants carry the name: how many, and the first check that tells them apart */
  ambiguous: z
    .object({
      name: z.string(),
      plants: z.number(),
      check: z.object({ ask: z.string(), stage: z.enum(STAGES) }).nullable(),
    })
    .nullable(),
});
export type FoundNames = z.output<typeof foundNamesSchema>;
