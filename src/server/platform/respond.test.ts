import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { Refusal } from "./faults";
import { answerForm, checkOrigin, MOST_REQUEST_MS, respond } from "./respond";
import { type ErrorBody, readError } from "@/contracts/error";

async function error(response: Response): Promise<ErrorBody> {
  const read = readError(await response.json());
  if (!read) throw new Error("no refusal came");
  return read;
}

describe("a request that does not come to an end", () => {
  beforeEach(() => {
    vi.useFakeTimers();
  });
  afterEach(() => {
    vi.useRealTimers();
  });
  it("is answered after the stated time, and may be sent again", async () => {
    const answer = respond(() => new Promise(() => undefined));
    await vi.advanceTimersByTimeAsync(MOST_REQUEST_MS + 1);
    const response = await answer;
    expect(response.status).toBe(503);
    expect((await error(response)).code).toBe("wait");
  });
  it("is so for a form too", async () => {
    const answer = answerForm(() => new Promise(() => undefined));
    await vi.advanceTimersByTimeAsync(MOST_REQUEST_MS + 1);
    expect(await answer).toMatchObject({ ok: false, message: expect.stringContaining("takes too long") });
  });
});

describe("what an answer means to a device that has something waiting", () => {
  it.each([
    [400, "never"],
    [401, "sign-in"],
    [403, "sign-in"],
    [404, "never"],
    [409, "conflict"],
    [413, "never"],
    [415, "never"],
    [429, "wait"],
    [503, "wait"],
  ] as const)("stands in its body: %s is %s", async (status, code) =>
    expect((await error(await respond(() => Promise.reject(new Refusal(status, "no"))))).code).toBe(code),
  );
  it("is to wait after an error that nobody expected", async () => {
    const response = await respond(() => Promise.reject(new Error("a secret")));
    expect(response.status).toBe(500);
    expect(await error(response)).toMatchObject({ code: "wait", message: expect.not.stringContaining("secret") });
  });
  it.each([
    ["23514", 400],
    ["23503", 409],
    ["57014", 503],
    ["55P03", 503],
    ["22021", 400],
  ])("the database's own refusal %s is told as %s, deep in whatever it comes", async (code, status) => {
    const cause = Object.assign(new Error("raw words of the database"), { code });
    const response = await respond(() => Promise.reject(new Error("Failed query", { cause })));
    expect(response.status).toBe(status);
    expect((await error(response)).message).not.toContain("raw words");
  });
});

describe("where a request that writes may come from", () => {
  const from = (headers: Record<string, string>) => () => checkOrigin(new Headers(headers));
  it.each([
    [{}],
    [{ origin: "http://127.0.0.1:3210" }],
    [{ "sec-fetch-site": "same-origin" }],
    [{ "sec-fetch-site": "none" }],
    [{ origin: "http://localhost:3210", host: "localhost:3210" }],
    [{ origin: "http://[::1]:3999", host: "[::1]:3999" }],
  ])("%j is ours", (headers) => expect(from(headers as Record<string, string>)).not.toThrow());
  it.each([
    [{ origin: "null" }],
    [{ origin: "http://127.0.0.1:3211" }],
    [{ origin: "https://127.0.0.1:3210" }],
    [{ origin: "http://localhost:3211", host: "localhost:3210" }],
    [{ origin: "http://evil.example", host: "evil.example" }],
    [{ origin: "http://localhost.evil.example:3210", host: "localhost.evil.example:3210" }],
    [{ "sec-fetch-site": "same-site" }],
    [{ "sec-fetch-site": "cross-site" }],
  ])("%j is not", (headers) => expect(from(headers as Record<string, string>)).toThrow(/another address/));
});
