import { readFileSync } from "node:fs";
import { expect, it } from "vitest";
import { parse } from "yaml";
import { adviseMethods, METHOD_IDS, readMethodCase } from "@/core/control";
import { currentFlora } from "@/flora/load";
import { shippedMethodBook } from "@/server/flora/method-book";

interface WrittenCase {
  id: string;
  eligible: string[];
  barred: string[];
}
const flora = currentFlora();
const written: WrittenCase[] = parse(readFileSync("flora/method-cases.yaml", "utf8"));

const answersTo = ({ id: _, eligible: __, barred: ___, ...asked }: WrittenCase) =>
  new Map(adviseMethods(shippedMethodBook(), readMethodCase(flora, asked)).map((a) => [a.method.id as string, a]));

it("cases name methods by their ids", () => {
  const ids: readonly string[] = METHOD_IDS;
  expect(written.flatMap(({ eligible, barred }) => [...eligible, ...barred]).filter((m) => !ids.includes(m))).toEqual(
    [],
  );
});

/** What the files and a practitioner's word on forty cases differ in. A stump in May waits for the sap; a seedling tree's bark slips;
 * heads are bagged before a thistle in flower is cut; bark of 9 cm is treated by some and by others not. */
it("forty cases written beforehand are answered as before, with four known differences", () => {
  const differences = written.flatMap((one) => {
    const said = answersTo(one);
    const isEligible = (method: string) => said.get(method)?.answer === "eligible";
    return [
      ...one.eligible.filter((method) => !isEligible(method)).map((method) => `${one.id} wants ${method}`),
      ...one.barred.filter(isEligible).map((method) => `${one.id} bars ${method}`),
    ];
  });
  expect(differences).toEqual([
    "m02 wants cut-stump",
    "m21 bars basal-bark",
    "m23 wants hand-pull",
    "m27 wants cut-below-crown",
  ]);
});
