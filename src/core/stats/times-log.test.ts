import fc from "fast-check";
import { expect, test } from "vitest";
import { timesLog } from "./times-log";

test("a chance times its logarithm, to a ten-thousandth, and nothing for certainty and impossibility", () => {
  expect(timesLog(0)).toBe(0);
  expect(timesLog(1)).toBe(0);
  fc.assert(
    fc.property(fc.double({ min: 1e-12, max: 1, noNaN: true }), (x) => {
      const error = timesLog(x) - x * Math.log(x);
      expect(error).toBeGreaterThan(-1e-12);
      expect(error).toBeLessThan(x < 0.01 ? 1e-4 : 1e-6);
    }),
  );
});
