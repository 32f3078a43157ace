import { describe, expect, it } from "vitest";
import { STATUSES } from "../../flora";
import { VERDICTS } from "../verdict/verdicts";
import { STANDING_WORDS, STANDINGS, standingOf, verdictTable, verdictTodo } from "./verdict-table";

describe("the table of verdict, status and danger", () => {
  it("has a sentence in every cell", () => {
    const cells = verdictTable();
    expect(cells).toHaveLength(VERDICTS.length * STANDINGS.length);
    for (const { verdict, standing, words } of cells) expect(words, `${verdict} ${standing}`).toMatch(/^[A-Z].+\.$/);
    for (const standing of STANDINGS) expect(STANDING_WORDS[standing]).toMatch(/^It is .+\.$/);
  });
  it("never tells anybody to act on what stays", () => {
    for (const standing of STANDINGS.filter((s) => s !== "target" && s !== "watch"))
      for (const verdict of VERDICTS) expect(verdictTodo(verdict, standing)).not.toMatch(/mark the patch|report it/);
  });
  it("does not ask that a tolerated plant or a crop be saved from people", () => {
    expect(verdictTodo("keep", "tolerated")).not.toContain("nobody");
    expect(verdictTodo("keep", "crop")).not.toContain("nobody");
  });
  it("reads every status, a plant that is not listed, and danger", () => {
    for (const status of STATUSES) expect(standingOf(status, false)).toBe(status);
    expect(standingOf("kept", true)).toBe("kept-dangerous");
    expect(standingOf("target", true)).toBe("target");
    expect(standingOf(undefined, false)).toBe("unlisted");
    expect(standingOf(undefined, true)).toBe("kept-dangerous");
  });
});
