import { describe, expect, it } from "vitest";
import { STAGES } from "@/core/flora";
import { buildModel, usualState } from "@/core/identify";
import { plateOf } from "@/drawings/plate/plate";
import { area, circle, inner, joinLines, type Shape, straight, WIDTH } from "@/drawings/ink/shapes";
import { drawState } from "@/drawings/states/draw-state";
import { escapeXml, rowToSvg, shapesToSvg } from "@/drawings/ink/svg";
import { plateSheet } from "@/drawings/plate/plate-svg";
import { currentFlora } from "@/flora/load";

const model = buildModel(currentFlora());

describe("a plate as a file", () => {
  it("has the whole plant, every part that is drawn, and its name unless nobody is to know it", () => {
    for (const name of ["Aruncus dioicus", "Avena fatua", "Rhamnus cathartica", "Trapa natans", "Ipomoea hederacea"]) {
      const t = model.taxonIndex.get(name) as number;
      for (const stage of STAGES) {
        const parts = plateOf(model, t, stage).filter(({ shapes }) => shapes);
        const [named, unnamed] = [true, false].map((isNamed) => plateSheet(model, t, stage, isNamed));
        for (const { part } of parts) expect(unnamed, `${name} ${stage}`).toContain(`>${escapeXml(part)}<`);
        expect(named).toContain(`>${name}<`);
        expect(unnamed).not.toContain(name);
      }
    }
  });
  it("lets no name break the picture", () => expect(escapeXml("a < b & c")).toBe("a &lt; b &amp; c"));
});

describe("a single drawing", () => {
  it("stands on its own field and scales", () => {
    expect(shapesToSvg([], 2)).toContain(`width="${2 * WIDTH}"`);
    expect(shapesToSvg([{ d: "M0,0L1,1", ink: "outline", dash: true }])).toContain("stroke-dasharray");
  });
});

describe("a row of drawings", () => {
  it("gives each the same width, in order, and keeps it within its own", () => {
    const row = rowToSvg([
      [area(circle(5, 5, 3), "leaf")],
      [],
      [
        inner(
          straight([
            [0, 0],
            [9, 9],
          ]),
        ),
      ],
    ]);
    expect(row).toContain(`<svg xmlns="http://www.w3.org/2000/svg" width="${3 * WIDTH}"`);
    expect([...row.matchAll(/<svg x="(\d+)"/g)].map((m) => Number(m[1]))).toEqual([0, WIDTH, 2 * WIDTH]);
    expect(row.indexOf(area(circle(5, 5, 3), "leaf").d)).toBeLessThan(
      row.indexOf(
        inner(
          straight([
            [0, 0],
            [9, 9],
          ]),
        ).d,
      ),
    );
  });
});

describe("what a plant usually shows", () => {
  it("is a state of the character that the plant has at least 45 times in 100, at a stage that shows it", () => {
    for (const t of model.flora.taxa.keys()) {
      for (const c of model.flora.characters) {
        const state = usualState(model, t, c.id, "flowering");
        if (state === null) continue;
        expect(c.stages).toContain("flowering");
        expect(c.states.map((s) => s.id)).toContain(state);
      }
    }
  });
  it("is nothing for a character that there is not", () =>
    expect(usualState(model, 0, "glow", "flowering")).toBeNull());
});

describe("lines joined", () => {
  const line = (x: number): Shape =>
    inner(
      straight([
        [x, 0],
        [x, 9],
      ]),
    );
  it("are one where nothing lies between them and their style is one, and areas stay apart", () => {
    const disc = area(circle(5, 5, 3), "leaf");
    expect(
      joinLines([
        line(1),
        line(2),
        disc,
        disc,
        line(3),
        { ...line(4), width: 3 },
        { ...line(5), dash: true },
        { ...line(6), dash: true },
      ]).map((s) => s.d),
    ).toEqual([line(1).d + line(2).d, disc.d, disc.d, line(3).d, line(4).d, line(5).d + line(6).d]);
  });
  it("draw every stroke of every state, in its order", () => {
    for (const character of model.flora.characters)
      for (const state of character.states) {
        const shapes = drawState(character.id, state.id) ?? [];
        const joined = joinLines(shapes);
        expect(joined.map((s) => s.d).join("")).toBe(shapes.map((s) => s.d).join(""));
        expect(joined.filter((s) => s.tint)).toEqual(shapes.filter((s) => s.tint));
        expect(
          shapes.every((s) => s.d.startsWith("M")),
          `${character.id} ${state.id} begins where it says`,
        ).toBe(true);
      }
  });
});
