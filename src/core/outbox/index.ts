/**
 * What an answer means to what a device has waiting, as it stands in the answer's body: try again later; a person must sign in; it
 * will never be taken as it is; it does not agree with what the server has.
 */
export const ANSWER_CODES = ["wait", "sign-in", "never", "conflict"] as const;
export type AnswerCode = (typeof ANSWER_CODES)[number];

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
 * @param answer what the server said: taken, or its code; null where nothing came that the server can have said (no signal, or
 * something that answers in its place)
 */
export function stepAfter(answer: { taken: boolean; code: AnswerCode | null; message: string } | null): Step {
  if (answer === null) return { kind: "wait", why: "There is no connection." };
  if (answer.taken) return { kind: "held" };
  const why = answer.message;
  if (answer.code === "sign-in") return { kind: "sign-in", why };
  if (answer.code === "never" || answer.code === "conflict") return { kind: "refused", why };
  return { kind: "wait", why };
}

/** Seconds to wait before the next try after so many that failed: twice as long each time, at most five minutes. */
export const waitBefore = (failures: number): number => Math.min(300, 5 * 2 ** Math.max(0, failures - 1));
