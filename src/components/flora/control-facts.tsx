import { barkSlipsOn, disposalOf } from "@/core/control";
import type { Climate, Taxon } from "@/core/flora";
import { midMonth, monthSpans } from "../words/dates";

const yesNo = (fact: boolean | undefined): string => (fact === undefined ? "not recorded" : fact ? "yes" : "no");
const STAND_WORDS = { seed: "seed", clonal: "shoots of one plant", both: "seed, and shoots of one plant" } as const;

/** What control asks of a plant: how it spreads and comes again, how its ripe seed looks, and what its remains need. */
export function ControlFacts({ taxon, here }: { taxon: Taxon; here: Climate }) {
  const slips = monthSpans((month) => barkSlipsOn(taxon, midMonth(month), here));
  const facts = [
    ["Spreads by", taxon.spread.join(", ")],
    ["Sprouts from", taxon.sprouts.join(", ") || "nothing recorded"],
    ["Grows from pieces of", taxon.fragments],
    ["Ripe seed", taxon.ripeSeed?.join(" or ") ?? "not recorded"],
    ["Seed lives in the ground", taxon.seedYears ? `${taxon.seedYears.join(" to ")} years` : "not recorded"],
    ["Seed ripens on cut stems", yesNo(taxon.ripensCut)],
    ["A stand grows from", taxon.stand ? STAND_WORDS[taxon.stand] : "not recorded"],
    ["Poisons stock when wilted or dried", yesNo(taxon.wiltedToxic)],
    ["Eaten by", taxon.grazedBy?.join(", ") ?? "not recorded"],
    ...(slips ? [["Its bark slips", `${slips}: if you pull it then, the root stays`]] : []),
  ];
  return (
    <>
      <h2 className="ruled mt-6">For control</h2>
      <dl className="small">
        {facts.map(([name, fact]) => (
          <div key={name} className="row flex justify-between gap-3 py-1.5">
            <dt>{name}</dt>
            <dd className="text-right">{fact}</dd>
          </div>
        ))}
      </dl>
      <h3 className="mt-4">What its remains need</h3>
      <ul className="small">
        {disposalOf(taxon).map((need) => (
          <li key={need} className="row py-1.5">
            {need}
          </li>
        ))}
      </ul>
    </>
  );
}
