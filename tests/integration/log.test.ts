import { sql } from "drizzle-orm";
import { afterAll, describe, expect, it } from "vitest";
import { closePools, inDistrict } from "@/db/client";
import { safeError } from "@/server/platform/log";
import { respond } from "@/server/platform/respond";
import { member, OTTER, uuidv7 } from "../support/database";

afterAll(closePools);
const SECRET = "a note that nobody but the district may read, at 44.36123";

/** A query that fails as an insert of a person's words would. */
const failing = async (): Promise<unknown> => {
  try {
    await inDistrict(
      OTTER,
      (tx) =>
        tx.execute(
          sql`INSERT INTO site (district_id, id, name, note, zone) VALUES (${OTTER}, ${uuidv7()}, ${SECRET}, ${SECRET}, ${SECRET})`,
        ),
      member(["keeper"]),
    );
  } catch (error) {
    return error;
  }
  throw new Error("the insert should have failed");
};

describe("a query that fails", () => {
  it("carries people's words in its own message, and is logged without them", async () => {
    const error = await failing();
    expect(`${(error as Error).message} ${(error as Error).stack}`).toContain(SECRET);
    const logged = JSON.stringify(safeError(error));
    expect(logged).not.toContain("44.36123");
    expect(logged).not.toContain("INSERT");
    expect(JSON.parse(logged)).toMatchObject({ code: expect.stringMatching(/^\d{5}$/) });
  });
  it("is answered without a word of it either", async () => {
    const answer = await respond(async () => {
      throw await failing();
    });
    expect(answer.status).toBeGreaterThanOrEqual(400);
    expect(await answer.text()).not.toMatch(/44\.36123|INSERT|district_id/);
  });
});
