import { eq } from "drizzle-orm";
import { Secret, TOTP } from "otpauth";
import { afterAll, describe, expect, it } from "vitest";
import { authDatabase, closePools, inDistrict } from "@/db/client";
import { invitation, membership } from "@/db/schema";
import { session, setUpCode } from "@/db/schema/auth";
import { claim } from "@/jobs/claim";
import { perform } from "@/jobs/perform";
import { accountOf, auth, createAccount } from "@/server/accounts/auth";
import { isCommon, newPassword, verifyPassword } from "@/server/accounts/passwords";
import { beginSecondFactor, checkCode, hasSecondFactor } from "@/server/accounts/second-factor";
import { isOpen, makeSecretLink, takeSecretLink } from "@/server/accounts/secret-links";
import { makeSetUpCode, withSetUpCode } from "@/server/accounts/set-up-code";
import { acceptInvitation, invitationByToken, invite, revokeInvitation } from "@/server/people/invitations";
import { peopleOf, removePerson, setRoles } from "@/server/people/people";
import { asOwner, member, OTTER, PINE, uuidv7 } from "../support/database";

afterAll(closePools);
const keeper = member(["keeper"]);
const strangeKeeper = { ...member(["keeper"], PINE), name: "Pine Ridge Watch" };
const PASSWORD = "four random field words";

/** Invites, and takes the token from the letter as the person would. */
async function invited(by: typeof keeper, email: string, roles: string[]): Promise<string> {
  await invite(by, { name: "New Hire", email, roles });
  let token = "";
  const port = {
    simulated: false,
    send: async ({ to, body }: { to: string; body: string }) => {
      if (to === email) token = /invite\/([\w-]+)/.exec(body)?.[1] ?? "";
    },
  };
  for (let own = await claim("letters"); own; own = await claim("letters"))
    await perform(own, { mail: port, registry: null });
  return token;
}
const passwordOf = async (email: string) => {
  const account = await accountOf(email);
  const accounts = await (await auth().$context).internalAdapter.findAccounts(account?.id as string);
  return accounts[0].password as string;
};
const memberOf = (districtId: string, email: string) =>
  inDistrict(districtId, async (tx) => (await tx.select().from(membership).where(eq(membership.email, email)))[0]);

describe("an invitation", () => {
  it("to an address that has an account never sets or drops a password, and wants that account's sign-in", async () => {
    const email = `victim${uuidv7()}@otter.example`;
    // Someone in another district was there first.
    await acceptInvitation(await invited(strangeKeeper, email, ["scout"]), null, {
      name: "New Hire",
      password: "attacker knows this 1",
    });
    const before = await passwordOf(email);
    const token = await invited(keeper, email, ["specialist"]);
    await expect(acceptInvitation(token, null, { name: "New Hire", password: PASSWORD })).rejects.toMatchObject({
      status: 403,
    });
    await expect(
      acceptInvitation(token, { userId: "someone-else", email }, { name: "New Hire", password: PASSWORD }),
    ).rejects.toMatchObject({ status: 403 });
    expect(await passwordOf(email)).toBe(before);
    expect(await memberOf(OTTER, email)).toBeUndefined();
    const account = await accountOf(email);
    await acceptInvitation(token, { userId: account?.id as string, email }, {});
    expect((await memberOf(OTTER, email)).roles).toEqual(["specialist"]);
    expect(await passwordOf(email)).toBe(before);
  });
  it("works once, also for eight at once, and not after it was taken back or another was sent", async () => {
    const email = `once${uuidv7()}@otter.example`;
    const first = await invited(keeper, email, ["scout"]);
    const second = await invited(keeper, email, ["scout"]);
    expect(await invitationByToken(first)).toBeNull();
    const accepted = await Promise.allSettled(
      Array.from({ length: 8 }, () => acceptInvitation(second, null, { name: "New Hire", password: PASSWORD })),
    );
    expect(accepted.filter((a) => a.status === "fulfilled")).toHaveLength(1);
    const third = await invited(keeper, `other${email}`, ["keeper"]);
    const [open] = (await peopleOf(keeper)).invitations.filter((i) => i.email === `other${email}`);
    await revokeInvitation(keeper, { id: open.id });
    await expect(acceptInvitation(third, null, { name: "New Hire", password: PASSWORD })).rejects.toMatchObject({
      status: 404,
    });
    await expect(revokeInvitation(strangeKeeper, { id: open.id })).rejects.toMatchObject({ status: 404 });
  });
  it("that is old raises nobody: roles that were taken stay taken", async () => {
    const email = `demoted${uuidv7()}@otter.example`;
    await acceptInvitation(await invited(keeper, email, ["scout"]), null, { name: "New Hire", password: PASSWORD });
    const account = await accountOf(email);
    const token = await invited(keeper, email, ["keeper"]);
    const row = await memberOf(OTTER, email);
    await setRoles(keeper, { personId: row.personId, version: row.version, roles: ["visitor"] });
    await expect(acceptInvitation(token, { userId: account?.id as string, email }, {})).rejects.toMatchObject({
      status: 404,
    });
    const again = await invited(keeper, email, ["keeper"]);
    await acceptInvitation(again, { userId: account?.id as string, email }, {});
    expect((await memberOf(OTTER, email)).roles).toEqual(["visitor"]);
  });
  it("is kept hashed, and its letter can be read by nobody in the program", async () => {
    const email = `hashed${uuidv7()}@otter.example`;
    const token = await invited(keeper, email, ["scout"]);
    const { rows } = await asOwner((c) =>
      c.query(
        "SELECT (SELECT string_agg(t::text, ' ') FROM invitation t) || (SELECT string_agg(m::text, ' ') FROM mail m) || (SELECT string_agg(c::text, ' ') FROM change c WHERE c.what = 'invitation') AS everything",
      ),
    );
    expect(rows[0].everything).not.toContain(token);
  });
  it("shows addresses, licences and letters to the keeper alone, and to each person the own", async () => {
    const seen = await peopleOf(member(["visitor"]));
    expect(seen.people.every((p) => p.private === null)).toBe(true);
    expect([seen.invitations, seen.letters]).toEqual([[], []]);
    expect((await peopleOf(keeper)).people.every((p) => p.private?.email)).toBe(true);
  });
});

describe("a person who leaves or is taken out", () => {
  it("loses sessions, links and invitations at once; the name stays on what was signed", async () => {
    const email = `leaver${uuidv7()}@otter.example`;
    await acceptInvitation(await invited(keeper, email, ["scout"]), null, { name: "Sedge Leaver", password: PASSWORD });
    const account = await accountOf(email);
    const id = account?.id as string;
    await (await auth().$context).internalAdapter.createSession(id);
    const link = await makeSecretLink(id, "password");
    const token = await invited(keeper, email, ["keeper"]);
    await expect(removePerson(member(["scout"]), { personId: id })).rejects.toMatchObject({ status: 403 });
    expect(await removePerson(keeper, { personId: id })).toBe("Sedge Leaver");
    expect(await authDatabase().select().from(session).where(eq(session.userId, id))).toEqual([]);
    expect(await isOpen(link, "password")).toBe(false);
    expect(await invitationByToken(token)).toBeNull();
    const row = await memberOf(OTTER, email);
    expect(row).toMatchObject({ name: "Sedge Leaver", endedBy: "Test Person", endedById: "test-person" });
    expect((await peopleOf(keeper)).people.some((p) => p.personId === id)).toBe(false);
    await acceptInvitation(await invited(keeper, email, ["scout"]), { userId: id, email }, {});
    expect((await memberOf(OTTER, email)).endedAt).toBeNull();
  });
  it("is never the last keeper", async () => {
    const [only] = await inDistrict(PINE, (tx) =>
      tx.select().from(membership).where(eq(membership.name, "Sorrel Finch")),
    );
    await expect(removePerson(strangeKeeper, { personId: only.personId })).rejects.toMatchObject({ status: 409 });
  });
  it("changed by two keepers at once is changed by one; the other is told what both wrote", async () => {
    const [row] = await inDistrict(OTTER, (tx) =>
      tx.select().from(membership).where(eq(membership.name, "Wren Halloway")),
    );
    const change = (licence: string) =>
      setRoles(keeper, { personId: row.personId, version: row.version, roles: row.roles, licence });
    await change("INV-1");
    await expect(change("INV-2")).rejects.toMatchObject({
      status: 409,
      issues: [
        { field: "version", what: expect.stringContaining("INV-1") },
        { field: "version", what: expect.stringContaining("INV-2") },
      ],
    });
    const now = await memberOf(OTTER, row.email);
    await setRoles(keeper, { personId: row.personId, version: now.version, roles: row.roles });
  });
});

describe("a password", () => {
  it.each([
    "aaaaaaaaaa",
    "aabbabaabb",
    "abababababab",
    "password123",
    "1234567890",
    "qwertyuiop",
    "Password2026!",
    "iloveyou!!",
  ])("may not be %s", (password) => expect(newPassword.safeParse(password).success).toBe(false));
  it.each([PASSWORD, "Otter-Reach-417-fern", "otter-valley-demo"])("may be %s", (password) =>
    expect(isCommon(password)).toBe(false),
  );
  it("is chosen anew by a link once, and then ends the link", async () => {
    const id = await createAccount(
      { name: "Sedge", email: `link${uuidv7()}@otter.example`, password: PASSWORD },
      false,
    );
    const [old, token] = [await makeSecretLink(id, "password"), await makeSecretLink(id, "password")];
    expect(await takeSecretLink(old, "password")).toBeNull();
    expect(await takeSecretLink(token, "address")).toBeNull();
    const taken = await Promise.all([takeSecretLink(token, "password"), takeSecretLink(token, "password")]);
    expect(taken.filter(Boolean)).toHaveLength(1);
  });
  it("is checked against its hash as the sign-in library keeps it", async () => {
    const email = `hash${uuidv7()}@otter.example`;
    await createAccount({ name: "Sedge", email, password: PASSWORD }, false);
    const hash = await passwordOf(email);
    expect(await verifyPassword({ hash, password: PASSWORD })).toBe(true);
    expect(await verifyPassword({ hash, password: `${PASSWORD}!` })).toBe(false);
    await expect(createAccount({ name: "Again", email, password: "another password 7" }, false)).rejects.toThrow();
    expect(await passwordOf(email)).toBe(hash);
  });
});

describe("one-time codes", () => {
  it("come into force with the first right code, and none works twice", async () => {
    const id = await createAccount(
      { name: "Sedge", email: `totp${uuidv7()}@otter.example`, password: PASSWORD },
      false,
    );
    const { secret } = await beginSecondFactor(id, "x");
    const code = new TOTP({ secret: Secret.fromBase32(secret) }).generate();
    const wrong = String((Number(code) + 1) % 1_000_000).padStart(6, "0");
    expect(await checkCode(id, code)).toBe(false);
    expect(await checkCode(id, wrong, true)).toBe(false);
    expect(await hasSecondFactor(id)).toBe(false);
    expect(await checkCode(id, code, true)).toBe(true);
    expect(await hasSecondFactor(id)).toBe(true);
    expect(await checkCode(id, code)).toBe(false);
    await expect(beginSecondFactor(id, "x")).rejects.toMatchObject({ status: 409 });
    const { rows } = await asOwner((c) => c.query("SELECT secret FROM auth.second_factor WHERE user_id = $1", [id]));
    expect(rows[0].secret).not.toContain(secret);
  });
});

describe("the set-up code", () => {
  it("works once, under a lock, however many come at once, and is used up only by what succeeds", async () => {
    const code = await makeSetUpCode();
    await expect(withSetUpCode(code, () => Promise.reject(new Error("the disk is full")))).rejects.toThrow("full");
    let made = 0;
    const all = await Promise.allSettled(
      Array.from({ length: 4 }, () =>
        withSetUpCode(code.toLowerCase(), async () => {
          made++;
        }),
      ),
    );
    expect([made, all.filter((a) => a.status === "fulfilled").length]).toEqual([1, 1]);
    await expect(withSetUpCode(code, async () => undefined)).rejects.toMatchObject({ status: 409 });
    const [row] = await authDatabase().select().from(setUpCode);
    expect(JSON.stringify(row)).not.toContain(code);
  });
  it("is slowed after five wrong tries, also many at once", async () => {
    await makeSetUpCode();
    const tries = await Promise.allSettled(
      Array.from({ length: 40 }, () => withSetUpCode("WRONGWRONG", async () => undefined)),
    );
    const statuses = tries.map((t) => (t as PromiseRejectedResult).reason.status);
    expect(statuses.filter((s) => s === 403).length).toBeLessThanOrEqual(8);
    expect(statuses.filter((s) => s === 429).length).toBeGreaterThan(30);
    await makeSetUpCode();
  });
});

describe("every change that people make", () => {
  it("leaves a trail that says who, when, before and after, by the database's own clock", async () => {
    const row = await memberOf(OTTER, "scout@otter.example");
    await inDistrict(
      OTTER,
      async (tx) => {
        const { sql } = await import("drizzle-orm");
        await tx.execute(sql`SELECT set_config('app.clock', '2001-01-01T00:00:00Z', true)`);
        await tx.update(membership).set({ licence: "INV-777" }).where(eq(membership.personId, row.personId));
      },
      keeper,
    );
    const { change } = await import("@/db/schema");
    const trail = await inDistrict(
      OTTER,
      (tx) => tx.select().from(change).where(eq(change.rowId, row.personId)),
      keeper,
    );
    const last = trail.sort((a, b) => a.id - b.id).at(-1);
    expect(last).toMatchObject({
      what: "membership",
      act: "update",
      personId: "test-person",
      personName: "Test Person",
    });
    expect([last?.before, last?.after].map((row) => (row as { licence: string } | undefined)?.licence)).toEqual([
      null,
      "INV-777",
    ]);
    expect(Math.abs((last?.at.getTime() ?? 0) - Date.now())).toBeLessThan(600_000);
    await expect(
      inDistrict(
        OTTER,
        (tx) => tx.insert(change).values({ ...(last as never as typeof change.$inferInsert), id: 99999999 }),
        keeper,
      ),
    ).rejects.toThrow();
    expect(
      await inDistrict(
        OTTER,
        (tx) => tx.select().from(change).where(eq(change.rowId, row.personId)),
        member(["specialist"]),
      ),
    ).toEqual([]);
    expect(
      await inDistrict(PINE, (tx) => tx.select().from(change).where(eq(change.districtId, OTTER)), strangeKeeper),
    ).toEqual([]);
    await inDistrict(
      OTTER,
      (tx) => tx.update(membership).set({ licence: null }).where(eq(membership.personId, row.personId)),
      keeper,
    );
    expect(await inDistrict(OTTER, (tx) => tx.select().from(invitation).limit(1))).not.toBeNull();
  });
});

describe("a day's share", () => {
  it("ends with its last, for that person and that day alone", async () => {
    const who = { ...member(["scout"]), personId: `busy ${uuidv7()}` };
    const { count } = await import("@/server/platform/quota");
    const { asMember } = await import("@/server/platform/session");
    const { now } = await import("@/server/platform/clock");
    await asOwner((c) =>
      c.query("INSERT INTO usage (district_id, person_id, day, kind, n) VALUES ($1, $2, $3, 'finding', 2999)", [
        OTTER,
        who.personId,
        now().toISOString().slice(0, 10),
      ]),
    );
    await asMember(who, (tx) => count(tx, who, "finding"));
    await expect(asMember(who, (tx) => count(tx, who, "finding"))).rejects.toMatchObject({ status: 429, code: "wait" });
    await asMember(who, (tx) => count(tx, who, "picture"));
    await asMember(member(["scout"]), (tx) => count(tx, member(["scout"]), "finding"));
  });
});
