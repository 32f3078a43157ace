import { sql } from "drizzle-orm";
import { appDatabase } from "@/db/client";
import { shippedFlora } from "./flora";
import { queue } from "./queue";

async function works(check: () => Promise<unknown>): Promise<boolean> {
  try {
    await check();
    return true;
  } catch {
    return false;
  }
}

export async function health() {
  const database = await works(() => appDatabase().execute(sql`SELECT 1`));
  const migrations = database && (await works(() => appDatabase().execute(sql`SELECT name_tile(0, 0, 0)`)));
  const queueOk = database && (await works(async () => (await queue()).getQueueSize("mail")));
  let flora: string | null = null;
  await works(async () => {
    flora = shippedFlora().version;
  });
  return {
    ok: database && migrations && queueOk && flora !== null,
    database,
    migrations,
    queue: queueOk,
    flora,
    version: "0.1.0",
  };
}
