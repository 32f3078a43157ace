import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { homography, type Mark, type Marks, measure, type Point, readingFor, resized, toPlane } from "./index";

const mark = (tool: Mark["tool"], ...points: Point[]): Mark => ({ id: "m", tool, points });
const plain = { calibration: null, pointingPx: 1 };
const ruler = (px: number, mm: number) => ({
  calibration: {
    kind: "length" as const,
    points: [
      [0, 0],
      [px, 0],
    ] as Point[],
    mm,
  },
  pointingPx: 1,
});
const SQUARE: Point[] = [
  [0, 0],
  [10, 0],
  [10, 10],
  [0, 10],
];
const anyCorner = (x: number, y: number) =>
  fc.tuple(fc.double({ min: x - 60, max: x + 60, noNaN: true }), fc.double({ min: y - 60, max: y + 60, noNaN: true }));
const anyView = fc.tuple(
  anyCorner(200, 200),
  anyCorner(800, 200),
  anyCorner(800, 700),
  anyCorner(200, 700),
) as fc.Arbitrary<Point[]>;

describe("what is marked on a photograph", () => {
  it("is measured along a straight line, along a path, as an area and as an angle", () => {
    expect(measure(ruler(100, 50), mark("length", [0, 0], [30, 40])).value).toBeCloseTo(25, 9);
    expect(measure(ruler(100, 50), mark("path", [0, 0], [30, 40], [30, 80])).value).toBeCloseTo(45, 9);
    expect(measure(ruler(100, 50), mark("area", ...SQUARE)).value).toBeCloseTo(25, 9);
    expect(measure(plain, mark("angle", [10, 0], [0, 0], [0, 10])).value).toBeCloseTo(90, 9);
    expect(measure(plain, mark("ratio", [0, 0], [30, 0], [30, 60])).value).toBeCloseTo(0.5, 9);
    expect(measure(plain, mark("count", [1, 1], [2, 2], [3, 3]))).toEqual({ value: 3, half: 0, unit: "" });
  });

  it("is right whatever the camera's stand, if four corners are marked", () => {
    fc.assert(
      fc.property(
        anyView,
        fc.double({ min: 10, max: 70, noNaN: true }),
        fc.double({ min: 10, max: 40, noNaN: true }),
        (corners, x, y) => {
          const see = homography(
            [
              [0, 0],
              [85.6, 0],
              [85.6, 54],
              [0, 54],
            ],
            corners,
          );
          const marks = {
            calibration: { kind: "corners" as const, points: corners, widthMm: 85.6, heightMm: 54 },
            pointingPx: 1,
          };
          expect(measure(marks, mark("length", see([5, 5]), see([x, y]))).value).toBeCloseTo(
            Math.hypot(x - 5, y - 5),
            4,
          );
        },
      ),
      { seed: 3 },
    );
  });

  it("takes its corners to where they are said to be", () => {
    fc.assert(
      fc.property(anyView, (corners) => {
        const map = homography(corners, SQUARE);
        for (const [i, corner] of corners.entries())
          for (const k of [0, 1]) expect(map(corner)[k]).toBeCloseTo(SQUARE[i][k], 6);
      }),
      { seed: 4 },
    );
  });

  it("does not change when the photograph is stored in another size", () => {
    const marks: Marks = {
      ...ruler(100, 50),
      widthPx: 1200,
      heightPx: 900,
      marks: [mark("path", [0, 0], [30, 40], [90, 40])],
    };
    const smaller = resized(marks, 400);
    expect(measure(smaller, smaller.marks[0]).value).toBeCloseTo(measure(marks, marks.marks[0]).value, 9);
    expect(measure(smaller, smaller.marks[0]).half).toBeCloseTo(measure(marks, marks.marks[0]).half, 3);
  });

  it("is the less certain the worse the pointing, and never certain", () => {
    const half = (pointingPx: number) =>
      measure({ ...ruler(100, 50), pointingPx }, mark("length", [0, 0], [30, 40])).half;
    expect(half(2)).toBeGreaterThan(half(1));
    expect(half(0.5)).toBeGreaterThan(0);
  });

  it.each([
    [
      "a rectangle marked crosswise",
      { kind: "corners" as const, points: [SQUARE[0], SQUARE[2], SQUARE[1], SQUARE[3]], widthMm: 10, heightMm: 10 },
      "no-rectangle",
    ],
    [
      "corners on one line",
      {
        kind: "corners" as const,
        points: [
          [0, 0],
          [1, 0],
          [2, 0],
          [3, 0],
        ] as Point[],
        widthMm: 10,
        heightMm: 10,
      },
      "no-rectangle",
    ],
    [
      "three corners",
      { kind: "corners" as const, points: SQUARE.slice(1), widthMm: 10, heightMm: 10 },
      "too-few-points",
    ],
    [
      "a known length of nothing",
      {
        kind: "length" as const,
        points: [
          [5, 5],
          [5, 6],
        ] as Point[],
        mm: 10,
      },
      "too-close",
    ],
  ])("refuses %s", (_, calibration, code) => {
    expect(() => toPlane(calibration)).toThrow(expect.objectContaining({ code }));
  });
  it("refuses a mark without its points", () =>
    expect(() => measure(plain, mark("angle", [0, 0], [1, 1]))).toThrow(
      expect.objectContaining({ code: "too-few-points" }),
    ));

  it("goes into the observation in the unit of the character, or nowhere", () => {
    const length = measure(ruler(100, 50), mark("length", [0, 0], [30, 40]));
    expect(readingFor({ kind: "measure", unit: "cm" }, length)).toBeCloseTo(2.5, 9);
    expect(readingFor({ kind: "measure", unit: "mm" }, length)).toBeCloseTo(25, 9);
    expect(readingFor({ kind: "angle", unit: "°" }, length)).toBeNull();
    expect(readingFor({ kind: "measure", unit: "cm" }, measure(plain, mark("length", [0, 0], [30, 40])))).toBeNull();
  });
});
