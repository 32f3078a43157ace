import { InputError } from "../errors";
import type { CompiledFlora } from "./types";

const LISTS = ["characters", "taxa", "sets", "scores", "pairs"] as const;

/**
 * A compiled flora as it came over the line or from a file. Its rows are the compiler's own and are not gone through again, as
 * a device would pay for that at every start; a file that is not a flora is refused.
 * @throws {InputError} not-a-flora
 */
export function readCompiledFlora(value: unknown): CompiledFlora {
  if (!isFlora(value)) throw new InputError("not-a-flora", "flora", typeof value, "give a compiled flora");
  return value;
}

function isFlora(value: unknown): value is CompiledFlora {
  if (typeof value !== "object" || value === null) return false;
  const parts = new Map(Object.entries(value));
  return (
    typeof parts.get("version") === "string" &&
    typeof parts.get("blocks") === "object" &&
    LISTS.every((list) => Array.isArray(parts.get(list)))
  );
}
