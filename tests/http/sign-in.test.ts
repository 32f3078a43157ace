import { afterAll, describe, expect, it } from "vitest";
import { closePools } from "@/db/client";
import { createAccount } from "@/server/accounts/auth";
import { makeSecretLink } from "@/server/accounts/secret-links";
import { invite } from "@/server/people/invitations";
import { as, Client } from "../support/client";
import { asOwner, member, OTTER, uuidv7 } from "../support/database";

afterAll(closePools);
const PASSWORD = "four random field words";

/** A person of the demonstration's district, made for one test. */
async function person(): Promise<string> {
  const email = `p${uuidv7()}@otter.example`;
  const id = await createAccount({ name: "Sedge Waller", email, password: PASSWORD }, false);
  await asOwner((c) =>
    c.query(
      "INSERT INTO membership (district_id, person_id, name, email, roles) VALUES ($1, $2, 'Sedge Waller', $3, '{scout}')",
      [OTTER, id, email],
    ),
  );
  return email;
}
const tries = async (
  client: Client,
  email: string,
  password: string,
  n: number,
  headers: (i: number) => Record<string, string> = () => ({}),
) => {
  const statuses: number[] = [];
  for (let i = 0; i < n; i++)
    statuses.push((await client.send("POST", "/api/v1/session", { email, password }, headers(i))).status);
  return statuses;
};

describe("signing in", () => {
  it("is slowed after wrong passwords for one account, whatever address a client claims to have", async () => {
    const email = await person();
    const statuses = await tries(new Client(), email, "wrong", 14, (i) => ({ "x-forwarded-for": `203.0.113.${i}` }));
    expect(statuses.slice(0, 6)).toEqual(Array(6).fill(401));
    expect(statuses.filter((s) => s === 429).length).toBeGreaterThan(3);
    expect(statuses.slice(-3)).toContain(429);
  });
  it("is counted too where many tries come at once", async () => {
    const email = await person();
    const client = new Client();
    const statuses = await Promise.all(
      Array.from({ length: 30 }, () =>
        client.send("POST", "/api/v1/session", { email, password: "wrong" }).then((r) => r.status),
      ),
    );
    expect(statuses.filter((s) => s === 401).length).toBeLessThanOrEqual(10);
  });
  it("has a count of its own on a device on which the person has signed in before", async () => {
    const email = await person();
    const known = await new Client().signIn(email, PASSWORD);
    await known.fetch("/api/v1/session", { method: "DELETE" });
    await tries(new Client(), email, "wrong", 12);
    expect(await tries(new Client(), email, PASSWORD, 1)).toEqual([429]);
    expect(await tries(known, email, PASSWORD, 1)).toEqual([200]);
  });
  it("by one shared address locks nobody else out", async () => {
    const [attacked, other] = [await person(), await person()];
    await tries(new Client(), attacked, "wrong", 12);
    expect(await tries(new Client(), other, PASSWORD, 1)).toEqual([200]);
  });
  it("answers the same whether an address is known or not", async () => {
    const answer = async (email: string) =>
      (await new Client().send("POST", "/api/v1/session", { email, password: "wrong" })).json();
    expect(await answer(await person())).toEqual(await answer(`nobody${uuidv7()}@otter.example`));
  });
});

describe("a session", () => {
  it("ends at once for whoever is taken out of the district", async () => {
    const email = await person();
    const client = await new Client().signIn(email, PASSWORD);
    expect((await client.fetch("/api/v1/field-pack")).status).toBe(200);
    const { removePerson } = await import("@/server/people/people");
    const id = await asOwner(
      async (c) => (await c.query("SELECT person_id FROM membership WHERE email = $1", [email])).rows[0].person_id,
    );
    await removePerson(member(["keeper"]), { personId: id });
    expect((await client.fetch("/api/v1/field-pack")).status).toBe(401);
  });
  it("is never cached, nor is a picture or a tile", async () => {
    const scout = await as("scout");
    for (const path of ["/api/v1/field-pack", "/api/v1/tiles/12/555/1483", "/api/v1/names?q=a"])
      expect((await scout.fetch(path)).headers.get("cache-control"), path).toContain("no-store");
    expect((await scout.fetch("/today")).headers.get("cache-control")).toContain("no-store");
  });
});

describe("pages that are opened by a link", () => {
  it("tell an address that has an account to sign in, and offer no password field for a new one", async () => {
    const email = await person();
    await invite(member(["keeper"]), { name: "Sedge Waller", email, roles: ["specialist"] });
    const token = await tokenOf(email);
    const page = await (await new Client().fetch(`/invite/${token}`)).text();
    expect(page).toContain("has an account already");
    expect(page).not.toContain("Choose a password");
    const own = await new Client().signIn(email, PASSWORD);
    expect(await (await own.fetch(`/invite/${token}`)).text()).toContain("Your account and its password stay as they");
    expect(await (await (await as("scout")).fetch(`/invite/${token}`)).text()).toContain(
      "Sign out, then open the link again",
    );
  });
  it("let nobody choose a password by a link that was used or made up", async () => {
    const email = await person();
    const { accountOf } = await import("@/server/accounts/auth");
    const { choosePassword } = await import("@/server/people/own-account");
    const token = await makeSecretLink((await accountOf(email))?.id as string, "password", { byMachine: true });
    const page = async (t: string) => (await new Client().fetch(`/password/${t}`)).text();
    expect(await page(token)).toContain("New password");
    const before = await new Client().signIn(email, PASSWORD);
    await choosePassword(token, { fresh: "another set of field words" });
    expect(await page(token)).toContain("used up");
    expect(await page("made-up")).toContain("used up");
    expect((await before.fetch("/api/v1/field-pack")).status).toBe(401);
    expect(await tries(new Client(), email, PASSWORD, 1)).toEqual([401]);
    expect(await tries(new Client(), email, "another set of field words", 1)).toEqual([200]);
  });
});

/** The token in the letter, which the jobs process has handed to the demonstration's own letters. */
async function tokenOf(email: string): Promise<string> {
  for (let i = 0; i < 100; i++) {
    const rows = await asOwner(
      async (c) => (await c.query("SELECT body FROM sample_letter WHERE recipient = $1", [email])).rows,
    );
    if (rows[0]) return /invite\/([\w-]+)/.exec(rows[0].body)?.[1] as string;
    await new Promise((resolve) => setTimeout(resolve, 200));
  }
  throw new Error("the letter was not handed over");
}
