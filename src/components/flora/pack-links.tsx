import { Fragment } from "react";
import { PACK_TABLES } from "@/core/pack";

/** A part of the flora to take out: its tables for a spreadsheet, or all of it as one file. */
export function PackLinks({ scope }: { scope: string }) {
  const out = (rest: string) => `/api/v1/packs?scope=${encodeURIComponent(scope)}&${rest}`;
  return (
    <>
      {PACK_TABLES.map((table) => (
        <Fragment key={table}>
          <a href={out(`format=csv&table=${table}`)} download>
            {table}
          </a>
          ,{" "}
        </Fragment>
      ))}
      or{" "}
      <a href={out("format=json")} download>
        all as JSON
      </a>
    </>
  );
}
