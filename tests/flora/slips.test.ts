import { describe, expect, it } from "vitest";
import { answersAt, buildModel, type Case, decide, identify, judge, type Model } from "@/core/identify";
import { slipsOf } from "@/core/identify/verdict/slips";
import { currentFlora, loadList } from "@/flora/load";
import { readNotes } from "@/flora/read-notes";
import { caseFrom, seen, tinyCase, tinyFlora } from "../support/tiny-flora";

const tiny = buildModel(tinyFlora());
const flora = currentFlora();
const model = buildModel(flora);
const list = loadList("otter-valley");
const slips = (m: Model, given: Case) => {
  const judgement = judge(m, given);
  return slipsOf(judgement, decide(judgement));
};
const cases = readNotes().map((note) =>
  caseFrom({
    id: note.id,
    day: note.day,
    stage: note.stage,
    list: list.status,
    actions: list.actions,
    observations: note.observations,
  }),
);

describe("answers worth a second look", () => {
  it("are none where nothing was seen", () => {
    expect(slips(tiny, tinyCase())).toEqual([]);
  });

  it("hang the verdict on an answer exactly where it falls without it", () => {
    const decided = cases.filter((given) => ["clear", "keep"].includes(identify(model, given).verdict)).slice(0, 40);
    expect(decided.length).toBeGreaterThan(20);
    for (const given of decided) {
      const hanging = slips(model, given).filter((s) => s.kind === "verdict-hangs-on-it");
      for (const { observation } of hanging) {
        const rest = { ...given, observations: given.observations.filter((_, i) => i !== observation) };
        const [before, after] = [judge(model, given), judge(model, rest)].map((j) => ({
          verdict: decide(j).verdict,
          kept: Math.max(j.local.keptSide, j.flat.keptSide),
        }));
        expect(after.verdict !== before.verdict || after.kept > 0.0196).toBe(true);
      }
    }
  });

  it("find the one answer that was told wrongly among many right ones", () => {
    let found = 0;
    let tried = 0;
    for (const given of cases.filter((c) => c.observations.length >= 6).slice(0, 60)) {
      const before = judge(model, given);
      const best = before.flat.taxa.indexOf(Math.max(...before.flat.taxa));
      if (before.flat.taxa[best] < 0.9) continue;
      const wrong = given.observations.findIndex(
        (o) => o.states?.length === 1 && o.character !== "plant-kind" && !o.of,
      );
      const character = flora.characters[model.characterIndex.get(given.observations[wrong]?.character) ?? -1];
      const row = character && answersAt(model, best, model.characterIndex.get(character.id) as number, 0);
      if (!row) continue;
      const unlikely = character.states[row.indexOf(Math.min(...row))].id;
      tried++;
      const told = slips(model, {
        ...given,
        observations: given.observations.map((o, i) => (i === wrong ? { ...o, states: [unlikely] } : o)),
      });
      if (told.some((s) => s.observation === wrong && s.kind === "against-all-others")) found++;
    }
    expect(tried).toBeGreaterThan(15);
    expect(found / tried).toBeGreaterThan(0.5);
  });

  it("are told by the character, with the kind", () => {
    const answer = identify(tiny, tinyCase([seen("edge", "smooth"), seen("hair", "some"), seen("sap", "milky")]));
    for (const slip of answer.slips) expect(["edge", "hair", "sap"]).toContain(slip.character);
  });
});
