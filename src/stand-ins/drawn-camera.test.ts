import sharp from "sharp";
import { describe, expect, it } from "vitest";
import { type Mark, measure, type Measured, type Point } from "@/core/measure";
import { seededChance } from "@/core/random";
import type { SampleTruth } from "@/ports/camera";
import { drawnCamera, drawSample } from "./drawn-camera";

const SAMPLES = 200;
const POINTING_PX = 1;

/** A person marks the photograph: each point a little off the right one. */
function marker(seed: number) {
  const chance = seededChance(seed + 0.5);
  return ([x, y]: Point): Point => [x + chance.normal() * POINTING_PX, y + chance.normal() * POINTING_PX];
}

function measured(truth: SampleTruth, seed: number) {
  const at = marker(seed);
  const marks = {
    calibration: {
      kind: "corners" as const,
      points: truth.corners.map(at),
      widthMm: truth.cardMm[0],
      heightMm: truth.cardMm[1],
    },
    pointingPx: POINTING_PX,
  };
  const take = (tool: Mark["tool"], ...points: Point[]): Measured =>
    measure(marks, { id: "m", tool, points: points.map(at) });
  return {
    blade: { ...take("length", truth.bladeFoot, truth.tip), truth: truth.bladeMm },
    stalk: { ...take("length", truth.stalkFoot, truth.bladeFoot), truth: truth.stalkMm },
    ratio: { ...take("ratio", truth.stalkFoot, truth.bladeFoot, truth.tip), truth: truth.stalkMm / truth.bladeMm },
    angle: { ...take("angle", ...truth.notch), truth: truth.notchDegrees },
    area: { ...take("area", ...truth.outline), truth: truth.areaMm2 },
  };
}

const all = Array.from({ length: SAMPLES }, (_, i) => measured(drawSample(i + 1).truth, i + 1));

describe("measures on drawn photographs, held askew", () => {
  it.each(["blade", "stalk", "ratio"] as const)("the %s is within three hundredths, of 200", (what) => {
    const off = all.map((m) => Math.abs(m[what].value / m[what].truth - 1));
    expect(off.reduce((a, b) => a + b, 0) / SAMPLES).toBeLessThan(0.03);
    expect(off.filter((x) => x <= 0.03).length / SAMPLES).toBeGreaterThanOrEqual(0.95);
  });

  it("the angle of the notch is within 3°", () => {
    const off = all.map((m) => Math.abs(m.angle.value - m.angle.truth));
    expect(off.filter((x) => x <= 3).length / SAMPLES).toBeGreaterThan(0.95);
  });

  it.each(["blade", "stalk", "ratio", "angle", "area"] as const)(
    "the interval of the %s covers the truth in 90 to 98 of 100",
    (what) => {
      const covered = all.filter((m) => Math.abs(m[what].value - m[what].truth) <= m[what].half).length / SAMPLES;
      expect(covered).toBeGreaterThanOrEqual(0.9);
      expect(covered).toBeLessThanOrEqual(0.98);
    },
  );

  it("shows what it says: the card pale, the leaf green, each at the place told", async () => {
    for (const seed of [3, 4, 5]) {
      const { jpeg, truth } = await drawnCamera.sample(seed);
      const { data, info } = await sharp(jpeg).raw().toBuffer({ resolveWithObject: true });
      const colour = ([x, y]: Point) =>
        [0, 1, 2].map((k) => data[(Math.round(y) * info.width + Math.round(x)) * info.channels + k]);
      const middle = (points: Point[]): Point => [
        points.reduce((s, p) => s + p[0], 0) / points.length,
        points.reduce((s, p) => s + p[1], 0) / points.length,
      ];
      const [r, g, b] = colour(middle(truth.corners));
      expect(Math.min(r, g, b)).toBeGreaterThan(190);
      const [lr, lg, lb] = colour([
        (truth.notch[1][0] * 2 + truth.bladeFoot[0]) / 3,
        (truth.notch[1][1] * 2 + truth.bladeFoot[1]) / 3,
      ]);
      expect(lg).toBeGreaterThan(Math.max(lr, lb));
    }
  });

  it("draws the same for the same seed", () => expect(drawSample(9).svg).toBe(drawSample(9).svg));
});
