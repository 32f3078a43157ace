import { describe, expect, it } from "vitest";
import { buildModel, usualLook, usualState } from "@/core/identify";
import { type Score, STAGES } from "@/core/flora";
import { currentFlora } from "@/flora/load";

const model = buildModel(currentFlora());
const { taxa, characters } = model.flora;
const at = (id: string) => characters.findIndex((c) => c.id === id);

describe("a part as it usually is", () => {
  it("is no look of a plant that usually lacks what the part stands on", () => {
    const gated = [...characters.keys()].filter((c) => characters[c].when);
    for (const t of taxa.keys()) {
      for (const stage of STAGES) {
        for (const c of gated) {
          const { when } = characters[c];
          const base = usualState(model, t, when?.character as string, stage);
          if (base && !when?.states.includes(base))
            expect(usualLook(model, t, c, stage), `${taxa[t].id} ${characters[c].id} ${stage}`).toBeNull();
        }
      }
    }
  });
  it("is told of a leaf that is cut, and not of one that is mostly whole, though some are cut", () => {
    const sometimes = taxa.findIndex(
      (_, t) =>
        usualState(model, t, "leaf-lobes", "vegetative") === "none" &&
        usualState(model, t, "lobe-plan", "vegetative") !== null,
    );
    expect(sometimes).toBeGreaterThanOrEqual(0);
    expect(usualLook(model, sometimes, at("lobe-plan"), "vegetative")).toBeNull();
    const maple = taxa.findIndex((t) => t.id === "acer-platanoides");
    expect(usualLook(model, maple, at("lobe-plan"), "vegetative")?.states).toEqual(["fan"]);
  });
  it("is the middle of a measure's usual range", () => {
    const maple = taxa.findIndex((t) => t.id === "acer-platanoides");
    const [score] = model.scoresOf[maple].get(at("leaf-length")) as Score[];
    const [, low, high] = score.points as number[];
    expect(usualLook(model, maple, at("leaf-length"), "vegetative")?.value).toBeCloseTo((low + high) / 2, 9);
  });
});
