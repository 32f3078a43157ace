import { execFileSync, fork } from "node:child_process";
import { readFileSync, writeFileSync } from "node:fs";
import { availableParallelism } from "node:os";
import { fileURLToPath } from "node:url";
import { InputError } from "@/core/errors";
import { STAGES, type Stage } from "@/core/flora";
import {
  type Batch,
  compareOrders,
  makeReport,
  mergeBatches,
  type OrderComparison,
  runBatch,
  type TrialOptions,
  type TrialReport,
} from "@/core/trials";
import { currentFlora, loadList } from "@/flora/load";
import { numberOption, option, printJson, run } from "./output";
import { engineVersion, withTuning } from "@/core/identify";
import { trialsTable, withTable } from "./trials-page";

export const TRIAL_LISTS = ["otter-valley", "elm-county", "far-isles"];
interface Job {
  options: TrialOptions;
  kind: "perturbed" | "exact" | "orders";
  from: number;
  to: number;
}

const material = () => ({ flora: currentFlora(), lists: TRIAL_LISTS.map(loadList) });

if (process.send) {
  const { flora, lists } = material();
  process.on("message", (job: Job) => {
    const result =
      job.kind === "orders"
        ? compareOrders(flora, lists, job.options)
        : runBatch(flora, lists, job.options, job.kind, job.from, job.to);
    process.send?.(result);
  });
} else run(main);

async function main() {
  const options = readOptions();
  const { flora } = material();
  const part = 200;
  const exactWalks = Math.min(options.walks, 1500);
  const parts = (kind: Job["kind"], walks: number) =>
    Array.from({ length: Math.ceil(walks / part) }, (_, i) => ({
      options,
      kind,
      from: i * part,
      to: Math.min(walks, (i + 1) * part),
    }));
  const jobs: Job[] = [
    { options, kind: "orders", from: 0, to: 0 },
    ...parts("perturbed", options.walks),
    ...parts("exact", exactWalks),
  ];
  const results = await shareOut(jobs);
  const batchesOf = (kind: Job["kind"]) => mergeBatches(results.filter((_, i) => jobs[i].kind === kind) as Batch[]);
  const report = makeReport(flora, options, batchesOf("perturbed"), batchesOf("exact"), results[0] as OrderComparison);
  if (process.argv.includes("--write")) writePage(report, options, flora.version);
  printJson(report);
}

const PAGE = "docs/trials.md";

/** Puts the table of a report into docs/trials.md. Only a run of the whole flora at all stages by the shipped constants is written. */
function writePage(report: TrialReport, { stage, tuning }: TrialOptions, flora: string): void {
  if (stage || Object.keys(tuning ?? {}).length > 0)
    throw new InputError("not-the-shipped-run", "--write", stage ?? "--tune", "leave out --stage and --tune");
  const git = (...args: string[]) => execFileSync("git", args, { encoding: "utf8" }).trim();
  const changed = git("status", "--porcelain", "src", "flora") ? "+" : "";
  const measured = {
    commit: git("rev-parse", "--short", "HEAD") + changed,
    day: new Date().toISOString().slice(0, 10),
    engine: engineVersion(),
    flora,
  };
  writeFileSync(PAGE, withTable(readFileSync(PAGE, "utf8"), trialsTable(report, measured)));
}

function readOptions(): TrialOptions {
  const stage = option("stage");
  if (stage !== undefined && !STAGES.includes(stage as Stage))
    throw new InputError("unknown-stage", "--stage", stage, `give one of ${STAGES.join(", ")}`);
  const walks = numberOption("walks", 1200);
  if (!Number.isInteger(walks) || walks < 1)
    throw new InputError("out-of-range", "--walks", walks, "give a whole number of at least 1");
  const place = option("place") ?? "told";
  if (!["told", "unsaid"].includes(place))
    throw new InputError("unknown-place", "--place", place, "give told or unsaid");
  const twins = option("twins") ?? "listed";
  if (!["listed", "unlisted"].includes(twins))
    throw new InputError("unknown-listing", "--twins", twins, "give listed or unlisted");
  return {
    walks,
    error: numberOption("error", 0.05),
    assumed: numberOption("assumed", 0.05),
    seed: numberOption("seed", 1),
    stage: stage as Stage | undefined,
    twoStages: numberOption("two-stages", 0.1),
    orderWalks: numberOption("orders", 240),
    placeTold: place === "told",
    twinsListed: twins === "listed",
    tuning: readTuning(),
  };
}

/** `--tune unknownPrior=0.1,dryBits=0.05`: constants of the engine that are replaced, by name. */
function readTuning(): Record<string, number> {
  const tuning = Object.fromEntries(
    (option("tune")?.split(",") ?? []).map((pair) => [pair.split("=")[0], Number(pair.split("=")[1] ?? Number.NaN)]),
  );
  withTuning(tuning);
  return tuning;
}

/** Each process takes the next job when it has done one. */
function shareOut(jobs: Job[]): Promise<(Batch | OrderComparison)[]> {
  const results: (Batch | OrderComparison)[] = [];
  let next = 0;
  let done = 0;
  return new Promise((resolve, reject) => {
    for (let i = 0; i < availableParallelism(); i++) {
      const child = fork(fileURLToPath(import.meta.url), [], {
        execArgv: process.execArgv,
        stdio: ["ignore", "ignore", "inherit", "ipc"],
      });
      const give = () => {
        if (next >= jobs.length) return child.kill();
        const mine = next++;
        child.once("message", (result) => {
          results[mine] = result as Batch;
          done++;
          process.stderr.write(`${done} of ${jobs.length}\n`);
          if (done === jobs.length) resolve(results);
          give();
        });
        child.send(jobs[mine]);
        return undefined;
      };
      child.once("exit", (code) => {
        if (code) reject(new Error(`a trial process ended with ${code}`));
      });
      give();
    }
  });
}
