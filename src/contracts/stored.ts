import { z } from "zod";
import { STAGES } from "@/core/flora";
import { SEEN_AMOUNTS } from "@/core/records";

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

/** How far around a site water is on the map, in meters from its boundary; who says so, and on which day. */
export const mappedWaterSchema = z
  .object({ withinM: z.number().nonnegative(), by: z.string(), day: z.iso.date() })
  .nullable();

/** What a check of a treatment found: how much of the plant, and in which stages. Older checks guessed a share of control. */
export const checkResultSchema = z
  .object({
    seen: z.enum(SEEN_AMOUNTS).optional(),
    stages: z.array(z.enum(STAGES)).optional(),
    percentControl: z.number().optional(),
    note: z.string(),
  })
  .nullable();

/** Fields of a record that a district may ask for besides those that every record needs. */
export const RECORD_FIELDS = ["equipment", "windMS", "windFrom", "temperatureC", "note"] as const;
export const UNITS = ["metric", "us", "imperial"] as const;
export const WINDS = ["N", "NE", "E", "SE", "S", "SW", "W", "NW"] as const;

/** What a district has settled for itself; what is absent is as the program has it. */
export const districtSettingsSchema = z.object({
  units: z.enum(UNITS).default("us"),
  /** seasons after its own in which a finding still counts */
  findingSeasons: z.number().int().min(0).max(10).default(1),
  /** fields that every record here needs besides those that the program asks for */
  requiredFields: z.array(z.enum(RECORD_FIELDS)).default([]),
  /** the wind that is usual in each month, January first */
  winds: z.array(z.enum(WINDS).nullable()).max(12).default([]),
  /** where reports of plants go that are reported first: an address, or none where they are printed */
  reportTo: z.string().max(200).default(""),
});
export type DistrictSettings = z.output<typeof districtSettingsSchema>;
