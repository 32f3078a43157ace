import { DEFAULT_COSTS } from "@/core/identify";
import { seededChance } from "@/core/random";
import type { Transaction } from "@/db/client";
import { counter, demonstration, district, feature, site } from "@/db/schema";
import { loadList } from "@/flora/load";
import { sayMapped } from "@/server/ground/water";
import { registryOfThePast } from "@/wiring/demo";
import { Agenda, instant, memberOf } from "./agenda";
import { type Crew, Valley } from "./control";
import { FEATURES } from "./features";
import { addLabels, addList } from "./lists";
import { addMembers } from "./people";
import { practiced } from "./practice";
import { naturalRing } from "./shapes";
import { standsOf } from "./stands";
import { crewsAndHours, labelChanged, labelPapers, mowsLater, writtenOff } from "./season-stories";
import { gateClosed, inPassing, keptPatch, mended, namedBySpecialist, overruled, sentBack, waterSeen } from "./stories";
import { thirdSeason } from "./third-season";
import { polygon, SITES } from "./valley";
import { id, OTTER, type Person, personNamed, type Place, shift, SINCE_DAYS, type World } from "./world";

/** The first number of a finding here, and how far around each site water is on the map. */
const FIRST_NUMBER = 400;
const MAPPED_M = 3000;
/** The one site whose water nobody has mapped yet: it has to be looked for at each patch. */
const UNMAPPED = "Bramble Lane";

/**
 * The valley's past, played through the program's own use cases in the order in which it happened: plants are found, marked,
 * judged, reported, confirmed, planned, treated and checked, each by the person who may.
 */
export async function loadOtter(tx: Transaction, people: Person[], today: string, loaded: Date): Promise<void> {
  const list = loadList("otter-valley");
  const world: World = {
    tx,
    today,
    chance: seededChance(417),
    people,
    status: list.status,
    actions: list.actions,
    exceptions: list.sites,
    looked: FIRST_NUMBER,
  };
  const since = shift(today, -SINCE_DAYS);
  const agenda = new Agenda(instant(since, 9), loaded);
  await addDistrict(world, agenda);
  const places = await addGround(world);
  await addList(world, places);
  const valley = new Valley(world, agenda, crewOf(people), await addLabels(world, places), registryOfThePast());
  for (const place of places.filter(({ spec }) => spec.name !== UNMAPPED))
    await sayMapped(valley.crew.odile, { siteId: place.id, withinM: MAPPED_M });
  await crewsAndHours(valley);
  const stands = standsOf(world, places);
  for (const stand of stands) valley.begin(stand);
  inPassing(valley, places);
  keptPatch(valley, places, "Bluff Prairie", "Festuca roemeri", 210);
  keptPatch(valley, places, "Otter Reach, river wood", "Heracleum maximum", 150);
  const watched = stands.find((stand) => world.status[stand.taxon] === "watch");
  if (watched) sentBack(valley, watched);
  for (const story of [
    namedBySpecialist,
    mended,
    overruled,
    gateClosed,
    waterSeen,
    mowsLater,
    writtenOff,
    labelPapers,
    labelChanged,
  ])
    story(valley);
  thirdSeason(valley, places);
  practiced(valley, places);
  await agenda.play();
  await tx.insert(demonstration).values({ districtId: OTTER, madeFor: today });
}

function crewOf(people: Person[]): Crew {
  const called = (name: string) => memberOf(OTTER, personNamed(people, name));
  return {
    wren: called("Wren Halloway"),
    bram: called("Bram Okonedo"),
    tansy: called("Tansy Quillfeather"),
    odile: called("Odile Marsh"),
  };
}

async function addDistrict({ tx, today, people }: World, agenda: Agenda): Promise<void> {
  await tx.insert(district).values({
    createdAt: agenda.moment,
    districtId: OTTER,
    name: "Otter Valley Land Stewards",
    zone: "Etc/GMT+8",
    hemisphere: "north",
    costs: DEFAULT_COSTS,
    settings: {
      units: "us",
      findingSeasons: 1,
      requiredFields: ["equipment"],
      winds: ["S", "S", "SW", "W", "NW", "NW", "NW", "NW", "W", "SW", "S", "S"],
      reportTo: "",
    },
  });
  await addMembers(tx, OTTER, people, today);
  await tx.insert(counter).values({ districtId: OTTER, kind: "finding", last: FIRST_NUMBER });
}

async function addGround({ tx }: World): Promise<Place[]> {
  await tx.insert(feature).values(
    FEATURES.map((f) => ({
      districtId: OTTER,
      id: id(),
      kind: f.kind,
      name: f.name,
      shape: f.shape as never,
      flows: f.kind === "river" || f.kind === "creek",
    })),
  );
  const places: Place[] = SITES.map((spec, index) => ({ id: id(), index, spec }));
  await tx.insert(site).values(
    places.map((p) => ({
      districtId: OTTER,
      id: p.id,
      name: p.spec.name,
      boundary: polygon(naturalRing(p.spec.ring, 11 + p.index, 0.05)),
      zone: "Etc/GMT+8",
      setting: p.spec.setting,
      rules: p.spec.rules,
      note: p.spec.note,
    })),
  );
  return places;
}
