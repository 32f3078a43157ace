import { describe, expect, it } from "vitest";
import { goldenCase, goldenCases, goldenModel } from "../../../../tests/support/golden";
import { decide, judge, TUNING } from "..";

/**
 * The contract of the engine's rules: fifty cases on a small flora that is frozen beside them, with a list of its own. A case
 * changes only in a commit that changes a rule, and that commit says why. They were drawn from walks of simulated plants so
 * that as many tuned constants as possible change one of them when they are moved.
 */
describe("golden verdicts", () => {
  it.each(goldenCases)("$id is $verdict", (golden) => {
    const { id: _, given: __, ...expected } = golden;
    const result = decide(judge(goldenModel, goldenCase(golden)));
    expect({
      verdict: result.verdict,
      group: result.group,
      limit: Number(result.limit.toFixed(6)),
      reportFirst: result.reportFirst,
      named: result.named,
      about: result.about >= 0 ? goldenModel.flora.taxa[result.about].name : null,
      leansOn: result.leansOn,
      twins: result.twinsInTheWay.map((open) => open.twin.common),
    }).toEqual(expected);
  });

  it("are fifty, of every kind of verdict", () => {
    expect(goldenCases).toHaveLength(50);
    expect(new Set(goldenCases.map((c) => c.verdict))).toEqual(new Set(["clear", "hold", "keep", "open", "unknown"]));
    expect(goldenCases.filter((c) => c.reportFirst).length).toBeGreaterThan(2);
    expect(goldenCases.filter((c) => c.leansOn).length).toBeGreaterThan(2);
    expect(goldenCases.filter((c) => c.twins.length > 0).length).toBeGreaterThan(2);
    expect(goldenCases.every((c) => c.limit <= TUNING.highestLimit)).toBe(true);
  });
});
