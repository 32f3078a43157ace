import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { tinyFlora } from "../../../../tests/support/tiny-flora";
import type { Character, CompiledFlora, Score } from "../../flora";
import { withDerivedScores } from "./derived-scores";

type Points = NonNullable<Score["points"]>;
const measure = (id: string, more: Partial<Character> = {}): Character => ({
  ...(tinyFlora().characters[0] as Character),
  ...{ id, kind: "measure", unit: "cm", states: [] },
  ...more,
});
const floraOf = (characters: Character[], scores: Score[]): CompiledFlora => ({ ...tinyFlora(), characters, scores });
const points = (low: number, high: number): Points => [low * 0.7, low, high, high * 1.4];
const span = fc
  .tuple(fc.double({ min: 0.5, max: 40, noNaN: true }), fc.double({ min: 1.01, max: 3, noNaN: true }))
  .map(([low, times]) => points(low, low * times));

describe("what follows from other scores", () => {
  it("is the width of a blade: length over ratio at the median, wider than either, in order", () => {
    fc.assert(
      fc.property(span, span, (length, ratio) => {
        const { scores } = withDerivedScores(
          floraOf(
            [measure("leaf-length"), measure("leaf-ratio"), measure("leaf-width")],
            [
              { taxon: 0, character: 0, confidence: 0.9, points: length },
              { taxon: 0, character: 1, confidence: 0.8, points: ratio },
            ],
          ),
        );
        const width = scores.find((s) => s.character === 2)?.points as Points;
        const median = ([, low, high]: Points) => Math.sqrt(low * high);
        const spread = ([, low, high]: Points) => high / low;
        expect(median(width)).toBeCloseTo(median(length) / median(ratio), 6);
        expect(spread(width)).toBeGreaterThanOrEqual(Math.max(spread(length), spread(ratio)) - 1e-9);
        expect([...width].sort((a, b) => a - b)).toEqual(width);
        expect(scores.find((s) => s.character === 2)?.confidence).toBe(0.8);
      }),
    );
  });

  it("gives way to a score of its own, and needs both of the others", () => {
    const characters = [measure("leaf-length"), measure("leaf-ratio"), measure("leaf-width")];
    const own: Score[] = [
      { taxon: 0, character: 0, confidence: 1, points: points(4, 8) },
      { taxon: 0, character: 1, confidence: 1, points: points(2, 3) },
      { taxon: 0, character: 2, confidence: 1, points: points(1, 2) },
      { taxon: 1, character: 0, confidence: 1, points: points(4, 8) },
    ];
    expect(withDerivedScores(floraOf(characters, own)).scores).toEqual(own);
  });

  it("lets a plant that is not full-grown be small, and never larger than a full-grown one", () => {
    fc.assert(
      fc.property(span, (height) => {
        const { scores } = withDerivedScores(
          floraOf(
            [measure("height", { grows: true, stages: ["flowering", "fruiting"] })],
            [{ taxon: 0, character: 0, confidence: 1, points: height }],
          ),
        );
        const at = (stage: Score["stage"]) => scores.find((s) => s.stage === stage)?.points as Points;
        expect(at("vegetative")[1]).toBeLessThan(height[1]);
        expect(at("vegetative")[3]).toBe(height[3]);
        expect(at("seedling")[3]).toBeLessThan(height[3]);
        expect(at("flowering")).toBeUndefined();
      }),
    );
  });
});
