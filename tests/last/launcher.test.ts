import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { Installation, sleep } from "../campaigns/installation";

let place: Installation;
beforeAll(async () => {
  place = await Installation.make("real");
}, 300_000);
afterAll(() => place?.end());

const goneAndBack = async (what: "web" | "jobs", pid: number | null) => {
  process.kill(pid as number, "SIGKILL");
  await expect.poll(() => place.pid(what), { timeout: 60_000, interval: 200 }).not.toBe(pid);
  await place.well();
};

describe("the launcher", () => {
  it("ends with a failure when the web process dies, and starts anew where a supervisor starts it", async () => {
    const before = place.restarts;
    await goneAndBack("web", place.pid("web"));
    expect(place.restarts).toBe(before + 1);
  });
  it("starts a dead jobs process again, and does not end", async () => {
    const [launcher, restarts] = [place.pid("launcher"), place.restarts];
    await goneAndBack("jobs", place.pid("jobs"));
    expect([place.pid("launcher"), place.restarts]).toEqual([launcher, restarts]);
  });
  it("starts a dead database again, and the service is back without a person", async () => {
    const launcher = place.pid("launcher");
    process.kill((await place.postmaster()) as number, "SIGKILL");
    await sleep(500);
    await place.well();
    expect(place.pid("launcher")).toBe(launcher);
  });
  it("that was killed itself leaves nothing behind that a new start would not know", async () => {
    const [web, before] = [place.pid("web"), place.restarts];
    process.kill(place.pid("launcher") as number, "SIGKILL");
    await expect.poll(() => place.restarts, { timeout: 60_000 }).toBe(before + 1);
    await expect.poll(() => place.pid("web"), { timeout: 60_000, interval: 200 }).not.toBe(web);
    await place.well();
  });
});
