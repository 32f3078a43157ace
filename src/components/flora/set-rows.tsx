"use client";

import { itemAt } from "@/core/items";
import Link from "next/link";
import { StatusMark } from "@/components/verdict/marks";

/** A plant in the list of its set. `place` is its place in the set's row of small plates, from 0. */
export type SetRow = { id: string; common: string; name: string; status: string; words: string; place: number };

/** Of a small plate, in its set's row of them, px. */
const PLATE_WIDTH = 70;

/** Plants that are laid out together as they come near the screen: few enough for one frame. */
const LOT = 6;

/**
 * The plants of a set, each with its small plate. Hundreds stand on one page: they travel as data, once, are laid out a
 * few at a time, and nothing is fetched ahead for the plants that scroll by, so that the list does not stutter.
 */
export function SetRows({ set, rows }: { set: string; rows: SetRow[] }) {
  const plates = `/api/v1/sets/${set}/plates`;
  const picture = `image-set(url(${plates}?density=1) 1x, url(${plates}) 2x)`;
  const lots = Array.from({ length: Math.ceil(rows.length / LOT) }, (_, i) => rows.slice(i * LOT, (i + 1) * LOT));
  return (
    <div role="list">
      {lots.map((lot) => (
        <div
          key={itemAt(lot, 0).id}
          role="presentation"
          className="part-of-many grid sm:grid-cols-2 xl:grid-cols-3 gap-x-8"
        >
          {lot.map((row) => (
            <div key={row.id} role="listitem" className="row">
              <Link href={`/flora/${row.id}`} prefetch={false} className="set-row">
                <span
                  aria-hidden
                  data-plate
                  className="small-plate"
                  style={{ backgroundImage: picture, backgroundPosition: `${-PLATE_WIDTH * row.place}px 0` }}
                />
                <StatusMark status={row.status} size={18} />
                <span>
                  <span className="font-semibold">{row.common}</span> <span className="latin">{row.name}</span>
                  <br />
                  <span className="small">{row.words}</span>
                </span>
              </Link>
            </div>
          ))}
        </div>
      ))}
    </div>
  );
}
