import { describe, expect, it } from "vitest";
import {
  buildModel,
  identify,
  judge,
  type Observation,
  predictChecks,
  towardsAction,
  towardsName,
  usualLook,
  withSecondPlant,
} from "@/core/identify";
import { answersAgainst } from "@/core/identify/next/answers-against";
import { secondAnswers } from "@/core/identify/next/look-at-second-plant";
import { currentFlora, loadList } from "@/flora/load";
import { caseFrom, seen, tinyCase, tinyFlora } from "../support/tiny-flora";

const tiny = buildModel(tinyFlora());
const asPrima = [seen("hair", "some"), seen("sap", "milky"), { ...seen("length", "x"), states: undefined, value: 5 }];
const shipped = buildModel(currentFlora());
const list = loadList("otter-valley").status;

/** Every plant's chances of each state on a second plant, by name; the unknown plant last. */
function secondOf(observations: Observation[], character: string): Record<string, number[]> {
  const judgement = judge(tiny, tinyCase(observations));
  const c = tiny.characterIndex.get(character) as number;
  const before = answersAgainst(judgement).get(c) as Observation;
  const taxa = [0, 1, 2, 3];
  const conditions = taxa.map((t) => tiny.firstCondition[t] + 1);
  const foreseen = {
    taxa,
    conditions: Int32Array.from(conditions),
    weights: new Float64Array(4).fill(1),
    firstOf: Int32Array.from([0, 1, 2, 3, 4]),
    crosses: [],
  };
  const rows = secondAnswers(judgement, foreseen, c, before, new Float64Array(5 * 2));
  return Object.fromEntries(
    [...tiny.flora.taxa.map((t) => t.name), "unknown"].map((name, i) => [name, [...rows.subarray(2 * i, 2 * i + 2)]]),
  );
}

describe("a second plant for an answer that goes against the others", () => {
  it("is worth a look where the plant ranked first gives the answer seldom, of one plant, and not of where it stands", () => {
    const against = (...more: Observation[]) =>
      [...answersAgainst(judge(tiny, tinyCase([...asPrima, ...more]))).keys()].map((c) => tiny.flora.characters[c].id);
    expect(against(seen("edge", "smooth"))).toEqual([]);
    expect(against(seen("edge", "teeth"))).toEqual(["edge"]);
    expect(against(withSecondPlant(seen("edge", "teeth"), seen("edge", "smooth")))).toEqual([]);
    expect(against(seen("edge", "teeth", { of: { yes: 3, n: 4 } }))).toEqual([]);
    const setting = buildModel({
      ...tinyFlora(),
      characters: tinyFlora().characters.map((c) => (c.id === "edge" ? { ...c, station: "setting" as const } : c)),
    });
    expect(answersAgainst(judge(setting, tinyCase([...asPrima, seen("edge", "teeth")]))).size).toBe(0);
  });
  it("foresees the same of a plant that it fits, and a slip found out of one that it does not", () => {
    const second = secondOf([...asPrima, seen("edge", "teeth")], "edge");
    for (const chances of Object.values(second)) expect(chances.reduce((a, b) => a + b, 0)).toBeCloseTo(1, 9);
    const [smooth, teeth] = [0, 1];
    expect(second["Bonus prima"][teeth]).toBeGreaterThan(0.85);
    expect(second["Malus prima"][smooth]).toBeGreaterThan(0.25);
    expect(second["Malus prima"][smooth]).toBeLessThan(0.75);
    expect(second.unknown[smooth]).toBeLessThan(second["Malus prima"][smooth]);
  });
  it("is asked for by the shipped flora where one answer was wrong, with the reason, and never towards a name", () => {
    const { given, observations, usual } = lookedUntilSecond({ bractlets: { states: ["none"] } });
    const { next, verdict, keptSide } = identify(shipped, given(observations));
    expect(verdict).toBe("hold");
    expect(next.second).toEqual([
      expect.objectContaining({
        character: "bractlets",
        why: expect.stringMatching(
          /^You saw nothing\. Poison hemlock is the most likely plant here, and it has a few, on the outer side only\. This plant may be unusual, or the part was misread\./,
        ),
      }),
    ]);
    expect(next.action.map((check) => check.character)).not.toContain("bractlets");
    const judgement = judge(shipped, given(observations));
    const prospect = predictChecks(judgement);
    expect(towardsAction(judgement, prospect)[0]).toMatchObject({ second: true });
    expect(towardsName(judgement, prospect).some((check) => check.second)).toBe(false);
    const after = identify(shipped, given(onSecond(observations, usual("bractlets"))));
    expect(after.keptSide).toBeLessThan(0.3 * keptSide);
    expect(after.next.second).toEqual([]);
  });
  it("is asked for of a number that was misread, and believes the second", () => {
    const { given, observations, usual } = lookedUntilSecond({ "flower-width": { value: 12 } });
    const { next, keptSide } = identify(shipped, given(observations));
    expect(next.second).toEqual([
      expect.objectContaining({
        character: "flower-width",
        why: expect.stringMatching(
          /^You measured 12 mm\. Poison hemlock is the most likely plant here, and it has 2 to 4 mm\. This plant may be unusual, or the part was misread\./,
        ),
      }),
    ]);
    const after = identify(shipped, given(onSecond(observations, usual("flower-width"))));
    expect(after.keptSide).toBeLessThan(0.5 * keptSide);
    expect(after.next.second).toEqual([]);
  });
});

/** A poison hemlock in flower, of which some answers are wrong, given at once, looked at until a second plant is asked for. */
function lookedUntilSecond(wrong: Record<string, Partial<Observation>>) {
  const given = (observations: Observation[]) =>
    caseFrom({ day: "2026-06-15", stage: "flowering", list, observations });
  const hemlock = shipped.taxonIndex.get("Conium maculatum") as number;
  const usual = (id: string) =>
    usualLook(shipped, hemlock, shipped.characterIndex.get(id) as number, "flowering") as Observation;
  const nextUsual = (said: Observation[]) =>
    identify(shipped, given(said)).next.action.flatMap(({ character }) => usual(character) ?? [])[0] as Observation;
  const observations: Observation[] = Object.entries(wrong).map(([character, answer]) => ({
    ...usual(character),
    ...answer,
  }));
  for (let looks = 0; looks < 12 && identify(shipped, given(observations)).next.second.length === 0; looks++)
    observations.push(nextUsual(observations));
  return { given, observations, usual };
}

const onSecond = (observations: Observation[], second: Observation): Observation[] =>
  observations.map((o) => (o.character === second.character ? withSecondPlant(o, second) : o));
