import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { clashes, stepAfter, waitBefore } from "./index";

describe("the outbox", () => {
  it.each([
    [null, "wait"],
    [200, "held"],
    [201, "held"],
    [400, "refused"],
    [401, "sign-in"],
    [403, "sign-in"],
    [404, "refused"],
    [409, "sign-in"],
    [429, "wait"],
    [500, "wait"],
    [503, "wait"],
  ])("after %s does: %s", (status, kind) => expect(stepAfter(status, "said").kind).toBe(kind));

  it("never lets go of a finding without the server's word for it", () => {
    fc.assert(
      fc.property(
        fc.option(fc.integer({ min: 100, max: 599 })),
        (status) => (stepAfter(status, "").kind === "held") === (status !== null && status >= 200 && status < 300),
      ),
      { seed: 5 },
    );
  });

  it("calls it a clash where verdict or named plant differ, and not where nothing is named", () => {
    const told = (verdict: string, taxon: string | null) => ({ verdict, taxon });
    expect(clashes(told("clear", "A"), told("hold", "A"))).toBe(true);
    expect(clashes(told("clear", "A"), told("clear", "B"))).toBe(true);
    expect(clashes(told("keep", "A"), told("keep", "A"))).toBe(false);
    expect(clashes(told("open", "A"), told("open", null))).toBe(false);
  });

  it("waits longer after each failure, and never for ever", () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 60 }),
        (n) => waitBefore(n + 1) >= waitBefore(n) && waitBefore(n) >= 5 && waitBefore(n) <= 300,
      ),
      { seed: 6 },
    );
  });
});
