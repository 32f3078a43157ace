import { describe, expect, it } from "vitest";
import type { Pair } from "@/core/flora";
import {
  buildModel,
  type Case,
  decide,
  identify,
  judge,
  type Observation,
  predictChecks,
  towardsAction,
  towardsName,
  usualLook,
  withSecondPlant,
} from "@/core/identify";
import { twinsOfPlantInTheWay } from "@/core/identify/verdict/twins-in-the-way";
import { removeTaxon } from "@/core/trials/without-plant";
import { currentFlora, loadList } from "@/flora/load";
import { caseFrom } from "../support/tiny-flora";

const shipped = currentFlora();
/** Twins that are told by one part alone in these tests, whatever else the shipped flora lists of them. */
const TOLD_BY: Record<string, string> = {
  "Persicaria arifolia": "ocrea",
  "Persicaria sagittata": "ocrea",
  "Asclepias verticillata": "leaf-order",
  "Elaeagnus commutata": "leaf-ratio",
  "Liatris spicata": "leaf-shape",
};
/** What these are told by at any stage is left alone. */
function byOneLook(p: Pair): Pair {
  const only = p.unheld && TOLD_BY[p.unheld.name];
  if (!p.unheld || !only) return p.unheld?.name === "Decodon verticillatus" ? without(p, "leaf-base") : p;
  return {
    ...p,
    deciders: [{ stage: "any", characters: [only] }],
    unheld: { ...p.unheld, shows: p.unheld.shows.filter((s) => s.character === only) },
  };
}
const without = (p: Pair, character: string): Pair => ({
  ...p,
  deciders: p.deciders.map((d) => ({ ...d, characters: d.characters.filter((c) => c !== character) })),
  ...(p.unheld ? { unheld: { ...p.unheld, shows: p.unheld.shows.filter((s) => s.character !== character) } } : {}),
});
const model = buildModel({ ...shipped, pairs: shipped.pairs.map(byOneLook) });
const vine = model.taxonIndex.get("Persicaria perfoliata") as number;
const list = { ...loadList("otter-valley").status, "Persicaria perfoliata": "target" as const };
/** Everything that the mile-a-minute vine usually shows in fruit, but the check that tells it apart from the tearthumbs. */
const others = model.flora.characters.flatMap((c, i) =>
  c.id === "ocrea" ? [] : (usualLook(model, vine, i, "fruiting") ?? []),
);
const look = (character: string, state: string, of?: Observation["of"]): Observation => ({
  character,
  answer: "seen",
  states: [state],
  join: "any",
  sure: "sure",
  ...(of ? { of } : {}),
});
const given = (...more: Observation[]): Case =>
  caseFrom({ day: "2026-09-10", stage: "fruiting", list, observations: [...others, ...more] });

describe("a twin that is listed and not held", () => {
  it("stands in the way of a clear verdict until a look that parts the two was made, and is named", () => {
    const { verdict, because, next } = identify(model, given());
    expect(verdict).toBe("hold");
    expect(because).toMatch(/halberd-leaved tearthumb and arrow-leaved tearthumb are mistaken for it/);
    expect(next.action[0].character).toBe("ocrea");
    expect(next.action[0].why).toMatch(
      /^Tells Mile-a-minute weed from halberd-leaved tearthumb and arrow-leaved tearthumb, which are not in this flora/,
    );
  });
  it("is not out of the way by one look at one plant, which may be a slip, and is by the same on a second", () => {
    const once = look("ocrea", "saucer");
    const { verdict, because, next } = identify(model, given(once));
    expect(verdict).toBe("hold");
    expect(because).toMatch(/Only one check tells the two apart\. Make it on a second plant\.$/);
    expect(next.second).toEqual([
      expect.objectContaining({
        character: "ocrea",
        why: expect.stringMatching(
          /^This check alone tells Mile-a-minute weed from halberd-leaved tearthumb and arrow-leaved tearthumb/,
        ),
      }),
    ]);
    expect(next.action.map((check) => check.character)).not.toContain("ocrea");
    const twice = identify(model, given(withSecondPlant(once, once)));
    expect(twice.verdict).toBe("clear");
    expect(twice.next.second).toEqual([]);
    expect(decide(judge(model, given(withSecondPlant(once, { ...once, sure: "guess" })))).verdict).toBe("hold");
    const unlike = identify(model, given(withSecondPlant(once, look("ocrea", "papery"))));
    expect(unlike.verdict).toBe("hold");
    expect(unlike.next.second).toEqual([]);
  });
  it("asks for the second plant before all else towards an action, and never towards a name", () => {
    const j = judge(model, given(look("ocrea", "saucer")));
    const prospect = predictChecks(j);
    expect(towardsAction(j, prospect)[0]).toMatchObject({
      second: true,
      first: ["halberd-leaved tearthumb", "arrow-leaved tearthumb"].map((twin) => ({ twin, taxon: vine })),
    });
    expect(towardsName(j, prospect).some((check) => check.second)).toBe(false);
  });
  it("is named beside the plant that it is taken for, where another that is treated alike fits better", () => {
    const spurge = model.taxonIndex.get("Euphorbia esula") as number;
    const observations: Observation[] = [
      { character: "leaf-length", answer: "seen", join: "any", sure: "sure", value: 1.7 },
      { character: "leaf-pose", answer: "seen", join: "any", sure: "sure", states: ["crowded"] },
    ];
    const looked = () => identify(model, caseFrom({ day: "2026-06-15", stage: "flowering", list, observations }));
    for (let looks = 0; looks < 9 && !looked().because.includes("mistaken for"); looks++) {
      const { character } = looked().next.action[0];
      observations.push(
        usualLook(model, spurge, model.characterIndex.get(character) as number, "flowering") as Observation,
      );
    }
    const { because, candidates, next } = looked();
    expect(candidates[0].taxon).toBe("Euphorbia cyparissias");
    expect(because).toMatch(
      /^Cypress spurge fits\. But whorled milkweed is mistaken for Leafy spurge, which is treated the same here, and it is not in this flora\./,
    );
    expect([...next.second, ...next.action].map((check) => check.why)).toContainEqual(
      expect.stringMatching(/Leafy spurge from whorled milkweed, which is not in this flora/),
    );
  });
  it("stays where it is as the twin has it, or told nothing", () => {
    for (const answer of [
      look("ocrea", "papery"),
      { ...look("ocrea", "saucer"), answer: "cannot-tell" as const, states: undefined },
    ]) {
      const { verdict, twinsInTheWay: open } = decide(judge(model, given(answer)));
      expect(verdict).toBe("hold");
      expect(open.map((o) => o.twin.name)).toContain("Persicaria arifolia");
      expect(identify(model, given(answer)).next.later).toEqual([]);
    }
  });
  it.each<[string, Partial<Observation>, string]>([
    ["a guess", { states: ["saucer"], sure: "guess" }, "hold"],
    ["one of two, of which the twin has one", { states: ["saucer", "papery"] }, "hold"],
    ["seen in none of four plants", { states: ["saucer"], of: { yes: 0, n: 4 } }, "hold"],
    ["seen in all of four plants", { states: ["saucer"], of: { yes: 4, n: 4 } }, "clear"],
    ["seen in one of two plants", { states: ["saucer"], of: { yes: 1, n: 2 } }, "hold"],
    [
      "what the twin has, looked for and not found on one plant",
      { answer: "absent", states: ["papery", "fringed"] },
      "hold",
    ],
    ["a part of what the twin has, looked for and not found", { answer: "absent", states: ["papery"] }, "hold"],
  ])("weighs %s", (_, answer, verdict) =>
    expect(decide(judge(model, given({ ...look("ocrea", "saucer"), ...answer }))).verdict).toBe(verdict),
  );
  it.each<[string, Partial<Observation>, number]>([
    ["as the twin has it", { value: 2.1 }, 1],
    ["otherwise, read once", { value: 4.5 }, 1],
    ["otherwise, read twice", { values: [4.5, 4.8] }, 0],
    ["otherwise, but read no closer than that", { value: 3.1, half: 0.5 }, 1],
    ["hardly beyond it on two plants, as some of its own may be", { value: 2.9, other: 3 }, 1],
    ["a tenth beyond it on two plants", { value: 3.1, other: 3.2 }, 0],
    ["otherwise on two plants", { value: 4.5, other: 4.8 }, 0],
    ["otherwise on one plant, and as the twin has it on another", { value: 4.5, other: 2.1 }, 1],
    ["as the twin has it on one plant, and otherwise on another", { value: 2.1, other: 4.5 }, 1],
    ["of a part that is not there", { answer: "absent" }, 1],
  ])("weighs a number %s", (_, answer, left) => {
    const olive = model.taxonIndex.get("Elaeagnus angustifolia") as number;
    const observations = [
      { character: "plant-kind", states: ["tree"] },
      { character: "leaf-ratio", ...answer },
    ];
    expect(
      twinsOfPlantInTheWay(
        judge(model, caseFrom({ day: "2026-06-10", stage: "vegetative", list, observations })),
        olive,
      ),
    ).toHaveLength(left);
  });
  it("is parted at a later stage where nothing now can, and nothing seen is as it has it", () => {
    const loosestrife = model.taxonIndex.get("Lythrum salicaria") as number;
    const usual = model.flora.characters.flatMap((c, i) =>
      c.id === "leaf-stalk" ? [] : (usualLook(model, loosestrife, i, "vegetative") ?? []),
    );
    const notBlazingStar = usual.map((o) => (o.character === "leaf-shape" ? withSecondPlant(o, o) : o));
    const said = (stalk: Partial<Observation>) =>
      identify(
        model,
        caseFrom({
          day: "2026-05-20",
          stage: "vegetative",
          list,
          observations: [...notBlazingStar, { character: "leaf-stalk", ...stalk }],
        }),
      );
    expect(said({ answer: "cannot-tell" })).toMatchObject({
      verdict: "hold",
      nothingNow: true,
      next: {
        later: [
          {
            character: "cluster",
            stage: "flowering",
            from: "2026-07-01",
            parts: ["Lythrum salicaria", "swamp loosestrife"],
          },
        ],
      },
    });
    expect(said({ states: ["short"] })).toMatchObject({ verdict: "hold", nothingNow: true, next: { later: [] } });
    expect(said({ states: ["none"] }).nothingNow).toBeUndefined();
    expect(said({ states: ["none"], of: { yes: 2, n: 2 } }).verdict).toBe("clear");
  });
  it("makes the verdict hang on the look that put it out of the way", () => {
    const { verdict, slips } = identify(model, given(look("ocrea", "saucer", { yes: 2, n: 2 })));
    expect(verdict).toBe("clear");
    expect(slips).toContainEqual({ character: "ocrea", kind: "verdict-hangs-on-it" });
  });
  it("stays where nothing that parts the two can be seen", () => {
    const winter = judge(model, caseFrom({ day: "2026-01-10", stage: "winter", list, observations: [] }));
    for (const open of twinsOfPlantInTheWay(winter, vine)) expect(open.looks).toEqual([]);
    expect(twinsOfPlantInTheWay(winter, vine)).toHaveLength(2);
  });
  it("asks for nothing of plants that have no such twin, and of no pair that the simulation found", () => {
    const plain = model.taxonIndex.get("Ranunculus repens") as number;
    expect(twinsOfPlantInTheWay(judge(model, given()), plain)).toEqual([]);
    const { flora } = model;
    const found = buildModel({ ...flora, pairs: flora.pairs.map((p) => ({ ...p, found: true as const })) });
    expect(found.unscoredTwins.every((twins) => twins.length === 0)).toBe(true);
  });
  it("is looked for in every part that is listed, since one look may be a slip", () => {
    const rose = model.taxonIndex.get("Rosa multiflora") as number;
    const left = (...looks: Partial<Observation>[]) =>
      twinsOfPlantInTheWay(
        judge(
          model,
          caseFrom({
            day: "2026-06-10",
            stage: "vegetative",
            list,
            observations: [{ character: "plant-kind", states: ["shrub"] }, ...looks],
          }),
        ),
        rose,
      ).map((o) => o.twin.name);
    const fringed = { character: "stipules", states: ["fringed"] };
    expect(left(fringed)).toEqual(["Rosa setigera", "Rosa carolina"]);
    expect(left(fringed, { character: "prickle-shape", states: ["hooked"] })).toEqual(["Rosa setigera"]);
    expect(
      left(fringed, { character: "prickle-shape", states: ["hooked"] }, { character: "leaflets", value: 9 }),
    ).toEqual([]);
    expect(left(fringed, { character: "leaflets", answer: "cannot-tell" })).toEqual(["Rosa setigera", "Rosa carolina"]);
    expect(
      left({ ...fringed, answer: "cannot-tell", states: undefined }, { character: "leaflets", answer: "cannot-tell" }),
    ).toContain("Rosa setigera");
    expect(left(fringed, { character: "leaflets", value: 5 })).toContain("Rosa setigera");
  });
  it("that was taken for what it is by one look is looked at on a second plant, and is out of the way where that is otherwise", () => {
    const rose = model.taxonIndex.get("Rosa multiflora") as number;
    const usual = model.flora.characters.flatMap((c, i) =>
      c.id === "leaflets" ? [] : (usualLook(model, rose, i, "flowering") ?? []),
    );
    const seen = (leaflets: Partial<Observation>) =>
      identify(
        model,
        caseFrom({
          day: "2026-06-10",
          stage: "flowering",
          list: { ...list, "Rosa multiflora": "target" },
          observations: [...usual, { character: "leaflets", ...leaflets }],
        }),
      );
    const once = seen({ value: 5 });
    expect(once).toMatchObject({
      verdict: "hold",
      because: expect.stringContaining(
        "Some of what was seen matches it, and some does not. Make that check on a second plant",
      ),
      next: {
        second: [
          {
            character: "leaflets",
            why: expect.stringMatching(
              /^You counted 5 leaflets\. That matches climbing prairie rose, .* This plant may be unusual, or the part was misread\.$/,
            ),
          },
        ],
      },
    });
    expect(once.nothingNow).toBeUndefined();
    expect(seen({ value: 5, other: 9 }).verdict).toBe("clear");
    expect(seen({ value: 5, other: 5 })).toMatchObject({ verdict: "hold", nothingNow: true, next: { second: [] } });
  });
  it.each<[string, Partial<Observation>[], string[]]>([
    [
      "on one plant, of two looks that are listed",
      [
        { character: "stipules", states: ["free"] },
        { character: "prickle-shape", states: ["hooked"] },
      ],
      ["stipules"],
    ],
    [
      "on two plants",
      [
        { character: "stipules", states: ["free"], of: { yes: 2, n: 2 } },
        { character: "prickle-shape", states: ["hooked"] },
      ],
      [],
    ],
    [
      "in all that was told",
      [
        { character: "stipules", states: ["free"] },
        { character: "prickle-shape", states: ["straight"] },
      ],
      [],
    ],
    [
      "on one of two plants, and one look parts the two",
      [
        { character: "stipules", states: ["free"], of: { yes: 1, n: 2 }, other: "fringed" },
        { character: "prickle-shape", states: ["hooked"] },
      ],
      ["prickle-shape"],
    ],
  ])("as the twin has it %s, asks of a second plant", (_, observations, asked) => {
    const rose = model.taxonIndex.get("Rosa multiflora") as number;
    const open = twinsOfPlantInTheWay(
      judge(
        model,
        caseFrom({
          day: "2026-05-10",
          stage: "vegetative",
          list,
          observations: [{ character: "plant-kind", states: ["shrub"] }, ...observations],
        }),
      ),
      rose,
    );
    expect(open.find((o) => o.twin.name === "Rosa carolina")?.again.map((c) => model.flora.characters[c].id)).toEqual(
      asked,
    );
  });
  it("is what a plant taken out of the flora becomes for the plants that it is listed with, with what it shows of the parts that tell", () => {
    const rest = buildModel(removeTaxon(model.flora, model.taxonIndex.get("Celastrus scandens") as number));
    const held = rest.taxonIndex.get("Celastrus orbiculatus") as number;
    const twin = rest.unscoredTwins[held].find((t) => t.name === "Celastrus scandens");
    const deciders = new Set(twin?.deciders.flatMap((d) => d.characters));
    expect(twin?.shows.length).toBeGreaterThan(0);
    for (const { character } of twin?.shows ?? []) expect([...deciders]).toContain(character);
    const usual = rest.flora.characters.flatMap((_, c) => usualLook(rest, held, c, "fruiting") ?? []);
    const verdictOf = (observations: Observation[]) =>
      decide(
        judge(
          rest,
          caseFrom({
            day: "2026-09-20",
            stage: "fruiting",
            list: { "Celastrus orbiculatus": "target" },
            observations,
          }),
        ),
      );
    expect(verdictOf(usual).verdict).toBe("clear");
    const without = verdictOf(usual.filter((o) => !deciders.has(o.character)));
    expect(without.verdict).toBe("hold");
    expect(without.twinsInTheWay.flatMap((o) => o.looks).length).toBeGreaterThan(0);
  });
  it("brings nothing forward before a target would else be clear", () => {
    const early = judge(
      model,
      caseFrom({ day: "2026-09-10", stage: "fruiting", list, observations: others.slice(0, 2) }),
    );
    expect(towardsAction(early, predictChecks(early)).some((check) => check.first)).toBe(false);
  });
});
