import { eq, sql } from "drizzle-orm";
import { afterEach, describe, expect, it } from "vitest";
import { askAtLast, type Given, type Question, subjectsOf } from "@/core/drill";
import { NOT_DRAWN } from "@/core/flora";
import { inDistrict } from "@/db/client";
import { drillAnswer, drillSet } from "@/db/schema";
import { planningFor } from "@/server/control/planning";
import { todayFor } from "@/server/control/today";
import { saveDrillAnswer } from "@/server/drill/answers";
import { drillPackOf, ownConsent, sayConsent } from "@/server/drill/pack";
import { quizOf } from "@/server/drill/quiz";
import { groupResults } from "@/server/drill/results";
import { endDrillSet, makeDrillSet } from "@/server/drill/sets";
import { confirmFinding, overrule, saveFinding } from "@/server/findings/findings";
import { modelOf } from "@/server/flora/amendments";
import { clearHogweed, HOGWEED, HOGWEED_SEEN, planOn, scout, specialist } from "../support/acting";
import { asOwner, member, OTTER, PINE, uuidv7 } from "../support/database";

const HOGWEED_ID = "heracleum-mantegazzianum";
const RUN = uuidv7();
const learner = (name: string, districtId = OTTER) => ({
  ...member(["scout"], districtId),
  personId: name.startsWith("learner") ? `${name} ${RUN}` : name,
});
const asker = await modelOf(specialist);

/** A question about which plant it is, by the flora in force. */
function questionOf(seed: number): Question & { options: string[] } {
  const subjects = subjectsOf(asker);
  for (let i = seed; ; i++) {
    const subject = subjects[(i * 37) % subjects.length];
    const question = subject && askAtLast({ model: asker, notDrawn: NOT_DRAWN, list: {} }, subject, seed, "clues");
    if (question && "options" in question) return question;
  }
}

const sentFor = (question: Question, given: Given, extra: object = {}) => ({
  ...{ id: uuidv7(), at: new Date().toISOString(), flora: asker.flora.version, seconds: 12, setId: null },
  ...{ form: question.form, taxon: question.taxon, stage: question.stage, seed: question.seed, preferred: [], given },
  told: { right: true, score: 1 },
  ...extra,
});
const chose = (taxon: string, clues = 1): Given => ({ kind: "plant", taxon, clues });
const rightly = (seed: number, extra: object = {}) => {
  const question = questionOf(seed);
  return sentFor(question, chose(question.taxon), extra);
};

const made: string[] = [];
async function setOf(extra: object = {}): Promise<string> {
  const id = uuidv7();
  await makeDrillSet(specialist, { id, name: "Hogweeds", taxa: [HOGWEED_ID, "heracleum-maximum"], ...extra });
  made.push(id);
  return id;
}
afterEach(async () => {
  for (const id of made.splice(0)) await endDrillSet(specialist, id);
});

describe("an answer", () => {
  it("arrives once, however often it is sent, and is worth what the server makes of it", async () => {
    const someone = learner("learner-once");
    const question = questionOf(5);
    const wrong = question.options.find((id) => id !== question.taxon) ?? "";
    const forged = sentFor(question, chose(wrong));
    expect(await saveDrillAnswer(someone, forged)).toEqual({ again: false, right: false, score: 0 });
    expect(await saveDrillAnswer(someone, forged)).toEqual({ again: true, right: false, score: 0 });
    const { answers } = await drillPackOf(someone);
    expect(answers).toMatchObject([{ taxon: question.taxon, chosen: wrong, options: question.options, right: false }]);
  });
  it.each([
    ["of the future", { at: new Date(Date.now() + 3_600_000).toISOString() }, /in the future/],
    [
      "of another kind than its question",
      { given: { kind: "act", act: "clear" } },
      /of the kind that the question asks/,
    ],
    ["to a name that was not offered", { given: chose("no-such-plant") }, /of the kind that the question asks/],
    ["about no plant of the flora", { taxon: "no-such-plant" }, /not found/],
    ["to no set of the district", { setId: uuidv7() }, /not found/],
    ["with a seed that is no number", { seed: "x" }, /seed|number/i],
  ])("%s is refused, and nothing is stored", async (_, extra, fault) => {
    const someone = learner("learner-refused");
    await expect(saveDrillAnswer(someone, { ...rightly(7), ...extra })).rejects.toThrow(fault);
    expect((await drillPackOf(someone)).answers).toEqual([]);
  });
  it("to a question of another flora is kept by the device's word, and passes nothing", async () => {
    const someone = learner("learner-old-flora");
    const setId = await setOf();
    for (let i = 0; i < 20; i++) await saveDrillAnswer(someone, rightly(9, { flora: "an-older-one", setId }));
    const pack = await drillPackOf(someone);
    expect(pack.answers).toHaveLength(20);
    expect(pack.sets.find(({ id }) => id === setId)?.passed).toBe(false);
  });
  it("is nobody else's: another district sees nothing of it, and it cannot be changed", async () => {
    await saveDrillAnswer(learner("learner-own"), rightly(11));
    expect((await drillPackOf(learner("learner-own", PINE))).answers).toEqual([]);
    await expect(inDistrict(OTTER, (tx) => tx.update(drillAnswer).set({ right: true }))).rejects.toThrow();
    await expect(inDistrict(OTTER, (tx) => tx.delete(drillAnswer))).rejects.toThrow();
  });
});

describe("a set", () => {
  it("is passed by twenty answers to it, four fifths of them right", async () => {
    const someone = learner("learner-passes");
    const setId = await setOf();
    const passed = async () => (await drillPackOf(someone)).sets.find(({ id }) => id === setId)?.passed;
    for (let i = 0; i < 19; i++) await saveDrillAnswer(someone, rightly(20 + i, { setId }));
    expect(await passed()).toBe(false);
    await saveDrillAnswer(someone, rightly(50, { setId }));
    expect(await passed()).toBe(true);
  });
  it("takes plants of the flora alone, and asks only for plants that are in it", async () => {
    const id = uuidv7();
    await expect(makeDrillSet(specialist, { id, name: "None", taxa: ["no-such-plant"] })).rejects.toThrow(
      /no such plant/,
    );
    await expect(
      makeDrillSet(specialist, { id, name: "Other", taxa: [HOGWEED_ID], requiredFor: ["bromus-tectorum"] }),
    ).rejects.toThrow(/not in the set/);
    await expect(makeDrillSet(specialist, { id, name: "Empty", taxa: [] })).rejects.toThrow(/at least one/);
    expect(await inDistrict(OTTER, (tx) => tx.select().from(drillSet).where(eq(drillSet.id, id)))).toEqual([]);
  });
  it("is printed as a quiz with ten questions at most, the same for the same seed", async () => {
    const setId = await setOf();
    const [first, again, other] = await Promise.all(["3", "3", "4"].map((seed) => quizOf(specialist, setId, seed)));
    expect(first?.questions.length).toBeGreaterThan(0);
    expect(first?.questions).toEqual(again?.questions);
    expect(first?.questions).not.toEqual(other?.questions);
    await expect(quizOf({ ...specialist, districtId: PINE }, setId, "1")).rejects.toThrow(/not found/);
    await expect(quizOf(specialist, "no-id", "1")).rejects.toThrow(/not found/);
  });
});

describe("a plant that asks for a passed set", () => {
  const codes = async (id: string) => (await planningFor(specialist, id)).reasons.map(({ code }) => code);
  it("keeps a clear finding from being planned until a specialist confirms it, and stands on Today until then", async () => {
    await setOf({ requiredFor: [HOGWEED_ID] });
    const found = await clearHogweed();
    expect(await codes(found.id)).toEqual(["practice"]);
    await expect(planOn(found.id, "test-person")).rejects.toThrow(/may not be done now/);
    expect((await todayFor(specialist)).toConfirm.map(({ id }) => id)).toContain(found.id);
    expect((await todayFor(scout)).toConfirm).toEqual([]);
    await confirmFinding(specialist, { findingId: found.id, how: "specialist", note: "" });
    expect(await codes(found.id)).toEqual([]);
    expect((await todayFor(specialist)).toConfirm.map(({ id }) => id)).not.toContain(found.id);
  });
  it("opens when its finder passes, when a specialist overrules, and when the set ends", async () => {
    const setId = await setOf({ requiredFor: [HOGWEED_ID] });
    const someone = learner("learner-finds");
    const found = await clearHogweed();
    await asOwner((client) =>
      client.query("UPDATE finding SET made_by_id = $1 WHERE id = $2", [someone.personId, found.id]),
    );
    expect(await codes(found.id)).toEqual(["practice"]);
    for (let i = 0; i < 20; i++) await saveDrillAnswer(someone, rightly(100 + i, { setId }));
    expect(await codes(found.id)).toEqual([]);
    const other = await clearHogweed();
    expect(await codes(other.id)).toEqual(["practice"]);
    await endDrillSet(specialist, setId);
    expect(await codes(other.id)).toEqual([]);
  });
  it("asks nothing of findings that were made before it", async () => {
    const before = await clearHogweed();
    await setOf({ requiredFor: [HOGWEED_ID] });
    expect(await codes(before.id)).toEqual([]);
  });
});

describe("a wrong finding", () => {
  it("puts its pair into the drill of the person who made it", async () => {
    const someone = { ...scout, personId: learner("learner-mistaken").personId };
    const { id } = await saveFinding(someone, {
      ...{ id: uuidv7(), siteId: (await clearHogweed()).siteId, patchId: null, day: "2026-06-09" },
      ...{ place: { longitude: -131.2, latitude: 44.35 }, stage: "vegetative", observations: HOGWEED_SEEN },
    });
    expect((await drillPackOf(someone)).mistaken).toEqual([]);
    await overrule(specialist, { findingId: id, taxon: "Heracleum maximum", reason: "The native, beyond doubt." });
    expect((await drillPackOf(someone)).mistaken).toEqual([[HOGWEED_ID, "heracleum-maximum"]]);
    expect(HOGWEED).toContain("mantegazzianum");
  });
});

describe("results of the group", () => {
  it("show nobody who did not say so, and nobody any more who took it back", async () => {
    const { rows } = await inDistrict(OTTER, (tx) =>
      tx.execute<{ person_id: string; name: string }>(
        sql`SELECT person_id, name FROM membership WHERE ended_at IS NULL LIMIT 1`,
      ),
    );
    const [row] = rows;
    const someone = learner(row?.person_id ?? "");
    await sayConsent(someone, false);
    await saveDrillAnswer(someone, rightly(13));
    const names = async () => (await groupResults(specialist)).learners.map(({ name }) => name);
    expect(await names()).not.toContain(row?.name);
    await sayConsent(someone, true);
    expect(await ownConsent(someone)).toBe(true);
    expect(await names()).toContain(row?.name);
    await sayConsent(someone, false);
    expect(await names()).not.toContain(row?.name);
  });
});
