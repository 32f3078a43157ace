import { describe, expect, it } from "vitest";
import { v7 as uuidv7 } from "uuid";
import { as, Client } from "../support/client";

// Among the last, as it slows signing in from this network for a while.
describe("forty strangers", () => {
  it("who sign in at once keep nobody else waiting", async () => {
    const scout = await as("scout");
    const strangers = Array.from({ length: 40 }, (_, i) =>
      new Client().send("POST", "/api/v1/session", { email: `s${i}-${uuidv7()}@x.example`, password: "wrong" }),
    );
    let worst = 0;
    for (let i = 0; i < 5; i++) {
      const began = performance.now();
      expect((await scout.fetch("/api/v1/names?q=broom")).status).toBe(200);
      worst = Math.max(worst, performance.now() - began);
    }
    await Promise.all(strangers);
    expect(worst).toBeLessThan(10_000);
  });
});
