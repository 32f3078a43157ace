"use client";

import Link from "next/link";
import { StatusMark } from "@/components/marks";

/** A plant in the list of its set. `place` is its place in the set's row of small plates, from 0. */
export type SetRow = { id: string; common: string; name: string; status: string; words: string; place: number };

/** Of a small plate, in its set's row of them, px. */
const PLATE_WIDTH = 70;

/**
 * The plants of a set, each with its small plate. Hundreds stand on one page: they travel as data, once, and
 * nothing is fetched ahead for the plants that scroll by, so that the list never stutters.
 */
export function SetRows({ set, rows }: { set: string; rows: SetRow[] }) {
  const plates = `url(/api/v1/sets/${set}/plates)`;
  return (
    <ul className="grid sm:grid-cols-2 xl:grid-cols-3 gap-x-8">
      {rows.map((row) => (
        <li key={row.id} className="row">
          <Link href={`/flora/${row.id}`} prefetch={false} className="set-row">
            <span aria-hidden data-plate className="small-plate" style={{ backgroundImage: plates, backgroundPosition: `${-PLATE_WIDTH * row.place}px 0` }} />
            <StatusMark status={row.status} size={18} />
            <span><span className="font-semibold">{row.common}</span> <span className="latin">{row.name}</span><br /><span className="small">{row.words}</span></span>
          </Link>
        </li>
      ))}
    </ul>
  );
}
