import { describe, expect, it } from "vitest";
import { isSettled, namesPlant, type Verdict, VERDICTS, verdictsDiffer } from "./verdicts";

describe("verdicts", () => {
  it("differ where the verdict or the named plant does, and not where nothing is named", () => {
    const told = (verdict: Verdict, taxon: string | null) => ({ verdict, taxon });
    expect(verdictsDiffer(told("clear", "A"), told("hold", "A"))).toBe(true);
    expect(verdictsDiffer(told("clear", "A"), told("clear", "B"))).toBe(true);
    expect(verdictsDiffer(told("keep", "A"), told("keep", "A"))).toBe(false);
    expect(verdictsDiffer(told("open", "A"), told("open", null))).toBe(false);
  });

  it("are settled as Clear or Keep, and name a plant on Hold too", () => {
    expect(VERDICTS.filter(isSettled)).toEqual(["clear", "keep"]);
    expect(VERDICTS.filter(namesPlant)).toEqual(["clear", "hold", "keep"]);
  });
});
