import { and, eq, isNull } from "drizzle-orm";
import { addDays } from "@/core/time";
import { followUp, plan } from "@/db/schema";
import { changePlan, dropPlan, partDone } from "@/server/control/change-plan";
import { makePlan } from "@/server/control/make-plan";
import { planningFor } from "@/server/control/planning";
import { confirmFinding } from "@/server/findings/findings";
import { savePatch } from "@/server/ground/ground";
import { sayWord } from "@/server/ground/place-words";
import { saySize } from "@/server/ground/stand-size";
import { asMember, type Member } from "@/server/platform/session";
import { recordCheck } from "@/server/records/follow-ups";
import { recordTreatment } from "@/server/records/treatments";
import { answerQuestion, makeReport, reportDetail } from "@/server/reports/reports";
import { sendReport } from "@/server/reports/send";
import { shippedModel } from "@/server/flora/flora";
import type { RegistryPort } from "@/ports/registry";
import type { Agenda } from "./agenda";
import type { Labels } from "./lists";
import { scoutPlant } from "./scouting";
import { chosenFor, coverFor, noteOf, polygonArea, toldOf } from "./told";
import { inWater, outlineOf, type Stand } from "./stands";
import { polygon } from "./valley";
import { likelyStage } from "./walk";
import { refusedAs, id, OTTER, type World } from "./world";

/** Who does what in the valley. */
export interface Crew {
  wren: Member;
  bram: Member;
  tansy: Member;
  odile: Member;
}

/** How many of the plants a treatment kills, from the worst to the best day. */
const KILLED: [number, number] = [0.62, 0.99];
/** What is left grows by so much until the next check. */
const REGROWTH = 1.25;
/** Work on a stand is planned at most so often: then it is left to another season. */
const MOST_ROUNDS = 4;

/** A stand that is still on hold is looked at again so often; then it is for a specialist, or nobody. */
const MOST_TRIES = 3;

/** Work that was planned, and who does it. */
interface Work {
  planId: string;
  findingId: string;
  person: Member;
  product: boolean;
}

/** A stand's life: found, marked, judged, reported, confirmed, planned, treated, checked, each act after the one that it follows from. */
export class Valley {
  readonly world: World;
  readonly agenda: Agenda;
  readonly crew: Crew;
  readonly labels: Labels;
  readonly registry: RegistryPort;
  /** entries that stand, for the stories about them */
  readonly entries: { stand: Stand; planId: string; entryId: string; day: string }[] = [];
  readonly plans: { stand: Stand; planId: string; findingId: string }[] = [];
  /** what is done about a plant that is reported first; a story may have it otherwise */
  reported = (_: Stand, findingId: string, day: string): Promise<void> => this.report(findingId, day, "");
  /** what becomes of a stand that nobody could name; a story may have a specialist come */
  standsUnnamed = async (_stand: Stand, _findingId: string, _day: string): Promise<void> => undefined;
  sentBack = false;
  /** findings that were judged clear, oldest first */
  readonly judgedClear: { findingId: string }[] = [];
  readonly held: { stand: Stand; findingId: string; day: string }[] = [];

  constructor(world: World, agenda: Agenda, crew: Crew, labels: Labels, registry: RegistryPort) {
    this.world = world;
    this.agenda = agenda;
    this.crew = crew;
    this.labels = labels;
    this.registry = registry;
  }

  begin(stand: Stand): void {
    this.agenda.add(stand.firstSeen, 9, () => this.find(stand, stand.firstSeen, 0));
  }

  private async find(stand: Stand, day: string, tries: number): Promise<void> {
    const scout = stand.chance.uniform() < 0.6 ? this.crew.wren : this.crew.bram;
    const found = await scoutPlant(
      this.world,
      scout,
      { ...stand, most: tries === 0 && stand.chance.uniform() < 0.2 ? 5 : 25 },
      day,
    );
    if (!stand.patchId) await this.mark(stand, scout, found.id, day);
    if (found.verdict === "clear") return this.judged(stand, found.id, day);
    this.held.push({ stand, findingId: found.id, day });
    if (tries >= MOST_TRIES) return this.standsUnnamed(stand, found.id, day);
    const again = addDays(day, 25 + Math.round(60 * stand.chance.uniform()));
    this.agenda.add(again, 10, () => this.find(stand, again, tries + 1));
  }

  private async mark(stand: Stand, scout: Member, findingId: string, day: string): Promise<void> {
    stand.patchId = id();
    await savePatch(scout, {
      id: stand.patchId,
      siteId: stand.place.id,
      taxon: stand.taxon,
      name: stand.name,
      outline: polygon(outlineOf(stand, day)),
      coverShare: Math.round((0.1 + 0.8 * stand.chance.uniform()) * 20) / 20,
      findingId,
    });
    if (inWater(stand.place)) await this.say(stand, "water-can-be-lowered", "no", day);
    if (stand.chance.uniform() < 0.6) await this.measure(stand, scout, day);
  }

  /** How much stands there, as far as the scout could say: stems are not measured on what has none. */
  private async measure(stand: Stand, scout: Member, day: string): Promise<void> {
    const areaM2 = polygonArea(outlineOf(stand, stand.firstSeen));
    const some = (value: number, known: number) => (stand.chance.uniform() < known ? value : null);
    await saySize(scout, {
      ...{ id: id(), patchId: stand.patchId, day },
      heightCm: some(20 + Math.round(180 * stand.chance.uniform()), 0.9),
      stemCm: some(Math.round(10 * (0.3 + 3 * stand.chance.uniform())) / 10, 0.5),
      count: some(1 + Math.round(areaM2 * (0.1 + 2 * stand.chance.uniform())), 0.7),
      infestedM2: some(Math.max(1, Math.round(areaM2 * stand.chance.uniform())), 0.8),
    });
  }

  async judged(stand: Stand, findingId: string, day: string): Promise<void> {
    this.judgedClear.push({ findingId });
    if (stand.chance.uniform() < 0.45) {
      const on = addDays(day, 2);
      this.agenda.add(on, 15, () => this.confirm(stand, findingId));
    }
    if (this.world.status[stand.taxon] === "watch")
      this.agenda.add(addDays(day, 1), 8, () => this.reported(stand, findingId, addDays(day, 1)));
    const on = addDays(day, 4 + Math.round(8 * stand.chance.uniform()));
    this.agenda.add(on, 14, () => this.plan(stand, findingId, on, 0));
  }

  /** What the specialist says to be ready at a stand, or not, before a method waits for it. */
  private say = (stand: Stand, word: string, holds: "yes" | "no", day: string): Promise<void> =>
    sayWord(this.crew.bram, { id: id(), patchId: stand.patchId, word, holds, day });

  private async confirm(stand: Stand, findingId: string): Promise<void> {
    const how = stand.chance.uniform();
    await confirmFinding(this.crew.bram, {
      findingId,
      how: how < 0.7 ? "specialist" : how < 0.9 ? "reviewer" : "specimen",
      source:
        how < 0.7
          ? ""
          : how < 0.9
            ? "I. Sedgwick, by photograph"
            : `Otter Valley herbarium, sheet ${Math.round(how * 1000)}`,
    });
  }

  async report(findingId: string, day: string, note: string): Promise<void> {
    const reportId = await makeReport(this.crew.wren, { id: id(), findingId, note });
    await this.send(reportId, day);
  }

  /** As its job would: a registry that is down is asked again the next day. */
  async send(reportId: string, day: string): Promise<void> {
    const again = addDays(day, 1);
    try {
      await sendReport(OTTER, this.crew.wren, reportId, this.registry);
    } catch {
      this.agenda.add(again, 8, () => this.send(reportId, again));
      return;
    }
    const { report } = await reportDetail(this.crew.wren, reportId);
    if (report.state !== "question") return;
    this.agenda.add(again, 9, async () => {
      await answerQuestion(this.crew.wren, { reportId, answer: "About thirty plants. The stand is fenced off." });
      await this.send(reportId, again);
    });
  }

  private async plan(stand: Stand, findingId: string, day: string, rounds: number, afterCheck?: string): Promise<void> {
    if (rounds >= MOST_ROUNDS) return;
    const view = await planningFor(this.crew.bram, findingId);
    const retry = addDays(day, 35);
    if (view.reasons.length > 0) {
      this.agenda.add(retry, 14, () => this.plan(stand, findingId, retry, rounds + 1));
      return;
    }
    const advice = chosenFor(stand, view);
    if (!advice?.window) return;
    const { from, to } = advice.window;
    const wanted = addDays(day, 3 + Math.round(12 * stand.chance.uniform()));
    const intendedOn = wanted < from ? from : wanted > to ? to : wanted;
    // A window that closes tonight is too short to plan for.
    if (intendedOn <= day) {
      this.agenda.add(retry, 14, () => this.plan(stand, findingId, retry, rounds + 1));
      return;
    }
    const person = stand.chance.uniform() < 0.8 ? this.crew.tansy : this.crew.odile;
    const wide = addDays(intendedOn, 1) <= to && advice.hours > 6;
    const planId = await makePlan(this.crew.bram, {
      findingId,
      method: advice.method.id,
      intendedOn,
      personId: person.personId,
      afterCheck: afterCheck ?? "",
      seenPlans: view.others.map((other) => other.id),
      ...(advice.method.kind === "product" && this.labels[0] ? { labelId: this.labels[0].id } : {}),
      ...(wide ? { moreDays: [addDays(intendedOn, 1)], crewId: view.crews[0]?.id ?? "" } : {}),
      ...coverFor(stand, view, intendedOn, advice.method["life-forms"].includes("aquatic")),
    }).catch(refusedAs(null));
    if (!planId) return;
    this.plans.push({ stand, planId, findingId });
    if (rounds === 0 && stand.chance.uniform() < 0.07) return this.miss(stand, planId, findingId, to);
    const on = addDays(intendedOn, Math.round(4 * stand.chance.uniform()));
    const done = on > to ? to : on;
    const work = { planId, findingId, person, product: advice.method.kind === "product" };
    if (stand.chance.uniform() < 0.15) await this.changed(stand, work, intendedOn, done);
    this.agenda.add(done, 13, () => this.treat(stand, work, done, rounds));
  }

  /** The plan as it is now: it is changed by who had it open so. */
  private async versionOf(planId: string): Promise<number> {
    const [held] = await asMember(this.crew.bram, (tx) =>
      tx.select({ version: plan.version }).from(plan).where(eq(plan.id, planId)),
    );
    return held?.version ?? 0;
  }

  /** Rain, or a person who cannot come: the work is moved by some days, or handed over; or half of it is done a day early. */
  private async changed(stand: Stand, work: Work, from: string, done: string): Promise<void> {
    const on = addDays(from, -1);
    const kind = stand.chance.uniform();
    this.agenda.add(on, 15, async () => {
      const held = { planId: work.planId, version: await this.versionOf(work.planId) };
      if (kind < 0.3) return partDone(work.person, { ...held, donePercent: 50 }).catch(refusedAs(undefined));
      if (kind >= 0.6) work.person = work.person === this.crew.tansy ? this.crew.odile : this.crew.tansy;
      await changePlan(this.crew.bram, {
        ...held,
        ...{ intendedOn: done, personId: work.person.personId, helperIds: kind < 0.6 ? [this.crew.wren.personId] : [] },
      }).catch(refusedAs(undefined));
    });
  }

  /** A season that was missed: the window closed, and the plan is dropped. */
  private miss(stand: Stand, planId: string, findingId: string, to: string): void {
    const on = addDays(to, 9);
    this.agenda.add(on, 9, async () => {
      await dropPlan(this.crew.bram, {
        planId,
        version: await this.versionOf(planId),
        reason: "The window closed before anyone could go: the track was washed out.",
      });
      const next = addDays(on, 60);
      this.agenda.add(next, 14, () => this.plan(stand, findingId, next, 1));
    });
  }

  private async treat(stand: Stand, work: Work, day: string, rounds: number): Promise<void> {
    const entryId = id();
    const areaM2 = Math.max(1, Math.round(polygonArea(outlineOf(stand, stand.firstSeen)) * (0.5 + 0.5 * stand.left)));
    const saved = await recordTreatment(work.person, {
      id: entryId,
      planId: work.planId,
      treatment: toldOf(stand, day, areaM2, work.product ? this.labels[0] : undefined),
    }).catch(refusedAs(null));
    if (!saved) {
      await dropPlan(this.crew.bram, {
        planId: work.planId,
        version: await this.versionOf(work.planId),
        reason: "It could not be done as the label asks; planned otherwise.",
      });
      const next = addDays(day, 20);
      this.agenda.add(next, 14, () => this.plan(stand, work.findingId, next, rounds + 1));
      return;
    }
    this.entries.push({ stand, planId: work.planId, entryId, day });
    await this.sowAfter(stand, work);
    stand.left *= 1 - (KILLED[0] + (KILLED[1] - KILLED[0]) * stand.chance.uniform());
    await this.awaitChecks(stand, work.findingId, rounds);
  }

  /** What is to grow there is sown on its day, by whoever did the work. */
  private async sowAfter(stand: Stand, work: Work): Promise<void> {
    const [sowing] = await asMember(this.crew.bram, (tx) =>
      tx.select().from(plan).where(eq(plan.followsPlan, work.planId)),
    );
    if (!sowing) return;
    const on = addDays(sowing.intendedOn, Math.round(5 * stand.chance.uniform()));
    const held = { planId: sowing.id, reason: "The ground was green by itself when the seed was there." };
    this.agenda.add(on, 12, async () => {
      if (stand.chance.uniform() < 0.2) return dropPlan(this.crew.bram, { ...held, version: sowing.version });
      await this.say(stand, "ground-cleared", "yes", on);
      await recordTreatment(work.person, {
        id: id(),
        planId: sowing.id,
        treatment: toldOf(
          stand,
          on,
          Math.max(1, Math.round(polygonArea(outlineOf(stand, stand.firstSeen)))),
          undefined,
        ),
      }).catch(refusedAs(undefined));
    });
  }

  private async awaitChecks(stand: Stand, findingId: string, rounds: number): Promise<void> {
    const due = await asMember(this.crew.wren, (tx) =>
      tx
        .select({ id: followUp.id, dueOn: followUp.dueOn })
        .from(followUp)
        .where(and(eq(followUp.patchId, stand.patchId ?? ""), isNull(followUp.doneOn), isNull(followUp.droppedAt))),
    );
    for (const { id: checkId, dueOn } of due) {
      const on = addDays(dueOn, Math.round(6 * stand.chance.uniform()));
      // Of the checks that fell due lately some wait for someone to go.
      if (on > addDays(this.world.today, -40) && stand.chance.uniform() < 0.75) continue;
      this.agenda.add(on, 11, () => this.check(stand, checkId, findingId, on, rounds));
    }
  }

  private async check(stand: Stand, checkId: string, findingId: string, day: string, rounds: number): Promise<void> {
    stand.left = Math.min(1, stand.left * REGROWTH);
    const seen = stand.left < 0.04 ? "none" : stand.left < 0.35 ? "some" : "many";
    const stage = likelyStage(shippedModel(), stand.taxon, day);
    const recorded = await recordCheck(this.crew.wren, {
      id: checkId,
      doneOn: day,
      seen,
      stages:
        seen === "none" ? [] : stand.chance.uniform() < 0.4 && stage !== "seedling" ? ["seedling", stage] : [stage],
      note: noteOf(stand, seen),
    })
      .then(() => true)
      .catch(refusedAs(false));
    if (!recorded) return;
    await this.awaitChecks(stand, findingId, rounds);
    if (seen === "none") return;
    if (stand.chance.uniform() < 0.5) return this.find(stand, day, 1);
    const next = addDays(day, 6 + Math.round(10 * stand.chance.uniform()));
    this.agenda.add(next, 14, () => this.plan(stand, findingId, next, rounds + 1, checkId));
  }
}
