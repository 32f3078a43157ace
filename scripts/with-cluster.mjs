// Runs a command of the project against a database: that of the demonstration, the real one, or one that is named by its address.
import { spawnSync } from "node:child_process";
import { existsSync } from "node:fs";
import { join } from "node:path";
import { Cluster } from "./lib/cluster.mjs";
import { openDatabase, stateFolder } from "./lib/installation.mjs";
import { ROOT } from "./lib/machine.mjs";
import { main, Trouble } from "./lib/say.mjs";

const VERIFY = "DATABASE_VERIFY_URL";

/** Which database is meant. @returns what the command is given, and the cluster that was started for it */
async function chosen(name) {
  if (name?.startsWith("postgres")) return { environment: { [VERIFY]: name }, started: null };
  if (name !== undefined && name !== "demo" && name !== "real")
    throw new Trouble(`--database ${name} is none.`, "npm run -s ledger -- verify --database demo|real|postgresql://…");
  if (name === undefined && process.env[VERIFY]) return { environment: {}, started: null };
  if (name !== "demo" && process.env.DATABASE_URL)
    return { environment: (await openDatabase(false, { begun: true })).environment, started: null };
  const folder = (name ? [name] : ["real", "demo"])
    .map((each) => stateFolder(each === "demo"))
    .find((path) => existsSync(join(path, "cluster.json")));
  if (!folder) throw new Trouble("There is no database yet.", "npm run demo");
  const cluster = new Cluster(folder);
  const running = cluster.isRunning();
  await cluster.start();
  return { environment: cluster.environment(), started: running ? null : cluster };
}

main(async () => {
  const [program, ...args] = process.argv.slice(2);
  const at = args.indexOf("--database");
  const name = at < 0 ? undefined : (args[at + 1] ?? "");
  if (at >= 0) args.splice(at, 2);
  const { environment, started } = await chosen(name);
  // Of all addresses the command is given the one that it needs.
  const { [VERIFY]: verify = process.env[VERIFY] } = environment;
  const plain = Object.fromEntries(
    Object.entries(process.env).filter(([key]) => !/^(DATABASE_|AUTH_SECRET$)/.test(key)),
  );
  const result = spawnSync(process.execPath, [join(ROOT, "node_modules", ".bin", program), ...args], {
    cwd: ROOT,
    stdio: "inherit",
    env: { ...plain, [VERIFY]: verify },
  });
  started?.stop();
  process.exit(result.status ?? 1);
});
