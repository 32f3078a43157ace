import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { type Change, stateAt } from "./history";

const at = (day: number) => new Date(Date.UTC(2026, 0, day)).toISOString();
/** A plant is put on the list on the 5th, becomes protected on the 10th, and is taken off on the 20th. */
const CHANGES: Change<string>[] = [
  { at: at(5), before: null, after: "target" },
  { at: at(10), before: "target", after: "protected" },
  { at: at(20), before: "protected", after: null },
];

describe("what something was at a moment", () => {
  it.each([
    [1, "target"],
    [5, "target"],
    [9, "target"],
    [10, "protected"],
    [19, "protected"],
    [20, null],
    [30, null],
  ])("day %i", (day, state) => expect(stateAt(CHANGES, at(day), null)).toBe(state));

  it("before the first change is what that one changed, if it was there", () =>
    expect(stateAt(CHANGES.slice(1), at(1), null)).toBe("target"));

  it("is what it is now where no change was kept", () => {
    expect(stateAt([], at(1), "kept")).toBe("kept");
    expect(stateAt([], at(1), null)).toBeNull();
  });

  it("after all changes is the last state", () => {
    fc.assert(
      fc.property(fc.array(fc.string(), { minLength: 1 }), (states) => {
        const changes = states.map((after, i) => ({ at: at(i + 1), before: states[i - 1] ?? null, after }));
        expect(stateAt(changes, at(states.length + 1), null)).toBe(states.at(-1));
        for (const [i, state] of states.entries()) expect(stateAt(changes, at(i + 1), null)).toBe(state);
      }),
    );
  });
});
