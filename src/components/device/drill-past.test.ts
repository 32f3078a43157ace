import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { merged } from "./drill-past";

const answer = (second: number) => ({
  ...{ at: new Date(Date.UTC(2026, 5, 1, 8, 0, second)).toISOString(), form: "clues" as const, taxon: "a" },
  ...{ right: true, score: 1, seconds: 3 },
});
const times = fc.uniqueArray(fc.nat(50)).map((all) => all.map(answer));

describe("what the server has and what the device keeps", () => {
  it("are one past: each answer once, in the order of time, nothing lost", () =>
    fc.assert(
      fc.property(times, times, (sent, kept) => {
        const all = merged(sent, kept).map(({ at }) => at);
        expect(all).toEqual([...new Set([...sent, ...kept].map(({ at }) => at))].sort());
        expect(merged(merged(sent, kept), kept)).toEqual(merged(sent, kept));
      }),
    ));
});
