import { v7 as uuidv7 } from "uuid";
import type { Stage } from "@/core/flora";
import type { ObservationInput } from "@/core/identify";
import type { Marks } from "@/core/measure";
import type { ToldVerdict, SavedFinding } from "@/contracts/finding";
import type { OutboxBody } from "@/contracts/outbox";

/** A finding in the making. It lives on the device until the server has it: reload, a dead tab or no signal lose nothing. */
export interface Draft {
  id: string;
  siteId: string;
  patchId: string | null;
  place: [number, number] | null;
  day: string;
  stage: Stage | null;
  /** two stages at once, where parts of the plant are at different stages */
  stages?: [Stage, Stage];
  stageAsked: boolean;
  /** what was seen that no character takes in */
  wordless?: string[];
  /** that what the site knows of the place is to be changed */
  placeOpened?: boolean;
  /** that it was asked where the plant stands */
  placeAsked?: boolean;
  /** what was said of the place of the plant before, on the same site */
  placeBefore?: ObservationInput[];
  observations: ObservationInput[];
  note: string;
  /** parts of which a second plant told nothing: not asked of it again */
  passed?: string[];
  /** no other plant of its kind stands here: none is asked for */
  alone?: boolean;
  /** the steps so far, for taking them back one by one */
  history?: DraftStep[];
}

/** What a step on the Bench changes, as it stood before. */
export type DraftStep = Pick<
  Draft,
  | "stage"
  | "stages"
  | "stageAsked"
  | "placeOpened"
  | "placeAsked"
  | "placeBefore"
  | "observations"
  | "wordless"
  | "passed"
  | "alone"
>;

export const newDraft = (
  siteId: string,
  day: string,
  patchId: string | null = null,
  placeBefore: ObservationInput[] = [],
): Draft => ({
  id: uuidv7(),
  siteId,
  patchId,
  place: null,
  day,
  stage: null,
  stageAsked: false,
  placeAsked: false,
  placeBefore,
  observations: [],
  note: "",
});

/** A picture of a draft or of a finding that waits: both go by the finding's id. */
export interface StoredPicture {
  id: string;
  draftId: string;
  name: string;
  blob: Blob;
  /** it was drawn by the camera's stand-in, and not taken */
  drawn?: boolean;
  /** what was measured on it, and the id under which that is sent */
  marks?: Marks;
  marksId?: string;
}

interface Waiting {
  id: string;
  key: string;
  /** place in the row: everything is sent in the order in which it was made */
  order: number;
  madeAt: string;
  person: string;
  state: "waiting" | "refused" | "clash";
  /** why it was refused */
  fault?: string;
}
type Body<K extends OutboxBody["kind"]> = Extract<OutboxBody, { kind: K }>;

/** A finding that was saved on this device and waits for the server, or for a person. */
export type FindingItem = Waiting &
  Body<"finding"> & {
    siteName: string;
    /** what the Bench said when it was saved */
    field: ToldVerdict;
    server?: SavedFinding;
  };
/** An answer of practice that waits for the server. */
export type DrillItem = Waiting & Body<"drill">;
export type OutboxItem = FindingItem | DrillItem;
