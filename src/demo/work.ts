import { eq, sql } from "drizzle-orm";
import { adviseMethods, type Method } from "@/core/control";
import { REFERENCE } from "@/core/flora";
import { followUpDays, restrictionsAfter, type Treatment } from "@/core/records";
import { finding, followUp, patch, plan } from "@/db/schema";
import { shippedMethods, shippedModel } from "@/server/flora/flora";
import { plantsIn } from "@/server/flora/plants";
import { append } from "@/server/records/append-entry";
import type { addLabels } from "./lists";
import { groundOf } from "./places";
import { likelyStage } from "./walk";
import {
  actingAs,
  actorOf,
  type DemoPatch,
  id,
  OTTER,
  type Person,
  personNamed,
  shift,
  signed,
  type World,
  ZONE,
} from "./world";
import type { Model } from "@/core/identify";

/** Plans, ledger entries of three seasons and their checks, so that something is due and something is open on any day. */
const ENTRIES = 60;
/** Days back at which work was done: three seasons, and lately. */
const RECENT = 36;
const SEASONS_BACK = [1010, 900, 760, 640, 540, 390, 270, 180, RECENT];

/** Treatments of several seasons, and what is planned next. */
export async function addWork(world: World, patches: DemoPatch[], labels: Labels): Promise<void> {
  for (const e of chosen(await possibleWork(world, patches))) await addEntry(world, e, labels);
  await actingAs(world.tx, personNamed(world.people, "Bram Okonedo"), `${shift(world.today, -3)}T17:00:00Z`);
  for (const [i, p] of patches.entries()) if (i % 4 === 1) await addPlan(world, p);
}

type Labels = Awaited<ReturnType<typeof addLabels>>;

/** A treatment that could have been done on a day of the past. */
interface Possible {
  patch: DemoPatch;
  day: string;
  /** it is the last one, whose checks are still due */
  due: boolean;
  finding: string;
  method: string;
  stage: Treatment["stage"];
}

async function clearFinding({ tx }: World, p: DemoPatch) {
  const [clear] = await tx
    .select()
    .from(finding)
    .where(sql`${finding.patchId} = ${p.id} AND ${finding.verdict} = 'clear'`)
    .limit(1);
  return clear;
}

const taxonOf = ({ flora, taxonIndex }: Model, name: string) => flora.taxa[taxonIndex.get(name) as number];

async function possibleWork(world: World, patches: DemoPatch[]): Promise<Possible[]> {
  const model = shippedModel();
  const possible: Possible[] = [];
  for (const [i, p] of patches.entries()) {
    const clear = await clearFinding(world, p);
    if (!clear) continue;
    for (const back of SEASONS_BACK) {
      const day = shift(world.today, -back - (i % 9) * 3);
      const stage = likelyStage(model, p.name, day);
      const advice = adviseMethods(
        shippedMethods(),
        taxonOf(model, p.name),
        stage,
        groundOf(p.place),
        day,
        REFERENCE,
        p.areaM2,
      ).find((a) => a.answer === "now");
      if (advice)
        possible.push({ patch: p, day, due: back === RECENT, finding: clear.id, method: advice.method.id, stage });
    }
  }
  return possible;
}

/** All of the last season, and of the earlier ones so many, spread evenly, that the ledger is as long as it should be. */
function chosen(possible: Possible[]): Possible[] {
  const recent = possible.filter((e) => e.due);
  const earlier = possible.filter((e) => !e.due);
  const wanted = Math.max(0, ENTRIES - recent.length);
  const step = (i: number) => Math.floor((i * wanted) / earlier.length);
  return [...recent, ...earlier.filter((_, i) => step(i) !== step(i + 1))].sort((a, b) => a.day.localeCompare(b.day));
}

/** What is planned on a patch whose plant is clear to act on, where anything can be done within its season. */
async function addPlan(world: World, p: DemoPatch): Promise<void> {
  const model = shippedModel();
  const taxon = taxonOf(model, p.name);
  const clear = await clearFinding(world, p);
  const advice = adviseMethods(
    shippedMethods(),
    taxon,
    likelyStage(model, p.name, world.today),
    groundOf(p.place),
    world.today,
    REFERENCE,
    p.areaM2,
  ).find((a) => a.window && a.answer !== "never");
  if (!clear || !advice?.window) return;
  await world.tx.insert(plan).values({
    districtId: OTTER,
    id: id(),
    patchId: p.id,
    findingId: clear.id,
    method: advice.method.id,
    taxon: p.name,
    plantId: taxon.id,
    windowFrom: advice.window.from,
    windowTo: advice.window.to,
    intendedOn: advice.window.from,
    personId: (world.people.find((m) => m.roles.includes("applicator")) as Person).id,
    followedBy: `Look for seedlings each spring for ${taxon.seedYears[1]} years; sow native grass where the ground is bare.`,
    ...signed("madeBy", world.people, "Bram Okonedo"),
  });
}

async function addEntry(world: World, e: Possible, labels: Labels): Promise<void> {
  const { tx } = world;
  const method = shippedMethods().find((m) => m.id === e.method);
  if (!method) return;
  const planId = id();
  const plantId = plantsIn(shippedModel().flora).idOf(e.patch.name);
  await actingAs(tx, personNamed(world.people, "Bram Okonedo"), `${e.day}T15:00:00Z`);
  const applicator = world.people.find((m) => m.licence && m.roles.includes("applicator")) as Person;
  await tx.insert(plan).values({
    districtId: OTTER,
    id: planId,
    patchId: e.patch.id,
    findingId: e.finding,
    method: e.method,
    taxon: e.patch.name,
    plantId,
    windowFrom: e.day,
    windowTo: shift(e.day, 20),
    intendedOn: e.day,
    personId: applicator.id,
    followedBy: "Check, then sow native grass.",
    ...signed("madeBy", world.people, "Bram Okonedo"),
    state: "done",
  });
  const [row] = await tx.select({ name: patch.name }).from(patch).where(eq(patch.id, e.patch.id));
  const treatment = treatmentOf(world, e, method, labels, applicator, row.name);
  const entryId = id();
  const body = { ...treatment, restrictions: restrictionsAfter(treatment, e.patch.place.spec.rules), warnings: [] };
  await append(
    tx,
    OTTER,
    actorOf(applicator),
    { id: entryId, kind: "treatment", patchId: e.patch.id, planId, plantId, supersedes: null },
    body,
    `${e.day}T19:00:00.000Z`,
  );
  await tx.update(patch).set({ state: "treated" }).where(eq(patch.id, e.patch.id));
  await addFollowUps(world, e, method, entryId);
}

function treatmentOf(
  { today, chance }: World,
  { patch: p, day, method: methodId, stage }: Possible,
  method: Method,
  labels: Labels,
  applicator: Person,
  patchName: string,
): Treatment {
  const rate = methodId === "cut-treat" ? 4 : 3;
  const held = labels[methodId === "cut-treat" ? 1 : 0];
  const hectares = p.areaM2 / 10000;
  return {
    who: applicator.name,
    licence: applicator.licence,
    licenceExpires: shift(today, 400),
    from: `${day}T16:00:00.000Z`,
    to: `${day}T18:30:00.000Z`,
    zone: ZONE,
    siteName: p.place.spec.name,
    patchName,
    areaM2: p.areaM2,
    taxon: p.name,
    stage,
    method: methodId,
    methodName: method.name,
    equipment: method.equipment.join(", "),
    ...(method.kind === "product"
      ? {
          product: {
            labelId: held.id,
            labelName: held.name,
            limits: held.limits,
            ratePerHa: rate,
            total: Number((rate * hectares).toPrecision(3)),
            carrierL: Number((200 * hectares).toPrecision(2)),
          },
        }
      : {}),
    windMS: Math.round((1 + 3 * chance.uniform()) * 10) / 10,
    windFrom: "SW",
    temperatureC: Math.round(8 + 14 * chance.uniform()),
    waterDistanceM: null,
    note: "",
  };
}

/** The checks after a treatment: done two days late, but for the last ones. */
async function addFollowUps(world: World, e: Possible, method: Method, entryId: string): Promise<void> {
  for (const { days, what } of followUpDays(method.kind)) {
    const dueOn = shift(e.day, days);
    const done = dueOn < world.today && !(e.due && days < 60);
    await world.tx.insert(followUp).values({
      districtId: OTTER,
      id: id(),
      patchId: e.patch.id,
      ledgerId: entryId,
      dueOn,
      what,
      doneOn: done ? shift(dueOn, 2) : null,
      ...(done ? signed("doneBy", world.people, "Wren Halloway") : {}),
      result: done
        ? { percentControl: Math.round(60 + 38 * world.chance.uniform()), note: "Most gone, a few shoots at the edge." }
        : null,
    });
  }
}
