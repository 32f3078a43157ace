/** How much of the plant a check found on the patch. */
export const SEEN_AMOUNTS = ["none", "some", "many"] as const;
export type SeenAmount = (typeof SEEN_AMOUNTS)[number];

/** How the patch stands after a check: work is needed again where plants were seen. Nobody declares a patch gone by one look. */
export const patchStateAfter = (seen: SeenAmount): "open" | "watched" => (seen === "none" ? "watched" : "open");
