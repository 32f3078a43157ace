import type { Method } from "@/core/control";

/** How a method works, as a few words after its name. */
export const KIND_WORDS: Record<Method["kind"], string> = {
  hand: "by hand",
  machine: "by machine",
  product: "by product",
  cover: "by cover",
  grazing: "by grazing",
  fire: "by fire",
  water: "by water",
  note: "to ask about",
  follow: "after control",
};
