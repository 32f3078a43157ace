import type { Stage } from "../flora";
import type { Model, Verdict } from "../identify";
import type { Misleading } from "./clues";
import type { Trait } from "./individual";

/** The six kinds of question. */
export const FORMS = ["clues", "next-check", "hold-or-clear", "measure", "collar", "quadrat"] as const;
export type Form = (typeof FORMS)[number];

/** A trait by its names, as it is drawn, sent and stored. */
export interface ShownTrait {
  character: string;
  state?: string;
  value?: number;
  /** drawn as damage or stress, and pointed out after the answer */
  misleading?: Misleading;
}

interface Asked {
  /** flora id of the plant that is drawn */
  taxon: string;
  stage: Stage;
  /** with the form, the plant and the stage it gives the same question again */
  seed: number;
}

/** A plant drawn one part at a time: which of these is it? */
export interface ClueQuestion extends Asked {
  form: "clues";
  clues: ShownTrait[];
  /** flora ids, the plant itself among them */
  options: string[];
}

/** The collars of a grass alone, all of it at once. */
export interface CollarQuestion extends Asked {
  form: "collar";
  clues: ShownTrait[];
  options: string[];
}

/** Some of a plant was seen: which check is worth most now? */
export interface NextCheckQuestion extends Asked {
  form: "next-check";
  known: ShownTrait[];
  /** what each check is worth: bits about the name for a minute of work */
  checks: { character: string; worth: number }[];
}

export const ACTS = ["clear", "hold", "keep"] as const;
export type Act = (typeof ACTS)[number];

/** Some of a plant was seen: treat it, come back, or leave it? */
export interface HoldOrClearQuestion extends Asked {
  form: "hold-or-clear";
  seen: ShownTrait[];
  day: string;
  /** the engine's own verdict, and what each act costs on the mean, in the district's hours */
  verdict: Verdict;
  costs: Record<Act, number>;
}

/** A part of this very plant is drawn to scale: measure it. */
export interface MeasureQuestion extends Asked {
  form: "measure";
  character: string;
  /** what is drawn, in the character's unit */
  value: number;
}

/** A frame on the ground: how much of it does the plant cover, and how many stand in it? */
export interface QuadratQuestion extends Asked {
  form: "quadrat";
}

export type Question =
  | ClueQuestion
  | CollarQuestion
  | NextCheckQuestion
  | HoldOrClearQuestion
  | MeasureQuestion
  | QuadratQuestion;

export function shown(model: Model, trait: Trait, misleading?: Misleading): ShownTrait {
  const { id, states } = model.flora.characters[trait.character];
  return {
    character: id,
    ...("state" in trait ? { state: states[trait.state].id } : { value: trait.value }),
    ...(misleading ? { misleading } : {}),
  };
}

/** @returns the trait by its indices; undefined where the flora no longer has it */
export function traitOf(model: Model, { character, state, value }: ShownTrait): Trait | undefined {
  const c = model.characterIndex.get(character);
  if (c === undefined) return undefined;
  if (value !== undefined) return { character: c, value };
  const at = model.flora.characters[c].states.findIndex(({ id }) => id === state);
  return at < 0 ? undefined : { character: c, state: at };
}
