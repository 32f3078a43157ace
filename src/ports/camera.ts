import type { Point } from "@/core/measure";

/** What is known of a drawn photograph: what it shows, in the units of the plane, and its place in the picture, in pixels. */
export interface SampleTruth {
  widthPx: number;
  heightPx: number;
  cardMm: [number, number];
  corners: Point[];
  stalkFoot: Point;
  bladeFoot: Point;
  tip: Point;
  /** one lobe's tip, the bottom of the notch between two lobes, the other lobe's tip */
  notch: [Point, Point, Point];
  outline: Point[];
  spots: Point[];
  bladeMm: number;
  stalkMm: number;
  notchDegrees: number;
  areaMm2: number;
}

/** A camera that can hand over a photograph to practice on. */
export interface CameraPort {
  /** true where its photographs are drawn and not taken */
  simulated: boolean;
  sample(seed: number): Promise<{ jpeg: Buffer; truth: SampleTruth }>;
}
