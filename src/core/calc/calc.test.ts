import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { InputError } from "../errors";
import { CALCULATIONS, calculateBy } from "./index";
import { UNIT_NAMES } from "../product";

/** Numbers as near as the source gives them, all else exactly. */
function near(value: unknown, wanted: unknown): void {
  if (typeof wanted === "number" && typeof value === "number")
    expect(Math.abs(value - wanted)).toBeLessThanOrEqual(1e-6 * Math.max(1, Math.abs(wanted)));
  else if (typeof wanted === "object" && wanted !== null) {
    expect(Object.keys(value as object).sort()).toEqual(Object.keys(wanted).sort());
    for (const [key, part] of Object.entries(wanted)) near((value as Record<string, unknown>)[key], part);
  } else expect(value).toEqual(wanted);
}
const value = <T = number>(name: string, inputs: unknown): T => calculateBy(name, inputs) as T;
const fault = (name: string, inputs: unknown): InputError => {
  try {
    calculateBy(name, inputs);
  } catch (error) {
    if (error instanceof InputError) return error;
  }
  throw new Error(`${name} took ${JSON.stringify(inputs)}`);
};
const positive = fc.double({ min: 0.01, max: 1000, noNaN: true });

describe("every calculation", () => {
  it.each(CALCULATIONS.map((of) => [of.name, of] as const))("%s gives its worked example", (_, of) =>
    near(calculateBy(of.name, of.example.inputs), of.example.value),
  );
  it.each(CALCULATIONS.map(({ name }) => name))("%s refuses what is no input, by field", (name) => {
    expect(fault(name, {}).code).toBe("missing");
    expect(fault(name, "x").code).toBe("wrong-type");
    const of = CALCULATIONS.find((one) => one.name === name);
    expect(fault(name, { ...(of?.example.inputs as object), moon: 1 })).toMatchObject({
      code: "unknown-input",
      field: "moon",
    });
  });
  it("has a name of its own", () =>
    expect(new Set(CALCULATIONS.map(({ name }) => name)).size).toBe(CALCULATIONS.length));
  it("says what would be right", () => {
    expect(fault("boom-rate", { flowLPerMin: 0, speedKmH: 6, spacingM: 1 })).toMatchObject({
      code: "out-of-range",
      field: "flowLPerMin",
      got: 0,
      wanted: "give more than 0",
    });
    expect(fault("wilson", { k: 1.5, n: 3 })).toMatchObject({ field: "k", wanted: "give a whole number" });
    expect(fault("wilson", { k: 5, n: 3 }).wanted).toBe("give at most n, 3");
    expect(fault("density-poisson", { total: 1, quadrats: 1, sides: "left" }).wanted).toBe("give one of two, upper");
  });
  it("is refused by an unknown name", () => expect(fault("wish", {}).code).toBe("unknown-function"));
});

describe("units", () => {
  it("go there and back to a billionth", () =>
    fc.assert(
      fc.property(fc.constantFrom(...UNIT_NAMES), fc.constantFrom(...UNIT_NAMES), positive, (from, to, amount) => {
        try {
          const there = value("convert", { value: amount, from, to });
          expect(Math.abs(value("convert", { value: there, from: to, to: from }) - amount) / amount).toBeLessThan(1e-9);
        } catch (error) {
          expect(error).toMatchObject({ code: "units-differ" });
        }
      }),
      { numRuns: 1000 },
    ));
  it("keep US and imperial, and fluid and weight, apart", () => {
    expect(value("convert", { value: 1, from: "gal-imp", to: "gal-us" })).toBeCloseTo(1.200949925504855, 12);
    expect(value("convert", { value: 1, from: "floz-us", to: "mL" })).toBeCloseTo(29.5735295625, 10);
    expect(fault("convert", { value: 1, from: "oz-weight", to: "floz-us" }).code).toBe("units-differ");
  });
  it("give a difference of temperatures no 32", () => {
    expect(value("convert", { value: 50, from: "F", to: "C" })).toBeCloseTo(10, 12);
    expect(value("convert", { value: 18, from: "F-difference", to: "C-difference" })).toBeCloseTo(10, 12);
  });
});

describe("calibration, a second way", () => {
  it("is the same in metric and US measures", () =>
    fc.assert(
      fc.property(
        positive,
        fc.double({ min: 0.5, max: 20, noNaN: true }),
        fc.double({ min: 5, max: 60, noNaN: true }),
        (flow, mph, inches) => {
          const to = (v: number, from: string, unit: string) => value("convert", { value: v, from, to: unit });
          const us = value("boom-rate-us", { flowGalUsPerMin: flow, speedMph: mph, spacingIn: inches });
          const si = value("boom-rate", {
            flowLPerMin: to(flow, "gal-us/min", "L/min"),
            speedKmH: to(mph, "mph", "km/h"),
            spacingM: to(inches, "in", "m"),
          });
          expect(to(us, "gal-us/acre", "L/ha") / si).toBeCloseTo(1, 9);
        },
      ),
    ));
  it("is what flows out in the time that an hectare takes", () =>
    fc.assert(
      fc.property(
        positive,
        positive,
        fc.double({ min: 0.1, max: 3, noNaN: true }),
        (flowLPerMin, speedKmH, spacingM) => {
          const minutes = 10_000 / spacingM / ((speedKmH * 1000) / 60);
          expect(value("boom-rate", { flowLPerMin, speedKmH, spacingM }) / (flowLPerMin * minutes)).toBeCloseTo(1, 9);
          const rateLPerHa = value("boom-rate", { flowLPerMin, speedKmH, spacingM });
          expect(value("nozzle-flow", { rateLPerHa, speedKmH, spacingM }) / flowLPerMin).toBeCloseTo(1, 9);
        },
      ),
    ));
  it("names nozzles off the mean and off the nominal apart", () => {
    const { offMean, offNominal } = value<{ offMean: unknown[]; offNominal: unknown[] }>("nozzle-check", {
      flowsLPerMin: [0.8, 0.8, 0.8],
      nominalLPerMin: 1,
    });
    expect([offMean.length, offNominal.length]).toEqual([0, 3]);
  });
});

describe("tanks", () => {
  interface Loads {
    totalL: number;
    loads: number;
    fullLoads: number;
    lastLoadL: number;
  }
  it("hold all of it, and at exact multiples no phantom load", () =>
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 40 }), fc.double({ min: 0.1, max: 900, noNaN: true }), (times, tankL) => {
        const exact = value<Loads>("tank-loads", { areaM2: times * tankL * 100, rateLPerHa: 100, tankL });
        expect(exact).toMatchObject({ loads: times, fullLoads: times, lastLoadL: 0 });
        const more = value<Loads>("tank-loads", { areaM2: (times + 0.4) * tankL * 100, rateLPerHa: 100, tankL });
        expect(more.loads).toBe(times + 1);
        expect((more.fullLoads * tankL + more.lastLoadL) / more.totalL).toBeCloseTo(1, 9);
      }),
    ));
  it("mix by the finished volume", () =>
    fc.assert(
      fc.property(positive, fc.double({ min: 0, max: 100, noNaN: true }), (finishedL, percentVv) => {
        const { productL, waterL } = value<{ productL: number; waterL: number }>("percent-mix", {
          finishedL,
          percentVv,
        });
        expect(productL + waterL).toBeCloseTo(finishedL, 6);
        expect(waterL).toBeGreaterThanOrEqual(-1e-9);
      }),
    ));
  it("add what all loads take of a product up to its total", () =>
    fc.assert(
      fc.property(positive, positive, positive, positive, (areaM2, rateLPerHa, tankL, perHa) => {
        const mix = value<Loads & { products: { total: number; perFullLoad: number; inLastLoad: number }[] }>(
          "tank-mix",
          { areaM2, rateLPerHa, tankL, products: [{ name: "A", perHa }] },
        );
        const [product] = mix.products;
        const full = mix.fullLoads * (product?.perFullLoad ?? 0) + (product?.inLastLoad ?? 0);
        expect(full / ((areaM2 / 10_000) * perHa)).toBeCloseTo(1, 6);
      }),
    ));
  it("let a jug round half a mark down, and refuse one that is too coarse", () => {
    expect(value<{ read: number }>("jug", { amount: 35, mark: 10 }).read).toBe(30);
    expect(fault("jug", { amount: 4, mark: 10 }).field).toBe("mark");
  });
  it("take either a rate or a percent", () => {
    const base = { areaM2: 1, rateLPerHa: 1, tankL: 1 };
    expect(fault("tank-mix", { ...base, products: [{ name: "A" }] }).field).toBe("products.0");
  });
});

describe("stems", () => {
  it("meet a class at its limit: 33.02 cm is 13 cuts", () => {
    for (let inches = 1; inches <= 60; inches++)
      expect(value<{ cuts: number }>("hatchet-cuts", { stems: [{ diameterCm: inches * 2.54, count: 1 }] }).cuts).toBe(
        inches,
      );
    expect(value<{ cuts: number }>("hatchet-cuts", { stems: [{ diameterCm: 33.1, count: 2 }] }).cuts).toBe(28);
  });
});

describe("hours of spraying", () => {
  it("delta-T is 0 in wet air, grows as air dries, and depends on pressure", () =>
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 45, noNaN: true }),
        fc.double({ min: 5, max: 95, noNaN: true }),
        (temperatureC, humidityPercent) => {
          const of = (h: number, pressureKPa = 101.325) =>
            value("delta-t", { temperatureC, humidityPercent: h, pressureKPa });
          expect(of(100)).toBeCloseTo(0, 6);
          expect(of(humidityPercent)).toBeGreaterThan(of(humidityPercent + 4));
          expect(of(humidityPercent, 80)).toBeGreaterThan(of(humidityPercent));
        },
      ),
    ));
  it("delta-T agrees with psychrometric tables", () => {
    // Tables of the aspirated psychrometer at sea level: 20 °C and 50 % has a wet bulb of 13.7 °C; 30 °C and 40 %, of 20.1 °C.
    expect(value("delta-t", { temperatureC: 20, humidityPercent: 50 })).toBeCloseTo(6.3, 0);
    expect(value("delta-t", { temperatureC: 30, humidityPercent: 40 })).toBeCloseTo(9.9, 0);
  });
  it("a limit itself is within, and a missing reading fails", () => {
    const hour = { windMS: 4.5, gustMS: null, temperatureC: 20, humidityPercent: 50, rainFreeHours: 6, daylight: true };
    const of = (limits: object) => value<{ suits: boolean; fails: string[] }>("spray-hour", { hour, limits });
    expect(of({ windMaxMS: 4.5, rainFreeHours: 6 }).suits).toBe(true);
    expect(of({ gustMaxMS: 9 }).fails).toEqual(["Gusts is missing."]);
    expect(of({ windMaxMS: 4.4, deltaTMaxC: 2 }).fails).toHaveLength(2);
  });
});

describe("degree days", () => {
  /** The sine summed in many small steps. */
  const bySteps = (minC: number, maxC: number, lower: number, upper = Infinity) => {
    let sum = 0;
    for (let i = 0; i < 20_000; i++) {
      const at = (minC + maxC) / 2 + ((maxC - minC) / 2) * Math.sin((2 * Math.PI * (i + 0.5)) / 20_000);
      sum += Math.max(0, Math.min(at, upper) - lower);
    }
    return sum / 20_000;
  };
  it("of a sine are its area between the thresholds, in all six cases", () =>
    fc.assert(
      fc.property(
        fc.double({ min: -10, max: 40, noNaN: true }),
        fc.double({ min: 0, max: 30, noNaN: true }),
        fc.double({ min: 0, max: 20, noNaN: true }),
        fc.double({ min: 0.5, max: 25, noNaN: true }),
        (minC, swing, lowerC, span) => {
          const inputs = { minC, maxC: minC + swing, lowerC, upperC: lowerC + span };
          expect(value("degree-days-sine", inputs)).toBeCloseTo(bySteps(minC, minC + swing, lowerC, lowerC + span), 3);
        },
      ),
      { numRuns: 60 },
    ));
  it("are whole where a day has one temperature, and 0 at a threshold just touched", () => {
    expect(value("degree-days-sine", { minC: 15, maxC: 15, lowerC: 10 })).toBe(5);
    expect(value("degree-days-sine", { minC: 0, maxC: 10, lowerC: 10 })).toBe(0);
    expect(value("degree-days-sine", { minC: 10, maxC: 20, lowerC: 10 })).toBe(5);
  });
  it("are refused where a day is upside down, and never reached is null", () => {
    expect(fault("degree-days-sine", { minC: 9, maxC: 8, lowerC: 1 }).field).toBe("minC");
    expect(
      value<{ day: null }>("degree-days-reached", { days: [{ minC: 0, maxC: 1 }], lowerC: 10, wanted: 5 }).day,
    ).toBeNull();
  });
});

describe("ground", () => {
  it("has holes taken away, either way round, and crosses the 180th meridian", () => {
    const square = (x: number, size: number) => [
      [x, 0],
      [x + size, 0],
      [x + size, size],
      [x, size],
    ];
    const area = (...rings: number[][][]) => value<{ areaM2: number }>("geodesic-area", { rings }).areaM2;
    const hole = square(0.2, 0.1);
    expect(area(square(0, 1), [...hole].reverse())).toBeCloseTo(area(square(0, 1)) - area(hole), 0);
    expect(
      area([
        [179.5, 0],
        [-179.5, 0],
        [-179.5, 1],
        [179.5, 1],
      ]),
    ).toBeCloseTo(area(square(0, 1)), 0);
  });
  it("is near the flat where it is small, and closed rings are the same as open ones", () => {
    const d = 0.001;
    const ring = [
      [10, 0],
      [10 + d, 0],
      [10 + d, d],
      [10, d],
    ];
    const flat = d * 111_319.4908 * (d * 110_574.2727);
    expect(value<{ areaM2: number }>("geodesic-area", { rings: [ring] }).areaM2 / flat).toBeCloseTo(1, 4);
    expect(value("geodesic-area", { rings: [[...ring, ring[0]]] })).toEqual(value("geodesic-area", { rings: [ring] }));
  });
  it("is as far from a line as from its nearest point, ends included", () => {
    const line = [
      [0, 0],
      [0.02, 0],
    ];
    const from = [0.01, 0.005];
    expect(value("distance-to-line", { from, line })).toBeCloseTo(
      value("geodesic-distance", { from, to: [0.01, 0] }),
      3,
    );
    const beyond = [0.03, 0];
    expect(value("distance-to-line", { from: beyond, line })).toBeCloseTo(
      value("geodesic-distance", { from: beyond, to: [0.02, 0] }),
      3,
    );
  });
  it("counts neither gaps between segments nor repeated fixes", () => {
    const a = [0, 0];
    const b = [0.01, 0];
    const step = value("geodesic-distance", { from: a, to: b });
    expect(value("track-length", { segments: [[a, b, b], [[1, 1]]] })).toBeCloseTo(step, 6);
  });
});

describe("surveys", () => {
  it("an exact Poisson limit puts the rest of the chance beyond it", () =>
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 40 }), fc.integer({ min: 1, max: 50 }), (total, quadrats) => {
        const { low, high } = value<{ low: number; high: number }>("density-poisson", { total, quadrats });
        const atMost = (k: number, mean: number) => {
          let term = Math.exp(-mean);
          let sum = term;
          for (let i = 1; i <= k; i++) {
            term *= mean / i;
            sum += term;
          }
          return sum;
        };
        expect(atMost(total, high * quadrats)).toBeCloseTo(0.025, 6);
        if (total > 0) expect(1 - atMost(total - 1, low * quadrats)).toBeCloseTo(0.025, 6);
      }),
    ));
  it("Garwood's table: 10 found is 4.795 to 18.390", () => {
    const { low, high } = value<{ low: number; high: number }>("density-poisson", { total: 10, quadrats: 1 });
    expect([low, high].map((x) => Math.round(x * 1000) / 1000)).toEqual([4.795, 18.39]);
  });
  it("k is by moments, and undefined where counts are not clumped", () => {
    const { k } = value<{ k: number }>("density-negative-binomial", { counts: [0, 0, 0, 8] });
    expect(k).toBeCloseTo(4 / (16 - 2), 9);
    expect(fault("density-t", { counts: [4] }).field).toBe("counts");
  });
  it("Wilson's limits solve the score equation, and hold at 0 and n", () =>
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 300 }), fc.double({ min: 0, max: 1, noNaN: true }), (n, of) => {
        const k = Math.round(n * of);
        const { share, low, high } = value<{ share: number; low: number; high: number }>("wilson", { k, n });
        for (const p of [low, high])
          if (p > 0 && p < 1) expect(Math.abs(share - p) / Math.sqrt((p * (1 - p)) / n)).toBeCloseTo(1.959964, 4);
        expect(low).toBeGreaterThanOrEqual(0);
        expect(high).toBeLessThanOrEqual(1);
      }),
    ));
  it("a sample size fulfils its own equation, and one quadrat fewer does not", () =>
    fc.assert(
      fc.property(
        fc.double({ min: 0.2, max: 50, noNaN: true }),
        fc.double({ min: 0.3, max: 10, noNaN: true }),
        fc.double({ min: 0.08, max: 0.8, noNaN: true }),
        (mean, k, d) => {
          const n = value("sample-size", { mean, k, d });
          const needs = (size: number) => {
            const values = Array.from({ length: size }, (_, i) => i % 2);
            const of = value<{ mean: number; high: number; standardDeviation: number }>("mean-interval", { values });
            const t = ((of.high - of.mean) / of.standardDeviation) * Math.sqrt(size);
            return (t ** 2 * (1 / mean + 1 / k)) / d ** 2;
          };
          if (n > 400) return;
          expect(needs(n)).toBeLessThanOrEqual(n + 1e-6);
          if (n > 2) expect(needs(n - 1)).toBeGreaterThan(n - 1 - 1e-6);
        },
      ),
      { numRuns: 40 },
    ));
  it("few quadrats in all ask for fewer, and never for more than there are", () =>
    fc.assert(
      fc.property(fc.integer({ min: 2, max: 500 }), (population) => {
        const n = value("sample-size", { mean: 1, k: 0.5, d: 0.2, population });
        expect(n).toBeLessThanOrEqual(Math.max(2, population));
      }),
    ));
  it("a sequential test crosses where the likelihood ratio does, and the first crossing decides", () => {
    const test = { lowMean: 1, highMean: 4, k: 2, alpha: 0.1, beta: 0.1 };
    expect(
      value<{ decision: string; after: number }>("sequential-counts", { ...test, counts: [9, 0, 0, 0, 0, 0, 0] }),
    ).toMatchObject({ decision: "above", after: 1 });
    expect(
      value<{ decision: string; after: number }>("sequential-counts", { ...test, counts: [0, 0, 50] }),
    ).toMatchObject({ decision: "below", after: 2 });
    const ratio = (x: number) => 2 * Math.log(3 / 6) + x * Math.log((4 * 3) / (1 * 6));
    const { slope, interceptHigh } = value<{ slope: number; interceptHigh: number }>("sequential-counts", test);
    expect(ratio(slope + interceptHigh)).toBeCloseTo(Math.log(9), 9);
    expect(fault("sequential-counts", { ...test, highMean: 1 }).field).toBe("highMean");
  });
});

describe("seen and gone", () => {
  it("visits that are needed are enough, and one fewer is not", () =>
    fc.assert(
      fc.property(
        fc.double({ min: 0.01, max: 0.99, noNaN: true }),
        fc.double({ min: 0.01, max: 0.999, noNaN: true }),
        (perVisit, wanted) => {
          const visits = value("visits-needed", { perVisit, wanted });
          expect(value("visits-detection", { perVisit, visits })).toBeGreaterThanOrEqual(wanted - 1e-7);
          if (visits > 1)
            expect(value("visits-detection", { perVisit, visits: visits - 1 })).toBeLessThan(wanted + 1e-7);
        },
      ),
    ));
  it("never seen is null, always seen is one visit", () => {
    expect(calculateBy("visits-needed", { perVisit: 0, wanted: 0.5 })).toBeNull();
    expect(value("visits-needed", { perVisit: 1, wanted: 1 })).toBe(1);
    expect(calculateBy("visits-needed", { perVisit: 0.5, wanted: 1 })).toBeNull();
  });
  it("extinction agrees with a simulation of many patches, and a missed year still lets it act", () => {
    const inputs = { yearly: 0.3, perVisit: 0.6, visits: [1, 0, 2] };
    let state = 7;
    const random = () => {
      state = (state * 48271) % 2147483647;
      return state / 2147483647;
    };
    let clean = 0;
    let gone = 0;
    for (let i = 0; i < 200_000; i++) {
      let alive = true;
      let seen = false;
      for (const count of inputs.visits) {
        if (alive && random() < inputs.yearly) alive = false;
        for (let v = 0; v < count; v++) if (alive && random() < inputs.perVisit) seen = true;
      }
      if (!seen) {
        clean++;
        if (!alive) gone++;
      }
    }
    expect(value("extinct-after", inputs)).toBeCloseTo(gone / clean, 2);
    expect(value("extinct-after", { ...inputs, visits: [1, 0] })).toBeGreaterThan(
      value("extinct-after", { ...inputs, visits: [1] }),
    );
  });
  it("the number of visits that costs least is the least of all numbers, and may be 0", () =>
    fc.assert(
      fc.property(
        positive,
        fc.double({ min: 1, max: 1e6, noNaN: true }),
        fc.double({ min: 0.05, max: 0.95, noNaN: true }),
        fc.double({ min: 0.01, max: 0.9, noNaN: true }),
        (visitCost, escapeCost, perVisit, yearly) => {
          const best = value<{ visits: number; cost: number }>("clean-visits-that-cost-least", {
            visitCost,
            escapeCost,
            perVisit,
            yearly,
          });
          const left = (1 - perVisit) * (1 - yearly);
          const costs = Array.from({ length: 400 }, (_, n) => n * visitCost + escapeCost * left ** n);
          expect(best.cost).toBeCloseTo(Math.min(...costs), 6);
        },
      ),
    ));
});

describe("pictures", () => {
  it("a ratio of pairs is that of the means, and pairs that go together are surer", () => {
    const pairs = [
      { part: 10, whole: 20 },
      { part: 12, whole: 24.5 },
      { part: 14, whole: 27 },
    ];
    const { ratio, standardError } = value<{ ratio: number; standardError: number }>("ratio-of-pairs", { pairs });
    expect(ratio).toBeCloseTo(36 / 71.5, 12);
    const shuffled = [
      { part: 10, whole: 27 },
      { part: 12, whole: 24.5 },
      { part: 14, whole: 20 },
    ];
    expect(value<{ standardError: number }>("ratio-of-pairs", { pairs: shuffled }).standardError).toBeGreaterThan(
      standardError,
    );
  });
  it("an angle is the same however the leaf lies", () =>
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 179, noNaN: true }),
        fc.double({ min: 0, max: 6.28, noNaN: true }),
        positive,
        (degrees, turn, size) => {
          const at = (angle: number) => [size * Math.cos(angle), size * Math.sin(angle)];
          const angle = value("notch-angle", {
            tipA: at(turn),
            bottom: [0, 0],
            tipB: at(turn + (degrees * Math.PI) / 180),
          });
          expect(angle).toBeCloseTo(degrees, 6);
        },
      ),
    ));
});
