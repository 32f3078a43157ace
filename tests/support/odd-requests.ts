import { readFileSync } from "node:fs";
import type { Chance } from "@/core/random";
import { act, allActions } from "./actions";
import { Client, fieldPack } from "./client";

/** Words that only the second district has: none may come in an answer to anybody of the first. */
const OF_PINE = ["Pine Ridge Watch", "Ridge Top"];
/** These end the session of whoever sends them, and are sent by strangers alone. */
const ENDING = /^(signOut|leave)/;

export interface Answered {
  what: string;
  who: string;
  status: number;
  ms: number;
  /** what is wrong with the answer, or null */
  fault: string | null;
}

/** Every route and page of the build, with what stands in brackets left in. */
export function allPaths(): { pages: string[]; routes: string[] } {
  const keys = Object.keys(JSON.parse(readFileSync(".next/server/app-paths-manifest.json", "utf8")) as object);
  const plain = (key: string) => key.replace(/\/\([^)]+\)/g, "").replace(/\/(page|route)$/, "") || "/";
  const seen = keys.filter((k) => !/_not-found|_global-error|serwist|manifest|icon/.test(k));
  return {
    pages: seen.filter((k) => k.endsWith("/page")).map(plain),
    routes: seen.filter((k) => k.endsWith("/route")).map(plain),
  };
}

/** Sends odd requests of all kinds, as all kinds of people, from a seed. */
export class OddRequests {
  private readonly chance: Chance;
  private readonly people: Map<string, Client>;
  private readonly ids: string[];
  private readonly paths = allPaths();
  private readonly acts = allActions();
  private readonly pine: Set<string>;

  private constructor(chance: Chance, people: Map<string, Client>, ids: string[], pine: Set<string>) {
    this.chance = chance;
    this.people = people;
    this.ids = ids;
    this.pine = pine;
  }

  static async make(chance: Chance, base?: string): Promise<OddRequests> {
    const people = new Map<string, Client>([["stranger", new Client(base)]]);
    for (const who of ["scout", "specialist", "applicator", "keeper", "visitor"])
      people.set(who, await new Client(base).signIn(`${who}@otter.example`));
    const pine = await new Client(base).signIn("keeper@pine.example");
    people.set("pine", pine);
    const [own, theirs] = [await fieldPack(people.get("scout") as Client), await fieldPack(pine)];
    const idsOf = (pack: typeof own) => [
      ...pack.sites.map((s) => s.id),
      ...pack.sites.flatMap((s) => s.patches.map((p) => p.id)),
    ];
    return new OddRequests(chance, people, [...idsOf(own).slice(0, 12), ...idsOf(theirs)], new Set(idsOf(theirs)));
  }

  private pick<T>(list: readonly T[]): T {
    return list[Math.floor(this.chance.uniform() * list.length)];
  }

  /** A value of any kind: right, odd, or meant to do harm. */
  private value(): unknown {
    const c = () => this.chance.uniform();
    return this.pick([
      () => this.pick(this.ids),
      () => "01920000-0000-7000-8000-0000000fffff",
      () => "",
      () => null,
      () => "a\u0000b",
      () => "\u202eevil",
      () => "' OR 1=1 --",
      () => "<script>alert(1)</script>",
      () => "../../etc/passwd",
      () => "x".repeat(Math.floor(c() * 20_000)),
      () => "9999-12-31",
      () => "0001-01-01",
      () => "2026-06-09",
      () => "2026-02-30",
      () => String(Math.floor(c() * 1e6) - 5e5),
      () => "1e308",
      () => "NaN",
      () => Math.floor(c() * 1000) - 500,
      () => c() * 1e20,
      () => true,
      () => [],
      () => ["milky"],
      () => ({ __proto__: { admin: true }, constructor: 1 }),
      () => "Cytisus scoparius",
      () => "target",
      () => "scout",
      () => "herb",
      () => "{",
      () => ({ longitude: -131.2, latitude: 44.36 }),
      () => ({
        type: "Polygon",
        coordinates: [
          [
            [-131.2, 44.36],
            [-131.19, 44.36],
            [-131.19, 44.37],
            [-131.2, 44.36],
          ],
        ],
      }),
      () => [{ character: "sap", states: ["milky"] }],
    ])();
  }

  private fields(): Record<string, unknown> {
    const names = [
      "id",
      "siteId",
      "patchId",
      "findingId",
      "planId",
      "personId",
      "taxon",
      "name",
      "note",
      "reason",
      "day",
      "doneOn",
      "place",
      "outline",
      "observations",
      "stage",
      "status",
      "roles",
      "version",
      "versions",
      "email",
      "password",
      "code",
      "token",
      "method",
      "intendedOn",
      "supersedes",
      "key",
      "value",
      "limits",
      "areaM2",
      "product.labelId",
      "marks",
      "kind",
      "input",
      "ground",
      "rules",
      "hour",
      "hold",
      "seasonShift",
      "hemisphere",
      "text",
      "district",
      "next",
      "draw",
      "site",
      "plan",
      "correct",
      "patch",
      "plants",
      "stage",
      "position",
      "character",
    ];
    const n = 1 + Math.floor(this.chance.uniform() * 12);
    return Object.fromEntries(Array.from({ length: n }, () => [this.pick(names), this.value()]));
  }

  private filled(path: string): string {
    return path.replace(/\[[^\]]+\]/g, () => encodeURIComponent(String(this.value() ?? "x").slice(0, 200)) || "x");
  }

  /** Sends one request. */
  async next(): Promise<Answered> {
    const who = this.pick([...this.people.keys()]);
    const client = this.people.get(who) as Client;
    const kind = this.chance.uniform();
    const began = performance.now();
    let [what, status, text] = ["", 0, ""];
    if (kind < 0.4) {
      const name = this.pick(this.acts.filter((a) => who === "stranger" || !ENDING.test(a)));
      what = `act ${name}`;
      const fields = Object.fromEntries(
        Object.entries(this.fields()).map(([k, v]) => [
          k,
          typeof v === "string" ? v.replaceAll("\u0000", "") : JSON.stringify(v ?? ""),
        ]),
      );
      ({ status, text } = await act(client, name, fields));
    } else if (kind < 0.6) {
      const path = this.filled(this.pick(this.paths.pages));
      const query = new URLSearchParams(Object.entries(this.fields()).map(([k, v]) => [k, String(v).slice(0, 300)]));
      what = `page ${path.slice(0, 60)}`;
      const response = await client.fetch(
        `${path}?${query}`,
        this.chance.uniform() < 0.3 ? { headers: { rsc: "1" } } : {},
      );
      [status, text] = [response.status, await response.text()];
    } else {
      const path = this.filled(this.pick(this.paths.routes));
      const method = this.pick(["GET", "GET", "POST", "POST", "POST", "PUT", "DELETE"]);
      what = `${method} ${path.slice(0, 60)}`;
      const query =
        this.chance.uniform() < 0.4
          ? `?${new URLSearchParams({ q: String(this.value()).slice(0, 200), finding: String(this.value()).slice(0, 60), scope: String(this.value()).slice(0, 60), format: this.pick(["json", "csv", "png", "pdf", "x"]), stage: this.pick(["flowering", "x"]), seed: String(this.value()).slice(0, 20) })}`
          : "";
      const body =
        method === "GET" || method === "DELETE"
          ? undefined
          : this.pick([
              () => JSON.stringify(this.fields()),
              () => "{",
              () => "[".repeat(5000),
              () => String(this.value()),
            ])();
      // A session of ours must not end by chance.
      const path2 = path === "/api/v1/session" && method === "DELETE" && who !== "stranger" ? "/api/health" : path;
      const response = await client.fetch(path2 + query, {
        method,
        headers:
          body === undefined
            ? {}
            : {
                "content-type": this.pick([
                  "application/json",
                  "application/json",
                  "text/plain",
                  "multipart/form-data",
                ]),
              },
        body,
      });
      [status, text] = [response.status, await response.text()];
    }
    return { what, who, status, ms: performance.now() - began, fault: this.faultIn(who, status, text) };
  }

  private faultIn(who: string, status: number, text: string): string | null {
    if (status >= 500 && status !== 503) return `status ${status}`;
    if (text.includes("Something went wrong on the server")) return "an error that nobody expected";
    if (who !== "pine" && OF_PINE.some((word) => text.includes(word))) return "a word of another district";
    if (who !== "pine" && [...this.pine].some((id) => text.includes(`"id":"${id}"`) && !text.includes("error")))
      return "a row of another district";
    if (/\bat .*\.(ts|js|mjs):\d+|SELECT .* FROM |node_modules/.test(text) && !text.includes("_next/static"))
      return "a stack or a query";
    return null;
  }
}
