import Link from "next/link";
import { statusAction } from "@/app/actions/control";
import { ListFields } from "@/components/control/list-fields";
import { ActionForm, Fault } from "@/components/ui/action-form";
import { Button } from "@/components/ui/button";
import { Combobox } from "@/components/ui/combobox";
import { DataTable } from "@/components/ui/data-table";
import { Disclosure, PlainAction } from "@/components/ui/disclosure";
import { Empty } from "@/components/ui/notice";
import { PageHead } from "@/components/ui/page";
import { type Params, pageOf, readTableQuery } from "@/core/paging";
import { listLines } from "@/server/control/list";
import { plantsOf } from "@/server/flora/amendments";
import type { Plants } from "@/server/flora/plants";
import { siteLines } from "@/server/ground/ground";
import { memberOrSignIn } from "@/server/platform/session";
import { LIST_SORTS, listColumns, listTable } from "./list-table";

export const metadata = { title: "The list" };

/** The list of most districts is one page: it is read from top to bottom. */
const SHEET_ROWS = 200;

/** The district's list on one sheet: what each plant is here, and where a site says otherwise. */
export default async function ListPage({ searchParams }: { searchParams: Promise<Params> }) {
  const member = await memberOrSignIn();
  const plants = await plantsOf(member);
  const [lines, sites, params] = [await listLines(member), await siteLines(member), await searchParams];
  const mayChange = member.roles.some((r) => r === "specialist" || r === "keeper");
  const chosen = sites.find((s) => s.id === params.site);
  const shown = chosen ? lines.filter((l) => l.exceptions.some((e) => e.siteId === chosen.id)) : lines;
  const query = readTableQuery(params, LIST_SORTS, { sort: "status", descending: false });
  return (
    <div className="px-4 md:px-6 py-5">
      <PageHead above={<Link href="/flora">Flora</Link>} title="The list">
        <p className="text-[var(--soft)] max-w-[70ch]">
          The status of each plant in this district, and the sites where it differs. A plant that is not on the list
          counts as kept. Verdicts already given are not rewritten.
        </p>
      </PageHead>
      <SiteChoice sites={sites} chosen={chosen?.id ?? ""} />
      {mayChange ? <ChangeForm sites={sites} site={chosen?.id ?? ""} plants={plants} /> : null}
      {shown.length === 0 ? (
        <Empty>
          {chosen
            ? `${chosen.name} follows the district in everything.`
            : "Nothing is listed yet: every plant counts as kept, and nothing will ever be clear to act. Put the district’s targets on the list."}
        </Empty>
      ) : (
        <DataTable
          label="The list"
          columns={listColumns(plants, mayChange)}
          page={pageOf(shown, listTable(plants), query, SHEET_ROWS)}
          query={query}
          path="/flora/list"
          keep={chosen ? { site: chosen.id } : {}}
          keyOf={(line) => line.taxon}
          many="plants"
        />
      )}
    </div>
  );
}

const SiteChoice = ({ sites, chosen }: { sites: { id: string; name: string }[]; chosen: string }) => (
  <form className="no-print mt-4 flex flex-wrap gap-x-5 gap-y-3 items-end">
    <label className="field">
      <span className="label">Show</span>
      <select name="site" defaultValue={chosen}>
        <option value="">the whole list</option>
        {sites.map((s) => (
          <option key={s.id} value={s.id}>
            what differs on {s.name}
          </option>
        ))}
      </select>
    </label>
    <Button type="submit">Show it</Button>
  </form>
);

const ChangeForm = ({
  sites,
  site,
  plants,
}: {
  sites: { id: string; name: string }[];
  site: string;
  plants: Plants;
}) => (
  <Disclosure
    className="no-print mt-4 border-b border-[var(--line)] pb-3"
    summary={<PlainAction>Put a plant on the list, or change one</PlainAction>}
  >
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
      <ListFields status="target" siteId={site} sites={sites} />
      <Button type="submit" look="press">
        Put it on the list
      </Button>
    </ActionForm>
  </Disclosure>
);
