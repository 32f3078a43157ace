import { readdirSync } from "node:fs";
import { join } from "node:path";
import type { ObservationInput } from "@/core/identify";
import { type Position, POSITIONS, type Stage } from "@/core/flora";
import { FLORA_ROOT } from "./load";
import { readYaml } from "./read-yaml";

export interface FieldNote {
  id: string;
  /** The file it stands in: notes written and committed together. */
  lot: string;
  truth: string | null;
  day: string;
  stage: Stage;
  /** a plant at two stages at once */
  stages?: Stage[];
  text: string;
  sealed: boolean;
  observations: ObservationInput[];
  /** of notes that are split: one thing seen about one part each, and what of it could be entered */
  pieces?: { text: string; entered: boolean }[];
  /** whether a specialist who wants the plant gone would act on the note */
  act?: boolean;
}

type Seen = Record<string, unknown>;
type Raw = Pick<FieldNote, "id" | "truth" | "day" | "stage" | "stages" | "act"> &
  ({ text: string; saw: Seen } | { pieces: string[]; saw: Seen[] });

const FOLDERS = ["notes", "notes/field-words"];

/** All independent notes. Every second one (even number) is sealed: unread when scores are mended. */
export const readNotes = (): FieldNote[] => FOLDERS.flatMap(readFolder);

function readFolder(folder: string): FieldNote[] {
  return readdirSync(join(FLORA_ROOT, folder))
    .filter((file) => file.endsWith(".yaml"))
    .sort()
    .flatMap((file) => {
      const { data } = readYaml(join(FLORA_ROOT, folder, file), `flora/${folder}/${file}`);
      const lot = `${folder.replace(/^notes\/?/, "")} ${file.replace(/\.yaml$/, "")}`.trim();
      return (data as Raw[]).map((raw) => readNote(raw, lot));
    });
}

function readNote(raw: Raw, lot: string): FieldNote {
  const inPieces = "pieces" in raw;
  const saw = inPieces ? raw.saw : [raw.saw];
  return {
    id: raw.id,
    lot,
    truth: raw.truth,
    day: `2026-${raw.day}`,
    stage: raw.stage,
    ...(raw.stages ? { stages: raw.stages } : {}),
    text: inPieces ? raw.pieces.join("; ") : raw.text,
    sealed: Number(raw.id.replace(/\D/g, "")) % 2 === 0,
    observations: saw.flatMap((seen) => Object.entries(seen).map(([where, value]) => readSeen(where, value))),
    ...(inPieces
      ? { pieces: raw.pieces.map((text, i) => ({ text, entered: Object.keys(raw.saw[i] ?? {}).length > 0 })) }
      : {}),
    ...(raw.act === undefined ? {} : { act: raw.act }),
  };
}

/** `membrane likely`, `[round, oval]`, `5`, `cannot-tell`; of the leaves low on the stem `leaf-order@low`. */
function readSeen(where: string, value: unknown): ObservationInput {
  const [character = "", place] = where.split("@");
  const position = POSITIONS.find((p) => p === place);
  const of: { character: string; position?: Position } = { character, ...(position ? { position } : {}) };
  if (typeof value === "number") return { ...of, value };
  if (Array.isArray(value)) return { ...of, states: value.map(String) };
  const [first = "", sure] = String(value).split(/\s+/);
  const doubt = sure === "likely" || sure === "guess" ? { sure: sure as "likely" | "guess" } : {};
  if (first === "cannot-tell" || first === "not-there-yet") return { ...of, answer: first };
  return { ...of, states: [first], ...doubt };
}
