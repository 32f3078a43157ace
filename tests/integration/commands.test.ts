import { spawn } from "node:child_process";
import { mkdtempSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { describe, expect, it } from "vitest";

const folder = mkdtempSync(join(tmpdir(), "sentinel-"));

/** Runs a command as a user would; two at a time, since each compiles the flora on its own. */
function run(script: string, ...args: string[]): Promise<{ status: number | null; stdout: string; stderr: string }> {
  const child = spawn(process.execPath, ["node_modules/tsx/dist/cli.mjs", `src/cli/${script}.ts`, ...args], {
    stdio: ["ignore", "pipe", "pipe"],
  });
  const said = { stdout: "", stderr: "" };
  for (const stream of ["stdout", "stderr"] as const)
    child[stream].setEncoding("utf8").on("data", (part) => {
      said[stream] += part;
    });
  return new Promise((resolve) => child.once("close", (status) => resolve({ status, ...said })));
}
let files = 0;
const file = (content: unknown) => {
  const path = join(folder, `${++files}.json`);
  writeFileSync(path, typeof content === "string" ? content : JSON.stringify(content));
  return path;
};
const umbel = {
  id: "a",
  day: "2026-06-09",
  hemisphere: "north",
  stage: "vegetative",
  observations: [
    { character: "plant-kind", states: ["herb"] },
    { character: "stem-marks", states: ["blotched"], sure: "likely" },
    { character: "leaf-length", values: [90, 110] },
  ],
};

describe.concurrent("identify", () => {
  it("answers a case in the shape others rely on, and prints JSON alone", async () => {
    const { stdout, status } = await run("identify", file(umbel));
    expect(status).toBe(0);
    const answer = JSON.parse(stdout);
    expect(answer).toMatchObject({
      id: "a",
      candidates: expect.any(Array),
      candidatesFlat: expect.any(Array),
      unknown: expect.any(Number),
      keptSide: expect.any(Number),
      verdict: expect.stringMatching(/^(clear|hold|keep|open|unknown)$/),
      because: expect.any(String),
      sameTreatment: expect.any(Array),
      next: { name: expect.any(Array), action: expect.any(Array), later: expect.any(Array) },
      untested: expect.any(Array),
    });
    expect(answer.candidates[0]).toEqual({
      taxon: expect.any(String),
      probability: expect.any(Number),
      status: expect.any(String),
      group: expect.any(String),
    });
    expect(answer.next.name[0]).toMatchObject({
      character: expect.any(String),
      bits: expect.any(Number),
      seconds: expect.any(Number),
      why: expect.any(String),
    });
    expect(answer).toMatchObject({ hybrids: expect.any(Array), slips: expect.any(Array) });
    for (const cross of answer.hybrids)
      expect(cross).toEqual({ parents: [expect.any(String), expect.any(String)], probability: expect.any(Number) });
  });
  it("answers an array with an array", async () =>
    expect(
      JSON.parse((await run("identify", file([umbel, { ...umbel, id: "b" }]))).stdout).map((a: { id: string }) => a.id),
    ).toEqual(["a", "b"]));
  it.each([
    [{ ...umbel, day: "June" }, /day/],
    [
      {
        ...umbel,
        observations: [
          { character: "sap", states: ["milky"] },
          { character: "sap", states: ["clear"] },
        ],
      },
      /observations\.1: .*keep one of the two/,
    ],
    [
      {
        ...umbel,
        observations: [
          { character: "sap", states: ["milky"] },
          { character: "sap", states: ["milky"] },
        ],
      },
      /observations\.1\.character/,
    ],
    [{ ...umbel, observations: [{ character: "height-beside", states: ["more"] }] }, /observations\.0\.against/],
    [{ ...umbel, list: { "Planta ignota": "target" } }, /Planta ignota/],
    ["{", /JSON/],
  ])("refuses unusable input with 2, naming the field: %#", async (wrong, words) => {
    const { status, stderr, stdout } = await run("identify", file(wrong));
    expect(status).toBe(2);
    expect(stderr).toMatch(words);
    expect(stdout).toBe("");
  });
  it("prints its vocabulary", async () => {
    const vocabulary = JSON.parse((await run("identify", "--vocabulary")).stdout);
    expect(vocabulary.characters.length).toBeGreaterThanOrEqual(100);
    expect(vocabulary.taxa.length).toBeGreaterThanOrEqual(130);
    expect(Object.keys(vocabulary)).toEqual(["stages", "positions", "forms", "statuses", "kit", "characters", "taxa"]);
  });
});

describe.concurrent("notes", () => {
  it("clears no kept plant, and ranks what the notes describe", async () => {
    const figures = JSON.parse((await run("notes", "--json")).stdout);
    expect(figures.notes).toBeGreaterThanOrEqual(75);
    expect(figures.now.wronglyCleared).toBe(0);
    expect(figures.now.top1).toBeGreaterThanOrEqual(0.8);
    expect(figures.now.top3).toBeGreaterThanOrEqual(0.93);
    expect(figures.firstRun).toHaveProperty("top1");
  });
});

describe.concurrent("trials", () => {
  it("is seeded: the same seed gives the same figures", async () => {
    const [a, b] = (
      await Promise.all(
        [1, 2].map(() => run("trials", "--json", "--walks", "4", "--stage", "flowering", "--orders", "2")),
      )
    ).map((r) => r.stdout);
    expect(JSON.parse(a)).toEqual(JSON.parse(b));
    expect(JSON.parse(a).perturbed).toHaveProperty("falseClearsUpper95");
  });
  it("refuses a stage that is none", async () => expect((await run("trials", "--stage", "old")).status).toBe(2));
});

describe.concurrent("ledger verify", () => {
  it("verifies every district with a reading role of its own", async () => {
    const { districts } = JSON.parse((await run("ledger", "verify")).stdout);
    expect(districts.length).toBe(2);
    for (const d of districts)
      expect(d).toMatchObject({ ok: true, head: expect.any(String), entries: expect.any(Number) });
  });
});
