import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { drawIndividual, type Individual, subjectsOf } from "@/core/drill";
import { buildModel } from "@/core/identify";
import { seededChance } from "@/core/random";
import { drawFoliage, foliageOf } from "@/drawings/plant/foliage";
import { drawPlant, type Figure, typicalFigure } from "@/drawings/figure/figure";
import { angleAt, measuredLeaf } from "@/drawings/figure/measured-leaf";
import { FIGURE, GROUND } from "@/drawings/plant/pen";
import { individualPlant } from "@/drawings/plant/seen";
import { sideBySide } from "@/drawings/figure/side-by-side";
import { liveliness, type Shape } from "@/drawings/ink/shapes";
import { currentFlora } from "@/flora/load";

const model = buildModel(currentFlora());
const index = (name: string) => model.taxonIndex.get(name) as number;
const numbers = (shapes: Shape[]) => shapes.flatMap(({ d }) => (d.match(/-?[\d.]+/g) ?? []).map(Number));
const individual = (name: string, stage: Individual["stage"], seed: number) =>
  individualPlant(model.flora, drawIndividual(model, index(name), stage, seededChance(seed)));
const distance = ([ax, ay]: number[], [bx, by]: number[]) => Math.hypot(ax - bx, ay - by);

describe("a whole plant", () => {
  const all = subjectsOf(model).map(({ taxon, stage }) => ({
    name: `${model.flora.taxa[taxon].name}, ${stage}`,
    figure: typicalFigure(model, taxon, stage),
  }));
  it("is drawn for every plant at every stage, with sound numbers, within reach of its field, and the same each time", () => {
    const faults = all.flatMap(({ name, figure }) => {
      const reach = numbers(figure.shapes);
      if (figure.shapes.some(({ d }) => /NaN|undefined|Infinity/.test(d))) return [`${name}: unsound`];
      if (reach.some((n) => n < -120 || n > FIGURE.width + 120)) return [`${name}: out of its field`];
      return figure.shapes.length < 6 ? [`${name}: only ${figure.shapes.length} lines`] : [];
    });
    expect(faults).toEqual([]);
    expect(typicalFigure(model, 3, "flowering")).toEqual(typicalFigure(model, 3, "flowering"));
  });
  it("names what it cannot show, and dashes it", () => {
    const open = all.filter(({ figure }) => figure.unrecorded.includes("leaf outline"));
    expect(open.length).toBeGreaterThan(0);
    for (const { name, figure } of open) {
      const { shapes, words } = figure;
      expect(
        shapes.some(({ dash }) => dash),
        name,
      ).toBe(true);
      expect(words.some(({ text }) => text.includes("not recorded"))).toBe(true);
    }
  });
  it("has a bar that is as long as it says, at the scale of the person beside it", () => {
    const barOf = ({ shapes }: Figure) => {
      const bar = shapes.find(({ d }) => /^M340,318V/.test(d))?.d ?? "";
      return GROUND - Number(bar.match(/V([\d.]+)/)?.[1]);
    };
    for (const name of ["Heracleum mantegazzianum", "Cirsium vulgare", "Solidago canadensis"]) {
      const figure = typicalFigure(model, index(name), "flowering");
      const cm = Number(
        figure.words.find(({ text }) => text.endsWith(" cm") && !text.startsWith("175"))?.text.split(" ")[0],
      );
      expect(barOf(figure) / cm).toBeCloseTo(figure.perCm as number, 1);
    }
  });
  it("stands beside others at one scale, what separates it called out on its own parts", () => {
    const pair = [index("Heracleum mantegazzianum"), index("Heracleum maximum")];
    const [giant, native] = sideBySide(model, pair, "flowering", [model.characterIndex.get("stem-marks") as number]);
    expect(giant?.figure.perCm).toBe(native?.figure.perCm);
    expect(giant?.callouts.map(({ text }) => text)).not.toEqual(native?.callouts.map(({ text }) => text));
    for (const { at } of giant?.callouts ?? []) expect(Object.values(giant?.figure.anchors ?? {})).toContainEqual(at);
  });
});

describe("an individual", () => {
  it("differs from the next of its kind, and draws the same lines for the same seed", () => {
    for (const [name, stage] of [
      ["Alliaria petiolata", "flowering"],
      ["Acer platanoides", "vegetative"],
      ["Avena fatua", "flowering"],
    ] as const) {
      const [one, other] = [1, 2].map((seed) =>
        JSON.stringify(drawPlant(individual(name, stage, seed), `${seed}`).shapes),
      );
      expect(one).not.toBe(other);
      expect(one).toBe(JSON.stringify(drawPlant(individual(name, stage, 1), "1").shapes));
    }
  });
  it("has a leaf whose stalk and width are as it has them", () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.35, max: 1.6, noNaN: true }),
        fc.double({ min: 1.2, max: 4, noNaN: true }),
        (stalk, ratio) => {
          const states: Record<string, string> = { "leaf-shape": "oval", "leaf-kind": "simple", "leaf-edge": "smooth" };
          const values: Record<string, number> = { "stalk-ratio": stalk, "leaf-ratio": ratio };
          const foliage = foliageOf({
            lifeForm: "herb",
            stage: "vegetative",
            state: (id) => states[id] ?? null,
            value: (id) => values[id] ?? null,
          });
          const [rod, blade] = drawFoliage(foliage ?? expect.fail(), [0, 0], 60, 0, () => 0);
          const tall = (shape: Shape) => {
            const points = (shape.d.match(/-?[\d.]+,-?[\d.]+/g) ?? []).map((pair) => pair.split(",").map(Number));
            const [xs, ys] = [points.map(([x]) => x), points.map(([, y]) => y)];
            return [Math.max(...xs) - Math.min(...xs), Math.max(...ys) - Math.min(...ys)];
          };
          expect(tall(rod)[1] / tall(blade)[1]).toBeCloseTo(stalk, 1);
          expect(tall(blade)[1] / tall(blade)[0]).toBeCloseTo(ratio, 1);
        },
      ),
      { seed: 31, numRuns: 60 },
    );
  });
  it("has as many leaflets as it has, and its leaves in their order", () => {
    const blades = (name: string, values: Record<string, number>) => {
      const seen = individual(name, "vegetative", 4);
      const foliage = foliageOf({ ...seen, value: (id) => values[id] ?? seen.value(id) });
      return drawFoliage(foliage ?? expect.fail(), [0, 0], 9, 0, liveliness("x")).filter(
        ({ tint }) => tint && tint !== "green",
      ).length;
    };
    expect(blades("Rosa multiflora", { leaflets: 7 })).toBe(7);
    expect(blades("Rosa multiflora", { leaflets: 9 })).toBe(9);
    expect(blades("Trifolium repens", {})).toBe(3);
  });
  it("is measured on its drawing as it is", () => {
    fc.assert(
      fc.property(
        fc.double({ min: 20, max: 150, noNaN: true }),
        fc.double({ min: 0.1, max: 2, noNaN: true }),
        (angle, ratio) => {
          const { notch, left, right } = measuredLeaf("notch-angle", angle).points;
          expect(angleAt(notch, left, right)).toBeCloseTo(angle, 6);
          const { foot, tip, end } = measuredLeaf("stalk-ratio", ratio).points;
          expect(distance(foot, end) / distance(foot, tip)).toBeCloseTo(ratio, 9);
          const long = measuredLeaf("leaf-ratio", 1 + ratio).points;
          expect(distance(long.foot, long.tip) / distance(long.left, long.right)).toBeCloseTo(1 + ratio, 9);
        },
      ),
      { seed: 32, numRuns: 60 },
    );
  });
});
