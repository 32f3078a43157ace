import { describe, expect, it } from "vitest";
import type { Given } from "@/core/drill";
import type { Afterwards } from "@/drawings/question/afterwards";
import type { Posed } from "./drill-engine";
import { isDone, newRound, pointsOf, type Round, stepped } from "./round-state";

const named = (id: string) => ({ id, plain: id.toUpperCase(), latin: id });
const posed = {
  scene: { question: { form: "clues", taxon: "a" }, clues: [{}, {}, {}], options: [named("a"), named("b")] },
  preferred: [],
} as unknown as Posed;
const outcome = (right: boolean, score: number) =>
  ({ outcome: { right, score }, truth: named("a") }) as unknown as Afterwards;
const chose = (taxon: string): Given => ({ kind: "plant", taxon, clues: 1 });
const begun = (questions = 2): Round => newRound({ planned: [], questions, seed: 1, form: null, setId: null });
const asked = (round: Round, at: number) => stepped(round, { type: "posed", posed, at });

describe("a round", () => {
  it("shows no more clues than there are", () => {
    let round = asked(begun(), 0);
    for (let i = 0; i < 9; i++) round = stepped(round, { type: "clue" });
    expect(round.clues).toBe(3);
  });
  it("counts each question once, however often it is answered, and names what was mistaken", () => {
    const answered = stepped(asked(begun(), 0), { type: "answered", after: outcome(false, 0), given: chose("b") });
    const again = stepped(answered, { type: "answered", after: outcome(true, 1), given: chose("a") });
    expect(again.lines).toEqual([{ form: "clues", plain: "A", right: false, score: 0, chosen: "B" }]);
  });
  it("is done when the last answer was looked at, and not before", () => {
    let round = begun(1);
    expect(isDone(round)).toBe(false);
    round = stepped(asked(round, 4), { type: "answered", after: outcome(true, 0.9), given: chose("a") });
    expect(isDone(round)).toBe(false);
    round = stepped(round, { type: "next" });
    expect([isDone(round), round.at]).toEqual([true, 5]);
  });
  it("ends early where nothing more can be asked", () => {
    const round = stepped(begun(30), { type: "ranOut" });
    expect([isDone(round), round.lines.length]).toEqual([true, 0]);
  });
  it("goes nowhere before it is answered", () => expect(stepped(asked(begun(), 2), { type: "next" }).at).toBe(2));
  it("has points out of a hundred", () => {
    expect(
      pointsOf([
        { right: true, score: 1 },
        { right: false, score: 0 },
      ]),
    ).toBe(50);
    expect(pointsOf([])).toBe(0);
  });
});
