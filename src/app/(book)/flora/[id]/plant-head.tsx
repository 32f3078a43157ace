import { PageHead } from "@/components/ui/page";
import Link from "next/link";
import { statusHere, StatusMark } from "@/components/verdict/marks";
import { STAGE_WORDS } from "@/components/words/stages";
import type { PlantPage } from "@/server/flora/plant-page";

/** What the plant is called and is, and what it may do to those who touch it. */
export function PlantHead({ view: { plants, taxon, list, addedHere } }: { view: PlantPage }) {
  const status = list.status[taxon.name] ?? "kept";
  const hazards = [taxon.hazards.people, taxon.hazards.stock, taxon.hazards.handling].filter(Boolean);
  return (
    <>
      <PageHead
        above={<Link href="/flora">Flora</Link>}
        title={
          <>
            {plants.common(taxon.name)} <span className="latin font-normal text-[21px]">{taxon.name}</span>
          </>
        }
      />
      <p className="flex items-center gap-2 mt-1">
        <StatusMark status={status} /> {statusHere(status)} · {taxon.family} · {taxon.cycle} {taxon.lifeForm}
        {addedHere ? <span className="chip">added by this district</span> : null}
      </p>
      <p className="small">{[...taxon.common.slice(1), ...taxon.synonyms].join(", ")}</p>
      {hazards.length > 0 ? (
        <ul className="mt-3 border-l-4 border-[var(--madder)] pl-3">
          {hazards.map((h) => (
            <li key={h}>{h}</li>
          ))}
        </ul>
      ) : null}
    </>
  );
}

export const StageLinks = ({ view: { taxon, shown, stage } }: { view: PlantPage }) => (
  <nav aria-label="Stage" className="no-print flex flex-wrap gap-2 mt-5">
    {shown.map((s) => (
      <Link
        key={s}
        href={`/flora/${taxon.id}?stage=${s}`}
        scroll={false}
        aria-current={s === stage ? "page" : undefined}
        className={`button pill ${s === stage ? "press" : ""}`}
      >
        {STAGE_WORDS[s]}
      </Link>
    ))}
  </nav>
);
