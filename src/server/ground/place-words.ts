import { desc, eq } from "drizzle-orm";
import { z } from "zod";
import { addDays } from "@/core/time";
import type { Transaction } from "@/db/client";
import { placeWord } from "@/db/schema";
import { methodBookHere } from "../flora/own-methods";
import { now } from "../platform/clock";
import { Refusal } from "../platform/faults";
import { count } from "../platform/quota";
import { asMember, type Member } from "../platform/session";
import { signature } from "../records/signature";
import { mustBePastAt } from "./patch-day";

/** What a person has said to be true at a patch, or not, that a method waits for. */
export interface PlaceWord {
  word: string;
  text: string;
  holds: boolean;
  day: string;
  by: string;
  /** last day on which it counts */
  until: string;
}

/** The newest of each word that was said at a patch and still counts on a day. */
export async function wordsAt(tx: Transaction, patchId: string, day: string): Promise<PlaceWord[]> {
  const { known, lasts } = (await methodBookHere(tx)).vocabulary;
  const rows = await tx
    .select()
    .from(placeWord)
    .where(eq(placeWord.patchId, patchId))
    .orderBy(desc(placeWord.day), desc(placeWord.at));
  const newest = rows.filter((row, i) => rows.findIndex(({ word }) => word === row.word) === i);
  return newest
    .map(({ word, holds, day: on, saidBy }) => ({
      ...{ word, text: known[word] ?? word, holds, day: on, by: saidBy },
      until: addDays(on, lasts[word] ?? 0),
    }))
    .filter(({ day: from, until }) => from <= day && day <= until);
}

const wordSchema = z.object({
  id: z.uuid(),
  patchId: z.uuid(),
  word: z.string().min(1, "choose what is ready").max(60),
  holds: z.enum(["yes", "no"], "say yes or no"),
  day: z.iso.date("give the day"),
});

/**
 * What a specialist says to be ready at a patch, such as a burn permit, signed, with the day.
 * @throws {Refusal} 400 where no method waits for such a word
 */
export async function sayWord(member: Member, raw: unknown): Promise<void> {
  const { holds, ...input } = wordSchema.parse(raw);
  await asMember(member, async (tx) => {
    await mustBePastAt(tx, input.patchId, "day", input.day);
    const { lasts } = (await methodBookHere(tx)).vocabulary;
    if (!Object.hasOwn(lasts, input.word))
      throw new Refusal(400, `No method waits for “${input.word}”.`, [
        { field: "word", what: `choose one of ${Object.keys(lasts).join(", ")}` },
      ]);
    await count(tx, member, "change");
    await tx
      .insert(placeWord)
      .values({
        ...{ districtId: member.districtId, ...input, holds: holds === "yes", at: now() },
        ...signature("saidBy", member),
      })
      .onConflictDoNothing();
  });
}
