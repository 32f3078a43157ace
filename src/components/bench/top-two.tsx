"use client";

import { Button } from "../ui/button";
import { itemAt } from "@/core/items";
import Link from "next/link";
import { FigureDrawing } from "@/drawings/figure/figure-drawing";
import { NOT_DRAWN } from "@/core/flora";
import { StatusMark } from "../verdict/marks";
import type { Parted, Side } from "./engine";
import { LazyPicture } from "./lazy-picture";

/** The two plants that are weighed against each other, side by side in what tells them apart best now. */
export function TopTwo({
  pair,
  parted,
  nameOf,
  idOf,
  onAsk,
}: {
  pair: Side[];
  parted: Parted[];
  nameOf: (character: string) => string /** id of a plant in the flora */;
  idOf: (taxon: string) => string;
  onAsk: (character: string) => void;
}) {
  return (
    <section className="mt-6">
      <h2 className="ruled">
        The two side by side
        <Link className="small" href={`/twins?t=${idOf(itemAt(pair, 0).taxon)}&t=${idOf(itemAt(pair, 1).taxon)}`}>
          every character that differs
        </Link>
      </h2>
      {parted.length === 0 ? (
        <p className="small py-2">The flora records nothing that tells these two apart at this stage.</p>
      ) : null}
      <table className="w-full text-left mt-1">
        <caption className="sr-only">
          What tells {itemAt(pair, 0).name} from {itemAt(pair, 1).name}, best first
        </caption>
        <thead>
          <tr>
            <th scope="col" className="sr-only">
              Part
            </th>
            {pair.map((p) => (
              <th key={p.taxon} scope="col" className="pb-1">
                <span className="inline-flex gap-1 items-center">
                  <StatusMark status={p.status} size={15} />
                  {p.name}
                </span>
                <FigureDrawing
                  figure={p.figure}
                  title={`${p.name}, the whole plant`}
                  className="block w-full max-w-[190px] mt-1 drawing-ground border border-[var(--rule)]"
                />
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {parted.map((row) => (
            <tr key={row.character} className="row align-top">
              <th scope="row" className="font-normal py-2 pr-2 w-[30%]">
                {row.answered ? (
                  <>
                    {nameOf(row.character)} <span className="small">seen</span>
                  </>
                ) : (
                  <Button look="plain" className="text-left min-h-[44px]" onClick={() => onAsk(row.character)}>
                    {nameOf(row.character)}
                  </Button>
                )}
              </th>
              {row.words.map((words, i) => (
                <td key={itemAt(pair, i).taxon} className="py-2 pr-2">
                  <span className="flex flex-wrap gap-1">
                    {NOT_DRAWN.includes(row.character)
                      ? null
                      : itemAt(row.states, i).map((state) => (
                          <span
                            key={state}
                            className={`block ${itemAt(row.states, i).length > 1 ? "w-[64px] h-[52px]" : "w-[84px] h-[68px]"} drawing-ground border border-[var(--rule)]`}
                          >
                            <LazyPicture of={{ character: row.character, state }} />
                          </span>
                        ))}
                  </span>
                  <span className="small">{words}</span>
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
