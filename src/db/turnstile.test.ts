import { describe, expect, it } from "vitest";
import { Busy, Turnstile } from "./turnstile";

const later = () => {
  let done = () => {};
  const promise = new Promise<void>((resolve) => {
    done = resolve;
  });
  return { promise, done };
};

describe("a turnstile", () => {
  it("lets so many of one kind through at once, the rest in the order in which they came, and others freely", async () => {
    const turnstile = new Turnstile(2, 60_000);
    const gates = [later(), later(), later()];
    const begun: string[] = [];
    const work = gates.map((gate, i) =>
      turnstile.pass("a", async () => {
        begun.push(`a${i}`);
        await gate.promise;
      }),
    );
    await turnstile.pass("b", async () => {
      begun.push("b");
    });
    expect(begun).toEqual(["a0", "a1", "b"]);
    gates[1].done();
    await work[1];
    await Promise.resolve();
    expect(begun).toEqual(["a0", "a1", "b", "a2"]);
    for (const gate of gates) gate.done();
    await Promise.all(work);
  });
  it("gives up on one whose turn does not come, and lets the next through for work that failed", async () => {
    const turnstile = new Turnstile(1, 20);
    const gate = later();
    const first = turnstile.pass("a", () => gate.promise);
    await expect(turnstile.pass("a", async () => 1)).rejects.toBeInstanceOf(Busy);
    gate.done();
    await first;
    await expect(turnstile.pass("a", () => Promise.reject(new Error("no")))).rejects.toThrow("no");
    expect(await turnstile.pass("a", async () => 2)).toBe(2);
  });
  it("turns away at once where the row is full", async () => {
    const turnstile = new Turnstile(1, 60_000, 1);
    const gate = later();
    const all = [turnstile.pass("a", () => gate.promise), turnstile.pass("a", async () => {})];
    await expect(turnstile.pass("a", async () => {})).rejects.toBeInstanceOf(Busy);
    gate.done();
    await Promise.all(all);
  });
});
