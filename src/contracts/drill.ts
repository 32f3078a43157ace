import { z } from "zod";
import { FORMS } from "@/core/drill";
import { STAGES } from "@/core/flora";
import { plainText } from "@/core/limits";

const floraId = z
  .string()
  .regex(/^[a-z0-9-]+$/)
  .max(80);
const characterId = floraId;

/** What a person said to a question, by its kind. */
export const givenSchema = z.discriminatedUnion("kind", [
  z.object({ kind: z.literal("plant"), taxon: floraId, clues: z.number().int().min(0).max(20) }),
  z.object({ kind: z.literal("check"), character: characterId }),
  z.object({ kind: z.literal("act"), act: z.enum(["clear", "hold", "keep"]) }),
  z.object({ kind: z.literal("number"), value: z.number().finite().min(0).max(100_000) }),
  z.object({
    kind: z.literal("stand"),
    coverPercent: z.number().min(0).max(100),
    count: z.number().int().min(0).max(10_000),
  }),
]);

/** One answer, as a device sends it. What it was worth is worked out by the server, which asks the question again. */
export const drillAnswerSchema = z.object({
  id: z.uuid(),
  at: z.iso.datetime(),
  flora: z.string().min(1).max(80),
  form: z.enum(FORMS),
  taxon: floraId,
  stage: z.enum(STAGES),
  seed: z.number().int().min(-9e15).max(9e15),
  /** flora ids of the plants that the learner mixes up with this one, as the question was made with them */
  preferred: z.array(floraId).max(40),
  given: givenSchema,
  seconds: z.number().min(0).max(86_400),
  setId: z.uuid().nullable(),
  /** what the device made of it; it counts only where the flora has changed since */
  told: z.object({ right: z.boolean(), score: z.number().min(0).max(1) }),
});

export const drillSetSchema = z.object({
  id: z.uuid(),
  name: plainText(2, 120, "give the set a name"),
  taxa: z.array(floraId).min(1, "choose at least one plant").max(200),
  stage: z.union([z.enum(STAGES), z.literal("")]).default(""),
  due: z.union([z.iso.date(), z.literal("")]).default(""),
  requiredFor: z.array(floraId).max(200).default([]),
});

/** What a device needs of a person's past and the district's sets, to ask without a signal. */
export const drillPackSchema = z.object({
  answers: z.array(
    z.object({
      at: z.string(),
      form: z.enum(FORMS),
      taxon: z.string(),
      right: z.boolean(),
      score: z.number(),
      seconds: z.number(),
      options: z.array(z.string()).optional(),
      chosen: z.string().optional(),
      off: z.object({ cover: z.number(), count: z.number() }).optional(),
    }),
  ),
  sets: z.array(
    z.object({
      id: z.string(),
      name: z.string(),
      taxa: z.array(z.string()),
      stage: z.enum(STAGES).nullable(),
      due: z.string().nullable(),
      requiredFor: z.array(z.string()),
      passed: z.boolean(),
    }),
  ),
  /** plants that a wrong finding of this person was mistaken for: [named, was] */
  mistaken: z.array(z.tuple([z.string(), z.string()])),
});
export type DrillPack = z.output<typeof drillPackSchema>;
