import { eq } from "drizzle-orm";
import Link from "next/link";
import { notFound } from "next/navigation";
import { statusAction } from "@/app/actions/control";
import { amendmentSubject, AmendmentWords } from "@/components/flora/amendment-words";
import { ControlFacts } from "@/components/flora/control-facts";
import { PackLinks } from "@/components/flora/pack-links";
import { Plate } from "@/components/flora/plate";
import { UnheldName } from "@/components/flora/unscored-name";
import { ActionForm, Field } from "@/components/ui/action-form";
import { STATUS_WORDS, statusHere, StatusMark } from "@/components/verdict/marks";
import { fullDay, midMonth } from "@/components/words/dates";
import { barkSlipsOn } from "@/core/control";
import { inSeason, type Stage, STAGES, STATUSES } from "@/core/flora";
import { PLANT_KEY, scoreKey } from "@/core/pack";
import { district, finding } from "@/db/schema";
import { plateOf } from "@/drawings/plate";
import { Drawing } from "@/drawings/render";
import { drawState } from "@/drawings/states";
import { listFor, listVersions } from "@/server/control/list";
import { findingLines } from "@/server/findings/findings";
import { amendmentHistory, districtModel } from "@/server/flora/amendments";
import { shippedFlora } from "@/server/flora/flora";
import { plantsIn } from "@/server/flora/plants";
import { findTwins } from "@/server/flora/twins";
import { patchLines, siteLines } from "@/server/ground/ground";
import { asMember, memberOrSignIn } from "@/server/platform/session";

export const metadata = { title: "Plant" };
const STAGE_WORDS: Record<Stage, string> = {
  seedling: "Seedling",
  vegetative: "In leaf",
  flowering: "In flower",
  fruiting: "In seed",
  winter: "Winter",
};
const MONTHS = ["J", "F", "M", "A", "M", "J", "J", "A", "S", "O", "N", "D"];
/** How far the score itself may be wrong, where that is more than usual. */
const doubtOf = (confidence: number) => (confidence < 0.75 ? " · doubtful" : confidence < 0.92 ? " · likely" : "");

export default async function TaxonPage({
  params,
  searchParams,
}: {
  params: Promise<{ id: string }>;
  searchParams: Promise<{ stage?: string; amended?: string }>;
}) {
  const member = await memberOrSignIn();
  const { id } = await params;
  const { list, model, here, ofDistrict, versions } = await asMember(member, async (tx) => ({
    list: await listFor(tx, null),
    model: await districtModel(tx),
    here: (await tx.select().from(district))[0],
    ofDistrict: await amendmentHistory(tx),
    versions: await listVersions(tx, id),
  }));
  const { flora } = model;
  const plants = plantsIn(flora);
  const index = flora.taxa.findIndex((t) => t.id === id);
  if (index < 0) notFound();
  const taxon = flora.taxa[index];
  const history = ofDistrict.filter((a) => a.plantId === id);
  const addedHere = !shippedFlora().taxa.some((t) => t.name === taxon.name);
  /** scores marked as changed here; of a plant that was added all are, and none is marked */
  const amended = new Set(addedHere ? [] : history.filter((a) => !a.revertedAt).map((a) => a.key));
  const mayAmend = member.roles.includes("specialist");
  const mayList = member.roles.some((r) => r === "specialist" || r === "keeper");
  const sites = mayList ? await siteLines(member) : [];
  const scores = flora.scores.filter((s) => s.taxon === index && !s.notApplicable);
  const twins = flora.pairs.filter((p) => !p.found && (p.a === id || p.b === id));
  const shown = STAGES.filter((s) => taxon.calendar[s]);
  const { stage: asked, amended: justAmended } = await searchParams;
  const stage = shown.find((s) => s === asked) ?? (shown.includes("flowering") ? "flowering" : shown[0]);
  const found = findTwins(model, id, stage, list.status);
  const status = list.status[taxon.name] ?? "kept";
  const patches = (await patchLines(member)).filter((p) => p.taxon === taxon.name);
  const findings = await asMember(member, (tx) => findingLines(tx, member, eq(finding.taxon, taxon.name), 6));
  const stations = [...new Set(scores.map((s) => flora.characters[s.character].station))];
  return (
    <div className="px-4 md:px-6 py-5">
      <p className="small">
        <Link href="/flora">Flora</Link>
      </p>
      <h1 className="mt-1">
        {plants.common(taxon.name)} <span className="latin font-normal text-[21px]">{taxon.name}</span>
      </h1>
      <p className="flex items-center gap-2 mt-1">
        <StatusMark status={status} /> {statusHere(status)} · {taxon.family} · {taxon.cycle} {taxon.lifeForm}
        {addedHere ? <span className="chip">added by this district</span> : null}
      </p>
      <p className="small">{[...taxon.common.slice(1), ...taxon.synonyms].join(", ")}</p>
      {taxon.hazards.people || taxon.hazards.stock || taxon.hazards.handling ? (
        <ul className="mt-3 border-l-4 border-[var(--madder)] pl-3">
          {[taxon.hazards.people, taxon.hazards.stock, taxon.hazards.handling].filter(Boolean).map((h) => (
            <li key={h}>{h}</li>
          ))}
        </ul>
      ) : null}
      {justAmended ? (
        <p role="status" className="mt-3 font-semibold">
          The amendment holds from now on in this district.
        </p>
      ) : null}
      <div className="grid lg:grid-cols-[minmax(0,1fr)_360px] gap-x-10">
        <div>
          <nav aria-label="Stage" className="no-print flex flex-wrap gap-2 mt-5">
            {shown.map((s) => (
              <Link
                key={s}
                href={`/flora/${id}?stage=${s}`}
                scroll={false}
                aria-current={s === stage ? "page" : undefined}
                className={`button pill ${s === stage ? "press" : ""}`}
                style={{ textDecoration: "none" }}
              >
                {STAGE_WORDS[s]}
              </Link>
            ))}
          </nav>
          <Plate panels={plateOf(model, index, stage)} />
          <p className="small mt-2">
            Drawn from this plant’s own scores at this stage: what it mostly shows.{" "}
            <a href={`/api/v1/plates/${id}?stage=${stage}&format=png`}>As a picture</a> ·{" "}
            <a href={`/api/v1/plates/${id}?stage=${stage}&format=pdf`}>As a page for print (PDF)</a>
          </p>
          {stations.map((station) => (
            <section key={station} className="mt-6">
              <h2 className="ruled">{station.charAt(0).toUpperCase() + station.slice(1).replace(/-/g, " ")}</h2>
              <ul className="grid sm:grid-cols-2">
                {scores
                  .filter((s) => flora.characters[s.character].station === station)
                  .map((s) => {
                    const c = flora.characters[s.character];
                    const best = s.shares
                      ? s.shares
                          .map((share, i) => ({ share, state: c.states[i] }))
                          .filter((x) => x.share > 0.12)
                          .sort((a, b) => b.share - a.share)
                      : [];
                    const shapes = best[0] ? drawState(c.id, best[0].state.id) : null;
                    return (
                      <li
                        key={`${c.id}-${s.stage ?? ""}-${s.position ?? ""}`}
                        className="row flex gap-3 items-center py-1.5"
                      >
                        {shapes ? (
                          <span className="flex-none w-[60px] h-[48px] bg-[#fdfbf5] border border-[var(--rule)]">
                            <Drawing shapes={shapes} className="w-full h-full" />
                          </span>
                        ) : null}
                        <span>
                          <span className="small">
                            {c.name}
                            {s.stage ? `, ${s.stage}` : ""}
                            {s.position ? `, ${s.position} leaves` : ""}
                            {s.form ? `, ${s.form} form` : ""}
                            {doubtOf(s.confidence)}
                            {amended.has(scoreKey(flora, s)) ? <span className="chip ml-1">changed here</span> : null}
                            {mayAmend ? (
                              <>
                                {" "}
                                <Link
                                  className="no-print"
                                  href={`/flora/${id}/amend?key=${encodeURIComponent(scoreKey(flora, s))}`}
                                  aria-label={`Correct ${c.name}`}
                                >
                                  correct
                                </Link>
                              </>
                            ) : null}
                          </span>
                          <br />
                          {s.points ? (
                            <span className="figure">
                              {s.points[1] === s.points[2] ? s.points[1] : `${s.points[1]} to ${s.points[2]}`} {c.unit}{" "}
                              {s.points[0] === s.points[3] ? null : (
                                <span className="small">
                                  ({s.points[0]} to {s.points[3]})
                                </span>
                              )}
                            </span>
                          ) : (
                            best.map((x) => `${x.state.name.toLowerCase()} ${Math.round(x.share * 100)}%`).join(", ")
                          )}
                        </span>
                      </li>
                    );
                  })}
              </ul>
            </section>
          ))}
        </div>
        <aside>
          <h2 className="ruled mt-6">
            Calendar
            <span className="small">
              {here.hemisphere}
              {here.seasonShift === 0
                ? ""
                : `, spring ${Math.abs(here.seasonShift)} days ${here.seasonShift > 0 ? "later" : "earlier"}`}
            </span>
          </h2>
          <table className="w-full small">
            <tbody>
              <tr>
                <th scope="row" className="sr-only">
                  Month
                </th>
                {MONTHS.map((m, i) => (
                  <td key={`${m}${String(i)}`} className="text-center">
                    {m}
                  </td>
                ))}
              </tr>
              {(Object.keys(taxon.calendar) as Stage[]).map((row) => (
                <tr key={row}>
                  <th scope="row" className="text-left font-normal pr-2">
                    {row}
                  </th>
                  {MONTHS.map((m, i) => {
                    const on = inSeason(taxon, row, midMonth(i + 1), here);
                    return (
                      <td
                        key={`${m}${String(i)}`}
                        className={`h-5 border border-[var(--rule)] ${on ? "bg-[var(--moss)]" : ""}`}
                      >
                        <span className="sr-only">{on ? "yes" : ""}</span>
                      </td>
                    );
                  })}
                </tr>
              ))}
              {taxon.barkSlips ? (
                <tr>
                  <th scope="row" className="text-left font-normal pr-2">
                    bark slips
                  </th>
                  {MONTHS.map((m, i) => {
                    const on = barkSlipsOn(taxon, midMonth(i + 1), here);
                    return (
                      <td
                        key={`${m}${String(i)}`}
                        className={`h-5 border border-[var(--rule)] ${on ? "bg-[var(--madder)]" : ""}`}
                      >
                        <span className="sr-only">{on ? "yes" : ""}</span>
                      </td>
                    );
                  })}
                </tr>
              ) : null}
            </tbody>
          </table>
          <h2 className="ruled mt-6">
            Twins, {STAGE_WORDS[stage].toLowerCase()}
            <span className="small">found by the engine</span>
          </h2>
          <ul>
            {found.map((f) => (
              <li key={f.id} className="row">
                <Link
                  href={`/twins?t=${id}&t=${f.id}&stage=${stage}`}
                  style={{ textDecoration: "none" }}
                  className="flex gap-2 items-center py-1.5 min-h-[44px] hover:underline"
                >
                  <StatusMark status={f.status} size={16} />
                  <span className="flex-1">
                    <span className="font-semibold">{f.common}</span> <span className="latin">{f.name}</span>
                  </span>
                  <span className="figure small">{Math.round(100 * f.likeness)}%</span>
                </Link>
              </li>
            ))}
          </ul>
          <p className="small mt-1">
            How alike they are after six looks; the kept ones first. Follow one to see what parts them.
          </p>
          <h2 className="ruled mt-6">Taken for</h2>
          <ul>
            {twins.map((p) => {
              const other = p.a === id ? p.b : p.a;
              const t = flora.taxa.find((x) => x.id === other);
              return (
                <li key={other} className="row py-2">
                  {t ? (
                    <Link href={`/flora/${other}`} className="font-semibold">
                      {plants.common(t.name)}
                    </Link>
                  ) : (
                    <UnheldName pair={p} />
                  )}{" "}
                  <StatusMark status={list.status[t?.name ?? ""] ?? "kept"} size={14} />
                  <br />
                  <span className="small">
                    {p.mistake} Look at:{" "}
                    {p.deciders
                      .flatMap((d) => d.characters)
                      .filter((c, i, all) => all.indexOf(c) === i)
                      .slice(0, 5)
                      .map((c) => flora.characters.find((x) => x.id === c)?.name.toLowerCase())
                      .join(", ")}
                    .
                  </span>
                </li>
              );
            })}
          </ul>
          {mayList ? (
            <>
              <h2 className="ruled mt-6">The list</h2>
              <ActionForm action={statusAction} label="Status here" className="grid gap-3 mt-2">
                <input type="hidden" name="taxon" value={taxon.name} />
                <input type="hidden" name="versions" value={JSON.stringify(versions)} />
                <Field name="status" label="Status in this district">
                  <select name="status" defaultValue={status}>
                    {STATUSES.map((s) => (
                      <option key={s} value={s}>
                        {STATUS_WORDS[s]}
                      </option>
                    ))}
                  </select>
                </Field>
                <Field name="siteId" label="Where">
                  <select name="siteId" defaultValue="">
                    <option value="">everywhere in the district</option>
                    {sites.map((s) => (
                      <option key={s.id} value={s.id}>
                        only on {s.name}
                      </option>
                    ))}
                  </select>
                </Field>
                <Field
                  name="action"
                  label="Treated together with"
                  hint="plants with the same word need not be told apart"
                >
                  <input name="action" defaultValue={list.actions[taxon.name] ?? ""} />
                </Field>
                <button type="submit" className="button justify-self-start">
                  Put it on the list
                </button>
              </ActionForm>
            </>
          ) : null}
          <h2 className="ruled mt-6">
            Where it stands here
            <span className="small">
              {patches.length} {patches.length === 1 ? "patch" : "patches"}
            </span>
          </h2>
          <ul>
            {patches.slice(0, 6).map((p) => (
              <li key={p.id} className="row py-1.5">
                <Link href={`/ground/patch/${p.id}`}>{p.name}</Link>{" "}
                <span className="small">
                  {p.siteName} · {p.state}
                </span>
              </li>
            ))}
            {findings.map((f) => (
              <li key={f.id} className="row py-1.5">
                <Link href={`/findings/${f.id}`}>F-{f.number}</Link>{" "}
                <span className="small">
                  {f.siteName} · {fullDay(f.day)} · {f.verdict}
                </span>
              </li>
            ))}
            {patches.length + findings.length === 0 ? (
              <li className="small py-2">Not found in this district so far.</li>
            ) : null}
          </ul>
          <h2 className="ruled mt-6">
            Changed here<span className="small">{history.length}</span>
          </h2>
          <ul>
            {addedHere ? (
              <li className="small py-2">
                Added by {history.find((a) => a.key === PLANT_KEY)?.madeBy}:{" "}
                {history.find((a) => a.key === PLANT_KEY)?.reason} All its lines stand under packs and amendments.
              </li>
            ) : history.length === 0 ? (
              <li className="small py-2">None: the shipped flora holds.</li>
            ) : (
              history.map((a) => (
                <li key={a.id} className="row py-2">
                  <span className="small">
                    {amendmentSubject(a.key)}:{" "}
                    <AmendmentWords name={a.key} before={a.before} value={a.value} struck={a.revertedAt !== null} /> ·{" "}
                    {a.reason} · {a.madeBy}, {fullDay(a.createdAt.toISOString())}
                    {a.revertedAt ? " · taken back" : ""}
                  </span>
                </li>
              ))
            )}
          </ul>
          <p className="no-print">
            {mayAmend ? (
              <>
                <Link href={`/flora/${id}/amend`}>Correct a score</Link> ·{" "}
              </>
            ) : null}
            <Link href="/flora/packs">Packs and amendments</Link>
          </p>
          <p className="no-print small">
            Its rows for a spreadsheet, to correct them or to write a plant like it: <PackLinks scope={`plant:${id}`} />
          </p>
          <ControlFacts taxon={taxon} here={here} />
        </aside>
      </div>
    </div>
  );
}
