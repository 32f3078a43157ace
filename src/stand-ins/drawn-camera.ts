import sharp from "sharp";
import { homography, type Point } from "@/core/measure";
import { seededChance } from "@/core/random";
import type { CameraPort, SampleTruth } from "@/ports/camera";

const WIDTH = 2000;
const HEIGHT = 1500;
/** A card of the size that wallets are made for, ISO/IEC 7810 ID-1. */
const CARD: [number, number] = [85.6, 54];
const NOISE = 9;

/** Draws photographs of a lobed leaf beside a card, with known measures, a camera held askew, and grain. The same seed draws the same. */
export const drawnCamera: CameraPort = {
  simulated: true,
  async sample(seed) {
    const { svg, truth } = drawSample(seed);
    const grain = await sharp({
      create: {
        width: WIDTH,
        height: HEIGHT,
        channels: 3,
        background: "#808080",
        noise: { type: "gaussian", mean: 128, sigma: NOISE },
      },
    })
      .raw()
      .toBuffer();
    const jpeg = await sharp(Buffer.from(svg))
      .blur(0.7)
      .composite([{ input: grain, raw: { width: WIDTH, height: HEIGHT, channels: 3 }, blend: "overlay" }])
      .jpeg({ quality: 88 })
      .toBuffer();
    return { jpeg, truth };
  },
};

/** The scene in the plane, millimeters, and where a camera sees it. */
export function drawSample(seed: number): { svg: string; truth: SampleTruth } {
  const chance = seededChance(seed);
  const between = (a: number, b: number) => a + (b - a) * chance.uniform();
  const blade = between(60, 130);
  const stalk = blade * between(0.25, 1.3);
  const notchDegrees = between(35, 110);
  const turn = between(-0.5, 0.5);
  const leaf = leafOutline(blade, notchDegrees);
  const place = ([x, y]: Point): Point => [
    100 + x * Math.cos(turn) - y * Math.sin(turn),
    40 + x * Math.sin(turn) + y * Math.cos(turn),
  ];
  const cardTurn = between(-0.25, 0.25);
  const card: Point[] = ([[0, 0], [CARD[0], 0], CARD, [0, CARD[1]]] as Point[]).map(([x, y]) => [
    -25 + x * Math.cos(cardTurn) - y * Math.sin(cardTurn),
    -25 + x * Math.sin(cardTurn) + y * Math.cos(cardTurn),
  ]);
  const see = camera(between(-0.5, 0.5), between(-0.5, 0.5), between(-0.2, 0.2), [
    ...card,
    ...leaf.outline.map(place),
    place([0, stalk]),
  ]);
  const spotsMm: Point[] = Array.from({ length: 3 + chance.below(8) }, (_, i) =>
    place([between(-0.08, 0.08) * blade, -blade * (0.25 + 0.06 * i)]),
  );
  const px = {
    corners: card.map(see),
    outline: leaf.outline.map((p) => see(place(p))),
    stalk: [see(place([0, 0])), see(place([0, stalk]))],
    notch: leaf.notch.map((p) => see(place(p))) as [Point, Point, Point],
    tip: see(place([0, -blade])),
    spots: spotsMm.map(see),
  };
  const poly = (points: Point[]) => points.map((p) => p.map((v) => v.toFixed(2)).join(",")).join(" ");
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="${WIDTH}" height="${HEIGHT}"><rect width="100%" height="100%" fill="#b9a98a"/><polygon points="${poly(px.corners)}" fill="#f7f5ef" stroke="#8d887a" stroke-width="1"/><polyline points="${poly(px.stalk)}" fill="none" stroke="#6b7f3a" stroke-width="8"/><polygon points="${poly(px.outline)}" fill="#5f8f3e" stroke="#3f6428" stroke-width="1.5"/><line x1="${px.stalk[0][0]}" y1="${px.stalk[0][1]}" x2="${px.tip[0]}" y2="${px.tip[1]}" stroke="#a9c583" stroke-width="2"/>${px.spots.map(([x, y]) => `<circle cx="${x.toFixed(1)}" cy="${y.toFixed(1)}" r="8" fill="#4a1e22"/>`).join("")}</svg>`;
  return {
    svg,
    truth: {
      widthPx: WIDTH,
      heightPx: HEIGHT,
      cardMm: CARD,
      corners: px.corners,
      stalkFoot: px.stalk[1],
      bladeFoot: px.stalk[0],
      tip: px.tip,
      notch: px.notch,
      outline: px.outline,
      spots: px.spots,
      bladeMm: blade,
      stalkMm: stalk,
      notchDegrees,
      areaMm2: polygonArea(leaf.outline),
    },
  };
}

/** A leaf of three lobes with its foot at the origin and its tip at [0, −blade]; the notch left of the middle lobe has the angle given. */
function leafOutline(blade: number, notchDegrees: number): { outline: Point[]; notch: [Point, Point, Point] } {
  const bottom: Point = [-0.14 * blade, -0.42 * blade];
  const half = (notchDegrees / 2 / 180) * Math.PI;
  const axis = (-112 / 180) * Math.PI;
  const arm = (angle: number, length: number): Point => [
    bottom[0] + length * Math.cos(angle),
    bottom[1] + length * Math.sin(angle),
  ];
  const inner = arm(axis + half, 0.3 * blade);
  const outer = arm(axis - half, 0.36 * blade);
  const left: Point[] = [[0, 0], [-0.26 * blade, -0.08 * blade], outer, bottom, inner];
  const right: Point[] = left
    .slice(1)
    .reverse()
    .map(([x, y]) => [-x, y]);
  return { outline: [...left, [0, -blade], ...right], notch: [outer, bottom, inner] };
}

/** A pinhole camera held askew: tilted about both axes and turned, at the distance at which all that is wanted fills the frame. */
function camera(tiltX: number, tiltY: number, roll: number, wanted: Point[]): (p: Point) => Point {
  const [cx, cy] = [0, 1].map((k) => wanted.reduce((sum, p) => sum + p[k], 0) / wanted.length);
  const raw = ([x, y]: Point): Point => {
    const [u, v] = [x - cx, y - cy];
    const [ur, vr] = [u * Math.cos(roll) - v * Math.sin(roll), u * Math.sin(roll) + v * Math.cos(roll)];
    const depth = 420 + ur * Math.sin(tiltY) + vr * Math.sin(tiltX);
    return [(ur * Math.cos(tiltY)) / depth, (vr * Math.cos(tiltX)) / depth];
  };
  const seen = wanted.map(raw);
  const range = (k: number) => [Math.min(...seen.map((p) => p[k])), Math.max(...seen.map((p) => p[k]))];
  const [[x0, x1], [y0, y1]] = [range(0), range(1)];
  const scale = Math.min((WIDTH * 0.86) / (x1 - x0), (HEIGHT * 0.86) / (y1 - y0));
  const frame = (p: Point): Point => [
    WIDTH / 2 + (p[0] - (x0 + x1) / 2) * scale,
    HEIGHT / 2 + (p[1] - (y0 + y1) / 2) * scale,
  ];
  // A pinhole sees a plane through a projective map: four points of it say the whole.
  const four: Point[] = [
    [-100, -100],
    [200, -100],
    [200, 200],
    [-100, 200],
  ];
  return homography(
    four,
    four.map((p) => frame(raw(p))),
  );
}

const polygonArea = (points: Point[]): number =>
  Math.abs(
    points.reduce(
      (sum, [x, y], i) => sum + x * points[(i + 1) % points.length][1] - points[(i + 1) % points.length][0] * y,
      0,
    ),
  ) / 2;
