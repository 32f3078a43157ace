import { itemAt } from "@/core/items";
/**
 * Heights of labels: each as near its own mark as can be, at least a gap from the next, within the drawing.
 * @param heights of the marks, in any order; the result is in the same
 * @param gap least distance between two labels
 * @param highest least height, downwards, that a label may have; `lowest` the greatest
 */
export function spreadLabels(heights: number[], gap: number, highest: number, lowest: number): number[] {
  const order = [...heights.keys()].sort((a, b) => itemAt(heights, a) - itemAt(heights, b));
  const labels = [...heights];
  let least = highest;
  for (const i of order) {
    labels[i] = Math.max(itemAt(labels, i), least);
    least = labels[i] + gap;
  }
  let most = lowest;
  for (const i of order.reverse()) {
    labels[i] = Math.min(itemAt(labels, i), most);
    most = labels[i] - gap;
  }
  return labels;
}
