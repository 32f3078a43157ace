import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { describe, expect, it } from "vitest";
import { NOT_WRITTEN } from "./plain-english";
import { sentencesOf } from "./sentences";

const FILES = ["src/app", "src/components", "src/server", "src/contracts", "src/core/identify/words"].flatMap(
  (folder) =>
    readdirSync(folder, { recursive: true, encoding: "utf8" })
      .filter((name) => /\.tsx?$/.test(name) && !/\.test\.tsx?$/.test(name))
      .map((name) => join(folder, name)),
);

/** Sentences of the files in which a listed word stands. */
const faultsIn = (file: string, source: string): string[] =>
  sentencesOf(source, file).flatMap(({ text, line }) =>
    NOT_WRITTEN.filter(([word]) => word.test(text)).map(([, better]) => `${file}:${line} “${text}”: ${better}`),
  );

describe("plain English on the screens", () => {
  it("uses no listed word", () => {
    expect(FILES.length).toBeGreaterThan(150);
    expect(FILES.flatMap((file) => faultsIn(file, readFileSync(file, "utf8")))).toEqual([]);
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
