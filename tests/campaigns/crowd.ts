/**
 * Fifty people at work at once, each with a pause between two acts; then one person alone, for the ratio; then twenty packs and twenty
 * second looks at once, while others open pages. With --nodes 2 two web processes share one database behind a small proxy, and one of
 * them is ended half-way. Usage: npm run -s crowd -- [--people 50] [--seconds 60] [--think 5] [--nodes 1|2]
 */
import type { ChildProcess } from "node:child_process";
import { createServer, request as forward, type Server } from "node:http";
import { v7 as uuidv7 } from "uuid";
import { numberOption, printJson, run } from "@/cli/output";
import { seededChance } from "@/core/random";
import { asLoader } from "@/db/client";
import { Client, fieldPack } from "../support/client";
import { Installation, sleep } from "./installation";

interface Timed {
  what: string;
  ms: number;
  ok: boolean;
  status: number;
}
const quantile = (times: number[], q: number): number =>
  Math.round([...times].sort((a, b) => a - b)[Math.min(times.length - 1, Math.floor(q * times.length))] ?? 0);

/** Sends again, as a browser's person or the outbox would, what a node that went away has not answered. */
async function patiently(send: () => Promise<Response>): Promise<Response | null> {
  for (let tries = 0; tries < 6; tries++) {
    const answer = await send().catch(() => null);
    if (answer && answer.status !== 502 && answer.status !== 503) return answer;
    await sleep(300 * (tries + 1));
  }
  return null;
}

async function person(client: Client, seed: number, until: number, thinkMs: number, timed: Timed[]): Promise<void> {
  const chance = seededChance(seed);
  const { sites, today } = await fieldPack(client);
  await sleep(thinkMs * chance.uniform());
  while (Date.now() < until) {
    const site = sites[Math.floor(chance.uniform() * sites.length)];
    const acts: [string, () => Promise<Response>][] = [
      ["Today", () => client.fetch("/today")],
      ["Bench", () => client.fetch("/bench")],
      ["tile", () => client.fetch(`/api/v1/tiles/13/${1110 + Math.floor(3 * chance.uniform())}/2966`)],
    ];
    const id = uuidv7();
    acts.push([
      "save a finding",
      () =>
        client.send("POST", "/api/v1/findings", {
          id,
          siteId: site.id,
          place: { longitude: site.centre[0], latitude: site.centre[1] },
          day: today,
          stage: null,
          observations: [{ character: "sap", states: ["milky"] }],
        }),
    ]);
    const [what, send] = acts[Math.floor(chance.uniform() * acts.length)];
    const began = performance.now();
    const answer = await patiently(send);
    await answer?.arrayBuffer().catch(() => undefined);
    timed.push({ what, ms: performance.now() - began, ok: answer?.ok ?? false, status: answer?.status ?? 0 });
    await sleep(thinkMs * (0.5 + chance.uniform()));
  }
}

const table = (timed: Timed[]) =>
  Object.fromEntries(
    [...new Set(timed.map((t) => t.what))].sort().map((what) => {
      const own = timed.filter((t) => t.what === what);
      const times = own.map((t) => t.ms);
      return [
        what,
        {
          n: own.length,
          p50Ms: quantile(times, 0.5),
          p95Ms: quantile(times, 0.95),
          mostMs: Math.round(Math.max(...times)),
          errors: own.filter((t) => !t.ok).length,
        },
      ];
    }),
  );

/** A proxy that hands each request to one of several nodes in turn, and to another where one is gone. */
function proxy(ports: number[]): Promise<{ server: Server; base: string }> {
  let turn = 0;
  const server = createServer((incoming, outgoing) => {
    const parts: Buffer[] = [];
    incoming.on("data", (part) => parts.push(part));
    incoming.on("end", () => {
      const body = Buffer.concat(parts);
      const attempt = (left: number) => {
        const port = ports[turn++ % ports.length];
        const out = forward(
          {
            host: "127.0.0.1",
            port,
            path: incoming.url,
            method: incoming.method,
            headers: { ...incoming.headers, "x-forwarded-for": "203.0.113.7" },
          },
          (answer) => {
            outgoing.writeHead(answer.statusCode ?? 502, answer.headers);
            answer.pipe(outgoing);
            answer.on("error", () => outgoing.destroy());
          },
        );
        out.on("error", () => {
          if (left > 0 && !outgoing.headersSent) attempt(left - 1);
          else if (!outgoing.headersSent) outgoing.writeHead(502).end();
          else outgoing.destroy();
        });
        out.end(body);
      };
      attempt(ports.length);
    });
  });
  return new Promise((resolve) =>
    server.listen(0, "127.0.0.1", () =>
      resolve({ server, base: `http://127.0.0.1:${(server.address() as { port: number }).port}` }),
    ),
  );
}

async function makePeople(n: number, environment: Record<string, string>): Promise<string[]> {
  Object.assign(process.env, environment, { DEMO: "1" });
  asLoader(() => new Date());
  const [{ createAccount }, { inDistrict, closePools }, { membership }] = await Promise.all([
    import("@/server/accounts/auth"),
    import("@/db/client"),
    import("@/db/schema"),
  ]);
  const emails: string[] = [];
  for (let i = 0; i < n; i++) {
    const email = `crowd${i}@otter.example`;
    const id = await createAccount({ name: `Crowd ${i}`, email, password: "otter-valley-demo" }, false);
    await inDistrict("01920000-0000-7000-8000-00000000a001", (tx) =>
      tx.insert(membership).values({
        districtId: "01920000-0000-7000-8000-00000000a001",
        personId: id,
        name: `Crowd ${i}`,
        email,
        roles: ["scout", "specialist"],
      }),
    );
    emails.push(email);
  }
  await closePools();
  return emails;
}

run(async () => {
  const [people, seconds, think, nodes] = [
    numberOption("people", 50),
    numberOption("seconds", 60),
    numberOption("think", 5),
    numberOption("nodes", 1),
  ];
  const place = await Installation.make();
  const environment = await place.environment();
  let base = place.base;
  let second: ChildProcess | null = null;
  let front: Server | null = null;
  if (nodes === 2) {
    const { startWeb } = await import("../../scripts/lib/processes.mjs" as string);
    const port = place.port + 1;
    // Both nodes are one program at one address, that of the proxy.
    const made = await proxy([place.port, port]);
    [front, base] = [made.server, made.base];
    second = startWeb(port, { ...environment, SENTINEL_URL: place.base, DEMO: "1" }, "ignore") as ChildProcess;
    for (let i = 0; i < 100 && !(await fetch(`http://127.0.0.1:${port}/api/health`).catch(() => null))?.ok; i++)
      await sleep(300);
  }
  const emails = await makePeople(people, environment);
  const clients: Client[] = [];
  for (const email of emails) clients.push(await new Client(base).signIn(email));
  process.stderr.write(`${clients.length} people are signed in\n`);
  const crowd: Timed[] = [];
  const until = Date.now() + 1000 * seconds;
  const half = nodes === 2 ? setTimeout(() => second?.kill("SIGKILL"), 500 * seconds) : null;
  await Promise.all(clients.map((client, i) => person(client, 100 + i, until, 1000 * think, crowd)));
  if (half) clearTimeout(half);
  const alone: Timed[] = [];
  await person(clients[0], 7, Date.now() + 20_000, 200, alone);
  const others: Timed[] = [];
  let jobs: Record<string, number> = {};
  if (nodes === 1) {
    const [specialist, keeper] = [clients[1], await new Client(base).signIn("keeper@otter.example")];
    const pack = await (await specialist.fetch("/api/v1/packs?scope=umbels")).text();
    const asked = await Promise.all(
      Array.from({ length: 40 }, async (_, i) => {
        const form = new FormData();
        form.set("file", new File([pack], "pack.json"));
        const answer =
          i % 2
            ? await specialist.fetch("/api/v1/packs", { method: "POST", body: form })
            : await keeper.send("POST", "/api/v1/jobs", { kind: "second-look", input: {} });
        return answer.status;
      }),
    );
    jobs = Object.fromEntries([...new Set(asked)].map((s) => [String(s), asked.filter((a) => a === s).length]));
    await Promise.all(
      clients.slice(2, 12).map((client, i) => person(client, 300 + i, Date.now() + 20_000, 1000, others)),
    );
  }
  front?.close();
  await place.end();
  const [many, one] = [table(crowd), table(alone)];
  printJson({
    people,
    seconds,
    think,
    nodes,
    crowd: many,
    alone: one,
    p95Ratios: Object.fromEntries(
      Object.keys(many).map((k) => [k, Number((many[k].p95Ms / Math.max(1, one[k]?.p95Ms ?? 1)).toFixed(1))]),
    ),
    ...(nodes === 1 ? { askedJobs: jobs, whileJobsRun: table(others) } : {}),
    errors: crowd.filter((t) => !t.ok).length,
    statuses: Object.fromEntries(
      [...new Set(crowd.map((t) => t.status))].map((s) => [s, crowd.filter((t) => t.status === s).length]),
    ),
  });
  process.exit(0);
});
