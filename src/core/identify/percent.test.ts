import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { percent } from "./percent";

describe("a share in words", () => {
  it.each([[0.0234, "2.3 %"], [1, "100 %"], [0.001, "0.1 %"], [0.00099, "<0.1 %"], [0, "<0.1 %"]])("says %d as %s", (share, words) => expect(percent(share)).toBe(words));
  it("says what is under the least in the words of its place", () => expect(percent(0, "under ")).toBe("under 0.1 %"));
  it("is within a twentieth of the share that it stands for", () => {
    fc.assert(fc.property(fc.double({ min: 0.001, max: 1, noNaN: true }), (share) => {
      expect(Math.abs(Number.parseFloat(percent(share)) / 100 - share)).toBeLessThanOrEqual(0.051 * share);
    }), { seed: 421 });
  });
});
