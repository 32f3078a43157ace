import { writeFileSync } from "node:fs";
import { join } from "node:path";
import { buildModel, type Model, usuallySeen, variation } from "@/core/identify";
import { STAGES } from "@/core/flora";
import { compileFlora } from "@/flora/compile";
import { twinsAt } from "@/flora/figures";
import { FLORA_ROOT } from "@/flora/load";

/**
 * Writes pairs-found.yaml: pairs that the simulation confuses and nobody had listed. Deciders are the characters
 * that separate the two most at that stage. A line has no sentence, and its pair is never shown as look-alikes: only a person
 * can say what mistake is made (pairs.yaml), or why nobody makes one (pairs-dismissed.yaml).
 */
const { flora, dismissed } = compileFlora(FLORA_ROOT, { found: false });
const model = buildModel(flora);
const listed = new Set(
  [...flora.pairs.map((p) => [p.a, p.b]), ...dismissed.map((d) => d.pair)].flatMap(([a, b]) => [
    `${a}|${b}`,
    `${b}|${a}`,
  ]),
);
const found = new Map<string, { a: number; b: number; deciders: Map<string, string[]> }>();
flora.taxa.forEach((taxon, a) => {
  for (const stage of STAGES) {
    if (!taxon.calendar[stage]) continue;
    for (const b of twinsAt(model, a, stage)) {
      if (listed.has(`${taxon.id}|${flora.taxa[b].id}`)) continue;
      const key = [a, b].sort((x, y) => x - y).join("|");
      const pair = found.get(key) ?? {
        a: Math.min(a, b),
        b: Math.max(a, b),
        deciders: new Map(),
      };
      const best = deciders(model, a, b, STAGES.indexOf(stage));
      if (best.length > 0) pair.deciders.set(stage, best);
      found.set(key, pair);
    }
  }
});
const lines = [...found.values()].map(({ a, b, deciders: byStage }) => {
  const any =
    byStage.size > 0
      ? byStage
      : new Map([["any", STAGES.map((_, s) => deciders(model, a, b, s)).sort((x, y) => y.length - x.length)[0]]]);
  const list = [...any].map(([stage, names]) => `${stage}: "${names.join(", ")}"`).join(", ");
  return `- { pair: [${flora.taxa[a].name}, ${flora.taxa[b].name}], deciders: { ${list} } }`;
});
writeFileSync(
  join(FLORA_ROOT, "pairs-found.yaml"),
  `# Found by the simulation, not by people: made by npm run flora:pairs, from the scores, and never shown as look-alikes.\n# Move a pair to pairs.yaml when someone can say what mistake is made, or to pairs-dismissed.yaml with the reason why nobody makes it.\n${lines.join("\n")}\n`,
);
process.stderr.write(`${lines.length} pairs\n`);

/** Both plants show the part at that stage, and the flora says how; what is said of the place parts no plants. */
function usable(model: Model, a: number, b: number, c: number, stage: number): boolean {
  const { station } = model.flora.characters[c];
  return (
    station !== "setting" && [a, b].every((t) => model.scoresOf[t].has(c) && usuallySeen(model, t, c, STAGES[stage]))
  );
}

function deciders(model: Model, a: number, b: number, stage: number): string[] {
  return model.flora.characters
    .map((c, i) => ({ id: c.id, v: usable(model, a, b, i, stage) ? variation({ model }, i, a, b, stage) : 0 }))
    .filter((x) => x.v >= 0.35)
    .sort((x, y) => y.v - x.v)
    .slice(0, 3)
    .map((x) => x.id);
}
