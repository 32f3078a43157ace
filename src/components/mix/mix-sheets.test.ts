import { describe, expect, it } from "vitest";
import { sheetToPdf } from "@/papers/sheet-pdf";
import { calibrationSheet, tailgateCard } from "./mix-sheets";

const origin = { plan: "Tansy, Łąka", person: "A Person", day: "2026-06-12" };
const typed = { area: "2", rate: "20", tank: "25", product0: "32", unit0: "floz-us/acre" };
const LABEL = {
  id: "one",
  name: "Invented One",
  limits: { rateUnit: "L" as const, ratePerHaMax: 3, waterBufferM: 5, gear: "gloves" },
};
const linesOf = (sheet: ReturnType<typeof tailgateCard>) => sheet?.parts.flatMap(({ lines }) => lines) ?? [];

describe("the tailgate card", () => {
  it("says what goes into each load, the part load too", () => {
    // 2 acres at 20 gal are 40 gal: a full tank of 25, and 15 left; 32 fl oz to the acre are 1.6 fl oz to the gallon
    const card = tailgateCard({ system: "us", typed }, [], origin);
    expect(card?.parts.map(({ heading }) => heading)).toEqual([
      "40 US gal in all, 2 loads",
      "The full load: 25 US gal",
      "The last part load: 15 US gal",
      "Product 1",
    ]);
    expect(linesOf(card).filter(([about]) => about === "Product 1")).toEqual([
      ["Product 1", "40 US fl oz"],
      ["Product 1", "24 US fl oz"],
    ]);
    expect(card?.parts[2]?.tankShare).toBeCloseTo(0.6, 9);
  });
  it("has no loads where a label is passed, and says which", () => {
    const over = tailgateCard({ system: "us", typed: { ...typed, label0: "one", product0: "80" } }, [LABEL], origin);
    expect(over?.parts.map(({ heading }) => heading)).toEqual([
      "40 US gal in all, 2 loads",
      "Do not mix this",
      "Invented One",
    ]);
    expect(linesOf(over)).toContainEqual(["Distance to water", "≥ 5 m"]);
  });
  it("says where the label is silent, and is none while a number is missing", () => {
    expect(linesOf(tailgateCard({ system: "us", typed }, [], origin))).toContainEqual([
      "Re-entry",
      "the label does not say, or nobody typed it in: read it",
    ]);
    expect(tailgateCard({ system: "us", typed: { ...typed, tank: "" } }, [], origin)).toBeNull();
  });
  it("has the letters of every Latin alphabet and the signs, as a page of A5", async () => {
    const card = tailgateCard({ system: "metric", typed: { ...typed, unit0: "L/ha", label0: "one" } }, [LABEL], origin);
    const pdf = await sheetToPdf(card ?? expect.fail());
    expect(pdf.toString("latin1")).toMatch(/MediaBox \[0 0 419\.5\d* 595\.2\d*\]/);
    const letters = await lettersOf(pdf);
    for (const letter of "≥Łą²") expect(letters).toContain(letter);
  });
});

describe("the calibration sheet", () => {
  it("has the nozzle that is off, against the mean", () => {
    const flows = { way: "boom", flow: "0.4", speed: "5", spacing: "20", nozzles: "0.4 0.4 0.4 0.4 0.4 0.5" };
    const sheet = calibrationSheet({ system: "us", typed: flows }, origin);
    expect(linesOf(sheet)).toContainEqual(["Nozzle 6", "0.5 US gal/min"]);
    expect(linesOf(sheet).some(([, says]) => says.startsWith("Clean or replace: nozzle 6 (120% of the mean)"))).toBe(
      true,
    );
  });
  it("is none before anything was caught", () => {
    expect(calibrationSheet({ system: "us", typed: { plot: "340" } }, origin)).toBeNull();
  });
});

/** The letters that the fonts of a document are mapped to. */
async function lettersOf(pdf: Buffer): Promise<string> {
  const { inflateSync } = await import("node:zlib");
  const streams = [...pdf.toString("latin1").matchAll(/stream\r?\n([\s\S]*?)\r?\nendstream/g)].flatMap(([, text]) => {
    try {
      return [inflateSync(Buffer.from(text ?? "", "latin1")).toString("latin1")];
    } catch {
      return [];
    }
  });
  const maps = streams.filter((text) => text.includes("begincmap")).join("\n");
  return [...maps.matchAll(/<([0-9a-f]{4})>/gi)]
    .map(([, hex]) => String.fromCodePoint(Number.parseInt(hex ?? "0", 16)))
    .join("");
}
