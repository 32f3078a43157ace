import sharp from "sharp";
import { type Case, caseAt, DEFAULT_COSTS, engineVersion } from "@/core/identify";
import type { Actor } from "@/db/client";
import { finding, findingEvent, picture } from "@/db/schema";
import { drawState } from "@/drawings/states";
import { shapesToSvg } from "@/drawings/svg";
import { shippedModel } from "@/server/flora/flora";
import { plantsIn } from "@/server/flora/plants";
import { judgeFinding } from "@/server/judge/judge-finding";
import { signature } from "@/server/records/signature";
import { type Metres, point } from "./valley";
import { likelyStage, sampleObservations } from "./walk";
import { actorOf, id, OTTER, type Place, type World } from "./world";

export async function addFinding(
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
