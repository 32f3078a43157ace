import { itemAt } from "@/core/items";
import type { FieldMark } from "./engine";
import { spreadLabels } from "./spread-labels";

/** The field of the hedge, in its own units. */
export const WIDTH = 532;
/** The figures of the scale stand left of this. */
export const AXIS = 50;
/** Kept plants stand left of this, targets right. */
export const MIDDLE = 296;
export const HEIGHT = 440;
export const TOP = 26;
export const FOOT = 14;
export const LEAST = 0.001;
export const COLUMN = 22;
/** More columns would leave no room for the names; beyond these, marks of like height overlap. */
const MOST_COLUMNS = 3;
const GAP = 29;
const MOST_SIDE = 6;
/** Room for the scientific name under the last label. */
const UNDER_NAME = 20;

export interface Placed extends FieldMark {
  x: number;
  y: number;
  labelX: number;
  labelY: number;
  before: number | null;
}

/** Places the marks of one side: height is the chance, exactly; names are moved apart and tied to their mark by a leader. */
export function placeMarks(marks: FieldMark[], before: Map<string, number>, y: (p: number) => number): Placed[] {
  return (["kept", "target"] as const).flatMap((side) => {
    const left = side === "kept" ? AXIS + 12 : MIDDLE + 14;
    const own = marks.filter((m) => m.side === side).slice(0, MOST_SIDE);
    const heights = own.map((m) => y(Math.max(LEAST, m.probability)));
    const columns: number[] = [];
    heights.forEach((h, i) => {
      let column = 0;
      while (heights.some((other, k) => k < i && itemAt(columns, k) === column && Math.abs(other - h) < COLUMN))
        column++;
      columns.push(column % MOST_COLUMNS);
    });
    const labels = spreadLabels(heights, GAP, TOP + 14, HEIGHT - UNDER_NAME);
    const labelX = left + (Math.max(0, ...columns) + 1) * COLUMN - 4;
    return own.map((mark, i) => ({
      ...mark,
      x: left + itemAt(columns, i) * COLUMN,
      y: itemAt(heights, i),
      labelX,
      labelY: itemAt(labels, i),
      before: before.has(mark.taxon) ? y(Math.max(LEAST, before.get(mark.taxon) as number)) : null,
    }));
  });
}
