import type { Bench } from "./use-bench";
import type { Vocabulary } from "./engine";

/** The Bench once flora, site and draft are there. */
export type OpenBench = Omit<Bench, "draft" | "site"> & {
  draft: NonNullable<Bench["draft"]>;
  site: NonNullable<Bench["site"]>;
  vocabulary: Vocabulary;
};

/** What a part of the plant is called. */
export const nameOfPart = ({ vocabulary }: OpenBench, id: string): string =>
  vocabulary.characters.find((c) => c.id === id)?.name ?? id;

/** What a scout calls a plant. */
export const nameOfPlant = ({ vocabulary }: OpenBench, taxon: string): string => vocabulary.plainNames[taxon] ?? taxon;

/** A name in mind is being put to the test. */
export const isTesting = ({ towards, inMind }: OpenBench): boolean => towards === "doubt" && inMind !== null;
