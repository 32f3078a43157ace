import { readdirSync, readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { parse } from "yaml";
import { buildModel, namedStates, recordingOf, usuallySeen, variation } from "@/core/identify";
import { STAGES } from "@/core/flora";
import { currentFlora } from "@/flora/load";
import { loadList } from "./load";

const flora = currentFlora();
const names = new Set(flora.taxa.map((t) => t.name));

describe("every plant", () => {
  it("has a common name, a family, and months for its flower or its leaf", () => {
    for (const t of flora.taxa) {
      expect(t.common.length, t.name).toBeGreaterThan(0);
      expect(t.family, t.name).toMatch(/^[A-Z][a-z]+ceae$/);
      expect(t.calendar.vegetative ?? t.calendar.flowering, t.name).toBeDefined();
    }
  });
  it("says how it spreads, and how long its seed lives", () => {
    for (const t of flora.taxa) {
      expect(t.spread.length, t.name).toBeGreaterThan(0);
      if (t.seedYears) expect(t.seedYears[1], t.name).toBeGreaterThanOrEqual(t.seedYears[0]);
    }
  });
  it("has a ripe colour that its fruit is scored to have, where the fruit is fleshy", () => {
    const model = buildModel(flora);
    const index = (id: string) => model.characterIndex.get(id) as number;
    const kin: Record<string, string[]> = {
      purple: ["blue", "black", "red"],
      straw: ["silver", "white", "brown"],
      yellow: ["orange", "green"],
      "dark brown": ["brown", "black"],
      "red-brown": ["brown", "red"],
      grey: ["silver"],
    };
    const fleshy = [...flora.taxa.keys()].filter(
      (t) =>
        namedStates(model, t, index("fruit-kind"), "fruiting").some((kind) =>
          ["berry", "hip", "haw", "bramble"].includes(kind),
        ) && flora.taxa[t].ripeSeed,
    );
    expect(fleshy.length).toBeGreaterThan(60);
    const odd = fleshy.filter((t) => {
      const scored = namedStates(model, t, index("fruit-colour"), "fruiting", 8);
      return (
        scored.length > 0 &&
        !flora.taxa[t].ripeSeed?.some((colour) => [colour, ...(kin[colour] ?? [])].some((c) => scored.includes(c)))
      );
    });
    expect(odd.map((t) => flora.taxa[t].name)).toEqual([]);
  });
  it("that is a shrub or a tree of cold winters says when its bark slips, and nothing that is not woody does", () => {
    const woody = flora.taxa.filter((t) => ["shrub", "tree", "liana"].includes(t.lifeForm));
    expect(woody.filter((t) => t.barkSlips).length).toBeGreaterThanOrEqual(60);
    for (const t of flora.taxa) if (t.barkSlips) expect(woody, t.name).toContain(t);
  });
  it("carries no other plant's accepted name as a synonym", () => {
    for (const t of flora.taxa)
      for (const synonym of t.synonyms) expect(names.has(synonym), `${t.name}: ${synonym}`).toBe(false);
  });
  it("crosses only with plants that cross with it", () => {
    for (const t of flora.taxa) {
      for (const other of t.interfertile) {
        const partner = flora.taxa.find((x) => x.name === other);
        if (partner) expect(partner.interfertile, `${t.name} × ${other}`).toContain(t.name);
      }
    }
  });
  it("that burns the skin says so to people", () => {
    for (const t of flora.taxa)
      if (t.hazards.contact) expect(t.hazards.people ?? t.hazards.handling, t.name).toBeDefined();
  });
  it("is scored as a seedling or in winter only where its calendar has that stage, or the line is shared by its group", () => {
    const late = flora.taxa.filter(
      (t) => !t.calendar.flowering && flora.scores.some((s) => flora.taxa[s.taxon] === t && s.stage === "flowering"),
    );
    expect(late.map((t) => t.name)).toEqual([]);
  });
});

describe("every set", () => {
  it("has at least eight plants and was read again with at least four objections", () => {
    for (const set of flora.sets) {
      expect(set.taxa.length, set.id).toBeGreaterThanOrEqual(8);
      expect(set.read?.objections, set.id).toBeGreaterThanOrEqual(4);
      expect(new Set(set.taxa).size, set.id).toBe(set.taxa.length);
    }
  });
  it("lets a plant of another set stand in it without being written twice", () => {
    const bindweed = flora.taxa.find((t) => t.name === "Convolvulus arvensis");
    expect(bindweed?.sets).toEqual(expect.arrayContaining(["climbers", "twiners", "knotgrasses-crops"]));
    expect(flora.taxa.filter((t) => t.name === "Convolvulus arvensis")).toHaveLength(1);
  });
  it("keeps each reading's objections whole: what about, what was said, what became of it", () => {
    for (const file of readdirSync("flora/readings")) {
      const reading = parse(readFileSync(`flora/readings/${file}`, "utf8"));
      expect(reading.by.length, file).toBeGreaterThan(20);
      for (const o of reading.objections)
        for (const field of ["about", "objection", "outcome"])
          expect(o[field]?.length, `${file} ${o.about}`).toBeGreaterThan(3);
    }
  });
});

/** Stations of which a check tells the plant rather than its place or its bearing. */
const PLAIN = [
  "collar",
  "head",
  "grass-seedling",
  "underground",
  "seedling",
  "flower",
  "umbel",
  "composite",
  "fruit",
  "water",
];

describe("pairs that people take for one another", () => {
  const written = flora.pairs.filter((p) => !p.found);
  it("say the mistake in words, and each pair once", () => {
    for (const p of written) expect(p.mistake.length, `${p.a} ${p.b}`).toBeGreaterThan(8);
    const keys = flora.pairs.map((p) => [p.a, p.b].sort().join(" "));
    expect(keys.filter((k, i) => keys.indexOf(k) !== i)).toEqual([]);
  });
  it("have a decider at some stage, unless it is said why nobody can part them", () => {
    for (const p of written)
      if (!p.inseparable)
        expect(
          p.deciders.some((d) => d.characters.length > 0),
          `${p.a} ${p.b}`,
        ).toBe(true);
  });
  it("say at each stage of both by what they part then, where a look at the plant itself does", () => {
    const model = buildModel(flora);
    const silent: string[] = [];
    for (const p of written.filter((p) => !p.unheld)) {
      const [a, b] = [p.a, p.b].map((id) => flora.taxa.findIndex((t) => t.id === id));
      for (const stage of STAGES.filter((s) => flora.taxa[a].calendar[s] && flora.taxa[b].calendar[s])) {
        const parting = flora.characters.filter(
          (ch, c) =>
            PLAIN.includes(ch.station) &&
            !ch.touch &&
            !ch.destroys &&
            !ch.compares &&
            ch.stages.includes(stage) &&
            [a, b].every((t) => usuallySeen(model, t, c, stage) && recordingOf(model, t, c) === "recorded") &&
            variation({ model }, c, a, b, STAGES.indexOf(stage)) >= 0.6,
        );
        const listed = p.deciders.filter((d) => d.stage === stage || d.stage === "any").flatMap((d) => d.characters);
        if (parting.length > 0 && listed.length === 0 && !p.notAt?.includes(stage))
          silent.push(`${p.a} / ${p.b}, ${stage}: ${parting.map((ch) => ch.id).join(", ")}`);
      }
    }
    expect(silent).toEqual([]);
  });
  it("name any two plants of one genus, but a climber and one that stands by itself", () => {
    const listed = new Set(written.flatMap((p) => [`${p.a} ${p.b}`, `${p.b} ${p.a}`]));
    const climbs = (t: (typeof flora.taxa)[number]) => t.lifeForm === "vine" || t.lifeForm === "liana";
    const left = flora.taxa.flatMap((a, i) =>
      flora.taxa
        .slice(i + 1)
        .filter((b) => a.genus === b.genus && climbs(a) === climbs(b) && !listed.has(`${a.id} ${b.id}`))
        .map((b) => `${a.name} / ${b.name}`),
    );
    expect(left).toEqual([]);
  });
  it("decide only by what can be seen at that stage", () => {
    const wrong: string[] = [];
    const canBeSeen = (id: string, stage: (typeof STAGES)[number]) => {
      const character = flora.characters.find((c) => c.id === id);
      return character?.stages.includes(stage) || (stage === "winter" && character?.winter !== undefined);
    };
    for (const p of written) {
      for (const { stage, characters } of p.deciders) {
        if (stage === "any" || !(STAGES as readonly string[]).includes(stage)) continue;
        for (const id of characters) if (!canBeSeen(id, stage)) wrong.push(`${p.a} / ${p.b}: ${id} ${stage}`);
      }
    }
    expect(wrong.length / written.length, wrong.slice(0, 20).join("; ")).toBe(0);
  });
});

describe("the three invented lists", () => {
  it.each(["otter-valley", "elm-county", "far-isles"])("%s names plants of the flora, each with one status", (id) => {
    const { status } = loadList(id);
    for (const name of Object.keys(status)) expect(names, name).toContain(name);
    const text = readFileSync(`flora/lists/${id}.yaml`, "utf8");
    const raw = parse(text).status as Record<string, string[]>;
    const all = Object.values(raw).flat();
    expect(all.filter((n, i) => all.indexOf(n) !== i)).toEqual([]);
  });
  it("put most plants on both sides, so that trials meet every plant as target and as kept", () => {
    const lists = ["otter-valley", "elm-county", "far-isles"].map((id) => loadList(id).status);
    const sides = flora.taxa.filter((t) => {
      const target = lists.map((l) => l[t.name] === "target" || l[t.name] === "watch");
      return target.some(Boolean) && !target.every(Boolean);
    });
    expect(sides.length / flora.taxa.length).toBeGreaterThan(0.6);
  });
});
