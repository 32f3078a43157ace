import { z } from "zod";
import { InputError } from "../errors";
import type { CompiledFlora, Score } from "../identify/flora-types";
import { type Amendment, checkAmendment, scoreKey } from "./amend";
import { writeScore } from "./words";

export const PACK_FORMAT = "merry-sentinel-flora/1";

/** One score of a pack, and one row of its spreadsheet. An empty score says: not recorded. */
export const packRowSchema = z.object({
  taxon: z.string().min(1).describe("accepted name"),
  character: z.string().min(1).describe("id of the character"),
  where: z.string().default("").describe("stage, position and form for which the score holds, joined by +; empty: for the whole plant at any stage"),
  score: z.string().describe("in the words of the flora files, as `coarse usually, fine sometimes ~likely`, or four numbers for a measure, or n/a; empty: not recorded"),
  reason: z.string().default("").describe("why a district changed it"),
});
export type PackRow = z.output<typeof packRowSchema>;

/** A flora pack: scores in words, with the version of the flora that they were taken from. */
export const packSchema = z.object({
  pack: z.literal(PACK_FORMAT),
  title: z.string().min(1).max(200),
  flora: z.string().describe("version of the flora that the pack was taken from"),
  scores: z.array(packRowSchema).max(60_000),
});
export type Pack = z.output<typeof packSchema>;

const keyOf = (row: Pick<PackRow, "character" | "where">) => row.character + (row.where ? `@${row.where}` : "");

/** Every score of the flora, or of some plants, as rows. */
export function packRows(flora: CompiledFlora, taxa: ReadonlySet<string> | null = null): PackRow[] {
  return flora.scores
    .filter((s) => !taxa || taxa.has(flora.taxa[s.taxon].name))
    .map((score) => ({ ...rowOf(flora, score), score: writeScore(score, flora.characters[score.character].states.map((s) => s.id)), reason: "" }));
}

function rowOf(flora: CompiledFlora, score: Score): Pick<PackRow, "taxon" | "character" | "where"> {
  const [character, where = ""] = scoreKey(flora, score).split("@");
  return { taxon: flora.taxa[score.taxon].name, character, where };
}

export interface PackChange extends Amendment {
  /** what the flora says now; null: not recorded */
  before: string | null;
  reason: string;
  /** where the row stands in the file, counted from 1 */
  line: number;
}
export interface PackReading {
  changes: PackChange[];
  same: number;
  refused: { line: number; field: string; what: string }[];
}

/**
 * Reads rows against the flora as it stands: what would change, what is the same, and what does not check, by line.
 * @param rows with the line of the file each came from
 */
export function readPackRows(flora: CompiledFlora, rows: { line: number; row: unknown }[]): PackReading {
  const reading: PackReading = { changes: [], same: 0, refused: [] };
  const seen = new Map<string, number>();
  const held = new Map(flora.scores.map((score) => [`${flora.taxa[score.taxon].name} ${scoreKey(flora, score)}`, score]));
  for (const { line, row } of rows) {
    const read = packRowSchema.safeParse(row);
    if (!read.success) {
      for (const issue of read.error.issues) reading.refused.push({ line, field: issue.path.join("."), what: issue.message });
      continue;
    }
    const amendment: Amendment = { taxon: read.data.taxon.trim(), key: keyOf(read.data), value: read.data.score.trim() || null };
    try {
      const { line: place } = checkAmendment(flora, amendment);
      const key = scoreKey(flora, place);
      const known = seen.get(`${amendment.taxon} ${key}`);
      if (known) throw new InputError("twice", "character", key, `the same score already stands on line ${known}`);
      seen.set(`${amendment.taxon} ${key}`, line);
      const score = held.get(`${amendment.taxon} ${key}`);
      const before = score ? writeScore(score, flora.characters[score.character].states.map((s) => s.id)) : null;
      if (sameValue(flora, { ...amendment, key }, before)) reading.same++;
      else reading.changes.push({ ...amendment, key, before, reason: read.data.reason.trim(), line });
    } catch (error) {
      if (!(error instanceof InputError)) throw error;
      reading.refused.push({ line, field: error.field, what: `${JSON.stringify(error.got)}: ${error.wanted}` });
    }
  }
  return reading;
}

/** The same but for the rounding of shares. */
function sameValue(flora: CompiledFlora, amendment: Amendment, before: string | null): boolean {
  if (before === null || amendment.value === null) return before === amendment.value;
  const now = checkAmendment(flora, amendment).score;
  const was = checkAmendment(flora, { ...amendment, value: before }).score;
  return JSON.stringify([now?.points, now?.notApplicable, now?.confidence]) === JSON.stringify([was?.points, was?.notApplicable, was?.confidence]) && (now?.shares ?? []).every((share, i) => Math.abs(share - (was?.shares?.[i] ?? 0)) < 0.01);
}
