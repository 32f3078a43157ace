import { z } from "zod";
import { LIFE_FORMS, STAGES } from "../flora";

const some = <T extends z.ZodType>(of: T) => z.array(of).min(1);
const months = z.string().regex(/^\d{1,2}-\d{1,2}$/, "write months as 5-7");
const centimeters = z.number().positive();

/** All that a rule may ask. Every condition that it names has to hold. Lengths are cm, areas m², distances m. */
const whenSchema = z.strictObject({
  "life-form": some(z.enum(LIFE_FORMS)).optional(),
  cycle: some(z.enum(["annual", "biennial", "perennial"])).optional(),
  sprouts: some(z.enum(["root", "stump"])).optional(),
  fragments: some(z.string()).optional(),
  stand: some(z.enum(["seed", "clonal", "both"])).optional(),
  contact: some(z.enum(["sap", "skin"])).optional(),
  "ripens-cut": z.literal(true).optional(),
  "wilted-toxic": z.literal(true).optional(),
  "poisons-stock": z.literal(true).optional(),
  "stock-recorded": z.boolean().optional(),
  "bark-slips": z.literal(true).optional(),
  stage: some(z.enum(STAGES)).optional(),
  months: months.optional(),
  "stem-over": centimeters.optional(),
  "stem-under": centimeters.optional(),
  "height-over": centimeters.optional(),
  "height-under": centimeters.optional(),
  "count-over": z.number().positive().optional(),
  "count-under": z.number().positive().optional(),
  "area-over": z.number().positive().optional(),
  "area-under": z.number().positive().optional(),
  "no-product": z.boolean().optional(),
  "no-machines": z.literal(true).optional(),
  grazed: z.literal(true).optional(),
  hayed: z.literal(true).optional(),
  foraged: z.literal(true).optional(),
  slope: some(z.enum(["flat", "moderate", "steep"])).optional(),
  "water-within": z.number().positive().optional(),
  "told-not": z.string().optional(),
});
export type When = z.output<typeof whenSchema>;
/** Conditions that change from day to day; the others are settled by plant and place. */
export const OF_THE_DAY = ["stage", "months", "bark-slips"] as const;
/** Conditions that nobody may have stated. */
const MAY_BE_UNKNOWN =
  /^(stem|height|count|area)-|^(no-product|no-machines|grazed|hayed|foraged|slope|water-within|told-not)$/;

const ruleSchema = z
  .strictObject({
    answer: z.enum(["never", "not-now"]),
    when: whenSchema,
    why: z.string().min(1),
    /** what has to be true where it is not known whether the rule applies */
    must: z.string().min(1).optional(),
    /** a rule that has to be known beforehand applies until it is known that it does not */
    "if-unknown": z.literal("applies").optional(),
    /** why it applies while it is unknown, where `why` would state what nobody has seen */
    unknown: z.string().min(1).optional(),
  })
  .superRefine((rule, context) => {
    const asked = Object.keys(rule.when);
    if (rule.answer === "never" && asked.some((key) => (OF_THE_DAY as readonly string[]).includes(key)))
      context.addIssue(`a "never" rule may not ask for ${OF_THE_DAY.join(", ")}: those pass; write not-now`);
    if (asked.some((key) => MAY_BE_UNKNOWN.test(key)) && !rule.must && !rule["if-unknown"])
      context.addIssue("this may be unknown: write `must`, what has to be true then, or `if-unknown: applies`");
  });
export type Rule = z.output<typeof ruleSchema>;

const span = z
  .tuple([z.number().min(0), z.number().min(0)])
  .refine(([low, high]) => low <= high, "write days as [low, high]");

export const METHOD_IDS = [
  ...["hand-pull", "dig-crown", "cut-below-crown", "cut-repeat", "mow", "graze", "smother-sheet", "mulch", "solarise"],
  ...["burn", "flood", "drawdown", "benthic-cover", "diver-pull", "biocontrol-note", "foliar-spot", "wipe"],
  ...["basal-bark", "hack-squirt", "girdle", "cut-stump", "stem-injection", "pre-emergence", "bag-heads", "rogue"],
  "resow",
] as const;

/** A method that a district has added has an id that no release of the files can take. */
export const OWN_ID = /^own-[a-z0-9-]{2,50}$/;

export const METHOD_KINDS = [
  "hand",
  "machine",
  "product",
  "cover",
  "grazing",
  "fire",
  "water",
  "note",
  "follow",
] as const;

/** What has to be true where the conditions hold. */
const mustWhen = z.array(z.strictObject({ when: whenSchema, known: z.string() })).default([]);

/** One method of control as its file writes it. `known`, `kit` and `must` name words of the vocabulary. */
export const methodSchema = z.strictObject({
  id: z.union([z.enum(METHOD_IDS), z.string().regex(OWN_ID)], "write an id of the list, or own- and small letters"),
  name: z.string().min(1).max(80),
  kind: z.enum(METHOD_KINDS),
  "life-forms": some(z.enum(LIFE_FORMS)),
  stages: some(z.enum(STAGES)),
  months,
  rules: z.array(ruleSchema),
  must: z.array(z.string()),
  "must-when": mustWhen,
  follows: some(z.strictObject({ what: z.string().min(1), "after-days": span })),
  cautions: some(z.string()),
  kit: z.array(z.string()),
  people: z.number().int().positive(),
  /** what paces the work: stems, where they are counted, or the infested area */
  pace: z.strictObject({ "stems-per-hour": z.number().positive().optional(), "m2-per-hour": z.number().positive() }),
  schools: z.array(z.strictObject({ when: whenSchema, sides: z.array(z.string()).min(2) })).default([]),
  prefer: z.array(z.strictObject({ when: whenSchema, points: z.number().positive(), why: z.string().min(1) })),
});
export type Method = z.output<typeof methodSchema>;

export const kindRulesSchema = z.strictObject({
  kind: z.enum(METHOD_KINDS),
  rules: some(ruleSchema),
  "must-when": mustWhen,
});
export const aliasSchema = z.strictObject({ old: z.string().min(1), id: z.enum(METHOD_IDS), name: z.string().min(1) });
/** Why no method, or none without product, suits some plants in a number of stems. */
export const gapSchema = z.strictObject({
  lacks: z.enum(["any", "without product"]),
  stems: z.union([z.literal(1), z.literal(10000)]),
  when: whenSchema,
  why: z.string().min(1),
});
export type ExplainedGap = z.output<typeof gapSchema>;
export const vocabularySchema = z.strictObject({
  known: z.record(z.string(), z.string()),
  /** days for which a word counts that a person has said at a patch, of each word that a rule waits for */
  lasts: z.record(z.string(), z.number().int().positive()).default({}),
  kit: z.record(z.string(), z.string()),
});
export const CONDITIONS = Object.keys(whenSchema.shape);
