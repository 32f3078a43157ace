import Link from "next/link";
import type { ReactNode } from "react";
import { type TablePage, type TableQuery, tableAddress } from "@/core/paging";
import { Button } from "./button";
import { PageKeys } from "./page-keys";

export interface Column<Row> {
  id: string;
  name: string;
  cell: (row: Row) => ReactNode;
  /** the table can be sorted by it */
  sorts?: boolean;
  /** its name is read by screen readers only */
  silent?: boolean;
  className?: string;
}

/**
 * Rows that can be sorted, searched and walked page by page; all of it stands in the address, so that it can be sent to someone,
 * and works without a script. On a phone each row is a sheet of its own with the same lines.
 */
export function DataTable<Row>({
  label,
  columns,
  page,
  query,
  path,
  keep = {},
  keyOf,
  many,
}: {
  /** what the table is, for who does not see it */
  label: string;
  columns: Column<Row>[];
  page: TablePage<Row>;
  query: TableQuery;
  path: string;
  /** further parameters of the page */
  keep?: Record<string, string>;
  keyOf: (row: Row) => string;
  /** what the rows are, as a plural: "entries" */
  many: string;
}) {
  const address = (change: Partial<TableQuery>) =>
    tableAddress(path, { ...query, after: null, before: null, ...change }, keep);
  return (
    <>
      <Search {...{ columns, query, path, keep, many }} found={page.found} />
      {page.rows.length === 0 ? (
        <p className="mt-4">
          No {many} include “{query.find}”.{" "}
          <Link className="tap" href={address({ find: "" })}>
            Show all {many}
          </Link>
        </p>
      ) : (
        <table className="w-full mt-2 stacked" aria-label={label}>
          <thead>
            <tr className="small text-left">
              {columns.map((column) => (
                <Head key={column.id} {...{ column, query }} href={sortHref(address, column.id, query)} />
              ))}
            </tr>
          </thead>
          <tbody>
            {page.rows.map((row) => (
              <tr key={keyOf(row)} className="row align-top">
                {columns.map((column) => (
                  <td
                    key={column.id}
                    data-label={column.silent ? "" : column.name}
                    className={`py-2 pr-3 ${column.className ?? ""}`}
                  >
                    {column.cell(row)}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <Pages
        previous={page.previous && address({ before: page.previous })}
        next={page.next && address({ after: page.next })}
      />
    </>
  );
}

const sortHref = (address: (change: Partial<TableQuery>) => string, id: string, query: TableQuery): string =>
  address({ sort: id, descending: query.sort === id ? !query.descending : false });

function Head<Row>({ column, query, href }: { column: Column<Row>; query: TableQuery; href: string }) {
  const sorted = query.sort === column.id;
  return (
    <th
      scope="col"
      className={`pr-3 font-bold ${column.className?.includes("text-right") ? "md:text-right" : ""}`}
      aria-sort={sorted ? (query.descending ? "descending" : "ascending") : undefined}
    >
      {column.silent ? (
        <span className="sr-only">{column.name}</span>
      ) : column.sorts ? (
        <Link href={href} className="tap" scroll={false}>
          {column.name}
          {sorted ? <span aria-hidden> {query.descending ? "↓" : "↑"}</span> : null}
        </Link>
      ) : (
        column.name
      )}
    </th>
  );
}

/** What the rows include, and on a phone, where no heads of columns stand, how they are sorted. */
function Search<Row>({
  columns,
  query,
  path,
  keep,
  many,
  found,
}: {
  columns: Column<Row>[];
  query: TableQuery;
  path: string;
  keep: Record<string, string>;
  many: string;
  found: number;
}) {
  return (
    <form
      key={`${query.sort} ${query.descending} ${query.find}`}
      action={path}
      role="search"
      className="no-print mt-4 flex flex-wrap gap-x-5 gap-y-3 items-end"
    >
      {Object.entries(keep).map(([name, value]) => (
        <input key={name} type="hidden" name={name} value={value} />
      ))}
      <label className="field">
        <span className="label">Find in the {many}</span>
        <input name="find" type="search" defaultValue={query.find} maxLength={80} />
      </label>
      <label className="field md:hidden">
        <span className="label">Sort by</span>
        <select name="sort" defaultValue={`${query.sort}.${query.descending ? "down" : "up"}`}>
          {columns
            .filter((column) => column.sorts)
            .flatMap((column) => [
              <option key={`${column.id}.up`} value={`${column.id}.up`}>
                {column.name}, lowest first
              </option>,
              <option key={`${column.id}.down`} value={`${column.id}.down`}>
                {column.name}, highest first
              </option>,
            ])}
        </select>
      </label>
      <Button type="submit">Find</Button>
      <span className="small" role="status">
        {found} {many}
      </span>
    </form>
  );
}

function Pages({ previous, next }: { previous: string | null; next: string | null }) {
  if (!previous && !next) return null;
  return (
    <nav aria-label="Pages of the table" className="no-print mt-4 flex gap-6">
      {previous ? (
        <Link href={previous} rel="prev" className="tap">
          Previous page <kbd className="keycap">[</kbd>
        </Link>
      ) : null}
      {next ? (
        <Link href={next} rel="next" className="tap">
          Next page <kbd className="keycap">]</kbd>
        </Link>
      ) : null}
      <PageKeys {...{ previous, next }} />
    </nav>
  );
}
