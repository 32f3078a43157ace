import { readFileSync } from "node:fs";
import { InputError } from "@/core/errors";
import { buildModel, caseAt, caseSchema, checkTogether, identify } from "@/core/identify";
import { type CompiledFlora, KIT, POSITIONS, STAGES, STATUSES } from "@/core/flora";
import { currentFlora, loadList } from "@/flora/load";
import { printJson, run } from "./output";
import type z from "zod";

run(() => {
  if (process.argv.includes("--vocabulary")) return printJson(vocabulary(currentFlora()));
  const file = process.argv.slice(2).find((a) => !a.startsWith("--"));
  if (!file)
    throw new InputError(
      "no-file",
      "FILE.json",
      undefined,
      "give a file with one case or an array of cases, or --vocabulary",
    );
  const input = readJson(file);
  const cases = [input].flat().map(readCase);
  const flora = currentFlora();
  const accepted = acceptedNames(flora);
  const model = buildModel(flora);
  const shipped = loadList("otter-valley");
  const answers = cases.map((given) => {
    const list = { ...shipped.status, ...renamed(given.list, accepted) };
    return identify(model, caseAt({ ...given, list, actions: { ...shipped.actions, ...given.actions } }, given, model));
  });
  printJson(Array.isArray(input) ? answers : answers[0]);
  return undefined;
});

/** Accepted name of every accepted name and synonym. */
function acceptedNames(flora: CompiledFlora): Map<string, string> {
  return new Map(flora.taxa.flatMap((t) => [...t.synonyms, t.name].map((name) => [name, t.name])));
}

function renamed<T>(list: Record<string, T>, accepted: Map<string, string>): Record<string, T> {
  return Object.fromEntries(
    Object.entries(list).map(([name, status]) => {
      const now = accepted.get(name);
      if (!now) throw new InputError("unknown-taxon", "list", name, "give a name of the flora; see --vocabulary");
      return [now, status];
    }),
  );
}

/** What can be refused without the flora is refused at once. */
function readCase(raw: unknown): z.output<typeof caseSchema> {
  const given = caseSchema.parse(raw);
  checkTogether(given.observations);
  return given;
}

function readJson(file: string): unknown {
  try {
    return JSON.parse(readFileSync(file, "utf8"));
  } catch (error) {
    throw new InputError("not-json", file, (error as Error).message, "give a readable file of JSON");
  }
}

function vocabulary(flora: CompiledFlora) {
  return {
    stages: STAGES,
    positions: POSITIONS,
    forms: [...new Set(flora.taxa.flatMap((t) => t.forms.map((f) => f.id)))],
    statuses: STATUSES,
    kit: KIT,
    characters: flora.characters.map(
      ({ id, name, station, kind, unit, ask, help, block, comparative, states, stages, answered, positions }) => ({
        id,
        name,
        station,
        kind,
        ...(unit ? { unit } : {}),
        help: help || ask,
        block,
        comparative,
        ...(states.length > 0 ? { states } : {}),
        stages: answered,
        asked: stages,
        ...(positions ? { positions } : {}),
      }),
    ),
    taxa: flora.taxa.map(({ id, name, rank, sets, common, synonyms }) => ({ id, name, rank, sets, common, synonyms })),
  };
}
