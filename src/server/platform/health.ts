import { itemAt } from "@/core/items";
import { sql } from "drizzle-orm";
import { appDatabase } from "@/db/client";
import { FORWARDED_HEADER, PEER_HEADER } from "../accounts/network";
import { shippedFlora } from "../flora/flora";

async function works(check: () => Promise<unknown>): Promise<boolean> {
  try {
    return (await check()) !== false;
  } catch {
    return false;
  }
}

/** Whether the program can do its work. Parts are told to whoever asks from this machine, without a proxy between. */
export async function health(headers: Headers): Promise<Record<string, unknown> & { ok: boolean }> {
  const database = await works(() => appDatabase().execute(sql`SELECT 1`));
  const migrations = database && (await works(() => appDatabase().execute(sql`SELECT name_tile(0, 0, 0), jobs_lag()`)));
  const queue =
    migrations &&
    (await works(
      async () => !itemAt((await appDatabase().execute<{ lag: boolean }>(sql`SELECT jobs_lag() AS lag`)).rows, 0).lag,
    ));
  let flora: string | null = null;
  await works(async () => {
    flora = shippedFlora().version;
  });
  const ok = database && migrations && flora !== null;
  const near = /^(127\.|::1$|::ffff:127\.)/.test(headers.get(PEER_HEADER) ?? "") && !headers.get(FORWARDED_HEADER);
  return near ? { ok, database, migrations, queue, flora, version: "0.1.0" } : { ok };
}
