/** A set is passed by the last so many answers to it, of which so large a share was right. */
export const PASS = { answers: 20, share: 0.8 };

/** Whether a set is passed by these answers to it, oldest first. Answers that nobody could check count for nothing. */
export function isPassed(answers: readonly { right: boolean; verified: boolean }[]): boolean {
  const last = answers.filter(({ verified }) => verified).slice(-PASS.answers);
  return last.length === PASS.answers && last.filter(({ right }) => right).length >= PASS.share * PASS.answers;
}
