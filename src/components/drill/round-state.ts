import type { Form, Given, Outcome, Planned } from "@/core/drill";
import type { Afterwards } from "@/drawings/question/afterwards";
import type { Posed } from "./drill-engine";

/** One answered question, as the sheet shows it. */
export interface Line {
  form: Form;
  plain: string;
  right: boolean;
  score: number;
  /** the wrong answer, where a plant was chosen */
  chosen: string | null;
}

/** A round in the making. */
export interface Round {
  planned: Planned[];
  /** the subject that is asked about next */
  at: number;
  questions: number;
  seed: number;
  form: Form | null;
  setId: string | null;
  posed: Posed | null;
  /** clues seen so far */
  clues: number;
  after: Afterwards | null;
  lines: Line[];
}

export type RoundAction =
  | { type: "posed"; posed: Posed; at: number }
  | { type: "ranOut" }
  | { type: "clue" }
  | { type: "answered"; after: Afterwards; given: Given }
  | { type: "next" };

export const newRound = (of: Pick<Round, "planned" | "questions" | "seed" | "form" | "setId">): Round => ({
  ...of,
  at: 0,
  posed: null,
  clues: 1,
  after: null,
  lines: [],
});

export const isDone = ({ lines, questions, after }: Round): boolean => lines.length >= questions && after === null;

/** What each thing that happens does to a round. */
export function stepped(round: Round, action: RoundAction): Round {
  switch (action.type) {
    case "posed":
      return { ...round, posed: action.posed, at: action.at, clues: 1, after: null };
    case "ranOut":
      return { ...round, questions: round.lines.length, posed: null, after: null };
    case "clue":
      return { ...round, clues: Math.min(round.posed?.scene.clues.length ?? 1, round.clues + 1) };
    case "answered":
      return round.posed && !round.after
        ? { ...round, after: action.after, lines: [...round.lines, lineOf(round.posed, action)] }
        : round;
    case "next":
      return round.after ? { ...round, posed: null, after: null, at: round.at + 1 } : round;
  }
}

function lineOf({ scene }: Posed, { after, given }: { after: Afterwards; given: Given }): Line {
  const { right, score } = after.outcome;
  const wrong = given.kind === "plant" && !right ? scene.options.find(({ id }) => id === given.taxon) : undefined;
  return { form: scene.question.form, plain: after.truth.plain, right, score, chosen: wrong?.plain ?? null };
}

/** Points of a sheet: 100 where each question was right at the first clue. */
export const pointsOf = (lines: readonly Outcome[]): number =>
  lines.length === 0 ? 0 : Math.round((100 * lines.reduce((sum, { score }) => sum + score, 0)) / lines.length);
