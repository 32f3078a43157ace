import { describe, expect, it } from "vitest";
import { buildModel, identify, type ObservationInput } from "@/core/identify";
import type { Stage } from "@/core/flora";
import { currentFlora, loadList } from "@/flora/load";
import { caseFrom } from "../support/tiny-flora";

/** What people bring in from fields, pastures, woods and shores, told as they would tell it, and what must come of it. */
const flora = currentFlora();
const model = buildModel(flora);
const otter = loadList("otter-valley");
const elm = loadList("elm-county");

type Seen = Record<string, string | string[] | number>;
function look(stage: Stage, day: string, saw: Seen, list = otter) {
  const observations: ObservationInput[] = Object.entries(saw).map(([character, value]) =>
    typeof value === "number" ? { character, value } : { character, states: [value].flat() },
  );
  return identify(model, caseFrom({ day, stage, list: list.status, actions: list.actions, observations }));
}
const first = (answer: ReturnType<typeof look>, n = 1) => answer.candidatesFlat.slice(0, n).map((c) => c.taxon);

describe("in the field", () => {
  it("a wild oat in barley is known by its missing claws and the way its blade turns", () => {
    const answer = look("vegetative", "2026-04-20", {
      "plant-kind": "grasslike",
      ground: "field",
      auricles: "none",
      "blade-twist": "anticlockwise",
      "ligule-kind": "membrane",
      "ligule-height": 4,
      "blade-hair": "fine",
      pull: "annual",
    });
    expect(first(answer, 2)).toContain("Avena fatua");
    expect(first(answer, 4)).not.toContain("Hordeum vulgare");
  });
  it("barley is the crop: it is kept, not cleared", () => {
    const answer = look("vegetative", "2026-05-01", {
      "plant-kind": "grasslike",
      ground: "field",
      auricles: "claws",
      "auricle-hair": "none",
      "blade-twist": "clockwise",
      "ligule-kind": "membrane",
      "blade-hair": "none",
      "youngest-leaf": "rolled",
      pull: "annual",
    });
    expect(first(answer, 2)).toContain("Hordeum vulgare");
    expect(answer.verdict).not.toBe("clear");
  });
  it("the fold test parts the worst amaranth from the common one", () => {
    const base: Seen = {
      "plant-kind": "herb",
      ground: "field",
      "leaf-order": "alternate",
      "stem-hair": "none",
      "leaf-edge": "smooth",
      "leaf-shape": "diamond",
    };
    expect(first(look("vegetative", "2026-07-01", { ...base, "stalk-ratio": 1.4 }))).toEqual(["Amaranthus palmeri"]);
    expect(
      first(
        look("vegetative", "2026-07-01", { ...base, "leaf-shape": "lance", "stalk-ratio": 0.4, "leaf-gloss": "shiny" }),
      ),
    ).toEqual(["Amaranthus tuberculatus"]);
  });
  it("three corners and nuts at the ends of threads: no grass", () => {
    expect(
      first(
        look("vegetative", "2026-07-10", {
          "plant-kind": "grasslike",
          "shoot-section": "triangular",
          "tuber-place": "ends",
          "root-kind": "tubers",
          tone: "yellow-green",
        }),
      ),
    ).toEqual(["Cyperus esculentus"]);
  });
  it("a hairy vine with ivy leaves in soya is a morning glory, and its bald bindweed neighbour is not", () => {
    const answer = look(
      "vegetative",
      "2026-07-10",
      {
        "plant-kind": "climber",
        ground: "field",
        "climbs-by": "twining",
        "leaf-lobes": "deep",
        "lobe-plan": "fan",
        "stem-hair": "soft",
        "hair-posture": "standing",
        "leaf-base": "heart",
      },
      elm,
    );
    expect(first(answer)).toEqual(["Ipomoea hederacea"]);
    expect(first(answer, 3)).not.toContain("Convolvulus arvensis");
  });
});

describe("in the pasture", () => {
  it("milk parts the spurge from the toadflax", () => {
    const base: Seen = {
      "plant-kind": "herb",
      ground: "grassland",
      clump: "patch",
      "leaf-shape": "linear",
      "leaf-order": "alternate",
      "leaf-edge": "smooth",
      "root-kind": "creeping",
      "stem-hair": "none",
    };
    expect(
      first(look("vegetative", "2026-05-10", { ...base, sap: "milky" }), 2).every((name) =>
        name.startsWith("Euphorbia"),
      ),
    ).toBe(true);
    expect(first(look("vegetative", "2026-05-10", { ...base, sap: "clear" }), 2)).toContain("Linaria vulgaris");
  });
  it("a thistle without wings, white beneath, is not the bull thistle", () => {
    const answer = look("flowering", "2026-08-20", {
      "plant-kind": "herb",
      arms: "leaf-spines",
      "leaf-hair-below": "felt",
      "stem-wings": "none",
      "leaf-hair-above": "few",
      "leaf-lobes": "deep",
      pappus: "feathery",
    });
    expect(first(answer)).toEqual(["Cirsium discolor"]);
    expect(answer.verdict).not.toBe("clear");
  });
  it("black-fringed bracts on a grey plant are spotted knapweed", () => {
    expect(
      first(
        look("flowering", "2026-07-20", {
          "plant-kind": "herb",
          "bract-end": "comb",
          "bract-tips": "black",
          "flower-colour": "pink",
          tone: "blue-grey",
          arms: "none",
          wetness: "dry",
        }),
      ),
    ).toEqual(["Centaurea stoebe"]);
  });
  it("out of flower the deadly bulb and the camas are never parted with confidence, and neither is cleared", () => {
    const answer = look("vegetative", "2026-04-15", {
      "plant-kind": "herb",
      ground: "grassland",
      "leaf-shape": "linear",
      "leaf-order": "basal",
      "root-kind": "bulb",
      "leaf-edge": "smooth",
    });
    expect(first(answer, 2).sort()).toEqual(["Camassia quamash", "Toxicoscordion venenosum"]);
    expect(answer.named).toBe(false);
    expect(answer.verdict).not.toBe("clear");
  });
});

describe("in the wood and on the shore", () => {
  it("foxglove is not comfrey: blunt teeth and a soft leaf", () => {
    expect(
      first(
        look("vegetative", "2026-04-20", {
          "plant-kind": "herb",
          "leaf-order": "basal",
          "leaf-edge": "blunt",
          "leaf-hair-above": "soft",
          "leaf-hair-below": "soft",
          "leaf-shape": "lance",
          "stalk-foot": "wings",
        }),
      ),
    ).toEqual(["Digitalis purpurea"]);
    expect(
      first(
        look("vegetative", "2026-04-20", {
          "plant-kind": "herb",
          "leaf-order": "basal",
          "leaf-edge": "smooth",
          "leaf-hair-above": "rough",
          "stem-hair": "bristly",
          "leaf-shape": "lance",
          "stem-wings": "whole",
        }),
      ),
    ).toEqual(["Symphytum officinale"]);
  });
  it("garlic on the fingers", () => {
    expect(
      first(
        look("vegetative", "2026-03-25", {
          "plant-kind": "herb",
          smell: "garlic",
          "leaf-shape": "kidney",
          "leaf-edge": "blunt",
          "leaf-order": "basal",
          light: "shade",
        }),
      ),
    ).toEqual(["Alliaria petiolata"]);
  });
  it("green late, orange beneath the bark, buds almost in pairs", () => {
    expect(
      first(
        look("fruiting", "2026-11-05", {
          "plant-kind": "shrub",
          "late-leaf": "late",
          "wood-colour": "orange",
          "fruit-colour": "black",
          "vein-run": "arched",
          "leaf-edge": "fine",
        }),
      ),
    ).toEqual(["Rhamnus cathartica"]);
  });
  it("glands at the foot of the leaflet: tree of heaven, not the sumac", () => {
    const answer = look("vegetative", "2026-06-20", {
      "plant-kind": "tree",
      "leaf-kind": "pinnate",
      leaflets: 21,
      "stalk-glands": "teeth",
      smell: "foul",
      "leaf-edge": "smooth",
      "stem-hair": "none",
    });
    expect(first(answer)).toEqual(["Ailanthus altissima"]);
  });
  it("the chestnut shining stem is the native reed, which stays", () => {
    const answer = look("flowering", "2026-09-15", {
      "plant-kind": "grasslike",
      "head-kind": "plume",
      wetness: "wet",
      "culm-skin": "glossy",
      "ligule-height": 1.4,
      "sheath-foot": "red",
      tone: "yellow-green",
      "blade-width": 22,
    });
    expect(first(answer)).toEqual(["Phragmites australis subsp. americanus"]);
    expect(answer.verdict).not.toBe("clear");
  });
  it("square, paired and clasping in the marsh: loosestrife; one by one and small: its native kin", () => {
    expect(
      first(
        look("flowering", "2026-07-25", {
          "plant-kind": "herb",
          wetness: "wet",
          "stem-section": "square",
          "leaf-order": "opposite",
          "flower-colour": "purple",
          cluster: "spike",
          petals: 6,
          "leaf-length": 7,
          height: 130,
        }),
      ),
    ).toEqual(["Lythrum salicaria"]);
    expect(
      first(
        look("flowering", "2026-07-25", {
          "plant-kind": "herb",
          wetness: "wet",
          "stem-section": "square",
          "leaf-order": "alternate",
          "flower-colour": "purple",
          cluster: "axils",
          petals: 6,
          "leaf-length": 2.5,
          height: 60,
          "flower-width": 10,
        }),
      ),
    ).toEqual(["Lythrum alatum"]);
  });
});
