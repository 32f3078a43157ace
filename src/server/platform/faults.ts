import { InputError } from "@/core/errors";
import type { AnswerCode } from "@/core/outbox";
import { Busy } from "@/db/turnstile";

type RefusalStatus = 400 | 401 | 403 | 404 | 409 | 413 | 415 | 429 | 503;
/** What a device does about an answer, unless the refusal says otherwise. */
const CODES: Record<RefusalStatus, AnswerCode> = {
  400: "never",
  401: "sign-in",
  403: "sign-in",
  404: "never",
  409: "conflict",
  413: "never",
  415: "never",
  429: "wait",
  503: "wait",
};

/** A refusal that the user can act on. */
export class Refusal extends Error {
  readonly status: RefusalStatus;
  readonly issues: { field: string; what: string }[];
  readonly code: AnswerCode;

  constructor(
    status: RefusalStatus,
    message: string,
    issues: Refusal["issues"] = [],
    code: AnswerCode = CODES[status],
  ) {
    super(message);
    this.name = "Refusal";
    this.status = status;
    this.issues = issues;
    this.code = code;
  }
}

export const notFound = (what: string) => new Refusal(404, `${what} was not found in this district.`);

/** Two people edited one thing: nothing of the second is lost, as both are told. */
export const edited = (what: string, theirs: string, yours: string) =>
  new Refusal(409, `${what} was changed by someone else while you had it open. Nothing was saved.`, [
    { field: "version", what: `It now says: ${theirs}` },
    { field: "version", what: `You wrote: ${yours}` },
  ]);

/** Names of errors of the database that a person, and not the program, has brought about. */
const DATABASE_REFUSALS: Record<string, () => Refusal> = {
  // a statement or a lock took too long
  "57014": () => new Refusal(503, "That takes too long just now. Nothing was stored. Try again in a moment."),
  "55P03": () =>
    new Refusal(503, "Someone else is changing this right now. Nothing was stored. Try again in a moment."),
  "25P03": () => new Refusal(503, "That took too long. Nothing was stored. Try again in a moment."),
  "53300": () => new Refusal(503, "The database is too busy just now. Try again in a moment."),
  "57P01": () => new Refusal(503, "The database is restarting. Nothing was stored. Try again in a moment."),
  "57P03": () => new Refusal(503, "The database is being started. Nothing was stored. Try again in a moment."),
  "08006": () => new Refusal(503, "The database does not answer just now. Try again in a moment."),
  // what was sent breaks a rule of the database itself
  "23514": () => new Refusal(400, "A value that was sent is outside the range that can be stored. Nothing was stored."),
  "23503": () => new Refusal(409, "What this belongs to is not here, or belongs elsewhere. Nothing was stored."),
  "23505": () => new Refusal(409, "That is here already. Nothing was stored."),
  "22021": () => new Refusal(400, "The text has a character that cannot be stored."),
  "22P05": () => new Refusal(400, "The text has a character that cannot be stored."),
  "22P02": () => new Refusal(400, "Something that was sent does not have the right form."),
  "22003": () => new Refusal(400, "A number is too large to be stored."),
  "22008": () => new Refusal(400, "One of the dates cannot be stored. Write dates as 2026-05-31."),
};
const LOST_CONNECTION = /ECONNREFUSED|ECONNRESET|Connection terminated|timeout exceeded when trying to connect/;

function databaseRefusal(error: unknown): Refusal | null {
  for (let at: unknown = error; at instanceof Error; at = at.cause) {
    const { code } = at as { code?: string };
    const known = LOST_CONNECTION.test(`${code ?? ""} ${at.message}`) ? "08006" : (code ?? "");
    const refusal = DATABASE_REFUSALS[code ?? ""] ?? DATABASE_REFUSALS[known];
    if (refusal) return refusal();
  }
  return null;
}

/** Turns what went wrong into something that may be shown; a raw database error never is. */
export function toRefusal(error: unknown): Refusal | null {
  if (error instanceof Refusal) return error;
  if (error instanceof InputError) return new Refusal(400, error.message, [{ field: error.field, what: error.wanted }]);
  if (error instanceof Busy || (error as Error)?.name === "Busy") return new Refusal(503, (error as Error).message);
  const issues = (error as { issues?: { path: PropertyKey[]; message: string }[] })?.issues;
  if (issues)
    return new Refusal(
      400,
      "Something in the form is not right.",
      issues.map((issue) => ({ field: issue.path.map(String).join("."), what: issue.message })),
    );
  return databaseRefusal(error);
}
