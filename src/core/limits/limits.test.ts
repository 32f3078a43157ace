import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { checkJsonText, linesOfRows, plainText } from "./index";

const limits = { depth: 5, items: 20 };

describe("a JSON text is looked over before it is read", () => {
  it("may be just as deep and as full as allowed", () => {
    expect(checkJsonText("[[[[[1]]]]]", limits)).toBeNull();
    expect(checkJsonText("[[[[[[1]]]]]]", limits)).toMatch(/more than 5 deep/);
    expect(checkJsonText(JSON.stringify(Array(20).fill(0)), limits)).toBeNull();
    expect(checkJsonText(JSON.stringify(Array(21).fill(0)), limits)).toMatch(/more than 20 values/);
  });
  it("is not misled by what stands within quotes", () =>
    fc.assert(
      fc.property(fc.string(), (text) => {
        expect(checkJsonText(JSON.stringify({ [text]: text }), limits)).toBeNull();
      }),
      { seed: 51 },
    ));
  it("refuses any value that is deeper than allowed, and no other", () =>
    fc.assert(
      fc.property(fc.jsonValue({ maxDepth: 9 }), (value) => {
        const fault = checkJsonText(JSON.stringify(value), { depth: 5, items: Number.POSITIVE_INFINITY });
        expect(fault !== null).toBe(depthOf(value) > 5);
      }),
      { seed: 52 },
    ));
});

describe("where the rows of a pack stand", () => {
  it("is told by line, whatever the rows are", () => {
    const text = '{"title": "[{",\n"plants": [],\n"scores": [\n {"a": [1, 2]}, {"a": "]"},\n\n 3,\n [4, 5], "six"\n]}';
    expect(Object.fromEntries(linesOfRows(text, 100) as Map<string, number[]>)).toEqual({ scores: [4, 4, 6, 7, 7] });
  });
  it("is as many as there are rows, and none where there are too many", () =>
    fc.assert(
      fc.property(
        fc.array(fc.jsonValue({ maxDepth: 4 }), { maxLength: 12 }),
        fc.integer({ min: 0, max: 3 }),
        (rows, indent) => {
          const text = JSON.stringify({ head: "x", scores: rows }, null, indent);
          expect(linesOfRows(text, 12)?.get("scores")?.length ?? 0).toBe(rows.length);
          if (rows.length > 0) expect(linesOfRows(text, rows.length - 1)).toBeNull();
        },
      ),
      { seed: 53 },
    ));
});

function depthOf(value: unknown): number {
  if (value === null || typeof value !== "object") return 0;
  return 1 + Math.max(0, ...Object.values(value).map(depthOf));
}

describe("text that people write", () => {
  const name = plainText(2, 80, "give the name");
  it.each(["Ida Fern", "Łąka Żółć", "O’Neill-Smith", "王芳"])("may be %s", (text) =>
    expect(name.parse(` ${text} `)).toBe(text),
  );
  it.each([" ", "a", "x".repeat(81), "Ida\u202eFern", "Ida\u0000Fern", "Ida\nFern", "Ida\u200bFern"])(
    "as a name may not be %j",
    (text) => expect(name.safeParse(text).success).toBe(false),
  );
  it("has several lines where it is a note, and still no turned direction", () => {
    const note = plainText(0, 100, "", true);
    expect(note.parse("by the ford,\nthree\tplants")).toBe("by the ford,\nthree\tplants");
    expect(note.safeParse("a\u202eb").success).toBe(false);
    expect(note.safeParse("a\u0000b").success).toBe(false);
  });
});
