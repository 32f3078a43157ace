import { FLOWER_DETAIL } from "../flower/flower-detail-states";
import { FLOWER_STATES } from "../flower/flower-states";
import { FRUIT_STATES } from "../fruit/fruit-states";
import { GRASS_STATES } from "../grass/collar-states";
import { GRASS_DETAIL } from "../grass/grass-detail-states";
import { HEAD_STATES } from "../grass/head-states";
import { BESIDE } from "../habit/beside";
import { HABIT_STATES } from "../habit/habit-states";
import type { Draw } from "../ink/draw";
import type { Shape } from "../ink/shapes";
import { LEAF_DETAIL } from "../leaf/leaf-detail-states";
import { LEAF_PART_STATES } from "../leaf/leaf-part-states";
import { LEAF_STATES } from "../leaf/leaf-states";
import { SEEDLINGS } from "../seedling/seedling-detail-states";
import { SEEDLING_STATES } from "../seedling/seedling-states";
import { STEM_STATES } from "../stem/stem-states";
import { WATER_STATES } from "../water/water-states";
import { TWIG_STATES } from "../wood/twig-states";
import { WOOD } from "../wood/wood-states";
import { drawLook } from "./added";

const DRAWINGS: Record<string, Draw> = {
  ...WOOD,
  ...LEAF_DETAIL,
  ...GRASS_DETAIL,
  ...SEEDLINGS,
  ...FLOWER_DETAIL,
  ...BESIDE,
  ...HABIT_STATES,
  ...STEM_STATES,
  ...TWIG_STATES,
  ...LEAF_STATES,
  ...LEAF_PART_STATES,
  ...GRASS_STATES,
  ...HEAD_STATES,
  ...SEEDLING_STATES,
  ...FLOWER_STATES,
  ...FRUIT_STATES,
  ...WATER_STATES,
};

/** The picture of a state, or null where there is none: a smell, a measure. */
export function drawState(character: string, state: string): Shape[] | null {
  const look = drawLook(character, state);
  if (look) return look;
  const draw = DRAWINGS[character];
  return draw ? draw(state) : null;
}
