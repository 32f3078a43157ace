import MiniSearch, { type SearchResult } from "minisearch";
import type { Pair, Status, Taxon } from "../flora";

export interface NameMatch {
  taxon: number;
  /** the name that matched, as the flora writes it */
  matched: string;
  /** unheld: the name is that of a plant that the flora does not include and that is mistaken for this one */
  kind: "accepted" | "synonym" | "common" | "unheld";
  /** the text is this very name, spelling and case apart */
  exact: boolean;
  score: number;
}

export interface Resolution {
  matches: NameMatch[];
  /** plants that carry this very name, or a name that ends in it: two or more where the name is ambiguous */
  carriers: number[];
  /** the name that they carry, folded: the text, or what it misspells */
  carried: string;
}

export interface NameIndex {
  taxa: Taxon[];
  search: MiniSearch;
  entries: { taxon: number; name: string; folded: string; kind: NameMatch["kind"] }[];
}

/** Plants that are looked for on this ground come first among equals. */
const STATUS_LIFT: Record<Status, number> = {
  target: 1.25,
  watch: 1.2,
  protected: 1.15,
  crop: 1.05,
  kept: 1,
  tolerated: 1,
};
/** An accepted name that fits as well as a common one is what was meant. */
const KIND_LIFT: Record<NameMatch["kind"], number> = { accepted: 1.15, common: 1.1, synonym: 1, unheld: 0.9 };

/** Folds case, accents, hyphens and apostrophes, so that "St Johns-wort" finds "St. John's wort". */
export const foldName = (text: string): string =>
  text
    .normalize("NFD")
    .replace(/[\u0300-\u036f]/g, "")
    .toLowerCase()
    .replace(/[’'.×]/g, "")
    .replace(/[-_,;/]+/g, " ")
    .replace(/\s+/g, " ")
    .trim();

/** Every accepted name, synonym and common name of the flora, and those of plants that are mistaken for one of them though not held, ready to be searched while typing. */
export function indexNames(taxa: Taxon[], pairs: Pair[] = []): NameIndex {
  const unheld = (id: string) => pairs.flatMap((p) => (p.a === id && p.unheld ? [p.unheld.common, p.unheld.name] : []));
  const entries = taxa
    .flatMap((taxon, t) => [
      { taxon: t, name: taxon.name, kind: "accepted" as const },
      ...taxon.synonyms.map((name) => ({ taxon: t, name, kind: "synonym" as const })),
      ...taxon.common.map((name) => ({ taxon: t, name, kind: "common" as const })),
      ...unheld(taxon.id).map((name) => ({ taxon: t, name, kind: "unheld" as const })),
    ])
    .map((entry) => ({ ...entry, folded: foldName(entry.name) }));
  const search = new MiniSearch({
    fields: ["name"],
    processTerm: (term) => foldName(term) || null,
    tokenize: (text) => foldName(text).split(" "),
  });
  search.addAll(entries.map((entry, id) => ({ id, name: entry.name })));
  return { taxa, search, entries };
}

/**
 * What plant a person means: exact names first, then beginnings, then misspellings (a quarter of the letters may be wrong),
 * lifted by the status where one stands.
 * @param text as typed; anything, also the beginning of a word
 * @param status status by accepted name in this district
 */
export function resolveName(
  index: NameIndex,
  text: string,
  status: Record<string, Status> = {},
  most = 12,
): Resolution {
  const wanted = foldName(text);
  if (wanted.length < 2) return { matches: [], carriers: [], carried: wanted };
  const best = new Map<number, NameMatch>();
  for (const hit of hitsOf(index, wanted)) {
    const { taxon, name, folded, kind } = index.entries[hit.id as number];
    const exact = folded === wanted;
    const score = hit.score * KIND_LIFT[kind] * STATUS_LIFT[status[index.taxa[taxon].name] ?? "kept"] * (exact ? 4 : 1);
    const known = best.get(taxon);
    if (!known || score > known.score) best.set(taxon, { taxon, matched: name, kind, exact, score });
  }
  const matches = [...best.values()].sort((a, b) => b.score - a.score).slice(0, most);
  const carried =
    [wanted, ...misspeltNames(wanted, matches)].find((name) => carriersOf(index, name).length > 0) ?? wanted;
  return { matches, carriers: carriersOf(index, carried), carried };
}

/** Names with every word, or, if there is none, with most of the text's letters in one of its words: "burning bsh". */
function hitsOf(index: NameIndex, wanted: string): SearchResult[] {
  const options = {
    prefix: true,
    fuzzy: (term: string) => (term.length > 3 ? 0.25 : false),
    weights: { fuzzy: 0.35, prefix: 0.7 },
  };
  const all = index.search.search(wanted, { ...options, combineWith: "AND" });
  const long = wanted.split(" ").filter((word) => 2 * word.length > wanted.length);
  return all.length > 0 || long.length === 0 ? all : index.search.search(long[0], options);
}

/** Letters by which a name may be longer or shorter than what was typed and still be its misspelling. */
const MISSPELT_BY = 2;

/** Common names that may have been meant: "mornin glory" is as ambiguous as it is when spelt right. The beginning of a name is no misspelling. */
function misspeltNames(wanted: string, matches: NameMatch[]): string[] {
  const words = wanted.split(" ").length;
  const meant = matches
    .filter((m) => m.kind === "common" && !m.exact)
    .map((m) => foldName(m.matched).split(" ").slice(-words).join(" "));
  return meant.filter((name) => Math.abs(name.length - wanted.length) <= MISSPELT_BY && !name.startsWith(wanted));
}

/** Plants with a common name that is this text or ends in it: "bindweed" is carried by field bindweed and hedge bindweed. */
function carriersOf(index: NameIndex, wanted: string): number[] {
  const carriers = new Set<number>();
  for (const { taxon, folded, kind } of index.entries) {
    if (kind !== "common") continue;
    if (folded === wanted || folded.endsWith(` ${wanted}`)) carriers.add(taxon);
  }
  return carriers.size > 1 ? [...carriers] : [];
}
