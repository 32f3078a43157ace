import { buildModel, decide } from "@/core/identify";
import { compileFlora } from "@/flora/compile";
import { FLORA_ROOT, loadList } from "@/flora/load";
import { perturb } from "@/core/trials/plants";
import { drawStart, walkToAction, walkToName } from "@/core/trials/walks";
import { removeTaxon } from "@/core/trials/run-trials";
const flora = compileFlora(FLORA_ROOT).flora; const model = buildModel(flora); const nature = buildModel(perturb(flora, 1));
const lists = ["otter-valley","elm-county","far-isles"].map(loadList);
const N = Number(process.argv[2] ?? 240);
let T = 0, TC = 0, K = 0, KK = 0, F = 0, checks = 0, n = 0, t1 = 0, t3 = 0, nn = 0, R = 0, RC = 0;
for (let i = 0; i < N; i++) {
  const s = drawStart(model, lists, 2e6 + i); if (!s) continue;
  const w = walkToAction({ model, nature, error: .05 }, s, "engine"); n++; checks += w.checks;
  if (w.truthKept) { K++; if (w.verdict === "keep") KK++; if (w.verdict === "clear") F++; } else { T++; if (w.verdict === "clear") TC++; }
  if (i % 2 === 0) { const m = walkToName({ model, nature, error: .05 }, s); nn++; if (m.rank === 1) t1++; if (m.rank <= 3) t3++; }
  if (i % 4 === 0) { const nm = flora.taxa[s.taxon].name; const list = { ...s.list, status: Object.fromEntries(Object.entries(s.list.status).filter(([k]) => k !== nm)) };
    const r = walkToAction({ model: buildModel(removeTaxon(flora, s.taxon)), nature, error: .05 }, { ...s, list }, "engine"); R++; if (r.verdict === "clear") RC++; }
}
console.log(process.argv[3], "targets", (TC/T).toFixed(3), "kept", (KK/K).toFixed(3), "false", F, "/", K, "checks", (checks/n).toFixed(2), "top1", (t1/nn).toFixed(3), "top3", (t3/nn).toFixed(3), "removed", RC, "/", R);
