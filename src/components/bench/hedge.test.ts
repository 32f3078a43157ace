import fc from "fast-check";
import { scaleLog } from "d3-scale";
import { describe, expect, it } from "vitest";
import type { FieldMark } from "./engine.worker";
import { placeMarks } from "./place-marks";

const y = scaleLog().domain([0.001, 1]).range([426, 26]);
const marks = fc.array(fc.record({ side: fc.constantFrom("kept", "target"), probability: fc.double({ min: 0.0005, max: 1, noNaN: true }) }), { maxLength: 14 }).map((list) => list.map((m, i) => ({ ...m, taxon: `t${i}`, name: `Plant ${i}`, status: "kept", flat: m.probability }) as FieldMark).sort((a, b) => b.probability - a.probability));

describe("the hedge", () => {
  it("puts every mark at its true height, so that nothing seems under the limit that is above it", () => {
    fc.assert(fc.property(marks, (list) => {
      for (const m of placeMarks(list, new Map(), y)) expect(m.y).toBeCloseTo(y(Math.max(0.001, m.probability)), 6);
    }), { seed: 51 });
  });
  it("moves names apart, and keeps them inside", () => {
    fc.assert(fc.property(marks, (list) => {
      for (const side of ["kept", "target"]) {
        const labels = placeMarks(list, new Map(), y).filter((m) => m.side === side).map((m) => m.labelY).sort((a, b) => a - b);
        labels.forEach((l, i) => {
          expect(l).toBeLessThanOrEqual(427);
          if (i > 0) expect(l - labels[i - 1]).toBeGreaterThan(28.9);
        });
      }
    }), { seed: 52 });
  });
  it("draws from where a plant stood before the last answer", () => {
    const [mark] = placeMarks([{ taxon: "a", name: "A", status: "kept", side: "kept", probability: 0.5, flat: 0.5 }], new Map([["a", 0.1]]), y);
    expect(mark.before).toBeCloseTo(y(0.1), 6);
  });
});
