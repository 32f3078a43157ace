import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { checkTreatment, followUpDays, restrictionsAfter, type Treatment, treatmentSchema } from "./treatment";
import { labelLimitsSchema } from "./label-limits";

const treatment = (extra: Partial<Treatment> = {}): Treatment => ({
  who: "T. Quillfeather",
  licence: "INV-1",
  from: "2026-06-01T08:00:00Z",
  to: "2026-06-01T10:00:00Z",
  zone: "Etc/GMT+8",
  siteName: "Meadow",
  patchName: "Gate",
  areaM2: 1000,
  taxon: "Jacobaea vulgaris",
  stage: "vegetative",
  method: "spot-treat",
  methodName: "Spot",
  equipment: "backpack",
  windMS: 2,
  windFrom: "SW",
  temperatureC: 18,
  waterDistanceM: null,
  note: "",
  ...extra,
});
const product = (extra: Partial<NonNullable<Treatment["product"]>> = {}): NonNullable<Treatment["product"]> => ({
  labelId: "01920000-0000-7000-8000-000000000001",
  labelName: "Sample",
  limits: { rateUnit: "L" },
  ratePerHa: 3,
  total: 0.3,
  carrierL: 20,
  ...extra,
});

const UNUSED = { used: 0, patchM2: 1000 };

describe("rate, area and total", () => {
  it("agree when the total is the rate times the area, for any rate and area", () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.01, max: 50, noNaN: true }),
        fc.double({ min: 1, max: 1e6, noNaN: true }),
        (ratePerHa, areaM2) => {
          const total = (ratePerHa * areaM2) / 10000;
          expect(checkTreatment(treatment({ areaM2, product: product({ ratePerHa, total }) }), true, UNUSED)).toEqual(
            [],
          );
        },
      ),
      { seed: 121 },
    );
  });

  it("do not agree when the total is out by more than a twentieth", () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.5, max: 20, noNaN: true }),
        fc.constantFrom(0.9, 1.1, 2, 0.1),
        (ratePerHa, factor) => {
          const total = ((ratePerHa * 1000) / 10000) * factor;
          expect(
            checkTreatment(treatment({ product: product({ ratePerHa, total }) }), true, UNUSED).map((f) => f.field),
          ).toContain("product.total");
        },
      ),
      { seed: 122 },
    );
  });
});

describe("limits of the label", () => {
  it("allow what equals them and speak of what passes them", () => {
    const limits = { rateUnit: "L" as const, windMaxMS: 4, windMinMS: 1, temperatureMaxC: 25, temperatureMinC: 5 };
    const fields = (extra: Partial<Treatment>) =>
      checkTreatment(treatment({ product: product({ limits }), ...extra }), true, UNUSED).map((f) => f.field);
    expect(fields({ windMS: 4 })).toEqual([]);
    expect(fields({ windMS: 4.1 })).toEqual(["windMS"]);
    expect(fields({ windMS: 1 })).toEqual([]);
    expect(fields({ windMS: 0.9 })).toEqual(["windMS"]);
    expect(fields({ temperatureC: 25 })).toEqual([]);
    expect(fields({ temperatureC: 25.1 })).toEqual(["temperatureC"]);
    expect(fields({ temperatureC: 4.9 })).toEqual(["temperatureC"]);
  });

  it("say nothing of what the label does not say", () => {
    const wild = treatment({
      windMS: 30,
      temperatureC: 40,
      waterDistanceM: 0,
      product: product({ ratePerHa: 900, total: 90 }),
    });
    expect(checkTreatment(wild, true, { used: 5000, patchM2: 1000 })).toEqual([]);
  });

  it.each([
    ["rateUnit", { rateUnit: "gal" }],
    ["ratePerHaMax", { rateUnit: "L", ratePerHaMax: 0 }],
    ["grazingDays", { rateUnit: "L", grazingDays: -1 }],
  ])("refuse a wrong %s", (field, limits) => {
    expect(labelLimitsSchema.safeParse(limits).error?.issues[0].path).toEqual([field]);
  });
});

describe("a record without a product", () => {
  it("asks for no licence, wind or temperature", () => {
    expect(
      checkTreatment(
        treatment({ licence: undefined, windMS: undefined, windFrom: undefined, temperatureC: undefined }),
        false,
        UNUSED,
      ),
    ).toEqual([]);
  });
  it("is refused where the method uses one", () => {
    expect(checkTreatment(treatment(), true, UNUSED)).toMatchObject([{ field: "product", grave: true }]);
  });
});

describe("times", () => {
  const issues = (extra: Partial<Treatment>) =>
    treatmentSchema.safeParse(treatment(extra)).error?.issues.map((i) => i.message) ?? [];
  it("are within one day", () => {
    expect(issues({ to: "2026-06-02T08:00:00Z" })).toEqual([]);
    expect(issues({ to: "2026-06-02T08:00:01Z" })).toEqual([
      "must be within 24 hours of the start; write a record for each day",
    ]);
  });
  it("run forwards", () => expect(issues({ to: "2026-06-01T08:00:00Z" })).toEqual(["must be later than the start"]));
  it("must be said: nobody's day begins by default", () => {
    expect(issues({ from: "2026-06-01T" })).toEqual(["say when it began"]);
    expect(issues({ to: "2026-06-01T" })).toEqual(["say when it ended"]);
  });
  it("need their offset", () => expect(issues({ from: "2026-06-01T08:00:00" }).length).toBeGreaterThan(0));
});

describe("what must not be done afterwards", () => {
  it("lasts longer the longer the label asks, from the end of the work", () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 90 }), fc.integer({ min: 1, max: 90 }), (a, b) => {
        const until = (grazingDays: number) =>
          restrictionsAfter(treatment({ product: product({ limits: { rateUnit: "L", grazingDays } }) }), {
            grazed: true,
          }).find((r) => r.what === "No grazing")?.until as string;
        expect(Date.parse(until(a)) - Date.parse("2026-06-01T10:00:00Z")).toBe(a * 86400e3);
        expect(until(a) > until(b)).toBe(a > b);
      }),
      { seed: 123 },
    );
  });
  it("is nothing where the label is silent, and nothing without a product", () => {
    expect(restrictionsAfter(treatment({ product: product() }), { grazed: true, hayed: true })).toEqual([]);
    expect(restrictionsAfter(treatment(), { grazed: true, hayed: true })).toEqual([]);
  });
});

describe("going back to look", () => {
  it.each(["product", "cover", "hand", "machine", "grazing"])(
    "happens in weeks and again after most of a year: %s",
    (kind) => {
      const days = followUpDays(kind).map((f) => f.days);
      expect(days).toHaveLength(2);
      expect(days[0]).toBeLessThan(60);
      expect(days[1]).toBeGreaterThan(300);
    },
  );
});

describe("how often, how soon and with how much water", () => {
  const limits = {
    rateUnit: "L" as const,
    siteOfAction: "9",
    applicationsMax: 2,
    intervalDays: 21,
    carrierMinLPerHa: 100,
  };
  const product = {
    labelId: "0190b7a0-0000-7000-8000-000000000001",
    labelName: "A",
    limits,
    ratePerHa: 2,
    total: 0.2,
    carrierL: 20,
  };
  const of = (season: object, extra: object = {}) =>
    checkTreatment(treatment({ licence: "X", licenceExpires: "2027-01-01", product: { ...product, ...extra } }), true, {
      used: 0,
      patchM2: 1000,
      ...season,
    }).map(({ what }) => what);
  it("is within where it meets the label", () => expect(of({ days: ["2026-05-11"] })).toEqual([]));
  it("is against the label with one application too many, too soon, or too little water", () => {
    expect(of({ days: ["2026-03-01", "2026-04-01"] })).toEqual([expect.stringMatching(/application 3 of this season/)]);
    expect(of({ days: ["2026-05-20"] })).toEqual([expect.stringMatching(/12 days ago. The label asks for 21/)]);
    expect(of({}, { carrierL: 5 })).toEqual([expect.stringMatching(/5 L on 1000 m² are 50.0 L\/ha/)]);
  });
});
