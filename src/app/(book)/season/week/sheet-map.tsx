import { scaleLinear } from "d3-scale";
import type { MapShape } from "@/contracts/ground";
import type { WeekSheet } from "@/server/season/week-sheet";

const WIDTH = 300;
const MARGIN = 16;

type Position = [longitude: number, latitude: number];

const pointsOf = (shape: MapShape): Position[][] =>
  shape.type === "LineString" ? [shape.coordinates] : shape.coordinates;

/** Where the patches of a sheet lie to each other, north up, with the waters and tracks between. Its bar is to scale. */
export function SheetMap({ map }: { map: WeekSheet["map"] }) {
  const all = map.patches.flatMap(({ outline }) => outline.coordinates.flat());
  if (all.length === 0) return null;
  const frame = frameOf(all);
  const path = (rings: Position[][]) =>
    rings
      .map((ring) => `M${ring.map(([x, y]) => `${frame.x(x).toFixed(1)} ${frame.y(y).toFixed(1)}`).join("L")}`)
      .join("");
  return (
    <figure className="m-0">
      <svg
        width={WIDTH}
        height={frame.height}
        viewBox={`0 0 ${WIDTH} ${frame.height}`}
        role="img"
        aria-label="Small map of the patches of this week"
        className="border border-[var(--line)] max-w-full h-auto"
      >
        {map.lines.map(({ kind, name, shape }) => (
          <path
            key={`${kind}${name}`}
            d={path(pointsOf(shape))}
            fill={kind === "lake" ? "var(--t-water)" : "none"}
            stroke={kind === "track" ? "var(--line)" : "var(--teal)"}
            strokeWidth={kind === "river" ? 3 : 1.5}
            strokeDasharray={kind === "track" ? "5 3" : undefined}
          />
        ))}
        {map.patches.map(({ number, outline }) => {
          const [x, y] = middleOf(outline.coordinates.flat());
          return (
            <g key={number}>
              <path d={path(outline.coordinates)} fill="var(--t-ground)" stroke="var(--ink)" />
              <circle cx={frame.x(x)} cy={frame.y(y)} r={10} fill="var(--paper)" stroke="var(--ink)" />
              <text
                x={frame.x(x)}
                y={frame.y(y) + 4}
                textAnchor="middle"
                fontSize={12}
                fontWeight={600}
                fill="var(--ink)"
              >
                {number}
              </text>
            </g>
          );
        })}
        <line
          x1={MARGIN}
          x2={MARGIN + frame.bar.pixels}
          y1={frame.height - 8}
          y2={frame.height - 8}
          stroke="var(--ink)"
          strokeWidth={2}
        />
        <text x={MARGIN} y={frame.height - 13} fontSize={11} fill="var(--ink)">
          {frame.bar.words}
        </text>
      </svg>
      <figcaption className="small">North is up.</figcaption>
    </figure>
  );
}

const middleOf = (ring: Position[]): Position => {
  const sum = ring.reduce<Position>(([x, y], at) => [x + at[0], y + at[1]], [0, 0]);
  return [sum[0] / ring.length, sum[1] / ring.length];
};

/** Meters in a degree of latitude, mean sphere. */
const DEGREE_M = 111_195;
/** A map of one small patch shows at least so much ground. */
const LEAST_M = 300;

function frameOf(points: Position[]) {
  const xs = points.map(([x]) => x);
  const ys = points.map(([, y]) => y);
  const middle: Position = [(Math.min(...xs) + Math.max(...xs)) / 2, (Math.min(...ys) + Math.max(...ys)) / 2];
  const narrow = Math.cos((middle[1] * Math.PI) / 180);
  const wide = Math.max(LEAST_M, (Math.max(...xs) - Math.min(...xs)) * narrow * DEGREE_M);
  const high = Math.max(LEAST_M, (Math.max(...ys) - Math.min(...ys)) * DEGREE_M);
  // The longer side fills the width; no sheet is higher than one and a half times that.
  const perPixel = Math.max(wide / (WIDTH - 2 * MARGIN), high / (1.5 * WIDTH - 2 * MARGIN));
  const height = Math.max(160, Math.round(high / perPixel + 2 * MARGIN));
  const halfX = ((WIDTH / 2) * perPixel) / DEGREE_M / narrow;
  const halfY = ((height / 2) * perPixel) / DEGREE_M;
  const length =
    [50, 100, 200, 500, 1000, 2000, 5000, 10_000, 20_000].filter((m) => m / perPixel < WIDTH / 2).at(-1) ?? 50;
  return {
    x: scaleLinear([middle[0] - halfX, middle[0] + halfX], [0, WIDTH]),
    y: scaleLinear([middle[1] - halfY, middle[1] + halfY], [height, 0]),
    height,
    bar: { pixels: length / perPixel, words: length < 1000 ? `${length} m` : `${length / 1000} km` },
  };
}
