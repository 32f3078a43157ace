import { spawn } from "node:child_process";
import { existsSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { ROOT } from "./machine.mjs";
import { say, Trouble } from "./say.mjs";

/** Addresses and secrets: a process is given only those that it needs, whatever the surroundings hold. */
const SECRET = /^(DATABASE_|AUTH_SECRET$|SMTP_URL$|PG(PASSWORD|USER|HOST|PORT|DATABASE|SERVICE))/;
const plain = () => Object.fromEntries(Object.entries(process.env).filter(([name]) => !SECRET.test(name)));
const pick = (environment, names) =>
  Object.fromEntries(names.filter((n) => environment[n] !== undefined).map((n) => [n, environment[n]]));

/** What the web process may know. */
export const webEnvironment = (environment) => ({
  ...plain(),
  ...pick(environment, ["DATABASE_APP_URL", "DATABASE_AUTH_URL", "AUTH_SECRET", "SENTINEL_URL", "DEMO", "MAIL_FROM"]),
  NODE_ENV: "production",
  NEXT_TELEMETRY_DISABLED: "1",
});
/** What the jobs process may know: it sends letters, and signs nobody in. */
export const jobsEnvironment = (environment) => ({
  ...plain(),
  ...pick(environment, ["DATABASE_APP_URL", "DATABASE_JOBS_URL", "SENTINEL_URL", "DEMO", "MAIL_FROM", "SMTP_URL"]),
  NODE_ENV: "production",
});

/** It needs a third of this; without a bound Node takes what the machine has before it tidies up. */
const WEB_HEAP_MB = 640;

export const startWeb = (port, environment, stdio = ["ignore", "inherit", "inherit"]) =>
  spawn(process.execPath, [`--max-old-space-size=${WEB_HEAP_MB}`, join(ROOT, "scripts", "serve.mjs")], {
    cwd: ROOT,
    stdio,
    env: { ...webEnvironment(environment), PORT: String(port) },
  });

export const startJobs = (environment, stdio = ["ignore", "inherit", "inherit"]) =>
  spawn(process.execPath, ["--max-old-space-size=1024", "--import", "tsx", join(ROOT, "src", "jobs", "main.ts")], {
    cwd: ROOT,
    stdio,
    env: jobsEnvironment(environment),
  });

/** When a process began, as the kernel counts it: a number that was given to another process since has another. */
function beganAt(pid) {
  try {
    return readFileSync(`/proc/${pid}/stat`, "utf8").split(") ").at(-1).split(" ")[19];
  } catch {
    return null;
  }
}

/** Notes which processes belong to this installation, so that a start after a crash knows its own leftovers. */
export class Register {
  constructor(folder) {
    this.path = join(folder, "running.json");
    this.rows = [];
  }

  add(what, pid) {
    this.rows = this.rows.filter((r) => r.what !== what).concat({ what, pid, began: beganAt(pid) });
    writeFileSync(this.path, JSON.stringify(this.rows), { mode: 0o600 });
  }

  /**
   * Ends what an earlier launcher left behind.
   * @throws {Trouble} where an earlier launcher is still at work
   */
  async clear() {
    const rows = existsSync(this.path) ? JSON.parse(readFileSync(this.path, "utf8")) : [];
    const alive = rows.filter((r) => r.began !== null && beganAt(r.pid) === r.began);
    const launcher = alive.find((r) => r.what === "launcher");
    if (launcher)
      throw new Trouble(
        `This installation is running already (process ${launcher.pid}). Nothing was changed.`,
        `kill ${launcher.pid}`,
      );
    for (const row of alive) {
      say(`Ending what an earlier start left behind: ${row.what} (process ${row.pid}) …`);
      await endProcess(row.pid);
    }
    rmSync(this.path, { force: true });
  }
}

/** Ends a process: first asked, then made to. */
export async function endProcess(pid, patienceMs = 10_000) {
  const send = (signal) => {
    try {
      process.kill(pid, signal);
      return true;
    } catch {
      return false;
    }
  };
  if (!send("SIGTERM")) return;
  for (const until = Date.now() + patienceMs; Date.now() < until; ) {
    if (!send(0)) return;
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  send("SIGKILL");
}
