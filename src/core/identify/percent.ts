/** Below this a share is not given a figure: it would claim more than the flora knows. */
const LEAST_SHARE = 0.001;

/**
 * A share in words, two figures: 0.0234 is "2.3 %".
 * @param share in [0, 1]
 * @param under what stands before "0.1 %" for less than that
 */
export const percent = (share: number, under = "<"): string => (share < LEAST_SHARE ? `${under}0.1 %` : `${Number((100 * share).toPrecision(2))} %`);
