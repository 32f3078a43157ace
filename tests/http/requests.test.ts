import sharp from "sharp";
import { describe, expect, it } from "vitest";
import { v7 as uuidv7 } from "uuid";
import { addDays } from "@/core/time";
import { as, Client, fieldPack } from "../support/client";

const finding = async (extra: Record<string, unknown> = {}) => {
  const { sites, today } = await fieldPack(await as("scout"));
  return {
    id: uuidv7(),
    siteId: sites[0].id,
    place: { longitude: sites[0].centre[0], latitude: sites[0].centre[1] },
    day: today,
    stage: null,
    kit: [],
    observations: [{ character: "sap", states: ["milky"] }],
    ...extra,
  };
};
const save = async (extra: Record<string, unknown> = {}, headers: Record<string, string> = {}) =>
  (await as("scout")).send("POST", "/api/v1/findings", await finding(extra), headers);
const codeOf = async (response: Response) => ((await response.json()) as { error: { code: string } }).error.code;

describe("a day that cannot be", () => {
  it.each(["9999-12-31", "0001-01-01", "1949-12-31"])("%s is refused at once, and the server goes on", async (day) => {
    const response = await save({ day });
    expect(response.status).toBe(400);
    expect(await codeOf(response)).toBe("never");
    expect((await fetch(`${process.env.SENTINEL_URL}/api/health`)).status).toBe(200);
  });
  it("the day after tomorrow is refused, tomorrow is taken: a device's clock may be ahead", async () => {
    const { today } = await fieldPack(await as("scout"));
    expect((await save({ day: addDays(today, 2) })).status).toBe(400);
    expect((await save({ day: addDays(today, 1) })).status).toBe(201);
  });
  it("an old one, from before the district was here, is taken and marked as entered later", async () => {
    const scout = await as("scout");
    const body = await finding({ day: "1987-05-03" });
    expect((await scout.send("POST", "/api/v1/findings", body)).status).toBe(201);
    expect(await (await scout.fetch(`/findings/${body.id}`)).text()).toContain("Entered later");
  });
});

describe("what is sent", () => {
  it("is refused where it is no JSON, too deep, too much or of another type, with a code and never a fault", async () => {
    const scout = await as("scout");
    const raw = (body: string, type = "application/json") =>
      scout.fetch("/api/v1/findings", { method: "POST", headers: { "content-type": type }, body });
    expect((await raw("{")).status).toBe(400);
    expect((await raw("[".repeat(20_000))).status).toBe(400);
    expect((await raw(`[${"1,".repeat(50_000)}1]`)).status).toBe(400);
    expect((await raw(`"${"x".repeat(500_000)}"`)).status).toBe(413);
    expect((await raw(JSON.stringify(await finding()), "text/plain")).status).toBe(415);
    expect(await codeOf(await raw("{"))).toBe("never");
  });
  it("is refused where a text holds what cannot be seen or stored", async () => {
    for (const note of ["a\u0000b", "a\u202eb"]) expect((await save({ note })).status).toBe(400);
    expect((await save({ id: "no id" })).status).toBe(400);
  });
  it("is refused far from the site that it names", async () => {
    const response = await save({ place: { longitude: 0, latitude: 0 } });
    expect(response.status).toBe(400);
    expect(await response.text()).toMatch(/km from the site/);
  });
  it("of another page than ours is refused, whatever cookies come with it", async () => {
    for (const origin of ["https://evil.example", "http://127.0.0.1:1", "null"])
      expect((await save({}, { origin })).status, origin).toBe(403);
    expect((await save({}, { "sec-fetch-site": "same-site" })).status).toBe(403);
    expect((await save({}, { origin: process.env.SENTINEL_URL as string })).status).toBe(201);
  });
  it("to every route that writes, from another page, is refused", async () => {
    const keeper = await as("keeper");
    const id = uuidv7();
    for (const [method, path] of [
      ["POST", "/api/v1/findings"],
      ["POST", "/api/v1/patches"],
      ["POST", "/api/v1/sites"],
      ["POST", "/api/v1/packs"],
      ["POST", `/api/v1/packs/${id}/take`],
      ["POST", "/api/v1/jobs"],
      ["DELETE", `/api/v1/jobs/${id}`],
      ["PUT", `/api/v1/pictures/${id}`],
      ["POST", `/api/v1/pictures/${id}/marks`],
      ["POST", "/api/v1/session"],
      ["DELETE", "/api/v1/session"],
    ])
      expect((await keeper.send(method, path, {}, { origin: "https://evil.example" })).status, path).toBe(403);
  });
});

describe("ids of another district", () => {
  it("tell nothing: a finding, a patch and a site of theirs are as good as new here", async () => {
    const pine = await as("pine");
    const body = await finding();
    expect((await (await as("scout")).send("POST", "/api/v1/findings", body)).status).toBe(201);
    const [site] = (await fieldPack(pine)).sites;
    const theirs = { ...body, siteId: site.id, place: { longitude: site.centre[0], latitude: site.centre[1] } };
    const answer = await pine.send("POST", "/api/v1/findings", theirs);
    expect(answer.status).toBe(201);
    expect(await answer.json()).toMatchObject({ again: false });
  });
});

describe("an address that names what is not here", () => {
  it.each([
    "/ground?draw=x",
    "/ground?draw=01920000-0000-7000-8000-0000000fffff",
    "/findings/x",
    "/ground/patch/x",
    "/ledger/x",
    "/season/x",
    "/ledger/new?plan=x",
    "/ledger/new?correct=x",
    "/flora/x",
    "/flora/sets/x",
  ])("%s is answered that it is not found", async (path) =>
    expect((await (await as("keeper")).fetch(path)).status, path).toBe(404),
  );
});

describe("pictures", () => {
  const noise = async (bytes: number) => {
    const side = Math.round(Math.sqrt(bytes / 0.823));
    const pixels = Buffer.alloc(side * side * 3);
    for (let i = 0, x = 1; i < pixels.length; i++) {
      x = (x * 1103515245 + 12345) & 0x7fffffff;
      pixels[i] = x >> 16;
    }
    return sharp(pixels, { raw: { width: side, height: side, channels: 3 } }).jpeg({ quality: 90 });
  };
  const put = async (content: Buffer) => {
    const scout = await as("scout");
    const body = await finding();
    await scout.send("POST", "/api/v1/findings", body);
    return scout.fetch(`/api/v1/pictures/${uuidv7()}?finding=${body.id}`, {
      method: "PUT",
      body: new Uint8Array(content),
    });
  };
  it("are taken up to what is promised, and refused above it", async () => {
    const large = await (await noise(11.5e6)).toBuffer();
    expect(large.length).toBeGreaterThan(10.5e6);
    expect(large.length).toBeLessThan(12e6);
    expect((await put(large)).status).toBe(201);
    expect((await put(Buffer.concat([large, Buffer.alloc(13e6 - large.length)]))).status).toBe(413);
  });
  it.each(["not a date", "9999:99:99 99:99:99", "0000:00:00 00:00:00"])(
    "with the date %j of an odd camera are taken all the same",
    async (date) => {
      const image = (await noise(20_000)).withExif({ IFD0: { Make: "x" }, IFD2: { DateTimeOriginal: date } });
      expect((await put(await image.toBuffer())).status).toBe(201);
    },
  );
  it("of a finding that is none are refused for good", async () => {
    const image = await (await noise(20_000)).toBuffer();
    const answer = await (await as("scout")).fetch(`/api/v1/pictures/${uuidv7()}?finding=x`, {
      method: "PUT",
      body: new Uint8Array(image),
    });
    expect([answer.status, await codeOf(answer)]).toEqual([404, "never"]);
  });
});

describe("long work", () => {
  const pack = (content: string) => {
    const form = new FormData();
    form.set("file", new File([content], "pack.json"));
    return form;
  };
  const upload = async (content: string) => {
    const specialist = await as("specialist");
    const answer = await specialist.fetch("/api/v1/packs", { method: "POST", body: pack(content) });
    expect(answer.status).toBe(202);
    return specialist.job(((await answer.json()) as { job: string }).job);
  };
  it("of a pack that is too deep, twice, ends with a refusal, and nobody else waits", async () => {
    const deep = `{"pack":"merry-sentinel-flora/1","title":"x","flora":"1","scores":${"[".repeat(20_000)}`;
    for (let i = 0; i < 2; i++) {
      const view = await upload(deep);
      expect(view).toMatchObject({ state: "failed", problem: expect.stringContaining("deep") });
    }
    expect((await fetch(`${process.env.SENTINEL_URL}/api/health`)).status).toBe(200);
  });
  it("of a pack of millions of empty rows ends with a refusal", async () => {
    const rows = `{"pack":"merry-sentinel-flora/1","title":"x","flora":"1","scores":[${"{},".repeat(1_500_000)}{}]}`;
    expect(await upload(rows)).toMatchObject({
      state: "failed",
      problem: expect.stringMatching(/more than \d+ (rows|values)/),
    });
    expect(await upload(`taxon,character,where,score\n${"x\n".repeat(1_500_000)}`)).toMatchObject({ state: "failed" });
  });
  it("of rows that are all wrong tells of the first few hundred", async () => {
    const view = await upload(`taxon,character,where,score,reason\n${"Planta ignota,sap,,milky,\n".repeat(30_000)}`);
    expect(view.state).toBe("done");
    expect((view.result as { refused: unknown[] }).refused.length).toBeLessThanOrEqual(500);
  });
  it("is asked for by those who may, and seen by them alone", async () => {
    const ask = async (who: Parameters<typeof as>[0], kind: string) =>
      (await as(who)).send("POST", "/api/v1/jobs", { kind, input: {} });
    for (const who of ["visitor", "scout", "applicator"] as const)
      expect((await ask(who, "second-look")).status, who).toBe(403);
    expect((await ask("specialist", "costs-preview")).status).toBe(400);
    expect((await ask("specialist", "mail")).status).toBe(400);
    const answer = await ask("specialist", "second-look");
    expect(answer.status).toBe(202);
    const { job } = (await answer.json()) as { job: string };
    expect((await (await as("pine")).fetch(`/api/v1/jobs/${job}`)).status).toBe(404);
    expect((await (await as("visitor")).fetch(`/api/v1/jobs/${job}`)).status).toBe(403);
    expect(await (await as("specialist")).job(job, 120_000)).toMatchObject({ state: "done" });
  });
});

describe("every answer", () => {
  it("carries what keeps a browser from guessing, framing and sharing", async () => {
    for (const path of ["/sign-in", "/api/health", "/flora.json", "/icon.svg", "/serwist/sw.js"]) {
      const { headers } = await new Client().fetch(path);
      expect(headers.get("x-content-type-options"), path).toBe("nosniff");
      expect(headers.get("cross-origin-opener-policy"), path).toBe("same-origin");
      expect(headers.get("cross-origin-resource-policy"), path).toBe("same-origin");
    }
    const prefetch = await new Client().fetch("/sign-in", { headers: { "next-router-prefetch": "1" } });
    expect(prefetch.headers.get("content-security-policy")).toContain("script-src 'self' 'nonce-");
    expect((await new Client().fetch("/sign-in")).headers.get("content-security-policy")).not.toMatch(
      /style-src 'self' 'unsafe/,
    );
    expect((await new Client().fetch("/serwist/sw.js")).headers.get("cache-control")).toBe("no-cache");
  });
  it("to a stranger tells whether the program is well, and nothing else", async () => {
    const far = await new Client().json("/api/health", { headers: { "x-forwarded-for": "203.0.113.9" } });
    expect(far).toEqual({ ok: true });
    expect(await new Client().json("/api/health")).toMatchObject({ ok: true, migrations: true, queue: true });
  });
  it("of the sign-in library's own addresses is that there is nothing", async () => {
    const scout = await as("scout");
    for (const path of [
      "/api/auth/update-user",
      "/api/auth/sign-in/email",
      "/api/auth/sign-up/email",
      "/api/auth/change-password",
    ])
      expect((await scout.send("POST", path, { name: "Odile Marsh" })).status, path).toBe(404);
  });
});

describe("an address that asks for no sign-in", () => {
  it("opens a calendar only by its whole secret, and says nothing of why it does not", async () => {
    const nobody = new Client();
    const refused = await nobody.fetch(`/api/calendar/${"a".repeat(32)}`);
    expect(refused.status).toBe(404);
    expect((await nobody.fetch("/api/calendar/short")).status).toBe(404);
    expect(await (await nobody.fetch("/api/calendar/..%2f..%2fv1%2fsites")).text()).not.toContain("Otter");
  });
});

describe("the PDF of a label", () => {
  const pdf = `%PDF-1.4\n${"x".repeat(300)}\n%%EOF`;
  it("is taken from who may, is no more than is allowed, and comes back as a download that runs nothing", async () => {
    const { labels } = await (await as("applicator")).json<{ labels: { id: string }[] }>("/api/v1/field-pack");
    const address = `/api/v1/label-papers/${labels[0].id}`;
    const put = async (who: Parameters<typeof as>[0], body: BodyInit) =>
      (await (await as(who)).fetch(address, { method: "PUT", body })).status;
    expect(await put("scout", pdf)).toBe(403);
    expect(await put("applicator", "<script>alert(1)</script>".padEnd(300))).toBe(400);
    expect(await put("applicator", Buffer.alloc(11_000_000))).toBe(413);
    const before = await (await as("visitor")).fetch(address).then((answer) => answer.text());
    expect(await put("applicator", pdf)).toBe(201);
    const got = await (await as("visitor")).fetch(address);
    expect(got.headers.get("content-disposition")).toMatch(/^attachment/);
    expect(got.headers.get("content-security-policy")).toContain("sandbox");
    // The demonstration's label has its PDF already: a second one does not take its place.
    expect(before).toMatch(/^%PDF-/);
    expect(await got.text()).toBe(before);
    expect((await new Client().fetch(address)).status).toBe(401);
  });
});

describe("an answer of practice", () => {
  const answer = (extra: object = {}) => ({
    ...{ id: crypto.randomUUID(), at: new Date().toISOString(), flora: "none", form: "clues" },
    ...{ taxon: "heracleum-maximum", stage: "flowering", seed: 1, preferred: [], seconds: 5, setId: null },
    ...{ given: { kind: "plant", taxon: "heracleum-maximum", clues: 1 }, told: { right: true, score: 1 } },
    ...extra,
  });
  const post = async (who: Client, body: unknown) => (await who.send("POST", "/api/v1/drill-answers", body)).status;
  it("is anybody's of the district, for themselves, once", async () => {
    const visitor = await as("visitor");
    const mine = answer();
    expect([await post(visitor, mine), await post(visitor, mine)]).toEqual([201, 200]);
    expect(await post(new Client(), answer())).toBe(401);
    const { answers } = await (await as("scout")).json<{ answers: { at: string }[] }>("/api/v1/drill-pack");
    expect(answers.map(({ at }) => at)).not.toContain(mine.at);
  });
  it("that is too large, too old in shape, or asks of nothing is refused", async () => {
    const scout = await as("scout");
    expect(await post(scout, answer({ preferred: Array.from({ length: 41 }, () => "rubus-idaeus") }))).toBe(400);
    expect(await post(scout, answer({ taxon: "../etc" }))).toBe(400);
    expect(await post(scout, answer({ seconds: -1 }))).toBe(400);
    expect(await post(scout, answer({ setId: crypto.randomUUID() }))).toBe(404);
    expect(await post(scout, { ...answer(), more: "x".repeat(3_000_000) })).toBe(413);
  });
  it("to a set is printed as a quiz for specialists alone", async () => {
    const { sets } = await (await as("scout")).json<{ sets: { id: string }[] }>("/api/v1/drill-pack");
    const address = `/api/v1/drill-sets/${sets[0]?.id}/quiz`;
    const got = await (await as("specialist")).fetch(address);
    expect([got.status, got.headers.get("content-type")]).toEqual([200, "application/pdf"]);
    expect((await (await as("scout")).fetch(address)).status).toBe(403);
    expect((await new Client().fetch(address)).status).toBe(401);
    expect((await (await as("specialist")).fetch(`/api/v1/drill-sets/${crypto.randomUUID()}/quiz`)).status).toBe(404);
  });
});

describe("a sheet as a PDF", () => {
  const entry = JSON.stringify({ system: "us", typed: { area: "2", rate: "20", tank: "25", product0: "32" } });
  const sheet = (what: string, numbers: string) =>
    `/api/v1/mix-sheets?${new URLSearchParams({ what, entry: numbers })}`;
  it("is made of the numbers that were sent, as a download, for people of a district alone", async () => {
    const got = await (await as("applicator")).fetch(sheet("card", entry));
    expect(got.status).toBe(200);
    expect(got.headers.get("content-disposition")).toMatch(/^attachment/);
    expect((await got.text()).slice(0, 5)).toBe("%PDF-");
    expect((await new Client().fetch(sheet("card", entry))).status).toBe(401);
  });
  it("names what is missing, wrong, or more than a screen has", async () => {
    const status = async (what: string, numbers: string) =>
      (await (await as("applicator")).fetch(sheet(what, numbers))).status;
    expect(await status("calibration", entry)).toBe(400);
    expect(await status("card", "{")).toBe(400);
    expect(await status("poster", entry)).toBe(400);
    const many = Object.fromEntries(Array.from({ length: 61 }, (_, i) => [`f${i}`, "1"]));
    expect(await status("card", JSON.stringify({ system: "us", typed: many }))).toBe(400);
    expect(await status("card", JSON.stringify({ system: "us", typed: { area: "9".repeat(601) } }))).toBe(400);
  });
  it("of a label is of this district's own, and of none that is unknown", async () => {
    const { labels } = await (await as("applicator")).json<{ labels: { id: string }[] }>("/api/v1/field-pack");
    const got = await (await as("visitor")).fetch(`/api/v1/label-sheets/${labels[0].id}`);
    expect(got.headers.get("content-type")).toBe("application/pdf");
    expect((await (await as("visitor")).fetch(`/api/v1/label-sheets/${crypto.randomUUID()}`)).status).toBe(404);
  });
});
