import { asc, eq } from "drizzle-orm";
import type { z } from "zod";
import { drillAnswerSchema, givenSchema } from "@/contracts/drill";
import { type Answer, ask, type Form, offBy, type Outcome, outcomeOf, type Question } from "@/core/drill";
import { NOT_DRAWN } from "@/core/flora";
import { InputError } from "@/core/errors";
import type { Transaction } from "@/db/client";
import { district, drillAnswer, drillSet } from "@/db/schema";
import { readStored } from "@/db/schema/json";
import { firstOf } from "@/core/items";
import { listsByPlace } from "../control/list";
import { districtModel } from "../flora/amendments";
import { now } from "../platform/clock";
import { notFound, Refusal } from "../platform/faults";
import { count } from "../platform/quota";
import { asMember, type Member } from "../platform/session";

type Sent = z.output<typeof drillAnswerSchema>;

/**
 * Keeps an answer of practice. Idempotent by its id. The server asks the question again and works out what the answer was worth;
 * where the flora has changed since, it keeps the device's word, marked as not verified.
 * @throws {Refusal} 400 where the answer does not belong to the question
 */
export async function saveDrillAnswer(member: Member, raw: unknown): Promise<{ again: boolean } & Outcome> {
  const sent = drillAnswerSchema.parse(raw);
  if (Date.parse(sent.at) > now().getTime() + CLOCKS_APART_MS)
    throw new Refusal(400, "That answer is dated in the future.", [{ field: "at", what: "a moment that has passed" }]);
  return asMember(member, async (tx) => {
    const [known] = await tx.select().from(drillAnswer).where(eq(drillAnswer.id, sent.id));
    if (known) return { again: true, right: known.right, score: known.score };
    if (sent.setId) await mustBeOpen(tx, sent.setId);
    await count(tx, member, "answer");
    const { question, outcome } = await checked(tx, sent);
    const { right, score } = outcome ?? sent.told;
    await tx
      .insert(drillAnswer)
      .values({
        districtId: member.districtId,
        personId: member.personId,
        ...{ id: sent.id, at: new Date(sent.at), flora: sent.flora, form: sent.form, taxon: sent.taxon },
        ...{ stage: sent.stage, seed: sent.seed, given: sent.given, seconds: sent.seconds, setId: sent.setId },
        options: question && "options" in question ? question.options : [],
        chosen: sent.given.kind === "plant" ? sent.given.taxon : null,
        ...{ right, score, verified: outcome !== null },
      })
      .onConflictDoNothing();
    return { again: false, right, score };
  });
}

/** Clocks of devices go wrong by a little. */
const CLOCKS_APART_MS = 10 * 60_000;

/** The question as the server makes it, and what the answer is worth; nothing where it was made from another flora than is in force. */
async function checked(tx: Transaction, sent: Sent): Promise<{ question: Question | null; outcome: Outcome | null }> {
  const model = await districtModel(tx);
  if (model.flora.version !== sent.flora) return { question: null, outcome: null };
  const index = (id: string): number => model.flora.taxa.findIndex((taxon) => taxon.id === id);
  const taxon = index(sent.taxon);
  if (taxon < 0) throw notFound("The plant");
  const preferred = sent.preferred.map(index).filter((t) => t >= 0);
  const { costs } = firstOf(await tx.select({ costs: district.costs }).from(district));
  const book = { model, notDrawn: NOT_DRAWN, list: (await listsByPlace(tx))(null).status, costs };
  const question = ask(book, { taxon, stage: sent.stage }, sent.seed, sent.form, preferred);
  if ("why" in question) throw new Refusal(400, "There is no such question.", [{ field: "seed", what: question.why }]);
  const outcome = outcomeOf(question, sent.given);
  if (!outcome)
    throw new InputError("wrong-answer", "given", sent.given.kind, "an answer of the kind that the question asks for");
  return { question, outcome };
}

async function mustBeOpen(tx: Transaction, setId: string): Promise<void> {
  const [held] = await tx.select({ id: drillSet.id }).from(drillSet).where(eq(drillSet.id, setId));
  if (!held) throw notFound("The set");
}

/** A person's answers, oldest first. */
export const answersOf = (tx: Transaction, personId: string) =>
  tx
    .select()
    .from(drillAnswer)
    .where(eq(drillAnswer.personId, personId))
    .orderBy(asc(drillAnswer.at), asc(drillAnswer.id));

/** An answer as memory and results read it. */
export function asAnswer(row: typeof drillAnswer.$inferSelect): Answer {
  const { at, form, taxon, right, score, seconds, seed, options, chosen } = row;
  const off = offBy(seed, readStored("drill_answer.given", givenSchema, row.given));
  return {
    ...{ at: at.toISOString(), form: form as Form, taxon, right, score, seconds },
    ...(options.length > 0 ? { options } : {}),
    ...(chosen ? { chosen } : {}),
    ...(off ? { off } : {}),
  };
}
