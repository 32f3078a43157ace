import { z } from "zod";
import { STAGES } from "../flora";

/** Label limits as the user entered them, SI units; what is absent the label does not say. */
export const labelLimitsSchema = z.object({
  registration: z.string().max(60).optional(),
  siteOfAction: z.string().max(20).optional(),
  rateUnit: z.enum(["L", "kg"]),
  ratePerHaMax: z.number().positive().optional(),
  seasonMaxPerHa: z.number().positive().optional(),
  windMaxMS: z.number().positive().optional(),
  windMinMS: z.number().nonnegative().optional(),
  temperatureMaxC: z.number().optional(),
  temperatureMinC: z.number().optional(),
  rainFreeHours: z.number().nonnegative().optional(),
  reentryHours: z.number().nonnegative().optional(),
  grazingDays: z.number().nonnegative().optional(),
  hayingDays: z.number().nonnegative().optional(),
  waterBufferM: z.number().nonnegative().optional(),
  percentVvMax: z.number().positive().max(100).optional(),
  tankMax: z.number().positive().optional(),
  /** finished mix or product for one stem, mL */
  stemMaxMl: z.number().positive().optional(),
  carrierMinLPerHa: z.number().positive().optional(),
  applicationsMax: z.number().int().positive().optional(),
  intervalDays: z.number().nonnegative().optional(),
  gustMaxMS: z.number().positive().max(80).optional(),
  deltaTMinC: z.number().nonnegative().max(40).optional(),
  deltaTMaxC: z.number().positive().max(40).optional(),
  humidityMinPercent: z.number().min(0).max(100).optional(),
  foragingDays: z.number().nonnegative().optional(),
  /** gear that the label asks for, what may be added, where and at which stages it may be used, in its own words */
  gear: z.string().max(300).optional(),
  additives: z.string().max(300).optional(),
  sites: z.string().max(300).optional(),
  stages: z.string().max(300).optional(),
  /** of those words what can be checked: sites of the district by id, stages, plants by id; left out where nobody ticked any */
  sitesNamed: z.array(z.uuid()).min(1).max(500).optional(),
  stagesNamed: z.array(z.enum(STAGES)).min(1).optional(),
  plantsNamed: z.array(z.string().max(120)).min(1).max(500).optional(),
});
export type LabelLimits = z.output<typeof labelLimitsSchema>;
