import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { refusalOf } from "../../../../tests/support/refusal";
import { read, seen, tinyCase, tinyFlora } from "../../../../tests/support/tiny-flora";
import type { Observation } from "../case/case";
import { answersAgainst } from "../next/answers-against";
import { buildModel, judge } from "..";
import { evidenceOf } from "./evidence-of";
import { chanceOfTwo, nearBetween, nearness, twoReadings } from "./two-readings";

const model = buildModel(tinyFlora());
const NAMES = ["Malus prima", "Malus secunda", "Bonus prima", "Bonus rara"];

function chanceOf(taxon: string, observation: Observation): number {
  const z = model.conditions.findIndex((c) => c.taxon === NAMES.indexOf(taxon) && c.stage === 1);
  return (evidenceOf(model, observation, 0, null) as NonNullable<ReturnType<typeof evidenceOf>>).chance[z];
}

const share = fc.double({ min: 0, max: 1, noNaN: true });
const readings = fc.record({
  value: fc.double({ min: 0.5, max: 40, noNaN: true }),
  other: fc.double({ min: 0.5, max: 40, noNaN: true }),
  half: fc.double({ min: 0.1, max: 3, noNaN: true }),
});

describe("what two plants of a patch measure", () => {
  it("shares out all that the second may read, after what the first did", () => {
    for (const taxon of NAMES) {
      for (const value of [3, 6.5, 12]) {
        let sum = 0;
        for (let other = 0.25; other < 40; other += 0.5)
          sum += chanceOf(taxon, read("length", value, { half: 0.25, other }));
        expect(sum / chanceOf(taxon, read("length", value, { half: 0.25 })), `${taxon} ${value}`).toBeGreaterThan(0.9);
        expect(sum / chanceOf(taxon, read("length", value, { half: 0.25 })), `${taxon} ${value}`).toBeLessThan(1.35);
      }
    }
  });
  it("weighs the two alike, whichever was first", () => {
    fc.assert(
      fc.property(readings, fc.constantFrom(...NAMES), ({ value, other, half }, taxon) => {
        expect(chanceOf(taxon, read("length", value, { half, other }))).toBeCloseTo(
          chanceOf(taxon, read("length", other, { half, other: value })),
          9,
        );
      }),
      { seed: 11, numRuns: 60 },
    );
  });
  it("forgives a plant most of a reading far out where the second is as it should be, and doubts it once where the second is too", () => {
    const weight = (o: Observation) => Math.log(chanceOf("Malus prima", o) / chanceOf("Bonus prima", o));
    const first = weight(read("length", 12));
    expect(first).toBeLessThan(-1);
    expect(weight(read("length", 12, { other: 5 }))).toBeGreaterThan(0.7 * first);
    expect(weight(read("length", 12, { other: 12 }))).toBeGreaterThan(2 * first);
    expect(weight(read("length", 12, { other: 12 }))).toBeLessThan(first);
  });
  it("is at most one, and never nothing of a plant that may have been misread", () => {
    fc.assert(
      fc.property(
        fc.tuple(share, share, share, share, share),
        fc.double({ min: 0.01, max: 0.7, noNaN: true }),
        share,
        ([a, b, c, near, any], gross, confidence) => {
          const chance = chanceOfTwo(
            { first: a, second: b, both: c },
            { first: any, second: any, both: any },
            near,
            gross,
            confidence,
          );
          expect(chance).toBeLessThanOrEqual(1 + 1e-9);
          expect(chance).toBeGreaterThanOrEqual(0.3 * gross ** 2 * any ** 2 - 1e-12);
        },
      ),
      { seed: 12, numRuns: 100 },
    );
  });
  it("counts as near what the two intervals share", () => {
    fc.assert(
      fc.property(readings, ({ value, other, half }) => {
        const two = twoReadings("measure", read("length", value, { half }), other);
        expect(nearness(two)).toBeCloseTo(Math.max(0, 1 - Math.abs(value - other) / (2 * half)), 9);
        const edges = [Number.NEGATIVE_INFINITY, value - half, value + half / 3, Number.POSITIVE_INFINITY];
        const shares = [0, 1, 2].map((i) => nearBetween(two.first, edges[i], edges[i + 1]));
        expect(shares.reduce((x, y) => x + y, 0)).toBeCloseTo(1, 9);
        expect(shares[0]).toBeCloseTo(1 / 8, 9);
      }),
      { seed: 13, numRuns: 60 },
    );
  });
  it("is asked for where the plant ranked first measures otherwise, four times in five, however the first was read", () => {
    const asPrima = [seen("hair", "some"), seen("sap", "milky"), seen("edge", "smooth")];
    const against = (o: Observation) =>
      [...answersAgainst(judge(model, tinyCase([...asPrima, o]))).keys()].map((c) => model.flora.characters[c].id);
    expect(against(read("length", 5))).toEqual([]);
    expect(against(read("length", 6.1))).toEqual([]);
    expect(against(read("length", 7, { value: undefined, values: [7, 7.2, 6.8] }))).toEqual(["length"]);
    expect(against(read("length", 7))).toEqual(["length"]);
    expect(against(read("length", 7, { half: 2 }))).toEqual([]);
    expect(against(read("length", 7, { other: 5 }))).toEqual([]);
  });
  it("refuses a state for a number, a number for a state, and what no plant reaches", () => {
    expect(refusalOf(model, read("length", 5, { other: "smooth" }))).toEqual({
      code: "wrong-kind",
      field: "observations.0.other",
    });
    expect(refusalOf(model, seen("edge", "teeth", { of: { yes: 1, n: 2 }, other: 3 }))).toEqual({
      code: "wrong-kind",
      field: "observations.0.other",
    });
    expect(refusalOf(model, read("length", 5, { other: 1e6 }))).toEqual({
      code: "out-of-range",
      field: "observations.0.other",
    });
    expect(refusalOf(model, read("length", 5, { other: 6 }))).toBeNull();
  });
});
