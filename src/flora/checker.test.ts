import { describe, expect, it } from "vitest";
import { changedFlora } from "../../tests/support/changed-flora";
import { currentFlora } from "@/flora/load";
import { compileFlora } from "./compile";
import { readNotes } from "./read-notes";
import { spineOf } from "./spine";

const said = (file: string, change: (text: string) => string, scope: "whole" | "set" = "set") =>
  changedFlora(file, change, scope)
    .problems.map((p) => p.what)
    .join("\n");
const swap = (from: string | RegExp, to: string) => (text: string) => text.replace(from, to);

describe("what the checker finds in a set", () => {
  const canes = "sets/12-canes.yaml";
  it.each([
    ["a group that is none", swap("like: [knotweed]", "like: [knotwood]"), 'unknown group "knotwood"'],
    [
      "a stage that is none in the calendar",
      swap(/calendar: \{ seedling:/, "calendar: { sprouting:"),
      'calendar "sprouting"; is not a stage',
    ],
    ["months that are none", swap(/flowering: "\d+-\d+"/, 'flowering: "8-14"'), "write months as 5-7"],
    [
      "a life of seed that ends before it begins",
      swap(/seed-years: [\d.]+-[\d.]+/, "seed-years: 9-2"),
      "write low-high",
    ],
    ["a cycle that is none", swap(/cycle: annual/, "cycle: yearly"), "write one of annual, biennial, perennial"],
    ["a life form that is none", swap(/life-form: herb/, "life-form: bush"), 'life-form "bush"'],
    [
      "a place that is no stage, position or form",
      swap(/\n {4}height: /, "\n    height@noon: "),
      '"@noon" is no stage',
    ],
  ])("%s", (_, change, words) => expect(said(canes, change)).toContain(words));

  it("a plant that stands twice", () => {
    expect(
      said(canes, (text) => text.replace("- taxon: Impatiens capensis", "- taxon: Impatiens glandulifera")),
    ).toContain("Impatiens glandulifera stands twice");
  });
});

describe("what the checker finds in the characters", () => {
  it("a character that stands twice", () => {
    expect(said("characters/12-wood-winter.yaml", swap("    end-bud:", "    buds:"))).toContain("buds stands twice");
  });
  it("a condition on a character or a state that is none", () => {
    expect(
      said("characters/22-leaf-detail.yaml", swap("when: { lobe-plan: [fan] }", "when: { lobe-plan: [hand] }")),
    ).toContain("unknown state hand");
    expect(
      said("characters/22-leaf-detail.yaml", swap("when: { lobe-plan: [fan] }", "when: { lobe-map: [fan] }")),
    ).toContain("unknown character lobe-map");
  });
  it("a measure without a unit, a question without words", () => {
    expect(said("characters/12-wood-winter.yaml", swap("      unit: cm\n", ""))).toContain("needs a unit");
    expect(
      said("characters/12-wood-winter.yaml", swap("      ask: What stands at the very end of a winter twig?\n", "")),
    ).toContain("a question");
  });
});

describe("what the checker finds in the pairs", () => {
  it("a decider that is no character, with the line", () => {
    const { problems } = changedFlora("pairs.yaml", swap("sheath-closure, tone", "sheath-closing, tone"));
    expect(problems).toHaveLength(1);
    expect(problems[0]).toMatchObject({
      file: "flora/pairs.yaml",
      what: expect.stringContaining('unknown character "sheath-closing"'),
    });
    expect(problems[0].line).toBeGreaterThan(1);
  });
  it("a twin that is called unheld and is held, and one that is not held and not called so", () => {
    expect(
      said(
        "pairs.yaml",
        swap("[Persicaria perfoliata, Persicaria arifolia]", "[Persicaria perfoliata, Persicaria maculosa]"),
        "whole",
      ),
    ).toContain('"Persicaria maculosa" is called unheld, and is held');
    expect(said("pairs.yaml", swap(', unheld: "halberd-leaved tearthumb"', ""), "whole")).toContain(
      'unknown taxon "Persicaria arifolia"',
    );
  });
  it("of a twin that is not held: a decider of which nothing is said, a state that is none, numbers the wrong way round", () => {
    const tearthumb = (from: string, to: string) => said("pairs.yaml", (text) => text.replace(from, to), "whole");
    expect(tearthumb('shows: { ocrea: "papery, fringed",', 'shows: { sap: "clear",')).toContain(
      'shows: nothing of "ocrea"',
    );
    expect(tearthumb('shows: { ocrea: "papery, fringed",', 'shows: { ocrea: "paper",')).toContain(
      'unknown state "paper" of ocrea',
    );
    expect(tearthumb('leaf-ratio: "1.2-2.8"', 'leaf-ratio: "2.8-1.2"')).toContain("write leaf-ratio as low-high");
  });
  it("a pair without the mistake that people make", () => {
    expect(said("pairs.yaml", swap(/, mistake: "[^"]*" \}/, " }"), "whole")).toContain("needs the mistake");
  });
});

describe("a file that is no YAML", () => {
  it("stops with its name and line", () => {
    expect(() => changedFlora("groups.yaml", (text) => `${text}\n  - : [`)).toThrow(/flora\/groups\.yaml:\d+/);
  });
});

describe("states of two layers", () => {
  it("a plant's own line wins over its group's", () => {
    const { flora } = changedFlora("groups.yaml", swap("pull: tough", "pull: annual"));
    const pull = flora.characters.findIndex((c) => c.id === "pull");
    const annual = flora.characters[pull].states.findIndex((s) => s.id === "annual");
    const own = flora.taxa.findIndex((t) => t.name === "Festuca roemeri");
    expect(flora.scores.find((s) => s.taxon === own && s.character === pull)?.shares?.[annual]).toBeGreaterThan(0.9);
  });
});

describe("independent notes", () => {
  const flora = currentFlora();
  const notes = readNotes();
  it("have ids of their own, a day, a text and something seen", () => {
    expect(new Set(notes.map((n) => n.id)).size).toBe(notes.length);
    for (const note of notes) {
      expect(note.day, note.id).toMatch(/^2026-\d\d-\d\d$/);
      expect(note.text.length, note.id).toBeGreaterThanOrEqual(8);
      expect(note.observations.length, note.id).toBeGreaterThan(2);
    }
  });
  it("use only the vocabulary, and states that it has", () => {
    for (const { id, observations } of notes) {
      for (const o of observations) {
        const character = flora.characters.find((c) => c.id === o.character);
        expect(character, `${id} ${o.character}`).toBeDefined();
        for (const s of o.states ?? [])
          expect(
            character?.states.map((x) => x.id),
            `${id} ${o.character}`,
          ).toContain(s);
      }
    }
  });
  it("name a plant that is held, or none", () => {
    const names = new Set(flora.taxa.map((t) => t.name));
    expect(notes.filter((n) => n.truth === null).length).toBeGreaterThanOrEqual(15);
    for (const { id, truth } of notes) if (truth) expect(names, id).toContain(truth);
  });
});

describe("what the checker finds in cells and pairs that were sought", () => {
  const canes = "sets/12-canes.yaml";
  it("takes a cell that is not known with its reason, and refuses one without", () => {
    const known = changedFlora(canes, swap(/ {4}smell: [^\n]+/, '    smell: "not known; no two books agree"'), "set");
    expect(known.problems).toEqual([]);
    expect(known.sought).toContainEqual(expect.objectContaining({ character: "smell", why: "no two books agree" }));
    expect(said(canes, swap(/ {4}smell: [^\n]+/, '    smell: "not known"'))).toContain('"not known" without a reason');
  });
  it("refuses facts of control in other words", () => {
    expect(said(canes, swap("  ripens-cut: no", "  ripens-cut: perhaps"))).toContain("write yes or no");
    expect(said(canes, swap(/ {2}stand: \w+/, "  stand: crowd"))).toContain("write one of seed, clonal, both");
    expect(said(canes, swap("grazed-by: [sheep, goats]", "grazed-by: [geese]"))).toContain(
      "write one or more of sheep",
    );
  });
  it("refuses a dismissed pair without a reason, or one that is listed as well", () => {
    const dismissed = (text: string) => said("pairs-dismissed.yaml", (old) => `${old}- ${text}\n`, "whole");
    expect(dismissed("{ pair: [Acer negundo, Zea mays] }")).toContain("needs the reason");
    expect(dismissed('{ pair: [Brachypodium sylvaticum, Bromus vulgaris], why: "Nobody does." }')).toContain(
      "listed as a pair",
    );
    expect(dismissed('{ pair: [Acer nigrum, Zea mays], why: "Nobody does." }')).toContain(
      'unknown taxon "Acer nigrum"',
    );
  });
});

describe("the spine of general characters", () => {
  const compiled = compileFlora("flora");
  it("has no empty cell, and its shares add up", () => {
    const { shares, faults } = spineOf(compiled.flora, compiled.sought);
    expect(faults).toEqual([]);
    expect(shares.length).toBeGreaterThanOrEqual(45);
    for (const { character, recorded, notApplicable, sought } of shares)
      expect(recorded + notApplicable + sought, character).toBeCloseTo(1, 2);
  });
  it("names the plant whose cell is empty", () => {
    const without = {
      ...compiled.flora,
      scores: compiled.flora.scores.filter((s) => compiled.flora.characters[s.character]?.id !== "sap"),
    };
    expect(spineOf(without, compiled.sought).faults[0]?.what).toMatch(/sap is empty; record it/);
  });
});
