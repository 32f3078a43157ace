import type { Stage } from "@/core/flora";
import { type ObservationInput, withSecondPlant } from "@/core/identify";
import type { Draft, DraftStep } from "../device/stored";

/** What a person says on the Bench, as it changes the finding in the making. */
export type BenchEvent =
  | { type: "stageSaid"; stage: Stage | null }
  /** parts of the plant are at two stages */
  | { type: "twoStagesSaid"; stages: [Stage, Stage] }
  /** what the site knows of the place is not so where the plant stands */
  | { type: "placeOpened" }
  /** something was seen that no character takes in */
  | { type: "wordlessSaid"; words: string }
  | { type: "wordlessRemoved"; index: number }
  | { type: "placeSaid"; said: ObservationInput[] }
  /** @param ofSecond it was asked of a second plant of the patch */
  | { type: "answered"; observation: ObservationInput; ofSecond: boolean }
  | { type: "removed"; index: number }
  /** no other plant of its kind stands here: none is asked for any more */
  | { type: "noSecondPlant" }
  | { type: "undone" };

/** Steps that can be taken back; a finding of more answers than this is none. */
const MOST_STEPS = 200;

/** What a step changes: enough to take it back, after a reload too. */
const undoable = (draft: Draft): DraftStep => {
  const { stage, stages, stageAsked, placeOpened, placeAsked, placeBefore, observations, wordless, passed, alone } =
    draft;
  return { stage, stages, stageAsked, placeOpened, placeAsked, placeBefore, observations, wordless, passed, alone };
};

/** The finding after what was said. The same draft where nothing changes. */
export function benchReducer(draft: Draft, event: BenchEvent): Draft {
  if (event.type === "undone") return undo(draft);
  const changed = change(draft, event);
  if (!changed) return draft;
  return { ...draft, ...changed, history: [...(draft.history ?? []), undoable(draft)].slice(-MOST_STEPS) };
}

function change(draft: Draft, event: Exclude<BenchEvent, { type: "undone" }>): Partial<Draft> | null {
  switch (event.type) {
    case "stageSaid":
      return { stage: event.stage, stages: undefined, stageAsked: true };
    case "twoStagesSaid":
      return { stage: event.stages[0], stages: event.stages, stageAsked: true };
    case "placeOpened":
      return { placeOpened: true, placeAsked: false };
    case "placeSaid":
      return { observations: withPlace(draft.observations, event.said), placeAsked: true, placeOpened: false };
    case "wordlessSaid":
      return event.words.trim() ? { wordless: [...(draft.wordless ?? []), event.words.trim()] } : null;
    case "wordlessRemoved":
      return { wordless: draft.wordless?.filter((_, i) => i !== event.index) };
    case "noSecondPlant":
      return draft.alone ? null : { alone: true };
    case "removed":
      return event.index in draft.observations
        ? { observations: draft.observations.filter((_, i) => i !== event.index) }
        : null;
    case "answered":
      return answered(draft, event.observation, event.ofSecond);
  }
}

const PLACE = ["ground", "light", "wetness"];
/** What was said of the place takes the place of what was said of it before; the plant's own parts stay. */
const withPlace = (observations: ObservationInput[], said: ObservationInput[]): ObservationInput[] => [
  ...said,
  ...observations.filter((o) => !PLACE.includes(o.character)),
];

function answered(draft: Draft, observation: ObservationInput, ofSecond: boolean): Partial<Draft> {
  const same = (o: ObservationInput) => o.character === observation.character && o.position === observation.position;
  const before = ofSecond && !observation.of ? draft.observations.find(same) : undefined;
  const said = before ? withSecondPlant(before, observation) : observation;
  // A second plant that told nothing: it is not asked of that part again.
  if (said === before) return { passed: [...(draft.passed ?? []), observation.character] };
  return { observations: [...draft.observations.filter((o) => !same(o)), said] };
}

/** Takes the last step back, one after another to the first. What was said of the place is offered again. */
function undo(draft: Draft): Draft {
  const last = draft.history?.at(-1);
  if (!last) return draft;
  const placeTakenBack = draft.placeAsked === true && last.placeAsked !== true;
  return {
    ...draft,
    ...last,
    ...(placeTakenBack ? { placeBefore: draft.observations } : {}),
    history: draft.history?.slice(0, -1),
  };
}

export type BenchStep = "stage" | "place" | "part";

/**
 * What is asked now. The place is not asked about where the site knows all of it, unless someone wants to change that.
 * @param chosen a part was chosen freely
 */
export function stepOf(draft: Draft | null, chosen: boolean, placeKnown = false): BenchStep {
  if (!draft?.stageAsked) return "stage";
  if (draft.placeOpened) return "place";
  const known = placeKnown && (draft.placeBefore ?? []).length === 0;
  return known || draft.placeAsked || chosen || draft.observations.length > 0 ? "part" : "place";
}
