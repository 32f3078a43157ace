import { describe, expect, it } from "vitest";
import { v7 as uuidv7 } from "uuid";
import { as, Client } from "../support/client";

// Among the last, as it slows signing in from this network for a while.
describe("forty strangers", () => {
  it("who sign in at once keep nobody else waiting", async () => {
    const scout = await as("scout");
    let answered = 0;
    const strangers = Array.from({ length: 40 }, async (_, i) => {
      await new Client().send("POST", "/api/v1/session", { email: `s${i}-${uuidv7()}@x.example`, password: "wrong" });
      answered++;
    });
    expect((await scout.fetch("/api/v1/names?q=broom")).status).toBe(200);
    // Whoever is signed in does not stand in their row.
    expect(answered).toBeLessThan(40);
    await Promise.all(strangers);
  });
});
