/** A program that talks to the running server over HTTP, with cookies of its own. */
export class Client {
  readonly base: string;
  private readonly jar = new Map<string, string>();

  constructor(base = process.env.SENTINEL_URL as string) {
    if (!/^http:\/\/(127\.|\[::1\]|localhost)/.test(base))
      throw new Error(`tests talk to this machine alone, not to ${base}`);
    this.base = base;
  }

  async fetch(path: string, init: RequestInit = {}): Promise<Response> {
    const headers = new Headers(init.headers);
    if (this.jar.size > 0) headers.set("cookie", [...this.jar].map(([k, v]) => `${k}=${v}`).join("; "));
    const response = await fetch(this.base + path, { redirect: "manual", ...init, headers });
    for (const line of response.headers.getSetCookie()) {
      const [pair] = line.split("; ");
      const at = pair.indexOf("=");
      this.jar.set(pair.slice(0, at), pair.slice(at + 1));
    }
    return response;
  }

  cookie(name: string): string | undefined {
    return this.jar.get(name);
  }

  async json<T = Record<string, unknown>>(path: string, init?: RequestInit): Promise<T> {
    return (await this.fetch(path, init)).json() as Promise<T>;
  }

  send(method: string, path: string, body: unknown, headers: Record<string, string> = {}): Promise<Response> {
    return this.fetch(path, {
      method,
      headers: { "content-type": "application/json", ...headers },
      body: JSON.stringify(body),
    });
  }

  async signIn(email: string, password = "otter-valley-demo"): Promise<this> {
    let response = await this.send("POST", "/api/v1/session", { email, password });
    // Others of these tests may just have slowed this network.
    for (let more = 0; response.status === 429 && more < 8; more++) {
      await new Promise((resolve) => setTimeout(resolve, 1000));
      response = await this.send("POST", "/api/v1/session", { email, password });
    }
    if (!response.ok) throw new Error(`${email} could not sign in: ${response.status} ${await response.text()}`);
    return this;
  }

  /** Waits for a job's end. */
  async job(id: string, waitMs = 60_000): Promise<Record<string, unknown>> {
    for (const until = Date.now() + waitMs; Date.now() < until; ) {
      const view = await this.json(`/api/v1/jobs/${id}`);
      if (!["waiting", "running"].includes(view.state as string)) return view;
      await new Promise((resolve) => setTimeout(resolve, 200));
    }
    throw new Error("the job did not end in time");
  }
}

/** A client that is signed in as one of the demonstration's people: one sign-in each, as often as it is asked for. */
const signedIn = new Map<string, Promise<Client>>();
export function as(who: "scout" | "specialist" | "applicator" | "keeper" | "visitor" | "pine"): Promise<Client> {
  const email = who === "pine" ? "keeper@pine.example" : `${who}@otter.example`;
  const known = signedIn.get(email) ?? new Client().signIn(email);
  signedIn.set(email, known);
  return known;
}

interface FieldPack {
  key: string;
  sites: { id: string; centre: [number, number]; patches: { id: string }[] }[];
  today: string;
}
export const fieldPack = (client: Client) => client.json<FieldPack>("/api/v1/field-pack");
