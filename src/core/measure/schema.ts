import { z } from "zod";
import { TOOLS } from "./tools";

const point = z.tuple([z.number().finite(), z.number().finite()]);

/** Marks as they come from a device. */
export const marksSchema = z.object({
  widthPx: z.number().positive().max(50_000),
  heightPx: z.number().positive().max(50_000),
  pointingPx: z.number().positive().max(500),
  calibration: z
    .discriminatedUnion("kind", [
      z.object({ kind: z.literal("length"), points: z.array(point).max(2), mm: z.number().positive().max(1e5) }),
      z.object({
        kind: z.literal("corners"),
        points: z.array(point).max(4),
        widthMm: z.number().positive().max(1e5),
        heightMm: z.number().positive().max(1e5),
      }),
    ])
    .nullable(),
  marks: z.array(z.object({ id: z.string().max(80), tool: z.enum(TOOLS), points: z.array(point).max(200) })).max(100),
});
