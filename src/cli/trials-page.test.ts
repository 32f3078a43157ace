import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import type { TrialReport } from "@/core/trials";
import { BEGIN, END, trialsTable, withTable } from "./trials-page";

const figures = {
  nameWalks: 40,
  top1: 0.9,
  top3: 0.975,
  targetsCleared: 0.5,
  keptRecognised: 0.8,
  targetsSeparable: 0.6,
  keptSeparable: 0.9,
  targetsClearedSeparable: 0.85,
  keptRecognisedSeparable: 0.95,
  falseClears: 0.0014,
  falseClearsUpper95: 0.0045,
  keptWalks: 18,
  falseClearsHeld: 0,
  falseClearsHeldUpper95: 0.002,
  heldWalks: 16,
  unknownCleared: 0.01,
  unknownKeptCleared: 0,
  unknownKeptClearedAsTwin: 0,
  brier: 0.25,
  ece: { "1": 0.01, "4": 0.02, "8": 0.03 },
  checksMean: 10,
  secondsMean: 120,
};
const report: TrialReport = {
  walks: 40,
  error: 0.05,
  assumed: 0.05,
  mix: { seed: 1 },
  perturbed: { ...figures, checksVsBestFixed: 0.676 },
  exact: figures,
  sets: [],
  stages: [{ stage: "winter", perturbed: figures }],
};
const measured = { commit: "abc1234", day: "2026-11-30", engine: "9-0", flora: "f" };

describe("the table of the trials page", () => {
  it("says what it was measured on, and gives shares with their goals", () => {
    const table = trialsTable(report, measured);
    expect(table).toContain("2026-11-30 at commit abc1234");
    expect(table).toContain("| right name first, after 12 checks | 90.0% | 90.0% | ≥ 90% |");
    expect(table).toContain("| cleared wrongly, all | 0.14%, upper 95% 0.45% |");
    expect(table).toContain("| checks, against the best fixed order | 67.6% |  | ≤ 60% |");
    expect(table).not.toContain("random order");
    expect(table).toContain("| winter | 90.0% |");
  });
  it("takes the place of the one before, and leaves the rest of the page", () => {
    const page = `before\n${BEGIN}\nold\n${END}\nafter\n`;
    expect(withTable(page, "new")).toBe(`before\n${BEGIN}\nnew\n${END}\nafter\n`);
    expect(() => withTable("no place", "new")).toThrow(/lacks the lines/);
  });
  it("of the shipped page was written by the command, with commit and day", () => {
    const page = readFileSync("docs/trials.md", "utf8");
    expect(page.split(BEGIN)[1].split(END)[0]).toMatch(/Measured on \d{4}-\d\d-\d\d at commit [0-9a-f]{7,}/);
  });
});
