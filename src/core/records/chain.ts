import canonicalize from "canonicalize";

/** One ledger entry: its place in the chain, what it is about, and the body. */
export interface ChainedEntry {
  /**
   * 1: place, body and the name of whoever entered it are sealed. 2: so are its kind, patch, plan, plant, and that person's id and
   * roles as they were. Later kinds of entry have a kind of their own and the same format.
   */
  format: 1 | 2;
  kind: string;
  districtId: string;
  seq: number;
  id: string;
  supersedes: string | null;
  patchId: string;
  planId: string | null;
  plantId: string | null;
  body: unknown;
  enteredBy: string;
  enteredById: string | null;
  enteredByRoles: string[] | null;
  enteredAt: string;
  previousHash: string;
}

/** Hash before the first entry of a district. */
export const GENESIS = "0".repeat(64);

/** What is sealed of an entry: every column that means something. */
function sealed(entry: ChainedEntry): Record<string, unknown> {
  const { districtId, seq, id, supersedes, body, enteredBy, enteredAt, previousHash } = entry;
  const first = { districtId, seq, id, supersedes, body, enteredBy, enteredAt, previousHash };
  if (entry.format === 1) return first;
  const { format, kind, patchId, planId, plantId, enteredById, enteredByRoles } = entry;
  return { ...first, format, kind, patchId, planId, plantId, enteredById, enteredByRoles };
}

/** SHA-256 over the canonical JSON (RFC 8785) of an entry, hexadecimal. Works in browsers and on the server. */
export async function entryHash(entry: ChainedEntry): Promise<string> {
  const text = canonicalize(sealed(entry)) as string;
  const digest = await globalThis.crypto.subtle.digest("SHA-256", new TextEncoder().encode(text));
  return [...new Uint8Array(digest)].map((byte) => byte.toString(16).padStart(2, "0")).join("");
}

/** How many entries there should be, and the hash of the last: as an anchor says, or a print on paper. */
export interface ChainEnd {
  seq: number;
  hash: string;
}
export interface ChainCheck {
  entries: number;
  ok: boolean;
  /** the first entry that is wrong or missing */
  firstBad?: number;
  /** what is wrong, in words */
  problem?: string;
  head: string;
}

/**
 * Goes over a district's entries in order: numbers without a gap, each hash over the one before, no entry of format 1 after one of
 * format 2, and the end where it should be.
 * @param ends where the chain must end, or must at least have been: anchors and prints
 */
export async function verifyChain(
  entries: (ChainedEntry & { hash: string })[],
  ends: (ChainEnd & { exact: boolean; who: string })[] = [],
): Promise<ChainCheck> {
  let previous = GENESIS;
  let formatTwo = false;
  const bad = (firstBad: number, problem: string): ChainCheck => ({
    entries: entries.length,
    ok: false,
    firstBad,
    problem,
    head: previous,
  });
  for (const [i, entry] of entries.entries()) {
    if (entry.seq !== i + 1) return bad(i + 1, `entry ${i + 1} is missing`);
    if (entry.previousHash !== previous) return bad(i + 1, `entry ${i + 1} does not follow the one before it`);
    if (entry.format === 1 && formatTwo) return bad(i + 1, `entry ${i + 1} is of format 1, after format 2 had begun`);
    if ((await entryHash(entry)) !== entry.hash) return bad(i + 1, `entry ${i + 1} is not what was sealed`);
    formatTwo ||= entry.format === 2;
    previous = entry.hash;
  }
  for (const end of ends) {
    const there = end.seq === 0 ? GENESIS : entries[end.seq - 1]?.hash;
    if (there === undefined)
      return bad(entries.length + 1, `${end.who} tells of ${end.seq} entries; ${entries.length} are here`);
    if (there !== end.hash) return bad(end.seq, `${end.who} tells of another entry ${end.seq}`);
    if (end.exact && entries.length > end.seq)
      return bad(end.seq + 1, `${end.who} tells of ${end.seq} entries; ${entries.length} are here`);
  }
  return { entries: entries.length, ok: true, head: previous };
}
