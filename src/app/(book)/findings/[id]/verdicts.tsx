import { Disclosure } from "@/components/ui/disclosure";
import { Button } from "@/components/ui/button";
import { overruleAction } from "@/app/actions/findings";
import { ActionForm, Field } from "@/components/ui/action-form";
import { STATUS_WORDS, StatusMark } from "@/components/verdict/marks";
import { fullDay } from "@/components/words/dates";
import type { VerdictRecord } from "@/contracts/finding";
import { percent } from "@/core/identify";
import type { findingDetail } from "@/server/findings/findings";
import type { Plants } from "@/server/flora/plants";

type View = Awaited<ReturnType<typeof findingDetail>>;

/** The plants that still fitted when the finding was judged, and by what it was judged. */
export const WhoFitted = ({ verdict, plants }: { verdict: VerdictRecord | undefined; plants: Plants }) => (
  <>
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
      <Disclosure className="mt-2" summary="How was this computed?" look="small">
        <p className="small">
          By the server, from the observations alone. Flora {verdict.versions.flora}, list {verdict.versions.list},
          engine {verdict.versions.engine}; costs: wrong clearing {verdict.versions.costs.wrongClear} h, missed target{" "}
          {verdict.versions.costs.missedTarget} h, coming back {verdict.versions.costs.hold} h. The kept side stood at{" "}
          {percent(verdict.identification.keptSide)}; the limit is {percent(verdict.identification.limit)}.
        </p>
      </Disclosure>
    ) : null}
  </>
);

/** Verdicts that were told before the last one. */
export const JudgedBefore = ({ verdicts }: { verdicts: View["verdicts"] }) => (
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
);

/** Where a specialist says what the engine does not know. */
export const Overrule = ({
  line,
  verdict,
  plants,
}: {
  line: View["line"];
  verdict: VerdictRecord | undefined;
  plants: Plants;
}) => (
  <section className="mt-6">
    <h2 className="ruled">
      Overrule in writing<span className="small">stays on the finding permanently</span>
    </h2>
    <ActionForm action={overruleAction} draft={`overrule-${line.id}`} label="Overrule" className="grid gap-3 mt-3">
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
      <Button type="submit">Overrule</Button>
    </ActionForm>
  </section>
);
