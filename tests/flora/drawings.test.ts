import { describe, expect, it } from "vitest";
import { bladeOutline } from "@/drawings/leaf/leaf";
import { drawMeasured } from "@/drawings/measured/draw-measured";
import { NOT_DRAWN } from "@/core/flora";
import { liveliness } from "@/drawings/ink/shapes";
import { drawState } from "@/drawings/states/draw-state";
import { shapesToSvg } from "@/drawings/ink/svg";
import { currentFlora } from "@/flora/load";

const flora = currentFlora();
const drawn = flora.characters
  .filter((c) => !NOT_DRAWN.includes(c.id))
  .flatMap((c) => c.states.map((s) => [c.id, s.id] as const));

describe("drawings", () => {
  it("has a picture for every state that can be drawn, with sound numbers only", () => {
    for (const [c, s] of drawn) {
      const shapes = drawState(c, s);
      expect(shapes?.length, `${c}: ${s}`).toBeGreaterThan(0);
      for (const { d } of shapes ?? []) expect(d, `${c}: ${s}`).not.toMatch(/NaN|undefined|Infinity/);
    }
  });
  it("draws two states of one character never with the same geometry", () => {
    for (const character of flora.characters.filter((c) => !NOT_DRAWN.includes(c.id))) {
      const pictures = character.states.map((s) =>
        JSON.stringify(drawState(character.id, s.id)?.map(({ d, width, dash }) => [d, width, dash])),
      );
      expect(new Set(pictures).size, character.id).toBe(character.states.length);
    }
  });
  it("shows what is measured or counted for every character that has no states, each in its own way", () => {
    const measured = flora.characters.filter((c) => c.states.length === 0 && !c.compares);
    const pictures = measured.map((c) => drawMeasured(c.id));
    for (const [i, shapes] of pictures.entries()) {
      expect(shapes?.length, measured[i].id).toBeGreaterThan(0);
      for (const { d } of shapes ?? []) expect(d, measured[i].id).not.toMatch(/NaN|undefined|Infinity/);
    }
    expect(new Set(pictures.map((shapes) => JSON.stringify(shapes))).size).toBe(measured.length);
  });
  it("is the same each time", () => {
    for (const [c, s] of drawn.slice(0, 120)) expect(drawState(c, s)).toEqual(drawState(c, s));
    expect(liveliness("a")(1)).toBe(liveliness("a")(1));
  });
  it("makes a linear blade narrower than a round one, and a heart deeper than its foot", () => {
    const width = (shape: "linear" | "round") => Math.max(...bladeOutline({ shape }, [0, 0], 100).map(([x]) => x));
    expect(width("linear")).toBeLessThan(12);
    expect(width("round")).toBeGreaterThan(40);
    expect(Math.max(...bladeOutline({ shape: "heart" }, [0, 0], 100).map(([, y]) => y))).toBeGreaterThan(5);
  });
  it("makes a file that stands alone", () =>
    expect(shapesToSvg(drawState("leaf-kind", "three") ?? [])).toMatch(/^<svg xmlns=.*<\/svg>$/));
  it("draws no smell", () => expect(drawState("smell", "sage")).toBeNull());
});
