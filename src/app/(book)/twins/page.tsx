import { PageHead } from "@/components/ui/page";
import { itemAt } from "@/core/items";
import { WHEN } from "@/components/words/stages";
import Link from "next/link";
import { FigureRow } from "@/components/flora/figure-row";
import { TwinLook } from "@/components/flora/twin-look";
import { PrintButton } from "@/components/shell/print-button";
import { STATUS_WORDS, StatusMark } from "@/components/verdict/marks";
import { shortDay } from "@/components/words/dates";
import { type Stage, STAGES } from "@/core/flora";
import { compareTwins } from "@/server/flora/twins";
import { memberOrSignIn } from "@/server/platform/session";

export const metadata = { title: "Twins" };
/** Rows that a field card has room for on one A5 page, by the number of plants: the more there are, the longer the words of each. */
const CARD_ROWS: Record<number, number> = { 2: 6, 3: 5, 4: 4 };
/** Looks of later stages that it has room for. */
const CARD_LATER = 2;

type Search = { t?: string | string[]; stage?: string };

export default async function TwinsPage({ searchParams }: { searchParams: Promise<Search> }) {
  const member = await memberOrSignIn();
  const { t, stage: asked } = await searchParams;
  const ids = [t ?? []].flat().slice(0, 4);
  const view = await compareTwins(
    member,
    ids,
    STAGES.find((s) => s === asked),
  );
  if (!view)
    return (
      <div className="px-4 md:px-6 py-5">
        <h1>Twins</h1>
        <p className="mt-2">
          Choose two to four plants. Open one in the <Link href="/flora">flora</Link> and follow its look-alikes.
        </p>
      </div>
    );
  const cardRows = CARD_ROWS[view.plants.length] ?? 4;
  const href = (stage: Stage) => `/twins?${ids.map((id) => `t=${id}`).join("&")}&stage=${stage}`;
  return (
    <div className="px-4 md:px-6 py-5 field-card">
      <PageHead above={<Link href="/flora">Flora</Link>} title={view.plants.map((p) => p.common).join(" or ")} />
      <nav aria-label="Stage" className="no-print flex flex-wrap gap-2 mt-3">
        {view.stages.map((s) => (
          <Link
            key={s}
            href={href(s)}
            aria-current={s === view.stage ? "page" : undefined}
            className={`no-underline button pill ${s === view.stage ? "press" : ""}`}
          >
            {WHEN[s]}
          </Link>
        ))}
      </nav>
      <p className="no-print mt-2">
        <Link className="tap" href={`/drill?${ids.map((id) => `t=${id}`).join("&")}`}>
          Practice telling them apart
        </Link>
      </p>
      {view.sameTreatment ? (
        <p className="mt-3 border-l-4 border-[var(--teal)] pl-3">
          <strong>You do not need to tell these apart here:</strong> they are all targets, and the same treatment suits
          them.
        </p>
      ) : null}
      {view.mistake ? (
        <p className="mt-3">
          <strong>The mistake:</strong> {view.mistake}
        </p>
      ) : null}
      <FigureRow model={view.model} plants={view.plants} stage={view.stage} />
      <div className="overflow-x-auto">
        <table className="w-full mt-4 text-left" aria-label="What tells them apart, best first">
          <thead>
            <tr>
              <th scope="col" className="small font-normal w-[22%]">
                What to check, {WHEN[view.stage]}
              </th>
              {view.plants.map((p) => (
                <th key={p.id} scope="col" className="align-bottom pb-2">
                  <span className="flex gap-2 items-center">
                    <StatusMark status={p.status} size={16} />
                    <Link href={`/flora/${p.id}`} className="tap">
                      {p.common}
                    </Link>
                  </span>
                  <span className="latin font-normal block">{p.name}</span>
                  <span className="small font-normal">{STATUS_WORDS[p.status]}</span>
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {view.rows.map((row, i) => (
              <tr key={row.character} className={`row align-top ${i >= cardRows ? "no-print" : ""}`}>
                <th scope="row" className="font-normal py-2 pr-3">
                  <span className={row.parts ? "font-bold" : ""}>{row.name}</span>
                  <br />
                  <span className="small">
                    {row.ask} {row.seconds} s{row.parts ? " · tells them apart well" : ""}
                  </span>
                </th>
                {row.cells.map((cell, k) => (
                  <TwinLook
                    key={itemAt(view.plants, k).id}
                    model={view.model}
                    taxon={itemAt(view.plants, k).index}
                    character={row.character}
                    stage={view.stage}
                    {...cell}
                  />
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {view.rows.length === 0 ? (
        <p className="mt-3">The flora records nothing that tells them apart at this stage.</p>
      ) : null}
      {view.later.length > 0 ? (
        <section className="mt-6">
          <h2 className="ruled">What will tell them apart later</h2>
          <ul>
            {view.later.map((l, i) => (
              <li key={l.stage} className={`row py-2 ${i >= CARD_LATER ? "no-print" : ""}`}>
                <span className="font-semibold">{l.name}</span>, {WHEN[l.stage]}: from {shortDay(l.from)}.{" "}
                <span className="small">{l.ask}</span>
              </li>
            ))}
          </ul>
        </section>
      ) : null}
      {view.hazards.length > 0 ? (
        <section className="mt-4">
          <h2 className="ruled">Take care</h2>
          <ul>
            {view.hazards.map((h) => (
              <li key={h} className="row py-1.5">
                {h}
              </li>
            ))}
          </ul>
        </section>
      ) : null}
      <div className="no-print mt-5 flex items-center gap-3">
        <PrintButton />
        <span className="small">Prints as a field card, one page of A5: the {cardRows} best checks.</span>
      </div>
    </div>
  );
}
