import { type Character, LIFE_FORMS, type MonthRange, POSITIONS, type Score, STAGES, type Stage, type Taxon } from "@/core/identify/flora-types";
import type { Problem, YamlFile } from "./read-yaml";
import { readScore } from "@/core/pack";

type Raw = Record<string, unknown>;
export interface TaxonWithScores {
  taxon: Taxon;
  scores: Omit<Score, "taxon">[];
}

/** Stable id of a taxon: its name, lower case, hyphens; the hybrid sign becomes x. */
export function taxonId(name: string): string {
  return name.toLowerCase().replace(/×\s*/g, "x-").replace(/\./g, "").replace(/[^a-z-]+/g, "-");
}

/** Reads one taxon: what its groups say, overlaid by its own lines. */
export function readTaxon(source: YamlFile, index: number, groups: Record<string, Raw>, characters: Character[], problems: Problem[]): TaxonWithScores {
  const own = source.data.taxa[index] as Raw;
  const name = String(own.taxon);
  const say = (what: string, key?: string) => problems.push({ file: source.file, line: source.lineOf(["taxa", index, ...(key ? ["scores", key] : [])]), what: `${name}: ${what}` });
  const like = (own.like as string[]) ?? [];
  for (const group of like) if (!groups[group]) say(`unknown group "${group}"`);
  const layers: Raw[] = [...like.map((group) => groups[group] ?? {}), own];
  const merged: Raw = Object.assign({}, ...layers);
  merged.calendar = Object.assign({}, ...layers.map((layer) => layer.calendar ?? {}));
  const scoreText: Record<string, string> = Object.assign({}, ...layers.map((layer) => layer.scores ?? {}));
  return { taxon: readAttributes(name, merged, source, say), scores: readScores(scoreText, characters, merged, say) };
}

function readAttributes(name: string, raw: Raw, source: YamlFile, say: (what: string) => void): Taxon {
  const lifeForm = raw["life-form"] as Taxon["lifeForm"];
  if (!LIFE_FORMS.includes(lifeForm)) say(`life-form "${lifeForm}"; write one of ${LIFE_FORMS.join(", ")}`);
  if (!["annual", "biennial", "perennial"].includes(String(raw.cycle))) say(`cycle "${raw.cycle}"; write annual, biennial or perennial`);
  if (!raw.family) say("needs a family");
  const years = String(raw["seed-years"] ?? "").split("-").map(Number);
  if (years.length !== 2 || years.some((y) => !Number.isFinite(y)) || years[1] < years[0]) say(`seed-years "${raw["seed-years"]}"; write low-high`);
  const forms = Object.entries((raw.forms as Record<string, number>) ?? {}).map(([id, share]) => ({ id, share }));
  return {
    id: String(raw.id ?? taxonId(name)),
    name,
    rank: (raw.rank as Taxon["rank"]) ?? "species",
    genus: name.split(" ")[0],
    family: String(raw.family),
    lifeForm,
    cycle: raw.cycle as Taxon["cycle"],
    common: (raw.common as string[]) ?? [],
    synonyms: (raw.synonyms as string[]) ?? [],
    sets: [String(source.data.set)],
    calendar: readCalendar(raw.calendar as Record<string, string>, say),
    spread: (raw.spread as string[]) ?? [],
    sprouts: (raw.sprouts as string[]) ?? [],
    fragments: String(raw.fragments ?? "none"),
    seedYears: [years[0] ?? 1, years[1] ?? 1],
    hazards: (raw.hazards as Taxon["hazards"]) ?? {},
    interfertile: (raw.interfertile as string[]) ?? [],
    forms: forms.length > 0 ? forms : [{ id: "any", share: 1 }],
  };
}

function readCalendar(raw: Record<string, string>, say: (what: string) => void): Taxon["calendar"] {
  const calendar: Taxon["calendar"] = {};
  for (const [stage, text] of Object.entries(raw)) {
    if (!(STAGES as readonly string[]).includes(stage)) {
      say(`unknown stage "${stage}" in the calendar`);
      continue;
    }
    const ranges = String(text).split(/\s+/).map((range) => range.split("-").map(Number) as MonthRange);
    if (ranges.some(([a, b]) => !(a >= 1 && a <= 12 && b >= 1 && b <= 12))) say(`calendar ${stage} "${text}"; write months as 5-7`);
    calendar[stage as Stage] = ranges;
  }
  return calendar;
}

function readScores(lines: Record<string, string>, characters: Character[], raw: Raw, say: (what: string, key?: string) => void): Omit<Score, "taxon">[] {
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
      const value = readScore(String(text), character.states.map((s) => s.id));
      if (!character.applies.includes(raw["life-form"] as never) && !value.notApplicable) continue;
      scores.push({ character: index, ...score, ...value });
    } catch (error) {
      say(`${key}: ${(error as Error).message}`, key);
    }
  }
  return scores;
}
