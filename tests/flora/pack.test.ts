import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { buildModel, judge } from "@/core/identify";
import {
  amendFlora,
  type Amendment,
  amendmentTables,
  checkAmendment,
  lineText,
  type PackTable,
  packTables,
  PLANT_KEY,
  readPackRows,
  readScore,
  SHARE_WORDS,
  twinKey,
  writeScore,
} from "@/core/pack";
import { currentFlora } from "@/flora/load";
import { caseFrom } from "../support/tiny-flora";

const flora = currentFlora();
const hogweed = "Heracleum mantegazzianum";
const states = ["a", "b", "c", "d"];
const near = (a: number[] = [], b: number[] = []) =>
  a.length === b.length && a.every((x, i) => Math.abs(x - b[i]) < 0.02);

describe("a score in words", () => {
  it("written and read again is the same but for rounding", () => {
    const word = fc.constantFrom(...Object.keys(SHARE_WORDS).filter((w) => w !== "never"));
    const text = fc
      .tuple(
        fc.uniqueArray(fc.constantFrom(...states), { minLength: 1, maxLength: 3 }),
        fc.array(word, { minLength: 3, maxLength: 3 }),
        fc.constantFrom("", " ~sure", " ~likely", " ~doubtful"),
      )
      .map(([ids, words, doubt]) => ids.map((id, i) => `${id} ${words[i]}`).join(", ") + doubt);
    fc.assert(
      fc.property(text, (given) => {
        const read = readScore(given, states);
        const again = readScore(writeScore(read, states), states);
        expect(near(read.shares, again.shares)).toBe(true);
        expect(again.confidence).toBeCloseTo(read.confidence, 6);
      }),
      { seed: 61 },
    );
  });
  it("keeps the words of the botanist where no state was left out of scale", () => {
    expect(writeScore(readScore("b usually, a sometimes ~likely", states), states)).toBe(
      "b usually, a sometimes ~likely",
    );
    expect(writeScore(readScore("2 3 5.5 7 ~doubtful", []), [])).toBe("2 3 5.5 7 ~doubtful");
    expect(writeScore(readScore("n/a", states), states)).toBe("n/a");
  });
});

describe("an amendment", () => {
  it("changes its own line and nothing else, and the version tells", () => {
    const before = lineText(flora, hogweed, "stem-marks");
    const after = amendFlora(flora, [{ taxon: hogweed, key: "stem-marks", value: "plain always" }]);
    expect(lineText(after, hogweed, "stem-marks")).toBe("plain always");
    expect(before).not.toBe("plain always");
    expect(after.scores.length).toBe(flora.scores.length);
    expect(lineText(flora, hogweed, "stem-marks")).toBe(before);
    expect(after.version).toMatch(new RegExp(`^${flora.version}\\+[0-9a-f]{8}$`));
  });
  it("can make a line, and take it out again", () => {
    const made = amendFlora(flora, [{ taxon: hogweed, key: "leaf-edge@low+seedling", value: "fine usually" }]);
    expect(made.scores.length).toBe(flora.scores.length + 1);
    const gone = amendFlora(made, [{ taxon: hogweed, key: "leaf-edge@low+seedling", value: null }]);
    expect(lineText(gone, hogweed, "leaf-edge@low+seedling")).toBeNull();
  });
  it.each([
    ["taxon", { taxon: "Nullus verus", key: "sap", value: "clear" }],
    ["character", { taxon: hogweed, key: "no-such", value: "clear" }],
    ["where", { taxon: hogweed, key: "sap@moonlight", value: "clear" }],
    ["score", { taxon: hogweed, key: "sap", value: "gold always" }],
    ["score", { taxon: hogweed, key: "height", value: "4 3 2 1" }],
    ["character", { taxon: hogweed, key: "ligule-kind", value: "membrane" }],
  ])("that is wrong in its %s is refused, naming it", (field, amendment) => {
    expect(() => checkAmendment(flora, amendment)).toThrowError(expect.objectContaining({ field }));
  });
});

const fileRows = (table: PackTable, rows: unknown[]) => rows.map((row, i) => ({ table, line: i + 2, row }));

describe("a pack", () => {
  const tables = packTables(flora);
  it("holds every plant, pair and score, and read back against the same flora changes nothing", () => {
    expect(tables.plants.length).toBe(flora.taxa.length);
    expect(tables.scores.length).toBe(flora.scores.length);
    const reading = readPackRows(
      flora,
      (["plants", "twins", "scores"] as const).flatMap((table) => fileRows(table, tables[table])),
    );
    expect(reading.refused).toEqual([]);
    expect(reading.changes).toEqual([]);
    expect(reading.same).toBe(
      flora.taxa.length +
        flora.scores.length +
        flora.pairs.filter((p) => !p.found && !p.unheld && p.deciders.length > 0).length,
    );
  });
  it("shows what changes, takes an empty score as not recorded, and refuses by line", () => {
    const own = packTables(flora, new Set([hogweed])).scores.slice(0, 3);
    const reading = readPackRows(
      flora,
      fileRows("scores", [
        own[0],
        { ...own[1], score: "" },
        { ...own[2], taxon: "Nullus verus" },
        own[0],
        { taxon: hogweed, character: "sap" },
      ]),
    );
    expect(reading.same).toBe(1);
    expect(reading.changes.map((c) => [c.line, c.value])).toEqual([[3, null]]);
    expect(reading.refused.map((r) => r.line)).toEqual([4, 5, 6]);
    expect(reading.refused[1].what).toContain("line 2");
  });
});

describe("a plant that a pack adds", () => {
  const name = "Heracleum novum";
  /** Giant hogweed's own tables under another name, with plain stems: what a botanist starts from. */
  const [plant] = packTables(flora, new Set([hogweed])).plants;
  const plants = [{ ...plant, taxon: name, common: "new hogweed, plain hogweed", synonyms: "", interfertile: "" }];
  const twins = [
    { taxon: name, twin: hogweed, stage: "flowering", deciders: "stem-marks", mistake: "" },
    {
      taxon: hogweed,
      twin: name,
      stage: "vegetative",
      deciders: "stem-marks, height",
      mistake: "Taken for it from afar.",
    },
  ];
  const scores = packTables(flora, new Set([hogweed])).scores.map((row) => ({
    ...row,
    taxon: name,
    score: row.character === "stem-marks" && !row.where ? "plain always" : row.score,
  }));
  const read = (p: unknown[], t: unknown[], s: unknown[]) =>
    readPackRows(flora, [...fileRows("scores", s), ...fileRows("twins", t), ...fileRows("plants", p)]);
  const reading = read(plants, twins, scores);
  const grown = amendFlora(flora, reading.changes);

  it("comes in with its twins and scores, in whatever order the tables are read", () => {
    expect(reading.refused).toEqual([]);
    expect(reading.changes).toHaveLength(1 + 1 + scores.length);
    expect(grown.taxa.at(-1)).toMatchObject({
      id: "heracleum-novum",
      name,
      common: ["new hogweed", "plain hogweed"],
      lifeForm: "herb",
    });
    expect(grown.sets.find((s) => s.id === "umbels")?.taxa).toContain("heracleum-novum");
    expect(grown.pairs.at(-1)).toMatchObject({
      deciders: [
        { stage: "flowering", characters: ["stem-marks"] },
        { stage: "vegetative", characters: ["stem-marks", "height"] },
      ],
      mistake: "Taken for it from afar.",
    });
    expect(flora.taxa.some((t) => t.name === name)).toBe(false);
  });
  it("is told from its twin by what parts the two", () => {
    const model = buildModel(grown);
    const shareAfter = (states: string[]) =>
      judge(
        model,
        caseFrom({
          day: "2026-06-20",
          hemisphere: "north",
          stage: "flowering",
          observations: [
            { character: "plant-kind", states: ["herb"] },
            { character: "stem-marks", states },
          ],
        }),
      ).flat.taxa;
    const at = (t: string) => model.taxonIndex.get(t) as number;
    const blotched =
      flora.characters
        .find((c) => c.id === "stem-marks")
        ?.states.map((s) => s.id)
        .filter((s) => s !== "plain") ?? [];
    expect(shareAfter(["plain"])[at(name)]).toBeGreaterThan(shareAfter(["plain"])[at(hogweed)]);
    expect(shareAfter(blotched)[at(hogweed)]).toBeGreaterThan(shareAfter(blotched)[at(name)]);
  });
  it("goes out again as it came in", () => {
    const again = amendmentTables(reading.changes);
    expect(
      read(again.plants, again.twins, again.scores).changes.map(({ taxon, key, value }) => ({ taxon, key, value })),
    ).toEqual(reading.changes.map(({ taxon, key, value }) => ({ taxon, key, value })));
    const own = packTables(grown, new Set([name]));
    expect(
      readPackRows(grown, [
        ...fileRows("plants", own.plants),
        ...fileRows("twins", own.twins),
        ...fileRows("scores", own.scores),
      ]).changes,
    ).toEqual([]);
  });
  it("says that it is thin where few of its characters are scored", () => {
    expect(reading.thin).toEqual([]);
    expect(
      read(
        plants,
        twins,
        scores.filter((s) => ["stem-marks", "plant-kind"].includes(s.character)),
      ).thin,
    ).toEqual([{ taxon: name, scores: expect.any(Number) }]);
  });
  it.each([
    ["family", { family: "" }],
    ["life-form", { "life-form": "bush" }],
    ["cycle", { cycle: "yearly" }],
    ["seed-years", { "seed-years": "9-2" }],
    ["bark-slips", { "bark-slips": "spring" }],
    ["ripe-seed", { "ripe-seed": "black, ripe" }],
    ["flowering", { flowering: "June" }],
    ["flowering", { flowering: "5-13" }],
    ["sets", { sets: "roses" }],
    ["sets", { sets: "" }],
    ["common", { common: " " }],
    ["taxon", { taxon: "giant hogweed" }],
    ["taxon", { taxon: "Fallopia japonica" }],
    ["sprouts", { sprouts: "hope" }],
    ["contact", { contact: "dew" }],
    ["stock-harm", { stock: "Awns wound mouths.", "stock-harm": "noise" }],
    ["stock-harm", { stock: "", "stock-harm": "wound" }],
    ["forms", { forms: "broad .5, narrow .1" }],
  ])("is refused for its %s, with the line", (field, wrong) => {
    const [refused] = readPackRows(flora, fileRows("plants", [{ ...plants[0], ...wrong }])).refused;
    expect(refused).toMatchObject({ line: 2, field });
  });
  it("is refused without a twin, and with one that nothing parts", () => {
    expect(read(plants, [], scores).refused).toEqual([
      expect.objectContaining({ line: 2, field: "taxon", what: expect.stringContaining("without a twin") }),
    ]);
    const alike = read(plants, [{ ...twins[1], deciders: "leaf-order" }], scores);
    expect(alike.refused).toEqual([
      expect.objectContaining({ field: "deciders", what: expect.stringContaining("none of them parts") }),
    ]);
  });
  it.each([
    ["twin", { twin: "Nullus verus" }],
    ["twin", { twin: name }],
    ["stage", { stage: "spring" }],
    ["deciders", { deciders: "colour of its soul" }],
    ["deciders", { deciders: "" }],
    ["mistake", { mistake: "" }],
  ])("has a twin refused for its %s", (field, wrong) => {
    expect(
      read(
        plants,
        [{ taxon: name, twin: hogweed, stage: "any", deciders: "stem-marks", mistake: "Taken for it.", ...wrong }],
        scores,
      ).refused,
    ).toContainEqual(expect.objectContaining({ line: 2, field }));
  });
  it("that the flora has only heard of as a twin is held from then on", () => {
    const pair = flora.pairs.find((p) => p.unheld);
    const unheld = pair?.unheld?.name as string;
    const known = flora.taxa.find((t) => t.id === pair?.a);
    const own = packTables(flora, new Set([known?.name as string]));
    const added = readPackRows(flora, [
      ...fileRows("plants", [{ ...own.plants[0], taxon: unheld, synonyms: "" }]),
      ...fileRows(
        "scores",
        own.scores.map((s) => ({ ...s, taxon: unheld })),
      ),
    ]);
    expect(added.refused).toEqual([]);
    const now = amendFlora(flora, added.changes);
    expect(now.pairs.filter((p) => p.unheld?.name === unheld)).toEqual([]);
    expect(now.pairs.find((p) => p.b === now.taxa.at(-1)?.id)?.a).toBe(pair?.a);
  });
});

describe("a plant that is held", () => {
  const [plant] = packTables(flora, new Set([hogweed])).plants;
  it("has its calendar and names corrected, and keeps its scores", () => {
    const { changes, refused } = readPackRows(
      flora,
      fileRows("plants", [
        {
          ...plant,
          flowering: "5-6",
          common: "hogweed, giant hogweed",
          reason: "Seen in flower by May for nine years.",
        },
      ]),
    );
    expect(refused).toEqual([]);
    expect(changes).toEqual([
      expect.objectContaining({
        taxon: hogweed,
        key: PLANT_KEY,
        before: lineText(flora, hogweed, PLANT_KEY),
        reason: "Seen in flower by May for nine years.",
      }),
    ]);
    const now = amendFlora(flora, changes);
    const taxon = now.taxa.find((t) => t.name === hogweed);
    expect(taxon?.calendar.flowering).toEqual([[5, 6]]);
    expect(packTables(now, new Set([hogweed])).plants[0].flowering).toBe("5 to 6");
    expect(taxon?.common[0]).toBe("hogweed");
    expect(now.scores).toEqual([...flora.scores].sort((a, b) => a.taxon - b.taxon || a.character - b.character));
  });
  it.each(["5-6", "5 to 6", "5 – 6", "5 to 6, 8 to 10", "5-6 8-10"])(
    "has months read as %s, as a table or a file writes them",
    (flowering) => {
      const { changes } = readPackRows(flora, fileRows("plants", [{ ...plant, flowering }]));
      expect(amendFlora(flora, changes).taxa.find((t) => t.name === hogweed)?.calendar.flowering?.[0]).toEqual([5, 6]);
    },
  );
  it("cannot become another kind of plant, whose scores it does not have", () => {
    expect(readPackRows(flora, fileRows("plants", [{ ...plant, "life-form": "tree" }])).refused[0]).toMatchObject({
      field: "life-form",
    });
  });
  it("has what parts it from a twin worded anew, whichever is named first", () => {
    const pair = flora.pairs.find((p) => !p.found && !p.unheld && p.deciders.length > 0);
    const [a, b] = [pair?.a, pair?.b].map((id) => flora.taxa.find((t) => t.id === id)?.name as string);
    const rows = [
      {
        taxon: b,
        twin: a,
        stage: "any",
        deciders: pair?.deciders[0].characters.join(", "),
        mistake: "Another mistake that people make.",
      },
    ];
    const { changes, refused } = readPackRows(flora, fileRows("twins", rows));
    expect(refused).toEqual([]);
    expect(changes).toEqual([
      expect.objectContaining({ taxon: a, key: twinKey(b), before: lineText(flora, a, twinKey(b)) }),
    ]);
    expect(amendFlora(flora, changes).pairs.find((p) => p.a === pair?.a && p.b === pair?.b)?.mistake).toBe(
      "Another mistake that people make.",
    );
  });
});

it("an amendment of a plant that was taken back says nothing, and is told", () => {
  const lost: Amendment = { taxon: "Heracleum novum", key: "sap", value: "clear usually" };
  const refused: Amendment[] = [];
  const after = amendFlora(flora, [lost, { taxon: hogweed, key: "sap", value: "milky usually" }], (a) =>
    refused.push(a),
  );
  expect(refused).toEqual([lost]);
  expect(lineText(after, hogweed, "sap")).toBe("milky usually");
  expect(() => amendFlora(flora, [lost])).toThrow(/Heracleum novum/);
});
