import { InputError } from "@/core/errors";

/** Prints JSON alone on standard output. */
export function printJson(value: unknown): void {
  process.stdout.write(`${JSON.stringify(value, null, process.argv.includes("--compact") ? 0 : 1)}\n`);
}

/** Runs a command: unusable input ends with 2 and one clear line, anything else with 1. */
export async function run(command: () => unknown | Promise<unknown>): Promise<void> {
  try {
    await command();
  } catch (error) {
    const wrong = error instanceof InputError || (error as { issues?: unknown }).issues !== undefined;
    process.stderr.write(`${wrong ? inWords(error) : (error as Error).stack}\n`);
    process.exitCode = wrong ? 2 : 1;
  }
}

function inWords(error: unknown): string {
  const issues = (error as { issues?: { path: (string | number)[]; message: string }[] }).issues;
  if (issues) return issues.map((issue) => `${issue.path.join(".") || "input"}: ${issue.message}`).join("\n");
  return (error as Error).message;
}

/** Value of `--name value`, or undefined. */
export function option(name: string): string | undefined {
  const at = process.argv.indexOf(`--${name}`);
  return at < 0 ? undefined : process.argv[at + 1];
}

/** A number given as `--name n`, or the default. */
export function numberOption(name: string, standard: number): number {
  const text = option(name);
  if (text === undefined) return standard;
  const value = Number(text);
  if (!Number.isFinite(value)) throw new InputError("not-a-number", `--${name}`, text, "give a number");
  return value;
}
