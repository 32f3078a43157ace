"use client";

import { Button } from "../ui/button";
import { itemAt } from "@/core/items";
import { StatusMark } from "../verdict/marks";
import type { Side } from "./engine";

export type SlipKind = "verdict-hangs-on-it" | "against-all-others";

interface Row {
  seen: string;
  decibans: number;
}
interface Props {
  rows: Row[];
  pair: Side[] | null;
  /** plants that may be chosen for the pair, likeliest first */
  plants: { taxon: string; name: string }[];
  /** null for the likeliest on each side */
  onPair: (pair: [string, string] | null) => void;
  pairChosen: boolean;
  /** slip of each row, where there is one */
  slips: (SlipKind | null)[];
  onRemove: (index: number) => void;
  onRevise: (index: number) => void;
}

/** What a weight of evidence is worth in words; ten decibans are ten to one. */
function sentence(decibans: number, pair: Side[]): string {
  const size = Math.abs(decibans);
  const name = itemAt(pair, decibans >= 0 ? 0 : 1).name;
  if (size < 1) return "hardly tells the two apart";
  return size >= 10 ? `speaks strongly for ${name}` : size >= 4 ? `speaks for ${name}` : `leans towards ${name}`;
}

const SLIP_WORDS: Record<SlipKind, string> = {
  "against-all-others": "This answer contradicts the others. Check it again.",
  "verdict-hangs-on-it": "The verdict depends on this answer.",
};

/** What was seen, and how it weighs between two plants, in decibans: small two-way bars. Each can be looked at again or taken back. */
export function Evidence({ rows, pair, plants, onPair, pairChosen, slips, onRemove, onRevise }: Props) {
  const most = Math.max(6, ...rows.map((r) => Math.abs(r.decibans)));
  const total = rows.reduce((sum, r) => sum + r.decibans, 0);
  const signed = (decibans: number) =>
    Math.abs(decibans) < 0.05 ? "–" : `${decibans > 0 ? "+" : "−"}${Math.abs(decibans).toFixed(1)}`;
  return (
    <section className="mt-6" aria-label="What you have seen">
      <h2 className="ruled">What you have seen</h2>
      {rows.length === 0 ? (
        <p className="small py-3">
          Nothing yet. Each answer will appear here with its weight. You can check it again or take it back.
        </p>
      ) : null}
      {rows.length > 0 ? (
        // Its room is kept before the engine has answered: what comes later moves no button from under a finger.
        <div className="grid sm:grid-cols-2 gap-x-4 gap-y-1 py-2 min-h-[146px] sm:min-h-[82px]">
          {pair ? <PairChoice {...{ pair, plants, onPair, pairChosen }} /> : null}
        </div>
      ) : null}
      <ol>
        {rows.map((row, i) => (
          <li
            // biome-ignore lint/suspicious/noArrayIndexKey: the order of the observations is their identity
            key={i}
            className="row grid grid-cols-[minmax(0,1fr)_48px_44px_44px] sm:grid-cols-[minmax(0,1fr)_150px_56px_44px_44px] items-center gap-2"
          >
            <span className="py-2">
              {row.seen}
              <span className="small block">{pair ? sentence(row.decibans, pair) : "\u00a0"}</span>
              {slips[i] ? (
                <strong className={`small block ${slips[i] === "against-all-others" ? "text-[var(--madder)]" : ""}`}>
                  {SLIP_WORDS[slips[i]]}
                </strong>
              ) : null}
            </span>
            <svg viewBox="0 0 180 20" className="hidden sm:block w-full h-5" aria-hidden>
              <line x1={90} x2={90} y1={1} y2={19} stroke="var(--soft)" />
              <rect
                x={row.decibans >= 0 ? 90 : 90 - (88 * -row.decibans) / most}
                y={6}
                width={(88 * Math.abs(row.decibans)) / most}
                height={8}
                fill={row.decibans >= 0 ? "var(--madder)" : "var(--teal)"}
              />
            </svg>
            <span className="figure text-right">{signed(row.decibans)}</span>
            <button
              type="button"
              className="min-h-[44px] min-w-[44px]"
              aria-label={`Check again: ${row.seen}`}
              title="Check again"
              onClick={() => onRevise(i)}
            >
              ↻
            </button>
            <button
              type="button"
              className="min-h-[44px] min-w-[44px]"
              aria-label={`Take back: ${row.seen}`}
              title="Take back"
              onClick={() => onRemove(i)}
            >
              ×
            </button>
          </li>
        ))}
      </ol>
      {pair && rows.length > 1 ? (
        <p className="small py-2">
          Together{" "}
          {Math.abs(total) < 1
            ? "the answers hardly tell the two apart"
            : `${signed(total)} decibans: what was seen ${sentence(total, pair)}`}
          . The weight of an answer is what changes when that answer is left out. Answers that can be wrong together
          weigh less than their sum.
        </p>
      ) : null}
    </section>
  );
}

/** Which two plants are weighed against each other. */
function PairChoice({
  pair,
  plants,
  onPair,
  pairChosen,
}: Pick<Props, "plants" | "onPair" | "pairChosen"> & { pair: Side[] }) {
  const [first, second] = [itemAt(pair, 0), itemAt(pair, 1)];
  const others = plants.filter((plant) => plant.taxon !== first.taxon && plant.taxon !== second.taxon);
  const sides = [
    { side: second, words: "◀ bars to the left are for", choose: (taxon: string) => onPair([first.taxon, taxon]) },
    { side: first, words: "bars to the right are for ▶", choose: (taxon: string) => onPair([taxon, second.taxon]) },
  ];
  return (
    <>
      {sides.map(({ side, words, choose }) => (
        <label key={words} className="field">
          <span className="label flex items-center gap-1">
            {words} <StatusMark status={side.status} size={13} />
          </span>
          <select value={side.taxon} onChange={(e) => choose(e.target.value)}>
            {[side, ...others].map((plant) => (
              <option key={plant.taxon} value={plant.taxon}>
                {plant.name}
              </option>
            ))}
          </select>
        </label>
      ))}
      {pairChosen ? (
        <Button look="plain" className="small sm:col-span-2 text-left" onClick={() => onPair(null)}>
          Back to the most likely plant on each side
        </Button>
      ) : null}
    </>
  );
}
