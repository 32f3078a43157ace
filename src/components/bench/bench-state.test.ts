import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { newDraft, type Draft } from "../device/stored";
import { type BenchEvent, benchReducer, stepOf } from "./bench-state";

const saw = (character: string, state: string) => ({ character, states: [state] });
const begin = () => newDraft("site", "2026-06-12");
const told = (...events: BenchEvent[]) => events.reduce(benchReducer, begin());
const stage: BenchEvent = { type: "stageSaid", stage: "vegetative" };
const place: BenchEvent = { type: "placeSaid", said: [saw("ground", "marsh")] };
const answer = (character: string, state: string, ofSecond = false): BenchEvent => ({
  type: "answered",
  observation: saw(character, state),
  ofSecond,
});

describe("the finding on the Bench", () => {
  it("is asked for its stage, its place, and then part after part", () => {
    expect(stepOf(null, false)).toBe("stage");
    expect(stepOf(begin(), false)).toBe("stage");
    expect(stepOf(told(stage), false)).toBe("place");
    expect(stepOf(told(stage), true)).toBe("part");
    expect(stepOf(told(stage, place), false)).toBe("part");
  });

  it("is not asked for a place of which the site knows all, unless someone wants to change it", () => {
    expect(stepOf(told(stage), false, true)).toBe("part");
    const opened = told(stage, answer("sap", "clear"), { type: "placeOpened" });
    expect(stepOf(opened, false, true)).toBe("place");
    const said = benchReducer(opened, place);
    expect(stepOf(said, false, true)).toBe("part");
    expect(said.observations).toEqual([saw("ground", "marsh"), saw("sap", "clear")]);
    expect(stepOf({ ...begin(), stageAsked: true, placeBefore: [saw("ground", "marsh")] }, false, true)).toBe("place");
  });

  it("may be at two stages at once, until one is said", () => {
    const two = told({ type: "twoStagesSaid", stages: ["flowering", "fruiting"] });
    expect(two).toMatchObject({ stages: ["flowering", "fruiting"], stage: "flowering", stageAsked: true });
    expect(benchReducer(two, stage)).toMatchObject({ stage: "vegetative", stages: undefined });
    expect(benchReducer(benchReducer(two, stage), { type: "undone" }).stages).toEqual(["flowering", "fruiting"]);
  });

  it("tells low leaves from high ones, and keeps an answer of each", () => {
    const at = (position: "low" | "high", state: string): BenchEvent => ({
      type: "answered",
      observation: { ...saw("leaf-lobes", state), position },
      ofSecond: false,
    });
    const { observations } = told(stage, at("low", "deep"), at("high", "none"), at("low", "shallow"));
    expect(observations.map((o) => [o.position, o.states?.[0]])).toEqual([
      ["high", "none"],
      ["low", "shallow"],
    ]);
  });

  it("keeps words that no character takes in, and takes them back", () => {
    const said = told(
      stage,
      { type: "wordlessSaid", words: "  drops roll off " },
      { type: "wordlessSaid", words: " " },
    );
    expect(said.wordless).toEqual(["drops roll off"]);
    expect(benchReducer(said, { type: "wordlessRemoved", index: 0 }).wordless).toEqual([]);
  });

  it("keeps one answer of each part, the last one", () => {
    const { observations } = told(stage, answer("sap", "clear"), answer("edge", "teeth"), answer("sap", "milky"));
    expect(observations).toEqual([saw("edge", "teeth"), saw("sap", "milky")]);
  });

  it("adds what a second plant shows to what the first one did, and takes that back as one step", () => {
    const both = told(stage, answer("sap", "clear"), answer("sap", "milky", true));
    expect(both.observations).toMatchObject([{ ...saw("sap", "clear"), of: { yes: 1, n: 2 }, other: "milky" }]);
    expect(benchReducer(both, { type: "undone" }).observations).toEqual([saw("sap", "clear")]);
  });

  it("remembers that a second plant told nothing, and that there is none, over a reload", () => {
    const draft = told(
      stage,
      answer("sap", "clear"),
      { type: "answered", observation: { character: "sap", answer: "cannot-tell" }, ofSecond: true },
      { type: "noSecondPlant" },
    );
    const reloaded: Draft = JSON.parse(JSON.stringify(draft));
    expect(reloaded).toMatchObject({ passed: ["sap"], alone: true });
    expect(benchReducer(benchReducer(reloaded, { type: "undone" }), { type: "undone" })).toMatchObject({
      observations: [saw("sap", "clear")],
    });
  });

  it("offers what was said of the place again when that is taken back", () => {
    const back = benchReducer(told(stage, place), { type: "undone" });
    expect(back).toMatchObject({ observations: [], placeBefore: [saw("ground", "marsh")] });
    expect(stepOf(back, false)).toBe("place");
  });

  it("comes back to the beginning, step by step, whatever was said", () => {
    const anyEvent: fc.Arbitrary<BenchEvent> = fc.oneof(
      fc.constant(stage),
      fc.constant(place),
      fc.record({
        type: fc.constant("answered" as const),
        observation: fc.record({
          character: fc.constantFrom("sap", "edge", "hair"),
          states: fc.constantFrom("a", "b").map((s) => [s]),
        }),
        ofSecond: fc.boolean(),
      }),
      fc.record({ type: fc.constant("removed" as const), index: fc.integer({ min: 0, max: 4 }) }),
      fc.constant({ type: "noSecondPlant" as const }),
    );
    fc.assert(
      fc.property(fc.array(anyEvent, { maxLength: 25 }), (events) => {
        const start = begin();
        let draft = events.reduce(benchReducer, start);
        while (draft.history?.length) draft = benchReducer(draft, { type: "undone" });
        expect(draft.observations).toEqual(start.observations);
        expect(draft.stageAsked).toBe(false);
        expect(benchReducer(draft, { type: "undone" })).toBe(draft);
      }),
      { seed: 2507, numRuns: 150 },
    );
  });
});
