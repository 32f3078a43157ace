import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { parse } from "yaml";
import { adviseMethods, type Ground, inMonths, lastDayBeforeSeed, methodSchema } from "@/core/control/methods";
import { REFERENCE, STAGES } from "@/core/flora";
import { currentFlora } from "@/flora/load";

const methods = methodSchema.array().parse(parse(readFileSync("flora/methods.yaml", "utf8")));
const flora = currentFlora();
const plant = (name: string) => flora.taxa.find((t) => t.name === name) as (typeof flora.taxa)[number];
const open: Ground = {
  noProduct: false,
  noMachines: false,
  grazed: false,
  hayed: false,
  foraged: false,
  water: { known: "none-within", meters: 5000, by: "the map" },
};
const advise = (name: string, day: string, stage: (typeof STAGES)[number], ground = open) =>
  new Map(adviseMethods(methods, plant(name), stage, ground, day, REFERENCE, 100).map((a) => [a.method.id, a]));

describe("methods as rules", () => {
  it("never pulls a cane that grows from pieces of rhizome", () =>
    expect(advise("Reynoutria japonica", "2026-06-01", "vegetative").get("pull")).toMatchObject({ answer: "never" }));
  it("does not treat stumps while the sap rises, and says from when", () => {
    const advice = advise("Rosa multiflora", "2026-04-15", "vegetative").get("cut-treat");
    expect(advice).toMatchObject({ answer: "not-now" });
    expect(advice?.window?.from).toBe("2026-07-01");
  });
  it("does not pull a shrub while its bark slips, but its seedlings, and says from when", () => {
    expect(advise("Cytisus scoparius", "2026-05-20", "vegetative").get("pull")).toMatchObject({
      answer: "not-now",
      window: { from: "2026-08-01" },
    });
    expect(advise("Cytisus scoparius", "2026-05-20", "seedling").get("pull")).toMatchObject({ answer: "now" });
    expect(advise("Cytisus scoparius", "2026-03-20", "vegetative").get("pull")).toMatchObject({
      answer: "now",
      window: { to: "2026-03-31" },
    });
  });
  it("does not mow ripe seed", () =>
    expect(advise("Taeniatherum caput-medusae", "2026-07-10", "fruiting").get("mow")?.why.join()).toMatch(/ripe/));
  it("rules products out where the site does", () =>
    expect(
      advise("Jacobaea vulgaris", "2026-04-10", "vegetative", { ...open, noProduct: true }).get("spot-treat"),
    ).toMatchObject({ answer: "never" }));
  it("holds products back beside water", () =>
    expect(
      advise("Jacobaea vulgaris", "2026-04-10", "vegetative", {
        ...open,
        water: { known: "at", meters: 4, by: "the map" },
      }).get("spot-treat"),
    ).toMatchObject({ answer: "not-now", window: null }));
  it("shows what harms the person, and the stock where stock grazes", () => {
    expect(advise("Heracleum mantegazzianum", "2026-04-10", "vegetative").get("dig")?.cautions.join()).toMatch(/Sap/);
    expect(
      advise("Jacobaea vulgaris", "2026-04-10", "vegetative", { ...open, grazed: true })
        .get("pull")
        ?.cautions.join(),
    ).toMatch(/hay/);
  });
  it("answers for every plant and stage without a contradiction: now has a window, never has none", () => {
    const sound = (a: ReturnType<typeof adviseMethods>[number]) =>
      a.why.length > 0 &&
      (a.answer !== "now" || a.window !== null) &&
      (a.answer !== "never" || a.window === null) &&
      (!a.window || a.window.to >= a.window.from);
    const faults = flora.taxa.flatMap((taxon) =>
      STAGES.flatMap((stage) =>
        adviseMethods(methods, taxon, stage, open, "2026-05-20", REFERENCE, 50)
          .filter((a) => !sound(a))
          .map((a) => `${taxon.name}, ${stage}: ${a.method.id} ${a.answer}`),
      ),
    );
    expect(faults).toEqual([]);
  });
  it("wraps months over the year end", () => {
    expect(inMonths("11-2", 12)).toBe(true);
    expect(inMonths("11-2", 3)).toBe(false);
  });
  it("gives the last day before seed", () =>
    expect(lastDayBeforeSeed(plant("Jacobaea vulgaris"), "2026-05-01", REFERENCE)).toBe("2026-06-30"));
});
