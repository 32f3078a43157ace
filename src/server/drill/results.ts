import { inArray, isNull } from "drizzle-orm";
import { type Confusion, confusionsOf } from "@/core/drill";
import type { Transaction } from "@/db/client";
import { drillAnswer, membership } from "@/db/schema";
import { asMember, type Member } from "../platform/session";
import { asAnswer } from "./answers";
import { consentOf } from "./pack";
import { openSets, passedSets } from "./sets";

export interface LearnerLine {
  name: string;
  answers: number;
  right: number;
  /** names of the open sets that were passed */
  passed: string[];
}

/** Results over the group, by pair and by person: of those alone who said that they may be seen. */
export const groupResults = (
  member: Member,
): Promise<{ learners: LearnerLine[]; pairs: Confusion[]; withheld: number }> =>
  asMember(member, async (tx) => {
    const people = await tx
      .select({ id: membership.personId, name: membership.name })
      .from(membership)
      .where(isNull(membership.endedAt));
    const seen: typeof people = [];
    for (const person of people) if (await consentOf(tx, person.id)) seen.push(person);
    const answers =
      seen.length === 0
        ? []
        : await answersOfAll(
            tx,
            seen.map(({ id }) => id),
          );
    const sets = await openSets(tx);
    const learners: LearnerLine[] = [];
    for (const { id, name } of seen) {
      const own = answers.filter(({ personId }) => personId === id);
      const passed = await passedSets(
        tx,
        id,
        sets.map((set) => set.id),
      );
      learners.push({
        name,
        answers: own.length,
        right: own.filter(({ right }) => right).length,
        passed: sets.filter((set) => passed.has(set.id)).map((set) => set.name),
      });
    }
    return { learners, pairs: confusionsOf(answers.map(asAnswer)), withheld: people.length - seen.length };
  });

const answersOfAll = (tx: Transaction, ids: string[]) =>
  tx.select().from(drillAnswer).where(inArray(drillAnswer.personId, ids)).limit(MOST_ANSWERS);
const MOST_ANSWERS = 50_000;
