import type { CompiledFlora } from "@/core/flora";
import { buildModel, type Case, type CaseInput } from "@/core/identify";
import cases from "@/core/identify/golden/cases.json" with { type: "json" };
import flora from "@/core/identify/golden/flora.json" with { type: "json" };
import list from "@/core/identify/golden/list.json" with { type: "json" };
import { caseFrom } from "./tiny-flora";

/** The small flora that the golden verdicts are on, frozen. */
export const goldenFlora = flora as unknown as CompiledFlora;
export const goldenModel = buildModel(goldenFlora);
export { cases as goldenCases };
export type GoldenCase = (typeof cases)[number];

/** The case of a golden verdict, with its own exceptions to the frozen list. */
export const goldenCase = ({ given }: GoldenCase, extra: Partial<CaseInput> = {}): Case =>
  caseFrom({
    ...(given as CaseInput),
    ...extra,
    list: {
      ...(list as CaseInput["list"]),
      ...("list" in given ? (given.list as CaseInput["list"]) : {}),
      ...extra.list,
    },
  });
