import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { largestFirst } from "./largest";

describe("the largest of many", () => {
  it("are those that sorting all of them puts first, equals in their order", () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 0, max: 9 }), { maxLength: 60 }),
        fc.integer({ min: 1, max: 12 }),
        (values, most) => {
          const sorted = [...values.keys()].sort((a, b) => values[b] - values[a]).slice(0, most);
          expect(largestFirst(values, most)).toEqual(sorted);
        },
      ),
    );
  });

  it("are none where none are wanted or given", () => {
    expect(largestFirst([], 3)).toEqual([]);
    expect(largestFirst([1, 2], 0)).toEqual([]);
  });
});
