import { spawnSync } from "node:child_process";
import { mkdtempSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { describe, expect, it } from "vitest";

const folder = mkdtempSync(join(tmpdir(), "sentinel-"));
const run = (script: string, ...args: string[]) => spawnSync(process.execPath, ["node_modules/tsx/dist/cli.mjs", `src/cli/${script}.ts`, ...args], { encoding: "utf8" });
const file = (content: unknown) => {
  const path = join(folder, `${Math.abs(JSON.stringify(content).length)}.json`);
  writeFileSync(path, typeof content === "string" ? content : JSON.stringify(content));
  return path;
};
const umbel = { id: "a", day: "2026-06-09", hemisphere: "north", stage: "vegetative", observations: [{ character: "plant-kind", states: ["herb"] }, { character: "stem-marks", states: ["blotched"], sure: "likely" }, { character: "leaf-length", values: [90, 110] }] };

describe("identify", () => {
  it("answers a case in the shape others rely on, and prints JSON alone", () => {
    const { stdout, status } = run("identify", file(umbel));
    expect(status).toBe(0);
    const answer = JSON.parse(stdout);
    expect(answer).toMatchObject({ id: "a", candidates: expect.any(Array), candidatesFlat: expect.any(Array), unknown: expect.any(Number), keptSide: expect.any(Number), verdict: expect.stringMatching(/^(clear|hold|keep|open|unknown)$/), because: expect.any(String), sameTreatment: expect.any(Array), next: { name: expect.any(Array), action: expect.any(Array), later: expect.any(Array) }, untested: expect.any(Array) });
    expect(answer.candidates[0]).toEqual({ taxon: expect.any(String), probability: expect.any(Number), status: expect.any(String), group: expect.any(String) });
    expect(answer.next.name[0]).toMatchObject({ character: expect.any(String), bits: expect.any(Number), seconds: expect.any(Number), why: expect.any(String) });
    expect(answer).not.toHaveProperty("hybrids");
  });
  it("answers an array with an array", () => expect(JSON.parse(run("identify", file([umbel, { ...umbel, id: "b" }])).stdout).map((a: { id: string }) => a.id)).toEqual(["a", "b"]));
  it.each([
    [{ ...umbel, day: "June" }, /day/],
    [{ ...umbel, stage: "old" }, /stage/],
    [{ ...umbel, observations: [{ character: "leaf-sheen", states: ["x"] }] }, /observations\.0\.character/],
    [{ ...umbel, observations: [{ character: "sap", states: ["milky"] }, { character: "sap", states: ["clear"] }] }, /observations\.1\.character/],
    [{ ...umbel, list: { "Planta ignota": "target" } }, /Planta ignota/],
    ["{", /JSON/],
  ])("refuses unusable input with 2, naming the field: %#", (wrong, words) => {
    const { status, stderr, stdout } = run("identify", file(wrong));
    expect(status).toBe(2);
    expect(stderr).toMatch(words);
    expect(stdout).toBe("");
  });
  it("prints its vocabulary", () => {
    const vocabulary = JSON.parse(run("identify", "--vocabulary").stdout);
    expect(vocabulary.characters.length).toBeGreaterThanOrEqual(100);
    expect(vocabulary.taxa.length).toBeGreaterThanOrEqual(130);
    expect(Object.keys(vocabulary)).toEqual(["stages", "positions", "forms", "statuses", "kit", "characters", "taxa"]);
  });
});

describe("notes", () => {
  it("clears no kept plant, and ranks what the notes describe", () => {
    const figures = JSON.parse(run("notes", "--json").stdout);
    expect(figures.notes).toBeGreaterThanOrEqual(75);
    expect(figures.now.wronglyCleared).toBe(0);
    expect(figures.now.top1).toBeGreaterThanOrEqual(0.8);
    expect(figures.now.top3).toBeGreaterThanOrEqual(0.93);
    expect(figures.firstRun).toHaveProperty("top1");
  });
});

describe("trials", () => {
  it("is seeded: the same seed gives the same figures", () => {
    const [a, b] = [1, 2].map(() => run("trials", "--json", "--walks", "6", "--stage", "flowering", "--orders", "6").stdout);
    expect(JSON.parse(a)).toEqual(JSON.parse(b));
    expect(JSON.parse(a).perturbed).toHaveProperty("falseClearsUpper95");
  }, 240000);
  it("refuses a stage that is none", () => expect(run("trials", "--stage", "old").status).toBe(2));
});

describe("ledger verify", () => {
  it("verifies every district with a reading role of its own", () => {
    const { districts } = JSON.parse(run("ledger", "verify").stdout);
    expect(districts.length).toBe(2);
    for (const d of districts) expect(d).toMatchObject({ ok: true, head: expect.any(String), entries: expect.any(Number) });
  });
});
