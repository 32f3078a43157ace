import { askAtLast, type DrillBook, type Given, type Question } from "@/core/drill";
import { NOT_DRAWN, type Stage, STAGES } from "@/core/flora";
import { DEFAULT_COSTS } from "@/core/identify";
import { itemAt } from "@/core/items";
import { seededChance } from "@/core/random";
import { saveDrillAnswer } from "@/server/drill/answers";
import { sayConsent } from "@/server/drill/pack";
import { makeDrillSet } from "@/server/drill/sets";
import { modelOf } from "@/server/flora/amendments";
import type { Member } from "@/server/platform/session";
import type { Valley } from "./control";
import { scoutPlant, wouldBeClear } from "./scouting";
import { spotAt } from "./stands";
import { id, type Place, shift } from "./world";

/** A sheet of practice: who, of which plants, how well. */
interface Sheet {
  person: Member;
  setId: string | null;
  taxa: string[];
  stage: Stage | null;
  questions: number;
  /** share of the questions that are answered rightly */
  skill: number;
  /** two plants that this person mixes up whenever both can be chosen */
  mixesUp?: [string, string];
}

const BRAMBLES = ["rubus-armeniacus", "rubus-laciniatus", "rubus-ursinus", "rubus-idaeus", "rosa-multiflora"];
/** Its own, so that the rest of the past stays as it is. */
const chance = seededChance(731);
const GRASSES = [
  ...["taeniatherum-caput-medusae", "ventenata-dubia", "bromus-tectorum", "festuca-myuros", "avena-fatua"],
  ...["bromus-diandrus", "festuca-roemeri"],
];

/** The people of the valley practice: one passes what the specialist asks for, another does not, and a finding of hers waits. */
export function practiced(valley: Valley, places: Place[]): void {
  const { agenda, crew, world } = valley;
  const { wren, bram, tansy } = crew;
  const [brambles, grasses] = [id(), id()];
  const on = (daysAgo: number, hour: number, act: () => Promise<void>) =>
    agenda.add(shift(world.today, -daysAgo), hour, act);
  const sheet = (of: Sheet) => () => fill(valley, of);
  const ofBrambles = { setId: brambles, taxa: BRAMBLES, stage: null, questions: 20 };
  on(75, 18, () =>
    makeDrillSet(bram, {
      ...{ id: brambles, name: "Brambles and roses of the edge", taxa: BRAMBLES, due: shift(world.today, -45) },
      requiredFor: ["rubus-armeniacus", "rubus-laciniatus"],
    }),
  );
  on(74, 18, sheet({ ...ofBrambles, person: bram, skill: 0.97 }));
  on(70, 18, sheet({ ...ofBrambles, person: wren, skill: 0.6, mixesUp: ["rubus-armeniacus", "rubus-laciniatus"] }));
  on(63, 18, sheet({ ...ofBrambles, person: wren, skill: 0.97 }));
  on(50, 18, sheet({ ...ofBrambles, person: tansy, skill: 0.7, mixesUp: ["rubus-armeniacus", "rubus-ursinus"] }));
  on(20, 18, () =>
    makeDrillSet(bram, {
      ...{ id: grasses, name: "Grasses before the heads", taxa: GRASSES, stage: "vegetative" },
      due: shift(world.today, 14),
    }),
  );
  on(20, 19, async () => {
    for (const person of [wren, tansy]) await sayConsent(person, true);
  });
  const ofGrasses = { setId: grasses, taxa: GRASSES, stage: "vegetative" as const, questions: 20 };
  const lookAlikes: [string, string] = ["ventenata-dubia", "festuca-myuros"];
  on(9, 18, sheet({ ...ofGrasses, person: wren, skill: 0.75, mixesUp: lookAlikes }));
  on(3, 18, sheet({ ...ofGrasses, person: tansy, skill: 0.7, mixesUp: lookAlikes }));
  waits(valley, places);
}

/** Seeds that are tried for each plant and place: in some weeks a bramble is hard to tell. */
const SEEDS = Array.from({ length: 10 }, (_, i) => 9001 + 7 * i);

/** A bramble whose finder has not passed the set: the finding waits for a specialist. */
function waits({ agenda, crew, world }: Valley, places: Place[]): void {
  const day = shift(world.today, -4);
  const looks = ["Rubus armeniacus", "Rubus laciniatus"].flatMap((taxon) =>
    places
      .filter(({ spec }) => spec.plants.includes(taxon))
      .flatMap((place) => SEEDS.map((seed) => ({ place, taxon, seed }))),
  );
  agenda.add(day, 11, async () => {
    for (const look of looks.filter((one) => wouldBeClear(world, one, day))) {
      const { at } = spotAt(look.place, 2, chance);
      const { verdict } = await scoutPlant(world, crew.tansy, { ...look, at }, day);
      if (verdict === "clear") return;
    }
  });
}

/** Answers a sheet question by question, half a minute each. */
async function fill({ agenda, world }: Valley, { person, setId, taxa, stage, ...of }: Sheet): Promise<void> {
  const model = await modelOf(person);
  const book: DrillBook = { model, notDrawn: NOT_DRAWN, list: world.status, costs: DEFAULT_COSTS };
  const subjects = taxa.flatMap((name) => {
    const taxon = model.flora.taxa.findIndex((t) => t.id === name);
    const { calendar } = itemAt(model.flora.taxa, taxon);
    return STAGES.filter((one) => calendar[one] && (stage === null || one === stage)).map((one) => ({
      taxon,
      stage: one,
    }));
  });
  let left = of.questions;
  for (let tries = 0; left > 0 && tries < 6 * of.questions; tries++) {
    const seed = 1 + chance.below(1_000_000);
    const question = askAtLast(book, itemAt(subjects, chance.below(subjects.length)), seed, "clues");
    if (!("options" in question)) continue;
    await saveDrillAnswer(person, {
      ...{ id: id(), at: new Date(agenda.moment.getTime() - left * 30_000).toISOString(), flora: model.flora.version },
      ...{ form: question.form, taxon: question.taxon, stage: question.stage, seed: question.seed, preferred: [] },
      ...{ given: answerTo(question, of), seconds: 12 + chance.below(30), setId },
      told: { right: false, score: 0 },
    });
    left--;
  }
}

function answerTo(
  { taxon, options, clues }: Extract<Question, { options: string[] }>,
  { skill, mixesUp }: Pick<Sheet, "skill" | "mixesUp">,
): Given {
  const seen = 2 + chance.below(Math.max(1, clues.length - 2));
  const partner = mixesUp?.includes(taxon) ? mixesUp.find((one) => one !== taxon) : undefined;
  const others = options.filter((one) => one !== taxon);
  const isRight = chance.uniform() < skill;
  if (partner && options.includes(partner)) return { kind: "plant", taxon: partner, clues: seen };
  return {
    kind: "plant",
    taxon: isRight || others.length === 0 ? taxon : itemAt(others, chance.below(others.length)),
    clues: seen,
  };
}
