import type { Stage } from "@/core/flora";
import type { Model } from "@/core/identify";
import { type Shape, type Point, liveliness, type Lively } from "../ink/shapes";
import { climber } from "../plant/climber";
import { grass } from "../plant/grass";
import { companion, earthBelow } from "../plant/ground";
import { herb } from "../plant/herb";
import { GROUND, MIDDLE, FIGURE } from "../plant/pen";
import { roots } from "../plant/roots";
import { seedling } from "../plant/seedling";
import { type Seen, typicalPlant } from "../plant/seen";
import { sizeOf, type Size } from "../plant/size";
import type { Stand } from "../plant/stand";
import { waterPlant } from "../plant/water-plant";
import { winterStand } from "../plant/winter";
import { BUSH, woody } from "../plant/woody";

/** A whole plant as it stands, in a field of its own (`FIGURE`). */
export interface Figure {
  shapes: Shape[];
  /** words that stand in the figure, each at its place */
  words: { at: Point; text: string; end?: true }[];
  /** what the figure cannot show, as it is not recorded */
  unrecorded: string[];
  /** units of the field for a centimeter, or null where no measure is recorded */
  perCm: number | null;
  /** where a part is, for a leader that ends on it */
  anchors: Record<string, Point>;
}

const WOODY = ["shrub", "tree"];

/** A seedling is drawn so large that its seed leaves can be seen. */
const SEED_LEAF_UNITS = 58;

/**
 * Draws one plant as it stands: habit, leaves up the stem, flowers and fruit, what is underground; a person, a boot or a hand beside
 * it at its scale. What is not recorded is left out, or dashed where the figure cannot stand without it.
 * @param seed the same seed gives the same lines
 * @param perCm the scale of the figure beside it; left out: the plant fills its field
 */
export function drawPlant(seen: Seen, seed: string, perCm?: number): Figure {
  const lively = liveliness(seed);
  if (seen.stage === "seedling") return seedlingFigure(seen, lively);
  const size = sizeOf(seen, perCm);
  const stand = standOf(seen, size, lively);
  const inWater = seen.lifeForm === "aquatic";
  const beside = size.isKnown && !inWater ? companion(size.perCm) : null;
  return {
    shapes: [
      ...(beside?.shapes ?? []),
      // in water the plant stands before its ground; on land the earth covers what a low leaf would reach of it
      ...(inWater ? [...earthBelow(lively), ...stand.shapes] : [...stand.shapes, ...earthBelow(lively)]),
      ...roots(seen.state("root-kind"), rootFoot(seen), 54, lively),
      ...(size.isKnown && !inWater ? bar(size.perCm) : []),
    ],
    words: [
      ...(beside ? [{ at: [44, GROUND + 14] as Point, text: beside.words }] : []),
      ...(size.isKnown && !inWater ? barWords(seen, size.perCm) : []),
      ...stand.unrecorded.map((what, i) => ({ at: [MIDDLE, 16 + 12 * i] as Point, text: `${what}: not recorded` })),
    ],
    unrecorded: stand.unrecorded,
    perCm: size.isKnown ? size.perCm : null,
    anchors: stand.anchors,
  };
}

/** A plant of its kind as it mostly looks at a stage. */
export const typicalFigure = (model: Model, taxon: number, stage: Stage, perCm?: number): Figure =>
  drawPlant(typicalPlant(model, taxon, stage), `${model.flora.taxa[taxon].id} ${stage}`, perCm);

const rootFoot = (seen: Seen): Point => [
  WOODY.includes(seen.lifeForm) ? BUSH : seen.lifeForm === "liana" || seen.lifeForm === "vine" ? MIDDLE + 16 : MIDDLE,
  GROUND,
];

function standOf(seen: Seen, size: Size, lively: Lively): Stand {
  if (seen.lifeForm === "aquatic") return waterPlant(seen, size, lively);
  if (WOODY.includes(seen.lifeForm)) return woody(seen, size, lively);
  if (seen.lifeForm === "liana" || (seen.lifeForm === "vine" && seen.stage !== "winter"))
    return climber(seen, size, lively);
  if (seen.stage === "winter") return winterStand(seen, size, lively);
  if (seen.lifeForm === "grass" || seen.lifeForm === "rush") return grass(seen, size, lively);
  return herb(seen, size, lively);
}

const isGrassy = ({ lifeForm }: Seen): boolean => lifeForm === "grass" || lifeForm === "rush";

function seedlingFigure(seen: Seen, lively: Lively): Figure {
  const long = seen.value("seed-leaf-length");
  const perMm = long ? Math.min(14, SEED_LEAF_UNITS / long) : 4;
  const stand = seedling(seen, perMm, lively);
  const beside = long ? companion(perMm * 10) : null;
  return {
    shapes: [
      ...earthBelow(lively),
      ...roots(isGrassy(seen) ? "fibrous" : "taproot", [MIDDLE, GROUND], 26, lively).slice(0, isGrassy(seen) ? 13 : 1),
      ...(beside?.shapes ?? []),
      ...stand.shapes,
      ...(long ? bar(perMm * 10) : []),
    ],
    words: [
      ...(beside ? [{ at: [44, GROUND + 14] as Point, text: beside.words }] : []),
      ...(long ? barWords(seen, perMm * 10) : []),
      ...stand.unrecorded.map((what, i) => ({ at: [MIDDLE, 16 + 12 * i] as Point, text: `${what}: not recorded` })),
    ],
    unrecorded: stand.unrecorded,
    perCm: long ? perMm * 10 : null,
    anchors: stand.anchors,
  };
}

const BAR_X = FIGURE.width - 20;

/** A twig beside a bush is at another scale than the bar. */
const ofWhat = (seen: Seen): string =>
  WOODY.includes(seen.lifeForm) && seen.stage !== "seedling"
    ? seen.lifeForm === "tree"
      ? ", the tree"
      : ", the bush"
    : "";

const STEPS = [200, 100, 50, 20, 10, 5, 2, 1, 0.5];

/** A bar is at most so tall. */
const TALLEST_BAR = 150;

/** A bar of a round number of centimeters, upright from the ground. */
function bar(perCm: number): Shape[] {
  const cm = barCm(perCm);
  const top = GROUND - cm * perCm;
  return [
    {
      d: `M${BAR_X},${GROUND}V${top.toFixed(1)}M${BAR_X - 4},${GROUND}h8M${BAR_X - 4},${top.toFixed(1)}h8`,
      ink: "outline",
      width: 0.9,
    },
  ];
}

const barCm = (perCm: number): number => STEPS.find((cm) => cm * perCm <= TALLEST_BAR) ?? 0.5;

function barWords(seen: Seen, perCm: number): Figure["words"] {
  const cm = barCm(perCm);
  return [
    {
      at: [BAR_X + 6, GROUND - cm * perCm - 5],
      text: `${cm >= 1 ? `${cm} cm` : `${cm * 10} mm`}${ofWhat(seen)}`,
      end: true,
    },
  ];
}
