import { mkdirSync } from "node:fs";
import { join } from "node:path";
import {
  checkDisk,
  checkNode,
  ensureBuild,
  ensureDebian,
  ensureFlora,
  ensurePackages,
  portIsFree,
  ROOT,
  tsx,
  tsxOutput,
} from "./lib/machine.mjs";
import { Cluster } from "./lib/cluster.mjs";
import { DATA, openDatabase, stateFolder } from "./lib/installation.mjs";
import { endProcess, Register, startJobs, startWeb } from "./lib/processes.mjs";
import { main, say, Trouble } from "./lib/say.mjs";

const demo = process.argv[2] === "demo";
const flag = (name) => process.argv.includes(`--${name}`);
const value = (name) => (flag(name) ? process.argv[process.argv.indexOf(`--${name}`) + 1] : undefined);
/** A jobs process that dies at once is not started again and again without a pause. */
const JOBS_PAUSE_MS = 1000;
const DATABASE_LOOK_MS = 2000;

main(async () => {
  checkNode();
  checkDisk(ROOT);
  if (flag("password-link")) return passwordLink(value("password-link") ?? "");
  if (flag("new-district")) return newDistrict();
  const port = Number(value("port") ?? process.env.PORT ?? 3210);
  if (!(Number.isInteger(port) && port > 0 && port < 65536))
    throw new Trouble(`--port ${value("port")} is no port.`, "npm run demo -- --port 3300");
  const register = new Register(demo || !process.env.DATABASE_URL ? folderMade(stateFolder(demo)) : folderMade(DATA));
  await register.clear();
  if (!(await portIsFree(port)))
    throw new Trouble(
      `Port ${port} is taken by another program. Nothing was changed.`,
      `npm ${demo ? "run demo" : "start"} -- --port ${port + 1}`,
    );
  register.add("launcher", process.pid);
  await Promise.all([ensureDebian(false), ensurePackages()]);
  if (flag("reset") && demo) {
    say("Resetting the demonstration …");
    new Cluster(stateFolder(true)).destroy();
    folderMade(stateFolder(true));
    register.add("launcher", process.pid);
  }
  const { environment, cluster } = await openDatabase(demo);
  await ensureFlora();
  await Promise.all([fill(environment), ensureBuild()]);
  await sayCode(environment, port);
  supervise(port, { ...environment, ...outside(port) }, cluster, register);
});

function folderMade(...parts) {
  const path = join(...parts);
  mkdirSync(path, { recursive: true });
  return path;
}

/** What the surroundings say of how people reach this program, and how letters leave it. */
function outside(port) {
  const { SENTINEL_URL, SMTP_URL, MAIL_FROM } = process.env;
  if (Boolean(SMTP_URL) !== Boolean(MAIL_FROM))
    throw new Trouble(
      "Letters need both SMTP_URL and MAIL_FROM.",
      "SMTP_URL=smtps://… MAIL_FROM=weeds@example.org npm start",
    );
  return {
    SENTINEL_URL: SENTINEL_URL ?? `http://127.0.0.1:${port}`,
    ...(demo ? { DEMO: "1" } : { SMTP_URL, MAIL_FROM }),
  };
}

async function fill(environment) {
  await tsx(["src/db/migrate.ts"], environment);
  if (demo) await tsx(["src/demo/load.ts"], { ...environment, DEMO: "1" });
}

/** On a first start: the code with which whoever opens the set-up page shows that they run this machine. */
async function sayCode(environment, port) {
  if (demo) return;
  const code = (await tsxOutput(["src/cli/set-up-code.ts"], environment)).trim();
  if (code) say(`\n  First start: open ${outside(port).SENTINEL_URL}/set-up and enter the code  ${code}\n`);
}

/** Prints a link with which the person of an address chooses a new password; nobody but whoever runs the machine can. */
async function passwordLink(address) {
  const { environment } = await openDatabase(demo);
  const port = Number(value("port") ?? process.env.PORT ?? 3210);
  const link = await tsxOutput(["src/cli/password-link.ts", address], { ...environment, ...outside(port) });
  say(`\n  Within two hours, once: ${link.trim()}\n  It ends all sessions and the one-time codes of ${address}.\n`);
  process.exit(0);
}

/** Prints a code with which somebody makes a further district on this installation, once. The program may be running. */
async function newDistrict() {
  const { environment } = await openDatabase(demo);
  const port = Number(value("port") ?? process.env.PORT ?? 3210);
  const code = await tsxOutput(["src/cli/set-up-code.ts", "--new-district"], environment);
  say(`\n  Within a day, once: open ${outside(port).SENTINEL_URL}/set-up and enter the code  ${code.trim()}\n`);
  process.exit(0);
}

/**
 * Keeps the processes going: a dead jobs process and a dead private database are started again; when the web process dies, the launcher
 * ends with a failure, for a supervisor to start it all again.
 */
function supervise(port, environment, cluster, register) {
  let stopping = false;
  const web = startWeb(port, environment);
  register.add("web", web.pid);
  let jobs = begin();

  function begin() {
    const child = startJobs(environment);
    register.add("jobs", child.pid);
    child.once("exit", () => {
      if (stopping) return;
      say("The jobs process ended; it is started again.");
      setTimeout(() => {
        if (!stopping) jobs = begin();
      }, JOBS_PAUSE_MS);
    });
    return child;
  }

  const looking = cluster
    ? setInterval(async () => {
        if (stopping || cluster.isRunning()) return;
        say("The database ended; it is started again.");
        await cluster.start().catch((error) => say(error.message));
      }, DATABASE_LOOK_MS)
    : undefined;

  const stop = async (code) => {
    if (stopping) return;
    stopping = true;
    clearInterval(looking);
    await Promise.all([endProcess(web.pid), endProcess(jobs.pid)]);
    cluster?.stop();
    process.exit(code);
  };
  web.once("exit", (code) => {
    if (stopping) return;
    say(`The web process ended (${code ?? "killed"}).`);
    stop(code || 1);
  });
  for (const signal of ["SIGINT", "SIGTERM"]) process.once(signal, () => stop(0));
  say(`\n  Merry Sentinel: ${environment.SENTINEL_URL}\n`);
  if (demo)
    say(
      "  Sign in with one of these, password for all: otter-valley-demo\n    scout@otter.example  specialist@otter.example  applicator@otter.example\n    keeper@otter.example  visitor@otter.example  keeper@pine.example (the second district)\n",
    );
}
