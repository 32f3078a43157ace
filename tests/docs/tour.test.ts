import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";

const TOUR = readFileSync("docs/tour.md", "utf8");
const answers = [...TOUR.matchAll(/^\| (.+\?) \| `([^`]+)` \| `([^`]+)` \|$/gm)].map(([, question, file, symbol]) => ({
  question,
  file,
  symbol,
}));
const section = (title: string) => TOUR.split(`## ${title}`)[1].split("\n## ")[0];

const exports = (file: string, symbol: string): boolean =>
  new RegExp(`^export (async )?(function|const|class|interface|type) ${symbol}\\b`, "m").test(
    readFileSync(file, "utf8"),
  );

describe("the tour of the code", () => {
  it("answers at least fifteen questions", () => expect(answers.length).toBeGreaterThanOrEqual(15));
  it.each(answers)("$question", ({ file, symbol }) => expect(exports(file, symbol)).toBe(true));
  it("notices a symbol that is gone", () => expect(exports("src/core/items.ts", "itemsAt")).toBe(false));
  it("names only files and folders that are there", () => {
    for (const [, path] of TOUR.matchAll(/`((?:src|tests|docs|flora)\/[^`<]+)`/g))
      expect(() => readFileSync(path), path).toSatisfy((read: () => void) => {
        try {
          read();
          return true;
        } catch (error) {
          return (error as NodeJS.ErrnoException).code === "EISDIR";
        }
      });
  });
  it("explains some twenty-five words, in alphabetical order", () => {
    const words = [...section("Glossary").matchAll(/^\| ([a-z][a-z -]+) \|/gm)].map(([, word]) => word).slice(1);
    expect(words.length).toBeGreaterThanOrEqual(25);
    expect(words).toEqual([...words].sort());
  });
});
