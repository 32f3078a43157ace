import Link from "next/link";
import { v7 as newId } from "uuid";
import { notFound } from "next/navigation";
import { overruleAction, roundPatchAction } from "@/app/actions/findings";
import { MeasuredPicture } from "@/components/measure/measured-picture";
import { ActionForm, Field } from "@/components/ui/action-form";
import { STATUS_WORDS, StatusMark, Tape } from "@/components/verdict/marks";
import { fullDay } from "@/components/words/dates";
import { settleWords } from "@/components/words/settle-words";
import { type Observation, observationInWords, percent } from "@/core/identify";
import { findingDetail } from "@/server/findings/findings";
import { plantsOf } from "@/server/flora/amendments";
import { shippedFlora } from "@/server/flora/flora";
import { Refusal } from "@/server/platform/faults";
import { memberOrSignIn } from "@/server/platform/session";
import { GROUND_PER_PLANT_M2 } from "@/contracts/ground";

export const metadata = { title: "Finding" };

export default async function FindingPage({ params }: { params: Promise<{ id: string }> }) {
  const member = await memberOrSignIn();
  const plants = await plantsOf(member);
  const view = await findingDetail(member, (await params).id).catch((error) => {
    if (error instanceof Refusal && error.status === 404) return notFound();
    throw error;
  });
  const { line } = view;
  const { verdicts, overrulings } = view;
  const verdict = verdicts.at(-1)?.body;
  const seen = view.seen.flatMap((e) => e.body.observations);
  const specialist = member.roles.includes("specialist");
  const mayMark = specialist || member.roles.includes("scout");
  const mayPlan = line.verdict === "clear" || line.overruled;
  return (
    <div>
      <div className="px-4 md:px-6 py-3 flex flex-wrap gap-x-8 gap-y-2">
        <Item name="Finding">
          <h1 className="figure text-[18px] font-normal" style={{ fontFamily: '"Atkinson Hyperlegible Mono"' }}>
            F-{line.number}
          </h1>
        </Item>
        <Item name="Place">{line.siteName}</Item>
        <Item name="Day">
          {fullDay(line.day)}
          {line.enteredLater ? <span className="small block">Entered later, from older notes</span> : null}
        </Item>
        <Item name="Stage seen">{line.stage ?? "not said"}</Item>
        <Item name="By">{line.madeBy}</Item>
        <Item name="Point">
          {line.place ? (
            <span className="figure">
              {line.place[1].toFixed(5)}, {line.place[0].toFixed(5)}
            </span>
          ) : (
            "kept back: protected plant"
          )}
        </Item>
      </div>
      <Tape
        verdict={line.verdict}
        reason={line.because}
        todo={
          line.settleFrom
            ? settleWords(line, view.today)
            : line.reportFirst
              ? "Report it before anything is done."
              : undefined
        }
      />
      <div className="px-4 md:px-6 py-5 grid lg:grid-cols-2 gap-x-10 gap-y-6">
        <div>
          {overrulings.map((e) => (
            <p key={e.id} className="border-2 border-dashed border-[var(--madder)] p-3 mb-4">
              <strong>Overruled in writing</strong> by {e.by}, {fullDay(e.at.toISOString())}: taken as{" "}
              {plants.common(e.body.taxon)}. “{e.body.reason}”
            </p>
          ))}
          <h2 className="ruled">What comes next</h2>
          <ul className="mt-2 flex flex-wrap gap-2 no-print">
            {line.patchId ? (
              <li>
                <Link className="button" href={`/ground/patch/${line.patchId}`}>
                  The patch
                </Link>
              </li>
            ) : (
              <li>
                <Link className="button press" href={`/ground?draw=${line.id}`}>
                  Mark the patch
                </Link>
              </li>
            )}
            {mayPlan && line.patchId ? (
              <li>
                <Link className="button press" href={`/season/${line.id}`}>
                  What can be done
                </Link>
              </li>
            ) : null}
            <li>
              <Link
                className="button"
                href={`/bench?site=${line.siteId}${line.patchId ? `&patch=${line.patchId}` : ""}`}
              >
                Look at another plant here
              </Link>
            </li>
          </ul>
          {!line.patchId && line.taxon && mayMark ? (
            <details className="mt-3 no-print">
              <summary className="linkish">Make the patch without drawing it</summary>
              <p className="small mt-2">
                The patch lies round the finding’s point. Give its area, or the number of plants: each plant then counts
                as {GROUND_PER_PLANT_M2} m² of ground to work on.
              </p>
              <ActionForm
                action={roundPatchAction}
                label="Patch without drawing"
                className="mt-2 flex flex-wrap gap-4 items-end"
              >
                <input type="hidden" name="id" value={newId()} />
                <input type="hidden" name="findingId" value={line.id} />
                <Field name="name" label="Name of the patch">
                  <input name="name" defaultValue={`F-${line.number}`} />
                </Field>
                <Field name="areaM2" label="Area, m²">
                  <input name="areaM2" inputMode="decimal" className="figure" />
                </Field>
                <Field name="plants" label="or number of plants">
                  <input name="plants" inputMode="numeric" className="figure" />
                </Field>
                <button type="submit" className="button press">
                  Make the patch
                </button>
              </ActionForm>
            </details>
          ) : null}
          {mayPlan ? null : (
            <p className="mt-3">
              No work can be planned on this: the verdict is not clear to act.{" "}
              {specialist
                ? "A specialist may overrule it in writing, below."
                : "Only a specialist may overrule it, in writing."}
            </p>
          )}
          <section className="mt-6">
            <h2 className="ruled">What was seen</h2>
            <ul>
              {seen.map((o, i) => (
                <li key={`${o.character}-${String(i)}`} className="row py-1.5">
                  {inWords(o, (taxon) => plants.common(taxon))}
                </li>
              ))}
            </ul>
            {view.note ? <p className="mt-3">{view.note}</p> : null}
          </section>
          {view.pictures.length > 0 ? (
            <section className="mt-6">
              <h2 className="ruled">Pictures</h2>
              <ul className="flex flex-wrap gap-3 mt-2">
                {view.pictures.map((p) => (
                  <li key={p.id}>
                    <MeasuredPicture id={p.id} by={p.by} drawn={p.simulated} marks={p.marks} mayMark={mayMark} />
                  </li>
                ))}
              </ul>
            </section>
          ) : null}
        </div>
        <div>
          <h2 className="ruled">
            Who fitted<span className="small">local · flat</span>
          </h2>
          <table className="w-full">
            <caption className="sr-only">Candidates with their chance under the local and the flat prior</caption>
            <tbody>
              {verdict?.identification.candidates.slice(0, 8).map((c) => (
                <tr key={c.taxon} className="row">
                  <th scope="row" className="text-left font-normal py-1.5">
                    <span className="flex flex-wrap items-center gap-x-2">
                      <StatusMark status={c.status} size={16} />
                      {plants.common(c.taxon)}
                      <span className="latin small">{c.taxon}</span>
                    </span>
                  </th>
                  <td className="small">{STATUS_WORDS[c.status]}</td>
                  <td className="figure text-right">{percent(c.probability)}</td>
                  <td className="figure text-right small">
                    {percent(verdict.identification.candidatesFlat.find((f) => f.taxon === c.taxon)?.probability ?? 0)}
                  </td>
                </tr>
              ))}
              {verdict ? (
                <tr className="row">
                  <th scope="row" className="text-left font-normal py-1.5">
                    <span className="inline-flex items-center gap-2">
                      <StatusMark status="unknown" size={16} />
                      Not in this flora
                    </span>
                  </th>
                  <td />
                  <td className="figure text-right">{percent(verdict.identification.unknown)}</td>
                  <td />
                </tr>
              ) : null}
            </tbody>
          </table>
          {verdict ? (
            <details className="mt-2">
              <summary className="small min-h-[44px] flex items-center">How was this computed?</summary>
              <p className="small">
                By the server, from the observations alone. Flora {verdict.versions.flora}, list {verdict.versions.list}
                , engine {verdict.versions.engine}; costs: wrong clearing {verdict.versions.costs.wrongClear} h, missed
                target {verdict.versions.costs.missedTarget} h, coming back {verdict.versions.costs.hold} h. The kept
                side stood at {percent(verdict.identification.keptSide)}; the limit is{" "}
                {percent(verdict.identification.limit)}.
              </p>
            </details>
          ) : null}
          {verdicts.length > 1 ? (
            <section className="mt-4">
              <h2 className="ruled">
                Judged before<span className="small">nothing is rewritten</span>
              </h2>
              <ul>
                {verdicts.slice(0, -1).map((e) => {
                  const old = e.body.identification;
                  return (
                    <li key={e.id} className="row py-1.5">
                      <span className="small">
                        {fullDay(e.at.toISOString())}, {e.by}:
                      </span>{" "}
                      {old.verdict}. <span className="small">{old.because}</span>
                    </li>
                  );
                })}
              </ul>
            </section>
          ) : null}
          {specialist && line.verdict !== "clear" && !line.overruled ? (
            <section className="mt-6">
              <h2 className="ruled">
                Overrule in writing<span className="small">shows ever after</span>
              </h2>
              <ActionForm
                action={overruleAction}
                draft={`overrule-${line.id}`}
                label="Overrule"
                className="grid gap-3 mt-3"
              >
                <input type="hidden" name="findingId" value={line.id} />
                <Field name="taxon" label="The plant is">
                  <select name="taxon" defaultValue={verdict?.identification.candidates[0]?.taxon}>
                    {plants.flora.taxa.map((t) => (
                      <option key={t.name} value={t.name}>
                        {plants.common(t.name)} · {t.name}
                      </option>
                    ))}
                  </select>
                </Field>
                <Field name="reason" label="Why" hint="what you saw that the engine does not know">
                  <textarea name="reason" required />
                </Field>
                <button type="submit" className="button">
                  Overrule
                </button>
              </ActionForm>
            </section>
          ) : null}
        </div>
      </div>
    </div>
  );
}

const Item = ({ name, children }: { name: string; children: React.ReactNode }) => (
  <div>
    <span className="small block">{name}</span>
    {children}
  </div>
);

function inWords(observation: Observation, nameOf: (taxon: string) => string): string {
  const character = shippedFlora().characters.find((c) => c.id === observation.character);
  return character ? observationInWords(observation, character, nameOf) : observation.character;
}
