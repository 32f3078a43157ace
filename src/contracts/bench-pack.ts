import { z } from "zod";
import { MOST_SHIFT, STATUSES } from "@/core/flora";
import { labelLimitsSchema } from "@/core/records";
import { settingSchema, UNITS } from "./stored";

const status = z.record(z.string(), z.enum(STATUSES));

/** A site as the Bench needs it: its place, its setting, and what its own list says otherwise than the district's. */
export const benchSiteSchema = z.object({
  id: z.string(),
  name: z.string(),
  centre: z.tuple([z.number(), z.number()]),
  setting: settingSchema,
  status,
  actions: z.record(z.string(), z.string()),
  patches: z.array(z.object({ id: z.string(), name: z.string() })),
});
export type BenchSite = z.output<typeof benchSiteSchema>;

/** All that the Bench needs of a district besides the flora: kept on the device, it works there without a signal. */
export const benchPackSchema = z.object({
  /** whose drafts and findings: district and person */
  key: z.string(),
  person: z.string(),
  district: z.string(),
  /** where the engine finds the flora: the shipped one, or with the district's amendments */
  floraUrl: z.string(),
  sites: z.array(benchSiteSchema),
  /** status of each plant in the district as a whole */
  status,
  costs: z.object({ wrongClear: z.number(), missedTarget: z.number(), hold: z.number() }),
  confirmed: z.record(z.string(), z.number()),
  climate: z.object({
    hemisphere: z.enum(["north", "south"]),
    seasonShift: z.number().int().min(-MOST_SHIFT).max(MOST_SHIFT),
  }),
  today: z.string(),
  /** the district's time zone; absent in packs that were kept before it was sent */
  zone: z.string().optional(),
  /** units that people of the district see first; absent in packs that were kept before they were sent */
  units: z.enum(UNITS).optional(),
  /** the person's planned work, for the mix screens */
  work: z
    .array(
      z.object({
        planId: z.string(),
        title: z.string(),
        patch: z.string(),
        siteId: z.string().optional(),
        areaM2: z.number(),
        product: z.boolean().optional(),
        /** for what a label names */
        use: z
          .object({
            ...{ siteId: z.string(), siteName: z.string(), plantId: z.string(), plant: z.string() },
            before: z.object({
              used: z.array(z.object({ season: z.number(), group: z.string() })),
              season: z.number(),
            }),
          })
          .optional(),
      }),
    )
    .optional(),
  /** what the district typed in from its labels */
  labels: z
    .array(z.object({ id: z.string(), name: z.string(), limits: labelLimitsSchema, hasPaper: z.boolean().optional() }))
    .optional(),
  /** sets that this person would have to pass and has not, by accepted name of the plant */
  practice: z.record(z.string(), z.string()).optional(),
  maySave: z.boolean(),
  /** drawn photographs may be asked for */
  demonstration: z.boolean(),
});
export type BenchPack = z.output<typeof benchPackSchema>;
