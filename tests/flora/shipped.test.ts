import fc from "fast-check";
import { caseFrom } from "../support/tiny-flora";
import { describe, expect, it } from "vitest";
import {
  buildModel,
  type Case,
  decide,
  describeScore,
  predictChecks,
  identify,
  judge,
  type Lens,
  newMemory,
  type Observation,
  type ObservationInput,
  towardsAction,
  towardsName,
} from "@/core/identify";
import { type Stage, stageShares } from "@/core/flora";
import { currentFlora, loadList } from "@/flora/load";

const model = buildModel(currentFlora());
const list = loadList("otter-valley");
const c = (id: string) => model.characterIndex.get(id) as number;
const t = (name: string) => model.taxonIndex.get(name) as number;

const look = (day: string, stage: Stage, saw: Record<string, string | number>, site?: string) =>
  identify(model, caseOf(day, stage, saw, site));

function caseOf(day: string, stage: Stage, saw: Record<string, string | number>, site?: string) {
  const observations: ObservationInput[] = Object.entries(saw).map(([character, value]) =>
    typeof value === "number" ? { character, value } : { character, states: [value] },
  );
  return caseFrom({
    day,
    stage,
    list: { ...list.status, ...(site ? list.sites[site] : {}) },
    actions: list.actions,
    observations,
  });
}

/** The same answer is one object for all cases of a list, so that what it says is worked out once. */
function sharing() {
  const memory = newMemory();
  const known = new Map<string, Observation>();
  const own = (o: Observation) => {
    const key = JSON.stringify(o);
    return known.get(key) ?? (known.set(key, o).get(key) as Observation);
  };
  return (given: Case) => judge(model, { ...given, observations: given.observations.map(own) }, memory);
}

/** The valley's stories, each with the twin that must be kept. */
describe("the stories of the valley", () => {
  it("a giant umbel and its native cousin", () => {
    const giant = {
      "plant-kind": "herb",
      "stem-marks": "blotched",
      "stem-hair": "bristly",
      "leaf-length": 100,
      "stalk-foot": "bladder",
      "leaf-lobes": "deep",
      "leaf-edge": "coarse",
      "stem-hollow": "hollow",
      "stem-ridges": "ridged",
    };
    expect(look("2026-06-05", "vegetative", giant).candidates[0].taxon).toBe("Heracleum mantegazzianum");
    const cousin = look("2026-06-05", "vegetative", {
      ...giant,
      "stem-marks": "plain",
      "stem-hair": "woolly",
      "leaf-length": 35,
      "leaf-kind": "three",
    });
    expect(cousin.candidates[0].taxon).toBe("Heracleum maximum");
    expect(cousin.verdict).not.toBe("clear");
  });

  it("a shade grass: the tube of the sheath parts it from the native brome", () => {
    const both = {
      "plant-kind": "grasslike",
      light: "shade",
      "sheath-hair": "long",
      "blade-hair": "long",
      "blade-width": 8,
      "blade-form": "flat",
      auricles: "none",
      "ligule-kind": "membrane",
    };
    expect(look("2026-05-10", "vegetative", both).verdict).not.toBe("clear");
    expect(
      look("2026-05-10", "vegetative", { ...both, "sheath-closure": "open", tone: "yellow-green" }).candidates[0].taxon,
    ).toBe("Brachypodium sylvaticum");
    const native = look("2026-05-10", "vegetative", { ...both, "sheath-closure": "closed" });
    expect(native.candidates[0].taxon).toBe("Bromus vulgaris");
    expect(native.verdict).not.toBe("clear");
  });

  it("two brambles, one kept", () => {
    const shared = { "plant-kind": "shrub", arms: "prickles", "leaf-edge": "coarse" };
    expect(
      look("2026-05-20", "vegetative", {
        ...shared,
        "cane-section": "furrowed",
        "prickle-shape": "hooked",
        "leaf-hair-below": "felt",
        "leaf-kind": "palmate",
        stance: "arching",
      }).candidates[0].taxon,
    ).toBe("Rubus armeniacus");
    const native = look("2026-05-20", "vegetative", {
      ...shared,
      "cane-section": "round",
      "prickle-shape": "slender",
      "cane-bloom": "light",
      "leaf-kind": "three",
      stance: "trailing",
    });
    expect(native.candidates[0].taxon).toBe("Rubus ursinus");
    expect(native.verdict).toBe("keep");
  });

  it("a yellow daisy poisonous in hay, next to a native one", () => {
    const both = {
      "plant-kind": "herb",
      "flower-kind": "daisy",
      "flower-colour": "yellow",
      cluster: "flat",
      "leaf-order": "alternate",
    };
    expect(
      look("2026-07-15", "flowering", {
        ...both,
        "leaf-lobes": "deep",
        "ray-number": 13,
        "stem-leaf-foot": "clasping",
        "bract-tips": "black",
      }).candidates[0].taxon,
    ).toBe("Jacobaea vulgaris");
    expect(
      look("2026-07-15", "flowering", {
        ...both,
        "leaf-lobes": "none",
        "leaf-shape": "arrow",
        "ray-number": 8,
        wetness: "wet",
      }).candidates[0].taxon,
    ).toBe("Senecio triangularis");
  });

  it("an escaped clematis over the native one: the flowers tell, and until then it holds", () => {
    const both = {
      "plant-kind": "climber",
      "climbs-by": "leaf-stalk",
      "leaf-order": "opposite",
      "leaf-kind": "pinnate",
      leaflets: 5,
    };
    const spring = look("2026-05-20", "vegetative", both);
    expect(spring.verdict).not.toBe("clear");
    expect(
      look("2026-08-10", "flowering", { ...both, "flower-sex": "male", "flower-colour": "white" }).candidates[0].taxon,
    ).toBe("Clematis ligusticifolia");
  });

  it("a water weed at the landing: count the threads", () => {
    const both = { "plant-kind": "water-plant", "water-plan": "whorled", "water-leaf": "feather", "whorl-number": 4 };
    expect(
      look("2026-07-15", "vegetative", { ...both, "leaf-pairs": 16, "out-of-water": "limp" }).candidates[0].taxon,
    ).toBe("Myriophyllum spicatum");
    expect(
      look("2026-07-15", "vegetative", { ...both, "leaf-pairs": 7, "out-of-water": "holds" }).candidates[0].taxon,
    ).toBe("Myriophyllum sibiricum");
  });

  it("the same grass is the crop in one field and a target above it", () => {
    const fescue = {
      "plant-kind": "grasslike",
      "blade-upper": "ribbed",
      auricles: "stubs",
      "blade-width": 8,
      "youngest-leaf": "rolled",
      "sheath-hair": "none",
      "ligule-height": 1,
      clump: "dense-tuft",
      "sheath-closure": "open",
      "shoot-section": "round",
    };
    expect(look("2026-05-10", "vegetative", fescue).candidates[0].status).toBe("crop");
    expect(look("2026-05-10", "vegetative", fescue, "Upper Oaks").candidates[0].status).toBe("target");
  });
});

describe("on the whole shipped flora", () => {
  it("judges every plant's own typical answers among its first three, in flower and leaf", () => {
    const judged = sharing();
    let missed = 0;
    let all = 0;
    model.flora.taxa.forEach((taxon, own) => {
      for (const stage of ["vegetative", "flowering"] as const) {
        if (!taxon.calendar[stage]) continue;
        const saw: Record<string, string> = {};
        for (const [character, scores] of model.scoresOf[own]) {
          const { id, states, stages } = model.flora.characters[character];
          const shares = scores.find((s) => !s.stage || s.stage === stage)?.shares;
          if (shares && stages.includes(stage)) saw[id] = states[shares.indexOf(Math.max(...shares))].id;
        }
        const [first] = taxon.calendar[stage][0];
        const { taxa } = judged(caseOf(`2026-${String(first).padStart(2, "0")}-20`, stage, saw)).flat;
        all++;
        if (taxa.filter((share) => share > taxa[own]).length > 2) missed++;
      }
    });
    expect(all).toBeGreaterThan(240);
    expect(missed / all).toBeLessThan(0.02);
  });

  it("clears no kept plant on its own typical answers, in any of the three districts", () => {
    for (const id of ["otter-valley", "elm-county", "far-isles"]) {
      const status = loadList(id).status;
      const judged = sharing();
      for (const [own, taxon] of model.flora.taxa.entries()) {
        if (["target", "watch"].includes(status[taxon.name])) continue;
        const observations: ObservationInput[] = [...model.scoresOf[own]].flatMap(([character, scores]) => {
          const { id: name, states, stages } = model.flora.characters[character];
          const shares = scores.find((s) => !s.stage)?.shares;
          return shares && stages.includes("vegetative")
            ? [{ character: name, states: [states[shares.indexOf(Math.max(...shares))].id] }]
            : [];
        });
        if (observations.length === 0) continue;
        const verdict = decide(
          judged(caseFrom({ day: "2026-06-01", stage: "vegetative", list: status, observations })),
        ).verdict;
        expect(verdict, `${taxon.name} in ${id}`).not.toBe("clear");
      }
    }
  });

  it("asks for the kind of plant early, and for no collar before it is known to be a grass", () => {
    const start = judge(model, caseFrom({ day: "2026-05-20", stage: "vegetative", list: list.status }));
    const prospect = predictChecks(start);
    for (const order of [towardsAction(start, prospect), towardsName(start, prospect)]) {
      expect(order.slice(0, 2).map((x) => model.flora.characters[x.character].id)).toContain("plant-kind");
      expect(order.map((x) => model.flora.characters[x.character].station)).not.toContain("collar");
    }
    const grass = judge(
      model,
      caseFrom({
        day: "2026-05-20",
        stage: "vegetative",
        list: list.status,
        observations: [{ character: "plant-kind", states: ["grasslike"] }],
      }),
    );
    expect(
      towardsName(grass, predictChecks(grass))
        .slice(0, 6)
        .map((x) => model.flora.characters[x.character].station),
    ).toContain("collar");
  });

  it("puts first what a lens looks at, of a grass and of a bare shrub, and nothing that tells nothing", () => {
    const told = (stage: "vegetative" | "winter", kind: string, day: string) =>
      judge(
        model,
        caseFrom({
          day,
          stage,
          list: list.status,
          kit: ["lens", "ruler", "knife", "trowel", "gloves"],
          observations: [{ character: "plant-kind", states: [kind] }],
        }),
      );
    const [grass, shrub] = [told("vegetative", "grasslike", "2026-05-20"), told("winter", "shrub", "2026-01-20")];
    const first = (judgement: typeof grass, lens: Lens) =>
      [towardsName, towardsAction].map(
        (towards) => model.flora.characters[towards(judgement, predictChecks(judgement), lens)[0].character],
      );
    for (const character of first(grass, "collar")) expect(character.station).toBe("collar");
    for (const character of first(grass, "touch")) expect(["hair", "texture", "stem-build"]).toContain(character.block);
    for (const character of first(grass, "dig")) expect(character.destroys || character.block === "root").toBe(true);
    for (const character of first(grass, "distance")) expect(["distance", "setting"]).toContain(character.station);
    for (const character of first(shrub, "bark"))
      expect(["bark", "inner", "buds", "arms", "cane", "stand"]).toContain(character.block);
    expect(first(grass, "bark")).toEqual(first(grass, null));
  });

  it("says that a kept plant fits by looks alone, where the field shows it as hardly to be found here", () => {
    const looks = {
      "plant-kind": "herb",
      "dead-stems": "ribbed",
      "leaf-lobes": "deep",
      "leaf-kind": "simple",
      "stem-hair": "bristly",
    };
    const given = {
      day: "2026-06-09",
      stage: "vegetative",
      list: list.status,
      observations: Object.entries(looks).map(([character, state]) => ({ character, states: [state] })),
    };
    const [anywhere, river] = [
      given,
      {
        ...given,
        setting: { ground: ["riverbank"], light: ["half"], wetness: ["moist"] },
        confirmed: { "Heracleum mantegazzianum": 40 },
      },
    ].map((of) => judge(model, caseFrom(of)));
    const radish = t("Raphanus raphanistrum");
    expect(river.local.taxa[radish]).toBeLessThan(0.005);
    expect(river.flat.taxa[radish]).toBe(anywhere.flat.taxa[radish]);
    const reason = (of: typeof river) => identify(model, of.case).because;
    expect(reason(river)).toMatch(
      /^By appearance alone Wild radish and .+ still fit, however rare here\. They are not to be treated here\./,
    );
    expect(reason(anywhere)).toMatch(/^Wild radish and .+ still fit\./);
  });

  it("says in words what a plant shows, and nothing where nothing is recorded", () => {
    expect(describeScore({ model }, t("Heracleum mantegazzianum"), c("stem-marks"), "vegetative")).toContain(
      "purple blotches",
    );
    expect(describeScore({ model }, t("Heracleum mantegazzianum"), c("leaf-length"), "vegetative")).toBe(
      "60 to 150 cm",
    );
    expect(describeScore({ model }, t("Vincetoxicum rossicum"), c("seed-leaf"), "seedling")).toBe("");
  });

  it("has every plant in some stage on every day of the year", () => {
    for (const taxon of model.flora.taxa)
      for (let day = 0; day < 365; day += 20)
        expect(stageShares(taxon, day).reduce((a, b) => a + b, 0)).toBeCloseTo(1, 9);
  });
});

describe("answers to everything at once, one against the other", () => {
  it("stay numbers for every plant, though none of them fits", () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 999 }), (k) => {
        const observations = model.flora.characters
          .filter((c) => c.states.length > 0 && !c.compares)
          .map((c, i) => ({ character: c.id, states: [c.states[(7 * i + k) % c.states.length].id] }));
        const { flat, likelihoods } = judge(
          model,
          caseFrom({ day: "2026-07-01", stage: "flowering", list: {}, observations }),
        );
        expect(likelihoods.taxa.every((chance) => chance > 0)).toBe(true);
        expect(flat.unknown + [...flat.taxa, ...flat.crosses].reduce((a, b) => a + b, 0)).toBeCloseTo(1, 9);
      }),
      { numRuns: 12 },
    );
  });
});
