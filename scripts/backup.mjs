// Writes everything of an installation into one file: the database, and the secret without which one-time codes cannot be read.
// npm run backup -- --out FILE [--database demo|real]
import { spawn } from "node:child_process";
import { createHash } from "node:crypto";
import { createReadStream, createWriteStream, existsSync, openSync, renameSync, rmSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { pipeline } from "node:stream/promises";
import { openDatabase } from "./lib/installation.mjs";
import { PG_BIN } from "./lib/machine.mjs";
import { main, say, Trouble } from "./lib/say.mjs";

const value = (name) => {
  const at = process.argv.indexOf(`--${name}`);
  return at < 0 ? undefined : process.argv[at + 1];
};

main(async () => {
  const out = value("out");
  if (!out) throw new Trouble("Say where the backup goes.", "npm run backup -- --out weeds-2026-11-30.backup");
  if (existsSync(out))
    throw new Trouble(`${out} is there already. Nothing was written.`, `npm run backup -- --out ${out}.2`);
  const { environment, started } = await openDatabase(value("database") === "demo", { begun: true });
  const dump = `${out}.${process.pid}.dump`;
  try {
    openSync(dump, "w", 0o600);
    await pgDump(environment.DATABASE_OWNER_URL, dump);
    const hash = createHash("sha256");
    await pipeline(createReadStream(dump), hash);
    const head = {
      format: "merry-sentinel-backup/1",
      madeAt: new Date().toISOString(),
      secret: environment.AUTH_SECRET,
      sha256: hash.digest("hex"),
    };
    const whole = `${out}.${process.pid}.new`;
    writeFileSync(whole, `${JSON.stringify(head)}\n`, { mode: 0o600 });
    await pipeline(createReadStream(dump), createWriteStream(whole, { flags: "a" }));
    renameSync(whole, out);
  } finally {
    rmSync(dump, { force: true });
    started?.stop();
  }
  say(`Everything is in ${out}. Keep it where nobody else can read it: it opens every account.`);
});

/** The address goes by the surroundings and not by the command line, where others of the machine could read it. */
function pgDump(url, path) {
  const { hostname, port, username, password, pathname } = new URL(url);
  const child = spawn(join(PG_BIN, "pg_dump"), ["-Fc", "-f", path], {
    stdio: ["ignore", "inherit", "inherit"],
    env: {
      ...process.env,
      PGHOST: hostname,
      PGPORT: port || "5432",
      PGUSER: decodeURIComponent(username),
      PGPASSWORD: decodeURIComponent(password),
      PGDATABASE: pathname.slice(1),
    },
  });
  return new Promise((resolve, reject) =>
    child
      .once("error", reject)
      .once("exit", (code) =>
        code === 0
          ? resolve()
          : reject(new Trouble("The database could not be written out; what it said stands above.")),
      ),
  );
}
