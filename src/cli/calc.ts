import { readFileSync } from "node:fs";
import { z } from "zod";
import { CALCULATIONS, calculateBy } from "@/core/calc";
import { InputError } from "@/core/errors";
import { printJson, run } from "./output";

const MOST_CALLS = 100_000;
const callSchema = z.object({ function: z.unknown(), inputs: z.unknown() });

/** A value, or what was wrong: a fault in one call leaves the others as they are. */
function answer(call: z.output<typeof callSchema>) {
  try {
    return { value: calculateBy(call.function, call.inputs) };
  } catch (error) {
    if (!(error instanceof InputError)) throw error;
    const { code, field, got, wanted } = error;
    return { error: { code, field, got: got ?? null, wanted } };
  }
}

const list = () =>
  CALCULATIONS.map(({ name, says, inputs, gives, source, example }) => {
    const schema = z.toJSONSchema(inputs, { io: "input" });
    return { name, says, inputs: schema.properties, required: schema.required ?? [], gives, source, example };
  });

/** `--list`, or a file with `[{ "function", "inputs" }]`. */
run(() => {
  const args = process.argv.slice(2);
  if (args.includes("--list")) return printJson(list());
  const file = args.find((arg) => !arg.startsWith("--"));
  if (!file) throw new InputError("no-file", "FILE.json", args.join(" "), "name a file with calls, or --list");
  const given: unknown = JSON.parse(readFileSync(file, "utf8"));
  const calls = z.array(callSchema).max(MOST_CALLS).safeParse(given);
  if (!calls.success)
    throw new InputError("unreadable-calls", "FILE.json", null, 'write [{ "function": "boom-rate", "inputs": {} }]');
  printJson(calls.data.map(answer));
});
