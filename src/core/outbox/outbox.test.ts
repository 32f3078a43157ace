import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { ANSWER_CODES, stepAfter, waitBefore } from "./index";

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
