import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { biasOf, drawQuadrat, offBy } from "./index";
import { isPassed, PASS } from "./pass";

const answers = (right: number, wrong: number, verified = true) => [
  ...Array.from({ length: wrong }, () => ({ right: false, verified })),
  ...Array.from({ length: right }, () => ({ right: true, verified })),
];

describe("a set", () => {
  it("is passed by sixteen right of the last twenty, and not by fewer answers", () => {
    expect(isPassed(answers(16, 4))).toBe(true);
    expect(isPassed(answers(15, 5))).toBe(false);
    expect(isPassed(answers(19, 0))).toBe(false);
  });
  it("forgets old mistakes, and takes no word of a device for it", () => {
    expect(isPassed(answers(PASS.answers, 100))).toBe(true);
    expect(isPassed(answers(PASS.answers, 0, false))).toBe(false);
    expect(isPassed([...answers(20, 0), ...answers(0, 5)])).toBe(false);
  });
});

describe("how frames are read", () => {
  const said = (seed: number, cover: number, count: number) => {
    const { cover: share, count: n } = drawQuadrat(seed);
    return offBy(seed, { kind: "stand", coverPercent: 100 * share + cover, count: n + count });
  };
  it("is the mean of what was said less what is true, from three frames on", () => {
    const answer = (off: ReturnType<typeof said>) => ({
      ...{ at: "", form: "quadrat" as const, taxon: "a", right: true, score: 1, seconds: 1 },
      ...(off ? { off } : {}),
    });
    fc.assert(
      fc.property(fc.array(fc.integer({ min: -20, max: 20 }), { minLength: 3, maxLength: 12 }), (offs) => {
        const bias = biasOf(offs.map((off, i) => answer(said(i + 1, off, -off))));
        const mean = offs.reduce((sum, off) => sum + off, 0) / offs.length;
        expect(bias?.frames).toBe(offs.length);
        expect(bias?.cover).toBeCloseTo(mean, 9);
        expect(bias?.count).toBeCloseTo(-mean, 9);
      }),
    );
    expect(biasOf([answer(said(1, 5, 0)), answer(said(2, 5, 0))])).toBeNull();
    expect(offBy(1, { kind: "act", act: "hold" })).toBeUndefined();
  });
});
