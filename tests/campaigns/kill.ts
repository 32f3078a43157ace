/**
 * Ends a process of the running program again and again, at moments by seed, while two people save findings with pictures and one
 * records work; then counts what was lost, doubled or half kept. Usage: npm run -s kill -- --what server|database|jobs --moments N [--seed S] --json
 */
import { v7 as uuidv7 } from "uuid";
import pg from "pg";
import sharp from "sharp";
import { InputError } from "@/core/errors";
import { seededChance } from "@/core/random";
import { verifyChain } from "@/core/records";
import { numberOption, option, printJson, run } from "@/cli/output";
import { act } from "../support/actions";
import { Client, fieldPack } from "../support/client";
import { Installation, sleep } from "./installation";

interface Sent {
  kind: "finding" | "picture" | "record" | "job";
  id: string;
  /** the server said that it has it */
  answered: boolean;
}

/** Sends until it is answered, always under the same id, as the device's outbox does. */
async function insist(stopped: () => boolean, send: () => Promise<Response>): Promise<Response | null> {
  for (let wait = 100; !stopped(); wait = Math.min(500, wait * 2)) {
    const answer = await send().catch(() => null);
    if (answer && answer.status < 500 && answer.status !== 429) return answer;
    await sleep(wait);
  }
  return null;
}

async function scout(client: Client, sent: Sent[], stopped: () => boolean): Promise<void> {
  const { sites, today } = await fieldPack(client);
  const image = await sharp({ create: { width: 64, height: 48, channels: 3, background: "#557755" } })
    .jpeg()
    .toBuffer();
  for (let i = 0; !stopped(); i++) {
    const site = sites[i % sites.length];
    const finding: Sent = { kind: "finding", id: uuidv7(), answered: false };
    sent.push(finding);
    const saved = await insist(stopped, () =>
      client.send("POST", "/api/v1/findings", {
        id: finding.id,
        siteId: site.id,
        place: { longitude: site.centre[0], latitude: site.centre[1] },
        day: today,
        stage: null,
        observations: [{ character: "sap", states: ["milky"] }],
      }),
    );
    if (!saved?.ok) continue;
    finding.answered = true;
    const picture: Sent = { kind: "picture", id: uuidv7(), answered: false };
    sent.push(picture);
    const put = await insist(stopped, () =>
      client.fetch(`/api/v1/pictures/${picture.id}?finding=${finding.id}`, {
        method: "PUT",
        body: new Uint8Array(image),
      }),
    );
    picture.answered = put?.ok ?? false;
  }
}

/** Corrects one entry after the other: each is one link more of the chain. */
async function recorder(
  client: Client,
  entry: { id: string; body: Record<string, unknown>; patchId: string; planId: string },
  sent: Sent[],
  stopped: () => boolean,
): Promise<void> {
  let last = entry.id;
  while (!stopped()) {
    const record: Sent = { kind: "record", id: uuidv7(), answered: false };
    sent.push(record);
    const text = (name: string) => String(entry.body[name] ?? "");
    const form = {
      id: record.id,
      patchId: entry.patchId,
      planId: entry.planId,
      supersedes: last,
      correctionReason: "Paced it once more.",
      zone: text("zone"),
      siteName: text("siteName"),
      patchName: text("patchName"),
      taxon: text("taxon"),
      stage: text("stage"),
      method: text("method"),
      methodName: text("methodName"),
      equipment: text("equipment"),
      areaM2: text("areaM2"),
      day: text("from").slice(0, 10),
      fromTime: "08:00",
      toTime: "10:00",
      windMS: "2",
      windFrom: "SW",
      temperatureC: "15",
      note: "",
    };
    for (let wait = 100; !stopped(); wait = Math.min(500, wait * 2)) {
      const answer = await act(client, "treatmentAction", form).catch(() => null);
      if (answer?.location?.includes(record.id)) {
        record.answered = true;
        last = record.id;
        break;
      }
      await sleep(wait);
    }
  }
}

async function asker(client: Client, sent: Sent[], stopped: () => boolean): Promise<void> {
  while (!stopped()) {
    const answer = await insist(stopped, () => client.send("POST", "/api/v1/jobs", { kind: "second-look", input: {} }));
    if (answer?.ok) {
      const { job } = (await answer.json()) as { job: string };
      sent.push({ kind: "job", id: job, answered: true });
    }
    await sleep(3000);
  }
}

run(async () => {
  const what = option("what") ?? "server";
  if (!["server", "database", "jobs"].includes(what))
    throw new InputError("unknown", "--what", what, "give server, database or jobs");
  const moments = numberOption("moments", 20);
  const chance = seededChance(numberOption("seed", 1));
  const place = await Installation.make();
  const database = new pg.Pool({ connectionString: (await place.environment()).DATABASE_OWNER_URL, max: 2 });
  database.on("error", () => undefined);
  const query = async <T extends pg.QueryResultRow>(sql: string, values: unknown[] = []) =>
    (await database.query<T>(sql, values)).rows;
  const sent: Sent[] = [];
  let stop = false;
  const stopped = () => stop;
  const client = (email: string) => new Client(place.base).signIn(email);
  const [entry] = await query<{ id: string; body: Record<string, unknown>; patchId: string; planId: string }>(
    `SELECT id, body, patch_id AS "patchId", plan_id AS "planId" FROM ledger_entry e WHERE body->'product' IS NULL AND NOT EXISTS (SELECT 1 FROM ledger_entry n WHERE n.supersedes = e.id) LIMIT 1`,
  );
  const writers = [
    scout(await client("scout@otter.example"), sent, stopped),
    scout(await client("specialist@otter.example"), sent, stopped),
    recorder(await client("applicator@otter.example"), entry, sent, stopped),
    ...(what === "jobs" ? [asker(await client("keeper@otter.example"), sent, stopped)] : []),
  ];
  let kills = 0;
  const back: number[] = [];
  for (let i = 0; i < moments; i++) {
    await sleep(300 + 5700 * chance.uniform());
    const pid = what === "database" ? await place.postmaster() : place.pid(what === "server" ? "web" : "jobs");
    if (pid === null) continue;
    try {
      process.kill(pid, "SIGKILL");
      kills++;
    } catch {
      continue;
    }
    await sleep(100);
    back.push(await place.well());
    if (what === "jobs") for (let tries = 0; tries < 50 && place.pid("jobs") === pid; tries++) await sleep(100);
    process.stderr.write(
      `${i + 1}/${moments} ended, ${sent.filter((s) => s.answered).length} answered, back after ${back.at(-1)} ms\n`,
    );
  }
  await sleep(3000);
  stop = true;
  await Promise.all(writers);
  // What was in hand when the last process died is looked at only once the service has settled.
  await place.well();
  await sleep(what === "jobs" ? 100_000 : 2000);
  const count = async (table: string, id: string) =>
    (await query<{ n: number }>(`SELECT count(*)::int AS n FROM ${table} WHERE id = $1`, [id]))[0].n;
  const table = { finding: "finding", picture: "picture", record: "ledger_entry", job: "job" };
  let [lost, doubled] = [0, 0];
  for (const s of sent) {
    const n = await count(table[s.kind], s.id);
    if (s.answered && n === 0) lost++;
    if (n > 1) doubled++;
  }
  const [half] = await query<{ n: number }>(
    `SELECT (SELECT count(*) FROM finding f WHERE (SELECT count(DISTINCT kind) FROM finding_event e WHERE e.finding_id = f.id AND e.kind IN ('observations', 'verdict')) <> 2)
      + (SELECT count(*) FROM finding_event e WHERE NOT EXISTS (SELECT 1 FROM finding f WHERE f.id = e.finding_id))
      + (SELECT count(*) FROM job WHERE state = 'running' AND heard_at < now() - interval '3 minutes') AS n`,
  );
  const [{ n: numbers }] = await query<{ n: number }>(
    "SELECT count(*)::int - count(DISTINCT (district_id, number))::int AS n FROM finding",
  );
  const chains = await Promise.all(
    (await query<{ district_id: string; seq: number; hash: string }>("SELECT * FROM ledger_anchor")).map(
      async (anchor) =>
        verifyChain(
          (await query("SELECT * FROM ledger_entry WHERE district_id = $1 ORDER BY seq", [anchor.district_id])).map(
            fromRow,
          ) as never,
          [{ ...anchor, exact: true, who: "the anchor" }],
        ),
    ),
  );
  const restarts = place.restarts;
  await database.end();
  await place.end();
  printJson({
    what,
    kills,
    halfKept: Number(half.n),
    doubled: doubled + numbers,
    lost,
    chainOk: chains.every((c) => c.ok),
    sent: sent.length,
    answered: sent.filter((s) => s.answered).length,
    restartsOfLauncher: restarts,
    backMs: { median: back.sort((a, b) => a - b)[Math.floor(back.length / 2)], most: back.at(-1) },
  });
  process.exit(0);
});

/** A row of the database in the names that the code uses. */
const fromRow = (row: Record<string, unknown>): Record<string, unknown> =>
  Object.fromEntries(
    Object.entries(row).map(([k, v]) => [k.replace(/_([a-z])/g, (_, c: string) => c.toUpperCase()), v]),
  );
