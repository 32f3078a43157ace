/** Below this, or this near to all, a share is not given a figure: it would claim more than the flora knows. */
const LEAST_SHARE = 0.001;

/** Above this a share is given by what is left over: 0.995 is no 100%. */
const NEARLY_ALL = 0.99;

/**
 * A share in words, two figures: 0.0234 is "2.3%", and what is nearly all three: 0.995 is "99.5%".
 * @param share in [0, 1]
 * @param under what stands before "0.1%" for less than that
 */
export function percent(share: number, under = "<"): string {
  if (share < LEAST_SHARE) return `${under}0.1%`;
  if (share > 1 - LEAST_SHARE) return ">99.9%";
  return `${share > NEARLY_ALL ? Math.floor(1000 * share) / 10 : Number((100 * share).toPrecision(2))}%`;
}
