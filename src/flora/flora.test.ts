import { readFileSync } from "node:fs";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { changedFlora } from "../../tests/support/changed-flora";
import { compileFlora } from "./compile";
import { buildModel } from "@/core/identify";
import { differingScores } from "./figures";
import { pairCheckFaults, pairKey } from "./pair-checks";
import { taxonId } from "@/core/pack";
import { readScore, SHARE_WORDS } from "@/core/pack";

describe("a score as written", () => {
  const states = ["membrane", "fringe", "none"];
  it("takes a state alone for always, and shares out what is left", () => {
    const { shares, confidence } = readScore("membrane", states);
    expect(shares?.[0]).toBeGreaterThan(0.97);
    expect(shares?.reduce((a, b) => a + b, 0)).toBeCloseTo(1, 3);
    expect(confidence).toBe(0.95);
  });
  it("sums to 1 for any words on any states", () => {
    const word = fc.constantFrom(...Object.keys(SHARE_WORDS));
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.constantFrom(...states), { minLength: 1 }),
        fc.array(word, { minLength: 3, maxLength: 3 }),
        (list, words) => {
          const { shares } = readScore(list.map((s, i) => `${s} ${words[i]}`).join(", "), states);
          expect(shares?.reduce((a, b) => a + b, 0)).toBeCloseTo(1, 3);
          for (const share of shares ?? []) expect(share).toBeGreaterThan(0);
        },
      ),
      { seed: 41 },
    );
  });
  it("reads four numbers, doubt and not applicable", () => {
    expect(readScore("2 3 5 6.5 ~doubtful", [])).toEqual({ points: [2, 3, 5, 6.5], confidence: 0.7 });
    expect(readScore("n/a", states)).toEqual({ notApplicable: true, confidence: 0.95 });
  });
  it.each([
    ["hairs", /unknown state "hairs"/],
    ["membrane mostly", /not a share/],
    ["membrane ~perhaps", /not a confidence/],
    ["membrane usually today", /one word/],
  ])("refuses %s, saying what would be right", (text, words) => expect(() => readScore(text, states)).toThrow(words));
  it.each([
    ["3 2 5 6", /must not fall/],
    ["1 2 3", /four numbers/],
    ["-1 2 3 4", /below 0/],
  ])("refuses the measure %s", (text, words) => expect(() => readScore(text, [])).toThrow(words));
});

describe("the shipped flora", () => {
  const { flora, problems } = compileFlora("flora");
  it("compiles without a fault", () => expect(problems).toEqual([]));
  it("gives every plant at least 25 scores that differ from a set-mate", () =>
    expect(Math.min(...differingScores(flora))).toBeGreaterThanOrEqual(25));
  it("lists no check that cannot work, and names file and line of one", () => {
    expect(pairCheckFaults(buildModel(flora), new Map())).toEqual([]);
    const pair = flora.pairs.find((p) => !p.found && !p.unheld && !p.grave) as (typeof flora.pairs)[number];
    const faultsWith = (deciders: typeof pair.deciders, more = {}) =>
      pairCheckFaults(
        buildModel({ ...flora, pairs: [{ ...pair, ...more, deciders }] }),
        new Map([[pairKey(pair.a, pair.b), 7]]),
      );
    expect(faultsWith([{ stage: "seedling", characters: ["head-kind"] }])).toEqual([
      { file: "flora/pairs.yaml", line: 7, what: expect.stringContaining("head-kind at seedling: it is not seen") },
    ]);
    expect(faultsWith([{ stage: "vegetative", characters: ["plant-kind"] }])[0]?.what).toContain("% alike");
    expect(faultsWith([{ stage: "vegetative", characters: ["stem-wings"] }])[0]?.what).toMatch(/alike|not recorded/);
    expect(faultsWith([], { grave: true }).map((fault) => fault.what)).toContainEqual(
      expect.stringContaining("a grave pair needs a check at vegetative"),
    );
  });
  it("has at least 100 characters and 130 plants", () => {
    expect(flora.characters.length).toBeGreaterThanOrEqual(100);
    expect(flora.taxa.length).toBeGreaterThanOrEqual(130);
  });
  it("gives each plant a stable id of its own", () => {
    expect(new Set(flora.taxa.map((t) => t.id)).size).toBe(flora.taxa.length);
    expect(taxonId("Reynoutria ×bohemica")).toBe("reynoutria-x-bohemica");
  });
  it("takes no id away and changes none: lists, patches and ledgers of years go by them; a new plant adds its own to the file", () => {
    const frozen = readFileSync("flora/plant-ids.txt", "utf8").trim().split("\n");
    expect(flora.taxa.map((t) => t.id).sort()).toEqual([...frozen].sort());
  });
  it("wants an id written, and not worked out from a name that may change", () => {
    const { problems } = changedFlora(
      "sets/12-canes.yaml",
      (text) => text.replace("  id: reynoutria-japonica\n", ""),
      "set",
    );
    expect(problems.map((p) => p.what)).toContainEqual(
      expect.stringMatching(/Reynoutria japonica: id ""; give it its first name/),
    );
  });
  it("changes its version with any score", () => {
    const other = changedFlora("groups.yaml", (text) => text.replace("pull: tough", "pull: runner"));
    expect(other.flora.version).not.toBe(flora.version);
  });
});

describe("the checker", () => {
  const line = (text: string, needle: string) => text.split("\n").findIndex((l) => l.includes(needle)) + 1;
  it("names file and line of an unknown state", () => {
    const source = readFileSync("flora/sets/12-canes.yaml", "utf8");
    const { problems } = changedFlora("sets/12-canes.yaml", (t) =>
      t.replace("cluster: few usually, flat rarely", "cluster: few usually, bunch rarely"),
    );
    expect(problems).toEqual([
      {
        file: "flora/sets/12-canes.yaml",
        line: line(source, "cluster: few usually, flat rarely"),
        what: expect.stringContaining('unknown state "bunch"'),
      },
    ]);
  });
  it.each([
    ["sets/12-canes.yaml", "height: 70 110 230 300", "height: 70 110 300 230", /must not fall/],
    ["sets/12-canes.yaml", "family: Balsaminaceae", "familie: Balsaminaceae", /needs a family/],
    [
      "sets/12-canes.yaml",
      "    leaf-lobes: none\n    leaf-edge: fine usually",
      "    leaf-glow: none\n    leaf-edge: fine usually",
      /unknown character "leaf-glow"/,
    ],
    ["characters/20-leaf.yaml", "trust: high", "trust: great", /write plain, high, normal or low/],
    [
      "pairs.yaml",
      "[Brachypodium sylvaticum, Bromus vulgaris]",
      "[Brachypodium sylvaticum, Bromus ignotus]",
      /unknown taxon/,
    ],
  ])("finds what is wrong in %s", (file, from, to, words) => {
    const { problems } = changedFlora(file, (t) => t.replace(from, to), file === "pairs.yaml" ? "whole" : "set");
    expect(problems.length).toBeGreaterThan(0);
    expect(problems.map((p) => p.what).join("\n")).toMatch(words);
  });
});
