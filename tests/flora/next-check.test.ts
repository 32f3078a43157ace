import { describe, expect, it } from "vitest";
import {
  buildModel,
  type Case,
  predictChecks,
  judge,
  laterChecks,
  mostlyCarried,
  towardsAction,
  towardsName,
  weightsOfEvidence,
  worthTowardsAction,
} from "@/core/identify";
import { worthTowardsName } from "@/core/identify/next/value-of-check";
import { unknownChance } from "@/core/identify/posterior/unknown-plant";
import { currentFlora, loadList } from "@/flora/load";
import { caseFrom, seen, tinyCase, tinyFlora } from "../support/tiny-flora";

const model = buildModel(tinyFlora());
const id = (c: number) => model.flora.characters[c].id;

/** Expected bits the slow way: judge every answer and compare entropies. Setting aside the unknown plant's own answers. */
function entropy(shares: number[]): number {
  return -shares.reduce((sum, p) => (p > 0 ? sum + p * Math.log2(p) : sum), 0);
}

describe("next check", () => {
  it("foresees about what answering would really tell", () => {
    const base = tinyCase([seen("edge", "smooth")]);
    const before = judge(model, base);
    const check = predictChecks(before).checks.find((c) => id(c.character) === "hair");
    const answers = ["none", "some"].map((state) =>
      judge(model, { ...base, observations: [...base.observations, seen("hair", state)] } as Case),
    );
    const all = (j: typeof before) => [...j.local.taxa, j.local.unknown];
    const p0 = all(before);
    const chance = answers.map(
      (j) =>
        (unknownChance(model, j.likelihoods) / unknownChance(model, before.likelihoods)) *
        Math.exp(j.likelihoods.scaleLog - before.likelihoods.scaleLog) *
        (p0[4] / all(j)[4]),
    );
    const expected =
      entropy(p0) -
      (chance[0] * entropy(all(answers[0])) + chance[1] * entropy(all(answers[1]))) / (chance[0] + chance[1]);
    expect(check?.bits).toBeGreaterThan(0.2 * expected);
    expect(check?.bits).toBeLessThan(2.5 * expected + 0.05);
  });

  it("counts a sure first plant for the name, and not the unknown plant", () => {
    const judgement = judge(model, tinyCase([seen("edge", "smooth")]));
    const { checks } = predictChecks(judgement);
    for (const check of checks) {
      expect(check.rise).toBeGreaterThanOrEqual(0);
      expect(check.rise).toBeLessThanOrEqual(1);
      expect(worthTowardsName(judgement, check)).toBeGreaterThanOrEqual(check.bits);
    }
    expect(Math.max(...checks.map((c) => c.rise))).toBeGreaterThan(0);
  });

  it("never asks again what was answered, nor what this stage cannot show", () => {
    const checks = predictChecks(judge(model, tinyCase([seen("edge", "smooth")]))).checks.map((c) => id(c.character));
    expect(checks).not.toContain("edge");
    expect(checks).not.toContain("petals");
  });

  it("parts worth for the name from worth for the act: sap parts two targets that are treated alike", () => {
    const j = judge(
      model,
      tinyCase([seen("edge", "smooth"), seen("hair", "some")], {
        list: { "Malus prima": "target", "Malus secunda": "target" },
      }),
    );
    const prospect = predictChecks(j);
    const { checks } = prospect;
    const sap = checks.find((c) => id(c.character) === "sap");
    expect(sap?.bits).toBeGreaterThan(sap?.partBits ?? 0);
    expect(towardsName(j, prospect).length).toBe(checks.length);
  });

  it("does not ask for kit that is not at hand", () => {
    const flora = tinyFlora();
    flora.characters[1].kit = ["lens"];
    const bare = judge(buildModel(flora), tinyCase([], { kit: [] }));
    expect(predictChecks(bare).checks.map((c) => id(c.character))).not.toContain("hair");
  });

  it("spares the hand: no bare contact while a plant that burns still fits", () => {
    const flora = tinyFlora();
    flora.characters[2].touch = "sap";
    flora.taxa[0].hazards = { contact: "sap" };
    const own = buildModel(flora);
    const asked = (kit: Case["kit"]) => predictChecks(judge(own, tinyCase([], { kit }))).checks;
    expect(asked([]).map((c) => id(c.character))).not.toContain("sap");
    expect(asked(["gloves"]).find((c) => id(c.character) === "sap")?.caution).toBe("gloves");
  });

  it("names what would settle it later, and from a day on which both plants show it", () => {
    const later = laterChecks(
      judge(
        model,
        tinyCase([seen("edge", "smooth")], {
          list: { "Malus prima": "target", "Malus secunda": "target", "Bonus rara": "target" },
        }),
      ),
    );
    expect(later.map((l) => id(l.character))).toContain("petals");
    for (const l of later) expect(l.from >= "2026-05-01").toBe(true);
  });

  it("weighs each observation by leaving it out; the weights have the right sign", () => {
    const j = judge(
      model,
      tinyCase([seen("edge", "smooth"), seen("hair", "none"), { ...seen("sap", "clear"), answer: "cannot-tell" }]),
    );
    const [edge, hair, sap] = weightsOfEvidence(j, 0, 2);
    expect(edge.decibans).toBeGreaterThan(3);
    expect(hair.decibans).toBeLessThan(-3);
    expect(sap.decibans).toBe(0);
  });
});

describe("towards an action", () => {
  /** Two targets alike in all; two plants to keep, each told apart from them by one check; a third check that half tells all apart. */
  const flora = tinyFlora();
  const shares = (...rows: number[]) => rows.map((p) => [p, 1 - p]);
  const rows: Record<string, number[][]> = {
    edge: shares(0.98, 0.98, 0.98, 0.02),
    hair: shares(0.98, 0.98, 0.02, 0.98),
    sap: shares(0.9, 0.9, 0.15, 0.15),
  };
  const scores = Object.entries(rows).flatMap(([name, own]) =>
    own.map((row, taxon) => ({
      taxon,
      character: flora.characters.findIndex((c) => c.id === name),
      confidence: 0.99,
      shares: row,
    })),
  );
  const two = buildModel({
    ...flora,
    scores,
    characters: flora.characters.map((c) => ({ ...c, mistake: "nominal" as const })),
  });
  const list = {
    "Malus prima": "target",
    "Malus secunda": "target",
    "Bonus prima": "kept",
    "Bonus rara": "kept",
  } as const;

  it("follows a look to the one after: two that end it together come before one that tells more by itself", () => {
    const j = judge(two, tinyCase([], { list }));
    const prospect = predictChecks(j);
    const { checks } = prospect;
    const best = [...checks].sort((a, b) => worthTowardsAction(j, b) - worthTowardsAction(j, a))[0];
    expect(id(best.character)).toBe("sap");
    expect(["edge", "hair"]).toContain(id(towardsAction(j, prospect)[0].character));
  });
  it("takes one look at a time where the plants to keep lead, and under a lens", () => {
    const leading = judge(two, tinyCase([], { list, confirmed: { "Bonus prima": 50, "Bonus rara": 50 } }));
    expect(id(towardsAction(leading, predictChecks(leading))[0].character)).toBe("sap");
    const j = judge(two, tinyCase([], { list }));
    expect(id(towardsAction(j, predictChecks(j), "touch")[0].character)).toBe("sap");
  });
  it("offers the same checks in whatever order, on the shipped flora", () => {
    const shipped = buildModel(currentFlora());
    const j = judge(
      shipped,
      caseFrom({
        day: "2026-06-10",
        stage: "vegetative",
        list: loadList("otter-valley").status,
        observations: [
          { character: "plant-kind", states: ["herb"] },
          { character: "leaf-order", states: ["opposite"] },
        ],
      }),
    );
    const prospect = predictChecks(j);
    const { checks } = prospect;
    const ordered = towardsAction(j, prospect).map((c) => c.character);
    expect([...ordered].sort()).toEqual(
      mostlyCarried(j, checks)
        .map((c) => c.character)
        .sort(),
    );
    expect(towardsAction(j, prospect).map((c) => c.character)).toEqual(ordered);
  });
});

describe("towards a name", () => {
  /** Two looks that halve the plants, each the other way, and are sometimes mistaken; a third that never is, and finds out one of four. */
  const flora = tinyFlora();
  const shares = (...rows: number[]) => rows.map((p) => [p, 1 - p]);
  const rows: Record<string, number[][]> = {
    edge: shares(0.99, 0.99, 0.01, 0.01),
    hair: shares(0.99, 0.01, 0.99, 0.01),
    sap: shares(0.99, 0.01, 0.01, 0.01),
  };
  const scores = Object.entries(rows).flatMap(([name, own]) =>
    own.map((row, taxon) => ({
      taxon,
      character: flora.characters.findIndex((c) => c.id === name),
      confidence: 0.99,
      shares: row,
    })),
  );
  const errors: Record<string, number> = { edge: 0.03, hair: 0.03, sap: 0.0005 };
  const four = buildModel({
    ...flora,
    scores,
    characters: flora.characters.map((c) => ({
      ...c,
      mistake: "nominal" as const,
      errorRate: errors[c.id] ?? c.errorRate,
    })),
  });
  const j = judge(four, tinyCase([], { list: {} }));
  const prospect = predictChecks(j);
  const { checks } = prospect;

  it("follows a look to the one after: two that name it together come before one that tells more by itself", () => {
    const best = [...checks].sort((a, b) => worthTowardsName(j, b) - worthTowardsName(j, a))[0];
    expect(id(best.character)).toBe("sap");
    expect(["edge", "hair"]).toContain(id(towardsName(j, prospect)[0].character));
  });
  it("takes what is looked at through a lens first, by what it tells alone", () => {
    expect(id(towardsName(j, prospect, "touch")[0].character)).toBe("sap");
  });
  it("stays as it is when asked again, and leaves nothing out", () => {
    const once = towardsName(j, prospect).map((c) => c.character);
    expect(towardsName(j, prospect).map((c) => c.character)).toEqual(once);
    expect([...once].sort()).toEqual(checks.map((c) => c.character).sort());
  });
});
