import { PageHead } from "@/components/ui/page";
import { Button } from "@/components/ui/button";
import { Combobox } from "@/components/ui/combobox";
import Link from "next/link";
import { statusAction, takeOffListAction } from "@/app/actions/control";
import { ActionForm, Field, Fault } from "@/components/ui/action-form";
import { statusTitle, STATUS_WORDS, StatusMark } from "@/components/verdict/marks";
import { fullDay } from "@/components/words/dates";
import { STATUSES } from "@/core/flora";
import { type ListLine, listLines } from "@/server/control/list";
import { plantsOf } from "@/server/flora/amendments";
import type { Plants } from "@/server/flora/plants";
import { siteLines } from "@/server/ground/ground";
import { memberOrSignIn } from "@/server/platform/session";

export const metadata = { title: "The list" };

/** The district's list on one sheet: what each plant is here, and where a site says otherwise. */
export default async function ListPage({ searchParams }: { searchParams: Promise<{ site?: string }> }) {
  const member = await memberOrSignIn();
  const plants = await plantsOf(member);
  const [lines, sites, { site }] = [await listLines(member), await siteLines(member), await searchParams];
  const mayChange = member.roles.some((r) => r === "specialist" || r === "keeper");
  const chosen = sites.find((s) => s.id === site);
  const shown = chosen ? lines.filter((l) => l.exceptions.some((e) => e.siteId === chosen.id)) : lines;
  const groups = STATUSES.map((status) => ({
    status,
    lines: shown.filter((l) => (l.entry?.status ?? "kept") === status),
  })).filter((g) => g.lines.length > 0);
  return (
    <div className="px-4 md:px-6 py-5">
      <PageHead above={<Link href="/flora">Flora</Link>} title="The list" />
      <p className="text-[var(--soft)] max-w-[70ch]">
        The status of each plant in this district, and the sites where it differs. A plant that is not on the list
        counts as kept. Verdicts already given are not rewritten.
      </p>
      <form className="no-print mt-4 flex flex-wrap gap-x-5 gap-y-3 items-end">
        <label className="field">
          <span className="label">Show</span>
          <select name="site" defaultValue={chosen?.id ?? ""}>
            <option value="">the whole list</option>
            {sites.map((s) => (
              <option key={s.id} value={s.id}>
                what differs on {s.name}
              </option>
            ))}
          </select>
        </label>
        <Button type="submit">Show it</Button>
        <span className="small">
          {shown.length} of {lines.length} plants listed, of {plants.flora.taxa.length} in the flora
        </span>
      </form>
      {mayChange ? <ChangeForm sites={sites} site={chosen?.id ?? ""} plants={plants} /> : null}
      {groups.map((group) => (
        <section key={group.status} className="mt-7">
          <h2 className="ruled">
            <span className="inline-flex gap-2 items-center">
              <StatusMark status={group.status} />
              {statusTitle(group.status)}
            </span>
            <span className="small">{group.lines.length}</span>
          </h2>
          <table className="w-full stacked">
            <thead>
              <tr className="small text-left">
                <th scope="col" className="w-[34%]">
                  Plant
                </th>
                <th scope="col" className="w-[20%]">
                  Treated together as
                </th>
                <th scope="col">Different on</th>
                <th scope="col" className="w-[18%]">
                  Set by
                </th>
                {mayChange ? (
                  <th scope="col">
                    <span className="sr-only">Change</span>
                  </th>
                ) : null}
              </tr>
            </thead>
            <tbody>
              {group.lines.map((line) => (
                <Line key={line.taxon} line={line} plants={plants} mayChange={mayChange} />
              ))}
            </tbody>
          </table>
        </section>
      ))}
      {groups.length === 0 ? (
        <p className="mt-6">
          {chosen
            ? `${chosen.name} follows the district in everything.`
            : "Nothing is listed yet: every plant counts as kept, and nothing will ever be clear to act. Put the district’s targets on the list."}
        </p>
      ) : null}
    </div>
  );
}

function Line({ line, plants, mayChange }: { line: ListLine; plants: Plants; mayChange: boolean }) {
  const { entry, exceptions } = line;
  return (
    <tr className="row align-top">
      <td data-label="Plant" className="py-1.5">
        <span>
          <Link href={`/flora/${plants.byName(line.taxon)?.id ?? ""}`} className="font-semibold">
            {plants.common(line.taxon)}
          </Link>{" "}
          <span className="latin">{line.taxon}</span>
        </span>
      </td>
      <td data-label="Treated as" className="py-1.5">
        {entry?.action ?? <span className="small">{entry ? "by its kind" : "not listed: kept"}</span>}
      </td>
      <td data-label="Different on" className="py-1.5">
        {exceptions.length === 0 ? (
          <span className="small">nowhere</span>
        ) : (
          <ul>
            {exceptions.map((e) => (
              <li key={e.id} className="flex flex-wrap gap-x-2 items-center">
                <StatusMark status={e.status} size={16} />
                <span>
                  {STATUS_WORDS[e.status]} on {e.siteName}
                </span>
                {mayChange ? (
                  <TakeOff id={e.id} label={`Let ${e.siteName} follow the district for ${line.taxon}`} />
                ) : null}
              </li>
            ))}
          </ul>
        )}
      </td>
      <td data-label="Set by" className="py-1.5 small">
        {entry ? (
          <span>
            {entry.changedBy}, {fullDay(entry.changedAt.toISOString())}
          </span>
        ) : exceptions[0] ? (
          <span>
            {exceptions[0].changedBy}, {fullDay(exceptions[0].changedAt.toISOString())}
          </span>
        ) : null}
      </td>
      {mayChange ? (
        <td data-label="" className="text-right">
          {entry ? <TakeOff id={entry.id} label={`Take ${line.taxon} off the list`} /> : null}
        </td>
      ) : null}
    </tr>
  );
}

function TakeOff({ id, label }: { id: string; label: string }) {
  return (
    <ActionForm action={takeOffListAction} label={label} className="no-print inline">
      <input type="hidden" name="id" value={id} />
      <Button type="submit" look="plain" className="small min-h-[44px]" aria-label={label}>
        take off
      </Button>
    </ActionForm>
  );
}

function ChangeForm({ sites, site, plants }: { sites: { id: string; name: string }[]; site: string; plants: Plants }) {
  return (
    <details className="no-print mt-4 border-b border-[var(--line)] pb-3">
      <summary className="min-h-[44px] flex items-center">
        <span className="plain-button">Put a plant on the list, or change one</span>
      </summary>
      <ActionForm
        action={statusAction}
        renew
        label="Put a plant on the list"
        className="mt-3 grid sm:grid-cols-2 lg:grid-cols-[1.4fr_1fr_1fr_1fr_auto] gap-x-5 gap-y-3 items-end"
      >
        <div data-field="taxon">
          <Combobox
            name="taxon"
            label="Plant"
            value=""
            choices={plants.flora.taxa.map((t) => ({ value: t.name, words: plants.common(t.name), also: t.name }))}
          />
          <Fault name="taxon" />
        </div>
        <Field name="status" label="Is here">
          <select name="status" defaultValue="target">
            {STATUSES.map((s) => (
              <option key={s} value={s}>
                {STATUS_WORDS[s]}
              </option>
            ))}
          </select>
        </Field>
        <Field name="siteId" label="Where">
          <select name="siteId" defaultValue={site}>
            <option value="">everywhere in the district</option>
            {sites.map((s) => (
              <option key={s.id} value={s.id}>
                only on {s.name}
              </option>
            ))}
          </select>
        </Field>
        <Field name="action" label="Treated together as">
          <input name="action" maxLength={80} />
        </Field>
        <Button type="submit" look="press">
          Put it on the list
        </Button>
      </ActionForm>
    </details>
  );
}
