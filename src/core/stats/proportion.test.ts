import { describe, expect, it } from "vitest";
import { calibrationError, upperLimit } from "./proportion";

describe("upper limit of a proportion", () => {
  it("is about 3/n for none found (rule of three)", () => expect(upperLimit(0, 300)).toBeCloseTo(0.00994, 5));
  it("agrees with the exact binomial: the chance of k or fewer at the limit is 5 %", () => {
    const limit = upperLimit(2, 50);
    const chance = [0, 1, 2].reduce((sum, k) => sum + [1, 50, 1225][k] * limit ** k * (1 - limit) ** (50 - k), 0);
    expect(chance).toBeCloseTo(0.05, 6);
  });
  it("is 1 for all found", () => expect(upperLimit(5, 5)).toBe(1));
  it.each([
    [-1, 5],
    [6, 5],
    [0, 0],
    [1.5, 5],
  ])("refuses %d of %d", (k, n) => expect(() => upperLimit(k, n)).toThrow(/give a whole number/));
});

describe("calibration error", () => {
  it("is 0 where claims come true as often as claimed", () =>
    expect(
      calibrationError([
        ...Array(7).fill({ probability: 0.7, right: true }),
        ...Array(3).fill({ probability: 0.7, right: false }),
      ]),
    ).toBeCloseTo(0, 9));
  it("is the gap where they do not", () =>
    expect(calibrationError(Array(10).fill({ probability: 0.9, right: false }))).toBeCloseTo(0.9, 9));
});
