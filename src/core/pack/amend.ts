import { InputError } from "../errors";
import { type Character, type CompiledFlora, POSITIONS, type Score, STAGES } from "../flora";
import { AMENDMENT_KINDS, kindOfKey, twinOfKey } from "./keys";
import { plantOfRow, readPlantText, withPlant, writePlant } from "./plant";
import { heldPair, pairOfRows, readTwinText, withTwin, writeTwin } from "./twin";
import { readScore, type ScoreValue, writeScore } from "./words";

/** One line of the flora as it is to be: a score, `leaf-edge@low` of a plant; what a plant is; or what tells it apart from a twin. */
export interface Amendment {
  /** accepted name */
  taxon: string;
  /** character, with stage, position and form after "@", joined by "+"; or `plant`; or `twin` and the name of the twin */
  key: string;
  /** in the words of the flora files; null takes a score out: not recorded */
  value: string | null;
}

interface Line {
  taxon: number;
  character: number;
  stage?: Score["stage"];
  position?: Score["position"];
  form?: string;
}

/** The key of a score: its character, and where on the plant and when it holds. */
export function scoreKey(flora: CompiledFlora, score: Omit<Line, "taxon">): string {
  const where = [score.position, score.stage, score.form].filter(Boolean).join("+");
  return flora.characters[score.character].id + (where ? `@${where}` : "");
}

/** Tells one line of the scores from another. */
const lineKey = (flora: CompiledFlora, line: Line): string => `${line.taxon} ${scoreKey(flora, line)}`;
const sameLine = (a: Line, b: Line) =>
  a.taxon === b.taxon &&
  a.character === b.character &&
  a.stage === b.stage &&
  a.position === b.position &&
  a.form === b.form;
const stateIds = (character: Character) => character.states.map((s) => s.id);

/**
 * Where an amendment belongs, and what it says.
 * @throws {InputError} naming the plant, character, place or word that is wrong
 */
export function checkAmendment(
  flora: CompiledFlora,
  { taxon: name, key, value }: Amendment,
): { line: Line; score: ScoreValue | null } {
  const taxon = flora.taxa.findIndex((t) => t.name === name);
  if (taxon < 0)
    throw new InputError("unknown-taxon", "taxon", name, "write the accepted name of a plant of this flora");
  const [id, where] = key.split("@");
  const character = flora.characters.findIndex((c) => c.id === id);
  if (character < 0)
    throw new InputError("unknown-character", "character", id, "write the id of a character of this flora");
  const line: Line = { taxon, character };
  for (const place of where?.split("+").filter(Boolean) ?? []) {
    if ((STAGES as readonly string[]).includes(place)) line.stage = place as Score["stage"];
    else if ((POSITIONS as readonly string[]).includes(place)) line.position = place as Score["position"];
    else if (flora.taxa[taxon].forms.some((f) => f.id === place && f.id !== "any")) line.form = place;
    else
      throw new InputError(
        "unknown-place",
        "where",
        place,
        `write a stage (${STAGES.join(", ")}), a position (${POSITIONS.join(", ")}) or a form of this plant`,
      );
  }
  if (value === null) return { line, score: null };
  if (!flora.characters[character].applies.includes(flora.taxa[taxon].lifeForm) && !/^n\/a\b/.test(value.trim()))
    throw new InputError(
      "does-not-apply",
      "character",
      id,
      `this character is not asked of a ${flora.taxa[taxon].lifeForm}`,
    );
  try {
    return { line, score: readScore(value, stateIds(flora.characters[character])) };
  } catch (error) {
    throw new InputError("unreadable-score", "score", value, (error as Error).message);
  }
}

/**
 * What the flora says on a line, in its words; null where it is not recorded, or where it holds no such plant or pair.
 * @throws {InputError} if the line is a score of no character or place
 */
export function lineText(flora: CompiledFlora, taxon: string, key: string): string | null {
  const kind = kindOfKey(key);
  const plant = flora.taxa.find((t) => t.name === taxon);
  if (kind === "plant") return plant ? writePlant(plant) : null;
  if (kind === "score") return plant ? scoreText(flora, taxon, key) : null;
  const twin = flora.taxa.find((t) => t.name === twinOfKey(key));
  const pair = plant && twin && heldPair(flora, plant.id, twin.id);
  return pair && !pair.found ? writeTwin(pair) : null;
}

function scoreText(flora: CompiledFlora, taxon: string, key: string): string | null {
  const { line } = checkAmendment(flora, { taxon, key, value: null });
  const held = flora.scores.find((s) => sameLine(s, line));
  return held ? writeScore(held, stateIds(flora.characters[line.character])) : null;
}

/**
 * The flora with a plant or a pair of twins as an amendment has it.
 * @throws {InputError} if it does not check
 */
function layPlantOrTwin(flora: CompiledFlora, { taxon, key, value }: Amendment): CompiledFlora {
  const twin = twinOfKey(key);
  if (value === null)
    throw new InputError("no-value", "value", value, "a plant or a pair of twins is taken back where it was added");
  return twin === null
    ? withPlant(flora, plantOfRow(flora, readPlantText(taxon, value)))
    : withTwin(flora, pairOfRows(flora, readTwinText(taxon, twin, value)));
}

/**
 * The flora with a district's amendments over it. The shipped flora is not touched; the version tells the two apart.
 * @param refused takes an amendment that does not check, which then says nothing; without it such a one is thrown
 * @throws {InputError} if an amendment does not check
 */
export function amendFlora(
  flora: CompiledFlora,
  amendments: Amendment[],
  refused?: (amendment: Amendment, fault: InputError) => void,
): CompiledFlora {
  if (amendments.length === 0) return flora;
  let own = flora;
  const scores = new Map(flora.scores.map((score) => [lineKey(flora, score), score]));
  for (const kind of AMENDMENT_KINDS) {
    for (const amendment of amendments.filter((a) => kindOfKey(a.key) === kind)) {
      try {
        if (kind !== "score") own = layPlantOrTwin(own, amendment);
        else {
          const { line, score } = checkAmendment(own, amendment);
          if (score) scores.set(lineKey(own, line), { ...line, ...score });
          else scores.delete(lineKey(own, line));
        }
      } catch (error) {
        if (!refused || !(error instanceof InputError)) throw error;
        refused(amendment, error);
      }
    }
  }
  const ordered = [...scores.values()].sort((a, b) => a.taxon - b.taxon || a.character - b.character);
  return { ...own, version: `${flora.version}+${fingerprint(JSON.stringify(amendments))}`, scores: ordered };
}

/** FNV-1a, 32 bit: tells one set of amendments from another; nothing rests on its being hard to forge. */
function fingerprint(text: string): string {
  let hash = 0x811c9dc5;
  for (let i = 0; i < text.length; i++) hash = Math.imul(hash ^ text.charCodeAt(i), 0x01000193) >>> 0;
  return hash.toString(16).padStart(8, "0");
}
