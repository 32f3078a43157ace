import { describe, expect, it } from "vitest";
import { findParts, indexParts } from "@/core/names/parts";
import { currentFlora } from "@/flora/load";

const flora = currentFlora();
const index = indexParts(flora.characters);
const found = (text: string, askable: Set<string> | null = null) => findParts(index, text, askable).map((c) => c.id);

describe("a part of the plant, by what a person types", () => {
  it.each([
    ["sheath hair", "sheath-hair"],
    ["ligule height", "ligule-height"],
    ["sap", "sap"],
    ["stem hair", "stem-hair"],
    ["leaf edge", "leaf-edge"],
    ["lobes", "leaf-lobes"],
    ["awn", "awn-length"],
    ["ligul", "ligule-kind"],
    ["wetness", "wetness"],
    ["leaf tip", "leaf-tip"],
  ])("%s is among the first three: %s", (text, id) => expect(found(text).slice(0, 3)).toContain(id));

  it("that suits what still fits comes before one that does not", () => {
    const hairs = found("hair");
    const last = hairs[hairs.length - 1];
    expect(found("hair", new Set([last]))[0]).toBe(last);
  });
  it("is found though a word is misspelt", () => expect(found("prikle shape")).toContain("prickle-shape"));
  it("is still offered where only one of two words is known", () =>
    expect(found("hollow xyzzy").length).toBeGreaterThan(0));
  it("is nothing for nothing", () => expect(found("  -- ")).toEqual([]));
});

describe("everyday words", () => {
  it.each([
    ["fuzzy", "stem-hair"],
    ["sticky", "stem-hair"],
    ["stringy", "stem-snap"],
    ["thumb-thick", "stem-thick"],
    ["wiry", "stem-firm"],
    ["zigzag", "stem-course"],
    ["drooping", "leaf-pose"],
    ["wrinkled", "leaf-face"],
    ["knee-high", "height"],
    ["drill row", "row-place"],
    ["airy", "head-density"],
  ])("%s finds %s among the first three", (words, id) => {
    expect(findParts(index, words, null, 3).map((c) => c.id)).toContain(id);
  });
});
