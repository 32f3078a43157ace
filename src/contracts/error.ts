import { z } from "zod";

const issueSchema = z.object({ field: z.string().default(""), what: z.string() });

/** A refusal: its code says what a device does about it, the message and the issues are for a person. */
export const errorSchema = z.object({
  error: z.object({ code: z.string().optional(), message: z.string(), issues: z.array(issueSchema).default([]) }),
});
export type ErrorBody = z.output<typeof errorSchema>["error"];

/** The refusal in an answer, or null where something else came: a page of another program, or nothing. */
export function readError(body: unknown): ErrorBody | null {
  const read = errorSchema.safeParse(body);
  return read.success ? read.data.error : null;
}
