/** Runs once as the server starts; the work itself is for Node.js alone. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME === "nodejs") await (await import("@/server/platform/start")).start();
}
