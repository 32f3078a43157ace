import canonicalize from "canonicalize";

/** One ledger entry as it is hashed: its place in the chain, and the body. */
export interface ChainedEntry {
  districtId: string;
  seq: number;
  id: string;
  supersedes: string | null;
  body: unknown;
  enteredBy: string;
  enteredAt: string;
  previousHash: string;
}

/** Hash before the first entry of a district. */
export const GENESIS = "0".repeat(64);

/** SHA-256 over the canonical JSON (RFC 8785) of an entry, hexadecimal. Works in browsers and on the server. */
export async function entryHash(entry: ChainedEntry): Promise<string> {
  const { districtId, seq, id, supersedes, body, enteredBy, enteredAt, previousHash } = entry;
  const text = canonicalize({ districtId, seq, id, supersedes, body, enteredBy, enteredAt, previousHash }) as string;
  const digest = await globalThis.crypto.subtle.digest("SHA-256", new TextEncoder().encode(text));
  return [...new Uint8Array(digest)].map((byte) => byte.toString(16).padStart(2, "0")).join("");
}

export interface ChainCheck {
  entries: number;
  ok: boolean;
  firstBad?: number;
  head: string;
}

/** Goes over a district's entries in order: numbers without a gap, each hash over the one before. */
export async function verifyChain(entries: (ChainedEntry & { hash: string })[]): Promise<ChainCheck> {
  let previous = GENESIS;
  for (const [i, entry] of entries.entries()) {
    const sound = entry.seq === i + 1 && entry.previousHash === previous && (await entryHash(entry)) === entry.hash;
    if (!sound) return { entries: entries.length, ok: false, firstBad: i + 1, head: previous };
    previous = entry.hash;
  }
  return { entries: entries.length, ok: true, head: previous };
}
