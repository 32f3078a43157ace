import { z } from "zod";

/** What mistakes cost, in hours of work, and what an hour is worth in the district's money. */
export const districtCostsSchema = z.object({
  wrongClear: z.number(),
  missedTarget: z.number(),
  hold: z.number(),
  hour: z.number().optional(),
});
export type DistrictCosts = z.output<typeof districtCostsSchema>;

/** What may be done on a site, and what else goes on there. */
export const siteRulesSchema = z.object({
  noProduct: z.boolean().optional(),
  noMachines: z.boolean().optional(),
  grazed: z.boolean().optional(),
  hayed: z.boolean().optional(),
  foraged: z.boolean().optional(),
  note: z.string().optional(),
});

/** States of the characters of a place, by character. */
export const settingSchema = z.record(z.string(), z.array(z.string()));

/** What a check of a treatment found. */
export const checkResultSchema = z.object({ percentControl: z.number().optional(), note: z.string() }).nullable();
