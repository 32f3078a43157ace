import type { Pair } from "@/core/flora";

/** A twin that the flora does not include: a name without a page. */
export function UnscoredName({ pair }: { pair: Pair }) {
  const common = pair.unheld?.common ?? "";
  return (
    <>
      <span className="font-semibold">{common.charAt(0).toUpperCase() + common.slice(1)}</span>{" "}
      <span className="latin">{pair.unheld?.name}</span> <span className="small">not in this flora: kept</span>
    </>
  );
}
