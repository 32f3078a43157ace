import { compileFlora } from "@/flora/compile";
import { FLORA_ROOT } from "@/flora/load";
import { buildModel, recordingOf, usuallySeen, variation } from "@/core/identify";
import { STAGES } from "@/core/flora";
const { flora } = compileFlora(FLORA_ROOT, { found: false });
const m = buildModel(flora);
const n: Record<string, number> = {};
const ex: string[] = [];
const bad = new Set<string>();
for (const p of flora.pairs) {
  if (p.unheld) continue;
  const [a, b] = [p.a, p.b].map((id) => flora.taxa.findIndex((t) => t.id === id));
  for (const d of p.deciders)
    for (const id of d.characters) {
      const c = m.characterIndex.get(id)!;
      const stages = d.stage === "any" ? STAGES.map((_, s) => s) : [STAGES.indexOf(d.stage)];
      let why = "";
      const ra = recordingOf(m, a, c),
        rb = recordingOf(m, b, c);
      if (ra === "not-recorded" || rb === "not-recorded") why = "unrecorded";
      else {
        const open = stages.filter((s) =>
          [a, b].every((t) => recordingOf(m, t, c) === "not-applicable" || usuallySeen(m, t, c, STAGES[s])),
        );
        if (!open.length) why = "unseen";
        else if (!open.some((s) => 1 - variation({ model: m }, c, a, b, s) <= 0.65))
          why = ra === "not-applicable" && rb === "not-applicable" ? "both n/a" : "overlap";
      }
      n[why] = (n[why] ?? 0) + 1;
      if (why) {
        bad.add(p.a + "|" + p.b);
        ex.push(`${p.a} ${p.b} ${d.stage} ${id} ${why}`);
      }
    }
}
console.log(n, bad.size);
console.log(ex.slice(0, 400).join("\n"));
