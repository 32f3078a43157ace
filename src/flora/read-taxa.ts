import { type Character, POSITIONS, type Score, type Stage, STAGES, type Taxon } from "@/core/flora";
import { readPlant, readScore } from "@/core/pack";
import type { Problem, YamlFile } from "./read-yaml";

/** A cell that someone tried to fill: `not known; the reason`. It is no score, and no empty line either. */
const NOT_KNOWN = /^not known\b[;, ]*/;

type Raw = Record<string, unknown>;
export interface TaxonWithScores {
  taxon: Taxon;
  scores: Omit<Score, "taxon">[];
  /** characters that were sought and are not known, with the reason */
  sought: { character: string; why: string }[];
}

/** Reads one taxon: what its groups say, overlaid by its own lines. */
export function readTaxon(
  source: YamlFile,
  index: number,
  groups: Record<string, Raw>,
  characters: Character[],
  problems: Problem[],
): TaxonWithScores {
  const own = source.data.taxa[index] as Raw;
  const name = String(own.taxon);
  const say = (what: string, key?: string) =>
    problems.push({
      file: source.file,
      line: source.lineOf(["taxa", index, ...(key ? ["scores", key] : [])]),
      what: `${name}: ${what}`,
    });
  // Lists, patches, findings and ledgers go by it for ever, whatever the plant is called later.
  if (!/^[a-z][a-z-]*$/.test(String(own.id ?? "")))
    say(`id "${own.id ?? ""}"; give it its first name in small letters with hyphens, and never change it`);
  const like = (own.like as string[]) ?? [];
  for (const group of like) if (!groups[group]) say(`unknown group "${group}"`);
  const layers: Raw[] = [...like.map((group) => groups[group] ?? {}), own];
  const merged: Raw = Object.assign({}, ...layers);
  merged.calendar = Object.assign({}, ...layers.map((layer) => layer.calendar ?? {}));
  const lines: Record<string, string> = Object.assign({}, ...layers.map((layer) => layer.scores ?? {}));
  const isSought = ([, text]: [string, string]) => NOT_KNOWN.test(String(text));
  const scoreText = Object.fromEntries(Object.entries(lines).filter((line) => !isSought(line)));
  const faultOf = (field: string, got: unknown, wanted: string) => say(`${field} "${got ?? ""}"; ${wanted}`);
  return {
    taxon: readPlant(name, merged, [String(source.data.set)], faultOf),
    scores: readScores(scoreText, characters, merged, say),
    sought: Object.entries(lines)
      .filter(isSought)
      .map(([character, text]) => {
        if (!characters.some((c) => c.id === character)) say(`unknown character "${character}"`, character);
        const why = String(text).replace(NOT_KNOWN, "").trim();
        if (!why) say(`${character}: "not known" without a reason; write "not known; why"`, character);
        return { character, why };
      }),
  };
}

function readScores(
  lines: Record<string, string>,
  characters: Character[],
  raw: Raw,
  say: (what: string, key?: string) => void,
): Omit<Score, "taxon">[] {
  const scores: Omit<Score, "taxon">[] = [];
  const formIds = Object.keys((raw.forms as object) ?? {});
  for (const [key, text] of Object.entries(lines)) {
    const [id, where] = key.split("@");
    const index = characters.findIndex((character) => character.id === id);
    if (index < 0) {
      say(`unknown character "${id}"`, key);
      continue;
    }
    const character = characters[index];
    const score: Partial<Score> = {};
    for (const place of where?.split("+") ?? []) {
      if ((STAGES as readonly string[]).includes(place)) score.stage = place as Stage;
      else if ((POSITIONS as readonly string[]).includes(place)) score.position = place as Score["position"];
      else if (formIds.includes(place)) score.form = place;
      else say(`"@${place}" is no stage, position or form`, key);
    }
    try {
      const value = readScore(
        String(text),
        character.states.map((s) => s.id),
      );
      if (!character.applies.includes(raw["life-form"] as never) && !value.notApplicable) continue;
      scores.push({ character: index, ...score, ...value });
    } catch (error) {
      say(`${key}: ${(error as Error).message}`, key);
    }
  }
  return scores;
}
