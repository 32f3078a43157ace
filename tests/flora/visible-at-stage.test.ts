import { describe, expect, it } from "vitest";
import { buildModel, type Case, predictChecks, judge, usuallySeen, usualState } from "@/core/identify";
import { STAGES } from "@/core/flora";
import { seenAt } from "@/core/identify/model/scores";
import { currentFlora } from "@/flora/load";
import { caseFrom, tinyCase } from "../support/tiny-flora";

const model = buildModel(currentFlora());
const at = (name: string) => model.taxonIndex.get(name) as number;
const part = (id: string) => model.characterIndex.get(id) as number;
const inWinter = (name: string, id: string) => seenAt(model, at(name), part(id), STAGES.indexOf("winter")) > 0;

describe("what is seen in winter", () => {
  it("are leaves on plants that keep them, and on no others", () => {
    for (const name of ["Ilex aquifolium", "Hedera helix", "Mahonia aquifolium", "Plantago lanceolata"])
      expect(inWinter(name, "leaf-edge"), name).toBe(true);
    for (const name of ["Rhamnus cathartica", "Acer platanoides", "Reynoutria japonica"])
      expect(inWinter(name, "leaf-edge"), name).toBe(false);
    expect(inWinter("Festuca idahoensis", "ligule-kind")).toBe(true);
    expect(inWinter("Setaria faberi", "ligule-kind")).toBe(false);
  });
  it("are as they are in leaf", () =>
    expect(usualState(model, at("Ilex aquifolium"), "leaf-edge", "winter")).toBe(
      usualState(model, at("Ilex aquifolium"), "leaf-edge", "vegetative"),
    ));
  it("are heads on straw that stays, and not where the head breaks up", () => {
    expect(inWinter("Setaria faberi", "head-kind")).toBe(true);
    expect(inWinter("Hordeum murinum", "head-kind")).toBe(false);
  });
  it("are how the flowers stood and how tall it grew, where dead stalks stand, but not the height of straw, which snow lays", () => {
    for (const id of ["cluster", "height", "joints"]) expect(inWinter("Dipsacus fullonum", id), id).toBe(true);
    expect(inWinter("Stellaria media", "cluster")).toBe(false);
    expect(inWinter("Schizachyrium scoparium", "head-length")).toBe(true);
    expect(inWinter("Schizachyrium scoparium", "height")).toBe(false);
    expect(usualState(model, at("Pastinaca sativa"), "cluster", "winter")).toBe(
      usualState(model, at("Pastinaca sativa"), "cluster", "fruiting"),
    );
  });
  it("is the length of a dry fruit that hangs on, not of a berry that shrivels", () => {
    expect(inWinter("Robinia pseudoacacia", "fruit-length")).toBe(true);
    expect(inWinter("Rhamnus cathartica", "fruit-length")).toBe(false);
  });
  it("is no rule where only some of a kind keep their leaves", () => {
    expect(inWinter("Ligustrum vulgare", "leaf-shape")).toBe(true);
    expect(usuallySeen(model, at("Senecio vulgaris"), part("leaf-edge"), "winter")).toBe(false);
  });
  it("is asked for once the plant was found green, and not before", () => {
    const asked = (states: string[]) => {
      const observations = [
        { character: "plant-kind", states: ["shrub"] },
        ...states.map((state) => ({ character: "evergreen", states: [state] })),
      ];
      const given = caseFrom({ day: "2026-01-15", stage: "winter", list: {}, observations });
      return predictChecks(judge(model, given)).checks.map((c) => model.flora.characters[c.character].id);
    };
    expect(asked([])).not.toContain("leaf-edge");
    expect(asked(["bare"])).not.toContain("leaf-edge");
    expect(asked(["evergreen"])).toContain("leaf-edge");
  });
  it("speaks of the plant: a spiny leaf in January is a holly's", () => {
    const observations = [
      { character: "plant-kind", states: ["tree"] },
      { character: "evergreen", states: ["evergreen"] },
      { character: "leaf-edge", states: ["spiny"] },
    ] as Case["observations"];
    const { taxa } = judge(
      model,
      caseFrom({ ...tinyCase([]), day: "2026-01-15", stage: "winter", list: {}, observations }),
    ).flat;
    const best = [...taxa.keys()].sort((a, b) => taxa[b] - taxa[a])[0];
    expect(model.flora.taxa[best].genus).toBe("Ilex");
  });
});
