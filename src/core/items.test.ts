import { describe, expect, it } from "vitest";
import { firstOf, itemAt } from "./items";

describe("an item that is known to be there", () => {
  it("is found by its place", () => {
    expect(itemAt(["a", "b"], 1)).toBe("b");
    expect(itemAt(new Float64Array([0.5]), 0)).toBe(0.5);
    expect(firstOf([undefined])).toBeUndefined();
  });
  it.each([[-1], [2], [0.5], [Number.NaN]])("is refused at %d of two, where it is not", (index) => {
    if (index === 0.5) expect(itemAt(["a", "b"], index)).toBeUndefined();
    else expect(() => itemAt(["a", "b"], index)).toThrow(/no item/);
  });
  it("is refused of an empty list", () => expect(() => firstOf([])).toThrow(RangeError));
});
