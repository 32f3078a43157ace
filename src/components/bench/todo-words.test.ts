import { describe, expect, it } from "vitest";
import type { Character } from "@/core/flora";
import type { Identification, Later } from "@/core/identify";
import { laterWords, todoFor } from "./todo-words";

const characters = [{ id: "sap", name: "Sap" }] as Character[];
const later = (stage: Later["stage"], from: string): Later => ({
  character: "sap",
  stage,
  from,
  parts: ["Malus prima", "Bonus prima"],
});
const found = (
  verdict: Identification["verdict"],
  action: { character: string; seldom?: true }[] = [],
  laters: Later[] = [],
  reportFirst?: true,
  standing: Identification["standing"] = verdict === "keep" ? "kept" : "target",
) =>
  ({
    verdict,
    standing,
    next: { action, later: laters, name: [], second: [] },
    reportFirst,
  }) as unknown as Identification;

describe("what another stage would show", () => {
  it("is said with a day in words, or for today with the stage of another of its kind", () => {
    expect(laterWords(later("flowering", "2026-06-01"), "2026-03-20")).toBe("in flower, from 1 June");
    expect(laterWords(later("vegetative", "2026-03-20"), "2026-03-20")).toBe("today, on a plant that is in leaf");
    expect(laterWords(later("seedling", "2026-03-01"), "2026-03-20")).toBe("today, on a plant that is a seedling");
    expect(laterWords(later("winter", "2026-11-01"), "2026-10-20")).toBe("bare in winter, from 1 November");
  });
});

describe("the one thing to do next", () => {
  it("is the look that settles it, then the day to come back, then another of its kind today", () => {
    const ahead = [later("vegetative", "2026-03-20"), later("flowering", "2026-06-01")];
    expect(todoFor(found("hold", [{ character: "sap" }], ahead), characters, "2026-03-20")).toBe(
      "One check may settle it: sap.",
    );
    expect(todoFor(found("hold", [{ character: "sap", seldom: true }], ahead), characters, "2026-03-20")).toContain(
      "Check your first answers again",
    );
    expect(todoFor(found("hold", [], ahead), characters, "2026-03-20")).toBe("Come back from 1 June.");
    expect(todoFor(found("hold", [], ahead.slice(0, 1)), characters, "2026-03-20")).toBe(
      "Find another plant of this kind that is in leaf today.",
    );
    expect(todoFor(found("hold"), characters, "2026-03-20")).toContain("second opinion");
  });
  it("is to come back where nothing that can be looked at now settles it, whatever else could be asked", () => {
    const held = {
      ...found("hold", [{ character: "sap" }], [later("flowering", "2026-06-01")]),
      nothingNow: true as const,
    };
    expect(todoFor(held, characters, "2026-03-20")).toBe("Come back from 1 June.");
    expect(todoFor({ ...held, next: { ...held.next, later: [] } }, characters, "2026-03-20")).toContain(
      "second opinion",
    );
  });
  it("is the second plant, where that alone stands before acting", () => {
    expect(todoFor(found("hold", [{ character: "sap" }]), characters, "2026-03-20", "sap")).toBe(
      "Check a second plant of the patch: sap.",
    );
    expect(todoFor(found("open"), characters, "2026-03-20", "sap")).toBeUndefined();
  });
  it("is to save it where the verdict stands, and to report what must be reported", () => {
    expect(todoFor(found("clear"), characters, "2026-03-20")).toBe("Save it, then mark the patch.");
    expect(todoFor(found("clear", [], [], true), characters, "2026-03-20")).toBe("Save it, and report it.");
    expect(todoFor(found("keep"), characters, "2026-03-20")).toContain("nobody removes it");
    expect(todoFor(found("keep", [], [], undefined, "tolerated"), characters, "2026-03-20")).not.toContain("nobody");
    expect(todoFor(found("open"), characters, "2026-03-20")).toBeUndefined();
  });
});
