/** Starts the queue's workers with the server; and, on a first start, prints the one-time set-up code. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== "nodejs" || !process.env.DATABASE_APP_URL) return;
  const { startWorkers } = await import("./server/queue");
  const { log } = await import("./server/log");
  await startWorkers().catch((error) => log.error({ error: (error as Error).message }, "the job queue did not start"));
  const { needsSetUp, setUpCode } = await import("./server/people");
  if (await needsSetUp().catch(() => false)) process.stderr.write(`\n  First start: open ${process.env.BASE_URL ?? ""}/set-up and enter the code  ${setUpCode()}\n\n`);
}
