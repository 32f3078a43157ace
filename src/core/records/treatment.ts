import { z } from "zod";
import { STAGES } from "../flora";
import { plainText } from "../limits";
import { dayIn, dayWords } from "../time";
import { labelLimitsSchema } from "./label-limits";
import { askLabel, type LabelUse } from "./label-use";

const text = (most: number) => plainText(1, most, "must not be empty");
const productSchema = z.object({
  labelId: z.uuid(),
  labelName: text(120),
  limits: labelLimitsSchema,
  /** product per hectare, in the label's unit */
  ratePerHa: z.number().positive(),
  /** product used in all, in the label's unit */
  total: z.number().positive(),
  carrierL: z.number().nonnegative(),
});

/** What the person who did the work says of it; all else comes from the plan and the register. */
const told = {
  areaM2: z.number().positive().max(1e8),
  stage: z.enum(STAGES),
  equipment: text(200),
  windMS: z.number().min(0).max(60).optional(),
  windFrom: z.enum(["N", "NE", "E", "SE", "S", "SW", "W", "NW", "calm"]).optional(),
  temperatureC: z.number().min(-40).max(60).optional(),
  note: plainText(0, 2000, "", true).default(""),
  correctionReason: plainText(0, 1000, "", true).optional(),
};

/** A treatment as it is sent: times are wall-clock times of the site ("2026-06-09T16:30"), or instants. */
export const toldTreatmentSchema = z.object({
  ...told,
  from: z.string().max(40),
  to: z.string().max(40),
  product: productSchema.omit({ labelName: true, limits: true }).optional(),
});

/** Water near the patch, as the map or a person on the ground says; unknown beyond what was mapped. */
export const waterNearSchema = z.union([
  z.object({ known: z.literal("at"), meters: z.number().nonnegative(), by: z.string() }),
  z.object({ known: z.literal("none-within"), meters: z.number().nonnegative(), by: z.string() }),
  /** water is mapped so near, and there may be nearer */
  z.object({ known: z.literal("unknown"), atMost: z.number().nonnegative().optional() }),
]);
export type WaterNear = z.output<typeof waterNearSchema>;

/** Whether water lies within so many meters; unknown where nobody has mapped or seen so far. */
export function waterWithin(near: WaterNear, meters: number): boolean | "unknown" {
  if (near.known === "at") return near.meters < meters;
  if (near.known === "none-within") return near.meters >= meters ? false : "unknown";
  return near.atMost !== undefined && near.atMost < meters ? true : "unknown";
}

/** One treatment, with everything that a regulator asks for. Times are instants; lengths and rates are SI. */
export const treatmentSchema = z
  .object({
    ...told,
    who: text(120),
    licence: z.string().trim().max(60).optional(),
    licenceExpires: z.iso.date().optional(),
    from: z.iso.datetime({ offset: true, error: "say when it began" }),
    to: z.iso.datetime({ offset: true, error: "say when it ended" }),
    zone: text(60),
    siteName: text(120),
    patchName: text(120),
    taxon: text(120),
    method: text(60),
    methodName: text(120),
    product: productSchema.optional(),
    /** meters to the nearest water; null where none is known. Entries from before say no more. */
    waterDistanceM: z.number().nonnegative().nullable(),
    water: waterNearSchema.optional(),
    overruling: z.string().trim().max(4000).optional(),
    /** done against the gate: what was against it, and a specialist's word */
    againstGate: z.object({ reasons: z.array(z.string()), word: z.string(), by: z.string() }).optional(),
  })
  // a time that is no time has its own fault already
  .refine((t) => !(Date.parse(t.to) <= Date.parse(t.from)), { path: ["to"], message: "must be later than the start" })
  .refine((t) => !(Date.parse(t.to) - Date.parse(t.from) > 24 * 3600e3), {
    path: ["to"],
    message: "must be within 24 hours of the start; write a record for each day",
  });
export type Treatment = z.output<typeof treatmentSchema>;

/** Amounts add up on the patch, whatever part of it each treatment went over. */
export interface SeasonUse {
  used: number;
  patchM2: number;
  /** days on which the same label was used on the patch this season, ISO dates */
  days?: string[];
  /** where and on what it was used, for what the label names */
  use?: LabelUse;
}

export interface RecordFault {
  field: string;
  what: string;
  /** a fault stops the record; a warning is printed on it */
  grave: boolean;
  /** nothing is missing: it was done so, against the label or the license. With a specialist's word it is recorded all the same */
  against?: true;
}

/** Rate, total and area must agree within this share. */
const TOTAL_TOLERANCE = 0.05;

/**
 * What is missing or against the label. Completeness is grave; so is a rate over the label's highest.
 * Limits are inclusive: a value equal to the limit is allowed.
 * @param season what was used on this patch in the same season already, in the label's unit, and the patch's area in m²
 */
export function checkTreatment(t: Treatment, needsProduct: boolean, season: SeasonUse): RecordFault[] {
  const faults: RecordFault[] = [];
  const grave = (field: string, what: string) => faults.push({ field, what, grave: true });
  const warn = (field: string, what: string) => faults.push({ field, what, grave: false });
  if (needsProduct && !t.product) grave("product", "This method uses a product: say which, at what rate and how much.");
  if (!t.product) return faults;
  const against = (field: string, what: string) => faults.push({ field, what, grave: true, against: true });
  if (!t.licence) against("licence", "A product was used: the license of the person who applied it is missing.");
  if (t.licenceExpires && t.licenceExpires < dayIn(t.zone, new Date(t.from)))
    against("licence", `The license ended on ${dayWords(t.licenceExpires)}.`);
  if (t.windMS === undefined) grave("windMS", "Wind is missing.");
  if (t.windFrom === undefined) grave("windFrom", "Wind direction is missing.");
  if (t.temperatureC === undefined) grave("temperatureC", "Temperature is missing.");
  againstLabel(t, season, { missing: grave, against, warn });
  return faults;
}

function againstLabel(
  t: Treatment,
  season: SeasonUse,
  { missing, against, warn }: Record<"missing" | "against" | "warn", (field: string, what: string) => void>,
): void {
  const product = t.product as NonNullable<Treatment["product"]>;
  const { limits } = product;
  const unit = limits.rateUnit;
  const expected = (product.ratePerHa * t.areaM2) / 10000;
  if (Math.abs(product.total - expected) > TOTAL_TOLERANCE * expected)
    missing(
      "product.total",
      `Rate times area is ${expected.toPrecision(3)} ${unit}, the total says ${product.total} ${unit}.`,
    );
  if (limits.ratePerHaMax !== undefined && product.ratePerHa > limits.ratePerHaMax)
    against("product.ratePerHa", `Over the label's highest rate of ${limits.ratePerHaMax} ${unit}/ha.`);
  const perHa = (season.used + product.total) / (season.patchM2 / 10000);
  if (limits.seasonMaxPerHa !== undefined && perHa > limits.seasonMaxPerHa * (1 + 1e-9))
    against(
      "product.total",
      `With ${Number(season.used.toPrecision(3))} ${unit} already used on this patch this season, ${product.total} ${unit} more make ${perHa.toPrecision(3)} ${unit}/ha. The label's season limit is ${limits.seasonMaxPerHa} ${unit}/ha.`,
    );
  if (limits.windMaxMS !== undefined && t.windMS !== undefined && t.windMS > limits.windMaxMS)
    warn("windMS", `Wind over the label's limit of ${limits.windMaxMS} m/s.`);
  if (limits.windMinMS !== undefined && t.windMS !== undefined && t.windMS < limits.windMinMS)
    warn("windMS", `Wind under the label's lowest of ${limits.windMinMS} m/s: inversion is likely.`);
  if (limits.temperatureMaxC !== undefined && t.temperatureC !== undefined && t.temperatureC > limits.temperatureMaxC)
    warn("temperatureC", `Hotter than the label's limit of ${limits.temperatureMaxC} °C.`);
  if (limits.temperatureMinC !== undefined && t.temperatureC !== undefined && t.temperatureC < limits.temperatureMinC)
    warn("temperatureC", `Colder than the label's limit of ${limits.temperatureMinC} °C.`);
  const named = season.use ? askLabel(limits, { ...season.use, stage: t.stage }) : { against: [], ask: [] };
  for (const what of named.against) against("product", what);
  for (const what of named.ask) warn("product", what);
  if (limits.waterBufferM !== undefined) waterFault(t, limits.waterBufferM, missing, against);
  againstCount(t, season, against);
}

/** How often, how soon again, and with how much water. */
function againstCount(t: Treatment, { days = [] }: SeasonUse, against: (field: string, what: string) => void): void {
  const product = t.product as NonNullable<Treatment["product"]>;
  const { limits } = product;
  if (limits.applicationsMax !== undefined && days.length + 1 > limits.applicationsMax)
    against(
      "product",
      `It is application ${days.length + 1} of this season. The label allows ${limits.applicationsMax}.`,
    );
  const day = dayIn(t.zone, new Date(t.from));
  const last = days
    .filter((other) => other <= day)
    .sort()
    .at(-1);
  const since = last === undefined ? Infinity : (Date.parse(day) - Date.parse(last)) / 86400e3;
  if (limits.intervalDays !== undefined && since < limits.intervalDays)
    against("product", `The last application was ${since} days ago. The label asks for ${limits.intervalDays} days.`);
  const carrierPerHa = (product.carrierL / t.areaM2) * 10000;
  if (limits.carrierMinLPerHa !== undefined && carrierPerHa < limits.carrierMinLPerHa * (1 - 1e-9))
    against(
      "treatment.product.carrierL",
      `${product.carrierL} L on ${t.areaM2} m² are ${carrierPerHa.toPrecision(3)} L/ha. The label asks for at least ${limits.carrierMinLPerHa} L/ha.`,
    );
}

/** A label that asks for a distance from water needs it known. */
function waterFault(t: Treatment, bufferM: number, ...[missing, against]: ((f: string, w: string) => void)[]): void {
  const near =
    t.water ?? (t.waterDistanceM === null ? undefined : { known: "at" as const, meters: t.waterDistanceM, by: "" });
  const isNear = near ? waterWithin(near, bufferM) : false;
  if (isNear === true)
    against?.("waterDistanceM", `The patch is nearer to water than the ${bufferM} m that the label asks for.`);
  if (isNear === "unknown")
    missing?.(
      "waterDistanceM",
      `The label asks for ${bufferM} m from water, and the distance is unknown. Say at the patch what you see on the ground.`,
    );
}

/** Waits that follow from the label: what is closed, and until when (instants). Where the label is silent none is invented. */
export function restrictionsAfter(
  t: Treatment,
  site: { grazed?: boolean; hayed?: boolean; foraged?: boolean },
): { what: string; until: string }[] {
  const limits = t.product?.limits;
  if (!limits) return [];
  const end = Date.parse(t.to);
  const until = (hours: number) => new Date(end + hours * 3600e3).toISOString();
  const list: { what: string; until: string }[] = [];
  if (limits.reentryHours)
    list.push({ what: "No entry without protective clothing", until: until(limits.reentryHours) });
  if (limits.foragingDays && site.foraged)
    list.push({ what: "No gathering of food", until: until(limits.foragingDays * 24) });
  if (limits.grazingDays && site.grazed) list.push({ what: "No grazing", until: until(limits.grazingDays * 24) });
  if (limits.hayingDays && site.hayed) list.push({ what: "No haying", until: until(limits.hayingDays * 24) });
  return list;
}

/** Days after a treatment on which to go back and look. */
export function followUpDays(kind: string): { days: number; what: string }[] {
  if (kind === "product")
    return [
      { days: 28, what: "Did it work? Look for green leaf and new shoots." },
      { days: 365, what: "A year on: sprouts and seedlings." },
    ];
  if (kind === "cover")
    return [
      { days: 30, what: "Look under the edges." },
      { days: 365, what: "Still dark and dead below?" },
    ];
  return [
    { days: 42, what: "What was missed, and what came again?" },
    { days: 330, what: "Seedlings of the next year." },
  ];
}
