import type { ChildProcess } from "node:child_process";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { as, Client } from "../support/client";

const PORT = 3986;
const PUBLIC = "https://weeds.example.org";
const script = (name: string) => import(/* @vite-ignore */ `${process.cwd()}/scripts/lib/${name}.mjs`);
let second: ChildProcess;

/** A second web process on the same database, behind TLS as its surroundings say. */
beforeAll(async () => {
  const { startWeb } = await script("processes");
  second = startWeb(PORT, { ...process.env, SENTINEL_URL: PUBLIC }, "ignore");
  for (let tries = 0; tries < 120; tries++) {
    if ((await fetch(`http://127.0.0.1:${PORT}/api/health`).catch(() => null))?.ok) return;
    await new Promise((resolve) => setTimeout(resolve, 500));
  }
  throw new Error("the second node did not answer");
});
afterAll(() => second?.kill("SIGTERM"));

describe("a node behind TLS", () => {
  const client = () => new Client(`http://127.0.0.1:${PORT}`);
  const signIn = (origin: string) =>
    client().send(
      "POST",
      "/api/v1/session",
      { email: "visitor@otter.example", password: "otter-valley-demo" },
      { origin },
    );
  it("knows its public address: its pages may write, and no others", async () => {
    expect((await signIn(PUBLIC)).status).toBe(200);
    for (const origin of [
      `http://127.0.0.1:${PORT}`,
      "http://weeds.example.org",
      "https://weeds.example.org.evil.example",
    ])
      expect((await signIn(origin)).status, origin).toBe(403);
  });
  it("sends cookies by https alone, and tells browsers to stay with it", async () => {
    const answer = await signIn(PUBLIC);
    const cookies = answer.headers.getSetCookie();
    expect(cookies.length).toBeGreaterThan(0);
    for (const cookie of cookies) {
      expect(cookie).toMatch(/; Secure/i);
      expect(cookie).toMatch(/; HttpOnly/i);
      expect(cookie).toMatch(/; SameSite=lax/i);
    }
    expect(answer.headers.get("strict-transport-security")).toMatch(/max-age=\d{8}/);
    expect((await new Client().fetch("/sign-in")).headers.get("strict-transport-security")).toBeNull();
  });
});

describe("two nodes on one database", () => {
  it("share sessions and jobs", async () => {
    const specialist = await as("specialist");
    const other = new Client(`http://127.0.0.1:${PORT}`);
    // The cookie of the first node under the name that the second, behind TLS, gives it.
    const token = specialist.cookie("sentinel.session_token") as string;
    const cookie = `__Secure-sentinel.session_token=${token}`;
    expect((await other.fetch("/api/v1/field-pack", { headers: { cookie } })).status).toBe(200);
    const asked = await other.fetch("/api/v1/jobs", {
      method: "POST",
      headers: { cookie, "content-type": "application/json" },
      body: JSON.stringify({ kind: "second-look", input: {} }),
    });
    expect(asked.status).toBe(202);
    expect(await specialist.job(((await asked.json()) as { job: string }).job, 120_000)).toMatchObject({
      state: "done",
    });
  });
});
