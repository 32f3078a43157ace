import fc from "fast-check";
import { describe, expect, it } from "vitest";
import {
  adviseMethods,
  contradictionsOf,
  gapsOf,
  type Ground,
  lastDayBeforeSeed,
  type MethodCase,
  methodOf,
  readMethodBook,
  siteRulePairs,
  unexplained,
} from "@/core/control";
import { REFERENCE, STAGES } from "@/core/flora";
import { currentFlora } from "@/flora/load";
import { readShippedMethods } from "@/server/flora/method-book";

const { book, problems } = readShippedMethods();
const flora = currentFlora();
const plant = (name: string) => flora.taxa.find((t) => t.name === name) as (typeof flora.taxa)[number];
const far = { known: "none-within", meters: 5000, by: "the map" } as const;
const open: Ground = { noProduct: false, noMachines: false, grazed: false, hayed: false, foraged: false, water: far };
const advise = (name: string, day: string, stage: (typeof STAGES)[number], more: Partial<MethodCase> = {}) =>
  new Map(
    adviseMethods(book, {
      ...{ taxon: plant(name), day, stage, ground: open, size: {}, told: [], climate: REFERENCE },
      ...more,
    }).map((a) => [a.method.id, a]),
  );

describe("the files of methods", () => {
  it("check", () => expect(problems).toEqual([]));
  it("name file and line of a word that is not in the vocabulary", () => {
    const text = 'known: {}\nkit: { gloves: "gloves" }\n';
    const method = readShippedMethods().book.methods[0];
    const bad = `- ${JSON.stringify({ ...method, rules: [], must: [], "must-when": [], kit: ["moonbeam"] })}\n`;
    const read = readMethodBook([
      { name: "vocabulary.yaml", text },
      { name: "rules-by-kind.yaml", text: "[]" },
      { name: "aliases.yaml", text: "[]" },
      { name: "gaps.yaml", text: "[]" },
      { name: "1.yaml", text: `# a comment\n${bad}` },
    ]);
    expect(read.problems).toMatchObject([{ file: "1.yaml", line: 2, what: expect.stringContaining("moonbeam") }]);
  });
  it("refuse a condition that no one knows, with its line", () => {
    const { problems: found } = readMethodBook([
      {
        name: "rules-by-kind.yaml",
        text: '- kind: hand\n  rules:\n    - { answer: never, when: { moon: full }, why: "?" }\n',
      },
    ]);
    expect(found).toMatchObject(
      expect.arrayContaining([
        expect.objectContaining({ file: "rules-by-kind.yaml", line: 3, what: expect.stringContaining("moon") }),
      ]),
    );
  });
  it("name a word of a kind that is not in the vocabulary, and a kind that is written twice", () => {
    const kind = '- kind: hand\n  rules: [{ answer: never, when: { contact: [skin] }, why: "?" }]\n';
    const { problems: found } = readMethodBook([
      {
        name: "rules-by-kind.yaml",
        text: `${kind}${kind}  must-when: [{ when: { grazed: true }, known: moonlight }]\n`,
      },
    ]);
    expect(found).toMatchObject(
      expect.arrayContaining([
        expect.objectContaining({ what: expect.stringContaining("moonlight") }),
        expect.objectContaining({ what: "hand is written twice" }),
      ]),
    );
  });
  it("keep the ids of before, with the names that they were printed with", () => {
    expect(methodOf(book, "pull-water")).toMatchObject({ id: "diver-pull", name: "Pull by hand under water" });
    expect(methodOf(book, "spot-treat")?.id).toBe("foliar-spot");
    expect(methodOf(book, "hand-pull")?.name).toBe("Pull with the root");
    expect(methodOf(book, "wishing")).toBeUndefined();
  });
});

describe("methods as rules", () => {
  it("never pulls a cane that grows from pieces of rhizome", () =>
    expect(advise("Reynoutria japonica", "2026-06-01", "vegetative").get("hand-pull")?.answer).toBe("never"));
  it("does not treat stumps while the sap rises, and says from when", () =>
    expect(advise("Rosa multiflora", "2026-04-15", "vegetative").get("cut-stump")).toMatchObject({
      answer: "not-now",
      window: { from: "2026-06-01" },
    }));
  it("does not pull a shrub while its bark slips, but its seedlings, and says from when", () => {
    const size = { stemCm: 1 };
    expect(advise("Cytisus scoparius", "2026-05-20", "vegetative", { size }).get("hand-pull")).toMatchObject({
      answer: "not-now",
      window: { from: "2026-08-01" },
    });
    expect(advise("Cytisus scoparius", "2026-05-20", "seedling").get("hand-pull")?.answer).toBe("eligible");
  });
  it("does not mow ripe seed, and bags the heads first", () => {
    const advice = advise("Jacobaea vulgaris", "2026-08-20", "fruiting", { size: { count: 60 } });
    expect(advice.get("mow")?.why.join()).toMatch(/ripe/);
    expect(advice.get("bag-heads")?.preferred).toMatch(/seed/);
  });
  it("lays no sheet on a hay meadow", () =>
    expect(
      advise("Jacobaea vulgaris", "2026-05-05", "vegetative", { ground: { ...open, hayed: true } }).get(
        "smother-sheet",
      ),
    ).toMatchObject({ answer: "never", why: [expect.stringContaining("hay")] }));
  it("treats no bark of a stem that is too thick", () =>
    expect(
      advise("Ailanthus altissima", "2026-08-10", "vegetative", { size: { stemCm: 20 } }).get("basal-bark")?.answer,
    ).toBe("never"));
  it("holds products back beside water and where nobody knows of water; where nobody was asked, it must be far", () => {
    const at = (water: Ground["water"]) =>
      advise("Jacobaea vulgaris", "2026-04-10", "vegetative", { ground: { ...open, water } }).get("foliar-spot");
    expect(at({ known: "at", meters: 2, by: "the map" })).toMatchObject({ answer: "not-now", window: null });
    expect(at({ known: "unknown" })?.why.join()).toMatch(/unknown here/);
    expect(at(undefined)).toMatchObject({
      answer: "eligible",
      must: expect.arrayContaining(["Water is 10 m away or more."]),
    });
  });
  it("asks for what is not stated, and not for what is", () => {
    const must = (more: Partial<MethodCase>) =>
      advise("Alliaria petiolata", "2026-05-05", "flowering", more).get("hand-pull")?.must;
    expect(must({})).toEqual(
      expect.arrayContaining([expect.stringContaining("moist"), expect.stringContaining("2.5 cm")]),
    );
    expect(must({ told: ["soil-moist"], size: { stemCm: 0.5, count: 9, infestedM2: 4 } })).toEqual([]);
  });
  it("shows what harms the person, and the stock where stock grazes", () => {
    expect(advise("Heracleum mantegazzianum", "2026-04-10", "vegetative").get("dig-crown")?.cautions.join()).toMatch(
      /Sap/,
    );
    const grazed = { ground: { ...open, grazed: true } };
    expect(advise("Jacobaea vulgaris", "2026-04-10", "vegetative", grazed).get("hand-pull")?.cautions.join()).toMatch(
      /hay/,
    );
  });
  it("says what must be true for stock, hay, gatherers, and whoever does the work", () => {
    const must = (name: string, method: string, stage: (typeof STAGES)[number], more: Partial<MethodCase>) =>
      advise(name, "2026-09-10", stage, more).get(method)?.must.join(" ") ?? "";
    const grazed = { ground: { ...open, grazed: true, foraged: true } };
    expect(must("Jacobaea vulgaris", "foliar-spot", "vegetative", grazed)).toMatch(
      /as long as the label says.*taste sweeter.*gathers food/,
    );
    expect(must("Jacobaea vulgaris", "hand-pull", "vegetative", grazed)).toMatch(/carried off/);
    expect(must("Heracleum mantegazzianum", "cut-below-crown", "vegetative", {})).toMatch(/full cover/);
    expect(must("Heracleum mantegazzianum", "hand-pull", "seedling", {})).not.toMatch(/full cover/);
    expect(must("Hedera helix", "cut-repeat", "vegetative", {})).toMatch(/left there/);
    expect(must("Hedera helix", "basal-bark", "vegetative", {})).toMatch(/no oil touches/);
    expect(must("Ailanthus altissima", "cut-stump", "vegetative", { size: { stemCm: 30 } })).toMatch(/trained person/);
    expect(must("Ailanthus altissima", "cut-stump", "vegetative", { size: { stemCm: 4 } })).not.toMatch(
      /trained person/,
    );
  });
  it("lays nothing at the edge of water that high water would carry off, but for what is weighted", () => {
    const bank: Ground = { ...open, water: { known: "at", meters: 1, by: "the map" } };
    const sheet = advise("Alliaria petiolata", "2026-06-20", "seedling", { ground: bank }).get("smother-sheet");
    expect(sheet?.must.join()).toMatch(/weights keep it down/);
    const mulch = advise("Alliaria petiolata", "2026-06-20", "seedling", { ground: bank }).get("mulch");
    expect(mulch?.why.join()).toMatch(/High water carries/);
  });
  it("treats a climber's leaves on the ground alone", () =>
    expect(advise("Hedera helix", "2026-06-20", "vegetative").get("foliar-spot")?.must.join()).toMatch(
      /lies on the ground/,
    ));
  it("covers no annual that is dead, and waits for its seedlings", () =>
    expect(advise("Impatiens glandulifera", "2026-12-01", "winter").get("smother-sheet")).toMatchObject({
      answer: "not-now",
      why: [expect.stringMatching(/dead now/)],
      window: { from: expect.stringMatching(/^2027/) },
    }));
  it("tells what wounds stock apart from what poisons it", () => {
    const grazed = { ground: { ...open, grazed: true } };
    const awned = advise("Setaria viridis", "2026-06-10", "vegetative", grazed);
    expect(awned.get("graze")?.answer).toBe("eligible");
    expect(awned.get("foliar-spot")?.must.join()).not.toMatch(/poison/);
    expect(advise("Senecio vulgaris", "2026-06-10", "vegetative", grazed).get("graze")?.why.join()).toMatch(/poisons/);
  });
  it("contradicts itself in none of 2,000 cases drawn at random", () => {
    const amount = (max: number) => fc.option(fc.double({ min: 0.1, max, noNaN: true }), { nil: undefined });
    const drawn = fc.record({
      taxon: fc.constantFrom(...flora.taxa),
      stage: fc.constantFrom(...STAGES),
      day: fc
        .date({ min: new Date("2025-01-01"), max: new Date("2027-12-31"), noInvalidDate: true })
        .map((d) => d.toISOString().slice(0, 10)),
      ground: fc.constantFrom(...siteRulePairs()),
      size: fc.record({ heightCm: amount(500), stemCm: amount(30), count: amount(20000), infestedM2: amount(5000) }),
      told: fc.subarray(Object.keys(book.vocabulary.known)),
      climate: fc.record({
        hemisphere: fc.constantFrom("north" as const, "south" as const),
        seasonShift: fc.constantFrom(0, -25, 30),
      }),
    });
    fc.assert(
      fc.property(drawn, (asked) => {
        for (const advice of adviseMethods(book, asked)) expect(contradictionsOf(advice, asked)).toEqual([]);
      }),
      { seed: 281, numRuns: 2000 },
    );
  });
  it("gives the last day before seed", () =>
    expect(lastDayBeforeSeed(plant("Jacobaea vulgaris"), "2026-05-01", REFERENCE)).toBe("2026-06-30"));
});

describe("gaps", () => {
  const gaps = flora.taxa.flatMap((taxon) => gapsOf(book, taxon).map((gap) => ({ taxon: taxon.name, ...gap })));
  it("are each explained by the files, and every explanation has a gap", () =>
    expect(unexplained(book, gaps)).toEqual([]));
  it("without a word in the files are named by plant and stage", () =>
    expect(
      unexplained(
        { ...book, gaps: [] },
        gapsOf({ ...book, gaps: [] }, plant("Ailanthus altissima")).map((gap) => ({
          taxon: "Ailanthus altissima",
          ...gap,
        })),
      ),
    ).toContain("Ailanthus altissima, vegetative, 1 stems: no method (without product), and no reason why"));
});
