"use client";

import { itemAt } from "@/core/items";
import { scaleLog } from "d3-scale";
import { memo } from "react";
import { percent } from "@/core/identify";
import { statusHere, StatusMark } from "../verdict/marks";
import type { FieldMark } from "./engine";
import { spreadLabels } from "./spread-labels";

const WIDTH = 440;
const TOP = 54;
const FOOT = 20;
const HEIGHT = 420;
const LEFT = 78;
const RIGHT = 210;
const LEAST = 0.001;
/** Least distance between two lines of writing. */
const GAP = 25;
const SHOWN = 10;

export interface Slope extends FieldMark {
  /** heights of the two ends, and of the writing beside each, in units of the drawing */
  from: number;
  to: number;
  fromLabel: number;
  toLabel: number;
}

const heightOf = scaleLog()
  .domain([LEAST, 1])
  .range([HEIGHT - FOOT, TOP])
  .clamp(true);

/** The plants that stand highest either way, each with its share by looks alone and as things are in the district. */
export function slopesOf(marks: FieldMark[]): Slope[] {
  const shown = [...marks]
    .sort((a, b) => Math.max(b.probability, b.flat) - Math.max(a.probability, a.flat))
    .slice(0, SHOWN);
  const from = shown.map((m) => heightOf(m.flat));
  const to = shown.map((m) => heightOf(m.probability));
  const fromLabels = spreadLabels(from, GAP, TOP, HEIGHT - FOOT);
  const toLabels = spreadLabels(to, GAP, TOP, HEIGHT - FOOT);
  return shown.map((m, i) => ({
    ...m,
    from: itemAt(from, i),
    to: itemAt(to, i),
    fromLabel: itemAt(fromLabels, i),
    toLabel: itemAt(toLabels, i),
  }));
}

/** A plant that the district moves by this factor is drawn with a heavy line. */
const MOVED = 1.5;

/** With and without the district side by side: what its list, its records and the season add to the checks themselves. */
export const DistrictSlopes = memo(function DistrictSlopes({ marks }: { marks: FieldMark[] }) {
  const slopes = slopesOf(marks);
  const most = slopes.reduce<Slope | null>(
    (best, s) =>
      !best || Math.abs(Math.log(s.probability / s.flat)) > Math.abs(Math.log(best.probability / best.flat)) ? s : best,
    null,
  );
  return (
    <figure data-testid="district-slopes">
      <svg
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        className="w-full"
        role="img"
        aria-label={slopes
          .map((s) => `${s.name}: ${percent(s.flat)} by its characters alone, ${percent(s.probability)} here`)
          .join("; ")}
      >
        <rect x={0} y={0} width={WIDTH} height={HEIGHT} fill="var(--sheet)" />
        <text x={LEFT} y={20} textAnchor="end" className="slab" fontSize={15} fontWeight={640} fill="var(--ink)">
          Looks
        </text>
        <text x={LEFT} y={36} textAnchor="end" className="slab" fontSize={15} fontWeight={640} fill="var(--ink)">
          alone
        </text>
        <text x={RIGHT} y={20} className="slab" fontSize={15} fontWeight={640} fill="var(--ink)">
          In this district
        </text>
        <text x={RIGHT} y={36} fontSize={12} fill="var(--soft)">
          its list, what was confirmed, the day
        </text>
        {[LEFT, RIGHT].map((x) => (
          <line key={x} x1={x} x2={x} y1={TOP - 6} y2={HEIGHT - FOOT + 6} stroke="var(--line)" strokeWidth={1.2} />
        ))}
        {slopes.map((s) => {
          const ink = s.side === "kept" ? "var(--teal)" : "var(--madder)";
          const moved = Math.max(s.probability / s.flat, s.flat / s.probability) > MOVED;
          return (
            <g key={s.taxon}>
              <line x1={LEFT} y1={s.from} x2={RIGHT} y2={s.to} stroke={ink} strokeWidth={moved ? 2.6 : 1.2} />
              <path
                d={`M${LEFT - 3},${s.from}L${LEFT - 12},${s.fromLabel}M${RIGHT + 3},${s.to}L${RIGHT + 14},${s.toLabel}`}
                stroke="var(--soft)"
                strokeWidth={0.7}
                fill="none"
              />
              <text
                x={LEFT - 15}
                y={s.fromLabel + 4}
                textAnchor="end"
                fontSize={12.5}
                className="figure"
                fill="var(--ink)"
              >
                {percent(s.flat)}
              </text>
              <g transform={`translate(${RIGHT + 17},${s.toLabel - 8})`}>
                <StatusMark status={s.status} size={16} />
              </g>
              <text x={RIGHT + 38} y={s.toLabel + 4} fontSize={13.5} fontWeight={600} fill="var(--ink)">
                {s.name.length > 19 ? `${s.name.slice(0, 18)}…` : s.name}{" "}
                <tspan fontSize={12.5} className="figure" fontWeight={400}>
                  {percent(s.probability)}
                </tspan>
              </text>
            </g>
          );
        })}
      </svg>
      <figcaption className="small text-[var(--soft)]">
        A plant is cleared only if it passes both ways.{" "}
        {most && Math.max(most.probability / most.flat, most.flat / most.probability) > MOVED
          ? `The district ${most.probability > most.flat ? "lifts" : "lowers"} ${most.name} most (${statusHere(most.status)}).`
          : "The district changes little here."}
      </figcaption>
    </figure>
  );
});
