import { get } from "node:http";
import { cpus } from "node:os";
import { subjectsOf } from "@/core/drill";
import { buildModel, type Case, caseAt, judge, type Model, newMemory, report } from "@/core/identify";
import { syntheticFlora } from "@/core/simulate";
import { plateSheet } from "@/drawings/plate/plate-svg";
import { currentFlora, loadList } from "@/flora/load";
import { readNotes } from "@/flora/read-notes";
import { numberOption, option, printJson, run } from "./output";

const quantileOf = (values: number[], p: number) =>
  [...values].sort((a, b) => a - b)[Math.min(values.length - 1, Math.floor(p * values.length))];
const round = (x: number) => Math.round(x * 100) / 100;

/**
 * Speed as ratios to a floor measured in the same run. The floor of the engine is one plain multiply-add pass over the
 * synthetic flora's float32 table, of plants × characters × states. Pages and tiles are measured against a server that runs the demonstration (--url).
 */
run(async () => {
  const url = option("url") ?? "http://127.0.0.1:3210";
  const cookie = await signIn(url);
  printJson({
    machine: `${cpus().length} × ${cpus()[0].model.trim()}, Node ${process.versions.node}`,
    engine: engine(),
    plates: plates(),
    ...(cookie ? { tiles: await tiles(url, cookie), pages: await pages(url, cookie) } : {}),
  });
});

function engine() {
  const shipped = timeShipped();
  const taxa = numberOption("taxa", 5000);
  const model = buildModel(syntheticFlora(taxa, 250, 5));
  const floorMs = floor(model);
  const times = timeCases(
    model,
    Array.from({ length: WARM_UP + 60 }, (_, i) => syntheticCase(model, i)),
  );
  return {
    p50Ms: round(quantileOf(times, 0.5)),
    p95Ms: round(quantileOf(times, 0.95)),
    floorMs: round(floorMs),
    ratioToFloor: round(quantileOf(times, 0.5) / floorMs),
    shippedP95Ms: round(quantileOf(shipped, 0.95)),
    shippedP50Ms: round(quantileOf(shipped, 0.5)),
  };
}

/** Whole plates of the shipped flora, each at another stage. */
function plates() {
  const model = buildModel(currentFlora());
  const subjects = subjectsOf(model).filter((_, i) => i % 5 === 0);
  const times = subjects.map(({ taxon, stage }) => {
    const began = performance.now();
    plateSheet(model, taxon, stage, true);
    return performance.now() - began;
  });
  return { n: times.length, p50Ms: round(quantileOf(times, 0.5)), p95Ms: round(quantileOf(times, 0.95)) };
}

const syntheticCase = (model: Model, i: number): Case =>
  caseAt(
    {},
    {
      day: "2026-05-01",
      stage: "vegetative",
      observations: [0, 1, 2, 3, 4].map((k) => ({
        character: `c${(i * 7 + k * 11) % 250}`,
        states: [`s${(i + k) % 5}`],
      })),
    },
    model,
  );

/** The first answers of a process are slow, until its code is compiled: they are left out. */
const WARM_UP = 12;

function timeCases(model: Model, cases: Case[]): number[] {
  return cases.map((given) => timeAnswer(model, given)).slice(WARM_UP);
}

/** One answer more, as on the Bench: what the earlier answers said is remembered. */
function timeAnswer(model: Model, given: Case): number {
  const memory = newMemory();
  judge(model, { ...given, observations: given.observations.slice(0, -1) }, memory);
  const began = performance.now();
  report(judge(model, given, memory));
  return performance.now() - began;
}

function timeShipped(): number[] {
  const model = buildModel(currentFlora());
  const list = loadList("otter-valley");
  const cases = readNotes().flatMap((note) =>
    [2, 5, 9].map((n) =>
      caseAt(
        { list: list.status },
        { day: note.day, stage: note.stage, observations: note.observations.slice(0, n) },
        model,
      ),
    ),
  );
  return timeCases(model, cases);
}

function floor(model: Model): number {
  const times = Array.from({ length: 9 }, () => {
    const began = performance.now();
    let sum = 0;
    for (const table of model.table) for (let i = 0; i < table.length; i++) sum += table[i] * 0.5;
    if (sum < 0) throw new Error("unreachable");
    return performance.now() - began;
  });
  return quantileOf(times, 0.5);
}

interface Answer {
  status: number;
  bytes: number;
  text: string;
  ms: number;
}

function fetchRaw(url: string, cookie: string): Promise<Answer> {
  return new Promise((resolve, reject) => {
    const began = performance.now();
    get(url, { headers: { cookie, "accept-encoding": "identity" } }, (response) => {
      const parts: Buffer[] = [];
      response.on("data", (part) => parts.push(part));
      response.on("end", () =>
        resolve({
          status: response.statusCode ?? 0,
          bytes: Buffer.concat(parts).length,
          text: Buffer.concat(parts).toString(),
          ms: performance.now() - began,
        }),
      );
    }).on("error", reject);
  });
}

async function signIn(url: string): Promise<string | null> {
  const answer = await fetch(`${url}/api/v1/session`, {
    method: "POST",
    headers: { "content-type": "application/json", origin: url },
    body: JSON.stringify({ email: "keeper@otter.example", password: "otter-valley-demo" }),
  }).catch(() => null);
  return answer?.ok
    ? answer.headers
        .getSetCookie()
        .map((c) => c.split(";")[0])
        .join("; ")
    : null;
}

async function pages(url: string, cookie: string) {
  const list = [];
  for (const path of [
    "/today",
    "/ground",
    "/bench",
    "/season",
    "/ledger",
    "/flora",
    "/flora/heracleum-maximum",
    "/people",
    "/field",
    "/mix",
    "/drill",
  ]) {
    const times: number[] = [];
    let last = await fetchRaw(url + path, cookie);
    for (let i = 0; i < 9; i++) {
      last = await fetchRaw(url + path, cookie);
      times.push(last.ms);
    }
    list.push({
      path,
      scriptKb: round((await scriptBytes(url, last.text)) / 1024),
      medianMs: round(quantileOf(times, 0.5)),
    });
  }
  return list;
}

/** Compressed size of the scripts that a first load fetches. */
async function scriptBytes(url: string, html: string): Promise<number> {
  const { gzipSync } = await import("node:zlib");
  const sources = new Set([...html.matchAll(/<script[^>]+src="([^"]+)"/g)].map((m) => m[1]));
  let sum = 0;
  for (const source of sources) sum += gzipSync(await (await fetch(new URL(source, url))).text()).length;
  return sum;
}

async function tiles(url: string, cookie: string) {
  const times: number[] = [];
  for (let i = 0; i < 40; i++)
    times.push((await fetchRaw(`${url}/api/v1/tiles/13/${1110 + (i % 3)}/${2966 + (i % 3)}`, cookie)).ms);
  return { p95Ms: round(quantileOf(times, 0.95)) };
}
