import { createHash } from "node:crypto";
import { existsSync, readdirSync } from "node:fs";
import { join } from "node:path";
import {
  type Character,
  type CompiledFlora,
  type Pair,
  POSITIONS,
  type Score,
  type Shown,
  type Stage,
  type Taxon,
} from "@/core/flora";
import { taxonId } from "@/core/pack";
import { type PairLines, pairKey } from "./pair-checks";
import { readCharacters } from "./read-characters";
import { readTaxon } from "./read-taxa";
import { type Problem, readYaml, type YamlFile } from "./read-yaml";

/** Share of the time that a whole block of characters goes wrong together, and so the most that it can prove. */
const BLOCK_DOUBT: Record<string, number> = {
  colour: 0.06,
  smell: 0.05,
  setting: 0.08,
  distance: 0.05,
  hair: 0.02,
  size: 0.025,
  texture: 0.04,
};
const DEFAULT_BLOCK_DOUBT = 0.01;

/** Compiles the readable files under `root` (the `flora` folder); `found` takes in the pairs that only the simulation found. Problems are returned by file and line, not thrown. */
export function compileFlora(
  root: string,
  options = { found: true },
): { flora: CompiledFlora; problems: Problem[]; sought: Sought[]; dismissed: Dismissed[]; pairLines: PairLines } {
  const problems: Problem[] = [];
  const list = (folder: string) =>
    readdirSync(join(root, folder))
      .filter((f) => f.endsWith(".yaml"))
      .sort();
  const characters: Character[] = list("characters").flatMap((f) =>
    readCharacters(readYaml(join(root, "characters", f), `flora/characters/${f}`), problems),
  );
  checkCharacters(characters, problems);
  const groups = readYaml(join(root, "groups.yaml"), "flora/groups.yaml").data;
  const taxa: Taxon[] = [];
  const scores: Score[] = [];
  const sets: CompiledFlora["sets"] = [];
  const guests: Guests[] = [];
  const sought: Sought[] = [];
  for (const file of list("sets")) {
    const source = readYaml(join(root, "sets", file), `flora/sets/${file}`);
    const ids: string[] = [];
    source.data.taxa.forEach((_: unknown, index: number) => {
      const read = readTaxon(source, index, groups, characters, problems);
      if (taxa.some((t) => t.id === read.taxon.id || t.name === read.taxon.name))
        problems.push({
          file: source.file,
          line: source.lineOf(["taxa", index]),
          what: `${read.taxon.name} stands twice`,
        });
      const number = taxa.push(read.taxon) - 1;
      ids.push(read.taxon.id);
      for (const score of read.scores) scores.push({ taxon: number, ...score });
      for (const cell of read.sought) sought.push({ taxon: read.taxon.id, ...cell });
    });
    sets.push({ id: source.data.set, name: source.data.name, taxa: ids, read: readingOf(root, source.data.set) });
    guests.push({ source, set: source.data.set, names: source.data.also ?? [] });
  }
  for (const guest of guests) admit(guest, taxa, sets, problems);
  const pairLines: PairLines = new Map();
  const pairs = ["pairs.yaml", ...(options.found ? ["pairs-found.yaml"] : [])].flatMap((file) =>
    readPairs(root, file, characters, taxa, problems, pairLines),
  );
  const dismissed = readDismissed(root, taxa, pairs, problems);
  const blocks = Object.fromEntries(
    [...new Set(characters.map((c) => c.block))].map((block) => [block, BLOCK_DOUBT[block] ?? DEFAULT_BLOCK_DOUBT]),
  );
  for (const [c, character] of characters.entries()) {
    // A plant whose high leaves are scored apart has others below them, which can be told apart as well.
    if (scores.some((s) => s.character === c && s.position))
      character.positions = POSITIONS.filter((p) => p !== "middle");
  }
  const body = { blocks, characters, taxa, sets, scores, pairs };
  const version = createHash("sha256").update(JSON.stringify(body)).digest("hex").slice(0, 12);
  return { flora: { version, ...body }, problems, sought, dismissed, pairLines };
}

/** A cell that someone tried to fill in and could not. */
export interface Sought {
  taxon: string;
  character: string;
  why: string;
}

/** Two plants that the simulation confuses and no person does, with the reason. */
export interface Dismissed {
  pair: [string, string];
  why: string;
}

function readDismissed(root: string, taxa: Taxon[], pairs: Pair[], problems: Problem[]): Dismissed[] {
  const path = join(root, "pairs-dismissed.yaml");
  if (!existsSync(path)) return [];
  const source = readYaml(path, "flora/pairs-dismissed.yaml");
  return (source.data as { pair: [string, string]; why?: string }[]).map(({ pair, why }, index) => {
    const say = (what: string) =>
      problems.push({ file: source.file, line: source.lineOf([index]), what: `${pair.join(" / ")}: ${what}` });
    const [a = "", b = ""] = pair.map((name) => {
      const taxon = taxa.find((t) => t.name === name);
      if (!taxon) say(`unknown taxon "${name}"`);
      return taxon?.id ?? name;
    });
    if (!why) say("needs the reason why nobody confuses the two");
    if (pairs.some((p) => !p.found && [p.a, p.b].includes(a) && [p.a, p.b].includes(b)))
      say("is listed as a pair as well");
    return { pair: [a, b], why: why ?? "" };
  });
}

interface Guests {
  source: YamlFile;
  set: string;
  names: string[];
}

/** Plants written in another set's file that are mistaken for this set's too (`also:`). */
function admit({ source, set, names }: Guests, taxa: Taxon[], sets: CompiledFlora["sets"], problems: Problem[]): void {
  for (const name of names) {
    const taxon = taxa.find((t) => t.name === name);
    if (!taxon)
      problems.push({ file: source.file, line: source.lineOf(["also"]), what: `also: unknown taxon "${name}"` });
    else if (!taxon.sets.includes(set)) {
      taxon.sets.push(set);
      sets.find((s) => s.id === set)?.taxa.push(taxon.id);
    }
  }
}

/** The second, sceptical reading of a set, kept beside the data. */
function readingOf(root: string, set: string): CompiledFlora["sets"][number]["read"] {
  const path = join(root, "readings", `${set}.yaml`);
  if (!existsSync(path)) return null;
  const { data } = readYaml(path, `flora/readings/${set}.yaml`);
  return { by: String(data.by), objections: data.objections.length };
}

function checkCharacters(characters: Character[], problems: Problem[]): void {
  const say = (what: string) => problems.push({ file: "flora/characters", line: 1, what });
  const ids = new Set<string>();
  for (const character of characters) {
    if (ids.has(character.id)) say(`${character.id} stands twice`);
    ids.add(character.id);
    const conditions = [
      ...(character.when ? [{ field: "when", ...character.when }] : []),
      ...(character.winter ?? []).map((w) => ({ field: "winter", ...w })),
    ];
    for (const condition of conditions) {
      const other = characters.find((c) => c.id === condition.character);
      if (!other) say(`${character.id}: "${condition.field}" names the unknown character ${condition.character}`);
      for (const state of condition.states)
        if (other && !other.states.some((s) => s.id === state))
          say(`${character.id}: "${condition.field}" names the unknown state ${state} of ${other.id}`);
    }
  }
}

function readPairs(
  root: string,
  name: string,
  characters: Character[],
  taxa: Taxon[],
  problems: Problem[],
  lines: PairLines,
): Pair[] {
  const path = join(root, name);
  if (!existsSync(path)) return [];
  const source = readYaml(path, `flora/${name}`);
  return source.data.map(
    (
      raw: {
        pair: [string, string];
        deciders: Record<string, string>;
        mistake?: string;
        inseparable?: string;
        grave?: true;
        "not-at"?: string;
        unheld?: string;
        shows?: Record<string, string>;
      },
      index: number,
    ) => {
      const say = (what: string) =>
        problems.push({ file: source.file, line: source.lineOf([index]), what: `${raw.pair.join(" / ")}: ${what}` });
      const [a, b] = raw.pair.map((name, side) => {
        const taxon = taxa.find((t) => t.name === name);
        const unheld = side === 1 && raw.unheld !== undefined;
        if (!taxon && !unheld) say(`unknown taxon "${name}"`);
        if (taxon && unheld) say(`"${name}" is called unheld, and is held`);
        return taxon?.id ?? (unheld ? taxonId(name) : name);
      });
      lines.set(pairKey(a, b), source.lineOf([index]));
      const deciders = Object.entries(raw.deciders ?? {}).map(([stage, names]) => ({
        stage: stage as Stage | "any",
        characters: names
          .split(",")
          .map((n) => n.trim())
          .filter((n) => {
            const known = characters.some((c) => c.id === n);
            if (!known) say(`unknown character "${n}"`);
            return known;
          }),
      }));
      if (!raw.mistake && name !== "pairs-found.yaml") say("needs the mistake that people make");
      return {
        a,
        b,
        deciders,
        mistake: raw.mistake ?? "",
        ...(raw.grave ? { grave: true as const } : {}),
        ...(raw["not-at"] ? { notAt: raw["not-at"].split(",").map((stage) => stage.trim() as Stage) } : {}),
        ...(raw.inseparable ? { inseparable: raw.inseparable } : {}),
        ...(raw.unheld
          ? {
              unheld: {
                name: raw.pair[1],
                common: raw.unheld,
                shows: readShown(raw.shows ?? {}, deciders, characters, say),
              },
            }
          : {}),
        ...(name === "pairs-found.yaml" ? { found: true as const } : {}),
      };
    },
  );
}

/** What a plant that is not held shows of each decider: states by name, or a range of numbers. */
function readShown(
  raw: Record<string, string>,
  deciders: Pair["deciders"],
  characters: Character[],
  say: (what: string) => void,
): Shown[] {
  for (const id of new Set(deciders.flatMap((d) => d.characters))) if (!(id in raw)) say(`shows: nothing of "${id}"`);
  return Object.entries(raw).flatMap(([id, words]): Shown[] => {
    const character = characters.find((c) => c.id === id);
    if (!character || !deciders.some((d) => d.characters.includes(id))) {
      say(`shows: "${id}" is no decider of this pair`);
      return [];
    }
    if (character.states.length === 0) {
      const [low, high] = words.split("-").map(Number);
      if (!(low < high)) say(`shows: write ${id} as low-high`);
      return [{ character: id, range: [low, high] }];
    }
    const states = words.split(",").map((word) => word.trim());
    for (const state of states)
      if (!character.states.some((s) => s.id === state)) say(`shows: unknown state "${state}" of ${id}`);
    return [{ character: id, states }];
  });
}
