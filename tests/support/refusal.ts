import { InputError } from "@/core/errors";
import type { Model, Observation } from "@/core/identify";
import { evidenceOf } from "@/core/identify/evidence/evidence-of";

/** With what code, and at which field, an observation is refused; null where it is taken. */
export function refusalOf(model: Model, observation: Observation): { code: string; field: string } | null {
  try {
    evidenceOf(model, observation, 0, null);
  } catch (error) {
    if (error instanceof InputError) return { code: error.code, field: error.field };
  }
  return null;
}
