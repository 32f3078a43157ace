import Link from "next/link";
import { type Column, DataTable } from "@/components/ui/data-table";
import { Empty } from "@/components/ui/notice";
import { PageHead } from "@/components/ui/page";
import { fullDay, shortDay } from "@/components/words/dates";
import { type Params, pageOf, readTableQuery } from "@/core/paging";
import { type PlanLine, planLines } from "@/server/control/plans";
import { plantsOf } from "@/server/flora/amendments";
import { methodName } from "@/server/flora/method-book";
import type { Plants } from "@/server/flora/plants";
import { memberOrSignIn } from "@/server/platform/session";

export const metadata = { title: "Season" };

const STATES = { planned: "Planned", done: "Done" } as const;
const NOTHING = {
  planned: "Nothing is planned. Open a finding that is clear to act and choose what can be done.",
  done: "Nothing done from a plan yet.",
};

export default async function SeasonPage({ searchParams }: { searchParams: Promise<Params> }) {
  const member = await memberOrSignIn();
  const [plants, params] = [await plantsOf(member), await searchParams];
  const state = params.state === "done" ? "done" : "planned";
  const lines = (await planLines(member)).filter((line) => line.plan.state === state);
  const columns = columnsFor(plants, state);
  const query = readTableQuery(
    params,
    columns.filter((c) => c.sorts).map((c) => c.id),
    { sort: "day", descending: state === "done" },
  );
  return (
    <div className="px-4 md:px-6 py-5">
      <PageHead title="Season">
        <p className="text-[var(--soft)]">
          What is meant to be done, when and by whom. Work hangs on a finding that is clear to act.
        </p>
      </PageHead>
      <nav aria-label="Planned or done" className="mt-4 flex gap-5 no-print">
        {Object.entries(STATES).map(([id, name]) => (
          <Link
            key={id}
            href={`/season?state=${id}`}
            aria-current={id === state ? "page" : undefined}
            className={`tap ${id === state ? "font-bold no-underline" : ""}`}
          >
            {name}
          </Link>
        ))}
      </nav>
      {lines.length === 0 ? (
        <Empty>{NOTHING[state]}</Empty>
      ) : (
        <DataTable
          label={`${STATES[state]} work`}
          {...{ columns, query }}
          page={pageOf(lines, tableOf(plants), query)}
          path="/season"
          keep={{ state }}
          keyOf={(line) => line.plan.id}
          many="plans"
        />
      )}
    </div>
  );
}

const tableOf = (plants: Plants) => ({
  key: ({ plan }: PlanLine) => plan.id,
  text: (line: PlanLine) =>
    [
      line.patch,
      line.site,
      line.person,
      methodName(line.plan.method),
      plants.common(line.plan.taxon),
      line.plan.taxon,
    ].join(" "),
  sort: (line: PlanLine, column: string) =>
    ({ what: methodName(line.plan.method), where: line.patch, who: line.person, window: line.plan.windowTo })[column] ??
    line.plan.intendedOn,
});

const columnsFor = (plants: Plants, state: keyof typeof STATES): Column<PlanLine>[] => [
  {
    id: "day",
    name: "Meant for",
    sorts: true,
    className: "whitespace-nowrap",
    cell: ({ plan }) => fullDay(plan.intendedOn),
  },
  {
    id: "what",
    name: "What",
    sorts: true,
    cell: ({ plan }) => (
      <>
        <span className="font-semibold">{methodName(plan.method)}</span>
        <br />
        <span className="small">
          {plants.common(plan.taxon)}
          {plan.overruling ? " · overruled in writing" : ""}
        </span>
      </>
    ),
  },
  {
    id: "where",
    name: "Where",
    sorts: true,
    cell: (line) => (
      <>
        <Link href={`/ground/patch/${line.plan.patchId}`} className="tap">
          {line.patch}
        </Link>
        <br />
        <span className="small">{line.site}</span>
      </>
    ),
  },
  { id: "who", name: "Who", sorts: true, cell: (line) => line.person },
  {
    id: "window",
    name: "Window",
    sorts: true,
    cell: ({ plan }) => `${shortDay(plan.windowFrom)} to ${shortDay(plan.windowTo)}`,
  },
  { id: "follows", name: "What follows", className: "small max-w-[26ch]", cell: ({ plan }) => plan.followedBy },
  ...(state === "planned"
    ? [
        {
          id: "act",
          name: "Act",
          silent: true,
          cell: ({ plan }: PlanLine) => (
            <Link href={`/ledger/new?plan=${plan.id}`} className="tap">
              Record it
            </Link>
          ),
        },
      ]
    : []),
];
