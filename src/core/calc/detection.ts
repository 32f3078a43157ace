import { z } from "zod";
import { InputError } from "../errors";
import { above0, calculation, from0, roundUp, share, whole } from "../product";

const sweep = {
  widthM: above0("m, whole swath in which a plant is seen"),
  lengthM: from0("m, that is walked"),
  areaM2: above0("m²"),
};

/** The chance that a plant is seen, and that it is gone. */
export const DETECTION = [
  calculation({
    name: "random-search",
    says: "Chance of finding a plant by walking at random.",
    inputs: z.strictObject(sweep),
    gives: "probability",
    source: "1 − exp(−W · L / A); Koopman (1946), Search and Screening",
    example: { inputs: { widthM: 2, lengthM: 500, areaM2: 1000 }, value: 1 - Math.exp(-1) },
    run: ({ widthM, lengthM, areaM2 }) => -Math.expm1((-widthM * lengthM) / areaM2),
  }),
  calculation({
    name: "sweep-coverage",
    says: "Share of the ground that parallel sweeps cover; more than all of it is all of it.",
    inputs: z.strictObject(sweep),
    gives: "share",
    source: "W · L / A, at most 1; definite range",
    example: { inputs: { widthM: 2, lengthM: 400, areaM2: 1000 }, value: 0.8 },
    run: ({ widthM, lengthM, areaM2 }) => Math.min(1, (widthM * lengthM) / areaM2),
  }),
  calculation({
    name: "search-length",
    says: "Way to walk at random for a wanted chance.",
    inputs: z.strictObject({
      widthM: above0("m, whole swath"),
      areaM2: above0("m²"),
      wanted: z.number().min(0).lt(1).describe("probability, below 1"),
    }),
    gives: "m",
    source: "random-search, solved for the length",
    example: { inputs: { widthM: 2, areaM2: 1000, wanted: 0 }, value: 0 },
    run: ({ widthM, areaM2, wanted }) => (-Math.log1p(-wanted) * areaM2) / widthM,
  }),
  calculation({
    name: "visits-detection",
    says: "Chance of seeing a plant at least once in several visits.",
    inputs: z.strictObject({ perVisit: share("probability, of one visit"), visits: whole(0, "visits") }),
    gives: "probability",
    source: "1 − (1 − p)^n",
    example: { inputs: { perVisit: 0.5, visits: 2 }, value: 0.75 },
    run: ({ perVisit, visits }) => 1 - (1 - perVisit) ** visits,
  }),
  calculation({
    name: "visits-needed",
    says: "Visits for a wanted chance of seeing a plant, or null where no number is enough.",
    inputs: z.strictObject({ perVisit: share("probability, of one visit"), wanted: share("probability") }),
    gives: "visits, or null",
    source: "ln(1 − P) ÷ ln(1 − p), rounded up",
    example: { inputs: { perVisit: 0.95, wanted: 0.95 }, value: 1 },
    run: ({ perVisit, wanted }) => {
      if (wanted === 0) return 0;
      if (perVisit === 0) return null;
      if (perVisit === 1) return 1;
      return wanted === 1 ? null : roundUp(Math.log1p(-wanted) / Math.log1p(-perVisit));
    },
  }),
  calculation({
    name: "yearly-extinction",
    says: "Yearly chance that a seed bank is empty, from the life of the seed.",
    inputs: z.strictObject({
      seedYears: above0("years, high end of the life of the seed"),
      emptyShare: z.number().gt(0).lt(1).default(0.95).describe("share of seed banks that are empty by then"),
    }),
    gives: "probability in a year",
    source: "1 − (1 − share)^(1 ÷ years): the same chance each year",
    example: { inputs: { seedYears: 1, emptyShare: 0.95 }, value: 0.95 },
    run: ({ seedYears, emptyShare }) => -Math.expm1(Math.log1p(-emptyShare) / seedYears),
  }),
  calculation({
    name: "extinct-after",
    says: "Chance that a patch is gone after years of clean visits. The yearly chance acts once in each year, one without a visit too.",
    inputs: z.strictObject({
      yearly: share("probability, that it dies out in a year"),
      perVisit: share("probability, that a visit sees it where it is"),
      visits: z.array(whole(0, "visits")).min(1).max(200).describe("clean visits in each year, in order"),
      before: share("probability, that it was gone before").default(0),
    }),
    gives: "probability",
    source: "Bayes' rule year by year; Regan et al. (2006), Ecology Letters 9",
    example: { inputs: { yearly: 0.5, perVisit: 0.5, visits: [1] }, value: 2 / 3 },
    run: ({ yearly, perVisit, visits, before }) => {
      let alive = 1 - before;
      let gone = before;
      for (const count of visits) {
        gone += alive * yearly;
        alive *= (1 - yearly) * (1 - perVisit) ** count;
      }
      if (gone + alive === 0)
        throw new InputError(
          "out-of-range",
          "perVisit",
          perVisit,
          "a plant that is always seen and never dies out cannot give a clean visit",
        );
      return gone / (gone + alive);
    },
  }),
  calculation({
    name: "clean-visits-that-cost-least",
    says: "Number of clean yearly visits at which stopping costs least; it may be 0.",
    inputs: z.strictObject({
      visitCost: above0("money, of a visit"),
      escapeCost: above0("money, of declaring it gone while it lives"),
      perVisit: share("probability, that a visit sees it where it is"),
      yearly: share("probability, that it dies out in a year"),
    }),
    gives: "{ visits, cost: money, expected }",
    source: "Regan et al. (2006), Ecology Letters 9: n · C + E · r^n with r = (1 − p)(1 − e), least over whole n",
    example: {
      inputs: { visitCost: 100, escapeCost: 50, perVisit: 0.5, yearly: 0.1 },
      value: { visits: 0, cost: 50 },
    },
    run: ({ visitCost, escapeCost, perVisit, yearly }) => {
      const left = (1 - perVisit) * (1 - yearly);
      const cost = (n: number): number => n * visitCost + escapeCost * left ** n;
      const ideal = left > 0 && left < 1 ? Math.log(-visitCost / (escapeCost * Math.log(left))) / Math.log(left) : 1;
      const near = [0, Math.max(0, Math.floor(ideal)), Math.max(0, Math.ceil(ideal))].filter(Number.isFinite);
      const [best] = near.sort((a, b) => cost(a) - cost(b) || a - b);
      return { visits: best ?? 0, cost: cost(best ?? 0) };
    },
  }),
];
