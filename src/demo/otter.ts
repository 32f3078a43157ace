import { DEFAULT_COSTS } from "@/core/identify";
import { seededChance } from "@/core/random";
import type { Transaction } from "@/db/client";
import { counter, demonstration, district, feature, site } from "@/db/schema";
import { loadList } from "@/flora/load";
import { todayIn } from "@/server/platform/clock";
import { addFinding } from "./findings";
import { addLabels, addList } from "./lists";
import { addMembers } from "./people";
import { addPatch, inside } from "./places";
import { FEATURES, polygon, SITES } from "./valley";
import { addWork } from "./work";
import {
  actingAs,
  type DemoPatch,
  id,
  isTargetAt,
  OTTER,
  type Person,
  personNamed,
  type Place,
  shift,
  SINCE_DAYS,
  type World,
  ZONE,
} from "./world";

export async function loadOtter(tx: Transaction, people: Person[]): Promise<void> {
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
  await addDistrict(world);
  const places = await addGround(world);
  await addList(world, places);
  const labels = await addLabels(world);
  const patches = await addPatches(world, places);
  const number = await addOtherFindings(world, places, await addPatchFindings(world, patches, 400));
  await addWork(world, patches, labels);
  await world.tx.insert(counter).values({ districtId: OTTER, kind: "finding", last: number });
}

async function addDistrict({ tx, today, people }: World): Promise<void> {
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
}

async function addGround({ tx }: World): Promise<Place[]> {
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
  return places;
}

/** The plants of each place, those to be treated or the others. */
const plantsAt = (world: World, places: Place[], targets: boolean) =>
  places.flatMap((place) =>
    place.spec.plants.filter((name) => isTargetAt(world, place, name) === targets).map((name) => ({ place, name })),
  );

const MOST_PATCHES = 40;

async function addPatches(world: World, places: Place[]): Promise<DemoPatch[]> {
  const targets = plantsAt(world, places, true);
  const patches: DemoPatch[] = [];
  for (let round = 0; patches.length < MOST_PATCHES; round++) {
    for (const { place, name } of targets) {
      if (patches.length >= MOST_PATCHES) break;
      patches.push(await addPatch(world, place, name, round, shift(world.today, -daysSinceFirst(patches.length))));
    }
  }
  return patches;
}

/** Each patch was looked at two or three times. @returns the last number given */
async function addPatchFindings(world: World, patches: DemoPatch[], from: number): Promise<number> {
  let number = from;
  for (const [i, p] of patches.entries()) {
    for (const [k, daysAgo] of [
      [0, daysSinceFirst(i)],
      [1, daysSinceSecond(i)],
      [2, 6 + ((i * 5) % 40)],
    ] as const) {
      if ((k === 0 && i % 2) || (k === 2 && i % 3 === 1)) continue;
      number = await addFinding(world, p.place, p.name, shift(world.today, -daysAgo), number, {
        patchId: p.id,
        at: p.at,
        most: i % 7 === 3 && k === 2 ? 3 : 25,
      });
    }
  }
  return number;
}

/** Plants that stay, looked at in passing. @returns the last number given */
async function addOtherFindings(world: World, places: Place[], from: number): Promise<number> {
  let number = from;
  const others = plantsAt(world, places, false);
  for (const [i, { place, name }] of [...others, ...others.slice(0, 12)].entries())
    number = await addFinding(world, place, name, shift(world.today, -(3 + ((i * 17) % 330))), number, {
      patchId: null,
      at: inside(world, place),
      most: i % 3 === 1 ? 4 : 25,
    });
  return number;
}

/** Every other patch was first seen three seasons ago, the rest last year: days before today. */
const daysSinceSecond = (i: number) => 300 + ((i * 37) % 200);
const daysSinceFirst = (i: number) => (i % 2 ? daysSinceSecond(i) : 900 + i * 3);
