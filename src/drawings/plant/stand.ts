import type { Shape, Point, Tint } from "../ink/shapes";
import type { Seen } from "./seen";
import type { Size } from "./size";

/** What a habit draws: shapes from back to front, where each recorded part is, and what could not be drawn. */
export interface Stand {
  shapes: Shape[];
  anchors: Record<string, Point>;
  unrecorded: string[];
}

const THICK: Record<string, number> = { thread: 0.15, pencil: 0.7, thumb: 2.2, wrist: 6 };

/** Width of the stem in the field's units: as recorded, at least as can be seen. */
export const stemWidth = (seen: Seen, size: Size): number =>
  Math.min(
    13,
    Math.max(1.6, (THICK[seen.state("stem-thick") ?? ""] ?? size.heightUnits / 90 / size.perCm + 0.2) * size.perCm),
  );

export const stemTint = (seen: Seen): Tint => (seen.state("stem-marks") === "flushed" ? "red" : "green");
