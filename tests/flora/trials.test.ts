import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { buildModel, judge, type ObservationInput } from "@/core/identify";
import { seededChance } from "@/core/random";
import { drawDay, perturb, SimulatedPlant } from "@/core/simulate/plants";
import { Scout } from "@/core/simulate/scout";
import { syntheticFlora } from "@/core/simulate/synthetic";
import { figuresOf } from "@/core/trials/figures";
import { mergeBatches, runBatch } from "@/core/trials/run-trials";
import { isSeparable, looksSuffice, usualLooks } from "@/core/trials/separable";
import {
  type ActionWalk,
  canBeAsked,
  drawStart,
  type NameWalk,
  standsOnSheet,
  type Start,
  walkToAction,
  walkToName,
} from "@/core/trials/walks";
import { removeTaxon } from "@/core/trials/without-plant";
import { currentFlora } from "@/flora/load";
import { caseFrom, tinyFlora } from "../support/tiny-flora";

const flora = tinyFlora();
const model = buildModel(flora);
const lists = [
  { id: "a", status: { "Malus prima": "target" as const, "Malus secunda": "target" as const }, actions: {} },
];

describe("seeded chance", () => {
  it("repeats itself for the same seed and not for another", () => {
    const draw = (seed: number) => Array.from({ length: 5 }, seededChance(seed).uniform);
    expect(draw(7)).toEqual(draw(7));
    expect(draw(7)).not.toEqual(draw(8));
  });
  it("stays in its bounds and picks by weight", () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 1e6 }), fc.integer({ min: 1, max: 50 }), (seed, n) => {
        const chance = seededChance(seed);
        const below = chance.below(n);
        expect(below).toBeGreaterThanOrEqual(0);
        expect(below).toBeLessThan(n);
        expect(chance.pick([0, 1, 0])).toBe(1);
      }),
      { seed: 61 },
    );
    const chance = seededChance(3);
    const hits = Array.from({ length: 6000 }, () => chance.pick([1, 3])).filter((x) => x === 1).length;
    expect(hits / 6000).toBeCloseTo(0.75, 1);
  });
});

describe("the parts of a simulated plant", () => {
  it("shows no part of what it does not have: no plan of lobes on a leaf that is whole", () => {
    const shipped = buildModel(currentFlora());
    const gated = shipped.flora.characters.filter(
      (c) => c.when && shipped.characterIndex.has(c.when.character) && c.stages.includes("flowering"),
    );
    const lacked = new Set<string>();
    fc.assert(
      fc.property(
        fc.constantFrom(...gated),
        fc.nat(shipped.flora.taxa.length - 1),
        fc.nat(1e6),
        (character, t, seed) => {
          const plant = new SimulatedPlant(shipped, t, "flowering", seededChance(seed));
          const [base, part] = [character.when?.character as string, character.id].map(
            (id) => shipped.characterIndex.get(id) as number,
          );
          const [under, shown] = [plant.truth(base), plant.truth(part)];
          const none = character.states.findIndex((s) => s.id === "none");
          if (under === null || character.when?.states.includes(shipped.flora.characters[base].states[under].id))
            return;
          lacked.add(character.id);
          expect(shown === null || shown === none).toBe(true);
        },
      ),
      { seed: 62, numRuns: 2000 },
    );
    expect(lacked.size).toBeGreaterThan(10);
  });
});

describe("a printed list of looks", () => {
  const shipped = buildModel(currentFlora());
  const at = (id: string) => shipped.characterIndex.get(id) as number;
  const told = (observations: ObservationInput[], stage: "vegetative" | "winter" = "vegetative") =>
    judge(shipped, caseFrom({ day: "2026-06-12", stage, kit: ["lens", "ruler", "knife", "trowel"], observations }));
  it("skips what is answered, what the stage does not show, what the kind of plant or an answer rules out, and nothing else", () => {
    const open = told([]);
    expect(
      ["leaf-shape", "ligule-kind", "lobe-plan", "flower-colour"].map((id) => standsOnSheet(open, at(id))),
    ).toEqual([true, true, true, false]);
    const herb = told([
      { character: "plant-kind", states: ["herb"] },
      { character: "leaf-lobes", states: ["none"] },
    ]);
    expect(
      ["leaf-shape", "ligule-kind", "lobe-plan", "leaf-lobes", "plant-kind"].map((id) => standsOnSheet(herb, at(id))),
    ).toEqual([true, false, false, false, false]);
    expect(
      ["leaf-shape", "ligule-kind", "lobe-plan", "leaf-lobes", "plant-kind"].map((id) => canBeAsked(herb, at(id))),
    ).toEqual([true, true, false, false, false]);
    const without = judge(shipped, caseFrom({ day: "2026-06-12", stage: "vegetative", kit: [], observations: [] }));
    expect(standsOnSheet(without, at("leaf-length"))).toBe(false);
  });
  const cleavers = {
    set: "creepers",
    taxon: shipped.taxonIndex.get("Galium aparine") as number,
    stage: "vegetative",
    day: "2026-05-10",
    list: {
      id: "half",
      status: Object.fromEntries(
        shipped.flora.taxa.filter((_, t) => t % 2 === 0).map((taxon) => [taxon.name, "target"]),
      ),
      actions: {},
    },
    seed: 5,
  } satisfies Start;
  const askedInTurn = (order: "fixed" | "one", list: string[]) => {
    const asked: string[] = [];
    walkToAction(
      { model: shipped, nature: shipped, error: 0, placeTold: false },
      cleavers,
      order,
      list.map(at),
      (judgement) => asked.push(judgement.case.observations.at(-1)?.character ?? ""),
    );
    return asked;
  };
  it("is walked in its order, whatever else would tell more", () => {
    const list = ["plant-kind", "leaf-order", "leaf-edge", "stem-hair"];
    const asked = askedInTurn("fixed", list);
    expect(list.slice(0, asked.length)).toEqual(asked);
    expect(asked.length).toBeGreaterThan(1);
  });
  it("asks of a herb what grasses alone carry where one order is for all plants, and not on the sheet of herbs", () => {
    const list = ["plant-kind", "ligule-kind", "stem-hair"];
    expect(askedInTurn("one", list).slice(0, 2)).toEqual(["plant-kind", "ligule-kind"]);
    expect(askedInTurn("fixed", list).slice(0, 2)).toEqual(["plant-kind", "stem-hair"]);
  });
});

describe("a perturbed flora", () => {
  it("keeps shares that sum to 1 and points that do not fall, and is another flora", () => {
    for (let seed = 1; seed < 12; seed++)
      for (const score of perturb(flora, seed).scores) {
        if (score.shares) expect(score.shares.reduce((a, b) => a + b, 0)).toBeCloseTo(1, 9);
        if (score.points) expect([...score.points]).toEqual([...score.points].sort((a, b) => a - b));
      }
    expect(perturb(flora, 1)).not.toEqual(flora);
    expect(perturb(flora, 1)).toEqual(perturb(flora, 1));
  });
  it("keeps its draws where a score is added or another taken away", () => {
    const all = perturb(flora, 3).scores;
    const fewer = perturb({ ...flora, scores: flora.scores.filter((_, i) => i % 3 !== 1) }, 3).scores;
    expect(fewer).toEqual(all.filter((_, i) => i % 3 !== 1));
  });
  it("leaves what does not apply alone", () => {
    const own = { ...flora, scores: [{ taxon: 0, character: 0, confidence: 0.9, notApplicable: true as const }] };
    expect(perturb(own, 5).scores).toEqual(own.scores);
  });
});

describe("a simulated plant", () => {
  it("shows each part once and for all", () => {
    const plant = new SimulatedPlant(model, 0, "vegetative", seededChance(1));
    expect(plant.truth(0)).toBe(plant.truth(0));
  });
  it("shows a part alike, whichever parts were looked at before", () => {
    for (let seed = 0; seed < 20; seed++) {
      const [first, last] = [
        new SimulatedPlant(model, 0, "flowering", seededChance(seed)),
        new SimulatedPlant(model, 0, "flowering", seededChance(seed)),
      ];
      const parts = [...model.flora.characters.keys()];
      const forwards = parts.map((c) => first.truth(c));
      expect(
        parts
          .reverse()
          .map((c) => last.truth(c))
          .reverse(),
      ).toEqual(forwards);
    }
  });
  it("shows no petals before it flowers", () =>
    expect(new SimulatedPlant(model, 0, "vegetative", seededChance(1)).truth(3)).toBeNull());
  it("shows states as often as they are scored", () => {
    const smooth = Array.from({ length: 2000 }, (_, i) =>
      new SimulatedPlant(model, 1, "vegetative", seededChance(i)).truth(0),
    ).filter((s) => s === 0).length;
    expect(smooth / 2000).toBeCloseTo(0.9, 1);
  });
  it("has shoots of its own beside it, one plant in two of its patch", () => {
    const parts = [0, 1, 2];
    let alike = 0;
    for (let i = 0; i < 1000; i++) {
      const [plant, beside] = [
        new SimulatedPlant(model, 3, "vegetative", seededChance(i)),
        new SimulatedPlant(
          model,
          3,
          "vegetative",
          seededChance(i).named("beside"),
          new SimulatedPlant(model, 3, "vegetative", seededChance(i)),
        ),
      ];
      if (parts.every((c) => plant.truth(c) === beside.truth(c))) alike++;
    }
    const byChance = 0.5 * 0.5 * 0.5;
    expect(alike / 1000).toBeGreaterThan(0.5);
    expect(alike / 1000).toBeLessThan(0.5 + 0.5 * byChance + 0.12);
  });
  it("stands on a day on which it is in that stage", () => {
    for (let i = 0; i < 50; i++)
      expect(Number(drawDay(flora, 0, "flowering", seededChance(i))?.slice(5, 7))).toSatisfy(
        (m: number) => m >= 6 && m <= 8,
      );
    expect(drawDay(flora, 0, "seedling", seededChance(1))).toBeNull();
  });
});

describe("a simulated scout", () => {
  const errors = (error: number) => {
    let wrong = 0;
    let told = 0;
    for (let i = 0; i < 4000; i++) {
      const plant = new SimulatedPlant(model, 0, "vegetative", seededChance(i));
      const seen = new Scout(error, seededChance(i + 0.5)).look(model, plant, 0);
      if (!seen.states) continue;
      told++;
      if (seen.states[0] !== model.flora.characters[0].states[plant.truth(0) as number].id) wrong++;
    }
    return wrong / told;
  };
  it("errs as often as stated in the mean, though his days differ", () => {
    expect(errors(0.05)).toBeGreaterThan(0.035);
    expect(errors(0.05)).toBeLessThan(0.065);
  });
  it("errs twice as often when told to", () => expect(errors(0.1) / errors(0.05)).toBeCloseTo(2, 0));
  it("misreads again, on the next plant, what he misread, one time in three or so", () => {
    const counts = { slips: 0, again: 0 };
    for (let i = 0; i < 6000; i++) {
      const plant = new SimulatedPlant(model, 0, "vegetative", seededChance(i));
      const scout = new Scout(0.2, seededChance(i + 0.5));
      const [first, second] = [scout.look(model, plant, 0), scout.look(model, plant, 0, 1)].map((o) => o.states?.[0]);
      if (!first || !second || first === model.flora.characters[0].states[plant.truth(0) as number].id) continue;
      counts.slips++;
      if (second === first) counts.again++;
    }
    expect(counts.slips).toBeGreaterThan(500);
    expect(counts.again / counts.slips).toBeGreaterThan(0.35);
    expect(counts.again / counts.slips).toBeLessThan(0.65);
  });
  it("says that there is no such part where the plant has none", () => {
    const shrub = buildModel({
      ...flora,
      taxa: flora.taxa.map((t, i) => (i === 0 ? { ...t, lifeForm: "shrub" as const } : t)),
      scores: flora.scores.filter((s) => s.taxon !== 0),
    });
    expect(
      new Scout(0, seededChance(3)).look(shrub, new SimulatedPlant(shrub, 0, "vegetative", seededChance(4)), 0),
    ).toMatchObject({ character: "edge", answer: "absent" });
  });
  it("says not there yet of what the stage does not show", () =>
    expect(
      new Scout(0.05, seededChance(1)).look(model, new SimulatedPlant(model, 0, "vegetative", seededChance(2)), 3)
        .answer,
    ).toBe("not-there-yet"));
});

describe("walks", () => {
  const start = drawStart(model, lists, 5) as Start;
  const walker = { model, nature: model, error: 0.05, placeTold: false };
  it("are told where the plant stands before anything is asked, where that is wanted", () => {
    const own = buildModel({
      ...flora,
      characters: flora.characters.map((c) => (c.id === "edge" ? { ...c, station: "setting" } : c)),
    });
    const told: string[] = [];
    const walkIn = (placeTold: boolean) =>
      walkToAction({ model: own, nature: own, error: 0.05, placeTold }, start, "engine", [], (j) =>
        told.push(j.case.observations[0].character),
      );
    const seconds = [walkIn(true), walkIn(false)].map((w) => w.seconds);
    expect(told[0]).toBe("edge");
    expect(seconds[0]).not.toBe(seconds[1]);
  });
  it("repeat themselves for the same start", () => {
    expect(walkToName(walker, start)).toEqual(walkToName(walker, start));
    expect(walkToAction(walker, start, "engine")).toEqual(walkToAction(walker, start, "engine"));
  });
  it("end with a verdict or are charged all 25", () => {
    for (let seed = 1; seed < 30; seed++) {
      const walk = walkToAction(walker, drawStart(model, lists, seed) as Start, seed % 2 ? "engine" : "random");
      if (walk.verdict !== "clear" && walk.verdict !== "keep") expect(walk.checks).toBe(25);
      expect(walk.checks).toBeLessThanOrEqual(25);
    }
  });
  it("let one watch each judgement", () => {
    let seen = 0;
    walkToAction(walker, start, "engine", [], () => seen++);
    expect(seen).toBeGreaterThan(0);
  });
  it("follow a fixed order where one is given", () =>
    expect(walkToAction(walker, start, "fixed", [1, 0, 2, 4]).checks).toBeGreaterThan(0));
});

describe("what could be settled at a stage", () => {
  const given = caseFrom({
    id: "s",
    day: "2026-07-01",
    kit: [],
    list: { "Malus prima": "target", "Malus secunda": "target" },
    costs: { wrongClear: 500, missedTarget: 10, hold: 10 },
  });
  it("is seen from what is usual, and only where it is recorded, seen then, and not too various", () => {
    const looks = usualLooks(model, 3, "vegetative").map((o) => o.character);
    expect(looks).not.toContain("sap");
    expect(looks).not.toContain("petals");
    expect(usualLooks(model, 0, "flowering").find((o) => o.character === "petals")?.states).toEqual(["five"]);
    expect(usualLooks(model, 0, "vegetative").find((o) => o.character === "length")?.value).toBe(5);
  });
  it("is more where more can be seen, and nothing where nothing can", () => {
    const bare = buildModel({ ...flora, scores: flora.scores.filter((s) => s.taxon !== 0) });
    expect(isSeparable(bare, given, 0, "flowering", false)).toBe(false);
    const sharp = buildModel({
      ...flora,
      scores: flora.scores.map((s) =>
        s.shares ? { ...s, confidence: 1, shares: s.shares.map((p) => (p > 0.5 ? 0.999 : 0.001)) } : s,
      ),
    });
    expect(isSeparable(sharp, given, 2, "flowering", true)).toBe(true);
  });
  it("is asked of the parts that were looked at, however they were answered", () => {
    const shipped = buildModel(currentFlora());
    const taxon = shipped.taxonIndex.get("Alliaria petiolata") as number;
    const looks = usualLooks(shipped, taxon, "flowering");
    const wrong = looks.map((look) => ({
      ...look,
      answer: "cannot-tell" as const,
      states: undefined,
      value: undefined,
    }));
    const list = { "Alliaria petiolata": "target" as const };
    expect(looksSuffice(shipped, { ...given, list, observations: wrong }, taxon, "flowering")).toBe(true);
    expect(looksSuffice(shipped, { ...given, list, observations: looks.slice(0, 2) }, taxon, "flowering")).toBe(false);
  });
});

describe("a plant taken out", () => {
  it("leaves every other score with its own plant", () => {
    const less = removeTaxon(flora, 1);
    expect(less.taxa.map((t) => t.name)).toEqual(["Malus prima", "Bonus prima", "Bonus rara"]);
    const shares = (f: typeof flora, name: string) =>
      f.scores.filter((s) => f.taxa[s.taxon].name === name).map((s) => s.shares ?? s.points);
    for (const name of ["Malus prima", "Bonus prima", "Bonus rara"])
      expect(shares(less, name)).toEqual(shares(flora, name));
  });
});

describe("a batch of walks", () => {
  const options = {
    walks: 40,
    error: 0.05,
    assumed: 0.05,
    seed: 3,
    orderWalks: 0,
    placeTold: false,
    twoStages: 0,
    tuning: {},
    twinsListed: true,
  };
  it("goes from each start to a name and to an action, one in twenty on a plant taken out, and in parts as in one", () => {
    const whole = runBatch(flora, lists, options, "perturbed", 0, 40);
    expect(whole.names).toHaveLength(40);
    expect([whole.actions.length, whole.removed.length]).toEqual([38, 2]);
    expect(whole.names.filter((walk) => walk.rank === null)).toHaveLength(2);
    expect(
      mergeBatches([
        runBatch(flora, lists, options, "perturbed", 0, 20),
        runBatch(flora, lists, options, "perturbed", 20, 40),
      ]),
    ).toEqual(whole);
  });
});

describe("figures", () => {
  const start = { set: "tiny" } as Start;
  const action = (verdict: ActionWalk["verdict"], truthKept: boolean, more: Partial<ActionWalk> = {}): ActionWalk => ({
    start,
    verdict,
    cleared: null,
    group: null,
    checks: 5,
    seconds: 50,
    truthGroup: "g",
    truthKept,
    separable: true,
    ...more,
  });
  const name = (rank: number | null): NameWalk => ({
    start,
    rank,
    confidence: [{ probability: 0.8, right: rank === 1, brier: 0.1 }],
  });
  it("count what they say they count", () => {
    const f = figuresOf(
      [name(1), name(3), name(9), name(null)],
      [action("clear", false), action("hold", false), action("keep", true), action("clear", true)],
      [action("clear", true), action("open", true)],
    );
    expect(f.top1).toBeCloseTo(1 / 3, 4);
    expect(f.top3).toBeCloseTo(2 / 3, 4);
    expect(f.nameWalks).toBe(3);
    expect(f.ece["1"]).toBeCloseTo(0.8 - 1 / 4, 4);
    expect(f).toMatchObject({
      targetsCleared: 0.5,
      keptRecognised: 0.5,
      falseClears: 0.5,
      keptWalks: 4,
      falseClearsHeld: 0.5,
      heldWalks: 2,
      unknownCleared: 0.5,
      checksMean: 5,
      secondsMean: 50,
    });
    expect(f.falseClearsUpper95).toBeGreaterThan(f.falseClears);
  });
  it("count what could be settled at all by itself", () => {
    const targets = [action("clear", false), action("hold", false), action("hold", false, { separable: false })];
    const kept = [action("keep", true), action("open", true, { separable: false })];
    const removed = [
      action("clear", true, { separable: null, keptHere: false }),
      action("open", true, { separable: null, keptHere: true }),
      action("clear", true, { separable: null, keptHere: true, cleared: "Malus prima", clearedAsTwin: true }),
    ];
    expect(figuresOf([], [...targets, ...kept], removed)).toMatchObject({
      targetsSeparable: 0.66667,
      keptSeparable: 0.5,
      targetsClearedSeparable: 0.5,
      keptRecognisedSeparable: 1,
      unknownCleared: 0.66667,
      unknownKeptCleared: 0.5,
      unknownKeptClearedAsTwin: 0.5,
    });
  });
  it("are 0, not nothing, where there were no walks", () =>
    expect(figuresOf([], [], [])).toMatchObject({ top1: 0, falseClears: 0, falseClearsUpper95: 1, checksMean: 0 }));
});

describe("a made-up flora", () => {
  it("is of the size asked for, sound, and can be judged", () => {
    const made = buildModel(syntheticFlora(30, 12, 5));
    expect(made.flora.scores).toHaveLength(360);
    const { local } = judge(
      made,
      caseFrom({
        id: "s",
        day: "2026-05-01",
        hemisphere: "north",
        seasonShift: 0,
        stage: "vegetative",
        setting: {},
        kit: [],
        list: {},
        actions: {},
        confirmed: {},
        costs: { wrongClear: 500, missedTarget: 10, hold: 10 },
        observations: [{ character: "c3", answer: "seen", states: ["s1"], join: "any", sure: "sure" }],
      }),
    );
    expect(local.taxa.reduce((a, b) => a + b, 0) + local.unknown).toBeCloseTo(1, 9);
  });
});
