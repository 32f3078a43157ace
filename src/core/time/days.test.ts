import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { addDays, dayIn, mustBePast, seasonOf } from "./index";

describe("a day at a place", () => {
  it("is another one on the other side of the world at the same moment", () => {
    const moment = new Date("2026-06-30T23:30:00Z");
    expect(dayIn("Etc/GMT+8", moment)).toBe("2026-06-30");
    expect(dayIn("Pacific/Auckland", moment)).toBe("2026-07-01");
    expect(dayIn("Europe/Vienna", moment)).toBe("2026-07-01");
  });
  it("so many days on, and back again, is the same day", () =>
    fc.assert(
      fc.property(
        fc.date({ min: new Date("1951-01-01"), max: new Date("2149-01-01"), noInvalidDate: true }),
        fc.integer({ min: -300, max: 300 }),
        (date, n) => {
          const day = date.toISOString().slice(0, 10);
          expect(addDays(addDays(day, n), -n)).toBe(day);
        },
      ),
      { seed: 41 },
    ));
});

describe("a season", () => {
  it("is the calendar's year in the north, and goes from winter to winter in the south", () => {
    expect(["2026-01-01", "2026-12-31"].map((d) => seasonOf(d, "north"))).toEqual([2026, 2026]);
    expect(["2026-06-30", "2026-07-01", "2027-06-30"].map((d) => seasonOf(d, "south"))).toEqual([2025, 2026, 2026]);
  });
});

describe("a day on which something was seen", () => {
  it.each(["1950-01-01", "2026-06-30", "2026-07-01"])("may be %s, when it is 30 June 2026", (day) =>
    expect(() => mustBePast("day", day, "2026-06-30")).not.toThrow(),
  );
  it.each(["0001-01-01", "1949-12-31", "2026-07-02", "9999-12-31", "+010000-01-01", "", "soon"])(
    "may not be %s",
    (day) =>
      expect(() => mustBePast("day", day, "2026-06-30")).toThrow(
        /day: got .* give a day from 1950-01-01 to 2026-07-01/,
      ),
  );
});
