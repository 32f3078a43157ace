import { describe, expect, it } from "vitest";
import { buildModel, STAGES } from "@/core/identify";
import { shippedFlora } from "../../tests/support/shipped-flora";
import { plateOf, smallPlate, usualState } from "./plate";

const model = buildModel(shippedFlora());
const index = (name: string) => model.taxonIndex.get(name) as number;
const parts = (name: string, stage: (typeof STAGES)[number]) => new Map(plateOf(model, index(name), stage).map((p) => [p.part, p]));

describe("a plate", () => {
  it("is there for every plant at every stage, with sound numbers, and the same each time", () => {
    for (const t of model.flora.taxa.keys()) {
      for (const stage of STAGES) {
        const panels = plateOf(model, t, stage);
        expect(panels.length, model.flora.taxa[t].name).toBeGreaterThan(2);
        for (const { shapes, part } of panels) for (const { d } of shapes ?? []) expect(d, `${model.flora.taxa[t].name} ${part}`).not.toMatch(/NaN|undefined|Infinity/);
      }
    }
    expect(plateOf(model, 3, "flowering")).toEqual(plateOf(model, 3, "flowering"));
  });
  it("leaves blank what the flora does not say", () => {
    expect(parts("Aruncus dioicus", "seedling").get("Seed leaves")?.shapes).toBeNull();
    expect(parts("Phytolacca americana", "seedling").get("Outline of the first leaf")?.shapes).not.toBeNull();
  });
  it("claims no state that the plant does not mostly show", () => {
    expect(usualState(model, index("Poa trivialis"), "ligule-edge", "vegetative")).not.toBeNull();
    expect(usualState(model, index("Hordeum vulgare"), "auricles", "vegetative")).toBe("claws");
    expect(usualState(model, index("Hordeum vulgare"), "leaf-shape", "vegetative")).toBeNull();
    expect(usualState(model, index("Zea mays"), "petals", "flowering")).toBeNull();
  });
  it("differs where the plants do", () => {
    const collar = (name: string) => JSON.stringify(parts(name, "vegetative").get("Collar")?.shapes);
    expect(collar("Hordeum vulgare")).not.toBe(collar("Avena fatua"));
    const leaf = (name: string) => JSON.stringify(parts(name, "vegetative").get("Leaf")?.shapes);
    expect(leaf("Alliaria petiolata")).not.toBe(leaf("Hesperis matronalis"));
  });
  it("says the measures with their units", () => {
    expect(parts("Avena fatua", "vegetative").get("Collar")?.measures).toBe("3 to 6 mm");
  });
  it("has a small one for almost every plant", () => {
    const without = [...model.flora.taxa.keys()].filter((t) => !smallPlate(model, t));
    expect(without.length / model.flora.taxa.length).toBeLessThan(0.05);
  });
  it("puts low and high leaves, and leaves of two forms, beside one another where they differ, and only there", () => {
    const leaves = (name: string) => plateOf(model, index(name), "vegetative").map((p) => p.part).filter((p) => p.startsWith("Leaf"));
    expect(leaves("Capsella bursa-pastoris")).toEqual(["Leaf", "Leaf, high on the plant"]);
    expect(leaves("Ipomoea hederacea")).toEqual(["Leaf, ivy-leaved", "Leaf, entire-leaved"]);
    expect(leaves("Abutilon theophrasti")).toEqual(["Leaf"]);
  });
  it("spreads lobes like a hand where the flora says so, and not along a feather", () => {
    const leaf = (name: string) => JSON.stringify(parts(name, "vegetative").get("Leaf")?.shapes?.slice(0, 1));
    expect(leaf("Acer platanoides")).not.toBe(leaf("Taraxacum officinale"));
    expect(leaf("Acer platanoides")).not.toBe(leaf("Acer macrophyllum"));
    const corners = (name: string) => (leaf(name).match(/L/g) ?? []).length;
    expect(corners("Heracleum mantegazzianum"), "its coarse teeth").toBeGreaterThan(25);
  });
  it("shows male and female where a plant carries one or the other", () => {
    expect(parts("Cirsium arvense", "flowering").has("Female plant or flower")).toBe(true);
    expect(parts("Cirsium vulgare", "flowering").has("Female plant or flower")).toBe(false);
  });
  it("gives a scale bar of a round length wherever the length of a leaf is recorded", () => {
    for (const t of model.flora.taxa.keys()) {
      const leaf = plateOf(model, t, "vegetative").find((p) => p.part === "Leaf" && p.shapes);
      if (!leaf?.measures || model.flora.taxa[t].lifeForm === "aquatic") continue;
      expect(leaf.measures, model.flora.taxa[t].name).toMatch(/bar (50|20|10|5|2|1|0\.5|0\.2|0\.1) cm$/);
    }
  });
});
