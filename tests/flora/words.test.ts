import { describe, expect, it } from "vitest";
import { currentFlora } from "@/flora/load";
import { NOT_WRITTEN } from "../words/plain-english";

/** Every sentence of the flora that stands on a screen, with where it is from. */
function* sentences(): Generator<[string, string]> {
  const { characters, taxa, pairs, sets } = currentFlora();
  for (const c of characters) {
    for (const text of [c.name, c.ask, c.help]) yield [c.id, text];
    for (const s of c.states) for (const text of [s.name, s.help]) yield [`${c.id}: ${s.id}`, text];
  }
  for (const t of taxa)
    for (const text of [...Object.values(t.hazards ?? {}), t.disposal ?? ""]) yield [t.name, String(text)];
  for (const p of pairs) yield [`${p.a} / ${p.b}`, p.mistake];
  for (const s of sets) yield [s.id, s.name];
}

describe("plain English in the flora", () => {
  it("uses no listed word, but that a person looks at a plant", () => {
    const words = NOT_WRITTEN.filter(([word]) => !word.source.includes("look"));
    const all = [...sentences()];
    expect(all.length).toBeGreaterThan(2000);
    expect(
      all.flatMap(([where, text]) =>
        words.filter(([word]) => word.test(text)).map(([, better]) => `${where} “${text}”: ${better}`),
      ),
    ).toEqual([]);
  });
});
