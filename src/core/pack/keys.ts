/** The line of a flora that says what a plant is, beside its scores. No character may be called so. */
export const PLANT_KEY = "plant";
/** Before the name of the twin in the key of a line that says what parts two plants. */
const TWIN_KEY = "twin ";
export const twinKey = (twin: string): string => TWIN_KEY + twin;
/** The twin that a key names; null where it is no such key. */
export const twinOfKey = (key: string): string | null => (key.startsWith(TWIN_KEY) ? key.slice(TWIN_KEY.length) : null);

export type AmendmentKind = "plant" | "twin" | "score";
/** In this order they are laid over a flora: twins and scores may be those of a plant that was added. */
export const AMENDMENT_KINDS: AmendmentKind[] = ["plant", "twin", "score"];
export const kindOfKey = (key: string): AmendmentKind =>
  key === PLANT_KEY ? "plant" : twinOfKey(key) !== null ? "twin" : "score";

/** The tables of a pack, in the order in which they are read. */
export const PACK_TABLES = ["plants", "twins", "scores"] as const;
export type PackTable = (typeof PACK_TABLES)[number];
