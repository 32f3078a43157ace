import { readdirSync } from "node:fs";
import { join } from "node:path";
import type { ObservationInput } from "@/core/identify";
import type { Stage } from "@/core/flora";
import { FLORA_ROOT } from "./load";
import { readYaml } from "./read-yaml";

export interface FieldNote {
  id: string;
  /** The file it stands in: notes written and committed together. */
  lot: string;
  truth: string | null;
  day: string;
  stage: Stage;
  text: string;
  sealed: boolean;
  observations: ObservationInput[];
}

/** All independent notes. Every second one (even number) is sealed: unread when scores are mended. */
export function readNotes(): FieldNote[] {
  const folder = join(FLORA_ROOT, "notes");
  return readdirSync(folder)
    .filter((f) => f.endsWith(".yaml") && !f.startsWith("first-run"))
    .sort()
    .flatMap((file) =>
      readYaml(join(folder, file), `flora/notes/${file}`).data.map(
        (raw: {
          id: string;
          truth: string | null;
          day: string;
          stage: Stage;
          text: string;
          saw: Record<string, unknown>;
        }) => ({
          id: raw.id,
          lot: file.replace(/\.yaml$/, ""),
          truth: raw.truth,
          day: `2026-${raw.day}`,
          stage: raw.stage,
          text: raw.text,
          sealed: Number(raw.id.replace(/\D/g, "")) % 2 === 0,
          observations: Object.entries(raw.saw).map(([character, value]) => readSeen(character, value)),
        }),
      ),
    );
}

/** `membrane likely`, `[round, oval]`, `5`, `cannot-tell`. */
function readSeen(character: string, value: unknown): ObservationInput {
  if (typeof value === "number") return { character, value };
  if (Array.isArray(value)) return { character, states: value.map(String) };
  const [first, sure] = String(value).split(/\s+/);
  const doubt = sure === "likely" || sure === "guess" ? { sure: sure as "likely" | "guess" } : {};
  if (first === "cannot-tell" || first === "not-there-yet") return { character, answer: first };
  return { character, states: [first], ...doubt };
}
