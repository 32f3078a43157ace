import { and, eq, sql } from "drizzle-orm";
import { afterAll, describe, expect, it } from "vitest";
import { closePools, jobsDatabase } from "@/db/client";
import { job } from "@/db/schema";
import { claim, type Job, sweep } from "@/jobs/claim";
import { perform } from "@/jobs/perform";
import { askJob, cancelJob, jobView } from "@/server/jobs/jobs";
import { asMember } from "@/server/platform/session";
import { asOwner, member, OTTER, PINE, uuidv7 } from "../support/database";

afterAll(closePools);
const NOBODY = { mail: null, registry: null };
const keeper = member(["keeper", "specialist"]);
const pine = { ...member(["keeper", "specialist"], PINE) };
const ask = (who: typeof keeper) => asMember(who, (tx) => askJob(tx, who, "second-look", {}));
const rowOf = async (id: string): Promise<Job> => (await jobsDatabase().select().from(job).where(eq(job.id, id)))[0];
const empty = () => asOwner((c) => c.query("DELETE FROM job WHERE kind <> 'mail'"));

describe("long jobs", () => {
  it("are taken up one at a time per district, and are done", async () => {
    await empty();
    const [first, second, other] = [await ask(keeper), await ask(keeper), await ask(pine)];
    const taken = [await claim("long"), await claim("long"), await claim("long")];
    expect(taken.map((t) => t?.id ?? null)).toEqual([first, other, null]);
    await perform(taken[0] as Job, NOBODY);
    expect(await rowOf(first)).toMatchObject({ state: "done", result: { judged: expect.any(Number) } });
    expect((await claim("long"))?.id).toBe(second);
    await empty();
  });
  it("are called off at their next step, and store nothing", async () => {
    await empty();
    const id = await ask(keeper);
    await cancelJob(keeper, id);
    await perform((await claim("long")) as Job, NOBODY);
    expect(await rowOf(id)).toMatchObject({ state: "cancelled", result: null });
    await expect(cancelJob(pine, id)).rejects.toMatchObject({ status: 404 });
    await expect(jobView(pine, id)).rejects.toMatchObject({ status: 404 });
    await empty();
  });
  it("of a process that died are taken up again, and given up the third time", async () => {
    await empty();
    const id = await ask(keeper);
    for (const attempt of [1, 2, 3]) {
      expect((await claim("long"))?.attempts).toBe(attempt);
      await jobsDatabase()
        .update(job)
        .set({ heardAt: sql`now() - interval '5 minutes'` })
        .where(and(eq(job.districtId, OTTER), eq(job.id, id)));
      await sweep();
    }
    expect(await rowOf(id)).toMatchObject({ state: "failed", problem: expect.stringContaining("three times") });
    await empty();
  });
  it("are never the end of the process, also where their row cannot be written", async () => {
    await empty();
    await ask(keeper);
    const own = (await claim("long")) as Job;
    // a row that the database refuses to write stands in for one that cannot be reached
    await expect(perform({ ...own, districtId: "no id", id: uuidv7() }, NOBODY)).resolves.toBeUndefined();
    await empty();
  });
});
