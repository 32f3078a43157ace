import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { foldName, indexNames, resolveName } from "@/core/names/resolve";
import { currentFlora } from "@/flora/load";

const flora = currentFlora();
const index = indexNames(flora.taxa, flora.pairs);
const first = (text: string, status = {}) => index.taxa[resolveName(index, text, status).matches[0]?.taxon]?.name;
const carriers = (text: string) => resolveName(index, text).carriers.map((t) => index.taxa[t].name);

describe("a name", () => {
  it.each([
    ["Heracleum mantegazzianum", "Heracleum mantegazzianum"],
    ["giant hogweed", "Heracleum mantegazzianum"],
    ["GIANT  Hogweed", "Heracleum mantegazzianum"],
    ["Polygonum cuspidatum", "Reynoutria japonica"],
    ["Rhamnus frangula", "Frangula alnus"],
    ["st johns-wort", "Hypericum perforatum"],
    ["queen annes lace", "Daucus carota"],
  ])("%s is %s", (text, name) => expect(first(text)).toBe(name));

  it.each([
    ["hericleum mantegazianum", "Heracleum mantegazzianum"],
    ["purple losestrife", "Lythrum salicaria"],
    ["garlik mustard", "Alliaria petiolata"],
    ["johnsongras", "Sorghum halepense"],
    ["tree of heavan", "Ailanthus altissima"],
    ["leafy spurdge", "Euphorbia esula"],
    ["burning bsh", "Euonymus alatus"],
  ])("is found though misspelt: %s", (text, name) => expect(first(text)).toBe(name));

  it("is found while it is typed", () => {
    for (const text of ["lyth", "lythrum sal", "purple loo"])
      expect(resolveName(index, text).matches.map((m) => index.taxa[m.taxon].name)).toContain("Lythrum salicaria");
  });

  it("of every plant leads back to that plant", () => {
    for (const [t, taxon] of flora.taxa.entries()) {
      expect(resolveName(index, taxon.name).matches[0]?.taxon, taxon.name).toBe(t);
      for (const synonym of taxon.synonyms)
        expect(
          resolveName(index, synonym).matches.map((m) => m.taxon),
          synonym,
        ).toContain(t);
      for (const common of taxon.common)
        expect(
          [...resolveName(index, common, {}, 40).matches.map((m) => m.taxon), ...resolveName(index, common).carriers],
          common,
        ).toContain(t);
    }
  });

  it("of a plant that is not held leads to the one that it is taken for, and says so", () => {
    for (const text of ["dune tansy", "Tanacetum bipinnatum"]) {
      const [match] = resolveName(index, text).matches;
      expect(index.taxa[match.taxon].name).toBe("Tanacetum vulgare");
      expect(match.kind).toBe("unheld");
    }
    expect(carriers("tansy")).not.toContain("Tanacetum bipinnatum");
  });
  it("that nothing carries finds nothing, and nothing typed is no error", () => {
    expect(resolveName(index, "qqqqqq").matches).toEqual([]);
    for (const text of ["", " ", "a", "(", "\\", "*"]) expect(resolveName(index, text).carriers).toEqual([]);
    fc.assert(
      fc.property(fc.string({ maxLength: 30 }), (text) => {
        expect(resolveName(index, text).matches.length).toBeLessThanOrEqual(12);
      }),
      { seed: 161, numRuns: 60 },
    );
  });
});

describe("an ambiguous name", () => {
  it.each([
    ["bindweed", ["Convolvulus arvensis", "Calystegia sepium"]],
    ["morning glory", ["Ipomoea purpurea", "Ipomoea hederacea"]],
    ["buckthorn", ["Rhamnus cathartica", "Frangula alnus", "Rhamnus alnifolia", "Frangula purshiana"]],
    ["foxtail", ["Setaria viridis", "Setaria pumila", "Setaria faberi"]],
    ["goosegrass", ["Eleusine indica", "Galium aparine"]],
    ["bittersweet", ["Celastrus orbiculatus", "Celastrus scandens", "Solanum dulcamara"]],
  ])("%s is answered with all that carry it", (text, names) => {
    for (const name of names) expect(carriers(text)).toContain(name);
  });
  it.each([
    ["mornin glory", "morning glory"],
    ["bindwede", "bindweed"],
    ["hemlok", "hemlock"],
    ["buckthorne", "buckthorn"],
  ])("%s, misspelt, is answered with all that carry %s", (text, name) => {
    expect(carriers(text)).toEqual(carriers(name));
    expect(carriers(text).length).toBeGreaterThan(1);
    expect(resolveName(index, text).carried).toBe(name);
  });
  it("is none while one only begins to type it", () => expect(carriers("bindw")).toEqual([]));
  it("puts first, among equals, what is looked for where one stands", () => {
    const plain = resolveName(index, "goosegrass").matches.map((m) => index.taxa[m.taxon].name);
    const last = plain[1];
    expect(plain.slice(0, 2).sort()).toEqual(["Eleusine indica", "Galium aparine"]);
    expect(first("goosegrass", { [last]: "target" })).toBe(last);
  });
  it("is none where one plant alone carries it", () => expect(carriers("giant hogweed")).toEqual([]));
});

it("folds what does not matter in a name", () => {
  expect(foldName("  Saint-John’s  Wort ")).toBe("saint johns wort");
  expect(foldName("Reynoutria ×bohemica")).toBe("reynoutria bohemica");
});
