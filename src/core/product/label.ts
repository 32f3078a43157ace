import { z } from "zod";
import { SEASONS_POINTED_OUT, seasonsRunning } from "../records";
import { calculation, from0, whole } from "./calculation";

/** What a label and the years ask. */
export const LABEL = [
  calculation({
    name: "season-sum",
    says: "What a patch has had this season with this application, against the label's maximum.",
    inputs: z.strictObject({
      usedPerHa: z.array(from0("L/ha or kg/ha")).max(100).describe("applications so far this season"),
      perHa: from0("L/ha or kg/ha, of this application"),
      seasonMaxPerHa: from0("L/ha or kg/ha").optional(),
    }),
    gives: "{ sumPerHa, leftPerHa: or null where the label does not say, over }",
    source: "sum of the season",
    example: {
      inputs: { usedPerHa: [2, 3], perHa: 1.5, seasonMaxPerHa: 6 },
      value: { sumPerHa: 6.5, leftPerHa: 0, over: true },
    },
    run: ({ usedPerHa, perHa, seasonMaxPerHa }) => {
      const before = usedPerHa.reduce((sum, value) => sum + value, 0);
      const sumPerHa = before + perHa;
      if (seasonMaxPerHa === undefined) return { sumPerHa, leftPerHa: null, over: false };
      return {
        sumPerHa,
        leftPerHa: Math.max(0, seasonMaxPerHa - sumPerHa),
        over: sumPerHa > seasonMaxPerHa * (1 + 1e-9),
      };
    },
  }),
  calculation({
    name: "site-of-action-run",
    says: "Seasons running in which one site of action was used on a patch, with this one; the third is pointed out.",
    inputs: z.strictObject({
      used: z
        .array(
          z.strictObject({
            season: whole(1900, "year"),
            group: z.string().min(1).max(20).describe("site-of-action group"),
          }),
        )
        .max(500),
      season: whole(1900, "year"),
      group: z.string().min(1).max(20).describe("site-of-action group"),
    }),
    gives: "{ seasons: running up to this one, pointedOut }",
    source: "seasons counted back from this one until one without the group",
    example: {
      inputs: {
        used: [
          { season: 2024, group: "9" },
          { season: 2025, group: "9" },
        ],
        season: 2026,
        group: "9",
      },
      value: { seasons: 3, pointedOut: true },
    },
    run: ({ used, season, group }) => {
      const seasons = seasonsRunning(used, season, group);
      return { seasons, pointedOut: seasons >= SEASONS_POINTED_OUT };
    },
  }),
];
