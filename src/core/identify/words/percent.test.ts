import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { percent } from "./percent";

describe("a share in words", () => {
  it.each([
    [0.0234, "2.3%"],
    [0.9, "90%"],
    [0.99, "99%"],
    [0.9951, "99.5%"],
    [0.9989, "99.8%"],
    [0.9991, ">99.9%"],
    [1, ">99.9%"],
    [0.001, "0.1%"],
    [0.00099, "<0.1%"],
    [0, "<0.1%"],
  ])("says %d as %s", (share, words) => expect(percent(share)).toBe(words));
  it("says what is under the least in the words of its place", () => expect(percent(0, "under ")).toBe("under 0.1%"));
  it("is within a twentieth of the share that it stands for", () => {
    fc.assert(
      fc.property(fc.double({ min: 0.001, max: 1, noNaN: true }), (share) => {
        expect(Math.abs(Number.parseFloat(percent(share).replace(">", "")) / 100 - share)).toBeLessThanOrEqual(
          0.051 * share,
        );
      }),
      { seed: 421 },
    );
  });
  it("never calls all what is not all", () => {
    fc.assert(
      fc.property(fc.double({ min: 0.9, max: 1, noNaN: true }), (share) => {
        expect(Number.parseFloat(percent(share).replace(">", ""))).toBeLessThan(100);
      }),
      { seed: 422 },
    );
  });
});
