import { z } from "zod";
import { costsInputSchema } from "../control/costs";
import { modelOf, readAmendment } from "../flora/amendments";
import { Refusal } from "../platform/faults";
import { asMember, type Member } from "../platform/session";
import { askJob } from "./jobs";

const wanted = z.discriminatedUnion("kind", [
  z.object({ kind: z.literal("second-look"), input: z.object({}) }),
  z.object({ kind: z.literal("costs-preview"), input: costsInputSchema }),
  z.object({
    kind: z.literal("amend-preview"),
    input: z.object({ taxon: z.string().max(200), key: z.string().max(300), value: z.string().max(400).nullable() }),
  }),
]);
const ROLES = {
  "second-look": ["specialist", "keeper"],
  "costs-preview": ["keeper"],
  "amend-preview": ["specialist"],
} as const;

/** Asks for long work that a person may ask for; its input is checked before it is stored. @returns the job's id */
export async function askForWork(member: Member, raw: unknown): Promise<string> {
  const { kind, input } = wanted.parse(raw);
  if (!ROLES[kind].some((role) => member.roles.includes(role)))
    throw new Refusal(403, `This needs the role of ${ROLES[kind].join(" or ")}.`);
  const checked =
    kind === "amend-preview"
      ? (({ taxon, key, value }) => ({ taxon, key, value }))(
          readAmendment(await modelOf(member), {
            ...input,
            value: input.value ?? "",
            reason: "to see what it changes",
          }),
        )
      : input;
  return asMember(member, (tx) => askJob(tx, member, kind, checked));
}

/** Asks for a pack to be looked at. @returns the job's id */
export const askForPackPreview = (member: Member, files: { name: string; text: string }[]): Promise<string> =>
  asMember(member, (tx) => askJob(tx, member, "pack-preview", { files }));

/** Asks for a pack that was shown to be taken in. @returns the job's id */
export async function askForPackTake(member: Member, preview: string, raw: unknown): Promise<string> {
  const input = z
    .object({
      preview: z.uuid(),
      reason: z.string().trim().min(10, "say in at least 10 letters whose pack it is").max(1000),
    })
    .parse({ ...(raw as object), preview });
  return asMember(member, (tx) => askJob(tx, member, "pack-take", input));
}
