import { describe, expect, it } from "vitest";
import { STAGES } from "@/core/flora";
import { buildModel, usualState } from "@/core/identify";
import { plateOf } from "@/drawings/plate/plate";
import { smallPlate } from "@/drawings/plate/small-plate";
import { currentFlora } from "@/flora/load";

const model = buildModel(currentFlora());
const index = (name: string) => model.taxonIndex.get(name) as number;
const parts = (name: string, stage: (typeof STAGES)[number]) =>
  new Map(plateOf(model, index(name), stage).map((p) => [p.part, p]));

describe("a plate", () => {
  it("is there for every plant at every stage, with sound numbers, and the same each time", () => {
    const faults = model.flora.taxa.flatMap((taxon, t) =>
      STAGES.flatMap((stage) => {
        const panels = plateOf(model, t, stage);
        const unsound = panels
          .filter(({ shapes }) => shapes?.some(({ d }) => /NaN|undefined|Infinity/.test(d)))
          .map(({ part }) => `${taxon.name}, ${stage}: ${part}`);
        return panels.length > 2 ? unsound : [...unsound, `${taxon.name}, ${stage}: only ${panels.length} drawings`];
      }),
    );
    expect(faults).toEqual([]);
    expect(plateOf(model, 3, "flowering")).toEqual(plateOf(model, 3, "flowering"));
  }, 120000);
  it("shows in winter what the plant keeps, and nothing of what it drops", () => {
    expect(parts("Ilex aquifolium", "winter").get("Leaf")?.shapes).not.toBeNull();
    expect(parts("Rhamnus cathartica", "winter").has("Leaf")).toBe(false);
    expect(parts("Festuca idahoensis", "winter").has("Collar")).toBe(true);
    expect(parts("Setaria faberi", "winter").has("Collar")).toBe(false);
    expect(parts("Setaria faberi", "winter").has("Head still standing")).toBe(true);
    expect(parts("Dipsacus fullonum", "winter").has("Old heads on them")).toBe(true);
    expect(parts("Dipsacus fullonum", "winter").get("Last year's stems")?.measures).toContain("tall");
    expect(parts("Stellaria media", "winter").has("Old heads on them")).toBe(false);
    expect(parts("Stellaria media", "winter").get("Last year's stems")?.measures).toBe("");
  });
  it("gives a fruit the plant's own colour, and none where it varies", () => {
    const tints = (name: string, stage: "fruiting" | "winter", part: string) =>
      new Set(
        parts(name, stage)
          .get(part)
          ?.shapes?.map((s) => s.tint),
      );
    expect(tints("Rhamnus cathartica", "winter", "Fruit still on it")).toContain("black");
    expect(tints("Rhamnus cathartica", "winter", "Fruit still on it")).not.toContain("red");
    expect(tints("Lonicera maackii", "fruiting", "Fruit")).toContain("red");
    expect(tints("Symphoricarpos albus", "fruiting", "Fruit")).toContain("white");
  });
  it("draws no edge of a leaf that is a feather", () => {
    expect(parts("Myriophyllum spicatum", "vegetative").has("Edge")).toBe(false);
    expect(parts("Potamogeton crispus", "vegetative").has("Edge")).toBe(true);
  });
  it("leaves blank what the flora does not say", () => {
    expect(parts("Vincetoxicum rossicum", "seedling").get("Seed leaves")?.shapes).toBeNull();
    expect(parts("Phytolacca americana", "seedling").get("Outline of the first leaf")?.shapes).not.toBeNull();
  });
  it("claims no state that the plant does not mostly show", () => {
    expect(usualState(model, index("Poa trivialis"), "ligule-edge", "vegetative")).not.toBeNull();
    expect(usualState(model, index("Hordeum vulgare"), "auricles", "vegetative")).toBe("claws");
    expect(usualState(model, index("Hordeum vulgare"), "leaf-shape", "vegetative")).toBeNull();
    expect(usualState(model, index("Zea mays"), "petals", "flowering")).toBeNull();
  });
  it("shows both outlines of a leaf that is now one, now the other, and a hand of lobes whatever the outline round it", () => {
    const leaves = (name: string, stage: "vegetative" | "winter" = "vegetative") =>
      [...parts(name, stage).values()].filter((p) => /^Leaf(,|$)/.test(p.part));
    const [either, or] = leaves("Amaranthus palmeri");
    expect([either.part, or.part]).toEqual(["Leaf, either", "Leaf, or"]);
    expect(either.shapes).not.toBeNull();
    expect(JSON.stringify(or.shapes)).not.toBe(JSON.stringify(either.shapes));
    expect(leaves("Hedera helix").map((p) => p.shapes === null)).toEqual([false]);
    expect(leaves("Cornus sericea")).toHaveLength(2);
    expect(leaves("Cornus sericea", "winter")).toEqual([]);
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
  it("says which way a measure goes, where the panel does not", () => {
    expect(parts("Avena fatua", "vegetative").get("Blade")?.measures).toBe("6 to 14 mm wide, 12 to 35 cm long");
    expect(parts("Heracleum mantegazzianum", "flowering").get("Order on the stem")?.measures).toBe(
      "220 to 400 cm tall",
    );
  });
  it("has a small one for almost every plant", () => {
    const without = [...model.flora.taxa.keys()].filter((t) => !smallPlate(model, t));
    expect(without.length / model.flora.taxa.length).toBeLessThan(0.05);
  });
  it("puts low and high leaves, and leaves of two forms, beside one another where they differ, and only there", () => {
    const leaves = (name: string) =>
      plateOf(model, index(name), "vegetative")
        .map((p) => p.part)
        .filter((p) => p.startsWith("Leaf"));
    expect(leaves("Capsella bursa-pastoris")).toEqual(["Leaf", "Leaf, high on the plant"]);
    expect(leaves("Ipomoea hederacea")).toEqual(["Leaf, ivy-leaved", "Leaf, entire-leaved"]);
    expect(leaves("Abutilon theophrasti")).toEqual(["Leaf"]);
  });
  it("spreads lobes like a hand where the flora says so, and not along a feather", () => {
    const leaf = (name: string) =>
      (parts(name, "vegetative").get("Leaf")?.shapes ?? [])
        .filter(({ tint }) => tint)
        .map(({ d }) => d)
        .sort((one, other) => other.length - one.length)[0] ?? "";
    expect(leaf("Acer platanoides")).not.toBe(leaf("Taraxacum officinale"));
    expect(leaf("Acer platanoides")).not.toBe(leaf("Acer macrophyllum"));
    const corners = (name: string) => (leaf(name).match(/L/g) ?? []).length;
    expect(corners("Heracleum mantegazzianum"), "its lobes and coarse teeth").toBeGreaterThan(20);
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
