import { type Model, recordingOf, scoreFor, type Stage } from "@/core/identify";
import { drawLeaf, type Leaf } from "./leaf";
import { collar, compoundLeaf, leafOrder, section } from "./parts";
import type { Shape } from "./shapes";
import { drawState } from "./states";

/** One part of a plant, drawn from its own states; null where the flora does not say how it looks. */
export interface Panel {
  part: string;
  shapes: Shape[] | null;
  /** measures that belong to the part, with their units */
  measures: string;
}

/** A state must be this likely before it is drawn: a plate shows what the plant mostly looks like, and claims no more. */
const DRAWN_SHARE = 0.45;

/** What a plant mostly shows for a character at a stage; null where it is not recorded, does not apply or is not seen then. */
export function usualState(model: Model, taxon: number, character: string, stage: Stage): string | null {
  const c = model.characterIndex.get(character);
  if (c === undefined || recordingOf(model, taxon, c) !== "recorded" || !model.flora.characters[c].stages.includes(stage)) return null;
  const { shares } = scoreFor(model, taxon, c, stage, undefined, model.flora.taxa[taxon].forms[0].id) ?? {};
  if (!shares) return null;
  const best = shares.indexOf(Math.max(...shares));
  return shares[best] >= DRAWN_SHARE ? model.flora.characters[c].states[best].id : null;
}

/** The usual range of a measure in words, "4 to 9 cm"; empty where it is not recorded. */
function range(model: Model, taxon: number, character: string, stage: Stage): string {
  const c = model.characterIndex.get(character);
  if (c === undefined || recordingOf(model, taxon, c) !== "recorded") return "";
  const { points } = scoreFor(model, taxon, c, stage, undefined, model.flora.taxa[taxon].forms[0].id) ?? {};
  if (!points) return "";
  const [, low, high] = points.map((x) => Number(x.toPrecision(2)));
  return `${low === high ? low : `${low} to ${high}`} ${model.flora.characters[c].unit}`;
}

/** The plate of a plant at a stage: its parts in the order in which one looks at them. */
export function plateOf(model: Model, taxon: number, stage: Stage): Panel[] {
  const { lifeForm } = model.flora.taxa[taxon];
  const at = (character: string) => usualState(model, taxon, character, stage);
  const measure = (character: string) => range(model, taxon, character, stage);
  const state = (part: string, character: string, ...measures: string[]): Panel => {
    const id = at(character);
    return { part, shapes: id ? drawState(character, id) : null, measures: measures.map(measure).filter(Boolean).join(", ") };
  };
  if (lifeForm === "aquatic") return [state("Plan under water", "water-plan", "whorl-number"), state("Leaf", "water-leaf", "water-leaf-length", "water-leaf-width"), state("Foot of the leaf", "water-foot"), state("Edge", "water-teeth"), state("On the surface", "surface"), state("Bulbils and buds", "bulbils")];
  if (stage === "seedling") return seedling(lifeForm, at, state);
  if (stage === "winter") return winter(lifeForm, state);
  return lifeForm === "grass" || lifeForm === "rush" ? grass(stage, at, state) : broadLeaf(stage, at, state, measure);
}

type At = (character: string) => string | null;
type State = (part: string, character: string, ...measures: string[]) => Panel;

function seedling(lifeForm: string, at: At, state: State): Panel[] {
  if (lifeForm === "grass" || lifeForm === "rush") return [state("First blade", "first-blade"), state("How it stands", "first-blade-stance"), state("Hair", "grass-seedling-hair"), state("Seed on the root", "husk"), { part: "Collar", shapes: collarOf(at), measures: "" }];
  return [state("Seed leaves", "seed-leaf", "seed-leaf-length"), state("Their tip", "seed-leaf-tip"), state("First leaves", "first-leaf"), state("Outline of the first leaf", "first-shape"), state("Their order", "first-order"), state("Hair", "seedling-hair")];
}

function winter(lifeForm: string, state: State): Panel[] {
  if (lifeForm === "shrub" || lifeForm === "tree" || lifeForm === "liana") return [state("In winter", "evergreen"), state("Buds", "buds"), state("Order of the buds", "bud-order"), state("End of the twig", "end-bud"), state("Leaf scar", "leaf-scar"), state("Pith", "twig-pith"), state("Bark", "bark"), state("Twig", "twig-skin"), state("Arms", "arms"), state("Fruit still on it", "fruit-kind")];
  return [state("In winter", "evergreen"), state("Last year's stems", "dead-stems"), state("How it stands", "clump"), state("Underground", "root-kind")];
}

function collarOf(at: At): Shape[] | null {
  const ligule = at("ligule-kind");
  if (!ligule) return null;
  return collar({ ligule: ligule as "membrane", edge: (at("ligule-edge") ?? "rounded") as "flat", auricles: (at("auricles") ?? "none") as "none", throat: (at("collar-hair") ?? "none") as "none" });
}

function grass(stage: Stage, at: At, state: State): Panel[] {
  const low = [state("How it stands", "clump", "height"), { part: "Collar", shapes: collarOf(at), measures: state("", "ligule-kind", "ligule-height").measures }, state("Sheath", "sheath-closure"), state("Hair of the sheath", "sheath-hair"), state("Youngest leaf", "youngest-leaf"), state("Shoot cut across", "shoot-section"), state("Blade", "blade-form", "blade-width"), state("Foot", "sheath-foot"), state("Pulled up", "pull")];
  return stage === "vegetative" ? low : [state("Head", "head-kind", "head-length"), state("Spikelet on its stalk", "spikelet-stalk", "florets"), state("Awn", "awn-shape", "awn-length"), state("Floret", "floret-hair"), state("Glumes", "glumes"), ...low.slice(0, 4)];
}

function broadLeaf(stage: Stage, at: At, state: State, measure: (character: string) => string): Panel[] {
  const shape = at("leaf-shape");
  const leaf: Leaf | null = shape ? { shape: shape as Leaf["shape"], edge: (at("leaf-edge") ?? "smooth") as Leaf["edge"], lobes: (at("leaf-lobes") ?? "none") as Leaf["lobes"], base: baseOf(shape, at("leaf-base")), tip: (at("leaf-tip") ?? undefined) as Leaf["tip"] } : null;
  const kind = at("leaf-kind");
  const order = at("leaf-order");
  const panels: Panel[] = [
    { part: kind && kind !== "simple" ? "Leaf, divided" : "Leaf", shapes: leaf ? (kind && kind !== "simple" ? compoundLeaf(kind as "three", (at("middle-stalk") ?? "longer") as "same", leaf) : drawLeaf(leaf, [60, 74], 62, 0, at("leaf-stalk") === "none" ? 0 : 16)) : null, measures: [measure("leaf-length"), measure("leaflets")].filter(Boolean).join(", ") },
    { part: "Order on the stem", shapes: order ? leafOrder(order as "alternate", leaf ? { ...leaf, veins: false } : undefined) : null, measures: measure("height") },
    { part: "Stem cut across", shapes: stemSection(at), measures: "" },
    state("Hair of the stem", "stem-hair"),
    state("Arms", "arms"),
    state("Foot of the leaf stalk", "stalk-foot"),
    state("Underground", "root-kind"),
  ];
  const flower = [state("Flower", "flower-kind", "flower-width", "flower-length"), state("Its colour", "flower-colour", "petals"), state("How they stand together", "cluster")];
  const fruit = [state("Fruit", "fruit-kind", "fruit-length"), state("Its colour", "fruit-colour"), state("Where it stands", "fruit-place")];
  const shown = stage === "flowering" ? [...flower, ...panels] : stage === "fruiting" ? [...fruit, ...panels] : panels;
  return shown.filter((panel) => panel.part !== "Arms" || at("arms") !== "none").filter((panel) => panel.part !== "Foot of the leaf stalk" || (at("stalk-foot") !== null && at("stalk-foot") !== "plain"));
}

/** Shapes with ears or lobes of their own draw them; the joined pair is a picture of its own. */
function baseOf(shape: string, base: string | null): Leaf["base"] {
  if (base === null || base === "joined" || ((shape === "heart" || shape === "kidney" || shape === "arrow") && base === "heart")) return undefined;
  return base as Leaf["base"];
}

function stemSection(at: At): Shape[] | null {
  const outline = at("stem-section");
  const inside = at("stem-hollow");
  if (!outline) return null;
  return section(outline as "round", inside === "hollow" ? "hollow" : inside === "pith" ? "pith" : inside === "solid" ? "solid" : "plain");
}

/** The one panel for a list: the collar or the leaf that one knows the plant by; null where neither is recorded. */
export function smallPlate(model: Model, taxon: number): Shape[] | null {
  const panels = plateOf(model, taxon, "vegetative");
  return (panels.find((p) => p.part === "Collar" && p.shapes) ?? panels.find((p) => p.shapes))?.shapes ?? null;
}
