import type { Chance } from "../random";
import type { Stage } from "../flora";
import type { Model } from "../identify";
import { type LookAlike, lookAlikes } from "./look-alikes";

/** Wrong answers beside the right one. */
const WRONG = 3;
/** They are drawn from so many of the most alike, so that two askings differ. */
const DRAWN_FROM = 9;

/**
 * The answers to choose from: the plant itself and up to three that it is mistaken for, in an order by chance.
 * @param preferred plants that this learner mixes up with it: they come first
 */
export function optionsFor(taxon: number, alike: LookAlike[], preferred: readonly number[], chance: Chance): number[] {
  const wanted = alike.filter((one) => preferred.includes(one.taxon)).slice(0, 1);
  const others = alike.filter((one) => !wanted.includes(one)).slice(0, DRAWN_FROM);
  while (wanted.length < WRONG && others.length > 0) {
    const [drawn] = others.splice(
      chance.pick(others.map(({ likeness, listed }) => likeness + (listed ? 0.3 : 0.05))),
      1,
    );
    if (drawn) wanted.push(drawn);
  }
  return shuffled([taxon, ...wanted.map((one) => one.taxon)], chance);
}

/** Fisher and Yates 1938. */
export function shuffled<T>(items: readonly T[], chance: Chance): T[] {
  const order = [...items];
  for (let i = order.length - 1; i > 0; i--) {
    const j = chance.below(i + 1);
    [order[i], order[j]] = [order[j] as T, order[i] as T];
  }
  return order;
}

/** A plant among those it is mistaken for, so many names in all, in an order by chance; fewer where fewer are real. */
export const lookAlikesOf = (model: Model, taxon: number, stage: Stage, names: number, chance: Chance): number[] =>
  optionsFor(taxon, lookAlikes(model, taxon, stage), [], chance).slice(0, names);
