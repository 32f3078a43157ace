import { parse as parseCsv } from "csv-parse/sync";
import { stringify } from "csv-stringify/sync";
import { LineCounter, parseDocument } from "yaml";
import type { CompiledFlora } from "@/core/identify";
import {
  type Amendment,
  amendFlora,
  amendmentTables,
  type FileRow,
  PACK_FORMAT,
  PACK_TABLES,
  type Pack,
  type PackReading,
  type PackTable,
  packSchema,
  packTables,
  readPackRows,
  TABLE_COLUMNS,
} from "@/core/pack";
import type { ChangedVerdict } from "@/core/records";
import { activeAmendments, amendmentHistory, districtModel, storeAmendments } from "./amendments";
import { changedVerdicts } from "./changed-verdicts";
import { Refusal } from "./faults";
import { shippedFlora } from "./flora";
import { asMember, type Member } from "./session";

export type PackScope = "all" | "amendments" | { set: string } | { plant: string };
/** A pack of the whole flora is about 3 MB as JSON. */
const MOST_BYTES = 12_000_000;
/** Refusals and changes that are shown; the rest are counted. */
const MOST_SHOWN = 200;

/** The district's flora as a pack: all of it, one set, one plant, or only what the district changed. */
export async function makePack(member: Member, scope: PackScope): Promise<Pack> {
  return asMember(member, async (tx) => {
    const { flora } = await districtModel(tx);
    const base = { pack: PACK_FORMAT, flora: flora.version } as const;
    if (scope === "all") return { ...base, title: `Flora of ${member.name}`, ...packTables(flora) };
    if (scope !== "amendments") {
      const { title, names } = namesIn(flora, scope);
      return { ...base, title: `${title}, ${member.name}`, ...packTables(flora, new Set(names)) };
    }
    const reasons = new Map(
      (await amendmentHistory(tx))
        .reverse()
        .filter((a) => !a.revertedAt)
        .map((a) => [`${a.taxon} ${a.key}`, a.reason]),
    );
    const active = await activeAmendments(tx);
    const silent = new Set<Amendment>();
    amendFlora(shippedFlora(), active, (a) => silent.add(a));
    const amendments = active
      .filter((a) => !silent.has(a))
      .map((a) => ({ ...a, reason: reasons.get(`${a.taxon} ${a.key}`) ?? "" }));
    return { ...base, title: `Amendments of ${member.name}`, ...amendmentTables(amendments) };
  });
}

function namesIn(flora: CompiledFlora, scope: { set: string } | { plant: string }): { title: string; names: string[] } {
  if ("plant" in scope) {
    const plant = flora.taxa.find((t) => t.id === scope.plant);
    if (!plant) throw new Refusal(404, `There is no plant "${scope.plant}" in this flora.`);
    return { title: plant.name, names: [plant.name] };
  }
  const set = flora.sets.find((s) => s.id === scope.set);
  if (!set) throw new Refusal(404, `There is no set "${scope.set}" in this flora.`);
  return { title: set.name, names: flora.taxa.filter((t) => set.taxa.includes(t.id)).map((t) => t.name) };
}

/** One table of a pack, for a spreadsheet. */
export const packToCsv = (pack: Pack, table: PackTable = "scores"): string =>
  stringify(pack[table], { header: true, columns: TABLE_COLUMNS[table], escape_formulas: true });

/** One row on a line, so that a fault can be named by its line. */
export function packToJson(pack: Pack): string {
  const head = Object.entries(pack)
    .filter(([key]) => !(PACK_TABLES as readonly string[]).includes(key))
    .map(([k, v]) => `  ${JSON.stringify(k)}: ${JSON.stringify(v)}`);
  const tables = PACK_TABLES.map(
    (table) => `  "${table}": [\n${pack[table].map((row) => `    ${JSON.stringify(row)}`).join(",\n")}\n  ]`,
  );
  return `{\n${[...head, ...tables].join(",\n")}\n}\n`;
}

/** Rows of a pack with the line each stands on, from one file as JSON, or from its tables as CSV; told by the first letter. */
export function rowsOfFiles(files: PackFile[]): FileRow[] {
  if (files.reduce((sum, f) => sum + f.text.length, 0) > MOST_BYTES)
    throw new Refusal(400, "The files are larger than 12 MB.", [{ field: "file", what: "send a set at a time" }]);
  return files.flatMap(({ name, text }) =>
    (text.trimStart().startsWith("{") ? jsonRows(text) : csvRows(text)).map((row) =>
      files.length > 1 ? { ...row, file: name } : row,
    ),
  );
}

export interface PackFile {
  name: string;
  text: string;
}

function jsonRows(text: string): FileRow[] {
  const lines = new LineCounter();
  const document = parseDocument(text, { lineCounter: lines });
  const broken = document.errors[0];
  if (broken)
    throw new Refusal(400, `The file is no JSON: line ${broken.linePos?.[0].line ?? 1}.`, [
      { field: "file", what: broken.message.split("\n")[0] },
    ]);
  const head = packSchema.pick({ pack: true, title: true, flora: true }).safeParse(document.toJS());
  if (!head.success)
    throw new Refusal(
      400,
      "The file is no flora pack.",
      head.error.issues.map((i) => ({ field: "file", what: `${i.path.join(".")}: ${i.message}` })),
    );
  const tables = PACK_TABLES.flatMap((table) => {
    const rows = document.get(table) as
      | { items?: { range?: [number, number, number]; toJSON(): unknown }[] }
      | undefined;
    return rows?.items
      ? [rows.items.map((item) => ({ table, line: lines.linePos(item.range?.[0] ?? 0).line, row: item.toJSON() }))]
      : [];
  });
  if (tables.length === 0)
    throw new Refusal(400, "The pack has no rows.", [
      { field: "file", what: `it needs one of the lists ${PACK_TABLES.join(", ")}` },
    ]);
  return tables.flat();
}

function csvRows(text: string): FileRow[] {
  try {
    const header = text.replace(/^\uFEFF/, "").split(/\r?\n/, 1)[0];
    const delimiter = header.includes("\t") ? "\t" : header.includes(";") && !header.includes(",") ? ";" : ",";
    const rows = parseCsv(text, {
      columns: (names: string[]) => names.map((n) => n.trim().toLowerCase()),
      bom: true,
      trim: true,
      delimiter,
      skip_empty_lines: true,
      info: true,
      relax_column_count: true,
    }) as unknown as { record: Record<string, string>; info: { lines: number } }[];
    const table = tableOf(
      header
        .toLowerCase()
        .split(delimiter)
        .map((name) => name.trim().replaceAll('"', "")),
    );
    return rows.map(({ record, info }) => ({ table, line: info.lines, row: record }));
  } catch (error) {
    if (error instanceof Refusal) throw error;
    throw new Refusal(400, "The file could not be read as a table.", [
      { field: "file", what: (error as Error).message },
    ]);
  }
}

/** Columns without which a table is none of its kind. */
const NEEDED: Record<PackTable, string[]> = {
  plants: ["taxon", "family", "life-form", "cycle", "common", "sets", "seed-years"],
  twins: ["taxon", "twin", "deciders", "mistake"],
  scores: ["taxon", "character", "where", "score"],
};

/** Which table it is, by a column that only that one has. */
function tableOf(columns: string[]): PackTable {
  const table: PackTable = columns.includes("life-form") ? "plants" : columns.includes("deciders") ? "twins" : "scores";
  const missing = NEEDED[table].filter((c) => !columns.includes(c));
  if (missing.length > 0)
    throw new Refusal(400, `The table of ${table} lacks the column ${missing.join(", ")}.`, [
      { field: "file", what: `the first line names the columns: ${TABLE_COLUMNS[table].join(", ")}` },
    ]);
  return table;
}

export interface PackPreview {
  changes: PackReading["changes"];
  more: number;
  same: number;
  refused: PackReading["refused"];
  thin: PackReading["thin"];
  verdicts: ChangedVerdict[];
  reckoned: number;
}

/** What a pack would change here, what of it does not check, and the findings whose verdict would be another. Nothing is stored. */
export async function previewPack(member: Member, files: PackFile[]): Promise<PackPreview> {
  const rows = rowsOfFiles(files);
  return asMember(member, async (tx) => {
    const reading = readPackRows((await districtModel(tx)).flora, rows);
    const { changed, reckoned } =
      reading.refused.length > 0 || reading.changes.length === 0
        ? { changed: [], reckoned: 0 }
        : await changedVerdicts(tx, reading.changes);
    return {
      changes: reading.changes.slice(0, MOST_SHOWN),
      more: Math.max(0, reading.changes.length - MOST_SHOWN),
      same: reading.same,
      refused: reading.refused.slice(0, MOST_SHOWN),
      thin: reading.thin,
      verdicts: changed,
      reckoned,
    };
  });
}

/** Takes a pack in, whole or not at all: a pack with one refused row is refused. @returns how many lines of the flora changed */
export async function importPack(member: Member, files: PackFile[], reason: string): Promise<number> {
  const rows = rowsOfFiles(files);
  return asMember(member, async (tx) => {
    const { flora } = await districtModel(tx);
    const { changes, refused } = readPackRows(flora, rows);
    if (refused.length > 0)
      throw new Refusal(
        400,
        `${refused.length} rows do not check. Nothing was taken in.`,
        refused
          .slice(0, 20)
          .map((r) => ({ field: "file", what: `${r.file ? `${r.file}, ` : ""}line ${r.line}, ${r.field}: ${r.what}` })),
      );
    if (changes.length > 0)
      await storeAmendments(
        tx,
        member,
        changes.map(({ taxon, key, value, reason: own }) => ({ taxon, key, value, reason: own || reason })),
      );
    return changes.length;
  });
}
