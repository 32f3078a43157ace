import { z } from "zod";
import { STAGES } from "@/core/flora";
import { kitSchema, MOST_OBSERVATIONS, observationSchema, VERDICTS } from "@/core/identify";
import { plainText } from "@/core/limits";

const observationsSchema = z.array(observationSchema).max(MOST_OBSERVATIONS);

/** Two stages at once, of a plant whose parts are at different stages. */
const twoStagesSchema = z.array(z.enum(STAGES)).length(2).optional();
const MOST_WORDLESS = 10;
const wordlessSchema = z
  .array(plainText(2, 200, "say what you saw in 2 to 200 letters"))
  .max(MOST_WORDLESS)
  .default([]);

/** What the field sends of a finding. A verdict is not among it: the server works it out again. */
export const findingSchema = z.object({
  id: z.uuid(),
  siteId: z.uuid(),
  patchId: z.uuid().nullable().default(null),
  place: z.object({ longitude: z.number().min(-180).max(180), latitude: z.number().min(-85).max(85) }),
  day: z.iso.date(),
  stage: z.enum(STAGES).nullable(),
  stages: twoStagesSchema,
  /** what was seen that no character takes in, in the scout's own words */
  wordless: wordlessSchema,
  kit: kitSchema,
  observations: observationsSchema.min(1, "answer at least one question first"),
  note: plainText(0, 4000, "", true).default(""),
});
export type Finding = z.output<typeof findingSchema>;
export type FindingRequest = z.input<typeof findingSchema>;

/** A verdict with the plant that it names, and why. */
export const toldSchema = z.object({
  verdict: z.enum(VERDICTS),
  /** accepted name, or null */
  taxon: z.string().nullable(),
  because: z.string(),
});
export type ToldVerdict = z.output<typeof toldSchema>;

/** The server's word on a finding that was sent. */
export const savedFindingSchema = toldSchema.extend({
  id: z.string(),
  number: z.number(),
  /** it was here before: the same id was sent again */
  again: z.boolean(),
});
export type SavedFinding = z.output<typeof savedFindingSchema>;

/** Stored: what was seen. */
export const seenSchema = z.object({
  day: z.iso.date(),
  stage: z.enum(STAGES).nullable(),
  stages: twoStagesSchema,
  wordless: wordlessSchema,
  kit: kitSchema,
  observations: observationsSchema,
});
export type Seen = z.output<typeof seenSchema>;

const candidateSchema = z.looseObject({ taxon: z.string(), probability: z.number(), status: z.string() });

/** Stored: a verdict as it was told, and the versions that made the engine say so. What only a screen of that day needed stays beside it unread. */
export const verdictRecordSchema = z.object({
  identification: z.looseObject({
    verdict: z.enum(VERDICTS),
    about: z.string().nullable().default(null),
    because: z.string(),
    candidates: z.array(candidateSchema),
    candidatesFlat: z.array(candidateSchema),
    unknown: z.number(),
    keptSide: z.number(),
    limit: z.number(),
  }),
  versions: z.object({
    flora: z.string(),
    list: z.string(),
    costs: z.object({ wrongClear: z.number(), missedTarget: z.number(), hold: z.number() }),
    engine: z.string(),
  }),
});
export type VerdictRecord = z.output<typeof verdictRecordSchema>;

/** A specialist overrules a verdict in writing. */
export const overrulingSchema = z.object({
  findingId: z.uuid(),
  taxon: z.string().min(1).max(200),
  reason: plainText(20, 2000, "say why in at least 20 letters: it stays on the finding permanently", true),
});

/** Stored: an overruling. */
export const overrulingRecordSchema = z.object({
  taxon: z.string(),
  reason: z.string(),
  from: z.object({ verdict: z.string(), taxon: z.string().nullable() }),
});

/** How a plant was confirmed: by a specialist who saw it, by a reviewer, or by a specimen. */
export const CONFIRMED_BY = ["specialist", "reviewer", "specimen"] as const;

/** A person confirms what a finding names. */
export const confirmationSchema = z
  .object({
    findingId: z.uuid(),
    how: z.enum(CONFIRMED_BY, "say how it was confirmed"),
    /** the reviewer's name, or where the specimen is kept and under which number */
    source: plainText(0, 300, "").default(""),
    note: plainText(0, 2000, "", true).default(""),
  })
  .refine((c) => c.how === "specialist" || c.source !== "", {
    path: ["source"],
    message: "name the reviewer, or say where the specimen is kept",
  });

/** Stored: a confirmation, with the plant that it is of. */
export const confirmationRecordSchema = z.object({
  taxon: z.string(),
  plantId: z.string(),
  how: z.enum(CONFIRMED_BY),
  source: z.string(),
  note: z.string(),
});

/** Body of a finding's event, by its kind. */
export const FINDING_EVENTS = {
  observations: seenSchema,
  verdict: verdictRecordSchema,
  overruling: overrulingRecordSchema,
  confirmation: confirmationRecordSchema,
};
