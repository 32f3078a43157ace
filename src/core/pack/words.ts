import type { Score } from "../flora";

/** Shares as words, so that a botanist writes what he would say. */
export const SHARE_WORDS: Record<string, number> = {
  always: 0.98,
  usually: 0.85,
  often: 0.6,
  sometimes: 0.25,
  rarely: 0.06,
  never: 0.005,
};
const CONFIDENCE_WORDS: Record<string, number> = { certain: 0.995, sure: 0.97, likely: 0.88, doubtful: 0.7 };
const DEFAULT_CONFIDENCE = 0.95;
/** Share that a state gets when the score does not name it. */
const UNNAMED = 0.005;

export type ScoreValue = Pick<Score, "shares" | "points" | "notApplicable" | "confidence">;

/**
 * Reads one score as written: `membrane usually, fringe rarely ~likely` or `2 3 5 6.5` or `n/a`.
 * @param text the score
 * @param stateIds states of the character; empty for a measured one
 * @throws {Error} naming the word or the order that is wrong
 */
export function readScore(text: string, stateIds: string[]): ScoreValue {
  const [body, doubt] = text.split("~").map((part) => part.trim());
  const confidence = doubt ? CONFIDENCE_WORDS[doubt] : DEFAULT_CONFIDENCE;
  if (confidence === undefined)
    throw new Error(`"~${doubt}" is not a confidence. Write ~certain, ~sure, ~likely or ~doubtful`);
  if (body === "n/a") return { notApplicable: true, confidence };
  if (stateIds.length === 0) return { points: readPoints(body), confidence };
  return { shares: readShares(body, stateIds), confidence };
}

function readPoints(body: string): [number, number, number, number] {
  const numbers = body.split(/\s+/).map(Number);
  if (numbers.length !== 4 || numbers.some((n) => !Number.isFinite(n)))
    throw new Error(`"${body}": write four numbers: extreme low, low, high, extreme high`);
  for (let i = 1; i < 4; i++)
    if (numbers[i] < numbers[i - 1]) throw new Error(`"${body}": the four numbers must not fall`);
  if (numbers[0] < 0) throw new Error(`"${body}": a measure is not below 0`);
  return numbers as [number, number, number, number];
}

function readShares(body: string, stateIds: string[]): number[] {
  const shares = stateIds.map(() => UNNAMED);
  for (const part of body.split(",")) {
    const [state, word, extra] = part.trim().split(/\s+/);
    const index = stateIds.indexOf(state);
    if (index < 0) throw new Error(`unknown state "${state}"; there are: ${stateIds.join(", ")}`);
    if (extra) throw new Error(`"${part.trim()}": write a state and one word`);
    const share = word === undefined ? SHARE_WORDS.always : (SHARE_WORDS[word] ?? Number(word));
    if (!Number.isFinite(share) || share < 0 || share > 1)
      throw new Error(`"${word}" is not a share. Write ${Object.keys(SHARE_WORDS).join(", ")} or a number from 0 to 1`);
    shares[index] = Math.max(share, UNNAMED);
  }
  const total = shares.reduce((a, b) => a + b, 0);
  return shares.map((s) => Math.round((s / total) * 10000) / 10000);
}

/** A share this near to a word, as a part of it, is written as the word. */
const NEAR_WORD = 0.04;

/**
 * Writes a score as a botanist would; `readScore` of it gives the same shares but for rounding.
 * @param stateIds states of the character; empty for a measured one
 */
export function writeScore(score: ScoreValue, stateIds: string[]): string {
  const doubt = Object.entries(CONFIDENCE_WORDS).find(([, value]) => Math.abs(value - score.confidence) < 0.005)?.[0];
  const tail = doubt ? ` ~${doubt}` : "";
  if (score.notApplicable) return `n/a${tail}`;
  if (score.points) return `${score.points.join(" ")}${tail}`;
  const shares = score.shares ?? [];
  const least = Math.min(...shares);
  // A state that was not named holds exactly UNNAMED before the shares are made to sum to 1: that gives back the scale.
  const scale = shares.length > 1 && least < 0.01 ? UNNAMED / least : 1;
  const named = shares
    .map((share, i) => ({ id: stateIds[i], share: share * scale }))
    .filter(({ share }) => share > UNNAMED * 1.5)
    .sort((a, b) => b.share - a.share);
  return `${named.map(({ id, share }) => `${id} ${shareWord(share)}`).join(", ")}${tail}`;
}

function shareWord(share: number): string {
  const word = Object.entries(SHARE_WORDS).find(([, value]) => Math.abs(share - value) <= NEAR_WORD * value);
  return word ? word[0] : String(Math.min(1, Number(share.toPrecision(2))));
}
