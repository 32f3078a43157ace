import { describe, expect, it } from "vitest";
import { buildModel, judge, refutingChecks, replayMonth, usualState } from "@/core/identify";
import { currentFlora, loadList } from "@/flora/load";
import { caseFrom } from "../support/tiny-flora";

const model = buildModel(currentFlora());
const list = loadList("otter-valley");
const t = (name: string) => model.taxonIndex.get(name) as number;
const base = (extra = {}) =>
  caseFrom({ day: "2026-06-10", stage: "vegetative", list: list.status, actions: list.actions, ...extra });
const NAMES = [
  "Conium maculatum",
  "Heracleum mantegazzianum",
  "Reynoutria japonica",
  "Cirsium arvense",
  "Bromus tectorum",
  "Lythrum salicaria",
];

describe("what would make a name wrong", () => {
  it.each(NAMES)("%s: each look parts it from something that is taken for it, strongest for its time first", (name) => {
    const checks = refutingChecks(judge(model, base()), t(name));
    expect(checks.length).toBeGreaterThan(2);
    for (const check of checks) expect(check.decibans).toBeGreaterThan(0);
    expect(checks[0].decibans).toBeGreaterThan(1);
    expect(new Set(checks.map((c) => c.character)).size).toBe(checks.length);
  });

  it("really speaks against the name when a twin stands there: its answers leave the name a tenth of the twin or less", () => {
    const name = t("Conium maculatum");
    const twin = t("Pastinaca sativa");
    const told = refutingChecks(judge(model, base()), name).flatMap(({ character }) => {
      const { id } = model.flora.characters[character];
      const state = usualState(model, twin, id, "vegetative");
      return state ? [{ character: id, states: [state] }] : [];
    });
    expect(told.length).toBeGreaterThan(1);
    const { flat } = judge(model, base({ observations: told }));
    expect(flat.taxa[twin]).toBeGreaterThan(flat.taxa[name] * 10);
  });

  it("does not ask again what was answered", () => {
    const [first] = refutingChecks(judge(model, base()), t("Conium maculatum"));
    const character = model.flora.characters[first.character];
    const after = refutingChecks(
      judge(model, base({ observations: [{ character: character.id, answer: "cannot-tell" }] })),
      t("Conium maculatum"),
    );
    expect(after.map((c) => c.character)).not.toContain(first.character);
  });
});

describe("the year over again", () => {
  it("looks at a second plant in a month in which one look alone parts it from a twin that is not held", () => {
    const { verdict, looks, characters } = replayMonth(model, base(), t("Carduus nutans"), 1);
    expect(verdict).toBe("clear");
    expect(characters.filter((c) => c === "stem-wings")).toHaveLength(2);
    expect(looks).toBe(characters.length);
  });
  it.each(["Heracleum mantegazzianum", "Daucus carota"])("%s is told month by month, and settled in some", (name) => {
    const months = Array.from({ length: 12 }, (_, i) => replayMonth(model, base(), t(name), i + 1));
    expect(months.map((m) => m.month)).toEqual([1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12]);
    expect(months.some((m) => m.verdict === (list.status[name] === "target" ? "clear" : "keep"))).toBe(true);
    for (const m of months) expect(m.characters).toHaveLength(m.looks);
  });

  it("says so where nothing of the plant is to be found", () => {
    expect(replayMonth(model, base(), t("Avena fatua"), 1)).toEqual({
      month: 1,
      stage: null,
      verdict: "open",
      looks: 0,
      share: 0,
      characters: [],
    });
    expect(replayMonth(model, base(), t("Avena fatua"), 7).looks).toBeGreaterThan(0);
  });

  it("never clears a plant that is kept, in any month", () => {
    for (const name of [
      "Heracleum maximum",
      "Anthriscus sylvestris",
      "Cirsium discolor",
      "Phragmites australis subsp. americanus",
    ]) {
      const given = base({ list: { ...list.status, [name]: "kept" } });
      for (let month = 1; month <= 12; month++)
        expect(replayMonth(model, given, t(name), month).verdict).not.toBe("clear");
    }
  });
});
