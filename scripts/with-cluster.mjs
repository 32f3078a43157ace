// Runs a command of the project against the cluster of the demonstration or the real one, whichever is there.
import { spawnSync } from "node:child_process";
import { existsSync } from "node:fs";
import { join } from "node:path";
import { Cluster } from "./lib/cluster.mjs";
import { ROOT } from "./lib/machine.mjs";
import { main, Trouble } from "./lib/say.mjs";

main(async () => {
  const [program, ...args] = process.argv.slice(2);
  let environment = {};
  let cluster;
  let started = false;
  if (!process.env.DATABASE_VERIFY_URL) {
    const folder = ["real", "demo"]
      .map((name) => join(ROOT, ".data", name))
      .find((path) => existsSync(join(path, "cluster.json")));
    if (!folder) throw new Trouble("There is no database yet.", "npm run demo");
    cluster = new Cluster(folder);
    started = !cluster.isRunning();
    await cluster.start();
    environment = cluster.environment();
  }
  const result = spawnSync(process.execPath, [join(ROOT, "node_modules", ".bin", program), ...args], {
    cwd: ROOT,
    stdio: "inherit",
    env: { ...process.env, ...environment },
  });
  if (started) cluster.stop();
  process.exit(result.status ?? 1);
});
