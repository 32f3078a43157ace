import { z } from "zod";
import { InputError } from "../errors";
import { type CompiledFlora, type Pair, STAGES } from "../flora";

/** What parts two plants at a stage, as one row of a spreadsheet. */
export const twinRowSchema = z.object({
  taxon: z.string().trim().min(1).describe("accepted name"),
  twin: z.string().trim().min(1).describe("accepted name of the plant that it is taken for"),
  stage: z
    .string()
    .default("any")
    .describe(`any, ${STAGES.join(", ")}; one row for each`),
  deciders: z
    .string()
    .default("")
    .describe("ids of the characters that part them, in order of trust, with commas between"),
  mistake: z.string().default("").describe("the mistake that people make; on one row of the pair is enough"),
  reason: z.string().default("").describe("why a district changed or added it"),
});
export type TwinRow = z.output<typeof twinRowSchema>;
export const TWIN_COLUMNS = Object.keys(twinRowSchema.shape) as (keyof TwinRow)[];

/** Pairs that are written as rows: what people are known to confuse, both of them held. */
export const isWritten = (pair: Pair): boolean => !pair.found && !pair.unheld;

/** The rows of a pair, one for each stage. */
export function twinToRows(flora: CompiledFlora, pair: Pair, reason = ""): TwinRow[] {
  const [taxon, twin] = namesOf(flora, pair);
  return pair.deciders.map(({ stage, characters }, i) => ({
    taxon,
    twin,
    stage,
    deciders: characters.join(", "),
    mistake: i === 0 ? pair.mistake : "",
    reason,
  }));
}

function namesOf(flora: CompiledFlora, pair: Pair): [string, string] {
  const name = (id: string) => flora.taxa.find((t) => t.id === id)?.name ?? id;
  return [name(pair.a), name(pair.b)];
}

/** What parts two plants, as one text: the deciders of a stage a line, then the mistake. */
export const writeTwin = (pair: Pair): string =>
  [
    ...pair.deciders.map(({ stage, characters }) => `${stage}: ${characters.join(", ")}`),
    `mistake: ${pair.mistake}`,
  ].join("\n");

/** The rows that `writeTwin` made a text of. */
export function readTwinText(taxon: string, twin: string, text: string): TwinRow[] {
  const lines = text
    .split("\n")
    .map((line) => [line.slice(0, line.indexOf(":")), line.slice(line.indexOf(":") + 1).trim()]);
  const mistake = lines.find(([field]) => field === "mistake")?.[1] ?? "";
  return lines
    .filter(([field]) => field !== "mistake")
    .map(([stage, deciders]) => ({ taxon, twin, stage, deciders, mistake, reason: "" }));
}

/**
 * The pair that some rows describe: the way round that the flora has it, else as the first row names the two.
 * @throws {InputError} naming the column that does not check
 */
export function pairOfRows(flora: CompiledFlora, rows: TwinRow[]): Pair {
  const [{ taxon, twin }] = rows;
  const plant = (field: "taxon" | "twin", name: string) => {
    const held = flora.taxa.find((t) => t.name === name);
    if (!held)
      throw new InputError(
        "unknown-taxon",
        field,
        name,
        "write the accepted name of a plant of this flora or of this pack",
      );
    return held;
  };
  const [a, b] = [plant("taxon", taxon), plant("twin", twin)];
  if (a === b) throw new InputError("no-pair", "twin", twin, "name another plant than the first");
  const mistake = rows.map((r) => r.mistake.trim()).find(Boolean);
  if (!mistake) throw new InputError("no-mistake", "mistake", "", "say the mistake that people make");
  const held = heldPair(flora, a.id, b.id);
  const [first, second] = held ? [held.a, held.b] : [a.id, b.id];
  return {
    a: first,
    b: second,
    deciders: rows.map((row) => readDeciders(flora, row)),
    mistake,
    ...(held?.inseparable ? { inseparable: held.inseparable } : {}),
  };
}

function readDeciders(flora: CompiledFlora, row: TwinRow): Pair["deciders"][number] {
  const stage = row.stage.trim() || "any";
  if (stage !== "any" && !(STAGES as readonly string[]).includes(stage))
    throw new InputError("unknown-stage", "stage", stage, `write any or one of ${STAGES.join(", ")}`);
  const characters = row.deciders
    .split(",")
    .map((c) => c.trim())
    .filter(Boolean);
  if (characters.length === 0)
    throw new InputError("no-decider", "deciders", row.deciders, "name at least one character that parts the two");
  for (const id of characters)
    if (!flora.characters.some((c) => c.id === id))
      throw new InputError("unknown-character", "deciders", id, "write ids of characters of this flora");
  return { stage: stage as Pair["deciders"][number]["stage"], characters };
}

/** The pair of two plants as the flora has it, listed or found. */
export const heldPair = (flora: CompiledFlora, a: string, b: string): Pair | undefined =>
  flora.pairs.find((p) => !p.unheld && ((p.a === a && p.b === b) || (p.a === b && p.b === a)));

/** The flora with this pair in it, in place of what it said of the two. */
export function withTwin(flora: CompiledFlora, pair: Pair): CompiledFlora {
  const held = heldPair(flora, pair.a, pair.b);
  return { ...flora, pairs: held ? flora.pairs.map((p) => (p === held ? pair : p)) : [...flora.pairs, pair] };
}
