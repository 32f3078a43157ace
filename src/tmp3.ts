import { readFileSync, writeFileSync } from "node:fs";
import { parse } from "yaml";
import { compileFlora } from "@/flora/compile";
import { FLORA_ROOT } from "@/flora/load";
import { buildModel, recordingOf, usuallySeen, variation } from "@/core/identify";
import { STAGES } from "@/core/flora";
const { flora } = compileFlora(FLORA_ROOT, { found: false });
const m = buildModel(flora);
const LOW = new Set(["kind", "colour", "setting", "distance", "old-growth", "smell", "texture"]);
const idx = (n: string) => {
  const i = flora.taxa.findIndex((t) => t.name === n);
  if (i < 0) throw n;
  return i;
};
const listed = new Set(flora.pairs.map((p) => [p.a, p.b].sort().join("|")));
const A = readFileSync("/tmp/pairs/a.txt", "utf8")
  .trim()
  .split("\n")
  .map((l) => l.split("|").map((x) => x.trim()));
const out: string[] = [];
for (const [x, y, mistake, pref] of A) {
  const [a, b] = [idx(x), idx(y)];
  if (listed.has([flora.taxa[a].id, flora.taxa[b].id].sort().join("|"))) {
    console.log("listed already", x, y);
    continue;
  }
  const by: string[] = [];
  STAGES.forEach((stage, s) => {
    if (!flora.taxa[a].calendar[stage] || !flora.taxa[b].calendar[stage]) return;
    const ok = flora.characters
      .map((c, i) => ({
        c,
        i,
        v:
          [a, b].every((t) => usuallySeen(m, t, i, stage) && recordingOf(m, t, i) === "recorded") &&
          c.station !== "setting" &&
          !c.comparative
            ? variation({ model: m }, i, a, b, s)
            : 0,
      }))
      .filter((k) => k.v >= 0.36);
    const prefs = pref
      .split(",")
      .map((p) => p.trim())
      .filter((p) => ok.some((k) => k.c.id === p));
    const rest = ok
      .filter((k) => !prefs.includes(k.c.id) && !LOW.has(k.c.block))
      .sort((p, q) => q.v * (1 - 4 * q.c.errorRate) - p.v * (1 - 4 * p.c.errorRate))
      .map((k) => k.c.id);
    const chosen = [...prefs, ...rest].slice(0, Math.max(3, prefs.length));
    if (chosen.length) by.push(`${stage}: "${chosen.join(", ")}"`);
  });
  if (!by.length) {
    console.log("NONE", x, y);
    continue;
  }
  out.push(`- { pair: [${x}, ${y}], deciders: { ${by.join(", ")} }, mistake: "${mistake}" }`);
}
writeFileSync("/tmp/pairs/a.yaml", out.join("\n") + "\n");
console.log(out.length);
