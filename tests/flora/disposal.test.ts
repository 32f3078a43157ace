import { describe, expect, it } from "vitest";
import { disposalOf } from "@/core/control/disposal";
import { currentFlora } from "@/flora/load";

const { taxa } = currentFlora();
const plant = (name: string) => taxa.find((t) => t.name === name) as (typeof taxa)[number];

describe("what the remains of a plant need", () => {
  it("is said of every plant, once each", () => {
    for (const taxon of taxa) {
      const needs = disposalOf(taxon);
      expect(needs.length, taxon.name).toBeGreaterThan(0);
      expect(new Set(needs).size, taxon.name).toBe(needs.length);
    }
  });
  it("forbids fire for what harms by its smoke", () => {
    for (const taxon of taxa)
      if (taxon.hazards.contact === "skin") expect(disposalOf(taxon).join(" "), taxon.name).toMatch(/never burn it/i);
    expect(disposalOf(plant("Conium maculatum"))[0]).toMatch(/Do not burn/);
  });
  it("keeps what grows from pieces off heaps and banks, and says of which part", () => {
    expect(disposalOf(plant("Elymus repens")).join(" ")).toContain("What is left of its rhizome grows again");
    expect(disposalOf(plant("Daucus carota")).join(" ")).not.toContain("grows again");
  });
  it("keeps poisonous remains from stock, also where nothing else is to be minded", () => {
    for (const taxon of taxa)
      expect(
        disposalOf(taxon).some((need) => need.includes("stock can reach")),
        taxon.name,
      ).toBe(taxon.hazards.stock !== undefined);
  });
  it("names the colour of ripe seed where it is recorded, and does not where it is not", () => {
    expect(disposalOf(plant("Alliaria petiolata")).join(" ")).toContain("it is ripe when it is black");
    expect(disposalOf({ ...plant("Alliaria petiolata"), ripeSeed: undefined }).join(" ")).not.toContain("ripe when");
  });
  it("dries water plants above high water", () =>
    expect(disposalOf(plant("Hydrilla verticillata")).join(" ")).toContain("above high water"));
});
