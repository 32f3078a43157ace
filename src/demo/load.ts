import { eq, sql } from "drizzle-orm";
import sharp from "sharp";
import { adviseMethods, type Ground } from "@/core/control";
import { isTarget, REFERENCE, type Status } from "@/core/flora";
import { type Case, caseAt, DEFAULT_COSTS, engineVersion } from "@/core/identify";
import { type Chance, seededChance } from "@/core/random";
import { followUpDays, restrictionsAfter, type Treatment } from "@/core/records";
import { type Actor, asLoader, closePools, inDistrict, type Transaction } from "@/db/client";
import {
  counter,
  demonstration,
  district,
  feature,
  finding,
  findingEvent,
  followUp,
  label,
  listEntry,
  membership,
  patch,
  picture,
  plan,
  site,
} from "@/db/schema";
import type { Role } from "@/db/schema/district";
import { drawState } from "@/drawings/states";
import { shapesToSvg } from "@/drawings/svg";
import { loadList } from "@/flora/load";
import { accountOf, createAccount } from "@/server/accounts/auth";
import { shippedMethods, shippedModel } from "@/server/flora/flora";
import { plantsIn } from "@/server/flora/plants";
import { judgeFinding } from "@/server/judge/judge-finding";
import { todayIn } from "@/server/platform/clock";
import { append } from "@/server/records/append-entry";
import { signature } from "@/server/records/signature";
import { DEMONSTRATION_PASSWORD, DEMONSTRATION_PEOPLE } from "./people";
import { FEATURES, type Metres, point, polygon, SITES } from "./valley";
import { likelyStage, sampleObservations } from "./walk";

const ZONE = "Etc/GMT+8";
const OTTER = "01920000-0000-7000-8000-00000000a001";
const PINE = "01920000-0000-7000-8000-00000000a002";
const ENTRIES = 60;
/** The district has worked with the program for a little longer than its oldest finding. */
const SINCE_DAYS = 1100;
/** Days back at which work was done: three seasons, and lately. */
const RECENT = 36;
const SEASONS_BACK = [1010, 900, 760, 640, 540, 390, 270, 180, RECENT];

/** Ids that are the same in every demonstration, so that a link to one holds. */
let lastId = 0;
const id = () => `01920000-0000-7000-8000-${(0xb00000 + lastId++).toString(16).padStart(12, "0")}`;
const shift = (day: string, days: number) => new Date(Date.parse(day) + days * 86400e3).toISOString().slice(0, 10);

interface Person {
  id: string;
  name: string;
  roles: Role[];
  licence?: string;
}
interface World {
  tx: Transaction;
  today: string;
  chance: Chance;
  people: Person[];
  status: Record<string, Status>;
  actions: Record<string, string>;
  exceptions: Record<string, Record<string, Status>>;
}
interface Place {
  id: string;
  index: number;
  spec: (typeof SITES)[number];
}

/** Each district is looked for and loaded by itself: what was cut between the two is made up for at the next start. */
async function main(): Promise<void> {
  asLoader();
  const people = await makePeople();
  await loadOnce(OTTER, people.otter, loadOtter);
  await loadOnce(PINE, people.pine, loadPine);
}

async function loadOnce(
  districtId: string,
  people: Person[],
  load: (tx: Transaction, people: Person[]) => Promise<void>,
): Promise<void> {
  const there = await inDistrict(districtId, (tx) => tx.select().from(district));
  if (there.length > 0) return;
  process.stderr.write("Loading the demonstration …\n");
  await inDistrict(
    districtId,
    (tx) => load(tx, people),
    actorOf(people.find((p) => p.roles.includes("keeper")) as Person),
  );
}

async function makePeople(): Promise<{ otter: Person[]; pine: Person[] }> {
  const made: { otter: Person[]; pine: Person[] } = { otter: [], pine: [] };
  for (const person of DEMONSTRATION_PEOPLE)
    made[person.district].push({
      id:
        (await accountOf(person.email))?.id ??
        (await createAccount({ ...person, password: DEMONSTRATION_PASSWORD }, true)),
      name: person.name,
      roles: person.roles,
      licence: person.licence,
    });
  return made;
}

const actorOf = (person: Person): Actor => ({ personId: person.id, personName: person.name, roles: person.roles });
/** What a person signs, by name. */
const signed = <P extends string>(field: P, people: Person[], name: string) =>
  signature(field, actorOf(people.find((p) => p.name === name) as Person));

/** From here on changes are kept as of this moment, and as this person's: only the loader of a demonstration may say so. */
async function actingAs(tx: Transaction, person: Person, moment: string): Promise<void> {
  await tx.execute(
    sql`SELECT set_config('app.clock', ${moment}, true), set_config('app.person_id', ${person.id}, true), set_config('app.person_name', ${person.name}, true)`,
  );
}

async function addMembers(tx: Transaction, districtId: string, people: Person[], today: string): Promise<void> {
  const emails = new Map(DEMONSTRATION_PEOPLE.map((p) => [p.name, p.email]));
  await tx.insert(membership).values(
    people.map((p) => ({
      districtId,
      personId: p.id,
      name: p.name,
      email: emails.get(p.name) as string,
      roles: p.roles,
      licence: p.licence ?? null,
      licenceExpires: p.licence ? shift(today, 400) : null,
    })),
  );
}

async function loadOtter(tx: Transaction, people: Person[]): Promise<void> {
  const today = todayIn(ZONE);
  const list = loadList("otter-valley");
  const world: World = {
    tx,
    today,
    chance: seededChance(417),
    people,
    status: list.status,
    actions: list.actions,
    exceptions: list.sites,
  };
  const since = shift(today, -SINCE_DAYS);
  await actingAs(tx, personNamed(people, "Odile Marsh"), `${since}T17:00:00Z`);
  await tx.insert(district).values({
    createdAt: new Date(`${since}T17:00:00Z`),
    districtId: OTTER,
    name: "Otter Valley Land Stewards",
    zone: ZONE,
    hemisphere: "north",
    costs: DEFAULT_COSTS,
  });
  await tx.insert(demonstration).values({ districtId: OTTER, madeFor: today });
  await addMembers(tx, OTTER, people, today);
  await tx
    .insert(feature)
    .values(
      FEATURES.map((f) => ({ districtId: OTTER, id: id(), kind: f.kind, name: f.name, shape: f.shape as never })),
    );
  const places: Place[] = SITES.map((spec, index) => ({ id: id(), index, spec }));
  await tx.insert(site).values(
    places.map((p) => ({
      districtId: OTTER,
      id: p.id,
      name: p.spec.name,
      boundary: polygon(p.spec.ring),
      zone: ZONE,
      setting: p.spec.setting,
      rules: p.spec.rules,
      note: p.spec.note,
    })),
  );
  await addList(world, places);
  const labels = await addLabels(world);
  let number = 400;
  const targets = places.flatMap((p) =>
    p.spec.plants.filter((name) => isTargetAt(world, p, name)).map((name) => ({ place: p, name })),
  );
  const patches: { id: string; place: Place; name: string; areaM2: number; at: Metres }[] = [];
  for (let round = 0; patches.length < 40; round++) {
    for (const { place, name } of targets) {
      if (patches.length >= 40) break;
      patches.push(await addPatch(world, place, name, round, shift(today, -daysSinceFirst(patches.length))));
    }
  }
  for (const [i, p] of patches.entries()) {
    for (const [k, daysAgo] of [
      [0, daysSinceFirst(i)],
      [1, daysSinceSecond(i)],
      [2, 6 + ((i * 5) % 40)],
    ] as const) {
      if (k === 0 && i % 2) continue;
      if (k === 2 && i % 3 === 1) continue;
      number = await addFinding(world, p.place, p.name, shift(today, -daysAgo), number, {
        patchId: p.id,
        at: p.at,
        most: i % 7 === 3 && k === 2 ? 3 : 25,
      });
    }
  }
  const others = places.flatMap((p) =>
    p.spec.plants.filter((name) => !isTargetAt(world, p, name)).map((name) => ({ place: p, name })),
  );
  for (const [i, { place, name }] of [...others, ...others.slice(0, 12)].entries())
    number = await addFinding(world, place, name, shift(today, -(3 + ((i * 17) % 330))), number, {
      patchId: null,
      at: inside(world, place),
      most: i % 3 === 1 ? 4 : 25,
    });
  await addWork(world, patches, labels);
  await world.tx.insert(counter).values({ districtId: OTTER, kind: "finding", last: number });
}

/** Every other patch was first seen three seasons ago, the rest last year: days before today. */
const daysSinceSecond = (i: number) => 300 + ((i * 37) % 200);
const daysSinceFirst = (i: number) => (i % 2 ? daysSinceSecond(i) : 900 + i * 3);

const personNamed = (people: Person[], name: string) => people.find((p) => p.name === name) as Person;
const isTargetAt = (world: World, place: Place, name: string) =>
  isTarget(world.exceptions[place.spec.name]?.[name] ?? world.status[name] ?? "kept");

async function addList(world: World, places: Place[]): Promise<void> {
  const plants = plantsIn(shippedModel().flora);
  const base = {
    districtId: OTTER,
    changedAt: new Date(`${shift(world.today, -SINCE_DAYS)}T17:30:00Z`),
    ...signed("changedBy", world.people, "Odile Marsh"),
  };
  await world.tx.insert(listEntry).values(
    Object.entries(world.status).map(([taxon, status]) => ({
      ...base,
      id: id(),
      taxon,
      plantId: plants.idOf(taxon),
      status,
      siteId: null,
      action: world.actions[taxon] ?? null,
    })),
  );
  const exceptions = Object.entries(world.exceptions).flatMap(([name, own]) =>
    Object.entries(own).map(([taxon, status]) => ({
      ...base,
      id: id(),
      taxon,
      plantId: plants.idOf(taxon),
      status,
      siteId: places.find((p) => p.spec.name === name)?.id as string,
      action: null,
    })),
  );
  await world.tx.insert(listEntry).values(exceptions);
}

async function addLabels(
  world: World,
): Promise<{ id: string; name: string; limits: NonNullable<Treatment["product"]>["limits"] }[]> {
  const labels = [
    {
      id: id(),
      name: "Sample label A (invented)",
      limits: {
        registration: "INV-0001",
        siteOfAction: "9",
        rateUnit: "L" as const,
        ratePerHaMax: 6,
        seasonMaxPerHa: 9,
        windMaxMS: 4.5,
        windMinMS: 0.8,
        temperatureMaxC: 29,
        rainFreeHours: 6,
        reentryHours: 12,
        grazingDays: 14,
        hayingDays: 21,
        waterBufferM: 10,
      },
    },
    {
      id: id(),
      name: "Sample label B for stumps (invented)",
      limits: {
        registration: "INV-0002",
        siteOfAction: "4",
        rateUnit: "L" as const,
        ratePerHaMax: 9,
        seasonMaxPerHa: 12,
        windMaxMS: 6,
        temperatureMaxC: 32,
        rainFreeHours: 4,
        reentryHours: 24,
        waterBufferM: 5,
      },
    },
  ];
  await world.tx
    .insert(label)
    .values(
      labels.map((l) => ({ districtId: OTTER, ...signed("enteredBy", world.people, "Tansy Quillfeather"), ...l })),
    );
  return labels;
}

/** A point inside a site: its corners blended at random. */
function inside(world: World, place: Place): Metres {
  const [a, b, c, d] = place.spec.ring;
  const u = 0.15 + 0.7 * world.chance.uniform();
  const v = 0.15 + 0.7 * world.chance.uniform();
  const mix = (k: 0 | 1) => a[k] * (1 - u) * (1 - v) + b[k] * u * (1 - v) + c[k] * u * v + d[k] * (1 - u) * v;
  return [mix(0), mix(1)];
}

const WHERE = [
  "By the lower gate",
  "North fence",
  "Below the spring",
  "Track bend",
  "Under the old oak",
  "West corner",
  "Along the ditch",
  "Behind the barn",
  "Two stones",
  "The hollow",
];

async function addPatch(world: World, place: Place, name: string, round: number, markedOn: string) {
  const at = inside(world, place);
  const radius = 4 + 30 * world.chance.uniform() ** 2;
  const ring: Metres[] = Array.from({ length: 9 }, (_, i) => {
    const r = radius * (0.7 + 0.6 * world.chance.uniform());
    return [at[0] + r * Math.cos((i * 2 * Math.PI) / 9), at[1] + r * Math.sin((i * 2 * Math.PI) / 9)];
  });
  const outline = polygon(ring);
  const { rows } = await world.tx.execute<{ area: number }>(
    sql`SELECT ST_Area(ST_SetSRID(ST_GeomFromGeoJSON(${JSON.stringify(outline)}), 4326)::geography) AS area`,
  );
  const made = { id: id(), place, name, areaM2: Math.round(rows[0].area * 10) / 10, at };
  const titles = WHERE[(place.index * 3 + round * 5 + name.length) % WHERE.length];
  await actingAs(world.tx, personNamed(world.people, "Wren Halloway"), `${markedOn}T18:00:00Z`);
  await world.tx.insert(patch).values({
    districtId: OTTER,
    plantId: plantsIn(shippedModel().flora).idOf(name),
    id: made.id,
    siteId: place.id,
    taxon: name,
    name: round === 0 ? titles : `${titles} ${round + 1}`,
    outline,
    areaM2: made.areaM2,
    // a few plants by a track are counted, and not drawn
    ...(made.areaM2 < 15 ? { areaFrom: "counted" as const, plants: Math.max(1, Math.round(made.areaM2)) } : {}),
    coverShare: Math.round((0.1 + 0.8 * world.chance.uniform()) * 20) / 20,
    ...signed("madeBy", world.people, "Wren Halloway"),
    createdAt: new Date(`${markedOn}T18:00:00Z`),
    protected: false,
  });
  return made;
}

async function addFinding(
  world: World,
  place: Place,
  name: string,
  day: string,
  number: number,
  options: { patchId: string | null; at: Metres; most: number },
): Promise<number> {
  const model = shippedModel();
  const list = { ...world.status, ...(world.exceptions[place.spec.name] ?? {}) };
  const stage = likelyStage(model, name, day);
  const base = caseAt(
    { setting: place.spec.setting, list, actions: world.actions, costs: DEFAULT_COSTS },
    { id: name, day, stage },
    model,
  );
  const observations = sampleObservations(model, base, name, options.most, number);
  const judged = judgeFinding(model, { ...base, observations });
  const findingId = id();
  const by = actorOf(world.people[number % 2 === 0 ? 0 : 1]);
  const at: Metres = [
    options.at[0] + 3 * (world.chance.uniform() - 0.5),
    options.at[1] + 3 * (world.chance.uniform() - 0.5),
  ];
  const moment = new Date(`${day}T18:${String(number % 60).padStart(2, "0")}:00Z`);
  await world.tx.insert(finding).values({
    districtId: OTTER,
    id: findingId,
    number: number + 1,
    siteId: place.id,
    patchId: options.patchId,
    place: point(at),
    day,
    stage,
    note: "",
    ...signature("madeBy", by),
    plantId: judged.columns.taxon ? plantsIn(model.flora).idOf(judged.columns.taxon) : null,
    createdAt: moment,
    ...judged.columns,
  });
  await world.tx.insert(findingEvent).values([
    {
      districtId: OTTER,
      id: id(),
      findingId,
      kind: "observations",
      ...signature("by", by),
      at: moment,
      body: { day, stage, kit: base.kit, observations },
    },
    {
      districtId: OTTER,
      id: id(),
      findingId,
      kind: "verdict",
      ...signature("by", by),
      at: moment,
      body: {
        identification: judged.identification,
        versions: {
          flora: judged.identification.flora,
          list: "demonstration",
          costs: DEFAULT_COSTS,
          engine: engineVersion(),
        },
      },
    },
  ]);
  if (number % 12 === 0) await addPicture(world, findingId, by, observations);
  return number + 1;
}

/** A sample "photograph": the program's own drawing of what was seen. */
async function addPicture(
  world: World,
  findingId: string,
  by: Actor,
  observations: Case["observations"],
): Promise<void> {
  const seen = observations.find((o) => o.states && drawState(o.character, o.states[0]));
  const shapes = seen?.states ? drawState(seen.character, seen.states[0]) : null;
  if (!shapes) return;
  const image = await sharp(Buffer.from(shapesToSvg(shapes, 6)))
    .webp({ quality: 80 })
    .toBuffer({ resolveWithObject: true });
  await world.tx.insert(picture).values({
    districtId: OTTER,
    id: id(),
    findingId,
    content: image.data,
    widthPx: image.info.width,
    heightPx: image.info.height,
    simulated: true,
    ...signature("by", by),
  });
}

/** Plans, ledger entries of three seasons and their checks, so that something is due and something is open on any day. */
async function addWork(
  world: World,
  patches: { id: string; place: Place; name: string; areaM2: number }[],
  labels: Awaited<ReturnType<typeof addLabels>>,
): Promise<void> {
  const { tx, today } = world;
  const model = shippedModel();
  const possible: {
    patch: (typeof patches)[number];
    day: string;
    due: boolean;
    finding: string;
    method: string;
    stage: Treatment["stage"];
  }[] = [];
  for (const [i, p] of patches.entries()) {
    const [clear] = await tx
      .select()
      .from(finding)
      .where(sql`${finding.patchId} = ${p.id} AND ${finding.verdict} = 'clear'`)
      .limit(1);
    if (!clear) continue;
    const taxon = model.flora.taxa[model.taxonIndex.get(p.name) as number];
    for (const back of SEASONS_BACK) {
      const day = shift(today, -back - (i % 9) * 3);
      const stage = likelyStage(model, p.name, day);
      const advice = adviseMethods(shippedMethods(), taxon, stage, groundOf(p.place), day, REFERENCE, p.areaM2).find(
        (a) => a.answer === "now",
      );
      if (advice)
        possible.push({ patch: p, day, due: back === RECENT, finding: clear.id, method: advice.method.id, stage });
    }
  }
  const recent = possible.filter((e) => e.due);
  const earlier = possible.filter((e) => !e.due);
  const wanted = Math.max(0, ENTRIES - recent.length);
  const entries = [
    ...recent,
    ...earlier.filter(
      (_, i) => Math.floor((i * wanted) / earlier.length) !== Math.floor(((i + 1) * wanted) / earlier.length),
    ),
  ].sort((a, b) => a.day.localeCompare(b.day));
  for (const e of entries) await addEntry(world, e.patch, e.finding, e.method, e.day, e.stage, labels, e.due);
  await actingAs(tx, personNamed(world.people, "Bram Okonedo"), `${shift(today, -3)}T17:00:00Z`);
  for (const [i, p] of patches.entries()) {
    if (i % 4 !== 1) continue;
    const taxon = model.flora.taxa[model.taxonIndex.get(p.name) as number];
    const [clear] = await tx
      .select()
      .from(finding)
      .where(sql`${finding.patchId} = ${p.id} AND ${finding.verdict} = 'clear'`)
      .limit(1);
    const advice = clear
      ? adviseMethods(
          shippedMethods(),
          taxon,
          likelyStage(model, p.name, today),
          groundOf(p.place),
          today,
          REFERENCE,
          p.areaM2,
        ).find((a) => a.window && a.answer !== "never")
      : undefined;
    if (!clear || !advice?.window) continue;
    await tx.insert(plan).values({
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
}

function groundOf(place: Place): Ground {
  const rules = place.spec.rules;
  return {
    noProduct: rules.noProduct ?? false,
    noMachines: rules.noMachines ?? false,
    grazed: rules.grazed ?? false,
    hayed: rules.hayed ?? false,
    foraged: rules.foraged ?? false,
    waterDistanceM: null,
  };
}

async function addEntry(
  world: World,
  p: { id: string; place: Place; name: string; areaM2: number },
  findingId: string,
  methodId: string,
  day: string,
  stage: Treatment["stage"],
  labels: Awaited<ReturnType<typeof addLabels>>,
  due: boolean,
): Promise<void> {
  const { tx, chance } = world;
  const method = shippedMethods().find((m) => m.id === methodId);
  if (!method) return;
  const planId = id();
  await actingAs(tx, personNamed(world.people, "Bram Okonedo"), `${day}T15:00:00Z`);
  const applicator = world.people.find((m) => m.licence && m.roles.includes("applicator")) as Person;
  await tx.insert(plan).values({
    districtId: OTTER,
    id: planId,
    patchId: p.id,
    findingId,
    method: methodId,
    taxon: p.name,
    plantId: plantsIn(shippedModel().flora).idOf(p.name),
    windowFrom: day,
    windowTo: shift(day, 20),
    intendedOn: day,
    personId: applicator.id,
    followedBy: "Check, then sow native grass.",
    ...signed("madeBy", world.people, "Bram Okonedo"),
    state: "done",
  });
  const rate = methodId === "cut-treat" ? 4 : 3;
  const held = labels[methodId === "cut-treat" ? 1 : 0];
  const [row] = await tx.select({ name: patch.name }).from(patch).where(eq(patch.id, p.id));
  const treatment: Treatment = {
    who: applicator.name,
    licence: applicator.licence,
    licenceExpires: shift(world.today, 400),
    from: `${day}T16:00:00.000Z`,
    to: `${day}T18:30:00.000Z`,
    zone: ZONE,
    siteName: p.place.spec.name,
    patchName: row.name,
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
            total: Number(((rate * p.areaM2) / 10000).toPrecision(3)),
            carrierL: Number(((200 * p.areaM2) / 10000).toPrecision(2)),
          },
        }
      : {}),
    windMS: Math.round((1 + 3 * chance.uniform()) * 10) / 10,
    windFrom: "SW",
    temperatureC: Math.round(8 + 14 * chance.uniform()),
    waterDistanceM: null,
    note: "",
  };
  const entryId = id();
  const body = { ...treatment, restrictions: restrictionsAfter(treatment, p.place.spec.rules), warnings: [] };
  await append(
    tx,
    OTTER,
    actorOf(applicator),
    {
      id: entryId,
      kind: "treatment",
      patchId: p.id,
      planId,
      plantId: plantsIn(shippedModel().flora).idOf(p.name),
      supersedes: null,
    },
    body,
    `${day}T19:00:00.000Z`,
  );
  await tx.update(patch).set({ state: "treated" }).where(eq(patch.id, p.id));
  for (const { days, what } of followUpDays(method.kind)) {
    const dueOn = shift(day, days);
    const done = dueOn < world.today && !(due && days < 60);
    await tx.insert(followUp).values({
      districtId: OTTER,
      id: id(),
      patchId: p.id,
      ledgerId: entryId,
      dueOn,
      what,
      doneOn: done ? shift(dueOn, 2) : null,
      ...(done ? signed("doneBy", world.people, "Wren Halloway") : {}),
      result: done
        ? { percentControl: Math.round(60 + 38 * chance.uniform()), note: "Most gone, a few shoots at the edge." }
        : null,
    });
  }
}

async function loadPine(tx: Transaction, people: Person[]): Promise<void> {
  const today = todayIn(ZONE);
  await tx.insert(district).values({
    districtId: PINE,
    name: "Pine Ridge Watch",
    zone: ZONE,
    hemisphere: "north",
    costs: DEFAULT_COSTS,
  });
  await tx.insert(demonstration).values({ districtId: PINE, madeFor: today });
  await addMembers(tx, PINE, people, today);
  await tx.insert(site).values({
    districtId: PINE,
    id: id(),
    name: "Ridge Top",
    boundary: polygon([
      [-3000, 1800],
      [-2000, 1800],
      [-2000, 1000],
      [-3000, 1000],
    ]),
    zone: ZONE,
    setting: { ground: ["bluff"], light: ["sun"], wetness: ["dry"] },
    rules: {},
    note: "Lies over the first district's sites on purpose: the wall between them must hold.",
  });
  await tx.insert(listEntry).values({
    districtId: PINE,
    id: id(),
    taxon: "Cytisus scoparius",
    status: "target",
    siteId: null,
    action: null,
    plantId: "cytisus-scoparius",
    ...signed("changedBy", people, "Sorrel Finch"),
  });
}

main()
  .then(closePools)
  .catch((error) => {
    process.stderr.write(`${error.stack}\n`);
    process.exit(1);
  });
