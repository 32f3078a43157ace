import { itemAt } from "@/core/items";

/** The outline of a patch with a scale bar, drawn for screen and paper. Degrees become meters at the patch's own latitude. */
export function OutlineDrawing({ ring, kept = false }: { ring: [number, number][]; kept?: boolean }) {
  const latitude = itemAt(ring, 0)[1];
  const metres = ring.map(([x, y]): [number, number] => [
    x * 111320 * Math.cos((latitude * Math.PI) / 180),
    y * 110574,
  ]);
  const xs = metres.map((p) => p[0]);
  const ys = metres.map((p) => p[1]);
  const [west, east, south, north] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
  const scale = 260 / Math.max(east - west, north - south, 1);
  const points = metres
    .map(([x, y]) => `${(20 + (x - west) * scale).toFixed(1)},${(20 + (north - y) * scale).toFixed(1)}`)
    .join(" ");
  const steps = [1, 2, 5, 10, 20, 50, 100, 200, 500, 1000];
  const bar = steps.findLast((s) => s * scale <= 120) ?? 1;
  const height = 60 + (north - south) * scale;
  return (
    <svg
      viewBox={`0 0 300 ${height.toFixed(0)}`}
      className="w-full border border-[var(--rule)]"
      role="img"
      aria-label={`Outline of the patch, ${Math.round(east - west)} by ${Math.round(north - south)} meters`}
    >
      <polygon
        points={points}
        fill={kept ? "var(--kept-ground)" : "var(--target-ground)"}
        stroke={kept ? "var(--teal)" : "var(--ink)"}
        strokeWidth={1.5}
      />
      <path d={`M20,${height - 14}v-5m0,2.5h${bar * scale}m0,-2.5v5`} stroke="var(--ink)" fill="none" />
      <text x={26 + bar * scale} y={height - 11} fontSize={12} fill="var(--ink)">
        {bar} m
      </text>
      <path d={`M284,${height - 10}v-24m-5,7l5,-8l5,8`} stroke="var(--ink)" fill="none" />
      <text x={279} y={height - 38} fontSize={12} fill="var(--ink)">
        N
      </text>
    </svg>
  );
}
