import { scaleLog } from "d3-scale";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { slopesOf } from "./district-slopes";
import type { FieldMark } from "./engine";
import { placeMarks } from "./place-marks";

const y = scaleLog().domain([0.001, 1]).range([426, 26]);
const marks = fc
  .array(
    fc.record({
      side: fc.constantFrom("kept", "target"),
      probability: fc.double({ min: 0.0005, max: 1, noNaN: true }),
    }),
    { maxLength: 14 },
  )
  .map((list) =>
    list
      .map((m, i) => ({ ...m, taxon: `t${i}`, name: `Plant ${i}`, status: "kept", flat: m.probability }) as FieldMark)
      .sort((a, b) => b.probability - a.probability),
  );

describe("the hedge", () => {
  it("puts every mark at its true height, so that nothing seems under the limit that is above it", () => {
    fc.assert(
      fc.property(marks, (list) => {
        for (const m of placeMarks(list, new Map(), y)) expect(m.y).toBeCloseTo(y(Math.max(0.001, m.probability)), 6);
      }),
      { seed: 51 },
    );
  });
  it("moves names apart, and keeps them inside", () => {
    fc.assert(
      fc.property(marks, (list) => {
        for (const side of ["kept", "target"]) {
          const labels = placeMarks(list, new Map(), y)
            .filter((m) => m.side === side)
            .map((m) => m.labelY)
            .sort((a, b) => a - b);
          labels.forEach((l, i) => {
            expect(l).toBeLessThanOrEqual(427);
            if (i > 0) expect(l - labels[i - 1]).toBeGreaterThan(28.9);
          });
        }
      }),
      { seed: 52 },
    );
  });
  it("draws from where a plant stood before the last answer", () => {
    const [mark] = placeMarks(
      [{ taxon: "a", name: "A", status: "kept", side: "kept", probability: 0.5, flat: 0.5 }],
      new Map([["a", 0.1]]),
      y,
    );
    expect(mark.before).toBeCloseTo(y(0.1), 6);
  });
});

describe("what the district adds", () => {
  const both = fc
    .array(
      fc.record({
        probability: fc.double({ min: 0, max: 1, noNaN: true }),
        flat: fc.double({ min: 0, max: 1, noNaN: true }),
      }),
      { minLength: 1, maxLength: 20 },
    )
    .map((list) =>
      list.map((m, i) => ({ ...m, side: "kept", taxon: `t${i}`, name: `Plant ${i}`, status: "kept" }) as FieldMark),
    );
  it("shows the plants that stand highest either way, each with its two shares in their order", () => {
    fc.assert(
      fc.property(both, (list) => {
        const slopes = slopesOf(list);
        const shown = new Set(slopes.map((s) => s.taxon));
        const least = Math.min(...slopes.map((s) => Math.max(s.probability, s.flat)));
        for (const m of list)
          if (!shown.has(m.taxon)) expect(Math.max(m.probability, m.flat)).toBeLessThanOrEqual(least);
        for (const a of slopes)
          for (const b of slopes) {
            if (a.flat > b.flat) expect(a.from).toBeLessThanOrEqual(b.from);
            if (a.probability > b.probability) expect(a.to).toBeLessThanOrEqual(b.to);
          }
      }),
      { seed: 53 },
    );
  });
  it("keeps its writing apart", () => {
    fc.assert(
      fc.property(both, (list) => {
        const heights = slopesOf(list)
          .map((s) => s.toLabel)
          .sort((a, b) => a - b);
        for (let i = 1; i < heights.length; i++) expect(heights[i] - heights[i - 1]).toBeGreaterThan(24.9);
      }),
      { seed: 54 },
    );
  });
});
