import Link from "next/link";
import { type Column, DataTable } from "@/components/ui/data-table";
import { Empty } from "@/components/ui/notice";
import { PageHead } from "@/components/ui/page";
import { areaText, fullDay, siteDay } from "@/components/words/dates";
import { type Params, readTableQuery } from "@/core/paging";
import { plantsOf } from "@/server/flora/amendments";
import type { Plants } from "@/server/flora/plants";
import { memberOrSignIn } from "@/server/platform/session";
import { LEDGER_SORTS, type LedgerLine, ledgerPage } from "@/server/records/ledger-pages";

export const metadata = { title: "Ledger" };

export default async function LedgerPage({ searchParams }: { searchParams: Promise<Params> }) {
  const member = await memberOrSignIn();
  const plants = await plantsOf(member);
  const query = readTableQuery(await searchParams, LEDGER_SORTS, { sort: "seq", descending: true });
  const { page, head, count } = await ledgerPage(member, query);
  return (
    <div className="px-4 md:px-6 py-5">
      <PageHead
        title="Ledger"
        actions={
          <>
            <Link href="/season" className="tap">
              Record planned work
            </Link>
            <Link href="/ledger/labels" className="tap">
              Labels
            </Link>
          </>
        }
      >
        <p className="text-[var(--soft)]">
          What was done, written once. Nothing is changed or taken out; a correction is a new entry.
        </p>
        <p className="small">
          {count} entries · head <span className="figure">{head.slice(0, 16)}</span>
        </p>
      </PageHead>
      {count === 0 ? (
        <Empty>No entry yet. Work that is planned in the Season is recorded here when it is done.</Empty>
      ) : (
        <DataTable
          label="Entries of the ledger"
          columns={columnsFor(plants)}
          {...{ page, query }}
          path="/ledger"
          keyOf={(line) => line.id}
          many="entries"
        />
      )}
    </div>
  );
}

const columnsFor = (plants: Plants): Column<LedgerLine>[] => [
  {
    id: "seq",
    name: "No.",
    sorts: true,
    className: "figure",
    cell: (line) => (
      <Link href={`/ledger/${line.id}`} className="tap">
        {line.seq}
      </Link>
    ),
  },
  { id: "day", name: "Day", sorts: true, className: "whitespace-nowrap", cell: (line) => fullDay(siteDay(line.body)) },
  {
    id: "where",
    name: "Where",
    sorts: true,
    cell: (line) => (
      <>
        {line.patchName}
        <br />
        <span className="small">{line.siteName}</span>
      </>
    ),
  },
  { id: "plant", name: "Plant", cell: (line) => plants.common(line.body.taxon) },
  { id: "what", name: "What", sorts: true, cell: (line) => <What line={line} /> },
  {
    id: "area",
    name: "Area",
    sorts: true,
    className: "figure md:text-right whitespace-nowrap",
    cell: (line) => ("areaM2" in line.body ? areaText(line.body.areaM2) : null),
  },
  { id: "who", name: "Who", sorts: true, cell: (line) => line.body.who },
];

const What = ({ line }: { line: LedgerLine }) => (
  <span>
    {line.kind === "void" ? <strong>Void of entry {line.body.voids}: </strong> : null}
    {line.body.methodName}
    {line.kind === "treatment" && line.supersedes ? <span className="small"> · corrects an earlier entry</span> : null}
    {line.supersededBy ? (
      <span className="small">
        {" "}
        · {line.voided ? "voided" : "corrected"} by {line.supersededBy}
      </span>
    ) : null}
    {line.kind === "treatment" && line.body.overruling ? <span className="small"> · overruled in writing</span> : null}
    {line.kind === "treatment" && line.body.againstGate ? (
      <strong className="small text-[var(--madder)]"> · done against the gate</strong>
    ) : null}
  </span>
);
