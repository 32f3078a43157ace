import sharp from "sharp";
import { currentFlora } from "@/flora/load";
import { buildModel } from "@/core/identify";
import { drawPlant } from "@/drawings/plant/figure";
import { typicalPlant } from "@/drawings/plant/seen";
import { figureGroup } from "@/drawings/plant/plate-svg";
const model = buildModel(currentFlora());
const wanted = process.argv.slice(3);
const out = process.argv[2];
let svg = "";
let ms = 0;
wanted.forEach((w, i) => {
  const [id, stage] = w.split(":");
  const t = model.flora.taxa.findIndex((x) => x.id === id);
  if (t < 0) throw new Error(id);
  const a = performance.now();
  const f = drawPlant(typicalPlant(model, t, stage as never), id + stage);
  ms += performance.now() - a;
  svg += `<g transform="translate(${(i % 3) * 370},${Math.floor(i / 3) * 420})"><rect width="360" height="400" fill="#fdfbf5"/>${figureGroup(f)}<text x="4" y="410" font-size="10">${id} ${stage}</text></g>`;
});
const rows = Math.ceil(wanted.length / 3);
await sharp(
  Buffer.from(
    `<svg xmlns="http://www.w3.org/2000/svg" width="1110" height="${rows * 420}" font-family="sans-serif"><rect width="100%" height="100%" fill="#fff"/>${svg}</svg>`,
  ),
)
  .png()
  .toFile(out);
console.log("ms each", ms / wanted.length);
