import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { seen, tinyFlora } from "../../../tests/support/tiny-flora";
import { engine } from "./engine";

const looked = { day: "2026-05-01", stage: "vegetative" as const, observations: [seen("edge", "smooth")] };
const place = { list: { "Planta ignota": "target" as const, "Malus prima": "target" as const } };

describe("the engine of the Bench", () => {
  beforeEach(async () => {
    vi.stubGlobal("fetch", async () => Response.json(tinyFlora()));
    await engine.load("/flora.json");
  });
  afterEach(() => vi.unstubAllGlobals());

  it("says what it says though the list names a plant that the flora does not include", () => {
    const view = engine.view({ place, looked }, null, null);
    expect(view.identification.candidates.map((c) => c.taxon)).not.toContain("Planta ignota");
    expect(view.identification).toEqual(
      engine.view({ place: { list: { "Malus prima": "target" } }, looked }, null, null).identification,
    );
  });

  it("refuses what is no flora", async () => {
    vi.stubGlobal("fetch", async () => Response.json({ error: "sign in" }));
    await expect(engine.load("/flora.json")).rejects.toThrow(/compiled flora/);
  });
});
