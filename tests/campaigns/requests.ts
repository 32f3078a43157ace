/**
 * Sends odd requests by seed over all routes, pages and acts as all kinds of people. Usage: npm run -s requests -- --count 20000 [--seed S]
 */
import { readFileSync } from "node:fs";
import { seededChance } from "@/core/random";
import { numberOption, printJson, run } from "@/cli/output";
import { type Answered, OddRequests } from "../support/odd-requests";
import { Installation } from "./installation";

const SLOW_MS = 2000;
const WALKERS = 2;

run(async () => {
  const count = numberOption("count", 20_000);
  const seed = numberOption("seed", 1);
  const place = await Installation.make();
  const faults: Answered[] = [];
  const slow: Answered[] = [];
  const statuses: Record<string, number> = {};
  let done = 0;
  const web = place.pid("web");
  await Promise.all(
    Array.from({ length: WALKERS }, async (_, walker) => {
      const odd = await OddRequests.make(seededChance(seed * 10 + walker), place.base);
      while (done < count) {
        done++;
        const answered = await odd.next();
        statuses[answered.status] = (statuses[answered.status] ?? 0) + 1;
        if (answered.fault) faults.push(answered);
        if (answered.ms > SLOW_MS) slow.push(answered);
        if (done % 500 === 0) process.stderr.write(`${done}/${count}, ${faults.length} faults, ${slow.length} slow\n`);
      }
    }),
  );
  const peak = Number(/VmHWM:\s+(\d+) kB/.exec(readFileSync(`/proc/${web}/status`, "utf8"))?.[1] ?? 0) / 1024;
  const stayed = place.pid("web") === web;
  await place.end();
  printJson({
    count: done,
    seed,
    statuses,
    faults: faults.length,
    slowerThan2s: slow.length,
    peakMb: Math.round(peak),
    stayed,
    examples: [...faults, ...slow].slice(0, 20),
  });
  process.exit(faults.length > 0 || !stayed ? 1 : 0);
});
