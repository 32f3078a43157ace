import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { ANSWER_CODES, clashes, stepAfter, waitBefore } from "./index";

describe("the outbox", () => {
  it.each([
    ["wait", "wait"],
    ["sign-in", "sign-in"],
    ["never", "refused"],
    ["conflict", "refused"],
    [null, "wait"],
  ] as const)("after an answer with the code %s does: %s", (code, kind) =>
    expect(stepAfter({ taken: false, code, message: "said" }).kind).toBe(kind),
  );
  it("waits where no answer came", () => expect(stepAfter(null).kind).toBe("wait"));

  it("never lets go of a finding without the server's word for it", () => {
    fc.assert(
      fc.property(
        fc.option(
          fc.record({ taken: fc.boolean(), code: fc.option(fc.constantFrom(...ANSWER_CODES)), message: fc.string() }),
        ),
        (answer) => (stepAfter(answer).kind === "held") === (answer?.taken ?? false),
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
