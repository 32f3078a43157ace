/**
 * Indices of the largest of many values, largest first, equals in their order: all that is wanted of thousands are a few,
 * which is far less work than sorting.
 * @param most how many at most
 */
export function largestFirst(values: ArrayLike<number>, most: number): number[] {
  if (most >= values.length) return Array.from(values, (_, i) => i).sort((a, b) => values[b] - values[a]);
  const best: number[] = [];
  for (let i = 0; i < values.length; i++) {
    if (best.length === most && !(values[i] > values[best[most - 1]])) continue;
    let at = best.length;
    while (at > 0 && values[best[at - 1]] < values[i]) at--;
    best.splice(at, 0, i);
    if (best.length > most) best.pop();
  }
  return best;
}

export function argMax(values: ArrayLike<number>): number {
  let best = 0;
  for (let i = 1; i < values.length; i++) if (values[i] > values[best]) best = i;
  return best;
}
