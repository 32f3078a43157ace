import { log } from "./log";
import { shippedFlora, shippedModel } from "./flora";
import { needsSetUp, setUpCode } from "./people";
import { plantsIn } from "./plants";
import { startWorkers } from "./queue";

/** Starts the queue's workers with the server, reads the flora ahead; and, on a first start, prints the one-time set-up code. */
export async function start(): Promise<void> {
  if (!process.env.DATABASE_APP_URL) return;
  await startWorkers().catch((error) => log.error({ error: (error as Error).message }, "the job queue did not start"));
  if (await needsSetUp().catch(() => false))
    process.stderr.write(
      `\n  First start: open ${process.env.SENTINEL_URL ?? ""}/set-up and enter the code  ${setUpCode()}\n\n`,
    );
  readFloraAhead();
}

/** So that whoever comes first after a start need not wait for the flora and its names to be read. */
function readFloraAhead(): void {
  shippedModel();
  plantsIn(shippedFlora()).names();
}
