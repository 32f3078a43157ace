import { inflateSync } from "node:zlib";
import { describe, expect, it } from "vitest";
import { buildModel } from "@/core/identify";
import { plateToPdf } from "@/papers/plate-pdf";
import { typicalFigure } from "@/drawings/figure/figure";
import { plateOf } from "@/drawings/plate/plate";
import { currentFlora } from "@/flora/load";

const model = buildModel(currentFlora());
const index = model.taxonIndex.get("Heracleum mantegazzianum") as number;

const figure = typicalFigure(model, index, "flowering");

/** The drawing operators of a page, unpacked. */
function content(pdf: Buffer): string {
  const text = pdf.toString("latin1");
  return [...text.matchAll(/stream\r?\n([\s\S]*?)\r?\nendstream/g)]
    .map((m) => {
      try {
        return inflateSync(Buffer.from(m[1], "latin1")).toString("latin1");
      } catch {
        return "";
      }
    })
    .join("\n");
}

describe("a plate for print", () => {
  it("is one page of vectors, with every part's lines on it", async () => {
    const panels = plateOf(model, index, "flowering");
    const pdf = await plateToPdf(["Heracleum mantegazzianum", "giant hogweed"], figure, panels, "foot");
    expect(pdf.subarray(0, 5).toString()).toBe("%PDF-");
    expect(pdf.toString("latin1").match(/\/Type \/Page\b(?!s)/g)).toHaveLength(1);
    expect(content(pdf).match(/\bre\b/g)?.length).toBeGreaterThanOrEqual(panels.length);
    expect(content(pdf).match(/ c\n/g)?.length).toBeGreaterThan(20);
  });
  it("goes on to a second page rather than off the first", async () => {
    const panels = Array.from({ length: 20 }, (_, i) => ({ part: `Part ${i}`, shapes: null, measures: "" }));
    expect(
      (await plateToPdf(["Long"], figure, panels, "foot")).toString("latin1").match(/\/Type \/Page\b(?!s)/g)?.length,
    ).toBeGreaterThan(1);
  });
});
