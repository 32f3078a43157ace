import { z } from "zod";
import { InputError } from "../errors";
import { type CompiledFlora, STAGES, type Taxon } from "../flora";
import type { WaterNear } from "../records";
import type { MethodCase } from "./methods";

const amount = (most: number) => z.number().min(0).max(most).optional();
const caseSchema = z.strictObject({
  taxon: z.string().min(1).max(120),
  stage: z.enum(STAGES),
  day: z.string().regex(/^(\d{4}-)?\d{2}-\d{2}$/, "write a day as 2026-05-10"),
  hemisphere: z.enum(["north", "south"]).default("north"),
  size: z
    .strictObject({
      heightCm: amount(10_000),
      stemCm: amount(1000),
      count: amount(1e9),
      infestedM2: amount(1e9),
    })
    .default({}),
  place: z
    .strictObject({
      waterM: z.union([z.number().min(0).max(1e6), z.literal("unknown")]).optional(),
      noProduct: z.boolean().optional(),
      noMachines: z.boolean().optional(),
      grazed: z.boolean().optional(),
      hayed: z.boolean().optional(),
      foraged: z.boolean().optional(),
      slope: z.enum(["flat", "moderate", "steep"]).optional(),
    })
    .default({}),
  /** words of the vocabulary; others are of no effect */
  true: z.array(z.string().max(60)).max(50).default([]),
});

/**
 * A case as people write it. What is not stated is unknown. A day without a year is one of 2026.
 * @throws {InputError} naming the field, the value and what would be right
 */
export function readMethodCase(flora: CompiledFlora, raw: unknown): MethodCase {
  const read = caseSchema.safeParse(raw);
  if (!read.success) {
    const [issue] = read.error.issues;
    const field = issue.path.join(".") || "case";
    throw new InputError("unreadable-case", field, at(raw, issue.path), issue.message);
  }
  const { taxon, stage, day, hemisphere, size, place, true: told } = read.data;
  const { waterM, ...rules } = place;
  const iso = day.length === 5 ? `2026-${day}` : day;
  const time = Date.parse(`${iso}T00:00:00Z`);
  if (Number.isNaN(time) || new Date(time).toISOString().slice(0, 10) !== iso)
    throw new InputError("unreadable-case", "day", day, "write a day that the calendar has");
  return {
    taxon: taxonCalled(flora, taxon),
    ...{ stage, day: iso, size, told },
    climate: { hemisphere, seasonShift: 0 },
    ground: { ...rules, ...(waterM === undefined ? {} : { water: waterAt(waterM) }) },
  };
}

const at = (raw: unknown, path: PropertyKey[]): unknown =>
  path.reduce<unknown>((value, key) => (value as Record<PropertyKey, unknown> | undefined)?.[key], raw);

function taxonCalled(flora: CompiledFlora, name: string): Taxon {
  const taxon = flora.taxa.find((t) => t.id === name || t.name === name || t.synonyms.includes(name));
  if (!taxon)
    throw new InputError("unknown-taxon", "taxon", name, "write an accepted name, a synonym or an id of the flora");
  return taxon;
}

const waterAt = (meters: number | "unknown"): WaterNear =>
  meters === "unknown" ? { known: "unknown" } : { known: "at", meters, by: "the case" };
