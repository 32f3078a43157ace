import { InputError } from "@/core/errors";

/** A refusal that the user can act on. */
export class Refusal extends Error {
  readonly status: 400 | 401 | 403 | 404 | 409 | 429;
  readonly issues: { field: string; what: string }[];

  constructor(status: Refusal["status"], message: string, issues: Refusal["issues"] = []) {
    super(message);
    this.name = "Refusal";
    this.status = status;
    this.issues = issues;
  }
}

export const notFound = (what: string) => new Refusal(404, `${what} was not found in this district.`);

/** Turns what went wrong into something that may be shown; a raw database error never is. */
export function toRefusal(error: unknown): Refusal | null {
  if (error instanceof Refusal) return error;
  if (error instanceof InputError) return new Refusal(400, error.message, [{ field: error.field, what: error.wanted }]);
  const issues = (error as { issues?: { path: PropertyKey[]; message: string }[] }).issues;
  if (issues)
    return new Refusal(
      400,
      "Something in the form is not right.",
      issues.map((issue) => ({ field: issue.path.map(String).join("."), what: issue.message })),
    );
  return null;
}
