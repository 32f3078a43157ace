const STEPS = 4096;
const TABLE = Float64Array.from({ length: STEPS + 2 }, (_, i) => (i === 0 ? 0 : (i / STEPS) * Math.log(i / STEPS)));

/**
 * x × ln x of a chance in [0, 1], read between the steps of a table: the logarithm itself is most of what foreseeing an answer
 * takes. Too high by less than a ten-thousandth, and from 0.01 on by less than a millionth.
 */
export function timesLog(x: number): number {
  const at = x * STEPS;
  const i = at | 0;
  return TABLE[i] + (at - i) * (TABLE[i + 1] - TABLE[i]);
}
