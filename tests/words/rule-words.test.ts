import { describe, expect, it } from "vitest";
import type { Method } from "@/core/control";
import { shippedMethodBook } from "@/server/flora/method-book";
import { conditionWords, departures, monthsWords, mustWords } from "@/components/words/rule-words";

const book = shippedMethodBook();
const method = (id: string): Method => {
  const found = book.methods.find((m) => m.id === id);
  if (!found) throw new Error(`no method ${id}`);
  return found;
};

describe("a method in words", () => {
  it("says what must be true, and of some where", () => {
    const words = mustWords(method("cut-stump"), book.vocabulary.known);
    expect(words).toContain(
      "Where stems over 20 cm: A trained person fells stems thicker than 20 cm, and any tree near a power line.",
    );
    expect(mustWords(method("hand-pull"), book.vocabulary.known)[0]).toMatch(/^The soil is moist/);
  });
  it("has words for every condition that a shipped rule asks, and no ids in them", () => {
    for (const { rules, "must-when": must, schools, prefer } of book.methods)
      for (const { when } of [...rules, ...must, ...schools, ...prefer])
        expect(conditionWords(when), JSON.stringify(when)).not.toMatch(/^undefined|; undefined/);
  });
  it("gives every number its unit, and months their names", () => {
    expect(conditionWords({ "stem-over": 2.5, "water-within": 10 })).toBe("stems over 2.5 cm; water within 10 m");
    expect(conditionWords({ "count-over": 5000, "area-under": 100 })).toBe("more than 5,000 stems; less than 100 m²");
    expect(conditionWords({ months: "3-5", stage: ["flowering"] })).toBe("months: March to May; stage: in flower");
    expect(conditionWords({ "life-form": ["liana"], "told-not": "burn-allowed" })).toBe(
      "growth form: woody climber; no one has said: burn allowed",
    );
  });
  it("writes months as a range of names", () => expect(monthsWords("10-2")).toBe("October to February"));
});

describe("a district's method against the shipped one", () => {
  it("departs in nothing from itself", () =>
    expect(departures(method("mow"), method("mow"))).toEqual({ added: [], gone: [] }));
  it("names each line that was added or taken out, what must be true too", () => {
    const shipped = method("mow");
    const own: Method = {
      ...shipped,
      months: "6-10",
      cautions: [...shipped.cautions, "Ask the neighbor first."],
      "must-when": [{ when: { grazed: true }, known: "stock-out" }],
    };
    const { added, gone } = departures(own, shipped);
    expect(added).toEqual([
      "Months: June to October",
      "Must be true: Where grazed: stock-out",
      "Caution: Ask the neighbor first.",
    ]);
    expect(gone).toEqual(["Months: March to October", "Must be true: Where poisons stock; grazed: cuttings-clear"]);
  });
});
