import { describe, expect, it } from "vitest";
import { seen, tinyFlora } from "../../../../tests/support/tiny-flora";
import { buildModel, caseAt, decide, judge } from "..";

const model = buildModel(tinyFlora());
const looked = { day: "2026-05-01", stage: "vegetative" as const, observations: [seen("edge", "smooth")] };

describe("a case", () => {
  it("is judged though the list names a plant that the flora does not include", () => {
    const place = {
      list: { "Planta ignota": "target" as const, "Malus prima": "target" as const },
      actions: { "Planta ignota": "cut" },
      confirmed: { "Planta ignota": 3 },
    };
    const given = caseAt(place, looked, model);
    expect(given).toMatchObject({ list: { "Malus prima": "target" }, actions: {}, confirmed: {} });
    expect(decide(judge(model, given)).verdict).toBe(
      decide(judge(model, caseAt({ list: { "Malus prima": "target" } }, looked, model))).verdict,
    );
  });

  it("takes from what was seen only what was seen, whatever stands beside it", () => {
    const loose: object = { ...looked, hemisphere: "south", list: { "Malus prima": "crop" } };
    expect(caseAt({ list: { "Malus prima": "target" } }, loose as typeof looked, model)).toMatchObject({
      hemisphere: "north",
      list: { "Malus prima": "target" },
    });
  });
});
