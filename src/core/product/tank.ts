import { z } from "zod";
import { InputError } from "../errors";
import { above0, between, calculation, from0, roundUp, whole } from "./calculation";

const HA = 1e4;

/** Loads of a tank: at an exact multiple there is no last part load. */
export function loadsOf(totalL: number, tankL: number): { loads: number; fullLoads: number; lastLoadL: number } {
  const loads = roundUp(totalL / tankL);
  const left = totalL - (loads - 1) * tankL;
  const isFull = Math.abs(left - tankL) <= 1e-9 * tankL * loads;
  return { loads, fullLoads: isFull ? loads : loads - 1, lastLoadL: isFull ? 0 : left };
}

const productSchema = z
  .strictObject({
    name: z.string().min(1).max(120).describe("name"),
    perHa: above0("L/ha or kg/ha").optional(),
    percentVv: between(0, 100, "% v/v of the finished mix").optional(),
    maxPerHa: above0("L/ha or kg/ha").optional(),
    maxPercentVv: between(0, 100, "% v/v").optional(),
    maxPerTank: above0("L or kg").optional(),
    usedThisSeasonPerHa: from0("L/ha or kg/ha").default(0),
    seasonMaxPerHa: above0("L/ha or kg/ha").optional(),
  })
  .refine((product) => (product.perHa === undefined) !== (product.percentVv === undefined), {
    message: "give either perHa or percentVv",
  });
type Product = z.output<typeof productSchema>;

/** What of a product is over which of its own limits, with the arithmetic. */
function overOf(product: Product, perHa: number, inFullTank: number, percent: number): string[] {
  const over = (what: string, got: number, most: number | undefined) =>
    most !== undefined && got > most * (1 + 1e-9) ? [`${what}: ${sig(got)} is more than ${sig(most)}`] : [];
  return [
    ...over("per hectare", perHa, product.maxPerHa),
    ...over("per hectare this season", product.usedThisSeasonPerHa + perHa, product.seasonMaxPerHa),
    ...over("% v/v of the mix", percent, product.maxPercentVv),
    ...over("per tank", inFullTank, product.maxPerTank),
  ];
}
const sig = (value: number): number => Number(value.toPrecision(4));

/** Tanks, loads and mixes. Volumes are of the finished mix; amounts of a product are L or kg, as its rate says. */
export const TANK = [
  calculation({
    name: "tank-loads",
    says: "How often a tank is filled, and how much goes into the last load.",
    inputs: z.strictObject({ areaM2: above0("m²"), rateLPerHa: above0("L/ha"), tankL: above0("L") }),
    gives: "{ totalL, loads, fullLoads, lastLoadL: 0 where the last load is full }",
    source: "area · rate ÷ tank",
    example: {
      inputs: { areaM2: 25_000, rateLPerHa: 200, tankL: 200 },
      value: { totalL: 500, loads: 3, fullLoads: 2, lastLoadL: 100 },
    },
    run: ({ areaM2, rateLPerHa, tankL }) => {
      const totalL = (areaM2 / HA) * rateLPerHa;
      return { totalL, ...loadsOf(totalL, tankL) };
    },
  }),
  calculation({
    name: "product-for-area",
    says: "Product for an area.",
    inputs: z.strictObject({ areaM2: above0("m²"), productPerHa: above0("L/ha or kg/ha") }),
    gives: "L or kg",
    source: "area · rate",
    example: { inputs: { areaM2: 2500, productPerHa: 4 }, value: 1 },
    run: ({ areaM2, productPerHa }) => (areaM2 / HA) * productPerHa,
  }),
  calculation({
    name: "product-in-load",
    says: "Product in one load, by the rate of the product and that of the carrier.",
    inputs: z.strictObject({ loadL: above0("L"), rateLPerHa: above0("L/ha"), productPerHa: above0("L/ha or kg/ha") }),
    gives: "L or kg",
    source: "load ÷ carrier rate = area; area · product rate",
    example: { inputs: { loadL: 100, rateLPerHa: 200, productPerHa: 4 }, value: 2 },
    run: ({ loadL, rateLPerHa, productPerHa }) => (loadL / rateLPerHa) * productPerHa,
  }),
  calculation({
    name: "percent-mix",
    says: "Product and water of a mix by volume. The percent is of the finished mix, not of the water.",
    inputs: z.strictObject({ finishedL: above0("L"), percentVv: between(0, 100, "% v/v of the finished mix") }),
    gives: "{ productL, waterL }",
    source: "definition of % v/v",
    example: { inputs: { finishedL: 15, percentVv: 2 }, value: { productL: 0.3, waterL: 14.7 } },
    run: ({ finishedL, percentVv }) => {
      const productL = (finishedL * percentVv) / 100;
      return { productL, waterL: finishedL - productL };
    },
  }),
  calculation({
    name: "tank-mix",
    says: "Several products in one tank, each in each load, and each against its own limits.",
    inputs: z.strictObject({
      areaM2: above0("m²"),
      rateLPerHa: above0("L/ha"),
      tankL: above0("L"),
      products: z.array(productSchema).min(1).max(12).describe("products, each by area or by % v/v"),
    }),
    gives:
      "{ totalL, loads, fullLoads, lastLoadL, products: [{ name, total, perFullLoad, inLastLoad, perHa, percentVv, over: [sentence] }] }",
    source: "tank-loads and product-in-load, for each product",
    example: {
      inputs: {
        areaM2: 10_000,
        rateLPerHa: 200,
        tankL: 150,
        products: [
          { name: "A", perHa: 3, maxPerHa: 2 },
          { name: "B", percentVv: 0.5 },
        ],
      },
      value: {
        ...{ totalL: 200, loads: 2, fullLoads: 1, lastLoadL: 50 },
        products: [
          {
            ...{ name: "A", total: 3, perFullLoad: 2.25, inLastLoad: 0.75, perHa: 3, percentVv: 1.5 },
            over: ["per hectare: 3 is more than 2"],
          },
          { name: "B", total: 1, perFullLoad: 0.75, inLastLoad: 0.25, perHa: 1, percentVv: 0.5, over: [] },
        ],
      },
    },
    run: ({ areaM2, rateLPerHa, tankL, products }) => {
      const totalL = (areaM2 / HA) * rateLPerHa;
      const loads = loadsOf(totalL, tankL);
      const full = Math.min(tankL, totalL);
      return {
        totalL,
        ...loads,
        products: products.map((product) => {
          const perL = product.perHa !== undefined ? product.perHa / rateLPerHa : (product.percentVv ?? 0) / 100;
          const perHa = perL * rateLPerHa;
          return {
            ...{
              name: product.name,
              total: perL * totalL,
              perFullLoad: perL * full,
              inLastLoad: perL * loads.lastLoadL,
            },
            ...{ perHa, percentVv: perL * 100, over: overOf(product, perHa, perL * full, perL * 100) },
          };
        }),
      };
    },
  }),
  calculation({
    name: "spot-spray",
    says: "What spots got in all, as a rate on the ground that was wetted, against the label's maximum of the application and the year.",
    inputs: z.strictObject({
      mixL: above0("L, of finished mix that was used"),
      percentVv: between(0, 100, "% v/v of the finished mix"),
      areaM2: above0("m², that was wetted"),
      maxPerHa: above0("L/ha").optional(),
      usedThisSeasonPerHa: from0("L/ha").default(0),
      seasonMaxPerHa: above0("L/ha").optional(),
    }),
    gives:
      "{ productL, perHa, over: [sentence], mixLeftL: mix that may still be used, or null where no maximum is given }",
    source: "product ÷ area, against what the label allows",
    example: {
      inputs: { mixL: 10, percentVv: 2, areaM2: 400, maxPerHa: 6 },
      value: { productL: 0.2, perHa: 5, over: [], mixLeftL: 2 },
    },
    run: ({ mixL, percentVv, areaM2, maxPerHa, usedThisSeasonPerHa, seasonMaxPerHa }) => {
      const productL = (mixL * percentVv) / 100;
      const perHa = (productL / areaM2) * HA;
      const product = { name: "", perHa, maxPerHa, usedThisSeasonPerHa, seasonMaxPerHa };
      const most = Math.min(maxPerHa ?? Infinity, (seasonMaxPerHa ?? Infinity) - usedThisSeasonPerHa);
      const allowedL = percentVv === 0 ? Infinity : (((most * areaM2) / HA) * 100) / percentVv;
      const left = Math.max(0, allowedL - mixL);
      return { productL, perHa, over: overOf(product, perHa, 0, 0), mixLeftL: Number.isFinite(left) ? left : null };
    },
  }),
  calculation({
    name: "rinse",
    says: "Share of the product that is left in a tank after it was rinsed.",
    inputs: z.strictObject({
      leftL: above0("L, that cannot be drained"),
      rinseL: above0("L, each time"),
      times: whole(0, "times"),
    }),
    gives: "share",
    source: "each rinse dilutes to left ÷ (left + rinse)",
    example: { inputs: { leftL: 1, rinseL: 9, times: 3 }, value: 0.001 },
    run: ({ leftL, rinseL, times }) => (leftL / (leftL + rinseL)) ** times,
  }),
  calculation({
    name: "jug",
    says: "What a jug or a scale can show, and the error that rounding makes.",
    inputs: z.strictObject({ amount: above0("mL or g"), mark: above0("mL or g, between two marks") }),
    gives: "{ read: to the nearest mark, errorShare: of the amount, less than 0 where it is too little }",
    source: "rounding to the nearest mark; half a mark is rounded down, so that no maximum is passed by it",
    example: { inputs: { amount: 37, mark: 10 }, value: { read: 40, errorShare: 3 / 37 } },
    run: ({ amount, mark }) => {
      const marks = amount / mark;
      const below = Math.floor(marks + 1e-9);
      const read = (marks - below > 0.5 + 1e-9 ? below + 1 : below) * mark;
      if (read === 0)
        throw new InputError("out-of-range", "mark", mark, `use a jug with marks of at most ${2 * amount}`);
      return { read, errorShare: read / amount - 1 };
    },
  }),
];
