import { describe, expect, it } from "vitest";
import { seen, tinyCase, tinyFlora } from "../../../../tests/support/tiny-flora";
import { buildModel, identify, judge, ruledOut } from "..";

const flora = tinyFlora();
const place = { ...(flora.characters[0] as (typeof flora.characters)[number]), station: "setting" };
const model = buildModel({ ...flora, characters: [place, ...flora.characters.slice(1)] });
const [known = "", other = ""] = place.states.map((state) => state.id);
const judged = (more: Parameters<typeof tinyCase>[1]) => identify(model, tinyCase([], more));

describe("what is known of the place", () => {
  it("is not asked for again", () => {
    const asked = (setting: Record<string, string[]>) => judged({ setting }).next.name.map((check) => check.character);
    expect(asked({})).toContain(place.id);
    expect(asked({ [place.id]: [known] })).not.toContain(place.id);
  });
  it("gives the same posterior, however it is shown, until someone changes it; then it leaves the prior", () => {
    const setting = { [place.id]: [known] };
    const shown = judged({ setting });
    expect(judged({ setting, observations: [] })).toEqual(shown);
    const changed = judged({ setting, observations: [seen(place.id, other)] });
    expect(changed.candidates).toEqual(judged({ setting: {}, observations: [seen(place.id, other)] }).candidates);
    expect(changed.candidates).not.toEqual(shown.candidates);
  });
});

describe("a measure that no plant is scored for", () => {
  it("is not asked for: whatever is measured, it tells nothing", () => {
    const measure = { ...place, id: "lobe-count", station: "leaf", kind: "count" as const, states: [] };
    const unscored = buildModel({ ...flora, characters: [...flora.characters, measure] });
    for (const check of identify(unscored, tinyCase([])).next.name) expect(check.character).not.toBe("lobe-count");
    expect(ruledOut(judge(unscored, tinyCase([])), flora.characters.length)).toBe(true);
    expect(ruledOut(judge(unscored, tinyCase([])), 0)).toBe(false);
  });
});
