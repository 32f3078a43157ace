import { describe, expect, it } from "vitest";
import { fromZonedTime, inZone } from "./site-time";

describe("times of a site", () => {
  it("turns the clock on the wall into an instant", () => {
    expect(fromZonedTime("2026-06-10T08:00", "Etc/GMT+8")).toBe("2026-06-10T16:00:00.000Z");
    expect(fromZonedTime("2026-01-10T08:00", "Europe/Vienna")).toBe("2026-01-10T07:00:00.000Z");
    expect(fromZonedTime("2026-07-10T08:00", "Europe/Vienna")).toBe("2026-07-10T06:00:00.000Z");
  });
  it("leaves what is no time for the schema to refuse", () => expect(fromZonedTime("T", "Etc/GMT+8")).toBe("T"));
  it("shows an instant as the site's clock", () =>
    expect(inZone("2026-06-10T16:00:00.000Z", "Etc/GMT+8")).toBe("10 June 2026 at 08:00"));
});
