import type { Stage } from "../flora";

export interface TrialOptions {
  walks: number;
  error: number;
  assumed: number;
  seed: number;
  stage?: Stage;
  /** share of plants that are at two stages at once */
  twoStages: number;
  /** walks for the comparison with other orders of checks */
  orderWalks: number;
  /** whether the place is told before the first check, as on the Bench */
  placeTold: boolean;
  /** whether a plant that is taken out stays listed as a twin, by name and by what tells the two apart, as people know more plants than a flora scores */
  twinsListed: boolean;
  /** constants of the engine that are replaced, by name; nature stays as it ships */
  tuning: Record<string, number>;
}
