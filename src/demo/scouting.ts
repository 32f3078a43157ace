import sharp from "sharp";
import type { Stage } from "@/core/flora";
import { caseAt, decide, DEFAULT_COSTS, judge, type Model, type Observation } from "@/core/identify";
import { itemAt } from "@/core/items";
import { drawState } from "@/drawings/states/draw-state";
import { shapesToSvg } from "@/drawings/ink/svg";
import type { SavedFinding } from "@/contracts/finding";
import { saveFinding } from "@/server/findings/findings";
import { shippedModel } from "@/server/flora/flora";
import { savePicture } from "@/server/ground/pictures";
import type { Member } from "@/server/platform/session";
import { point, type Meters } from "./valley";
import { likelyStage, sampleObservations } from "./walk";
import { id, type Place, type World } from "./world";

/** Looks before a scout gives up for the day. */
const MOST_LOOKS = 25;
/** Every so many findings have a picture. */
const PICTURE_EVERY = 12;

/** Every so many findings are of a plant that flowers beside its ripe fruit, and so many have words that no character takes in. */
const TWO_STAGES_EVERY = 5;
const WORDLESS_EVERY = 14;
const WORDLESS = [
  "drops of water roll off the leaves",
  "insects have eaten most of the lower leaves",
  "a ring of yellow plants stands around the patch",
  "it grows on the shady side only",
];

/** Both stages of a plant in flower or in seed, where its kind has both. */
function besideFlowers(model: Model, taxon: string, stage: Stage): [Stage, Stage] | undefined {
  const { calendar } = itemAt(model.flora.taxa, model.taxonIndex.get(taxon) ?? -1);
  const both = calendar.flowering !== undefined && calendar.fruiting !== undefined;
  return both && (stage === "flowering" || stage === "fruiting") ? ["flowering", "fruiting"] : undefined;
}

/** What a scout would see of a plant with this seed. */
function lookAt(
  world: World,
  { place, taxon, most, seed }: { place: Place; taxon: string; most: number; seed: number },
  day: string,
) {
  const model = shippedModel();
  const list = { ...world.status, ...(world.exceptions[place.spec.name] ?? {}) };
  const stage = likelyStage(model, taxon, day);
  const stages = seed % TWO_STAGES_EVERY === 0 ? besideFlowers(model, taxon, stage) : undefined;
  const given = caseAt(
    { setting: place.spec.setting, list, actions: world.actions, costs: DEFAULT_COSTS },
    stages ? { id: taxon, day, stage: null, stages } : { id: taxon, day, stage },
    model,
  );
  return { stage, stages, given, observations: sampleObservations(model, given, taxon, most, seed) };
}

/** Whether what a scout would see with this seed is clear. Nothing is saved. */
export function wouldBeClear(world: World, at: { place: Place; taxon: string; seed: number }, day: string): boolean {
  const { given, observations } = lookAt(world, { ...at, most: MOST_LOOKS }, day);
  return decide(judge(shippedModel(), { ...given, observations })).verdict === "clear";
}

/** A scout looks at a plant and saves what was seen; the verdict is the program's own. */
export async function scoutPlant(
  world: World,
  scout: Member,
  {
    place,
    taxon,
    at,
    patchId = null,
    most = MOST_LOOKS,
    seed = world.looked++,
  }: {
    place: Place;
    taxon: string;
    at: Meters;
    patchId?: string | null;
    most?: number;
    /** left out: the next of this world */
    seed?: number;
  },
  day: string,
): Promise<SavedFinding> {
  const { stage, stages, given, observations } = lookAt(world, { place, taxon, most, seed }, day);
  const near: Meters = [at[0] + 3 * (world.chance.uniform() - 0.5), at[1] + 3 * (world.chance.uniform() - 0.5)];
  const [longitude, latitude] = point(near).coordinates;
  const saved = await saveFinding(scout, {
    id: id(),
    siteId: place.id,
    patchId,
    place: { longitude, latitude },
    day,
    stage,
    ...(stages ? { stages } : {}),
    ...(seed % WORDLESS_EVERY === 0 ? { wordless: [WORDLESS[(seed / WORDLESS_EVERY) % WORDLESS.length]] } : {}),
    kit: given.kit,
    observations,
    note: "",
  });
  if (seed % PICTURE_EVERY === 0) await addPicture(scout, saved.id, observations);
  return saved;
}

/** A sample "photograph": the program's own drawing of what was seen. */
async function addPicture(scout: Member, findingId: string, observations: Observation[]): Promise<void> {
  const [seen] = observations.flatMap((o) => {
    const drawn = o.states?.[0] ? drawState(o.character, o.states[0]) : null;
    return drawn ? [drawn] : [];
  });
  if (!seen) return;
  const image = await sharp(Buffer.from(shapesToSvg(seen, 6)))
    .jpeg({ quality: 85 })
    .toBuffer();
  await savePicture(scout, id(), findingId, image, true);
}
