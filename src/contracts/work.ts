import { z } from "zod";

/** How long work stands, as a screen shows it; what came of it is read by the schema of its kind. */
export const workStateSchema = z.object({
  id: z.string(),
  state: z.enum(["waiting", "running", "done", "failed", "cancelled"]),
  progress: z.number(),
  total: z.number().nullable(),
  problem: z.string().nullable(),
  result: z.unknown(),
});
export const workAskedSchema = z.object({ job: z.string() });

const verdictOf = z.object({ verdict: z.string(), name: z.string() });
/** A finding that would have another verdict: what it says now, and what it would say. */
export const changedVerdictSchema = z.object({
  id: z.string(),
  number: z.number(),
  day: z.string(),
  siteName: z.string(),
  before: verdictOf,
  after: verdictOf,
});
export type ChangedVerdict = z.output<typeof changedVerdictSchema>;

const lineSchema = z.object({ file: z.string().optional(), line: z.number() });
export const packPreviewSchema = z.object({
  changes: z.array(
    lineSchema.extend({
      taxon: z.string(),
      key: z.string(),
      before: z.string().nullable(),
      value: z.string().nullable(),
    }),
  ),
  more: z.number(),
  same: z.number(),
  refused: z.array(lineSchema.extend({ field: z.string(), what: z.string() })),
  thin: z.array(z.object({ taxon: z.string(), scores: z.number() })),
  verdicts: z.array(changedVerdictSchema),
  judged: z.number(),
});
export const packTakenSchema = z.object({ taken: z.number() });

export const costsPreviewSchema = z.object({
  limitBefore: z.number(),
  limitAfter: z.number(),
  examples: z.array(z.object({ name: z.string(), before: verdictOf, after: verdictOf })),
  changed: z.array(changedVerdictSchema),
  judged: z.number(),
});

export const amendPreviewSchema = z.object({ changed: z.array(changedVerdictSchema), judged: z.number() });

export const secondLookSchema = z.object({
  changed: z.array(
    changedVerdictSchema.extend({
      /** what has changed since the verdict was given, in words */
      why: z.string(),
      /** the engine's reason now */
      because: z.string(),
      overruled: z.boolean(),
    }),
  ),
  judged: z.number(),
  /** findings of the district in all; the oldest are left out where there are very many */
  inAll: z.number(),
});
export type SecondLooks = z.output<typeof secondLookSchema>;
