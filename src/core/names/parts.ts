import MiniSearch from "minisearch";
import type { Character } from "../flora";
import { foldName } from "./resolve";

export interface PartIndex {
  characters: Character[];
  search: MiniSearch;
}

/** Words that people use for a part, beside those the flora uses. */
const OTHER_WORDS: Record<string, string> = {
  margin: "edge",
  teeth: "edge",
  spines: "prickle",
  spine: "prickle",
  thorn: "prickle",
  fuzz: "hair",
  hairs: "hair",
  hairy: "hair",
  milk: "sap",
  latex: "sap",
  smell: "smell scent",
  scent: "smell",
  berry: "fruit",
  berries: "fruit",
  ear: "head",
  panicle: "head",
  cotyledon: "seed",
  petiole: "stalk",
  colour: "colour",
  color: "colour",
};
/** A part that cannot be asked of what still fits comes after those that can. */
const OUT_OF_PLACE = 0.2;

const words = (text: string) =>
  foldName(text)
    .replace(/[^a-z0-9 ]/g, " ")
    .split(" ")
    .filter((w) => w.length > 1);

/** Every part that can be asked about, found by its name first, then by the answers it takes, then by the question. */
export function indexParts(characters: Character[]): PartIndex {
  const search = new MiniSearch({
    fields: ["name", "words", "answers", "ask", "station"],
    tokenize: words,
    processTerm: (term) => term,
  });
  search.addAll(
    characters.map((c, id) => ({
      id,
      name: c.name,
      words: c.words ?? "",
      answers: c.states.map((s) => `${s.name} ${s.help}`).join(" "),
      ask: c.ask,
      station: c.station.replace("-", " "),
    })),
  );
  return { characters, search };
}

/**
 * The parts that a person means, best first.
 * @param text as typed; the last word may be unfinished
 * @param askable ids of the characters that suit the plants that still fit, at this stage; null when nothing is known yet
 */
export function findParts(index: PartIndex, text: string, askable: ReadonlySet<string> | null, most = 8): Character[] {
  const typed = words(text);
  if (typed.length === 0) return [];
  const asked = typed.map((word) => OTHER_WORDS[word] ?? word).join(" ");
  const options = {
    prefix: true,
    fuzzy: (term: string) => (term.length > 5 ? 0.2 : false),
    boost: { name: 6, words: 3, answers: 1.4, station: 1.2, ask: 0.8 },
    weights: { fuzzy: 0.3, prefix: 0.75 },
  };
  const all = index.search.search(asked, { ...options, combineWith: "AND" });
  const hits = all.length > 0 ? all : index.search.search(asked, { ...options, combineWith: "OR" });
  return hits
    .map((hit) => ({
      character: index.characters[hit.id as number],
      score: hit.score * (!askable || askable.has(index.characters[hit.id as number].id) ? 1 : OUT_OF_PLACE),
    }))
    .sort((a, b) => b.score - a.score)
    .slice(0, most)
    .map((hit) => hit.character);
}
