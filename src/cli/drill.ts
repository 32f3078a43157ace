import { InputError } from "@/core/errors";
import { ask, askAtLast, type DrillBook, faultsOf, type Question, type Subject, subjectsOf } from "@/core/drill";
import { buildModel } from "@/core/identify";
import { seededChance } from "@/core/random";
import { NOT_DRAWN } from "@/core/flora";
import { currentFlora, loadList } from "@/flora/load";
import { numberOption, printJson, run } from "./output";

/** The list that the questions to hold or to clear stand on. */
const LIST = "otter-valley";
const MOST_QUESTIONS = 1_000_000;
/** So many questions are asked a second time, to see that the same seed gives the same question. */
const ASKED_AGAIN = 200;
/** A plant that so many draws gave no question of is not tried again. */
const GIVEN_UP_AFTER = 3;

run(() => {
  const questions = numberOption("questions", 1000);
  const seed = numberOption("seed", 1);
  if (!Number.isInteger(questions) || questions < 1 || questions > MOST_QUESTIONS)
    throw new InputError("out-of-range", "--questions", questions, `a whole number from 1 to ${MOST_QUESTIONS}`);
  const book: DrillBook = {
    model: buildModel(currentFlora()),
    notDrawn: NOT_DRAWN,
    list: loadList(LIST).status,
  };
  printJson(drill(book, questions, seed));
});

/** Asks of every plant at every stage in turn, in an order by chance, and reads each question again. */
function drill(book: DrillBook, wanted: number, seed: number) {
  const subjects = shuffledSubjects(book, seed);
  const refusals = new Map<Subject, string[]>();
  const asked: Question[] = [];
  const seeds: { subject: Subject; seed: number }[] = [];
  const times: number[] = [];
  const isGivenUp = (subject: Subject): boolean => (refusals.get(subject)?.length ?? 0) >= GIVEN_UP_AFTER;
  for (let i = 0; asked.length < wanted && !subjects.every(isGivenUp); i++) {
    const subject = subjects[i % subjects.length] as Subject;
    if (isGivenUp(subject)) continue;
    const began = performance.now();
    const question = askAtLast(book, subject, seed * 7_919 + i);
    times.push(performance.now() - began);
    if ("why" in question) refusals.set(subject, [...(refusals.get(subject) ?? []), question.why]);
    else {
      asked.push(question);
      seeds.push({ subject, seed: question.seed });
    }
  }
  const everAsked = new Set(seeds.map(({ subject }) => subject));
  const faults = asked.map((question) => faultsOf(book.model, question));
  const count = (of: "twoRight" | "contradicted" | "implausible") => faults.filter((fault) => fault[of]).length;
  return {
    questions: asked.length,
    byForm: tally(asked.map(({ form }) => form)),
    twoRight: count("twoRight"),
    contradicted: count("contradicted"),
    implausible: count("implausible"),
    misleading: asked.filter((question) => question.form === "clues" && question.clues.some((c) => c.misleading))
      .length,
    unaskable: [...refusals]
      .filter(([subject]) => !everAsked.has(subject))
      .map(([{ taxon, stage }, [why]]) => ({ taxon: book.model.flora.taxa[taxon].name, stage, why })),
    repeatable: isRepeatable(book, asked, seeds),
    p95Ms: Number((times.sort((a, b) => a - b)[Math.floor(0.95 * times.length)] ?? 0).toFixed(2)),
    subjects: new Set(asked.map(({ taxon, stage }) => `${taxon} ${stage}`)).size,
    mostOfOnePlant: Math.max(...Object.values(tally(asked.map(({ taxon }) => taxon)))),
    optionsDiffer: optionsDiffer(book, asked, seeds),
  };
}

function shuffledSubjects(book: DrillBook, seed: number): Subject[] {
  const chance = seededChance(seed).named("order");
  return subjectsOf(book.model)
    .map((subject) => ({ subject, key: chance.uniform() }))
    .sort((a, b) => a.key - b.key)
    .map(({ subject }) => subject);
}

function tally(names: string[]): Record<string, number> {
  const counts: Record<string, number> = {};
  for (const name of names) counts[name] = (counts[name] ?? 0) + 1;
  return counts;
}

type Seeded = { subject: Subject; seed: number };

function isRepeatable(book: DrillBook, asked: Question[], seeds: Seeded[]): boolean {
  return seeds
    .slice(0, ASKED_AGAIN)
    .every(({ subject, seed }, i) => JSON.stringify(ask(book, subject, seed)) === JSON.stringify(asked[i]));
}

/** Share of plants asked of twice whose answers to choose from were others, or in another order, the second time. */
function optionsDiffer(book: DrillBook, asked: Question[], seeds: Seeded[]): number {
  const pairs = asked.slice(0, ASKED_AGAIN).flatMap((question, i) => {
    const seeded = seeds[i];
    if (!seeded || question.form !== "clues") return [];
    const again = askAtLast(book, seeded.subject, seeded.seed + 17, "clues");
    return "options" in again ? [String(again.options) !== String(question.options)] : [];
  });
  return pairs.filter(Boolean).length / Math.max(1, pairs.length);
}
