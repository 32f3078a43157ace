import { and, eq, isNull } from "drizzle-orm";
import { beforeAll, describe, expect, it } from "vitest";
import { writtenMethod } from "@/core/control";
import { addDays } from "@/core/time";
import { inDistrict } from "@/db/client";
import { calendarFeed, followUp, patch, placeWord, plan, standSize } from "@/db/schema";
import { changePlan, dropPlan, partDone } from "@/server/control/change-plan";
import { makePlan } from "@/server/control/make-plan";
import { orderedLines, planDetail, planLines } from "@/server/control/plan-lines";
import { planningFor } from "@/server/control/planning";
import { giveUpOwnMethod, methodPages, saveOwnMethod } from "@/server/flora/own-methods";
import { shippedMethodBook } from "@/server/flora/method-book";
import { sayWord } from "@/server/ground/place-words";
import { saySize } from "@/server/ground/stand-size";
import { saveCrew } from "@/server/people/crews";
import { setWeekHours } from "@/server/people/people";
import type { Member } from "@/server/platform/session";
import { recordCheck } from "@/server/records/follow-ups";
import { recordTreatment } from "@/server/records/treatments";
import { voidEntry } from "@/server/records/voids";
import { sayGone } from "@/server/records/visits";
import { calendarView } from "@/server/season/calendar";
import { calendarOf, endFeed, renewFeed } from "@/server/season/feed";
import { seasonView } from "@/server/season/season-view";
import { weekSheet } from "@/server/season/week-sheet";
import { clearHogweed, memberCalled, scout, specialist, visitor, workOn } from "../support/acting";
import { member, OTTER, PINE, uuidv7 } from "../support/database";

let tansy: Member;
let wren: Member;
beforeAll(async () => {
  tansy = await memberCalled("applicator@otter.example");
  wren = await memberCalled("scout@otter.example");
});

const rowOf = async (id: string) => (await inDistrict(OTTER, (tx) => tx.select().from(plan).where(eq(plan.id, id))))[0];
const secretOf = (address: string) => address.split("/").at(-1) as string;
/** A plan on a patch of its own, with a method whose window is wide enough to move in. */
const planned = async () => {
  const found = await clearHogweed({ day: "2026-11-20" });
  const view = await planningFor(specialist, found.id);
  const wide = view.advice.find(
    (a) => a.window && a.method.kind !== "product" && a.window.to > addDays(a.window.from, 5),
  );
  const id = await makePlan(specialist, {
    ...{ findingId: found.id, method: wide?.method.id, intendedOn: wide?.window?.from, personId: tansy.personId },
    ...{ cover: "nothing", coverWhy: "The meadow closes by itself." },
  });
  return { ...found, planId: id, row: await rowOf(id) };
};

describe("how much stands there", () => {
  it("is kept at the patch with its day, and an empty field is a value", async () => {
    const found = await clearHogweed();
    const size = { id: uuidv7(), patchId: found.patchId, day: "2026-06-10", heightCm: "210", stemCm: "", count: "12" };
    await saySize(scout, size);
    const view = await planningFor(specialist, found.id);
    expect(view.sizeSeen).toMatchObject({ heightCm: 210, count: 12, day: "2026-06-10" });
    expect(view.sizeSeen).not.toHaveProperty("stemCm");
    expect(view.size.count).toBe(12);
  });
  it("decides what is offered: a thousand stems are not dug one by one", async () => {
    const found = await clearHogweed();
    const digging = async () =>
      (await planningFor(specialist, found.id)).advice.find((a) => a.method.id === "cut-below-crown")?.answer;
    const before = await digging();
    await saySize(scout, { id: uuidv7(), patchId: found.patchId, day: "2026-06-10", count: "4000" });
    expect(before).not.toBe("never");
    expect(await digging()).toBe("never");
  });
  it("is refused with the field and the value", async () => {
    const { patchId } = await clearHogweed();
    const sound = { id: uuidv7(), patchId, day: "2026-06-10" };
    await expect(saySize(scout, { ...sound, count: "2.5" })).rejects.toThrow(/whole number/);
    await expect(saySize(scout, { ...sound, heightCm: "-1" })).rejects.toThrow();
    await expect(saySize(scout, { ...sound, day: "2999-01-01" })).rejects.toThrow(/give a day from/);
    await expect(saySize(member(["scout"], PINE), sound)).rejects.toThrow(/not found/);
    expect(await inDistrict(OTTER, (tx) => tx.select().from(standSize).where(eq(standSize.patchId, patchId)))).toEqual(
      [],
    );
  });
});

/** The next day of the year that is still to come, such as 10 May. */
const nextOn = (today: string, monthDay: string): string => {
  const year = Number(today.slice(0, 4));
  return `${year}-${monthDay}` >= today ? `${year}-${monthDay}` : `${year + 1}-${monthDay}`;
};

describe("what is ready", () => {
  const flooding = async (findingId: string, on: string) =>
    (await planningFor(specialist, findingId, { on, stage: "vegetative" })).advice.find((a) => a.method.id === "flood");
  it("opens the method that waited for it, until the word is too old, and a later no closes it", async () => {
    const { id, patchId } = await clearHogweed();
    const { today } = await planningFor(specialist, id);
    const may = nextOn(today, "05-10");
    const word = { patchId, word: "water-can-be-raised" };
    expect((await flooding(id, may))?.why.join()).toMatch(/No one has said/);
    await sayWord(specialist, { id: uuidv7(), ...word, holds: "yes", day: addDays(today, -1) });
    expect(await flooding(id, may)).toMatchObject({ answer: "eligible", must: [] });
    const view = await planningFor(specialist, id);
    expect(view.said).toMatchObject([{ word: word.word, holds: true, until: addDays(today, 364) }]);
    await sayWord(specialist, { id: uuidv7(), ...word, holds: "no", day: today });
    expect(await flooding(id, may)).toMatchObject({ answer: "not-now" });
    const bagged = { id: uuidv7(), patchId, word: "heads-bagged", holds: "yes", day: addDays(today, -20) };
    await sayWord(specialist, bagged);
    expect((await planningFor(specialist, id)).said.map((said) => said.word)).toEqual([word.word]);
  });
  it("is refused with the word, the day and the patch, and another district hears nothing of it", async () => {
    const { patchId } = await clearHogweed();
    const sound = { id: uuidv7(), patchId, word: "burn-allowed", holds: "yes", day: "2026-06-10" };
    await expect(sayWord(specialist, { ...sound, word: "moonlight" })).rejects.toThrow(/moonlight/);
    await expect(sayWord(specialist, { ...sound, word: "toString" })).rejects.toThrow(/No method waits/);
    await expect(sayWord(specialist, { ...sound, day: "2999-01-01" })).rejects.toThrow(/give a day from/);
    await expect(sayWord(specialist, { ...sound, holds: "maybe" })).rejects.toThrow();
    await expect(sayWord(member(["specialist"], PINE), sound)).rejects.toThrow(/not found/);
    const stored = () => inDistrict(OTTER, (tx) => tx.select().from(placeWord).where(eq(placeWord.patchId, patchId)));
    expect(await stored()).toEqual([]);
    await sayWord(specialist, sound);
    expect(await stored()).toHaveLength(1);
    expect(await inDistrict(PINE, (tx) => tx.select().from(placeWord).where(eq(placeWord.patchId, patchId)))).toEqual(
      [],
    );
  });
});

describe("sowing alone", () => {
  it("waits for ground that is cleared, and is planned with what is sown, after which nothing more is sown", async () => {
    const { id, patchId } = await clearHogweed({ day: "2026-11-20" });
    const sowing = async () => (await planningFor(specialist, id)).advice.find((a) => a.method.id === "resow");
    expect(await sowing()).toMatchObject({ answer: "not-now", window: null });
    const { today, keeps } = await planningFor(specialist, id);
    await sayWord(specialist, { id: uuidv7(), patchId, word: "ground-cleared", holds: "yes", day: today });
    const window = (await sowing())?.window;
    const sown = { findingId: id, method: "resow", intendedOn: window?.from, personId: tansy.personId };
    await expect(
      makePlan(specialist, { ...sown, cover: "nothing", coverWhy: "It closes by itself." }),
    ).rejects.toMatchObject({ issues: [{ path: ["cover"], message: expect.stringContaining("what is sown") }] });
    const cover = { cover: "plant", coverPlants: [keeps[0]?.id], coverAmount: "2 kg" };
    const planId = await makePlan(specialist, { ...sown, ...cover });
    expect(await rowOf(planId)).toMatchObject({ method: "resow", followsPlan: null });
    expect((await rowOf(planId)).followedBy).toBe(`Sow or plant ${keeps[0]?.name}: 2 kg.`);
    expect((await planningFor(specialist, id)).others).toMatchObject([{ id: planId }]);
  });
});

describe("another day than today", () => {
  it("is answered with the stage of that day, or the one that is asked for", async () => {
    const { id } = await clearHogweed();
    const { today } = await planningFor(specialist, id);
    const august = await planningFor(specialist, id, { on: nextOn(today, "08-20") });
    expect(august).toMatchObject({ today, on: nextOn(today, "08-20"), stage: "fruiting" });
    const asked = await planningFor(specialist, id, { stage: "seedling" });
    expect(asked.advice.find((a) => a.method.id === "hand-pull")?.why.join()).toMatch(/seedling/);
  });
  it.each(["2020-01-01", "2999-01-01", "tomorrow", "2027-02-31"])(
    "refuses %s, and says which days may be",
    async (on) => {
      const { id } = await clearHogweed();
      await expect(planningFor(specialist, id, { on })).rejects.toMatchObject({
        status: 400,
        issues: [{ field: "on", what: expect.stringMatching(/^choose a day from/) }],
      });
    },
  );
});

describe("a plan that lives", () => {
  it("is moved inside its window, and says so in its history", async () => {
    const { planId, row } = await planned();
    const change = { planId, version: row.version, personId: tansy.personId };
    const later = addDays(row.windowFrom, 1);
    await expect(changePlan(specialist, { ...change, intendedOn: "2020-01-01" })).rejects.toThrow(/outside the window/);
    await changePlan(specialist, { ...change, intendedOn: later });
    const detail = await planDetail(specialist, planId);
    expect(detail.plan).toMatchObject({ intendedOn: later, onDays: [later], version: row.version + 1 });
    expect(detail.history.map(({ what }) => what).join(" ")).toMatch(/^Planned for .* Moved from/);
  });
  it("is refused to the second of two people who change it, and shows both", async () => {
    const { planId, row } = await planned();
    const change = { planId, version: row.version, intendedOn: row.intendedOn, personId: tansy.personId };
    await changePlan(specialist, { ...change, helperIds: [wren.personId] });
    await expect(changePlan(specialist, change)).rejects.toMatchObject({
      status: 409,
      issues: [{ what: expect.stringContaining("2 people") }, { what: expect.stringMatching(/You wrote/) }],
    });
    await expect(
      dropPlan(specialist, { planId, version: row.version, reason: "The river is too high." }),
    ).rejects.toMatchObject({ status: 409 });
  });
  it("is divided over days and people, with a crew by its name", async () => {
    const { planId, row } = await planned();
    const crewId = uuidv7();
    await saveCrew(specialist, { id: crewId, name: "Test crew", memberIds: [wren.personId, tansy.personId] });
    const second = addDays(row.windowFrom, 1);
    await changePlan(specialist, {
      ...{ planId, version: row.version, intendedOn: row.windowFrom, personId: tansy.personId, crewId },
      moreDays: [second],
    });
    expect(await planDetail(specialist, planId)).toMatchObject({ crew: "Test crew", helpers: [wren.personName] });
    await expect(saveCrew(specialist, { id: uuidv7(), name: "Strangers", memberIds: ["nobody"] })).rejects.toThrow(
      /does not work/,
    );
  });
  it("is done in several goes, and closed by the last", async () => {
    const { planId, row } = await planned();
    await partDone(tansy, { planId, version: row.version, donePercent: "40" });
    expect((await rowOf(planId)).doneShare).toBeCloseTo(0.4);
    await recordTreatment(tansy, { id: uuidv7(), planId, doneShare: 0.7, treatment: workOn("2026-11-29") });
    expect(await rowOf(planId)).toMatchObject({ state: "planned", doneShare: 0.7 });
    await recordTreatment(tansy, { id: uuidv7(), planId, treatment: workOn("2026-11-30") });
    const detail = await planDetail(specialist, planId);
    expect(detail.plan).toMatchObject({ state: "done", doneShare: 1 });
    expect(detail.entries).toHaveLength(2);
    await expect(partDone(wren, { planId, version: 99, donePercent: "50" })).rejects.toThrow(/done already/);
  });
  it("falls back to what the records that stand say, where one is voided", async () => {
    const { planId } = await planned();
    const [first, second] = [uuidv7(), uuidv7()];
    const voided = (entryId: string) =>
      voidEntry(specialist, { id: uuidv7(), entryId, reason: "Written on the wrong day, by mistake." });
    await recordTreatment(tansy, { id: first, planId, doneShare: 0.7, treatment: workOn("2026-11-29") });
    await recordTreatment(tansy, { id: second, planId, treatment: workOn("2026-11-30") });
    await voided(second);
    expect(await rowOf(planId)).toMatchObject({ state: "planned", doneShare: 0.7 });
    await voided(first);
    expect(await rowOf(planId)).toMatchObject({ state: "planned", doneShare: 0 });
  });
  it("may be said to be part done by those who do it, and by a specialist", async () => {
    const { planId, row } = await planned();
    const other = { ...member(["applicator"]), personId: "somebody-else" };
    await expect(partDone(other, { planId, version: row.version, donePercent: 40 })).rejects.toMatchObject({
      status: 403,
    });
    await expect(partDone(specialist, { planId, version: row.version, donePercent: 100 })).rejects.toThrow(
      /record the work/,
    );
  });
  it("warns whoever plans the same patch, with the other's plan", async () => {
    const { id, planId } = await planned();
    const view = await planningFor(specialist, id);
    expect(view.others.map((o) => o.id)).toEqual([planId]);
    const other = view.advice.find(
      (a) => a.window && a.method.name !== view.others[0].method && a.method.kind !== "product",
    );
    const wanted = {
      ...{ findingId: id, method: other?.method.id, intendedOn: other?.window?.to, personId: tansy.personId },
      ...{ cover: "nothing", coverWhy: "The meadow closes by itself." },
    };
    await expect(makePlan(specialist, wanted)).rejects.toThrow(/has planned .* Open this page again/);
    expect(await makePlan(specialist, { ...wanted, seenPlans: [planId] })).toBeTruthy();
  });
  it("makes work of its own of what should grow there, from plants that the district keeps", async () => {
    const found = await clearHogweed({ day: "2026-11-20" });
    const view = await planningFor(specialist, found.id);
    const advice = view.advice.find((a) => a.window && a.method.kind !== "product");
    const sound = {
      ...{ findingId: found.id, method: advice?.method.id, intendedOn: advice?.window?.from, personId: tansy.personId },
      ...{ cover: "plant", coverPlants: [view.keeps[0].id], coverAmount: "2 kg", coverOn: "2027-10-01" },
    };
    await expect(makePlan(specialist, { ...sound, coverPlants: ["rosa-imaginaria"] })).rejects.toThrow(/does not keep/);
    await expect(makePlan(specialist, { ...sound, coverOn: "2020-01-01" })).rejects.toThrow(/before the work/);
    const id = await makePlan(specialist, sound);
    const detail = await planDetail(specialist, id);
    expect(detail.followedByPlan).toMatchObject({ intendedOn: "2027-10-01", state: "planned" });
    expect(detail.plan.followedBy).toContain(view.keeps[0].name);
    await dropPlan(specialist, {
      planId: id,
      version: detail.plan.version,
      reason: "The river is too high this year.",
    });
    expect((await rowOf(detail.followedByPlan?.id as string)).state).toBe("dropped");
  });
  it("is no one's of another district", async () => {
    const { planId, row } = await planned();
    const stranger = member(["specialist"], PINE);
    const change = { planId, version: row.version, intendedOn: row.intendedOn, personId: tansy.personId };
    await expect(changePlan(stranger, change)).rejects.toThrow(/not found/);
    await expect(planDetail(stranger, planId)).rejects.toThrow(/not found/);
    await expect(partDone(stranger, { planId, version: row.version, donePercent: 10 })).rejects.toThrow(/not found/);
  });
});

describe("the address for a calendar", () => {
  it("shows a person's plans alone; a move raises the sequence, and a drop cancels", async () => {
    const secret = secretOf(await renewFeed(tansy));
    const { planId, row } = await planned();
    const eventOf = async (of = secret) =>
      (await calendarOf(of))?.split("BEGIN:VEVENT").find((text) => text.includes(planId)) ?? "";
    expect(await eventOf()).toContain(`SEQUENCE:${row.version}`);
    expect(await eventOf()).toContain("STATUS:CONFIRMED");
    const bram = await memberCalled("specialist@otter.example");
    const handed = { planId, version: row.version, intendedOn: row.intendedOn, personId: bram.personId };
    await changePlan(specialist, handed);
    expect(await eventOf()).toContain(`SEQUENCE:${row.version + 1}`);
    expect(await eventOf()).toContain("STATUS:CANCELLED");
    const bramsSecret = secretOf(await renewFeed(bram));
    expect(await eventOf(bramsSecret)).toContain("STATUS:CONFIRMED");
    await dropPlan(specialist, { planId, version: row.version + 1, reason: "The river is too high this year." });
    expect(await eventOf(bramsSecret)).toContain("STATUS:CANCELLED");
  });
  it("opens nothing once it is renewed or ended, and its secret is not kept", async () => {
    const first = secretOf(await renewFeed(wren));
    const second = secretOf(await renewFeed(wren));
    expect(await calendarOf(first)).toBeNull();
    expect(await calendarOf(second)).toContain("BEGIN:VCALENDAR");
    const kept = await inDistrict(OTTER, (tx) => tx.select().from(calendarFeed));
    expect(JSON.stringify(kept)).not.toContain(second);
    await endFeed(wren);
    expect(await calendarOf(second)).toBeNull();
    expect(await calendarOf("x".repeat(32))).toBeNull();
  });
});

describe("visits after the work", () => {
  const waiting = (patchId: string) =>
    inDistrict(OTTER, (tx) =>
      tx
        .select()
        .from(followUp)
        .where(and(eq(followUp.patchId, patchId), isNull(followUp.doneOn), isNull(followUp.droppedAt))),
    );
  const stateOf = async (id: string) =>
    (await inDistrict(OTTER, (tx) => tx.select().from(patch).where(eq(patch.id, id))))[0].state;
  const treated = async () => {
    const { planId, patchId, id } = await planned();
    await recordTreatment(tansy, { id: uuidv7(), planId, treatment: workOn("2026-11-29") });
    return { patchId, findingId: id };
  };
  it("are one at a time: the next is made when the last is recorded", async () => {
    const { patchId } = await treated();
    const [first, ...more] = await waiting(patchId);
    expect(more).toEqual([]);
    await recordCheck(scout, { id: first.id, doneOn: "2026-11-30", seen: "none", stages: [], note: "" });
    const next = await waiting(patchId);
    expect(next).toHaveLength(1);
    expect(next[0].dueOn > first.dueOn).toBe(true);
  });
  it("that found the plant again lead to another treatment, which says so", async () => {
    const { patchId, findingId } = await treated();
    const [due] = await waiting(patchId);
    const view = await planningFor(specialist, findingId);
    const advice = view.advice.find((a) => a.window && a.method.kind !== "product");
    const again = {
      ...{ findingId, method: advice?.method.id, intendedOn: advice?.window?.from, personId: tansy.personId },
      ...{ cover: "nothing", coverWhy: "The meadow closes by itself.", afterCheck: due.id },
    };
    await expect(makePlan(specialist, again)).rejects.toThrow(/found no plants/);
    await recordCheck(scout, { id: due.id, doneOn: "2026-11-30", seen: "some", stages: ["vegetative"], note: "" });
    expect((await rowOf(await makePlan(specialist, again))).afterCheck).toBe(due.id);
  });
  it("end with a specialist's written word, and a plant that is found opens the patch again", async () => {
    const { patchId, siteId } = await clearHogweed();
    await expect(sayGone(specialist, { id: uuidv7(), patchId, reason: "gone" })).rejects.toThrow(/how you know/);
    await expect(
      sayGone(member(["specialist"], PINE), { id: uuidv7(), patchId, reason: "I searched the whole bank twice." }),
    ).rejects.toThrow(/not found/);
    await sayGone(specialist, { id: uuidv7(), patchId, reason: "I searched the whole bank twice this year." });
    expect(await stateOf(patchId)).toBe("gone");
    expect(await waiting(patchId)).toEqual([]);
    await clearHogweed({ patchId, siteId, day: "2026-11-30" });
    expect(await stateOf(patchId)).toBe("open");
  });
});

describe("a district's own methods", () => {
  const book = shippedMethodBook();
  const mow = book.methods.find(({ id }) => id === "mow") as (typeof book.methods)[number];
  const reason = "Larks nest here until May.";
  it("amend a shipped one until they are taken back, and windows follow", async () => {
    await saveOwnMethod(specialist, { body: writtenMethod(book, { ...mow, months: "6-10" }), reason });
    const here = async (who = specialist) =>
      (await methodPages(who)).find(({ method }) => method.id === "mow")?.method.months;
    expect(await here()).toBe("6-10");
    expect(await here(member(["specialist"], PINE))).toBe(mow.months);
    await giveUpOwnMethod(specialist, { methodId: "mow", reason: "The larks have left the valley." });
    expect(await here()).toBe(mow.months);
  });
  it("add one, which can be planned and keeps its name after it was given up", async () => {
    const body = writtenMethod(book, {
      ...mow,
      id: "own-goat-walk",
      name: "Walk the goats through",
      kind: "hand",
      rules: [],
      "life-forms": ["herb"],
      months: "1-12",
      stages: ["seedling", "vegetative", "flowering", "fruiting", "winter"],
    });
    await saveOwnMethod(specialist, { body, reason });
    const found = await clearHogweed({ day: "2026-11-20" });
    const advice = (await planningFor(specialist, found.id)).advice.find((a) => a.method.id === "own-goat-walk");
    const planId = await makePlan(specialist, {
      ...{ findingId: found.id, method: "own-goat-walk", intendedOn: advice?.window?.from, personId: tansy.personId },
      ...{ cover: "nothing", coverWhy: "The meadow closes by itself." },
    });
    await giveUpOwnMethod(specialist, { methodId: "own-goat-walk", reason: "The goats have left the valley." });
    expect((await planDetail(specialist, planId)).method).toBe("Walk the goats through");
  });
  it("are refused by line, and cannot change what kind a shipped method is of", async () => {
    const body = writtenMethod(book, mow).replace("kind: machine", "kind: hand");
    await expect(saveOwnMethod(specialist, { body, reason })).rejects.toMatchObject({
      issues: [{ field: "body", what: expect.stringMatching(/stays so/) }],
    });
    await expect(saveOwnMethod(specialist, { body: "id: own-x\nmoon: full\n", reason })).rejects.toMatchObject({
      issues: expect.arrayContaining([{ field: "body", what: expect.stringMatching(/^line \d+: /) }]),
    });
    await expect(saveOwnMethod(specialist, { body: "a: &a [*a, *a]", reason })).rejects.toMatchObject({ status: 400 });
  });
});

describe("the season", () => {
  it("shows the week with who needs how many hours", async () => {
    await setWeekHours(specialist, { personId: tansy.personId, weekHours: "6" });
    const { row } = await planned();
    const view = await seasonView(tansy, row.intendedOn);
    expect(view.week.map(({ plan: p }) => p.id)).toContain(row.id);
    expect(view.hours.find(({ person }) => person === tansy.personName)).toMatchObject({ has: 6 });
    await expect(setWeekHours(specialist, { personId: tansy.personId, weekHours: "200" })).rejects.toThrow(/168 hours/);
    await expect(setWeekHours(specialist, { personId: "nobody", weekHours: "2" })).rejects.toMatchObject({
      status: 404,
    });
  });
  it("prints a sheet for a person with a map and what to take along", async () => {
    const { row } = await planned();
    const sheet = await weekSheet(specialist, row.intendedOn, { person: tansy.personId });
    const tasks = sheet.days.flatMap(({ tasks: of }) => of);
    expect(tasks.map(({ line }) => line.plan.id)).toContain(row.id);
    expect(sheet.map.patches.length).toBeGreaterThan(0);
    expect(sheet.kit.length).toBeGreaterThan(0);
    expect((await weekSheet(specialist, row.intendedOn, { person: "nobody" })).map.patches).toEqual([]);
  });
  it("lays every order over all lines, with a reason each", async () => {
    const lines = await planLines(specialist);
    for (const order of [
      "seeding-first",
      "outliers-first",
      "upstream-first",
      "upwind-first",
      "clean-first",
      "near",
    ] as const) {
      const ordered = await orderedLines(specialist, lines, order);
      expect(ordered.length).toBe(lines.length);
      expect(ordered.every(({ why }) => why.length > 10)).toBe(true);
    }
  });
  it("is shown in groups, none of it twice, and to a visitor without what is protected", async () => {
    for (const group of ["patch", "person", "method"] as const) {
      const ids = (await calendarView(specialist, group)).groups.flatMap(({ rows }) =>
        rows.map(({ line }) => line.plan.id),
      );
      expect(new Set(ids).size).toBe(ids.length);
    }
    const seen = (await calendarView(visitor, "patch")).groups.flatMap(({ rows }) => rows);
    const hidden = await inDistrict(OTTER, (tx) =>
      tx.select({ id: patch.id }).from(patch).where(eq(patch.protected, true)),
    );
    for (const { line } of seen) expect(hidden.map(({ id }) => id)).not.toContain(line.plan.patchId);
  });
});
