import { type Case, type CaseInput, caseSchema } from "./case";

/** What a place brings to a case: its climate, its setting, its list and what mistakes cost there. */
export type PlaceKnowledge = Omit<CaseInput, keyof Looked>;

/** What was seen there: when, at which stage, with what kit. */
export type Looked = Pick<CaseInput, "id" | "day" | "stage" | "stages" | "kit" | "observations">;

/**
 * The one way to a case: the Bench, the server, previews, trials and the demonstration all come through here, so that none of
 * them judges differently from the rest. A list may name plants that the flora does not include, as when a pack was taken back:
 * they are left out, and everything else is judged.
 * @param flora the flora that the case is judged by
 * @throws {ZodError} where a value is not what it should be
 */
export function caseAt(
  place: PlaceKnowledge,
  looked: Looked,
  flora: { taxonIndex: ReadonlyMap<string, number> },
): Case {
  const known = <T>(record: Record<string, T> = {}): Record<string, T> =>
    Object.fromEntries(Object.entries(record).filter(([name]) => flora.taxonIndex.has(name)));
  const { id, day, stage, stages, kit, observations } = looked;
  return caseSchema.parse({
    ...place,
    list: known(place.list),
    actions: known(place.actions),
    confirmed: known(place.confirmed),
    id,
    day,
    stage,
    stages,
    kit,
    observations,
  }) as Case;
}
