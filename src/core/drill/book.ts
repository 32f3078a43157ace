import { type Stage, STAGES, type Status } from "../flora";
import type { Costs, Model } from "../identify";

/** All that questions are made from. */
export interface DrillBook {
  model: Model;
  /** characters that no drawing can show: smells */
  notDrawn: readonly string[];
  /** the district's list, by plant name, and what mistakes cost there */
  list: Readonly<Record<string, Status>>;
  costs?: Costs;
}

/** A plant at a stage: what a question is about. */
export interface Subject {
  taxon: number;
  stage: Stage;
}

/** Every plant at every stage that it has. */
export const subjectsOf = ({ flora }: Model): Subject[] =>
  flora.taxa.flatMap(({ calendar }, taxon) =>
    STAGES.filter((stage) => calendar[stage]).map((stage) => ({ taxon, stage })),
  );
