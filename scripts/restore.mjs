// Brings a backup into an installation that holds nothing yet. npm run restore -- FILE [--database demo|real]
import { spawnSync } from "node:child_process";
import { createHash } from "node:crypto";
import { closeSync, createReadStream, createWriteStream, existsSync, openSync, readSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { pipeline } from "node:stream/promises";
import { keepSecret, openDatabase } from "./lib/installation.mjs";
import { checkNode, ensureDebian, ensurePackages, PG_BIN, tsx, tsxOutput } from "./lib/machine.mjs";
import { main, say, Trouble } from "./lib/say.mjs";

main(async () => {
  checkNode();
  const file = process.argv[2];
  if (!file || !existsSync(file)) throw new Trouble(`There is no backup ${file ?? ""}.`, "npm run restore -- FILE");
  const demo = process.argv.includes("--database") && process.argv[process.argv.indexOf("--database") + 1] === "demo";
  const { head, from } = headOf(file);
  const dump = join(tmpdir(), `restore-${process.pid}.dump`);
  const hash = createHash("sha256");
  try {
    await pipeline(createReadStream(file, { start: from }), createWriteStream(dump, { mode: 0o600 }));
    await pipeline(createReadStream(dump), hash);
    if (hash.digest("hex") !== head.sha256)
      throw new Trouble(`${file} is damaged. Nothing was changed.`, `ls -l ${file}`);
    await Promise.all([ensureDebian(false), ensurePackages()]);
    const { environment, started, cluster } = await openDatabase(demo);
    try {
      // Roles come first: what is restored is granted to them.
      await tsx(["src/db/migrate.ts"], environment);
      if ((await tsxOutput(["src/cli/any-district.ts"], environment)).trim() === "yes")
        throw new Trouble("This installation holds data already. Nothing was changed.", "restore into a fresh folder");
      bringIn(environment.DATABASE_OWNER_URL, dump);
      keepSecret(cluster, head.secret);
      await tsx(["src/db/migrate.ts"], environment);
    } finally {
      started?.stop();
    }
  } finally {
    rmSync(dump, { force: true });
  }
  say(
    `The backup of ${head.madeAt} is here. Start with npm ${demo ? "run demo" : "start"}; check with npm run -s ledger -- verify.`,
  );
});

/** The first line says what the file is; the database follows it. */
function headOf(file) {
  const handle = openSync(file, "r");
  const start = Buffer.alloc(2000);
  const read = readSync(handle, start);
  closeSync(handle);
  const end = start.subarray(0, read).indexOf(10);
  try {
    const head = JSON.parse(start.subarray(0, end).toString("utf8"));
    if (head.format === "merry-sentinel-backup/1") return { head, from: end + 1 };
  } catch {
    // told below
  }
  throw new Trouble(`${file} is no backup of this program. Nothing was changed.`, "npm run backup -- --out FILE");
}

/** Puts the dump in the place of the empty database, all or none. */
function bringIn(url, dump) {
  const { hostname, port, username, password, pathname } = new URL(url);
  const env = {
    ...process.env,
    PGHOST: hostname,
    PGPORT: port || "5432",
    PGUSER: decodeURIComponent(username),
    PGPASSWORD: decodeURIComponent(password),
  };
  const name = pathname.slice(1);
  const call = (program, ...args) => {
    const { status, stderr } = spawnSync(join(PG_BIN, program), args, { env, encoding: "utf8" });
    if (status !== 0) throw new Trouble(`${program} failed: ${stderr.trim().split("\n").slice(-3).join(" ")}`);
  };
  const fresh = `${name}_restored`;
  call("psql", "-qd", "postgres", "-c", `DROP DATABASE IF EXISTS "${fresh}"`, "-c", `CREATE DATABASE "${fresh}"`);
  call("pg_restore", "-d", fresh, "--exit-on-error", "--single-transaction", dump);
  call(
    "psql",
    "-qd",
    "postgres",
    "-c",
    `DROP DATABASE "${name}" WITH (FORCE)`,
    "-c",
    `ALTER DATABASE "${fresh}" RENAME TO "${name}"`,
  );
}
