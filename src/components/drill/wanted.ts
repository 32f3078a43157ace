import type { BenchPack } from "@/contracts/bench-pack";
import { type Form, FORMS } from "@/core/drill";
import type { Scope } from "./drill-engine";

/** What practice needs of a district besides the flora. */
export type DrillBookPack = Pick<
  BenchPack,
  "key" | "person" | "floraUrl" | "status" | "costs" | "sites" | "today" | "climate" | "confirmed"
>;

/** What a person chose to practice. */
export interface Wanted {
  scope: Scope;
  form: Form | null;
  questions: number;
  setId: string | null;
}

export const FORM_WORDS: Record<Form, string> = {
  clues: "Clue by clue",
  "next-check": "The next check",
  "hold-or-clear": "Clear, hold or keep",
  measure: "Measure it",
  collar: "Collars of grasses",
  quadrat: "Cover and count",
};
export const isForm = (text: string): Form | null => FORMS.find((form) => form === text) ?? null;
