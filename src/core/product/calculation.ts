import { z } from "zod";
import { InputError } from "../errors";

/** A calculation with what it needs, what it gives, where its formula comes from, and one example that was worked out elsewhere. */
export interface Calculation<Inputs = unknown, Value = unknown> {
  name: string;
  /** one line for a person */
  says: string;
  /** each field is named with its unit, and described by it */
  inputs: z.ZodType<Inputs>;
  /** unit or shape of the value */
  gives: string;
  source: string;
  example: { inputs: z.input<z.ZodType<Inputs>>; value: Value };
  run: (inputs: Inputs) => Value;
}

/** Keeps the types of a calculation's inputs and value together while it is written down. */
export const calculation = <Schema extends z.ZodType, Value>(
  of: Omit<Calculation, "inputs" | "run" | "example"> & {
    inputs: Schema;
    run: (inputs: z.output<Schema>) => Value;
    example: { inputs: z.input<Schema>; value: NoInfer<Value> };
  },
): Calculation => of as unknown as Calculation;

/** A number above 0 of a unit. */
export const above0 = (unit: string) => z.number().positive().max(1e12).describe(unit);
/** A number of at least 0 of a unit. */
export const from0 = (unit: string) => z.number().min(0).max(1e12).describe(unit);
export const between = (low: number, high: number, unit: string) => z.number().min(low).max(high).describe(unit);
/** A probability, level or share; the ends are no level. */
export const level = () => z.number().gt(0).lt(1).default(0.95).describe("share, confidence level");
export const share = (what = "share") => between(0, 1, what);
export const whole = (low: number, what: string) => z.number().int().min(low).max(1e12).describe(what);

/**
 * Runs a calculation on what was sent.
 * @throws {InputError} naming the field, what was got and what would be right: `missing`, `unknown-input`, `wrong-type`,
 * `out-of-range`, or a code of the calculation's own
 */
export function calculate(of: Calculation, given: unknown): unknown {
  const read = of.inputs.safeParse(given);
  if (!read.success) throw asInputError(read.error, given);
  return of.run(read.data);
}

function asInputError(error: z.ZodError, given: unknown): InputError {
  const [issue] = error.issues;
  if (!issue) return new InputError("wrong-type", "inputs", given, "give the inputs as an object");
  if (issue.code === "unrecognized_keys") {
    const field = [...issue.path, issue.keys[0]].join(".");
    return new InputError("unknown-input", field, valueAt(given, [...issue.path, issue.keys[0]]), "leave it out");
  }
  const got = valueAt(given, issue.path);
  const field = issue.path.join(".") || "inputs";
  if (got === undefined) return new InputError("missing", field, undefined, "give it");
  const code = issue.code === "invalid_type" || issue.code === "invalid_union" ? "wrong-type" : "out-of-range";
  return new InputError(code, field, got, wantedBy(issue));
}

/** What would be right, as a person says it. */
function wantedBy(issue: z.core.$ZodIssue): string {
  const of = issue as { minimum?: number; maximum?: number; inclusive?: boolean; origin?: string; values?: unknown[] };
  const what = of.origin === "array" ? " entries" : "";
  if (issue.code === "too_small") return `give ${of.inclusive ? "at least" : "more than"} ${of.minimum}${what}`;
  if (issue.code === "too_big") return `give ${of.inclusive ? "at most" : "less than"} ${of.maximum}${what}`;
  if (issue.code === "invalid_value") return `give one of ${(of.values ?? []).join(", ")}`;
  return issue.code === "invalid_type"
    ? `give ${issue.expected === "int" ? "a whole number" : `a value of type ${issue.expected}`}`
    : issue.message;
}

const valueAt = (given: unknown, path: PropertyKey[]): unknown =>
  path.reduce<unknown>((value, key) => (value as Record<PropertyKey, unknown> | null | undefined)?.[key], given);

/** Rounding up that a sum of floating point does not push over a whole number: 33.02 / 2.54 is 13, not 14. */
export const roundUp = (value: number): number => Math.ceil(value - 1e-9 * Math.abs(value));
