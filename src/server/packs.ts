import { parse as parseCsv } from "csv-parse/sync";
import { stringify } from "csv-stringify/sync";
import { LineCounter, parseDocument } from "yaml";
import { PACK_FORMAT, type Pack, type PackReading, packRows, packSchema, readPackRows } from "@/core/pack";
import type { ChangedVerdict } from "@/core/records";
import { activeAmendments, amendmentHistory, districtModel, storeAmendments } from "./amendments";
import { changedVerdicts } from "./changed-verdicts";
import { Refusal } from "./faults";
import { asMember, type Member } from "./session";

export type PackScope = "all" | "amendments" | { set: string };
const COLUMNS = ["taxon", "character", "where", "score", "reason"] as const;
/** A pack of the whole flora is about 3 MB as JSON. */
const MOST_BYTES = 12_000_000;
/** Refusals and changes that are shown; the rest are counted. */
const MOST_SHOWN = 200;

/** The district's flora as a pack: all of it, one set, or only what the district changed. */
export async function makePack(member: Member, scope: PackScope): Promise<Pack> {
  return asMember(member, async (tx) => {
    const { flora } = await districtModel(tx);
    const base = { pack: PACK_FORMAT, flora: flora.version } as const;
    if (scope === "all") return { ...base, title: `Flora of ${member.name}`, scores: packRows(flora) };
    if (scope !== "amendments") {
      const set = flora.sets.find((s) => s.id === scope.set);
      if (!set) throw new Refusal(404, `There is no set "${scope.set}" in this flora.`);
      return { ...base, title: `${set.name}, ${member.name}`, scores: packRows(flora, new Set(flora.taxa.filter((t) => set.taxa.includes(t.id)).map((t) => t.name))) };
    }
    const reasons = new Map((await amendmentHistory(tx)).reverse().filter((a) => !a.revertedAt).map((a) => [`${a.taxon} ${a.key}`, a.reason]));
    const scores = (await activeAmendments(tx)).map(({ taxon, key, value }) => {
      const [character, where = ""] = key.split("@");
      return { taxon, character, where, score: value ?? "", reason: reasons.get(`${taxon} ${key}`) ?? "" };
    });
    return { ...base, title: `Amendments of ${member.name}`, scores };
  });
}

/** The scores as a table for a spreadsheet. */
export const packToCsv = (pack: Pack): string => stringify(pack.scores, { header: true, columns: [...COLUMNS], escape_formulas: true });

/** One score on a line, so that a fault can be named by its line. */
export const packToJson = ({ scores, ...head }: Pack): string => `{\n${Object.entries(head).map(([k, v]) => `  ${JSON.stringify(k)}: ${JSON.stringify(v)},`).join("\n")}\n  "scores": [\n${scores.map((row) => `    ${JSON.stringify(row)}`).join(",\n")}\n  ]\n}\n`;

/** Rows of a pack file with the line each stands on; JSON or CSV, told by its first letter. */
export function rowsOfFile(text: string): { line: number; row: unknown }[] {
  if (text.length > MOST_BYTES) throw new Refusal(400, "The file is larger than 12 MB.", [{ field: "file", what: "send a set at a time" }]);
  return text.trimStart().startsWith("{") ? jsonRows(text) : csvRows(text);
}

function jsonRows(text: string): { line: number; row: unknown }[] {
  const lines = new LineCounter();
  const document = parseDocument(text, { lineCounter: lines });
  const broken = document.errors[0];
  if (broken) throw new Refusal(400, `The file is no JSON: line ${broken.linePos?.[0].line ?? 1}.`, [{ field: "file", what: broken.message.split("\n")[0] }]);
  const head = packSchema.omit({ scores: true }).safeParse(document.toJS());
  if (!head.success) throw new Refusal(400, "The file is no flora pack.", head.error.issues.map((i) => ({ field: "file", what: `${i.path.join(".")}: ${i.message}` })));
  const scores = document.get("scores") as { items?: { range?: [number, number, number]; toJSON(): unknown }[] } | undefined;
  if (!scores?.items) throw new Refusal(400, "The pack has no scores.", [{ field: "file", what: '"scores" is a list of rows' }]);
  return scores.items.map((item) => ({ line: lines.linePos(item.range?.[0] ?? 0).line, row: item.toJSON() }));
}

function csvRows(text: string): { line: number; row: unknown }[] {
  try {
    const header = text.replace(/^\uFEFF/, "").split(/\r?\n/, 1)[0];
    const delimiter = header.includes("\t") ? "\t" : header.includes(";") && !header.includes(",") ? ";" : ",";
    const rows = parseCsv(text, { columns: (names: string[]) => names.map((n) => n.trim().toLowerCase()), bom: true, trim: true, delimiter, skip_empty_lines: true, info: true, relax_column_count: true }) as unknown as { record: Record<string, string>; info: { lines: number } }[];
    const missing = COLUMNS.slice(0, 4).filter((c) => rows[0] && !(c in rows[0].record));
    if (missing.length > 0) throw new Refusal(400, `The table lacks the column ${missing.join(", ")}.`, [{ field: "file", what: `the first line names the columns: ${COLUMNS.join(", ")}` }]);
    return rows.map(({ record, info }) => ({ line: info.lines, row: record }));
  } catch (error) {
    if (error instanceof Refusal) throw error;
    throw new Refusal(400, "The file could not be read as a table.", [{ field: "file", what: (error as Error).message }]);
  }
}

export interface PackPreview {
  changes: PackReading["changes"];
  more: number;
  same: number;
  refused: PackReading["refused"];
  verdicts: ChangedVerdict[];
  reckoned: number;
}

/** What a pack would change here, what of it does not check, and the findings whose verdict would be another. Nothing is stored. */
export async function previewPack(member: Member, text: string): Promise<PackPreview> {
  const rows = rowsOfFile(text);
  return asMember(member, async (tx) => {
    const reading = readPackRows((await districtModel(tx)).flora, rows);
    const { changed, reckoned } = reading.refused.length > 0 || reading.changes.length === 0 ? { changed: [], reckoned: 0 } : await changedVerdicts(tx, reading.changes);
    return { changes: reading.changes.slice(0, MOST_SHOWN), more: Math.max(0, reading.changes.length - MOST_SHOWN), same: reading.same, refused: reading.refused.slice(0, MOST_SHOWN), verdicts: changed, reckoned };
  });
}

/** Takes a pack in, whole or not at all: a pack with one refused row is refused. @returns how many scores changed */
export async function importPack(member: Member, text: string, reason: string): Promise<number> {
  const rows = rowsOfFile(text);
  return asMember(member, async (tx) => {
    const { flora } = await districtModel(tx);
    const { changes, refused } = readPackRows(flora, rows);
    if (refused.length > 0) throw new Refusal(400, `${refused.length} rows do not check. Nothing was taken in.`, refused.slice(0, 20).map((r) => ({ field: "file", what: `line ${r.line}, ${r.field}: ${r.what}` })));
    if (changes.length > 0) await storeAmendments(tx, member, changes.map(({ taxon, key, value, reason: own }) => ({ taxon, key, value, reason: own || reason })));
    return changes.length;
  });
}

