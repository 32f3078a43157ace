import type { Stage } from "@/core/flora";
import { type Model, usualState } from "@/core/identify";
import { collar } from "../grass/collar";
import type { Shape } from "../ink/shapes";
import { leafOrder } from "../leaf/leaf-order";
import { drawState } from "../states/draw-state";
import { section } from "../stem/section";
import { sexesOf, fruitPanel, flowerPanel } from "./flower-panel";
import { leavesOf, firstLeaves, STALKS, leafFrom } from "./leaf-panel";
import { type Panel, range, type At, type State } from "./panel";

/** The plate of a plant at a stage: its parts in the order in which one looks at them. */
export function plateOf(model: Model, taxon: number, stage: Stage): Panel[] {
  const { lifeForm } = model.flora.taxa[taxon];
  const at = (character: string) => usualState(model, taxon, character, stage);
  const measure = (character: string) => range(model, taxon, character, stage);
  const state = (part: string, character: string, ...measures: string[]): Panel => {
    const id = at(character);
    return {
      part,
      shapes: id ? drawState(character, id) : null,
      measures: measures.map(measure).filter(Boolean).join(", "),
    };
  };
  if (lifeForm === "aquatic")
    return [
      ...(stage === "winter" ? [state("In winter", "winter-water")] : []),
      state("Plan under water", "water-plan", "whorl-number"),
      state("Leaf", "water-leaf", "water-leaf-length", "water-leaf-width"),
      state("Foot of the leaf", "water-foot"),
      ...(EDGED.includes(at("water-leaf") ?? "") ? [state("Edge", "water-teeth")] : []),
      state("On the surface", "surface"),
      state("Bulbils and buds", "bulbils"),
    ];
  if (stage === "seedling") return seedling(lifeForm, at, state);
  if (stage === "winter")
    return [...winter(lifeForm, at, state), ...keptInWinter(lifeForm, at, state, () => leavesOf(model, taxon, stage))];
  if (lifeForm === "grass" || lifeForm === "rush") return grass(stage, at, state);
  return broadLeaf(stage, at, state, measure, leavesOf(model, taxon, stage), sexesOf(model, taxon, stage));
}

/** Leaves under water that have an edge to speak of; feathers, forks and threads have none. */
const EDGED = ["strap", "ribbon", "broad"];

function seedling(lifeForm: string, at: At, state: State): Panel[] {
  if (lifeForm === "grass" || lifeForm === "rush")
    return [
      state("First blade", "first-blade"),
      state("How it stands", "first-blade-stance"),
      state("Hair", "grass-seedling-hair"),
      state("Seed on the root", "husk"),
      { part: "Collar", shapes: collarOf(at), measures: "" },
    ];
  return [
    state("Seed leaves", "seed-leaf", "seed-leaf-length", "seed-leaf-ratio"),
    state("Their tip", "seed-leaf-tip"),
    ...firstLeaves(at, state),
    state("Their order", "first-order"),
    state("Hair", "seedling-hair"),
  ];
}

function winter(lifeForm: string, at: At, state: State): Panel[] {
  if (lifeForm === "shrub" || lifeForm === "tree" || lifeForm === "liana")
    return [
      state("In winter", "evergreen"),
      state("Buds", "buds"),
      state("Order of the buds", "bud-order"),
      state("End of the twig", "end-bud"),
      state("Leaf scar", "leaf-scar"),
      state("Pith", "twig-pith"),
      state("Bark", "bark"),
      state("Twig", "twig-skin"),
      state("Arms", "arms"),
      fruitPanel("Fruit still on it", at, state),
    ];
  const stalks = [
    state("Last year's stems", "dead-stems", ...(STALKS.includes(at("dead-stems") ?? "") ? ["height"] : [])),
    state("Old heads on them", "cluster"),
  ];
  return [
    state("In winter", "evergreen"),
    ...stalks.filter((panel, i) => i === 0 || panel.shapes),
    state("How it stands", "clump"),
    state("Underground", "root-kind"),
  ];
}

/** What is drawn of a plant that keeps its leaves, or whose dead head stands; nothing of another. */
function keptInWinter(lifeForm: string, at: At, state: State, leaves: () => Panel[]): Panel[] {
  const kept =
    lifeForm === "grass" || lifeForm === "rush"
      ? [
          { part: "Collar", shapes: collarOf(at), measures: "" },
          state("Blade", "blade-form", "blade-width", "blade-length"),
          state("Head still standing", "head-kind", "head-length"),
        ]
      : leaves();
  return kept.filter((panel) => panel.shapes);
}

function collarOf(at: At): Shape[] | null {
  const ligule = at("ligule-kind");
  if (!ligule) return null;
  return collar({
    ligule: ligule as "membrane",
    edge: (at("ligule-edge") ?? "rounded") as "flat",
    auricles: (at("auricles") ?? "none") as "none",
    throat: (at("collar-hair") ?? "none") as "none",
  });
}

function grass(stage: Stage, at: At, state: State): Panel[] {
  const low = [
    state("How it stands", "clump", "height"),
    { part: "Collar", shapes: collarOf(at), measures: state("", "ligule-kind", "ligule-height").measures },
    state("Sheath", "sheath-closure"),
    state("Hair of the sheath", "sheath-hair"),
    state("Youngest leaf", "youngest-leaf"),
    state("Shoot cut across", "shoot-section"),
    state("Blade", "blade-form", "blade-width", "blade-length"),
    state("Foot", "sheath-foot"),
    state("Pulled up", "pull"),
  ];
  return stage === "vegetative"
    ? low
    : [
        state("Head", "head-kind", "head-length"),
        state("Spikelet on its stalk", "spikelet-stalk", "florets"),
        state("Awn", "awn-shape", "awn-length"),
        state("Floret", "floret-hair"),
        state("Glumes", "glumes"),
        ...low.slice(0, 4),
      ];
}

function broadLeaf(
  stage: Stage,
  at: At,
  state: State,
  measure: (character: string) => string,
  leaves: Panel[],
  sexes: Panel[],
): Panel[] {
  const leaf = leafFrom(at);
  const order = at("leaf-order");
  const panels: Panel[] = [
    ...leaves,
    {
      part: "Order on the stem",
      shapes: order ? leafOrder(order as "alternate", leaf ? { shape: leaf.shape, veins: false } : undefined) : null,
      measures: measure("height"),
    },
    { part: "Stem cut across", shapes: stemSection(at), measures: "" },
    state("Hair of the stem", "stem-hair"),
    state("Arms", "arms"),
    state("Foot of the leaf stalk", "stalk-foot"),
    state("Underground", "root-kind"),
  ];
  const flower = [
    flowerPanel(at, state),
    state("Its color", "flower-colour", "petals"),
    state("How they stand", "cluster"),
    ...sexes,
  ];
  const fruits = [
    fruitPanel("Fruit", at, state),
    state("Its color", "fruit-colour"),
    state("Where it stands", "fruit-place"),
  ];
  const shown = stage === "flowering" ? [...flower, ...panels] : stage === "fruiting" ? [...fruits, ...panels] : panels;
  return shown
    .filter((panel) => panel.part !== "Arms" || at("arms") !== "none")
    .filter(
      (panel) => panel.part !== "Foot of the leaf stalk" || (at("stalk-foot") !== null && at("stalk-foot") !== "plain"),
    );
}

function stemSection(at: At): Shape[] | null {
  const outline = at("stem-section");
  const inside = at("stem-hollow");
  if (!outline) return null;
  return section(
    outline as "round",
    inside === "hollow" ? "hollow" : inside === "pith" ? "pith" : inside === "solid" ? "solid" : "plain",
  );
}
