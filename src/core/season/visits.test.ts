import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { addDays } from "../time";
import { cleanStanding, cleanSeasonsNeeded, lastVisitSeason, nextVisit, type Lasting } from "./index";

const annual: Lasting = { seedYears: [2, 4], sprouts: [], fragments: "none" };
const none = (day: string) => ({ day, seen: "none" as const });

describe("when a patch is gone", () => {
  it("takes clean visits in each season of the high end of the seed life", () => {
    expect(
      cleanStanding(
        annual,
        [2023, 2024, 2025].map((y) => none(`${y}-05-01`)),
        "north",
      ),
    ).toEqual({ seasons: 3, needed: 4, gone: false });
    expect(
      cleanStanding(
        annual,
        [2023, 2024, 2025, 2026].map((y) => none(`${y}-05-01`)),
        "north",
      ).gone,
    ).toBe(true);
  });
  it("takes at least two seasons, however short the seed lives", () =>
    expect(cleanSeasonsNeeded({ ...annual, seedYears: [0, 1] })).toBe(2));
  it("is not reached over a season without a visit, or with a plant in it", () => {
    expect(cleanStanding(annual, [none("2021-05-01"), none("2023-05-01"), none("2024-05-01")], "north").seasons).toBe(
      2,
    );
    const seen = { day: "2024-08-01", seen: "some" as const };
    expect(cleanStanding(annual, [none("2023-05-01"), none("2024-05-01"), seen], "north").seasons).toBe(0);
  });
  it("needs a specialist's word where it sprouts, grows from pieces, or its seed life is not recorded", () => {
    for (const more of [{ sprouts: ["root"] }, { fragments: "rhizome" }, { seedYears: undefined }]) {
      const many = Array.from({ length: 30 }, (_, i) => none(`${2000 + i}-05-01`));
      expect(cleanStanding({ ...annual, ...more }, many, "north")).toEqual({ seasons: 30, needed: null, gone: false });
      expect(lastVisitSeason({ ...annual, ...more }, "2026-05-01", "north")).toBeNull();
    }
  });
  it("counts seasons of the south from July", () =>
    expect(cleanStanding(annual, [none("2025-08-01"), none("2026-02-01")], "south").seasons).toBe(1));
  it("is nowhere without a visit", () =>
    expect(cleanStanding(annual, [], "north")).toEqual({ seasons: 0, needed: 4, gone: false }));
});

describe("the next visit", () => {
  const past = { treatedOn: "2026-06-01", kind: "hand", visits: [] };
  it("comes weeks after the work, then after a year, then every year", () => {
    expect(nextVisit(annual, past, "north")?.dueOn).toBe("2026-07-13");
    expect(nextVisit(annual, { ...past, visits: [none("2026-07-14")] }, "north")?.dueOn).toBe("2027-04-27");
    expect(nextVisit(annual, { ...past, visits: [none("2026-07-14"), none("2027-05-01")] }, "north")?.dueOn).toBe(
      "2028-04-30",
    );
  });
  it("ends after the last season of the seed, counted from when a plant was last seen or treated", () => {
    const clean = [2027, 2028, 2029, 2030].map((y) => none(`${y}-05-01`));
    expect(nextVisit(annual, { ...past, visits: clean }, "north")).toBeNull();
    const seen = { day: "2030-06-01", seen: "some" as const };
    expect(nextVisit(annual, { ...past, visits: [...clean, seen] }, "north")?.dueOn).toBe("2031-06-01");
  });
  it("never ends by itself of a plant that only a specialist can call gone, and is always after the last", () =>
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 1, max: 5000 }), { maxLength: 12 }), (after) => {
        const visits = after.map((days) => none(addDays(past.treatedOn, days)));
        const next = nextVisit({ ...annual, sprouts: ["stump"] }, { ...past, visits }, "north");
        expect(next).not.toBeNull();
        for (const { day } of visits) expect((next?.dueOn ?? "") > day).toBe(true);
      }),
    ));
});
