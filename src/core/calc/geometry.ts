import geodesic from "geographiclib-geodesic";
import { z } from "zod";
import { InputError } from "../errors";
import { calculation } from "../product";

const { WGS84 } = geodesic.Geodesic;
const position = z.tuple([
  z.number().min(-180).max(180).describe("°, longitude"),
  z.number().min(-90).max(90).describe("°, latitude"),
]);
type Position = z.output<typeof position>;
const ringSchema = z.array(position).min(3).max(10_000).describe("°, [longitude, latitude]; it may be closed or not");

/** Area and perimeter of a ring on the ellipsoid; which way round it is drawn does not matter. */
function measureRing(ring: Position[]): { areaM2: number; perimeterM: number } {
  const polygon = WGS84.Polygon(false);
  for (const [longitude, latitude] of openRing(ring)) polygon.AddPoint(latitude, longitude);
  const { area, perimeter } = polygon.Compute(false, true);
  return { areaM2: Math.abs(area ?? 0), perimeterM: perimeter };
}

function openRing(ring: Position[]): Position[] {
  const [first] = ring;
  const last = ring.at(-1);
  const open = first && last && first[0] === last[0] && first[1] === last[1] ? ring.slice(0, -1) : ring;
  if (open.length < 3) throw new InputError("out-of-range", "rings", ring.length, "give at least three corners");
  return open;
}

const distanceM = ([lon1, lat1]: Position, [lon2, lat2]: Position): number =>
  WGS84.Inverse(lat1, lon1, lat2, lon2).s12 ?? 0;

/** Least value of a distance along a segment, by narrowing thirds: along a segment of a map it falls and then rises. */
function leastAlong(distance: (at: Position) => number, [x1, y1]: Position, [x2, y2]: Position): number {
  const at = (share: number): Position => [x1 + (x2 - x1) * share, y1 + (y2 - y1) * share];
  let [low, high] = [0, 1];
  for (let i = 0; i < 60; i++) {
    const third = (high - low) / 3;
    if (distance(at(low + third)) < distance(at(high - third))) high -= third;
    else low += third;
  }
  return Math.min(distance(at((low + high) / 2)), distance(at(0)), distance(at(1)));
}

/** On the ellipsoid of WGS 84. Source of all: Karney (2013), Algorithms for geodesics, Journal of Geodesy 87. */
export const GEOMETRY = [
  calculation({
    name: "geodesic-area",
    says: "Area and outline of a polygon on the ellipsoid. Further rings are holes.",
    inputs: z.strictObject({ rings: z.array(ringSchema).min(1).max(100).describe("outline first, then holes") }),
    gives: "{ areaM2, perimeterM: of the outline }",
    source: "Karney (2013), Journal of Geodesy 87",
    example: {
      // An eighth of the ellipsoid: its area is that of WGS 84, 510,065,621,724,088.44 m², by 8.
      inputs: {
        rings: [
          [
            [0, 0],
            [90, 0],
            [0, 90],
          ],
        ],
      },
      value: { areaM2: 63758202715511.055, perimeterM: 30022685.77775534 },
    },
    run: ({ rings }) => {
      const [outline, ...holes] = rings.map(measureRing);
      if (!outline) throw new InputError("missing", "rings", rings, "give an outline");
      return { ...outline, areaM2: outline.areaM2 - holes.reduce((sum, { areaM2 }) => sum + areaM2, 0) };
    },
  }),
  calculation({
    name: "geodesic-distance",
    says: "Distance of two places on the ellipsoid.",
    inputs: z.strictObject({ from: position, to: position }),
    gives: "m",
    source: "Karney (2013), Journal of Geodesy 87",
    example: { inputs: { from: [0, 0], to: [90, 0] }, value: 10018754.171394622 },
    run: ({ from, to }) => distanceM(from, to),
  }),
  calculation({
    name: "distance-to-line",
    says: "Distance of a place from the nearest point of a line or an outline, such as a stream.",
    inputs: z.strictObject({
      from: position,
      line: z.array(position).min(2).max(500).describe("°, [longitude, latitude]"),
    }),
    gives: "m",
    source: "least geodesic distance over each segment, straight in longitude and latitude; Karney (2013)",
    example: {
      inputs: {
        from: [0, 0],
        line: [
          [-1, 1],
          [1, 1],
        ],
      },
      value: 110574.38855779878,
    },
    run: ({ from, line }) =>
      Math.min(...line.slice(1).map((end, i) => leastAlong((at) => distanceM(from, at), line[i] ?? end, end))),
  }),
  calculation({
    name: "track-length",
    says: "Length of a track, without the gaps between its segments and without repeated fixes.",
    inputs: z.strictObject({
      segments: z.array(z.array(position).min(1).max(50_000)).min(1).max(1000).describe("°, [longitude, latitude]"),
    }),
    gives: "m",
    source: "sum of geodesic distances within segments",
    example: {
      inputs: {
        segments: [
          [
            [0, 0],
            [45, 0],
            [90, 0],
          ],
        ],
      },
      value: 10018754.171394622,
    },
    run: ({ segments }) =>
      segments.reduce(
        (sum, segment) =>
          sum + segment.slice(1).reduce((of, place, i) => of + distanceM(segment[i] ?? place, place), 0),
        0,
      ),
  }),
];
