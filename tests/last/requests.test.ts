import { afterAll, describe, expect, it } from "vitest";
import { seededChance } from "@/core/random";
import { closePools } from "@/db/client";
import { type Answered, OddRequests } from "../support/odd-requests";

afterAll(closePools);

// The last of all tests: what it sends changes the demonstration in ways that no other test counts on.
describe("five hundred odd requests over all routes, pages and acts, as all kinds of people", () => {
  it("are answered without an error of the program, and without a word of another district", async () => {
    const odd = await OddRequests.make(seededChance(2411));
    const faults: Answered[] = [];
    for (let i = 0; i < 500; i++) {
      const answered = await odd.next();
      if (answered.fault) faults.push(answered);
    }
    expect(faults).toEqual([]);
    expect((await fetch(`${process.env.SENTINEL_URL}/api/health`)).status).toBe(200);
  });
});
