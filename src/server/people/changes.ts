import { desc } from "drizzle-orm";
import { change } from "@/db/schema";
import { plantsHere } from "../flora/amendments";
import { districtZone } from "../ground/district";
import { asMember, type Member } from "../platform/session";

/** What is shown of a table's row in words, and what is not: ids, versions, shapes and signatures say nothing to a reader. */
const SILENT =
  /(^|_)(id|version|roles_at|outline|boundary|shape|place|limits|list_version|created_at|changed_at|at|by|by_id|by_roles)$/;
const TABLES: Record<string, string> = {
  district: "The district",
  membership: "A member",
  invitation: "An invitation",
  list_entry: "The list",
  label: "A label",
  site: "A site",
  feature: "A map feature",
  patch: "A patch",
  finding: "A finding",
  plan: "A plan",
  follow_up: "A check",
  amendment: "The flora here",
};
const MOST_SHOWN = 200;

export interface ChangeLine {
  id: number;
  at: string;
  what: string;
  /** which of them: a name, a plant or a number, where the row has one */
  which: string;
  act: "insert" | "update" | "delete";
  by: string | null;
  fields: { name: string; before: string | null; after: string | null }[];
}

type Row = Record<string, unknown> | null;
const inWords = (value: unknown): string | null =>
  value === null || value === undefined || value === ""
    ? null
    : typeof value === "object"
      ? JSON.stringify(value)
      : String(value);

function fieldsOf(before: Row, after: Row): ChangeLine["fields"] {
  const names = new Set([...Object.keys(before ?? {}), ...Object.keys(after ?? {})]);
  return [...names]
    .filter((name) => !SILENT.test(name))
    .map((name) => ({
      name: name.replaceAll("_", " "),
      before: inWords(before?.[name]),
      after: inWords(after?.[name]),
    }))
    .filter((field) => field.before !== field.after);
}

/** What people changed here, newest first, as far as this person may see it: the database masks it like the tables themselves. */
export async function changesOf(member: Member): Promise<{ lines: ChangeLine[]; zone: string }> {
  return asMember(member, async (tx) => {
    const rows = await tx.select().from(change).orderBy(desc(change.at), desc(change.id)).limit(MOST_SHOWN);
    const plants = await plantsHere(tx);
    const whichOf = (row: Row): string => {
      const taxon = row?.taxon ? plants.common(String(row.taxon)) : "";
      return [
        row?.name ? String(row.name) : "",
        row?.what ? `“${String(row.what)}”` : "",
        row?.number ? `F-${row.number}` : "",
        taxon,
      ]
        .filter(Boolean)
        .join(", ");
    };
    return {
      zone: await districtZone(tx),
      lines: rows.map((row) => ({
        id: row.id,
        at: row.at.toISOString(),
        what: TABLES[row.what] ?? row.what,
        which: whichOf((row.after ?? row.before) as Row),
        act: row.act,
        by: row.personName,
        fields: row.act === "update" ? fieldsOf(row.before as Row, row.after as Row) : [],
      })),
    };
  });
}
