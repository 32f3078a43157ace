import { type Card, createEmptyCard, fsrs, type Grade, Rating } from "ts-fsrs";
import type { Form } from "./question";

/** One answer, as it is stored. */
export interface Answer {
  /** ISO instant */
  at: string;
  form: Form;
  /** flora id of the plant that was drawn */
  taxon: string;
  right: boolean;
  /** in [0, 1] */
  score: number;
  seconds: number;
  /** the plants to choose from, where there were any, and the one that was chosen */
  options?: string[];
  chosen?: string;
  /** of a frame: what was said less what is true, in percentage points of cover and in plants */
  off?: { cover: number; count: number };
}

/** Slower than this is hard; quicker, with nearly all clues unseen, is easy. */
const SLOW_S = 60;
const QUICK_S = 25;
const EASY_FROM = 0.85;

/** The grade of an answer by what was done, never by how the person feels about it. */
export function gradeOf({ right, score, seconds }: Pick<Answer, "right" | "score" | "seconds">): Grade {
  if (!right) return Rating.Again;
  if (score >= EASY_FROM && seconds <= QUICK_S) return Rating.Easy;
  return score <= 0.6 || seconds > SLOW_S ? Rating.Hard : Rating.Good;
}

const scheduler = fsrs({ enable_fuzz: false, enable_short_term: false });

/** When each plant is to be asked again, from all answers in the order of time. Memory model FSRS-6, by ts-fsrs. */
export function cardsOf(answers: readonly Answer[]): Map<string, Card> {
  const cards = new Map<string, Card>();
  for (const answer of inOrder(answers)) {
    const at = new Date(answer.at);
    const card: Card = cards.get(answer.taxon) ?? createEmptyCard(at);
    cards.set(answer.taxon, scheduler.next(card, at, gradeOf(answer)).card);
  }
  return cards;
}

export interface Confusion {
  /** flora ids, in the order of the alphabet */
  pair: [string, string];
  wrong: number;
  right: number;
  /** how much the pair is still mixed up: one more for each mistake, half with each time that it was told apart */
  weakness: number;
}

const pairOf = (a: string, b: string): [string, string] => (a < b ? [a, b] : [b, a]);

/** Which plants are mixed up with which, weakest first. A pair that was never mixed up is not in it. */
export function confusionsOf(answers: readonly Answer[]): Confusion[] {
  const found = new Map<string, Confusion>();
  for (const { taxon, chosen, options = [], right } of inOrder(answers)) {
    if (!right && chosen && chosen !== taxon) {
      const pair = pairOf(taxon, chosen);
      const before = found.get(pair.join(" ")) ?? { pair, wrong: 0, right: 0, weakness: 0 };
      found.set(pair.join(" "), { ...before, wrong: before.wrong + 1, weakness: before.weakness + 1 });
    }
    if (!right) continue;
    for (const other of options) {
      const key = pairOf(taxon, other).join(" ");
      const before = found.get(key);
      if (before) found.set(key, { ...before, right: before.right + 1, weakness: before.weakness / 2 });
    }
  }
  return [...found.values()].sort((a, b) => b.weakness - a.weakness);
}

const inOrder = (answers: readonly Answer[]): Answer[] => [...answers].sort((a, b) => a.at.localeCompare(b.at));
