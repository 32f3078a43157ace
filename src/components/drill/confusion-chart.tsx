"use client";
import { Options } from "../ui/options";
import { scaleLinear } from "d3-scale";
import { useState } from "react";
import type { Confusion } from "@/core/drill";

const MOST_ROWS = 12;
const WIDTH = 220;
const MIDDLE = WIDTH / 2;

/** Plants that belong together, by which pairs can be narrowed down. */
export interface PlantSet {
  id: string;
  name: string;
  taxa: string[];
}

/** Pairs that are mixed up, weakest first: how often each was mistaken, and how often it was told apart since. */
export function ConfusionChart({
  confusions,
  names,
  sets,
}: {
  confusions: Confusion[];
  names: Record<string, string>;
  sets: PlantSet[];
}) {
  const [set, setSet] = useState("");
  const taxa = sets.find(({ id }) => id === set)?.taxa;
  const shown = confusions.filter(({ pair }) => !taxa || pair.some((id) => taxa.includes(id))).slice(0, MOST_ROWS);
  const useful = sets.filter((one) => confusions.some(({ pair }) => pair.some((id) => one.taxa.includes(id))));
  const most = Math.max(1, ...shown.flatMap(({ wrong, right }) => [wrong, right]));
  const length = scaleLinear([0, most], [0, MIDDLE - 18]);
  if (confusions.length === 0) return <p className="mt-2">No pair is mixed up so far.</p>;
  return (
    <>
      {useful.length > 1 ? (
        <label className="field mt-2 max-w-[320px]">
          <span className="label">Of which set</span>
          <select value={set} onChange={(e) => setSet(e.target.value)}>
            <Options none="all sets" choices={useful} />
          </select>
        </label>
      ) : null}
      <table className="w-full mt-2 text-left" aria-label="Pairs that are mixed up, weakest first">
        <thead>
          <tr className="small">
            <th scope="col" className="font-normal">
              Pair
            </th>
            <th scope="col" className="font-normal">
              mistaken · told apart since
            </th>
          </tr>
        </thead>
        <tbody>
          {shown.map(({ pair: [a, b], wrong, right, weakness }) => (
            <tr key={`${a} ${b}`} className="row">
              <td className="py-1 pr-2">
                <a className="tap" href={`/twins?t=${a}&t=${b}`}>
                  {names[a] ?? a} or {names[b] ?? b}
                </a>
                <span className="small block">{standing(weakness)}</span>
              </td>
              <td>
                <svg
                  viewBox={`0 0 ${WIDTH} 22`}
                  className="w-full max-w-[240px]"
                  role="img"
                  aria-label={`${wrong} times mistaken, ${right} times told apart`}
                >
                  <rect x={MIDDLE - length(wrong)} y={4} width={length(wrong)} height={14} fill="var(--madder)" />
                  <rect x={MIDDLE} y={4} width={length(right)} height={14} fill="var(--moss)" />
                  <path d={`M${MIDDLE},0V22`} stroke="var(--ink)" />
                  <text x={MIDDLE - length(wrong) - 4} y={16} textAnchor="end" className="chart-words">
                    {wrong}
                  </text>
                  <text x={MIDDLE + length(right) + 4} y={16} className="chart-words">
                    {right}
                  </text>
                </svg>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </>
  );
}

/** How much a pair is still mixed up, in words. */
const standing = (weakness: number): string =>
  weakness >= 1 ? "still mixed up" : weakness >= 0.3 ? "getting better" : "told apart";
