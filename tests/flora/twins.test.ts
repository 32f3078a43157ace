import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { REFERENCE } from "@/core/flora/calendar";
import { likenesses } from "@/core/identify/compare/likeness";
import { decidingChecks, decidingChecksLater, riskiestPairs, twinsOf } from "@/core/identify/compare/twins";
import { buildModel } from "@/core/identify/model/build-model";
import { currentFlora } from "@/flora/load";
import { tinyFlora } from "../support/tiny-flora";

const tiny = buildModel(tinyFlora());
const whole = buildModel(currentFlora());
const index = (name: string) => whole.taxonIndex.get(name) as number;
const likeness = (model: typeof whole, a: number, b: number, stage: "winter" | "vegetative") =>
  likenesses(model, a, stage)[b];
const anyPlant = fc.nat(whole.flora.taxa.length - 1);
const anyStage = fc.constantFrom("seedling", "vegetative", "flowering", "fruiting", "winter" as const);

describe("what parts several plants", () => {
  it("marks the one that stands apart, and of two both or none", () => {
    const bushes = ["Lonicera maackii", "Lonicera canadensis", "Lonicera morrowii", "Lonicera tatarica"].map(index);
    const pith = decidingChecks(whole, bushes, "winter").find(
      (p) => whole.flora.characters[p.character].id === "twig-pith",
    );
    expect(pith?.apart).toEqual([false, true, false, false]);
    fc.assert(
      fc.property(anyPlant, anyPlant, anyStage, (a, b, stage) => {
        for (const { apart } of decidingChecks(whole, [a, b], stage as "winter")) expect(apart[0]).toBe(apart[1]);
      }),
      { seed: 152, numRuns: 40 },
    );
  });
});

describe("likeness of two plants", () => {
  it("is 1 with itself, the same both ways, and between 0 and 1", () => {
    fc.assert(
      fc.property(anyPlant, anyPlant, anyStage, (a, b, stage) => {
        const forth = likeness(whole, a, b, stage as "winter");
        expect(forth).toBeCloseTo(likeness(whole, b, a, stage as "winter"), 9);
        expect(forth).toBeGreaterThanOrEqual(0);
        expect(forth).toBeLessThanOrEqual(1);
        const own = likeness(whole, a, a, stage as "winter");
        expect(own === 0 || Math.abs(own - 1) < 1e-4).toBe(true);
      }),
      { seed: 151, numRuns: 60 },
    );
  });
  it("puts two targets that differ in their sap nearer than a target and a kept plant", () => {
    expect(likeness(tiny, 0, 1, "vegetative")).toBeGreaterThan(likeness(tiny, 0, 2, "vegetative"));
  });
});

describe("twins found by the engine, not typed", () => {
  it.each([
    ["Heracleum mantegazzianum", "Heracleum maximum"],
    ["Brachypodium sylvaticum", "Bromus vulgaris"],
    ["Amaranthus retroflexus", "Amaranthus hybridus"],
    ["Vincetoxicum rossicum", "Vincetoxicum nigrum"],
    ["Rubus armeniacus", "Rubus laciniatus"],
    ["Lonicera maackii", "Lonicera tatarica"],
  ])("%s has %s among its first six in leaf", (name, twin) => {
    expect(twinsOf(whole, index(name), "vegetative", 6).map((t) => whole.flora.taxa[t.taxon].name)).toContain(twin);
  });
  it("are sorted, and never the plant itself", () => {
    const twins = twinsOf(whole, index("Jacobaea vulgaris"), "vegetative");
    expect(twins.map((t) => t.taxon)).not.toContain(index("Jacobaea vulgaris"));
    expect([...twins].sort((a, b) => b.likeness - a.likeness)).toEqual(twins);
  });
  it("are none at a stage that the plant never shows", () => {
    expect(twinsOf(whole, index("Potamogeton crispus"), "seedling")).toEqual([]);
  });
});

describe("checks that part plants", () => {
  it("tell no more than which of them it is", () => {
    fc.assert(
      fc.property(fc.uniqueArray(anyPlant, { minLength: 2, maxLength: 4 }), anyStage, (taxa, stage) => {
        for (const { bits } of decidingChecks(whole, taxa, stage as "winter")) {
          expect(bits).toBeGreaterThan(0);
          expect(bits).toBeLessThanOrEqual(Math.log2(taxa.length) + 1e-6);
        }
      }),
      { seed: 152, numRuns: 40 },
    );
  });
  it("ask for the sap where only the sap differs", () => {
    expect(tiny.flora.characters[decidingChecks(tiny, [0, 1], "vegetative")[0].character].id).toBe("sap");
  });
  it("find the tube of the sheath between the shade grasses", () => {
    const ids = decidingChecks(whole, [index("Brachypodium sylvaticum"), index("Bromus vulgaris")], "vegetative")
      .slice(0, 4)
      .map((p) => whole.flora.characters[p.character].id);
    expect(ids).toContain("sheath-closure");
  });
  it("name a later day only for what parts better than anything now", () => {
    const taxa = [index("Clematis vitalba"), index("Clematis ligusticifolia")];
    const now = Math.max(...decidingChecks(whole, taxa, "vegetative").map((p) => p.bits));
    for (const later of decidingChecksLater(whole, taxa, "vegetative", "2026-05-01", REFERENCE)) {
      expect(later.check.bits).toBeGreaterThan(now);
      expect(later.from >= "2026-05-01").toBe(true);
      expect(later.stage).not.toBe("vegetative");
    }
  });
});

describe("the riskiestPairs of a set", () => {
  const kept = (name: string) => !["Heracleum mantegazzianum", "Conium maculatum"].includes(name);
  const keptSide = whole.flora.taxa.map((t) => (kept(t.name) ? 1 : 0));
  const umbels = whole.flora.taxa.flatMap((t, i) => (t.sets.includes("umbels") ? [i] : []));
  it("stand a plant acted on beside plants that stay, the likest pair first, with what parts them best", () => {
    const found = riskiestPairs(whole, umbels, keptSide, "vegetative");
    expect(found).toHaveLength(4);
    for (const [i, peril] of found.entries()) {
      expect(keptSide[peril.target]).toBe(0);
      expect(keptSide[peril.kept]).toBe(1);
      if (i > 0) expect(peril.likeness).toBeLessThanOrEqual(found[i - 1].likeness);
      expect(peril.checks).toEqual(decidingChecks(whole, [peril.target, peril.kept], "vegetative"));
    }
    expect(
      found.some((p) => p.target === index("Heracleum mantegazzianum") && p.kept === index("Heracleum maximum")),
    ).toBe(true);
  });
  it("are none where nothing is acted on", () =>
    expect(
      riskiestPairs(
        whole,
        umbels,
        whole.flora.taxa.map(() => 1),
        "flowering",
      ),
    ).toEqual([]));
});
