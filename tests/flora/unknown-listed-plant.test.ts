import { describe, expect, it } from "vitest";
import { buildModel, caseAt } from "@/core/identify";
import { drawStart, walkToAction } from "@/core/trials/walks";
import { sampleObservations } from "@/demo/walk";
import { currentFlora } from "@/flora/load";

const model = buildModel(currentFlora());
const list = { "Planta ignota": "target" as const, "Alliaria petiolata": "target" as const };

describe("a listed plant that the flora does not include", () => {
  it("stops no walk of the trials", () => {
    const start = drawStart(model, [{ id: "tiny", status: list, actions: {} }], 7, { stage: "flowering" });
    if (!start) throw new Error("nothing was drawn");
    const walker = { model, nature: model, error: 0.05, placeTold: true };
    expect(walkToAction(walker, start, "engine").checks).toBeGreaterThan(0);
  });

  it("stops no finding of the demonstration", () => {
    const given = caseAt({ list }, { day: "2026-05-10", stage: "flowering" }, model);
    expect(sampleObservations(model, given, "Alliaria petiolata", 4, 3).length).toBeGreaterThan(0);
  });
});
