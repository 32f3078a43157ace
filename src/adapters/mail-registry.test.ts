import { describe, expect, it } from "vitest";
import type { Letter } from "@/ports/mail";
import { mailRegistry } from "./mail-registry";

const TEXT = "Plant: Pilosella aurantiaca";
const report = (key: string, extra: object = {}) => ({ key, text: TEXT, answers: [], to: "", ...extra });

describe("reports by letter", () => {
  it("go to the district's address with their key, and with the answers before the text", async () => {
    const sent: Letter[] = [];
    const registry = mailRegistry({ simulated: false, send: async (letter) => void sent.push(letter) });
    expect(await registry.hand(report("k-1", { to: "board@example.org" }))).toEqual({ said: "taken" });
    await registry.hand(report("k-1", { to: "board@example.org", answers: ["Thirty plants."] }));
    expect(sent.map((letter) => letter.to)).toEqual(["board@example.org", "board@example.org"]);
    expect(sent.map((letter) => letter.subject)).toEqual(["Plant report k-1", "Plant report k-1, answer 1"]);
    expect(sent.map((letter) => letter.body)).toEqual([TEXT, `Answer: Thirty plants.\n\n${TEXT}`]);
  });
  it("fail where the letter cannot be handed over, to be tried again", async () => {
    const down = mailRegistry({
      simulated: false,
      send: async () => {
        throw new Error("no route to the mail server");
      },
    });
    await expect(down.hand(report("k-2"))).rejects.toThrow(/no route/);
  });
});
