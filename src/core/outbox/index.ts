/** What is told of a verdict, by the field or by the server. */
export interface Told {
  verdict: string;
  /** accepted name of the plant that the verdict is about, or null */
  taxon: string | null;
}

/** What becomes of a finding in the outbox after an answer, or after none. */
export type Step =
  /** the server has it: go on to its pictures */
  | { kind: "held" }
  /** no signal, or the server is not well: everything waits, in order */
  | { kind: "wait"; why: string }
  /** nobody is signed in who may send it: everything waits for a person */
  | { kind: "sign-in"; why: string }
  /** the server will never take it as it is: a person must look; the others go on */
  | { kind: "refused"; why: string };

/**
 * @param status status of the answer, or null where there was none
 * @param message what the server said, in words
 */
export function stepAfter(status: number | null, message: string): Step {
  if (status === null) return { kind: "wait", why: "There is no connection." };
  if (status >= 200 && status < 300) return { kind: "held" };
  if (status === 401 || status === 403 || status === 409) return { kind: "sign-in", why: message };
  if (status === 408 || status === 425 || status === 429 || status >= 500) return { kind: "wait", why: message };
  return { kind: "refused", why: message };
}

/** True where the server judges otherwise than the field did: another verdict, or another plant under a verdict that names one. */
export function clashes(field: Told, server: Told): boolean {
  if (field.verdict !== server.verdict) return true;
  const named = field.verdict === "clear" || field.verdict === "keep" || field.verdict === "hold";
  return named && field.taxon !== server.taxon;
}

/** Seconds to wait before the next try after so many that failed: twice as long each time, at most five minutes. */
export const waitBefore = (failures: number): number => Math.min(300, 5 * 2 ** Math.max(0, failures - 1));
