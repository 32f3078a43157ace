/** A finding that would have another verdict under another flora: what it says now, and what it would say. */
export interface ChangedVerdict {
  id: string;
  number: number;
  day: string;
  siteName: string;
  before: { verdict: string; name: string };
  after: { verdict: string; name: string };
}
