/** What is asked of a table: which rows, in which order, from which row on. It stands in the page's address. */
export interface TableQuery {
  /** words that a row includes; empty for all */
  find: string;
  /** id of the column by which the rows are sorted */
  sort: string;
  descending: boolean;
  /** key of the row after which the page begins, or before which it ends; not both */
  after: string | null;
  before: string | null;
}

/** One page of a table, and the keys by which its neighbors are asked for. */
export interface TablePage<Row> {
  rows: Row[];
  /** rows found in all */
  found: number;
  /** key of the last row, where more follow; of the first, where some come before */
  next: string | null;
  previous: string | null;
}

export const PAGE_ROWS = 50;
/** Longer words are found in nothing; a key is an id or a number. */
const LONGEST_FIND = 80;
const LONGEST_KEY = 64;

/** Parameters of an address as a server hands them over: one value, several, or none. */
export type Params = Record<string, string | string[] | undefined>;
const single = (value: string | string[] | undefined): string =>
  Array.isArray(value) ? (value[0] ?? "") : (value ?? "");

/**
 * Reads what is asked of a table from its address. What no table could be asked is left at what the page shows first.
 * @param sortable ids of the columns that sort
 */
export function readTableQuery(
  params: Params,
  sortable: readonly string[],
  first: Pick<TableQuery, "sort" | "descending">,
): TableQuery {
  const [id = "", way] = single(params.sort).split(".");
  const known = sortable.includes(id);
  const key = (name: string) => single(params[name]).slice(0, LONGEST_KEY) || null;
  const after = key("after");
  return {
    find: single(params.find).trim().slice(0, LONGEST_FIND),
    sort: known ? id : first.sort,
    descending: known ? way === "down" : first.descending,
    after,
    before: after ? null : key("before"),
  };
}

/** The address of the same table asked otherwise. @param keep further parameters of the page, as they are */
export function tableAddress(path: string, query: TableQuery, keep: Record<string, string> = {}): string {
  const params = new URLSearchParams(keep);
  if (query.find) params.set("find", query.find);
  params.set("sort", `${query.sort}.${query.descending ? "down" : "up"}`);
  if (query.after) params.set("after", query.after);
  if (query.before) params.set("before", query.before);
  return `${path}?${params}`;
}

const fold = (text: string) => text.toLowerCase().normalize("NFD").replace(/\p{M}/gu, "");
/** Whether a text includes every word that is looked for, whatever their order, case and accents. */
export const includesWords = (text: string, find: string): boolean =>
  fold(find)
    .split(/\s+/)
    .every((word) => fold(text).includes(word));

/**
 * A page of rows that stand in memory; the same rows come in the same order however the pages are walked.
 * @param of key (unique), text (in which words are found) and sort value of a row under the query's column
 */
export function pageOf<Row>(
  all: readonly Row[],
  of: { key: (row: Row) => string; text: (row: Row) => string; sort: (row: Row, column: string) => string | number },
  query: TableQuery,
  size = PAGE_ROWS,
): TablePage<Row> {
  const way = query.descending ? -1 : 1;
  const found = all
    .filter((row) => includesWords(of.text(row), query.find))
    .map((row) => ({ row, key: of.key(row), by: of.sort(row, query.sort) }))
    .sort((a, b) => way * (compare(a.by, b.by) || compare(a.key, b.key)));
  const place = (key: string) => found.findIndex((entry) => entry.key === key);
  const end = query.before === null ? -1 : place(query.before);
  const start = end >= 0 ? Math.max(0, end - size) : query.after === null ? 0 : place(query.after) + 1;
  const shown = found.slice(start, end >= 0 ? end : start + size);
  return {
    rows: shown.map((entry) => entry.row),
    found: found.length,
    next: start + shown.length < found.length ? (shown.at(-1)?.key ?? null) : null,
    previous: start > 0 ? (shown[0]?.key ?? null) : null,
  };
}

const compare = (a: string | number, b: string | number): number =>
  typeof a === "number" && typeof b === "number" ? a - b : String(a).localeCompare(String(b), "en", { numeric: true });

/** Where a person stands, as a page's address says it: "44.35,-131.2" is latitude and longitude. @returns [longitude, latitude], or null */
export function readPlace(param: string | string[] | undefined): [number, number] | null {
  const [latitude, longitude] = (typeof param === "string" ? param : "").split(",").map(Number);
  const isPlace =
    latitude !== undefined && longitude !== undefined && Math.abs(latitude) <= 90 && Math.abs(longitude) <= 180;
  return isPlace ? [longitude, latitude] : null;
}
