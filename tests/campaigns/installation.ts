import { type ChildProcess, spawn } from "node:child_process";
import { existsSync, mkdtempSync, readFileSync } from "node:fs";
import { createServer } from "node:net";
import { tmpdir } from "node:os";
import { join } from "node:path";

const free = (): Promise<number> =>
  new Promise((resolve) => {
    const probe = createServer();
    probe.listen(0, "127.0.0.1", () => {
      const { port } = probe.address() as { port: number };
      probe.close(() => resolve(port));
    });
  });
export const sleep = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));

type Kind = "demo" | "real";

/** An installation of its own, with the demonstration in it or empty, in a folder that is thrown away; started as a supervisor would start it. */
export class Installation {
  readonly folder: string;
  readonly port: number;
  private launcher: ChildProcess | null = null;
  private wanted = false;
  restarts = 0;

  private readonly kind: Kind;

  private constructor(folder: string, port: number, kind: Kind) {
    this.folder = folder;
    this.port = port;
    this.kind = kind;
  }

  static async make(kind: Kind = "demo"): Promise<Installation> {
    const made = new Installation(mkdtempSync(join(tmpdir(), "campaign-")), await free(), kind);
    await made.start();
    return made;
  }

  get base(): string {
    return `http://127.0.0.1:${this.port}`;
  }

  /** Starts the launcher, and again whenever it ends with a failure. */
  async start(): Promise<void> {
    this.wanted = true;
    this.launch();
    await this.well(240_000);
  }

  private launch(): void {
    const own: Record<string, string | undefined> = Object.fromEntries(
      Object.entries(process.env).filter(([k]) => !/^(DATABASE_|AUTH_SECRET|SENTINEL_|DEMO$)/.test(k)),
    );
    const child = spawn(
      process.execPath,
      ["scripts/run.mjs", this.kind === "demo" ? "demo" : "start", "--port", String(this.port)],
      {
        env: { ...own, SENTINEL_DATA: this.folder, NODE_ENV: "production" },
        stdio: "ignore",
      },
    );
    child.once("exit", (code) => {
      if (!this.wanted || this.launcher !== child) return;
      if (code === 0) throw new Error("the launcher ended as if all were well");
      this.restarts++;
      setTimeout(() => this.wanted && this.launch(), 300);
    });
    this.launcher = child;
  }

  /** Waits until it answers that it is well. @returns how long that took, ms */
  async well(mostMs = 120_000): Promise<number> {
    const began = Date.now();
    for (;;) {
      const answer = await fetch(`${this.base}/api/health`, { signal: AbortSignal.timeout(5000) }).catch(() => null);
      if (answer?.ok) return Date.now() - began;
      if (Date.now() - began > mostMs) throw new Error("the service did not come back by itself");
      await sleep(200);
    }
  }

  /** Process ids as the launcher notes them. */
  pid(what: "launcher" | "web" | "jobs"): number | null {
    const path = join(this.folder, this.kind, "running.json");
    if (!existsSync(path)) return null;
    try {
      const rows = JSON.parse(readFileSync(path, "utf8")) as { what: string; pid: number }[];
      return rows.find((r) => r.what === what)?.pid ?? null;
    } catch {
      return null;
    }
  }

  /** The database's main process. */
  async postmaster(): Promise<number | null> {
    const { Cluster } = await import("../../scripts/lib/cluster.mjs" as string);
    const path = join(new Cluster(join(this.folder, this.kind)).data, "postmaster.pid");
    return existsSync(path) ? Number(readFileSync(path, "utf8").split("\n")[0]) : null;
  }

  /** Addresses of its database. */
  async environment(): Promise<Record<string, string>> {
    const { Cluster } = await import("../../scripts/lib/cluster.mjs" as string);
    return new Cluster(join(this.folder, this.kind)).environment();
  }

  async end(): Promise<void> {
    this.wanted = false;
    const child = this.launcher;
    if (child && child.exitCode === null) {
      child.kill("SIGTERM");
      await new Promise((resolve) => child.once("exit", resolve));
    }
    const { Cluster } = await import("../../scripts/lib/cluster.mjs" as string);
    new Cluster(join(this.folder, this.kind)).destroy();
  }
}
