import { alias } from "drizzle-orm/pg-core";
import { and, asc, desc, eq, or, type SQL, sql } from "drizzle-orm";
import { z } from "zod";
import { type StoredTreatment, type StoredVoid, storedTreatmentSchema, storedVoidSchema } from "@/contracts/treatment";
import { includesWords, PAGE_ROWS, type TablePage, type TableQuery } from "@/core/paging";
import { GENESIS } from "@/core/records";
import type { Transaction } from "@/db/client";
import { ledgerAnchor, ledgerEntry, patch, site } from "@/db/schema";
import { readStored } from "@/db/schema/json";
import { plantsHere } from "../flora/amendments";
import { notFound } from "../platform/faults";
import { asMember, type Member } from "../platform/session";

/** Columns by which the ledger can be sorted. Entries of one day, plant or patch follow each other by number. */
const SORTS: Record<string, SQL> = {
  seq: sql`${ledgerEntry.seq}`,
  day: sql`(${ledgerEntry.body} ->> 'from')`,
  where: sql`lower(${patch.name})`,
  what: sql`lower(${ledgerEntry.body} ->> 'methodName')`,
  area: sql`coalesce((${ledgerEntry.body} ->> 'areaM2')::float8, 0)`,
  who: sql`lower(${ledgerEntry.body} ->> 'who')`,
};
export const LEDGER_SORTS = Object.keys(SORTS);
const sortOf = (column: string): SQL => SORTS[column] ?? sql`${ledgerEntry.seq}`;

const later = alias(ledgerEntry, "later");
const lines = (tx: Transaction) =>
  tx
    .select({
      e: ledgerEntry,
      patchName: patch.name,
      siteName: site.name,
      supersededBy: later.seq,
      voided: sql<boolean>`coalesce(${later.kind} = 'void', false)`,
    })
    .from(ledgerEntry)
    .innerJoin(patch, eq(patch.id, ledgerEntry.patchId))
    .innerJoin(site, eq(site.id, patch.siteId))
    .leftJoin(later, eq(later.supersedes, ledgerEntry.id));
type Row = Awaited<ReturnType<typeof lines>>[number];

/** An entry with its body, read by the contract of its kind. */
type Told = { kind: "treatment"; body: StoredTreatment } | { kind: "void"; body: StoredVoid };
const toldBy = (kind: string, body: unknown): Told =>
  kind === "void"
    ? { kind, body: readStored("ledger_entry.body (void)", storedVoidSchema, body) }
    : { kind: "treatment", body: readStored("ledger_entry.body", storedTreatmentSchema, body) };
const lineOf = ({ e, ...row }: Row) => ({ ...e, ...row, ...toldBy(e.kind, e.body) });
export type LedgerLine = ReturnType<typeof lineOf>;

/** The head of the ledger and how many entries it has, as the database wrote them itself; printed on every export, so that a cut tail shows. */
async function headOf(tx: Transaction): Promise<{ head: string; count: number }> {
  const [anchor] = await tx.select({ head: ledgerAnchor.hash, count: ledgerAnchor.seq }).from(ledgerAnchor);
  return anchor ?? { head: GENESIS, count: 0 };
}

/** One page of the ledger, with its head. The rows are found, sorted and cut off in the database: a ledger only grows. */
export async function ledgerPage(
  member: Member,
  query: TableQuery,
): Promise<{ page: TablePage<LedgerLine>; head: string; count: number }> {
  return asMember(member, async (tx) => {
    const found = await foundBy(tx, query.find);
    const back = query.before !== null;
    const rows = await lines(tx)
      .where(and(found, await beyond(tx, query)))
      .orderBy(...inOrder(query, back))
      .limit(PAGE_ROWS + 1);
    const more = rows.length > PAGE_ROWS;
    const shown = rows.slice(0, PAGE_ROWS).map(lineOf);
    if (back) shown.reverse();
    const n = await countOf(tx, found);
    return {
      page: {
        rows: shown,
        found: n,
        next: (back || more) && shown.length > 0 ? (shown.at(-1)?.id ?? null) : null,
        previous: (back ? more : query.after !== null) && shown.length > 0 ? (shown[0]?.id ?? null) : null,
      },
      ...(await headOf(tx)),
    };
  });
}

const countOf = async (tx: Transaction, found: SQL | undefined): Promise<number> => {
  const [counted] = await tx
    .select({ n: sql<number>`count(*)::int` })
    .from(ledgerEntry)
    .innerJoin(patch, eq(patch.id, ledgerEntry.patchId))
    .innerJoin(site, eq(site.id, patch.siteId))
    .where(found);
  return counted?.n ?? 0;
};

function inOrder({ sort, descending }: TableQuery, back: boolean): SQL[] {
  const way = descending === back ? asc : desc;
  return [way(sortOf(sort)), way(ledgerEntry.seq)];
}

/** Rows beyond the one at which a page begins or ends; all of them where that one is not in this ledger. */
async function beyond(tx: Transaction, { after, before, sort, descending }: TableQuery): Promise<SQL | undefined> {
  const key = z.uuid().safeParse(after ?? before);
  if (!key.success) return undefined;
  const [at] = await tx
    .select({ by: sql<string | number>`${sortOf(sort)}`, seq: ledgerEntry.seq })
    .from(ledgerEntry)
    .innerJoin(patch, eq(patch.id, ledgerEntry.patchId))
    .where(eq(ledgerEntry.id, key.data));
  if (!at) return undefined;
  return (after === null) === descending
    ? sql`(${sortOf(sort)}, ${ledgerEntry.seq}) > (${at.by}, ${at.seq})`
    : sql`(${sortOf(sort)}, ${ledgerEntry.seq}) < (${at.by}, ${at.seq})`;
}

/** Entries of which patch, site, work, person or plant (by any of its names) includes every word. */
async function foundBy(tx: Transaction, find: string): Promise<SQL | undefined> {
  if (!find) return undefined;
  const { flora } = await plantsHere(tx);
  return and(
    ...find.split(/\s+/).map((word) => {
      const like = `%${word.replace(/[\\%_]/g, "\\$&")}%`;
      const named = flora.taxa.filter((t) => includesWords([t.name, ...t.common].join(" "), word)).map((t) => t.id);
      return or(
        sql`concat_ws(' ', ${patch.name}, ${site.name}, ${ledgerEntry.body} ->> 'methodName', ${ledgerEntry.body} ->> 'who', ${ledgerEntry.body} ->> 'taxon') ILIKE ${like}`,
        sql`${ledgerEntry.plantId} = ANY(${sql.param(named)}::text[])`,
      );
    }),
  );
}

/** The entries of a patch, newest first. */
export const entriesOf = async (tx: Transaction, patchId: string): Promise<LedgerLine[]> =>
  (await lines(tx).where(eq(ledgerEntry.patchId, patchId)).orderBy(desc(ledgerEntry.seq))).map(lineOf);

/** One entry, with the head of its ledger. @throws {Refusal} 404 */
export async function ledgerDetail(member: Member, id: string) {
  if (!z.uuid().safeParse(id).success) throw notFound("The entry");
  return asMember(member, async (tx) => {
    const [row] = await lines(tx).where(eq(ledgerEntry.id, id));
    if (!row) throw notFound("The entry");
    return { line: lineOf(row), ...(await headOf(tx)), districtName: member.name };
  });
}
