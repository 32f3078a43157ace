import type { Stage } from "@/core/flora";
import type { Observation } from "@/core/identify";

/** A plant as it may be met, seen so far: what other costs do to it shows what they mean. */
export interface CostExample {
  name: string;
  day: string;
  stage: Stage;
  observations: Observation[];
}

const seen = (looks: string): Observation[] =>
  looks.split(" ").map((look) => {
    const [character = "", state = ""] = look.split("=");
    return { character, answer: "seen", states: [state], join: "any", sure: "sure" };
  });

const HOGWEED = "plant-kind=herb dead-stems=ribbed leaf-lobes=deep leaf-shape=egg";
const KNOTWEED = "plant-kind=herb dead-stems=canes clump=big-clump leaf-shape=egg leaf-base=flat leaf-hair-below=none";

/** Cases some of which lie near the limit, so that moving it moves them. Made up; the plants show what they usually do. */
export const EXAMPLES: CostExample[] = [
  {
    name: "A great umbel in leaf, before anyone checked its stem",
    day: "2026-06-09",
    stage: "vegetative",
    observations: seen(HOGWEED),
  },
  {
    name: "The same, its stem blotched and bristly",
    day: "2026-06-09",
    stage: "vegetative",
    observations: seen(`${HOGWEED} stem-hair=bristly stem-marks=blotched`),
  },
  { name: "Canes by a river, six checks", day: "2026-06-10", stage: "vegetative", observations: seen(KNOTWEED) },
  {
    name: "The same, eight checks",
    day: "2026-06-10",
    stage: "vegetative",
    observations: seen(`${KNOTWEED} leaf-kind=simple leaf-substance=firm`),
  },
  {
    name: "A thistle in flower, its leaf prickly above",
    day: "2026-07-10",
    stage: "flowering",
    observations: seen(
      "plant-kind=herb flower-kind=button bract-end=spine stem-wings=whole cluster=single leaf-hair-above=prickly",
    ),
  },
  {
    name: "A tall wet-ground grass in flower, ten checks",
    day: "2026-06-20",
    stage: "flowering",
    observations: seen(
      "plant-kind=grasslike head-kind=narrow clump=patch ground=marsh awn-shape=none spikelet-stalk=tiny floret-hair=all glumes=longer blade-hair=none root-kind=rhizome",
    ),
  },
];
