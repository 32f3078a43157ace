import { itemAt } from "@/core/items";
import { parse as parseCsv } from "csv-parse/sync";
import { stringify } from "csv-stringify/sync";
import { z } from "zod";
import type { CompiledFlora } from "@/core/flora";
import { checkJsonText, linesOfRows } from "@/core/limits";
import {
  amendFlora,
  type Amendment,
  amendmentTables,
  type FileRow,
  type Pack,
  PACK_FORMAT,
  PACK_TABLES,
  packSchema,
  type PackTable,
  packTables,
  readPackRows,
  TABLE_COLUMNS,
} from "@/core/pack";
import type { packPreviewSchema } from "@/contracts/work";
import { type Actor, inDistrict, type Transaction } from "@/db/client";
import { readCaseSource } from "../judge/cases";
import { changedVerdicts } from "../judge/changed-verdicts";
import { oldFindings, type Step } from "../judge/old-findings";
import { Refusal } from "../platform/faults";
import { asMember, type Member } from "../platform/session";
import { activeAmendments, amendmentHistory, districtModel, storeAmendments } from "./amendments";
import { shippedFlora } from "./flora";
import { modelWith } from "./flora-models";

export type PackScope = "all" | "amendments" | { set: string } | { plant: string };
/** A pack of the whole flora is about 4 MB as JSON. */
export const MOST_PACK_BYTES = 12_000_000;
const MOST_FILES = 6;
const MOST_ROWS = 60_000;
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

/** The files of a pack, as a job carries them. */
export const packFilesSchema = z.object({ files: z.array(z.object({ name: z.string().max(300), text: z.string() })) });
export type PackFile = z.output<typeof packFilesSchema>["files"][number];

/** Rows of a pack with the line each stands on, from one file as JSON, or from its tables as CSV; told by the first letter. */
export function rowsOfFiles(files: PackFile[]): FileRow[] {
  checkPackFiles(files);
  return files.flatMap(({ name, text }) =>
    (text.trimStart().startsWith("{") ? jsonRows(text) : csvRows(text)).map((row) =>
      files.length > 1 ? { ...row, file: name } : row,
    ),
  );
}

/** @throws {Refusal} 413 where there are too many files, or too large ones */
export function checkPackFiles(files: PackFile[]): void {
  if (files.length > MOST_FILES || files.reduce((sum, f) => sum + f.text.length, 0) > MOST_PACK_BYTES)
    throw new Refusal(413, `At most ${MOST_FILES} files and 12 MB in all.`, [
      { field: "file", what: "send a set at a time" },
    ]);
}

const tooMany = () =>
  new Refusal(400, `The file has more than ${MOST_ROWS} rows.`, [{ field: "file", what: "send a set at a time" }]);

function jsonRows(text: string): FileRow[] {
  const fault = checkJsonText(text, { depth: 8, items: 30 * MOST_ROWS });
  if (fault) throw new Refusal(400, `The file is not a flora pack: ${fault}.`, [{ field: "file", what: fault }]);
  const lines = linesOfRows(text, MOST_ROWS);
  if (!lines) throw tooMany();
  let pack: unknown;
  try {
    pack = JSON.parse(text);
  } catch (error) {
    const at = /position (\d+)/.exec((error as Error).message);
    const line = at ? text.slice(0, Number(at[1])).split("\n").length : text.split("\n").length;
    throw new Refusal(400, `The file is not JSON: line ${line}.`, [
      { field: "file", what: itemAt((error as Error).message.split("\n"), 0).slice(0, 200) },
    ]);
  }
  const head = packSchema.pick({ pack: true, title: true, flora: true }).safeParse(pack);
  if (!head.success)
    throw new Refusal(
      400,
      "The file is not a flora pack.",
      head.error.issues.map((i) => ({ field: "file", what: `${i.path.join(".")}: ${i.message}` })),
    );
  const rows = PACK_TABLES.flatMap((table) => {
    const own = (pack as Record<string, unknown>)[table];
    return Array.isArray(own) ? [own.map((row, i) => ({ table, line: lines.get(table)?.[i] ?? 1, row }))] : [];
  });
  if (rows.length === 0)
    throw new Refusal(400, "The pack has no rows.", [
      { field: "file", what: `it needs one of the lists ${PACK_TABLES.join(", ")}` },
    ]);
  return rows.flat();
}

function csvRows(text: string): FileRow[] {
  // The parser would read the whole file before it could be told that it is too long.
  let newlines = 0;
  for (let at = text.indexOf("\n"); at >= 0; at = text.indexOf("\n", at + 1))
    if (++newlines > 2 * MOST_ROWS) throw tooMany();
  try {
    const header = itemAt(text.replace(/^\uFEFF/, "").split(/\r?\n/, 1), 0).slice(0, 2000);
    const delimiter = header.includes("\t") ? "\t" : header.includes(";") && !header.includes(",") ? ";" : ",";
    const table = tableOf(
      header
        .toLowerCase()
        .split(delimiter)
        .map((name) => name.trim().replaceAll('"', "")),
    );
    const rows = parseCsv(text, {
      columns: (names: string[]) => names.map((n) => n.trim().toLowerCase()),
      bom: true,
      trim: true,
      delimiter,
      skip_empty_lines: true,
      info: true,
      relax_column_count: true,
      max_record_size: 20_000,
      to: MOST_ROWS + 1,
    }) as unknown as { record: Record<string, string>; info: { lines: number } }[];
    if (rows.length > MOST_ROWS) throw tooMany();
    return rows.map(({ record, info }) => ({ table, line: info.lines, row: record }));
  } catch (error) {
    if (error instanceof Refusal) throw error;
    throw new Refusal(400, "The file could not be read as a table.", [
      { field: "file", what: (error as Error).message.slice(0, 200) },
    ]);
  }
}

/** Columns without which a table is none of its kind. */
const NEEDED: Record<PackTable, string[]> = {
  plants: ["taxon", "family", "life-form", "cycle", "common", "sets"],
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

/** What a preview of a pack needs of the database, read before the engine begins. */
export async function readPackPreview(tx: Transaction) {
  return { source: await readCaseSource(tx), ...(await oldFindings(tx)) };
}

/** What a pack would change here, what of it does not check, and the findings whose verdict would be another. Nothing is stored. */
export async function previewPack(
  { source, findings }: Awaited<ReturnType<typeof readPackPreview>>,
  files: PackFile[],
  step: Step,
): Promise<z.output<typeof packPreviewSchema>> {
  const reading = readPackRows(modelWith(source.amendments).flora, rowsOfFiles(files));
  const { changed, judged } =
    reading.refused.length > 0 || reading.changes.length === 0
      ? { changed: [], judged: 0 }
      : await changedVerdicts(source, findings, reading.changes, step);
  return {
    changes: reading.changes.slice(0, MOST_SHOWN),
    more: Math.max(0, reading.changes.length - MOST_SHOWN),
    same: reading.same,
    refused: reading.refused.slice(0, MOST_SHOWN),
    thin: reading.thin.slice(0, MOST_SHOWN),
    verdicts: changed.slice(0, MOST_SHOWN),
    judged,
  };
}

/**
 * Imports a pack, whole or not at all: a pack with one refused row is refused. It is read before the transaction that stores it; where
 * the district's flora changed between the two, nothing is stored.
 * @returns how many lines of the flora changed
 */
export async function takePack(by: Actor & { districtId: string }, files: PackFile[], reason: string): Promise<number> {
  const before = await inDistrict(by.districtId, activeAmendments, by);
  const { changes, refused } = readPackRows(modelWith(before).flora, rowsOfFiles(files));
  if (refused.length > 0)
    throw new Refusal(
      400,
      `${refused.length} rows do not check. Nothing was taken in.`,
      refused
        .slice(0, 20)
        .map((r) => ({ field: "file", what: `${r.file ? `${r.file}, ` : ""}line ${r.line}, ${r.field}: ${r.what}` })),
    );
  if (changes.length === 0) return 0;
  await inDistrict(
    by.districtId,
    async (tx) => {
      if (JSON.stringify(await activeAmendments(tx)) !== JSON.stringify(before))
        throw new Refusal(
          409,
          "Someone else changed the flora in the meantime. Nothing was taken in. Check the pack again.",
        );
      await storeAmendments(
        tx,
        by,
        changes.map(({ taxon, key, value, reason: own }) => ({ taxon, key, value, reason: own || reason })),
      );
    },
    by,
  );
  return changes.length;
}
