/** One change of something: what it was before and after, null where it was not there. */
export interface Change<State> {
  /** instant, ISO with offset */
  at: string;
  before: State | null;
  after: State | null;
}

/**
 * What something was at a moment, from its changes. For moments before its first change its oldest known state counts: what
 * was made only later is taken to have been so before.
 * @param changes oldest first
 * @param now what it is now, for where no change was kept
 */
export function stateAt<State>(changes: Change<State>[], moment: string, now: State | null): State | null {
  const [first] = changes;
  if (!first) return now;
  const last = changes.filter((change) => Date.parse(change.at) <= Date.parse(moment)).at(-1);
  return last ? last.after : (first.before ?? first.after);
}
