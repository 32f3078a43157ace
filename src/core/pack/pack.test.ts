import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { currentFlora } from "@/flora/load";
import { amendFlora, checkAmendment, packRows, readPackRows, readScore, SHARE_WORDS, scoreText, writeScore } from ".";

const flora = currentFlora();
const hogweed = "Heracleum mantegazzianum";
const states = ["a", "b", "c", "d"];
const near = (a: number[] = [], b: number[] = []) => a.length === b.length && a.every((x, i) => Math.abs(x - b[i]) < 0.02);

describe("a score in words", () => {
  it("written and read again is the same but for rounding", () => {
    const word = fc.constantFrom(...Object.keys(SHARE_WORDS).filter((w) => w !== "never"));
    const text = fc.tuple(fc.uniqueArray(fc.constantFrom(...states), { minLength: 1, maxLength: 3 }), fc.array(word, { minLength: 3, maxLength: 3 }), fc.constantFrom("", " ~sure", " ~likely", " ~doubtful")).map(([ids, words, doubt]) => ids.map((id, i) => `${id} ${words[i]}`).join(", ") + doubt);
    fc.assert(fc.property(text, (given) => {
      const read = readScore(given, states);
      const again = readScore(writeScore(read, states), states);
      expect(near(read.shares, again.shares)).toBe(true);
      expect(again.confidence).toBeCloseTo(read.confidence, 6);
    }), { seed: 61 });
  });
  it("keeps the words of the botanist where no state was left out of scale", () => {
    expect(writeScore(readScore("b usually, a sometimes ~likely", states), states)).toBe("b usually, a sometimes ~likely");
    expect(writeScore(readScore("2 3 5.5 7 ~doubtful", []), [])).toBe("2 3 5.5 7 ~doubtful");
    expect(writeScore(readScore("n/a", states), states)).toBe("n/a");
  });
});

describe("an amendment", () => {
  it("changes its own line and nothing else, and the version tells", () => {
    const before = scoreText(flora, hogweed, "stem-marks");
    const after = amendFlora(flora, [{ taxon: hogweed, key: "stem-marks", value: "plain always" }]);
    expect(scoreText(after, hogweed, "stem-marks")).toBe("plain always");
    expect(before).not.toBe("plain always");
    expect(after.scores.length).toBe(flora.scores.length);
    expect(scoreText(flora, hogweed, "stem-marks")).toBe(before);
    expect(after.version).toMatch(new RegExp(`^${flora.version}\\+[0-9a-f]{8}$`));
  });
  it("can make a line, and take it out again", () => {
    const made = amendFlora(flora, [{ taxon: hogweed, key: "leaf-edge@low+seedling", value: "fine usually" }]);
    expect(made.scores.length).toBe(flora.scores.length + 1);
    const gone = amendFlora(made, [{ taxon: hogweed, key: "leaf-edge@low+seedling", value: null }]);
    expect(scoreText(gone, hogweed, "leaf-edge@low+seedling")).toBeNull();
  });
  it.each([
    ["taxon", { taxon: "Nullus verus", key: "sap", value: "clear" }],
    ["character", { taxon: hogweed, key: "no-such", value: "clear" }],
    ["where", { taxon: hogweed, key: "sap@moonlight", value: "clear" }],
    ["score", { taxon: hogweed, key: "sap", value: "gold always" }],
    ["score", { taxon: hogweed, key: "height", value: "4 3 2 1" }],
    ["character", { taxon: hogweed, key: "ligule-kind", value: "membrane" }],
  ])("that is wrong in its %s is refused, naming it", (field, amendment) => {
    expect(() => checkAmendment(flora, amendment)).toThrowError(expect.objectContaining({ field }));
  });
});

describe("a pack", () => {
  const rows = packRows(flora);
  it("holds every score, and read back against the same flora changes nothing", () => {
    expect(rows.length).toBe(flora.scores.length);
    const reading = readPackRows(flora, rows.map((row, i) => ({ line: i + 2, row })));
    expect(reading.refused).toEqual([]);
    expect(reading.changes).toEqual([]);
    expect(reading.same).toBe(rows.length);
  });
  it("shows what changes, takes an empty score as not recorded, and refuses by line", () => {
    const own = packRows(flora, new Set([hogweed])).slice(0, 3);
    const reading = readPackRows(flora, [
      { line: 2, row: own[0] },
      { line: 3, row: { ...own[1], score: "" } },
      { line: 4, row: { ...own[2], taxon: "Nullus verus" } },
      { line: 5, row: own[0] },
      { line: 6, row: { taxon: hogweed, character: "sap" } },
    ]);
    expect(reading.same).toBe(1);
    expect(reading.changes.map((c) => [c.line, c.value])).toEqual([[3, null]]);
    expect(reading.refused.map((r) => r.line)).toEqual([4, 5, 6]);
    expect(reading.refused[1].what).toContain("line 2");
  });
});
