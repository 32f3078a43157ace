import { describe, expect, it } from "vitest";
import { SampleRegistry } from "./sample-registry";

const TEXT = "Plant: Pilosella aurantiaca\nPlace: 44.35000, -131.20000 (WGS 84), South Gate verge\nSeen on: 2026-06-09";
const report = (key: string, extra: object = {}) => ({ key, text: TEXT, answers: [], to: "", ...extra });

describe("the invented registry", () => {
  const up = new SampleRegistry({ down: 0 });

  it("acknowledges, and asks about every fourth report until it is answered", async () => {
    expect(await up.hand(report("aaaaa1"))).toEqual({ said: "acknowledged", reference: "INV-AAAAA1" });
    expect(await up.hand(report("aaaaa4"))).toMatchObject({ said: "question" });
    expect(await up.hand(report("aaaaa4", { answers: ["Thirty."] }))).toMatchObject({ said: "acknowledged" });
  });
  it("sends back what lacks the plant, the place or the day, and keeps no such report", async () => {
    for (const line of TEXT.split("\n"))
      expect(await up.hand(report("bbbbb1", { text: TEXT.replace(line, "") }))).toMatchObject({ said: "refused" });
    expect(up.arrived.has("bbbbb1")).toBe(false);
  });
  it("is down about as often as it says, sometimes only after it took the report, and knows a report by its key", async () => {
    const shaky = new SampleRegistry({ seed: 3, down: 0.3 });
    let failed = 0;
    let taken = 0;
    for (let i = 0; i < 2000; i++) {
      const key = `key ${i}1`;
      await shaky.hand(report(key)).catch(() => {
        failed++;
        if (shaky.arrived.has(key)) taken++;
      });
    }
    expect(failed / 2000).toBeGreaterThan(0.26);
    expect(failed / 2000).toBeLessThan(0.34);
    expect(taken / failed).toBeGreaterThan(0.26);
    expect(taken / failed).toBeLessThan(0.41);
    const before = shaky.arrived.size;
    for (let i = 0; i < 50; i++) await shaky.hand(report("key 1001")).catch(() => undefined);
    expect(shaky.arrived.size).toBeLessThanOrEqual(before + 1);
  });
});
