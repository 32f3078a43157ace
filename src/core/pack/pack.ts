import { z } from "zod";
import { InputError } from "../errors";
import type { CompiledFlora, Score } from "../flora";
import { buildModel, hasWorkingDecider } from "../identify";
import { amendFlora, type Amendment, checkAmendment, lineText, scoreKey } from "./amend";
import { kindOfKey, type PackTable, PLANT_KEY, twinKey, twinOfKey } from "./keys";
import { PLANT_COLUMNS, plantOfRow, plantRowSchema, plantToRow, readPlantText, withPlant, writePlant } from "./plant";
import {
  heldPair,
  isWritten,
  pairOfRows,
  readTwinText,
  TWIN_COLUMNS,
  type TwinRow,
  twinRowSchema,
  twinToRows,
  withTwin,
  writeTwin,
} from "./twin";
import { writeScore } from "./words";

export const PACK_FORMAT = "merry-sentinel-flora/1";

/** One score of a pack, and one row of its spreadsheet. An empty score says: not recorded. */
export const packRowSchema = z.object({
  taxon: z.string().min(1).describe("accepted name"),
  character: z.string().min(1).describe("id of the character"),
  where: z
    .string()
    .default("")
    .describe(
      "stage, position and form to which the score applies, joined by +; empty: for the whole plant at any stage",
    ),
  score: z
    .string()
    .describe(
      "in the words of the flora files, as `coarse usually, fine sometimes ~likely`, or four numbers for a measure, or n/a; empty: not recorded",
    ),
  reason: z.string().default("").describe("why a district changed it"),
});
export type PackRow = z.output<typeof packRowSchema>;

/** A flora pack: plants, what tells them apart from their twins, and scores in words, with the version of the flora that they were taken from. */
export const packSchema = z.object({
  pack: z.literal(PACK_FORMAT),
  title: z.string().min(1).max(200),
  flora: z.string().describe("version of the flora that the pack was taken from"),
  plants: z
    .array(plantRowSchema)
    .max(10_000)
    .default([])
    .describe("what plants are; a plant that the flora does not include is added, with its twins and scores"),
  twins: z
    .array(twinRowSchema)
    .max(60_000)
    .default([])
    .describe("what parts two plants that are taken for one another"),
  scores: z.array(packRowSchema).max(60_000).default([]),
});
export type Pack = z.output<typeof packSchema>;
export const TABLE_COLUMNS: Record<PackTable, string[]> = {
  plants: PLANT_COLUMNS,
  twins: TWIN_COLUMNS,
  scores: Object.keys(packRowSchema.shape),
};

const keyOf = (row: Pick<PackRow, "character" | "where">) => row.character + (row.where ? `@${row.where}` : "");

/** Plants, twins and scores of the flora, or of some plants, as rows. */
export function packTables(flora: CompiledFlora, names: ReadonlySet<string> | null = null): Pick<Pack, PackTable> {
  const taken = (name: string | undefined) => !names || (name !== undefined && names.has(name));
  const nameOf = new Map(flora.taxa.map((t) => [t.id, t.name]));
  return {
    plants: flora.taxa.filter((t) => taken(t.name)).map((t) => plantToRow(t)),
    twins: flora.pairs
      .filter((p) => isWritten(p) && (taken(nameOf.get(p.a)) || taken(nameOf.get(p.b))))
      .flatMap((p) => twinToRows(flora, p)),
    scores: flora.scores
      .filter((s) => taken(flora.taxa[s.taxon].name))
      .map((score) => ({
        ...rowOf(flora, score),
        score: writeScore(
          score,
          flora.characters[score.character].states.map((s) => s.id),
        ),
        reason: "",
      })),
  };
}

/** Amendments with their reasons as the rows of a pack. */
export function amendmentTables(amendments: (Amendment & { reason: string })[]): Pick<Pack, PackTable> {
  const tables: Pick<Pack, PackTable> = { plants: [], twins: [], scores: [] };
  for (const { taxon, key, value, reason } of amendments) {
    const kind = kindOfKey(key);
    if (kind === "plant") tables.plants.push({ ...readPlantText(taxon, value ?? ""), reason });
    else if (kind === "twin")
      tables.twins.push(
        ...readTwinText(taxon, twinOfKey(key) as string, value ?? "").map((row) => ({ ...row, reason })),
      );
    else tables.scores.push({ taxon, ...placeOf(key), score: value ?? "", reason });
  }
  return tables;
}

const placeOf = (key: string): Pick<PackRow, "character" | "where"> => {
  const [character, where = ""] = key.split("@");
  return { character, where };
};

const rowOf = (flora: CompiledFlora, score: Score): Pick<PackRow, "taxon" | "character" | "where"> => ({
  taxon: flora.taxa[score.taxon].name,
  ...placeOf(scoreKey(flora, score)),
});

/** A row of a file, and where it stands. */
export interface FileRow {
  table: PackTable;
  /** name of the file, where several are read together */
  file?: string;
  /** counted from 1 */
  line: number;
  row: unknown;
}
type Place = Pick<FileRow, "file" | "line">;

export interface PackChange extends Amendment, Place {
  /** what the flora says now; null: not recorded, or not held */
  before: string | null;
  reason: string;
}
export interface PackReading {
  changes: PackChange[];
  /** rows that say what the flora says already */
  same: number;
  refused: (Place & { field: string; what: string })[];
  /** plants that are added with few scores: they will fit much and keep much from being cleared */
  thin: { taxon: string; scores: number }[];
}

/** Most faults that are told of one pack. */
const MOST_REFUSED = 500;
/** A plant of which fewer characters than this are scored is too little known to be told. */
export const FEW_SCORES = 30;

/**
 * Reads the rows of a pack against the flora as it stands: what would change, what is the same, and what does not check, by line.
 * Plants are read first, then twins, then scores: those of a plant that the pack adds are checked with it.
 */
export function readPackRows(flora: CompiledFlora, rows: FileRow[]): PackReading {
  const reader = new PackReader(flora);
  const of = (table: PackTable) => rows.filter((r) => r.table === table);
  for (const row of of("plants")) if (!reader.full()) reader.readPlant(row);
  reader.readTwins(of("twins"));
  for (const row of of("scores")) if (!reader.full()) reader.readScore(row);
  reader.checkAdded();
  return { changes: reader.changes, same: reader.same, refused: reader.refused, thin: reader.thin };
}

/** What is read of a pack so far. */
class PackReader {
  readonly changes: PackChange[] = [];
  readonly refused: PackReading["refused"] = [];
  thin: PackReading["thin"] = [];
  same = 0;
  private readonly shipped: CompiledFlora;
  /** the flora with the plants and twins of the pack that were read */
  private flora: CompiledFlora;
  private readonly held: Map<string, Score>;
  private readonly seen = new Map<string, number>();

  constructor(flora: CompiledFlora) {
    this.shipped = flora;
    this.flora = flora;
    this.held = new Map(
      flora.scores.map((score) => [`${flora.taxa[score.taxon].name} ${scoreKey(flora, score)}`, score]),
    );
  }

  readPlant(place: FileRow): void {
    this.attempt(place, plantRowSchema, (row) => {
      const taxon = plantOfRow(this.flora, row);
      this.once(taxon.name, PLANT_KEY, place);
      this.flora = withPlant(this.flora, taxon);
      this.note(
        { taxon: taxon.name, key: PLANT_KEY, value: writePlant(taxon) },
        lineText(this.shipped, taxon.name, PLANT_KEY),
        row.reason,
        place,
      );
    });
  }

  /** The rows of a pair, one for each stage, make one line of the flora. */
  readTwins(places: FileRow[]): void {
    const pairs = new Map<string, { place: FileRow; rows: TwinRow[] }>();
    for (const place of places) {
      if (this.full()) return;
      this.attempt(place, twinRowSchema, (row) => {
        const key = [row.taxon, row.twin].sort().join("|");
        const known = pairs.get(key);
        if (known) known.rows.push(row);
        else pairs.set(key, { place, rows: [row] });
      });
    }
    for (const { place, rows } of pairs.values()) {
      this.guarded(place, () => {
        const pair = pairOfRows(this.flora, rows);
        const [taxon, twin] = [pair.a, pair.b].map((id) => this.flora.taxa.find((t) => t.id === id)?.name as string);
        this.flora = withTwin(this.flora, pair);
        this.note(
          { taxon, key: twinKey(twin), value: writeTwin(pair) },
          lineText(this.shipped, taxon, twinKey(twin)),
          rows.map((r) => r.reason).find(Boolean) ?? "",
          place,
        );
      });
    }
  }

  readScore(place: FileRow): void {
    this.attempt(place, packRowSchema, (row) => {
      const given: Amendment = { taxon: row.taxon.trim(), key: keyOf(row), value: row.score.trim() || null };
      const { line } = checkAmendment(this.flora, given);
      const amendment = { ...given, key: scoreKey(this.flora, line) };
      this.once(amendment.taxon, amendment.key, place);
      const score = this.held.get(`${amendment.taxon} ${amendment.key}`);
      const before = score
        ? writeScore(
            score,
            this.flora.characters[score.character].states.map((s) => s.id),
          )
        : null;
      if (sameValue(this.flora, amendment, before)) this.same++;
      else this.changes.push({ ...amendment, before, reason: row.reason.trim(), file: place.file, line: place.line });
    });
  }

  /** What can only be said once all is read: that twins part, and that no plant stands without one. */
  checkAdded(): void {
    const added = this.changes.filter((c) => c.key === PLANT_KEY && c.before === null);
    const twins = this.changes.filter((c) => twinOfKey(c.key) !== null);
    if (this.refused.length > 0 || added.length + twins.length === 0) return;
    const model = buildModel(amendFlora(this.shipped, this.changes));
    for (const change of twins) {
      const [a, b] = [change.taxon, twinOfKey(change.key)].map(
        (name) => model.flora.taxa.find((t) => t.name === name)?.id ?? "",
      );
      const pair = heldPair(model.flora, a, b);
      if (pair && !pair.inseparable && !hasWorkingDecider(model, pair))
        this.refuse(
          change,
          "deciders",
          `none of them parts ${change.taxon} from ${twinOfKey(change.key)} by what the scores say`,
        );
    }
    for (const change of added) {
      const t = model.taxonIndex.get(change.taxon) as number;
      if (!model.flora.pairs.some((p) => [p.a, p.b].includes(model.flora.taxa[t].id)))
        this.refuse(
          change,
          "taxon",
          `${change.taxon} is added without a twin: say what it is taken for, and what parts the two`,
        );
      if (model.scoresOf[t].size < FEW_SCORES) this.thin.push({ taxon: change.taxon, scores: model.scoresOf[t].size });
    }
  }

  private note(amendment: Amendment, before: string | null, reason: string, { file, line }: Place): void {
    if (amendment.value === before) this.same++;
    else this.changes.push({ ...amendment, before, reason: reason.trim(), file, line });
  }

  private once(taxon: string, key: string, { line }: Place): void {
    const known = this.seen.get(`${taxon} ${key}`);
    if (known)
      throw new InputError(
        "twice",
        key === PLANT_KEY ? "taxon" : "character",
        key === PLANT_KEY ? taxon : key,
        `the same ${kindOfKey(key)} is already on line ${known}`,
      );
    this.seen.set(`${taxon} ${key}`, line);
  }

  private attempt<T>(place: FileRow, schema: z.ZodType<T>, work: (row: T) => void): void {
    const read = schema.safeParse(place.row);
    if (read.success) this.guarded(place, () => work(read.data));
    else for (const issue of read.error.issues) this.refuse(place, issue.path.join("."), issue.message);
  }

  private guarded(place: Place, work: () => void): void {
    try {
      work();
    } catch (error) {
      if (!(error instanceof InputError)) throw error;
      this.refuse(place, error.field, `${JSON.stringify(error.got ?? "")}: ${error.wanted}`);
    }
  }

  /** So many faults are enough to mend a file by; a file that is wrong throughout is not gone through to its end. */
  private refuse({ file, line }: Place, field: string, what: string): void {
    if (this.refused.length < MOST_REFUSED) this.refused.push({ file, line, field, what: what.slice(0, 400) });
  }

  full(): boolean {
    return this.refused.length >= MOST_REFUSED;
  }
}

/** The same but for the rounding of shares. */
function sameValue(flora: CompiledFlora, amendment: Amendment, before: string | null): boolean {
  if (before === null || amendment.value === null) return before === amendment.value;
  const now = checkAmendment(flora, amendment).score;
  const was = checkAmendment(flora, { ...amendment, value: before }).score;
  return (
    JSON.stringify([now?.points, now?.notApplicable, now?.confidence]) ===
      JSON.stringify([was?.points, was?.notApplicable, was?.confidence]) &&
    (now?.shares ?? []).every((share, i) => Math.abs(share - (was?.shares?.[i] ?? 0)) < 0.01)
  );
}
