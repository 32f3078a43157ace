import { z } from "zod";
import { InputError } from "../errors";
import { homography, type Point } from "../measure";
import { above0, calculation, level } from "../product";
import { spreadOf, twoSidedT } from "./density";

const point = z.tuple([z.number().describe("px"), z.number().describe("px")]);
const distance = ([ax, ay]: Point, [bx, by]: Point): number => Math.hypot(ax - bx, ay - by);

/** Measures on a photograph, and means of several. */
export const PHOTOGRAPH = [
  calculation({
    name: "photo-length",
    says: "Length along points, by an object of known length in the same plane.",
    inputs: z.strictObject({
      path: z.array(point).min(2).max(10_000).describe("px, along what is measured"),
      known: z.tuple([point, point]).describe("px, ends of the known object"),
      knownMm: above0("mm, length of the known object"),
    }),
    gives: "mm",
    source: "proportion",
    example: {
      inputs: {
        path: [
          [0, 0],
          [0, 50],
        ],
        known: [
          [0, 0],
          [100, 0],
        ],
        knownMm: 20,
      },
      value: 10,
    },
    run: ({ path, known, knownMm }) => {
      const span = distance(...known);
      if (span === 0) throw new InputError("out-of-range", "known", known, "give two different points");
      return path.slice(1).reduce((sum, at, i) => sum + distance(path[i] ?? at, at), 0) * (knownMm / span);
    },
  }),
  calculation({
    name: "photo-area",
    says: "Area of an outline, by an object of known length in the same plane; area scales with the square.",
    inputs: z.strictObject({
      outline: z.array(point).min(3).max(10_000).describe("px"),
      known: z.tuple([point, point]).describe("px"),
      knownMm: above0("mm"),
    }),
    gives: "mm²",
    source: "shoelace formula",
    example: {
      inputs: {
        outline: [
          [0, 0],
          [50, 0],
          [50, 50],
          [0, 50],
        ],
        known: [
          [0, 0],
          [100, 0],
        ],
        knownMm: 20,
      },
      value: 100,
    },
    run: ({ outline, known, knownMm }) => {
      const span = distance(...known);
      if (span === 0) throw new InputError("out-of-range", "known", known, "give two different points");
      const twice = outline.reduce((sum, [x, y], i) => {
        const [nx, ny] = outline[(i + 1) % outline.length] ?? [x, y];
        return sum + x * ny - nx * y;
      }, 0);
      return (Math.abs(twice) / 2) * (knownMm / span) ** 2;
    },
  }),
  calculation({
    name: "straighten",
    says: "Where a point of a photograph lies on a sheet, by the four corners of a known rectangle on it.",
    inputs: z.strictObject({
      corners: z.tuple([point, point, point, point]).describe("px, in order around the rectangle"),
      widthMm: above0("mm, between the first and the second corner"),
      heightMm: above0("mm, between the second and the third corner"),
      at: point,
    }),
    gives: "mm: [x, y] from the first corner",
    source: "homography of four points; Hartley and Zisserman (2004), Multiple View Geometry, 4.1",
    example: {
      inputs: {
        corners: [
          [0, 0],
          [10, 0],
          [10, 10],
          [0, 10],
        ],
        widthMm: 20,
        heightMm: 20,
        at: [5, 5],
      },
      value: [10, 10],
    },
    run: ({ corners, widthMm, heightMm, at }) =>
      homography(corners, [
        [0, 0],
        [widthMm, 0],
        [widthMm, heightMm],
        [0, heightMm],
      ])(at),
  }),
  calculation({
    name: "notch-angle",
    says: "Angle at the bottom of a notch, between its two tips.",
    inputs: z.strictObject({ tipA: point, bottom: point, tipB: point }),
    gives: "°, 0 to 180",
    source: "atan2 of cross and dot product",
    example: { inputs: { tipA: [0, 10], bottom: [0, 0], tipB: [10, 0] }, value: 90 },
    run: ({ tipA, bottom, tipB }) => {
      const [ax, ay] = [tipA[0] - bottom[0], tipA[1] - bottom[1]];
      const [bx, by] = [tipB[0] - bottom[0], tipB[1] - bottom[1]];
      if (Math.hypot(ax, ay) === 0 || Math.hypot(bx, by) === 0)
        throw new InputError("out-of-range", "bottom", bottom, "give three different points");
      return (Math.atan2(Math.abs(ax * by - ay * bx), ax * bx + ay * by) * 180) / Math.PI;
    },
  }),
  calculation({
    name: "mean-interval",
    says: "Mean, spread and interval of repeated measures.",
    inputs: z.strictObject({ values: z.array(z.number()).min(2).max(10_000).describe("in one unit"), level: level() }),
    gives: "{ mean, standardDeviation, low, high } in the same unit",
    source: "Student (1908)",
    example: {
      inputs: { values: [2, 4, 6] },
      value: { mean: 4, standardDeviation: 2, low: -0.9682754, high: 8.9682754 },
    },
    run: ({ values, level: confidence }) => {
      const { n, mean, variance } = spreadOf(values, "values");
      const half = twoSidedT(confidence, n - 1) * Math.sqrt(variance / n);
      return { mean, standardDeviation: Math.sqrt(variance), low: mean - half, high: mean + half };
    },
  }),
  calculation({
    name: "ratio-of-pairs",
    says: "Ratio of two parts of the same leaves, such as stalk to blade. It is the ratio of the means, not the mean of the ratios.",
    inputs: z.strictObject({
      pairs: z
        .array(z.strictObject({ part: above0("mm"), whole: above0("mm") }))
        .min(2)
        .max(10_000)
        .describe("parts of one leaf each"),
      level: level(),
    }),
    gives: "{ ratio, standardError: with the covariance of the pairs, low, high }",
    source: "delta method: r² (s²x/x̄² + s²y/ȳ² − 2 sxy/(x̄ȳ)) / n; Cochran (1977), Sampling Techniques, 6.4; t (n − 1)",
    example: {
      inputs: {
        pairs: [
          { part: 1, whole: 2 },
          { part: 2, whole: 4 },
        ],
      },
      value: { ratio: 0.5, standardError: 0, low: 0.5, high: 0.5 },
    },
    run: ({ pairs, level: confidence }) => {
      const x = spreadOf(
        pairs.map(({ part }) => part),
        "pairs",
      );
      const y = spreadOf(
        pairs.map((pair) => pair.whole),
        "pairs",
      );
      const covariance = pairs.reduce((sum, pair) => sum + (pair.part - x.mean) * (pair.whole - y.mean), 0) / (x.n - 1);
      const ratio = x.mean / y.mean;
      const relative = x.variance / x.mean ** 2 + y.variance / y.mean ** 2 - (2 * covariance) / (x.mean * y.mean);
      const standardError = ratio * Math.sqrt(Math.max(0, relative) / x.n);
      const half = twoSidedT(confidence, x.n - 1) * standardError;
      return { ratio, standardError, low: ratio - half, high: ratio + half };
    },
  }),
];
