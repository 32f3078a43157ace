import { z } from "zod";
import { above0, calculation, from0, roundUp, whole } from "./calculation";

const stems = () =>
  z
    .array(z.strictObject({ diameterCm: above0("cm"), count: whole(1, "stems") }))
    .min(1)
    .max(100)
    .describe("classes of stems");

const sumOf = (of: { diameterCm: number; count: number }[], each: (diameterCm: number) => number): number =>
  of.reduce((sum, { diameterCm, count }) => sum + count * each(diameterCm), 0);

/** Woody stems by class of diameter. Stems are taken as cylinders. */
export const WOODY = [
  calculation({
    name: "bark-band",
    says: "Bark to be wetted around the foot of stems, and the volume for it.",
    inputs: z.strictObject({
      stems: stems(),
      bandCm: above0("cm, height of the band"),
      mlPerM2: from0("mL of finished mix on 1 m² of bark").default(0),
    }),
    gives: "{ areaM2, volumeMl }",
    source: "π · diameter · height, for each stem",
    example: {
      inputs: { stems: [{ diameterCm: 10, count: 2 }], bandCm: 30, mlPerM2: 100 },
      value: { areaM2: 0.06 * Math.PI, volumeMl: 6 * Math.PI },
    },
    run: ({ stems: of, bandCm, mlPerM2 }) => {
      const areaM2 = sumOf(of, (d) => Math.PI * d * bandCm) / 1e4;
      return { areaM2, volumeMl: areaM2 * mlPerM2 };
    },
  }),
  calculation({
    name: "cut-surface",
    says: "Cut face of stumps.",
    inputs: z.strictObject({ stems: stems(), mlPerM2: from0("mL of finished mix on 1 m² of wood").default(0) }),
    gives: "{ areaM2, volumeMl }",
    source: "π · diameter² ÷ 4, for each stem",
    example: {
      inputs: { stems: [{ diameterCm: 20, count: 1 }], mlPerM2: 500 },
      value: { areaM2: 0.01 * Math.PI, volumeMl: 5 * Math.PI },
    },
    run: ({ stems: of, mlPerM2 }) => {
      const areaM2 = sumOf(of, (d) => (Math.PI * d * d) / 4) / 1e4;
      return { areaM2, volumeMl: areaM2 * mlPerM2 };
    },
  }),
  calculation({
    name: "hatchet-cuts",
    says: "Cuts around stems, and the volume for them. Labels count one cut for so much of the diameter, most often an inch.",
    inputs: z.strictObject({
      stems: stems(),
      cmPerCut: above0("cm of diameter for one cut").default(2.54),
      mlPerCut: from0("mL in one cut").default(1),
    }),
    gives: "{ cuts, perStem: [cuts of each class], volumeMl }",
    source: "one cut for each begun part of the diameter; a diameter that meets the limit begins no further part",
    example: {
      inputs: { stems: [{ diameterCm: 33.02, count: 1 }], mlPerCut: 1 },
      value: { cuts: 13, perStem: [13], volumeMl: 13 },
    },
    run: ({ stems: of, cmPerCut, mlPerCut }) => {
      const perStem = of.map(({ diameterCm }) => roundUp(diameterCm / cmPerCut));
      const cuts = of.reduce((sum, { count }, i) => sum + count * (perStem[i] ?? 0), 0);
      return { cuts, perStem, volumeMl: cuts * mlPerCut };
    },
  }),
];
