import { mkdirSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import sharp from "sharp";
import { lookAlikesOf, subjectsOf } from "@/core/drill";
import { InputError } from "@/core/errors";
import { STAGES, type Stage } from "@/core/flora";
import { buildModel, type Model } from "@/core/identify";
import { seededChance } from "@/core/random";
import { plateSheet } from "@/drawings/plate/plate-svg";
import { currentFlora } from "@/flora/load";
import { numberOption, option, printJson, run } from "./output";

const CHOICES = 4;
const MOST = 2000;

/** `--out DIR [--taxon ID] [--stage S] [--unnamed --seed S --count N]`: plates as PNG; without names also the key and four names each. */
run(async () => {
  const out = option("out");
  if (!out) throw new InputError("missing", "--out", null, "the folder to write to");
  const model = buildModel(currentFlora());
  const unnamed = process.argv.includes("--unnamed");
  const seed = numberOption("seed", 1);
  const subjects = chosen(model, seed, unnamed);
  mkdirSync(out, { recursive: true });
  const files: string[] = [];
  for (const [i, { taxon, stage }] of subjects.entries()) {
    const file = unnamed ? `plate-${String(i + 1).padStart(3, "0")}.png` : `${model.flora.taxa[taxon].id}-${stage}.png`;
    await sharp(Buffer.from(plateSheet(model, taxon, stage, !unnamed)))
      .png()
      .toFile(join(out, file));
    files.push(file);
  }
  if (unnamed) {
    const chance = seededChance(seed).named("choices");
    const names = ({ taxon }: { taxon: number }) => model.flora.taxa[taxon].name;
    writeJson(
      out,
      "key.json",
      Object.fromEntries(subjects.map((subject, i) => [files[i], { taxon: names(subject), stage: subject.stage }])),
    );
    writeJson(
      out,
      "choices.json",
      Object.fromEntries(
        subjects.map(({ taxon, stage }, i) => [
          files[i],
          lookAlikesOf(model, taxon, stage, CHOICES, chance.named(`${i}`)).map((t) => model.flora.taxa[t].name),
        ]),
      ),
    );
  }
  printJson({ plates: files.length, files });
});

function writeJson(out: string, file: string, value: unknown): void {
  writeFileSync(join(out, file), `${JSON.stringify(value, null, 1)}\n`);
}

/** The plants and stages that were asked for; without names, so many drawn by chance, each plant once. */
function chosen(model: Model, seed: number, unnamed: boolean) {
  const [id, stage] = [option("taxon"), option("stage")];
  if (stage && !STAGES.includes(stage as Stage))
    throw new InputError("unknown-stage", "--stage", stage, STAGES.join(", "));
  if (id && !model.flora.taxa.some((taxon) => taxon.id === id))
    throw new InputError("unknown-taxon", "--taxon", id, "the id of a plant of the flora");
  const all = subjectsOf(model).filter(
    (subject) => (!id || model.flora.taxa[subject.taxon].id === id) && (!stage || subject.stage === stage),
  );
  const count = numberOption("count", unnamed ? 30 : all.length);
  if (!Number.isInteger(count) || count < 1 || count > MOST)
    throw new InputError("out-of-range", "--count", count, `a whole number from 1 to ${MOST}`);
  if (!unnamed) return all.slice(0, count);
  const chance = seededChance(seed).named("plates");
  const askable = all.filter(
    (subject) => lookAlikesOf(model, subject.taxon, subject.stage, CHOICES, chance).length === CHOICES,
  );
  const picked: typeof all = [];
  while (picked.length < count && askable.length > 0) {
    const [subject] = askable.splice(chance.below(askable.length), 1);
    if (subject && !picked.some(({ taxon }) => taxon === subject.taxon)) picked.push(subject);
  }
  return picked;
}
