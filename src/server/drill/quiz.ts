import { eq } from "drizzle-orm";
import { z } from "zod";
import { askAtLast, type ClueQuestion, type CollarQuestion } from "@/core/drill";
import { NOT_DRAWN, type Stage, STAGES } from "@/core/flora";
import { itemAt } from "@/core/items";
import { seededChance } from "@/core/random";
import type { Model } from "@/core/identify";
import { drillSet } from "@/db/schema";
import { districtModel } from "../flora/amendments";
import { notFound } from "../platform/faults";
import { asMember, type Member } from "../platform/session";

type QuizQuestion = ClueQuestion | CollarQuestion;

const QUESTIONS = 10;
/** The same seed gives the same quiz: an address that is kept prints it again. */
const seedSchema = z.coerce.number().int().min(1).max(1_000_000).catch(1);
const MOST_TRIES = 4 * QUESTIONS;

/** The questions of a quiz of a set. @param seed as it came in the address */
export const quizOf = (
  member: Member,
  setId: string,
  seed: string | null,
): Promise<{ name: string; model: Model; questions: QuizQuestion[] }> =>
  asMember(member, async (tx) => {
    if (!z.uuid().safeParse(setId).success) throw notFound("The set");
    const [set] = await tx.select().from(drillSet).where(eq(drillSet.id, setId));
    if (!set) throw notFound("The set");
    const model = await districtModel(tx);
    return {
      name: set.name,
      model,
      questions: questionsOf(model, set.taxa, set.stage as Stage | null, seedSchema.parse(seed ?? 1)),
    };
  });

function questionsOf(model: Model, taxa: string[], stage: Stage | null, seed: number): QuizQuestion[] {
  const subjects = taxa.flatMap((id) => {
    const taxon = model.flora.taxa.findIndex((t) => t.id === id);
    const { calendar } = taxon < 0 ? { calendar: {} } : itemAt(model.flora.taxa, taxon);
    return STAGES.filter((one) => (stage === null || one === stage) && one in calendar).map((one) => ({
      taxon,
      stage: one,
    }));
  });
  const chance = seededChance(seed).named("quiz");
  const questions: QuizQuestion[] = [];
  for (let i = 0; i < MOST_TRIES && questions.length < QUESTIONS && subjects.length > 0; i++) {
    const [subject] = subjects.splice(chance.below(subjects.length), 1);
    const question = subject && askAtLast({ model, notDrawn: NOT_DRAWN, list: {} }, subject, seed + i, "clues");
    if (question && "options" in question) questions.push(question);
  }
  return questions;
}
