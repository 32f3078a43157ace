import { spawn, spawnSync } from "node:child_process";
import {
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  statSync,
  writeFileSync,
} from "node:fs";
import { createServer } from "node:net";
import { tmpdir } from "node:os";
import { dirname, join } from "node:path";
import { describe, expect, it } from "vitest";

const script = (name: string) => import(/* @vite-ignore */ `${process.cwd()}/scripts/lib/${name}.mjs`);
const folder = () => mkdtempSync(join(tmpdir(), "surroundings-"));
/** Settings as the launcher writes them. */
const settings = (home: string, extra: object = {}) =>
  JSON.stringify({ id: "own", data: "pg", folder: home, port: 5999, passwords: {}, secret: "x", made: true, ...extra });

describe("bad surroundings get one clear sentence, and the command that mends it", () => {
  it("the wrong Node.js", async () => {
    const { checkNode } = await script("machine");
    expect(() => checkNode("18.19.0")).toThrow(
      /runs on Node\.js 20\.19 to 22; this is 18\.19\.0[\s\S]*apt-get install nodejs/,
    );
    expect(() => checkNode("20.20.2")).not.toThrow();
  });

  it("a full disk", async () => {
    const { checkDisk } = await script("machine");
    expect(() => checkDisk("/srv", () => ({ bavail: 10, bsize: 4096 }))).toThrow(
      /almost full[\s\S]*Nothing was changed[\s\S]*df -h/,
    );
  });

  it("no root for apt", async () => {
    const { ensureDebian } = await script("machine");
    await expect(ensureDebian(true, () => false, false)).rejects.toThrow(
      /postgresql-15, postgresql-15-postgis-3, chromium[\s\S]*sudo sh -c 'apt-get update && apt-get install/,
    );
    await expect(ensureDebian(true, () => true, false)).resolves.toBeUndefined();
  });

  it("a port that is taken", async () => {
    const taken = createServer();
    await new Promise<void>((resolve) => taken.listen(0, "127.0.0.1", resolve));
    const { port } = taken.address() as { port: number };
    const { status, stderr } = await new Promise<{ status: number | null; stderr: string }>((resolve) => {
      setTimeout(
        () =>
          resolve(
            spawnSync(process.execPath, ["scripts/run.mjs", "demo", "--port", String(port)], { encoding: "utf8" }),
          ),
        0,
      );
    });
    taken.close();
    expect(status).toBe(1);
    expect(stderr).toContain(`Port ${port} is taken by another program. Nothing was changed.`);
    expect(stderr).toContain(`npm run demo -- --port ${port + 1}`);
  });

  it("a port that is none", () =>
    expect(
      spawnSync(process.execPath, ["scripts/run.mjs", "demo", "--port", "12abc"], { encoding: "utf8" }).stderr,
    ).toContain("--port 12abc is no port"));

  it("a cluster of another version: left alone", async () => {
    const { Cluster } = await script("cluster");
    const home = folder();
    mkdirSync(join(home, "pg"));
    writeFileSync(join(home, "pg", "PG_VERSION"), "13\n");
    writeFileSync(join(home, "cluster.json"), settings(home));
    await expect(new Cluster(home, true).make()).rejects.toThrow(
      /of PostgreSQL 13; this program runs 15\. Nothing was changed[\s\S]*pg_dumpall/,
    );
    expect(existsSync(join(home, "pg", "PG_VERSION"))).toBe(true);
  });

  it("a database that cannot be reached", () => {
    const url = "postgresql://nobody:x@127.0.0.1:9/none";
    const { status, stderr } = spawnSync(process.execPath, ["node_modules/tsx/dist/cli.mjs", "src/db/migrate.ts"], {
      encoding: "utf8",
      env: { ...process.env, DATABASE_OWNER_URL: url },
    });
    expect(status).toBe(1);
    expect(stderr).toMatch(
      /The database at 127\.0\.0\.1:9 cannot be reached[\s\S]*Nothing was changed[\s\S]*unset DATABASE_URL/,
    );
    expect(stderr).not.toContain(":x@");
  });
});

describe("real data are never lost by the program's own doing", () => {
  it("data without settings are left alone, and nothing empty is begun beside them", async () => {
    const { Cluster } = await script("cluster");
    const home = folder();
    mkdirSync(join(home, "pg"));
    writeFileSync(join(home, "pg", "keepsake"), "x");
    await expect(new Cluster(home, true).make()).rejects.toThrow(/settings .* are missing. Nothing was changed/);
    expect(readFileSync(join(home, "pg", "keepsake"), "utf8")).toBe("x");
  });
  it("settings without their data are an error, and no empty start", async () => {
    const { Cluster } = await script("cluster");
    const home = folder();
    writeFileSync(join(home, "cluster.json"), settings(home));
    await expect(new Cluster(home, true).make()).rejects.toThrow(
      /is not there. Nothing was changed, and nothing new was begun/,
    );
    expect(existsSync(join(home, "pg"))).toBe(false);
  });
  it("settings that were cut off are read from their copy, and said plainly where both are", async () => {
    const { Cluster } = await script("cluster");
    const home = folder();
    writeFileSync(join(home, "cluster.json"), settings(home).slice(0, 20));
    writeFileSync(join(home, "cluster.json.copy"), settings(home));
    expect(new Cluster(home, true).settings.port).toBe(5999);
    writeFileSync(join(home, "cluster.json.copy"), "{");
    expect(() => new Cluster(home, true)).toThrow(/are damaged, and so is their copy. Nothing was changed/);
  });
  it("a copied folder does not touch the original's data that lie elsewhere; a moved one takes them along", async () => {
    const { Cluster } = await script("cluster");
    const [original, copy, data] = [folder(), folder(), folder()];
    writeFileSync(join(data, "PG_VERSION"), "15\n");
    writeFileSync(join(data, "merry-sentinel.json"), JSON.stringify({ id: "own", folder: original }));
    writeFileSync(join(original, "cluster.json"), settings(original, { data }));
    writeFileSync(join(copy, "cluster.json"), settings(original, { data }));
    await expect(new Cluster(copy, true).make()).rejects.toThrow(
      /is a copy of the installation in .* They are not touched from here/,
    );
    new Cluster(copy, true).destroy();
    expect(existsSync(join(data, "PG_VERSION"))).toBe(true);
    const moved = folder();
    writeFileSync(join(moved, "cluster.json"), settings(original, { data }));
    rmSync(original, { recursive: true });
    await new Cluster(moved, true).make();
    expect(JSON.parse(readFileSync(join(data, "merry-sentinel.json"), "utf8"))).toEqual({ id: "own", folder: moved });
  });
  it("the superuser's password can be read by nobody else, also while the cluster is made", async () => {
    const { Cluster } = await script("cluster");
    const cluster = new Cluster(folder(), true);
    let modes: string[] = [];
    cluster.postgres = (program: string, args: string[]) => {
      const secret = args.find((arg) => arg.startsWith("--pwfile="))?.slice("--pwfile=".length);
      if (program === "initdb" && secret)
        modes = [secret, dirname(secret), cluster.settingsPath].map((path) =>
          (statSync(path).mode & 0o777).toString(8),
        );
      return { status: 1, stderr: "stopped for the test" };
    };
    await expect(cluster.make()).rejects.toThrow(/could not be made: stopped for the test/);
    expect(modes).toEqual(["600", "700", "600"]);
    expect(existsSync(`${cluster.data}-first`)).toBe(false);
    rmSync(cluster.data, { recursive: true });
    if (!cluster.data.startsWith(cluster.folder)) rmSync(dirname(cluster.data), { recursive: true });
  });
  it("data of another installation are not opened", async () => {
    const { Cluster } = await script("cluster");
    const home = folder();
    mkdirSync(join(home, "pg"));
    writeFileSync(join(home, "pg", "PG_VERSION"), "15\n");
    writeFileSync(join(home, "pg", "merry-sentinel.json"), JSON.stringify({ id: "another", folder: "/srv/another" }));
    writeFileSync(join(home, "cluster.json"), settings(home));
    await expect(new Cluster(home, true).make()).rejects.toThrow(/belongs to another installation \(\/srv\/another\)/);
  });
});

describe("another installation on the same database server", () => {
  it("is refused, and the first one's passwords stay as they are", () => {
    const strange = (process.env.DATABASE_APP_URL as string).replace(/:[^:@]+@/, ":another-password@");
    const { status, stderr } = spawnSync(process.execPath, ["node_modules/tsx/dist/cli.mjs", "src/db/migrate.ts"], {
      encoding: "utf8",
      env: { ...process.env, DATABASE_APP_URL: strange },
    });
    expect(status).toBe(1);
    expect(stderr).toMatch(/sentinel_app is there already .* Nothing was changed[\s\S]*given\.json/);
    expect(stderr).not.toContain("another-password");
    const again = spawnSync(process.execPath, ["node_modules/tsx/dist/cli.mjs", "src/db/migrate.ts"], {
      encoding: "utf8",
    });
    expect([again.status, again.stderr]).toEqual([0, ""]);
  });
});

describe("each process is given what it needs, and no more", () => {
  const all = Object.fromEntries(
    [
      "DATABASE_OWNER_URL",
      "DATABASE_APP_URL",
      "DATABASE_AUTH_URL",
      "DATABASE_JOBS_URL",
      "DATABASE_VERIFY_URL",
      "DATABASE_LOADER_URL",
      "AUTH_SECRET",
      "SMTP_URL",
      "MAIL_FROM",
      "SENTINEL_URL",
    ].map((n) => [n, n]),
  );
  const secrets = (environment: object) =>
    Object.keys(environment)
      .filter((n) => /^(DATABASE_|AUTH_SECRET|SMTP_URL|PG)/.test(n))
      .sort();
  it("whatever the surroundings hold", async () => {
    const { webEnvironment, jobsEnvironment } = await script("processes");
    process.env.DATABASE_URL = "postgresql://superuser:x@127.0.0.1/x";
    process.env.PGPASSWORD = "x";
    try {
      expect(secrets(webEnvironment(all))).toEqual(["AUTH_SECRET", "DATABASE_APP_URL", "DATABASE_AUTH_URL"]);
      expect(secrets(jobsEnvironment(all))).toEqual(["DATABASE_APP_URL", "DATABASE_JOBS_URL", "SMTP_URL"]);
    } finally {
      delete process.env.DATABASE_URL;
      delete process.env.PGPASSWORD;
    }
  });
});

describe("what an earlier start left behind", () => {
  it("is known and ended; a number that another process has by now is left alone", async () => {
    const { Register } = await script("processes");
    const home = folder();
    const left = spawn(process.execPath, ["-e", "setInterval(() => {}, 1000)"]);
    const other = spawn(process.execPath, ["-e", "setInterval(() => {}, 1000)"]);
    try {
      const register = new Register(home);
      register.add("web", left.pid);
      const rows = JSON.parse(readFileSync(join(home, "running.json"), "utf8"));
      writeFileSync(
        join(home, "running.json"),
        JSON.stringify([...rows, { what: "jobs", pid: other.pid, began: "1" }]),
      );
      await new Register(home).clear();
      await expect.poll(() => left.signalCode).toBe("SIGTERM");
      expect(other.signalCode).toBeNull();
    } finally {
      left.kill("SIGKILL");
      other.kill("SIGKILL");
    }
  });
  it("is said where the earlier start is still at work", async () => {
    const { Register } = await script("processes");
    const home = folder();
    new Register(home).add("launcher", process.pid);
    await expect(new Register(home).clear()).rejects.toThrow(/is running already/);
  });
});

describe("what stands in one place", () => {
  const files = (dir: string): string[] =>
    readdirSync(dir, { withFileTypes: true }).flatMap((e) =>
      e.isDirectory()
        ? files(join(dir, e.name))
        : /\.tsx?$/.test(e.name) && !e.name.includes(".test.")
          ? [join(dir, e.name)]
          : [],
    );
  const having = (words: RegExp, among: string[]) => among.filter((f) => words.test(readFileSync(f, "utf8")));
  it("is the clock: the server, the jobs and the screens read it by their port", () =>
    expect(
      having(
        /new Date\(\)|Date\.now\(\)/,
        ["server", "jobs", "components", "app", "db", "core"].flatMap((d) => files(join("src", d))),
      ),
    ).toEqual([]));
  it("is the environment: read and checked once", () => {
    const allowed = /^src\/(env|cli|db\/(migrate|roles)|instrumentation|proxy|server\/judge\/judge-apart)/;
    expect(having(/process\.env/, files("src")).filter((f) => !allowed.test(f))).toEqual([]);
  });
});
