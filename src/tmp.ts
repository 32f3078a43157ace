import { readNotes } from "@/flora/read-notes";
import { currentFlora, loadList } from "@/flora/load";
import { buildModel, caseAt, identify } from "@/core/identify";
const m = buildModel(currentFlora());
const l = loadList("otter-valley");
const k: any = {};
for (const n of readNotes().filter((n) => n.pieces)) {
  const st = l.status[n.truth!] ?? "kept";
  const tgt = st === "target" || st === "watch";
  const r = identify(m, caseAt({ list: l.status, actions: l.actions }, n, m));
  const rank = r.candidatesFlat.findIndex((c) => c.taxon === n.truth) + 1;
  const q = (k[n.lot] ??= {
    n: 0,
    t1: 0,
    t3: 0,
    clearable: 0,
    cleared: 0,
    act: 0,
    actCleared: 0,
    wrong: 0,
    pieces: 0,
    entered: 0,
  });
  q.n++;
  if (rank === 1) q.t1++;
  if (rank >= 1 && rank <= 3) q.t3++;
  q.pieces += n.pieces!.length;
  q.entered += n.pieces!.filter((p) => p.entered).length;
  if (tgt) {
    q.clearable++;
    if (r.verdict === "clear") q.cleared++;
    if (n.act) {
      q.act++;
      if (r.verdict === "clear") q.actCleared++;
    }
  } else if (r.verdict === "clear") {
    q.wrong++;
    console.log("WRONG", n.id, n.truth, r.about);
  }
  if (rank !== 1 || (tgt && n.act && r.verdict !== "clear"))
    console.log(
      n.id,
      n.lot.slice(-1),
      n.truth,
      st,
      n.stage,
      "rank",
      rank,
      r.verdict,
      r.because.slice(0, 150),
      "|",
      r.candidatesFlat
        .slice(0, 3)
        .map((c) => c.taxon + " " + c.probability.toFixed(3))
        .join(", "),
      "u",
      r.unknown.toFixed(3),
    );
}
console.log(k);
