import PgBoss from "pg-boss";
import { closePools } from "@/db/client";
import { QUEUE_SCHEMA, WAKE_QUEUE } from "@/db/queue-names";
import { env } from "@/env";
import { log, safeError } from "@/server/platform/log";
import { mail, registry } from "@/wiring/jobs";
import { claim, sweep } from "./claim";
import { perform } from "./perform";

/** So often it looks by itself, in case nothing woke it. */
const SWEEP_MS = 5000;
const PATIENCE_MS = 5000;

/** The jobs process: woken by the queue, it works off letters and long calculations in two lanes, until it is told to stop. */
async function main(): Promise<void> {
  const outside = { mail: mail(), registry: registry() };
  const lanes = { letters: lane("letters"), long: lane("long") };
  const wake = () => {
    lanes.letters();
    lanes.long();
  };
  let stopping = false;

  function lane(name: "letters" | "long"): () => void {
    let running = false;
    let again = false;
    return async () => {
      again = true;
      if (running) return;
      running = true;
      while (again && !stopping) {
        again = false;
        for (let own = await next(name); own && !stopping; own = await next(name)) await perform(own, outside);
      }
      running = false;
    };
  }

  const boss = new PgBoss({
    connectionString: env().DATABASE_JOBS_URL,
    schema: QUEUE_SCHEMA,
    migrate: false,
    max: 2,
    schedule: false,
  });
  boss.on("error", (error) => log.warn(safeError(error), "queue"));
  await startPatiently(boss);
  await boss.work(WAKE_QUEUE, { pollingIntervalSeconds: 0.5, batchSize: 50 }, async () => wake());
  const timer = setInterval(() => sweep().then(wake, (error) => log.warn(safeError(error), "sweep")), SWEEP_MS);
  wake();
  log.info("jobs process ready");
  for (const signal of ["SIGINT", "SIGTERM"] as const)
    process.once(signal, async () => {
      stopping = true;
      clearInterval(timer);
      // What is in hand is put back by its silence; a letter in hand is marked before the next is taken.
      setTimeout(() => process.exit(0), PATIENCE_MS).unref();
      await boss.stop({ graceful: false, timeout: 1000 }).catch(() => undefined);
      await closePools().catch(() => undefined);
      process.exit(0);
    });
}

const next = (name: "letters" | "long") =>
  claim(name).catch((error) => {
    log.warn(safeError(error), "claim");
    return null;
  });

/** The database may be on its way up. */
async function startPatiently(boss: PgBoss): Promise<void> {
  for (let tries = 0; ; tries++)
    try {
      await boss.start();
      return;
    } catch (error) {
      if (tries >= 20) throw error;
      await new Promise((resolve) => setTimeout(resolve, 1000));
    }
}

main().catch((error) => {
  log.fatal(safeError(error), "the jobs process ended");
  process.exit(1);
});
