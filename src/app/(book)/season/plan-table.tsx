import Link from "next/link";
import { type Column, DataTable } from "@/components/ui/data-table";
import { Empty } from "@/components/ui/notice";
import { fullDay, shortDay } from "@/components/words/dates";
import { type Params, pageOf, readTableQuery } from "@/core/paging";
import type { Order } from "@/core/season";
import type { PlanLine } from "@/server/control/plan-lines";

interface Line {
  line: PlanLine;
  /** why it stands where the order puts it */
  why: string;
  place: number;
}

const NOTHING = {
  planned: "Nothing is planned. Open a finding that is clear to act and choose what can be done.",
  done: "Nothing done from a plan yet.",
};

/** All plans of a state, to be sorted and searched; an order that was laid over them is a column of its own. */
export function PlanTable({
  ordered,
  state,
  params,
  order,
}: {
  ordered: { line: PlanLine; why: string }[];
  state: keyof typeof NOTHING;
  params: Params;
  order: Order;
}) {
  if (ordered.length === 0) return <Empty>{NOTHING[state]}</Empty>;
  const lines = ordered.map((one, i) => ({ ...one, place: i }));
  const columns = order === "day" ? COLUMNS : [ORDER_COLUMN, ...COLUMNS];
  const query = readTableQuery(
    params,
    columns.filter((c) => c.sorts).map((c) => c.id),
    { sort: order === "day" ? "day" : "order", descending: state === "done" },
  );
  return (
    <DataTable
      label={state === "planned" ? "Planned work" : "Work that is done"}
      {...{ columns, query }}
      page={pageOf(lines, TABLE, query)}
      path="/season"
      keep={{ view: state, ...(order === "day" ? {} : { order }) }}
      keyOf={({ line }) => line.plan.id}
      many="plans"
    />
  );
}

const TABLE = {
  key: ({ line }: Line) => line.plan.id,
  text: ({ line }: Line) =>
    [line.patch, line.site, line.person, ...line.helpers, line.method, line.plant, line.plan.taxon].join(" "),
  sort: ({ line, place }: Line, column: string) =>
    ({
      order: String(place).padStart(6, "0"),
      what: line.method,
      where: line.patch,
      who: line.person,
      window: line.plan.windowTo,
      seed: line.lastBeforeSeed ?? "9",
    })[column] ?? line.plan.intendedOn,
};

const ORDER_COLUMN: Column<Line> = {
  id: "order",
  name: "Priority",
  sorts: true,
  className: "small max-w-[26ch]",
  cell: ({ place, why }) => (
    <>
      <span className="figure">{place + 1}.</span> {why}
    </>
  ),
};

const COLUMNS: Column<Line>[] = [
  {
    id: "day",
    name: "Meant for",
    sorts: true,
    cell: ({ line }) => line.plan.onDays.map(fullDay).join(", "),
  },
  {
    id: "what",
    name: "What",
    sorts: true,
    cell: ({ line }) => (
      <>
        <Link href={`/season/plan/${line.plan.id}`} className="tap font-semibold">
          {line.method}
        </Link>
        <br />
        <span className="small">
          {line.plan.followsPlan ? "after " : ""}
          {line.plant}
          {line.plan.overruling ? " · overruled in writing" : ""}
          {line.plan.doneShare > 0 && line.plan.doneShare < 1
            ? ` · ${Math.round(line.plan.doneShare * 100)}% done`
            : ""}
        </span>
      </>
    ),
  },
  {
    id: "where",
    name: "Where",
    sorts: true,
    cell: ({ line }) => (
      <>
        <Link href={`/ground/patch/${line.plan.patchId}`} className="tap">
          {line.patch}
        </Link>
        <br />
        <span className="small">{line.site}</span>
      </>
    ),
  },
  { id: "who", name: "Who", sorts: true, cell: ({ line }) => [line.person, ...line.helpers].join(", ") },
  {
    id: "window",
    name: "Window",
    sorts: true,
    cell: ({ line }) => `${shortDay(line.plan.windowFrom)} to ${shortDay(line.plan.windowTo)}`,
  },
  {
    id: "seed",
    name: "Last day before seed",
    sorts: true,
    cell: ({ line }) => (line.lastBeforeSeed ? shortDay(line.lastBeforeSeed) : ""),
  },
  { id: "follows", name: "What follows", className: "small max-w-[26ch]", cell: ({ line }) => line.plan.followedBy },
];
