import { currentFlora } from "@/flora/load";
import { buildModel, recordingOf } from "@/core/identify";
const SPINE =
  "plant-kind height evergreen clump stance climbs-by dead-stems tone stem-section stem-hollow stem-ridges stem-hair stem-marks sap joints ocrea arms leaf-order leaf-kind leaf-shape leaf-lobes leaf-edge leaf-base leaf-tip leaf-length leaf-ratio leaf-stalk leaf-hair-above leaf-hair-below under-tone leaf-substance stipules smell flower-kind flower-colour petals cluster fruit-kind fruit-colour root-kind root-age ligule-kind sheath-hair head-kind water-plan water-leaf".split(
    " ",
  );
console.error(SPINE.length);
const f = currentFlora();
const m = buildModel(f);
let n = 0;
for (const id of SPINE) {
  const c = m.characterIndex.get(id)!;
  const e = f.taxa.filter((_, t) => recordingOf(m, t, c) === "not-recorded").map((t) => t.name);
  n += e.length;
  if (e.length) console.log(id, e.length, ":", e.join(", "));
}
console.log(n);
