import { describe, expect, it } from "vitest";
import type { CompiledFlora } from "../../flora";
import { buildModel, caseSchema, decide, judge, TUNING } from "..";
import cases from "./cases.json" with { type: "json" };
import flora from "./flora.json" with { type: "json" };
import list from "./list.json" with { type: "json" };

/**
 * The contract of the engine's rules: fifty cases on a small flora that is frozen beside them, with a list of its own. A case
 * changes only in a commit that changes a rule, and that commit says why. They were drawn from walks of simulated plants so
 * that as many tuned constants as possible change one of them when they are moved.
 */
const model = buildModel(flora as unknown as CompiledFlora);

describe("golden verdicts", () => {
  it.each(cases)("$id is $verdict", ({ given, id: _, ...expected }) => {
    const judgement = judge(
      model,
      caseSchema.parse({ ...given, list: { ...list, ...("list" in given ? given.list : {}) } }),
    );
    const result = decide(judgement);
    expect({
      verdict: result.verdict,
      group: result.group,
      limit: Number(result.limit.toFixed(6)),
      reportFirst: result.reportFirst,
      named: result.named,
      about: result.about >= 0 ? flora.taxa[result.about].name : null,
      leansOn: result.leansOn,
      twins: result.twinsInTheWay.map((open) => open.twin.common),
    }).toEqual(expected);
  });

  it("are fifty, of every kind of verdict", () => {
    expect(cases).toHaveLength(50);
    expect(new Set(cases.map((c) => c.verdict))).toEqual(new Set(["clear", "hold", "keep", "open", "unknown"]));
    expect(cases.filter((c) => c.reportFirst).length).toBeGreaterThan(2);
    expect(cases.filter((c) => c.leansOn).length).toBeGreaterThan(2);
    expect(cases.filter((c) => c.twins.length > 0).length).toBeGreaterThan(2);
    expect(cases.filter((c) => c.verdict === "clear").every((c) => c.limit <= TUNING.highestLimit)).toBe(true);
  });
});
