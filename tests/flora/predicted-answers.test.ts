import fc from "fast-check";
import { caseFrom } from "../support/tiny-flora";
import { describe, expect, it } from "vitest";
import {
  buildModel,
  decide,
  describeScore,
  predictChecks,
  identify,
  judge,
  laterChecks,
  mostlyCarried,
  type Observation,
  recordingOf,
  towardsAction,
  towardsName,
  usualLook,
  gateOf,
} from "@/core/identify";
import { STAGES } from "@/core/flora";
import { farthestFromClear } from "@/core/identify/verdict/standpoint";
import { checkReason } from "@/core/identify/words/check-words";
import { currentFlora, loadList } from "@/flora/load";
import { readNotes } from "@/flora/read-notes";

const flora = currentFlora();
const model = buildModel(flora);
const list = loadList("otter-valley");
const notes = readNotes();
const anyNote = fc.constantFrom(...notes);
const anyDepth = fc.integer({ min: 0, max: 6 });
const caseOf = (note: (typeof notes)[number], depth: number, extra = {}) =>
  caseFrom({
    id: note.id,
    day: note.day,
    stage: note.stage,
    list: list.status,
    actions: list.actions,
    observations: note.observations.slice(0, depth),
    ...extra,
  });

describe("what is asked next, on real notes", () => {
  it("is never what was answered, but on a second plant, needs no tool that is not at hand, and has a price above nothing", () => {
    fc.assert(
      fc.property(anyNote, anyDepth, (note, depth) => {
        const given = caseOf(note, depth, { kit: ["ruler"] });
        const judgement = judge(model, given);
        for (const check of predictChecks(judgement).checks) {
          const character = flora.characters[check.character];
          expect(given.observations.some((o) => o.character === character.id)).toBe(check.second === true);
          for (const tool of character.kit) expect(tool).toBe("ruler");
          if (!check.second) expect(check.bits).toBeGreaterThan(0);
          expect(check.saved).toBeGreaterThanOrEqual(0);
          if (farthestFromClear(judgement, gateOf(judgement)).posterior === judgement.local)
            expect(check.partBits).toBeLessThanOrEqual(check.bits + 1e-6);
        }
      }),
      { seed: 171, numRuns: 40 },
    );
  });

  it("holds all checks towards a name, and towards an action those whose part most of what fits carries, where one of these tells something", () => {
    fc.assert(
      fc.property(anyNote, anyDepth, (note, depth) => {
        const judgement = judge(model, caseOf(note, depth));
        const prospect = predictChecks(judgement);
        const { checks } = prospect;
        const ids = (order: typeof checks) => order.map((c) => c.character).sort((a, b) => a - b);
        expect(ids(towardsName(judgement, prospect))).toEqual(ids(checks));
        expect(ids(towardsAction(judgement, prospect))).toEqual(ids(mostlyCarried(judgement, checks)));
        expect(
          mostlyCarried(judgement, checks).every((c) => c.carried >= 0.7) ||
            checks.filter((c) => c.carried >= 0.7).every((c) => c.bits < 0.03),
        ).toBe(true);
      }),
      { seed: 172, numRuns: 25 },
    );
  });

  it("tells no more than there is to tell", () => {
    fc.assert(
      fc.property(anyNote, anyDepth, (note, depth) => {
        const judgement = judge(model, caseOf(note, depth));
        const entropy = [...judgement.local.taxa, judgement.local.unknown].reduce(
          (sum, p) => sum - (p > 0 ? p * Math.log2(p) : 0),
          0,
        );
        for (const check of predictChecks(judgement).checks) expect(check.bits).toBeLessThanOrEqual(entropy + 0.05);
      }),
      { seed: 173, numRuns: 25 },
    );
  });
});

describe("a first answer that was wrong", () => {
  const PLACE = ["ground", "light", "wetness"];
  /** Twelve looks at a seedling that someone called a water plant, each as it usually is, or not to be seen yet. */
  const looksAt = (name: string, stage: "seedling" | "vegetative") => {
    const taxon = model.taxonIndex.get(name) as number;
    const look = (c: number) => usualLook(model, taxon, c, "seedling");
    const observations: Observation[] = [
      ...PLACE.flatMap((id) => look(model.characterIndex.get(id) as number) ?? []),
      { character: "plant-kind", answer: "seen", states: ["water-plant"], join: "any", sure: "sure" },
    ];
    const judged = () => judge(model, caseFrom({ day: "2026-05-05", stage, list: list.status, observations }));
    const told = observations.length;
    const reasons: string[] = [];
    for (let i = 0; i < 12; i++) {
      const judgement = judged();
      const next = towardsName(judgement, predictChecks(judgement))[0];
      if (!next) break;
      if (next.seldom) reasons.push(checkReason(judgement, next));
      const character = flora.characters[next.character];
      observations.push(
        look(next.character) ?? {
          character: character.id,
          answer: character.stages.includes("seedling") ? "absent" : "not-there-yet",
          join: "any",
          sure: "sure",
        },
      );
    }
    const { taxa } = judged().flat;
    return {
      asked: observations.length - told,
      rank: taxa.filter((share) => share > taxa[taxon]).length + 1,
      reasons,
      looks: observations.map((o) => o.character).join(" "),
    };
  };
  it.each([
    ["Nassella trichotoma", "vegetative"],
    ["Elymus repens", "vegetative"],
    ["Typha latifolia", "seedling"],
  ] as const)("leaves something to ask about %s, called %s, until it is found", (name, stage) => {
    const { asked, rank, looks, reasons } = looksAt(name, stage);
    expect(asked, looks).toBe(12);
    expect(rank, looks).toBeLessThanOrEqual(3);
    expect(reasons.length).toBeGreaterThan(0);
    for (const reason of reasons) expect(reason).toContain("Check your first answers again");
  });
});

describe("the condition of Clear that is worked on", () => {
  it("is the local prior's, then the flat one's, then that of the block of looks that carries too much", () => {
    const met = new Set<string>();
    for (const note of notes) {
      const judgement = judge(model, caseOf(note, 9));
      const { limit, leansOn } = decide(judgement);
      const { local, flat } = judgement.guarded;
      const { posterior, limitTimes, without } = farthestFromClear(judgement, gateOf(judgement));
      if (local.keptSide > limit) expect(posterior).toBe(judgement.local);
      else if (flat.keptSide > limit) {
        expect(posterior).toBe(judgement.flat);
        met.add("flat");
      } else if (leansOn) {
        expect(without).toBe(leansOn);
        expect(posterior.keptSide).toBeGreaterThan(limitTimes * limit);
        for (const check of predictChecks(judgement).checks)
          if (flora.characters[check.character].block === leansOn)
            expect([check.saved, check.partBits]).toEqual([0, 0]);
        met.add("leans");
      } else expect(without).toBeNull();
    }
    expect([...met].sort()).toEqual(["flat", "leans"]);
  });
});

describe("what will settle it later", () => {
  it("comes on a day from now on, and parts a target from a kept plant", () => {
    fc.assert(
      fc.property(anyNote, anyDepth, (note, depth) => {
        const judgement = judge(model, caseOf(note, depth));
        for (const later of laterChecks(judgement)) {
          expect(later.from >= note.day).toBe(true);
          const { characters, taxa } = judgement.model.flora;
          expect(characters[later.character].stages).toContain(later.stage);
          for (const taxon of later.parts) expect(taxa[taxon].calendar[later.stage], taxa[taxon].name).toBeDefined();
          expect(judgement.keptSide[later.parts[0]]).toBe(0);
          expect(judgement.keptSide[later.parts[1]]).toBe(1);
        }
      }),
      { seed: 174, numRuns: 30 },
    );
  });
});

describe("the whole answer", () => {
  it("adds up and is the same each time, whatever was seen", () => {
    fc.assert(
      fc.property(anyNote, anyDepth, (note, depth) => {
        const given = caseOf(note, depth);
        const answer = identify(model, given);
        expect(answer).toEqual(identify(model, given));
        expect(answer.candidates.reduce((sum, c) => sum + c.probability, 0) + answer.unknown).toBeLessThanOrEqual(
          1.001,
        );
        expect(answer.because.length).toBeGreaterThan(10);
        for (const { seconds, why } of [...answer.next.name, ...answer.next.action]) {
          expect(seconds).toBeGreaterThan(0);
          expect(why).toMatch(/^(Tells|Splits) /);
        }
      }),
      { seed: 175, numRuns: 30 },
    );
  });

  it("never clears on nothing, and never names on nothing", () => {
    for (const stage of [null, ...STAGES]) {
      const answer = identify(model, caseFrom({ day: "2026-06-01", stage, list: list.status, observations: [] }));
      expect(answer.verdict).not.toBe("clear");
      expect(answer.named).toBe(false);
    }
  });

  it("names a plant to keep only where that plant alone holds nearly all", () => {
    for (const note of notes.slice(0, 120)) {
      const answer = identify(model, caseOf(note, 20));
      if (answer.verdict === "keep" && answer.named)
        expect(answer.candidatesFlat[0].probability).toBeGreaterThanOrEqual(0.95);
      if (answer.verdict === "keep" && !answer.named) expect(answer.because).toContain("do not count it as named");
    }
  });

  it("loses nothing by an answer that tells nothing", () => {
    fc.assert(
      fc.property(anyNote, fc.constantFrom("sap", "leaf-edge", "head-kind", "bark"), (note, character) => {
        const silent: Observation = { character, answer: "cannot-tell", join: "any", sure: "sure" };
        const given = caseOf(note, 4);
        if (given.observations.some((o) => o.character === character)) return;
        const before = identify(model, given);
        const after = identify(model, { ...given, observations: [...given.observations, silent] });
        expect(after.candidates).toEqual(before.candidates);
        expect(after.verdict).toBe(before.verdict);
      }),
      { seed: 176, numRuns: 25 },
    );
  });
});

describe("words on what a plant shows", () => {
  it("are there for every recorded score and name a state of the character, or a range with its unit", () => {
    for (const taxon of flora.taxa.keys()) {
      for (const [c, character] of flora.characters.entries()) {
        if (recordingOf(model, taxon, c) !== "recorded") continue;
        const words = describeScore({ model }, taxon, c, "vegetative");
        if (words && character.unit)
          expect(
            [words, `${words}s`].some((said) => said.includes(character.unit as string)),
            words,
          ).toBe(true);
      }
    }
  });
});
