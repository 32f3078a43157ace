import Link from "next/link";
import { takeOffListAction } from "@/app/actions/control";
import { ActionForm } from "@/components/ui/action-form";
import { Button } from "@/components/ui/button";
import type { Column } from "@/components/ui/data-table";
import { STATUS_WORDS, StatusMark, statusTitle } from "@/components/verdict/marks";
import { fullDay } from "@/components/words/dates";
import { STATUSES } from "@/core/flora";
import type { ListLine } from "@/server/control/list";
import type { Plants } from "@/server/flora/plants";

export const LIST_SORTS = ["status", "plant", "treated", "set"];

const statusOf = (line: ListLine) => line.entry?.status ?? "kept";
const lastSet = ({ entry, exceptions }: ListLine) => entry ?? exceptions[0] ?? null;

/** What is found and sorted by in the list. */
export const listTable = (plants: Plants) => ({
  key: (line: ListLine) => line.taxon,
  text: (line: ListLine) =>
    [
      ...[plants.common(line.taxon), line.taxon, statusTitle(statusOf(line)), line.entry?.action ?? ""],
      ...line.exceptions.map((e) => e.siteName),
    ].join(" "),
  sort: (line: ListLine, column: string): string | number =>
    column === "status"
      ? STATUSES.indexOf(statusOf(line))
      : column === "treated"
        ? (line.entry?.action ?? "")
        : column === "set"
          ? (lastSet(line)?.changedAt.getTime() ?? 0)
          : plants.common(line.taxon),
});

export const listColumns = (plants: Plants, mayChange: boolean): Column<ListLine>[] => [
  {
    id: "status",
    name: "Status",
    sorts: true,
    cell: (line) => (
      <span className="inline-flex gap-2 items-center">
        <StatusMark status={statusOf(line)} size={18} />
        {statusTitle(statusOf(line))}
        {line.entry?.reportFirst ? <span className="small">· report first</span> : null}
      </span>
    ),
  },
  {
    id: "plant",
    name: "Plant",
    sorts: true,
    cell: (line) => (
      <span>
        <Link href={`/flora/${plants.byName(line.taxon)?.id ?? ""}`} className="tap font-semibold">
          {plants.common(line.taxon)}
        </Link>{" "}
        <span className="latin">{line.taxon}</span>
      </span>
    ),
  },
  {
    id: "treated",
    name: "Treated together with",
    sorts: true,
    cell: ({ entry }) => entry?.action ?? <span className="small">{entry ? "by its kind" : "not listed: kept"}</span>,
  },
  {
    id: "differs",
    name: "Different on",
    cell: (line) => <Exceptions line={line} mayChange={mayChange} />,
  },
  {
    id: "set",
    name: "Set by",
    sorts: true,
    className: "small",
    cell: (line) => {
      const set = lastSet(line);
      return set ? `${set.changedBy}, ${fullDay(set.changedAt.toISOString())}` : null;
    },
  },
  ...(mayChange
    ? [
        {
          id: "change",
          name: "Change",
          silent: true,
          className: "md:text-right",
          cell: ({ entry, taxon }: ListLine) =>
            entry ? <TakeOff id={entry.id} label={`Take ${taxon} off the list`} /> : null,
        },
      ]
    : []),
];

function Exceptions({ line, mayChange }: { line: ListLine; mayChange: boolean }) {
  if (line.exceptions.length === 0) return <span className="small">nowhere</span>;
  return (
    <ul>
      {line.exceptions.map((e) => (
        <li key={e.id} className="flex flex-wrap gap-x-2 items-center">
          <StatusMark status={e.status} size={16} />
          <span>
            {STATUS_WORDS[e.status]} on {e.siteName}
          </span>
          {mayChange ? <TakeOff id={e.id} label={`Let ${e.siteName} follow the district for ${line.taxon}`} /> : null}
        </li>
      ))}
    </ul>
  );
}

const TakeOff = ({ id, label }: { id: string; label: string }) => (
  <ActionForm action={takeOffListAction} label={label} className="no-print inline">
    <input type="hidden" name="id" value={id} />
    <Button type="submit" look="plain" className="small" aria-label={label}>
      take off
    </Button>
  </ActionForm>
);
