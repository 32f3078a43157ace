import { readFileSync, writeFileSync } from "node:fs";
import { compileFlora } from "@/flora/compile";
import { FLORA_ROOT } from "@/flora/load";
import { buildModel, recordingOf, usuallySeen, variation } from "@/core/identify";
import { STAGES } from "@/core/flora";
const { flora } = compileFlora(FLORA_ROOT, { found: false });
const m = buildModel(flora);
const idx = (n: string) => flora.taxa.findIndex((t) => t.name === n);
const out: any[] = [];
for (const l of readFileSync("/tmp/pairs/grave.txt", "utf8").trim().split("\n")) {
  const [x, y, pref] = l.split("|").map((s) => s.trim());
  const [a, b] = [idx(x), idx(y)];
  const p = flora.pairs.find((q) => [q.a, q.b].sort().join() === [flora.taxa[a].id, flora.taxa[b].id].sort().join())!;
  if (!p) {
    console.log("NO", x, y);
    continue;
  }
  const dec: Record<string, string> = {};
  const not: string[] = [];
  STAGES.forEach((stage, s) => {
    if (!flora.taxa[a].calendar[stage] || !flora.taxa[b].calendar[stage]) return;
    const ok = (id: string) => {
      const c = m.characterIndex.get(id)!;
      return (
        [a, b].every(
          (t) =>
            recordingOf(m, t, c) !== "not-recorded" &&
            (recordingOf(m, t, c) === "not-applicable" || usuallySeen(m, t, c, stage)),
        ) && variation({ model: m }, c, a, b, s) >= 0.36
      );
    };
    const now = [
      ...new Set([
        ...pref.split(",").map((q) => q.trim()),
        ...p.deciders.filter((d) => d.stage === stage || d.stage === "any").flatMap((d) => d.characters),
      ]),
    ]
      .filter(ok)
      .slice(0, 4);
    if (now.length) dec[stage] = now.join(", ");
    else not.push(stage);
  });
  out.push({ a: x, b: y, dec, not });
  console.log(x, "|", y, JSON.stringify(dec), "NOT", not.join(","));
}
writeFileSync("/tmp/pairs/grave.json", JSON.stringify(out));
