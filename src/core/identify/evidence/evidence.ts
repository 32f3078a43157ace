import type { Model } from "../model/model";
import { variesWithCondition } from "../model/scores";
/** What one observation says: its chance in every condition, and under the background of every life form. */
export interface Evidence {
  /** the character looked at; of a comparative one the measured character that it compares */
  character: number;
  block: string;
  /** chance in each condition */
  chance: Float64Array;
  /** chance under the background, by life form */
  background: Float64Array;
  /** chance if every answer were as likely as any other */
  even: number;
  /** chance for each cross at each stage, where its number lies between its parents'; 0 where it is not measured */
  between?: Float64Array;
}

export type Chances = Pick<Evidence, "chance" | "background" | "even" | "between">;

/** Fills the chance of each condition, working out once what a plant shows alike in all of them. */
export function forEachCondition(model: Model, c: number, chance: Float64Array, chanceIn: (z: number) => number): void {
  const { firstCondition } = model;
  for (let t = 0; t + 1 < firstCondition.length; t++) {
    const alike = !variesWithCondition(model, t, c);
    for (let z = firstCondition[t]; z < firstCondition[t + 1]; z++)
      chance[z] = alike && z > firstCondition[t] ? chance[z - 1] : chanceIn(z);
  }
}
