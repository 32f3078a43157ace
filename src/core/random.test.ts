import { describe, expect, it } from "vitest";
import { seededChance } from "./random";

const SEEDS = 6000;

/** Pearson's statistic against even shares, over its degrees of freedom: about 1 where the draws are even. */
function unevenness(counts: number[]): number {
  const expected = counts.reduce((a, b) => a + b, 0) / counts.length;
  return counts.reduce((sum, n) => sum + (n - expected) ** 2 / expected, 0) / (counts.length - 1);
}

/** How often each cell of the first draws comes, over seeds that follow one another. */
function cells(sizes: number[], seedOf: (i: number) => number): number[] {
  const counts = new Array<number>(sizes.reduce((a, b) => a * b, 1)).fill(0);
  for (let i = 0; i < SEEDS; i++) {
    const chance = seededChance(seedOf(i));
    counts[sizes.reduce((cell, size) => cell * size + chance.below(size), 0)]++;
  }
  return counts;
}

describe("a seeded source of chance", () => {
  it.each([
    ["the first draw", [21], (i: number) => 1e6 + i],
    ["the first three draws together", [7, 5, 4], (i: number) => 1e6 + i],
    ["every third seed", [21, 5], (i: number) => 2e6 + 3 * i],
    ["seeds with a fraction", [21, 5], (i: number) => 1e6 + i + 0.25],
  ])("is even over seeds that follow one another: %s", (_, sizes, seedOf) => {
    const uneven = unevenness(cells(sizes, seedOf));
    expect(uneven).toBeGreaterThan(0.5);
    expect(uneven).toBeLessThan(1.5);
  });

  it("does not tie a walk to the one whose seed differs by a fraction", () => {
    const differences = Array.from({ length: 2000 }, (_, i) =>
      Math.floor(20 * ((seededChance(i + 0.5).uniform() - seededChance(i).uniform() + 1) % 1)),
    );
    expect(unevenness(Array.from({ length: 20 }, (_, k) => differences.filter((d) => d === k).length))).toBeLessThan(2);
  });

  it("repeats itself for the same seed", () => {
    const [a, b] = [seededChance(5), seededChance(5)];
    expect([a.uniform(), a.below(9), a.normal(), a.pick([1, 2])]).toEqual([
      b.uniform(),
      b.below(9),
      b.normal(),
      b.pick([1, 2]),
    ]);
  });

  it("gives each name a source of its own, whatever was drawn before", () => {
    const [fresh, used] = [seededChance(5), seededChance(5)];
    for (let i = 0; i < 7; i++) used.uniform();
    expect(used.named("leaf-edge").uniform()).toBe(fresh.named("leaf-edge").uniform());
    const draws = ["leaf-edge", "leaf-egde", "leaf-edge ", "leaf-base"].map((name) => fresh.named(name).uniform());
    expect(new Set(draws).size).toBe(draws.length);
    expect(seededChance(6).named("leaf-edge").uniform()).not.toBe(draws[0]);
  });

  it("draws evenly by the same name from seeds that follow one another", () => {
    const found = Array.from({ length: 20 }, () => 0);
    for (let i = 0; i < 2000; i++) found[seededChance(i).named("mood leaf").below(20)]++;
    expect(unevenness(found)).toBeLessThan(2);
  });
});
