import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { describe, expect, it } from "vitest";
import { NOT_WRITTEN } from "./plain-english";
import { commentsOf, type Sentence, sentencesOf } from "./sentences";

const filesIn = (...folders: string[]): string[] =>
  folders.flatMap((folder) =>
    readdirSync(folder, { recursive: true, encoding: "utf8" })
      .filter((name) => /\.tsx?$/.test(name) && !/\.test\.tsx?$/.test(name))
      .map((name) => join(folder, name)),
  );
const FILES = filesIn("src/app", "src/components", "src/server", "src/contracts", "src/core/identify/words");
const DOCUMENTS = ["README.md", ...["tour", "design", "running", "flora-format", "trials"].map((n) => `docs/${n}.md`)];

/** Sentences in which a listed word stands. */
const faultsOf = (file: string, sentences: Sentence[], words = NOT_WRITTEN): string[] =>
  sentences.flatMap(({ text, line }) =>
    words.filter(([word]) => word.test(text)).map(([, better]) => `${file}:${line} “${text}”: ${better}`),
  );
const faultsIn = (file: string, source: string): string[] => faultsOf(file, sentencesOf(source, file));

describe("plain English on the screens", () => {
  it("uses no listed word", () => {
    expect(FILES.length).toBeGreaterThan(150);
    expect(FILES.flatMap((file) => faultsIn(file, readFileSync(file, "utf8")))).toEqual([]);
  });
  it("uses none in comments, where a person looks at a plant, and a table is looked up", () => {
    const words = NOT_WRITTEN.filter(([word]) => !word.source.includes("look"));
    const files = filesIn("src");
    expect(words.length).toBeGreaterThan(NOT_WRITTEN.length - 5);
    expect(files.flatMap((file) => faultsOf(file, commentsOf(readFileSync(file, "utf8")), words))).toEqual([]);
  });
  it("uses none in the documents of the program", () => {
    const lines = (source: string) => source.split("\n").map((text, i) => ({ text, line: i + 1 }));
    expect(DOCUMENTS.flatMap((file) => faultsOf(file, lines(readFileSync(file, "utf8"))))).toEqual([]);
  });
  it("is looked for in text between tags, in strings and around values, not in code", () => {
    const source = [
      'import { parts } from "./parts-the-two";',
      "// parts the two",
      "const taken = `${a} is taken for ${b}`;",
      'const title = "The likest pair";',
      "const x = <p className=\"parts them\">What parts{' '}<b>the two</b> is taken for it</p>;",
    ].join("\n");
    expect(faultsIn("x.tsx", source).map((fault) => fault.replace(/ “.*/, ""))).toEqual([
      "x.tsx:3",
      "x.tsx:4",
      "x.tsx:5",
    ]);
  });
});
