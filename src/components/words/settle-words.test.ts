import { describe, expect, it } from "vitest";
import { settleWords } from "./settle-words";

describe("when a finding can be settled", () => {
  it("is a day to come, or now, once that day is there", () => {
    expect(settleWords({ day: "2026-03-20", settleFrom: "2026-06-01" }, "2026-04-10")).toBe(
      "Can be settled from 1 June 2026.",
    );
    expect(settleWords({ day: "2026-03-20", settleFrom: "2026-06-01" }, "2026-06-01")).toBe("It can be settled now.");
  });
  it("is not now on the very plant that did not show it on the day it was found", () => {
    expect(settleWords({ day: "2026-06-09", settleFrom: "2026-06-09" }, "2026-06-09")).toContain("Others of its kind");
    expect(settleWords({ day: "2026-06-09", settleFrom: "2026-05-01" }, "2026-07-01")).toContain("Others of its kind");
  });
  it("is left out where no later look would settle it", () => {
    expect(settleWords({ day: "2026-06-09", settleFrom: null }, "2026-06-09")).toBe("");
  });
});
