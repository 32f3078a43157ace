"use client";

import { Disclosure } from "../ui/disclosure";
import { Segmented } from "../ui/segmented";
import { scaleLog } from "d3-scale";
import { memo, useState } from "react";
import { percent } from "@/core/identify";
import { STATUS_WORDS, StatusMark } from "../verdict/marks";
import { DistrictSlopes } from "./district-slopes";
import type { FieldMark } from "./engine";
import { AXIS, COLUMN, FOOT, HEIGHT, LEAST, MIDDLE, type Placed, placeMarks, TOP, WIDTH } from "./place-marks";

/** Units of the drawing that one letter of a name takes, and the figure after it. */
const LETTER = 6.9;
const FIGURE = 44;
const TICKS = [1, 0.3, 0.1, 0.03, 0.01, 0.003, 0.001];

/** Who still fits, in two views: the hedge, and what the district adds to the checks. */
export const Hedge = memo(function Hedge({
  marks,
  before,
  limit,
}: {
  marks: FieldMark[];
  before: Map<string, number>;
  limit: number;
}) {
  const [district, setDistrict] = useState(false);
  return (
    <div>
      <Segmented
        label="How should the remaining candidates be shown?"
        value={district ? "district" : "both"}
        onChange={(value) => setDistrict(value === "district")}
        options={[
          { value: "both", words: "Both sides" },
          { value: "district", words: "What the district adds" },
        ]}
        className="my-2"
      />
      {district ? <DistrictSlopes marks={marks} /> : <BothSides marks={marks} before={before} limit={limit} />}
    </div>
  );
});

/** The hedge: who still fits. Kept side left, targets right; nothing on the left may exceed the dashed line. */
function BothSides({ marks, before, limit }: { marks: FieldMark[]; before: Map<string, number>; limit: number }) {
  const y = scaleLog()
    .domain([LEAST, 1])
    .range([HEIGHT - FOOT, TOP]);
  const placed = placeMarks(marks, before, y);
  return (
    <figure>
      <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} className="w-full" aria-hidden>
        <rect x={0} y={0} width={MIDDLE} height={HEIGHT} fill="var(--kept-ground)" />
        <rect x={MIDDLE} y={0} width={WIDTH - MIDDLE} height={HEIGHT} fill="var(--target-ground)" />
        <line x1={MIDDLE} x2={MIDDLE} y1={0} y2={HEIGHT} stroke="var(--line)" />
        <text x={AXIS + 2} y={18} className="slab" fontSize={16} fontWeight={640} fill="var(--teal)">
          Kept side
        </text>
        <text
          x={WIDTH - 8}
          y={18}
          textAnchor="end"
          fontSize={16}
          fontWeight={640}
          className="slab"
          fill="var(--madder)"
        >
          Targets
        </text>
        {TICKS.map((t) => (
          <g key={t}>
            <line x1={0} x2={WIDTH} y1={y(t)} y2={y(t)} stroke="var(--rule)" strokeWidth={0.7} />
            <text x={AXIS - 5} y={y(t) - 3} textAnchor="end" fontSize={11} className="figure" fill="var(--soft)">
              {t * 100}%
            </text>
          </g>
        ))}
        <line
          x1={AXIS}
          x2={MIDDLE}
          y1={y(limit)}
          y2={y(limit)}
          stroke="var(--ink)"
          strokeWidth={1.8}
          strokeDasharray="8 5"
        />
        {placed.map((m) => (
          <Mark key={m.taxon} mark={m} />
        ))}
      </svg>
      <figcaption className="small mt-1">You can act only when no plant to keep is above the dashed line.</figcaption>
      <MarksTable marks={marks} />
    </figure>
  );
}

/** One plant on the hedge: where it stands, where it stood before, and its name. */
const Mark = ({ mark: m }: { mark: ReturnType<typeof placeMarks>[number] }) => {
  const [first, second] = inTwoLines(m.name, lettersFor(m));
  const below = second ?? (m.taxon === "unknown" ? null : m.taxon);
  return (
    <g>
      {m.before !== null && Math.abs(m.before - m.y) > 3 ? (
        <>
          <line x1={m.x} x2={m.x} y1={m.before} y2={m.y} stroke="var(--soft)" strokeDasharray="2 3" strokeWidth={1.4} />
          <circle cx={m.x} cy={m.before} r={3} fill="var(--soft)" />
        </>
      ) : null}
      {Math.abs(m.labelY - m.y) > 2 || m.labelX - m.x > COLUMN ? (
        <path
          d={`M${m.x + 10},${m.y}L${m.labelX - 3},${m.labelY - 3}`}
          stroke="var(--soft)"
          strokeWidth={0.6}
          fill="none"
        />
      ) : null}
      <g transform={`translate(${m.x - 9},${m.y - 9})`}>
        <StatusMark status={m.status} size={18} />
      </g>
      <rect
        x={m.labelX - 2}
        y={m.labelY - 12}
        width={Math.min(m.name.length, lettersFor(m)) * LETTER + FIGURE}
        height={below ? 29 : 16}
        fill={m.side === "kept" ? "var(--kept-ground)" : "var(--target-ground)"}
        opacity={0.86}
      />
      <text
        x={m.labelX}
        y={m.labelY + 1}
        fontSize={14}
        fontWeight={600}
        fill="var(--ink)"
        stroke={m.side === "kept" ? "var(--kept-ground)" : "var(--target-ground)"}
        strokeWidth={3}
        paintOrder="stroke"
      >
        {first}{" "}
        <tspan fontSize={12} className="figure" fontWeight={400}>
          {percent(m.probability)}
        </tspan>
      </text>
      {below ? (
        <text
          x={m.labelX}
          y={m.labelY + 14}
          fontSize={second ? 13 : 11.5}
          fontWeight={second ? 600 : 400}
          fontStyle={second ? "normal" : "italic"}
          fill={second ? "var(--ink)" : "var(--soft)"}
          stroke={m.side === "kept" ? "var(--kept-ground)" : "var(--target-ground)"}
          strokeWidth={2.4}
          paintOrder="stroke"
        >
          {below}
        </text>
      ) : null}
    </g>
  );
};

/** The same for those who read rather than look. */
const MarksTable = ({ marks }: { marks: FieldMark[] }) => (
  <Disclosure summary="The same as a table, with and without local likelihood" look="small">
    <table className="w-full text-left">
      <caption className="sr-only">Who still fits</caption>
      <thead>
        <tr className="small">
          <th scope="col">Plant</th>
          <th scope="col">Here it is</th>
          <th scope="col">Local</th>
          <th scope="col">Flat</th>
        </tr>
      </thead>
      <tbody>
        {marks.slice(0, 14).map((m) => (
          <tr key={m.taxon} className="row">
            <th scope="row" className="font-normal py-1">
              {m.name} <span className="latin">{m.taxon === "unknown" ? "" : m.taxon}</span>
            </th>
            <td>{STATUS_WORDS[m.status]}</td>
            <td className="figure">{percent(m.probability)}</td>
            <td className="figure">{percent(m.flat)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  </Disclosure>
);

/** Letters that fit between where a name begins and the end of its side. */
const lettersFor = (m: Placed) =>
  Math.max(8, Math.floor(((m.side === "kept" ? MIDDLE : WIDTH) - 4 - FIGURE - m.labelX) / LETTER));
/** A name that is too long for its line goes on below it, where the Latin name would stand; only what finds no room there is cut. */
function inTwoLines(name: string, most: number): [string, string?] {
  if (name.length <= most) return [name];
  const at = name.lastIndexOf(" ", most);
  const [first, rest] =
    at > 0 ? [name.slice(0, at), name.slice(at + 1)] : [`${name.slice(0, most - 1)}-`, name.slice(most - 1)];
  const room = most + FIGURE / LETTER;
  return [first, rest.length > room ? `${rest.slice(0, room - 1)}…` : rest];
}
