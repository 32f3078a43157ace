import { spawnSync } from "node:child_process";
import { existsSync, mkdirSync, mkdtempSync, readdirSync, readFileSync, writeFileSync } from "node:fs";
import { createServer } from "node:net";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { describe, expect, it } from "vitest";

const script = (name: string) => import(/* @vite-ignore */ `${process.cwd()}/scripts/lib/${name}.mjs`);
const folder = () => mkdtempSync(join(tmpdir(), "surroundings-"));

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

  it("a cluster that was half made: set aside, not deleted", async () => {
    const { Cluster } = await script("cluster");
    const home = folder();
    mkdirSync(join(home, "pg"));
    writeFileSync(join(home, "pg", "keepsake"), "x");
    const cluster = new Cluster(home, true);
    cluster.data = join(home, "pg");
    cluster.setAsideHalfMade();
    expect(existsSync(join(home, "pg"))).toBe(false);
    const aside = readdirSync(home).find((name) => name.startsWith("pg.half-made")) as string;
    expect(readFileSync(join(home, aside, "keepsake"), "utf8")).toBe("x");
  });

  it("a cluster of another version: left alone", async () => {
    const { Cluster } = await script("cluster");
    const home = folder();
    mkdirSync(join(home, "pg"));
    writeFileSync(join(home, "pg", "PG_VERSION"), "13\n");
    writeFileSync(join(home, "cluster.json"), JSON.stringify({ data: join(home, "pg"), port: 5999, passwords: {} }));
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
