import { afterAll, describe, expect, it } from "vitest";
import { closePools } from "@/db/client";
import { setStatus } from "@/server/control/list";
import { shippedModel } from "@/server/flora/flora";
import { findNames } from "@/server/flora/names";
import { compareTwins, findTwins, setCard } from "@/server/flora/twins";
import { member, PINE } from "../support/database";

afterAll(closePools);
const keeper = member(["keeper", "specialist"]);
const elsewhere = member(["keeper"], PINE);

describe("names, where one stands", () => {
  it("carry the status of the district that asks", async () => {
    const here = await findNames(keeper, "giant hogweed");
    expect(here.plants[0]).toMatchObject({ name: "Heracleum mantegazzianum", status: "target" });
    const there = await findNames(elsewhere, "giant hogweed");
    expect(there.plants[0].name).toBe("Heracleum mantegazzianum");
  });
  it("say how many carry an ambiguous name, and what parts them first", async () => {
    const found = await findNames(keeper, "foxtail");
    expect(found.ambiguous?.plants).toBeGreaterThanOrEqual(3);
    expect(found.ambiguous?.check?.ask).toMatch(/\?/);
    expect(found.plants.map((p) => p.name)).toEqual(
      expect.arrayContaining(["Setaria viridis", "Setaria pumila", "Setaria faberi"]),
    );
  });
  it("are as ambiguous when misspelt, by the name that was meant", async () => {
    const found = await findNames(keeper, "mornin glory");
    expect(found.ambiguous?.name).toBe("morning glory");
    expect(found.ambiguous?.plants).toBe((await findNames(keeper, "morning glory")).ambiguous?.plants);
  });
  it("cost little beside one turn through the district's wall, over everything", async () => {
    await findNames(keeper, "warm up");
    const times: number[] = [];
    for (const text of ["lo", "lonicera", "japanese hon", "bufel", "st john", "wild carot", "heracl", "blue", "poa"]) {
      const began = performance.now();
      await findNames(keeper, text);
      times.push(performance.now() - began);
    }
    const plain = times.sort((a, b) => a - b)[4];
    const floor = await empty();
    expect(plain / floor).toBeLessThan(40);
  });
});

/** One turn through the district's wall that asks nothing of the flora: what the measure is held against. */
async function empty(): Promise<number> {
  const began = performance.now();
  await findNames(keeper, "q");
  return Math.max(0.5, performance.now() - began);
}

describe("twins side by side", () => {
  it("are none without two known plants", async () => {
    expect(await compareTwins(keeper, ["heracleum-maximum"], undefined)).toBeNull();
    expect(await compareTwins(keeper, ["heracleum-maximum", "heracleum-maximum"], undefined)).toBeNull();
    expect(await compareTwins(keeper, ["heracleum-maximum", "nothing"], undefined)).toBeNull();
  });
  it("show differences first, at a stage that both have", async () => {
    const view = await compareTwins(keeper, ["heracleum-mantegazzianum", "heracleum-maximum"], "vegetative");
    expect(view?.stage).toBe("vegetative");
    expect(view?.rows.length).toBeGreaterThan(3);
    expect(view?.rows.slice(0, 5).some((r) => r.parts)).toBe(true);
    expect(view?.hazards.join()).toMatch(/sap|burn|blister/i);
    const flowering = await compareTwins(keeper, ["potamogeton-crispus", "potamogeton-richardsonii"], "seedling");
    expect(flowering?.stages).not.toContain("seedling");
    expect(flowering?.stage).not.toBe("seedling");
  });
  it("need not be parted where both are targets and treated alike, and must be once one is kept", async () => {
    const ids = ["reynoutria-japonica", "reynoutria-sachalinensis"];
    expect((await compareTwins(keeper, ids, "vegetative"))?.sameTreatment).toBe(true);
    await setStatus(keeper, { taxon: "Reynoutria sachalinensis", status: "kept" });
    expect((await compareTwins(keeper, ids, "vegetative"))?.sameTreatment).toBe(false);
    await setStatus(keeper, { taxon: "Reynoutria sachalinensis", status: "target", action: "knotweeds" });
  });
});

describe("the field card of a set", () => {
  it("names a look that varies only where no other tells, and of what is not held only what the stage shows", async () => {
    for (const stage of ["vegetative", "winter"] as const) {
      const card = await setCard(keeper, "umbels", stage);
      for (const line of card?.lines ?? [])
        if (line.looks.length > 1)
          for (const look of line.looks) expect([look.target, look.kept]).not.toContain("varies");
      const angelica = card?.unheld.find(
        (twin) => twin.name === "Angelica atropurpurea" && twin.target.name === "Heracleum mantegazzianum",
      );
      expect(angelica?.looks.some((look) => look.startsWith("lobes: "))).toBe(stage === "vegetative");
    }
  });
});

describe("the twin finder", () => {
  it("puts the kept ones first, whatever the likeness", () => {
    const twins = findTwins(shippedModel(), "lonicera-maackii", "vegetative", {
      "Lonicera maackii": "target",
      "Lonicera tatarica": "target",
      "Lonicera morrowii": "target",
    });
    const kept = twins.map((t) => t.status === "kept");
    expect(kept.indexOf(false)).toBeGreaterThan(0);
    expect(kept.lastIndexOf(true)).toBeLessThan(kept.indexOf(false));
  });
  it("finds nothing for what is no plant", () =>
    expect(findTwins(shippedModel(), "nothing", "vegetative", {})).toEqual([]));
});
