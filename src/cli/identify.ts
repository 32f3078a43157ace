import { readFileSync } from "node:fs";
import { InputError } from "@/core/errors";
import { buildModel, type Case, caseSchema, checkTogether, identify } from "@/core/identify";
import { type CompiledFlora, KIT, POSITIONS, STAGES, STATUSES } from "@/core/flora";
import { currentFlora, loadList } from "@/flora/load";
import { printJson, run } from "./output";

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
  const known = new Set(flora.taxa.map((t) => t.name));
  for (const { list } of cases)
    for (const name of Object.keys(list))
      if (!known.has(name))
        throw new InputError("unknown-taxon", "list", name, "give an accepted name of the flora; see --vocabulary");
  const model = buildModel(flora);
  const shipped = loadList("otter-valley");
  const answers = cases.map((given) =>
    identify(model, {
      ...given,
      list: { ...shipped.status, ...given.list },
      actions: { ...shipped.actions, ...given.actions },
    }),
  );
  printJson(Array.isArray(input) ? answers : answers[0]);
  return undefined;
});

/** What can be refused without the flora is refused at once. */
function readCase(raw: unknown): Case {
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
      ({ id, name, station, kind, unit, ask, help, block, comparative, states, stages, positions }) => ({
        id,
        name,
        station,
        kind,
        ...(unit ? { unit } : {}),
        help: help || ask,
        block,
        comparative,
        ...(states.length > 0 ? { states } : {}),
        stages,
        ...(positions ? { positions } : {}),
      }),
    ),
    taxa: flora.taxa.map(({ id, name, rank, sets, common, synonyms }) => ({ id, name, rank, sets, common, synonyms })),
  };
}
