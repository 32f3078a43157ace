import { z } from "zod";
import { MOST_SHIFT, KIT, POSITIONS, STAGES, STATUSES } from "../../flora";

/** One thing looked at, as it comes from a screen, a file or a note. */
export const observationSchema = z.object({
  character: z.string().min(1),
  answer: z.enum(["seen", "absent", "cannot-tell", "not-there-yet"]).default("seen"),
  states: z.array(z.string().min(1)).min(1).optional(),
  join: z.enum(["any", "all"]).default("any"),
  value: z.number().finite().nonnegative().optional(),
  values: z.array(z.number().finite().nonnegative()).min(1).max(100).optional(),
  /** half of the 95% interval of a measurement, where it is known: a reading off a photograph tells its own */
  half: z.number().finite().nonnegative().optional(),
  of: z.object({ yes: z.number().int().nonnegative(), n: z.number().int().positive().max(1000) }).optional(),
  /** what the second of two plants showed: its state, where it was not that of the first (of one in two alone), or its reading */
  other: z.union([z.string().min(1), z.number().finite().nonnegative()]).optional(),
  sure: z.enum(["sure", "likely", "guess"]).default("sure"),
  position: z.enum(POSITIONS).optional(),
  against: z.string().min(1).optional(),
});
export type Observation = z.output<typeof observationSchema>;
export type ObservationInput = z.input<typeof observationSchema>;

/** What a wrong act costs where a district has not said so, in hours of work. They imply that the kept side may hold 1.6%. */
export const DEFAULT_COSTS = { wrongClear: 600, missedTarget: 10, hold: 10 };

export const costsSchema = z.object({
  /** harm of clearing a kept plant, in the district's own unit (hours of work) */
  wrongClear: z.number().positive().default(DEFAULT_COSTS.wrongClear),
  /** harm of leaving a target standing */
  missedTarget: z.number().positive().default(DEFAULT_COSTS.missedTarget),
  /** cost of coming back another day */
  hold: z.number().positive().default(DEFAULT_COSTS.hold),
});
export type Costs = z.output<typeof costsSchema>;

/** What the scout has along; left out: everything. */
export const kitSchema = z.array(z.enum(KIT)).default([...KIT]);

/** More than there are characters to answer: each once, and a few of them for low and for high leaves. */
export const MOST_OBSERVATIONS = 300;

const caseShape = z.object({
  id: z.string().default("case"),
  day: z.iso.date(),
  hemisphere: z.enum(["north", "south"]).default("north"),
  /** days by which spring comes later here, and autumn earlier, than the calendars say */
  seasonShift: z.number().int().min(-MOST_SHIFT).max(MOST_SHIFT).default(0),
  stage: z.enum(STAGES).nullable().default(null),
  /** two stages at once: each part is at one of the two */
  stages: z.array(z.enum(STAGES)).min(1).max(2).optional(),
  setting: z.record(z.string(), z.array(z.string())).default({}),
  kit: kitSchema,
  list: z.record(z.string(), z.enum(STATUSES)).default({}),
  /** action key per taxon, where the district treats plants alike that the program would part */
  actions: z.record(z.string(), z.string()).default({}),
  /** how often each plant was confirmed in the district */
  confirmed: z.record(z.string(), z.number().int().nonnegative()).default({}),
  costs: costsSchema.default(DEFAULT_COSTS),
  observations: z.array(observationSchema).max(MOST_OBSERVATIONS).default([]),
});
/** @throws {ZodError} where one stage is stated and is none of those given as two */
export const caseSchema = caseShape.refine(
  ({ stage, stages }) => stage === null || stages === undefined || stages.includes(stage),
  { path: ["stages"], message: "stage must be one of stages. Leave out one of the two fields" },
);
declare const made: unique symbol;
/** A case as `caseAt` makes it; nothing else can, and the type checker sees to it. */
export type Case = z.output<typeof caseSchema> & { readonly [made]: true };
export type CaseInput = z.input<typeof caseSchema>;
