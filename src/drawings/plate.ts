import { type Model, namedStates, recordingOf, scoreFor, usualState, usuallySeen, type Where } from "@/core/identify";
import type { Stage } from "@/core/flora";
import { flowerKind, fruit } from "./flowers";
import type { Leaf } from "./leaf";
import { drawFoliage, foliageOf } from "./plant/foliage";
import { collar, leafOrder, section } from "./parts";
import { liveliness, type Shape, type Tint } from "./shapes";
import { firstLeafOf } from "./seedlings";
import { drawState, flowerTint } from "./states";

/** One part of a plant, drawn from its own states; null where the flora does not say how it looks. */
export interface Panel {
  part: string;
  shapes: Shape[] | null;
  /** measures that belong to the part, with their units */
  measures: string;
}

/** The usual range of a measure in words, "4 to 9 cm"; empty where it is not recorded. */
function range(model: Model, taxon: number, character: string, stage: Stage): string {
  const c = model.characterIndex.get(character);
  if (c === undefined || recordingOf(model, taxon, c) !== "recorded") return "";
  const { points } = scoreFor(model, taxon, c, stage, undefined, model.flora.taxa[taxon].forms[0].id) ?? {};
  if (!points) return "";
  const [, low, high] = points.map((x) => Number(x.toPrecision(2)));
  return `${low === high ? low : `${low} to ${high}`} ${model.flora.characters[c].unit}${WAY[character] ?? ""}`;
}

/** Which way a measure goes, where the panel does not say so. */
const WAY: Record<string, string> = {
  height: " tall",
  "blade-width": " wide",
  "blade-length": " long",
  "water-leaf-width": " wide",
  "water-leaf-length": " long",
};

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

type At = (character: string) => string | null;
type State = (part: string, character: string, ...measures: string[]) => Panel;

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

/** One picture of a first leaf that is undivided and of known outline, with teeth and tip; else its plan by itself. */
function firstLeaves(at: At, state: State): Panel[] {
  const [plan, shape] = [at("first-leaf"), at("first-shape")];
  const whole = shape
    ? [
        {
          part: "The first leaf",
          shapes: firstLeafOf(shape, at("first-tip"), plan === "toothed" ? at("first-teeth") : null),
          measures: "",
        },
      ]
    : [];
  return shape && (plan === "smooth" || plan === "toothed") ? whole : [state("First leaves", "first-leaf"), ...whole];
}

/** Dead stems that stand as tall as the plant grew; straw is laid by rain and snow. */
const STALKS = ["canes", "ribbed", "woody"];

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

/** Characters that shape the picture of a leaf. */
const LEAF_CHARACTERS = [
  "leaf-kind",
  "leaf-shape",
  "leaf-edge",
  "leaf-lobes",
  "leaf-base",
  "leaf-tip",
  "leaf-stalk",
  "middle-stalk",
  "lobe-plan",
];
/** A leaf is drawn this long, in the drawing's own units. */
const LEAF_DRAWN = 82;
/** and turned by at most so many degrees: each plant by its own */
const LEAF_TURN = 4;

function leafFrom(at: At): Leaf | null {
  const shape = at("leaf-shape");
  return shape
    ? {
        shape: shape as Leaf["shape"],
        edge: (at("leaf-edge") ?? "smooth") as Leaf["edge"],
        lobes: (at("leaf-lobes") ?? "none") as Leaf["lobes"],
        base: baseOf(shape, at("leaf-base")),
        tip: (at("leaf-tip") ?? undefined) as Leaf["tip"],
      }
    : null;
}

/** The leaf of a plant; where low leaves, high leaves or another form look otherwise, each beside it. */
function leavesOf(model: Model, taxon: number, stage: Stage): Panel[] {
  const forms = model.flora.taxa[taxon].forms;
  const variants: { name: string; where: Where }[] = [
    ...forms.map((form, i) => ({
      name: forms.length > 1 ? form.id : "",
      where: i > 0 || forms.length > 1 ? { form: form.id } : {},
    })),
    { name: "low on the plant", where: { position: "low" } },
    { name: "high on the plant", where: { position: "high" } },
  ];
  const seen = new Set<string>();
  return variants.flatMap(({ name, where }) => {
    const at: At = (character) => usualState(model, taxon, character, stage, where);
    const look = LEAF_CHARACTERS.map(at).join();
    if (seen.has(look)) return [];
    seen.add(look);
    const panel = leafPanel(model, taxon, stage, at, name);
    if (panel.shapes) return [panel];
    return where.position ? [] : (eitherLeaf(model, taxon, stage, at, name) ?? [panel]);
  });
}

/** The leaf of a plant whose outline is now one, now another: the two commonest beside one another; null where that is not recorded. */
function eitherLeaf(model: Model, taxon: number, stage: Stage, at: At, name: string): Panel[] | null {
  const c = model.characterIndex.get("leaf-shape") as number;
  if (recordingOf(model, taxon, c) !== "recorded" || !usuallySeen(model, taxon, c, stage)) return null;
  const outlines = namedStates(model, taxon, c, stage);
  if (outlines.length < 2) return null;
  return outlines.map((outline, i) =>
    leafPanel(
      model,
      taxon,
      stage,
      (character) => (character === "leaf-shape" ? outline : at(character)),
      [name, i > 0 ? "or" : "either"].filter(Boolean).join(", "),
    ),
  );
}

function leafPanel(model: Model, taxon: number, stage: Stage, at: At, name: string): Panel {
  const leaf = leafFrom(at);
  const kind = at("leaf-kind");
  const divided = kind !== null && kind !== "simple";
  const part = `Leaf${divided ? ", divided" : ""}${name ? `, ${name}` : ""}`;
  const measures = [
    range(model, taxon, "leaf-length", stage),
    divided ? range(model, taxon, "leaflets", stage) : "",
  ].filter(Boolean);
  const lobes = at("leaf-lobes") as Leaf["lobes"] | null;
  // a hand of lobes is drawn by its plan and its edge, whatever the outline round it
  const fan = !divided && at("lobe-plan") === "fan" && (lobes === "deep" || lobes === "shallow");
  if (!leaf && !fan) return { part, shapes: null, measures: measures.join(", ") };
  const foliage = foliageOf({
    lifeForm: model.flora.taxa[taxon].lifeForm,
    stage,
    state: at,
    value: (character) => middleOf(model, taxon, character, stage),
  });
  if (!foliage) return { part, shapes: null, measures: measures.join(", ") };
  const lively = liveliness(`${model.flora.taxa[taxon].id} ${stage} ${name}`);
  const length = LEAF_DRAWN / (1 + Math.min(1.2, foliage.stalk));
  const bar = divided ? null : scaleBar(model, taxon, stage, length);
  return {
    part,
    shapes: [...drawFoliage(foliage, [60, 90], length, lively(LEAF_TURN), lively), ...(bar?.shapes ?? [])],
    measures: [...measures, ...(bar ? [`bar ${bar.cm} cm`] : [])].join(", "),
  };
}

/** The middle of a measure's usual range; null where it is not recorded. */
function middleOf(model: Model, taxon: number, character: string, stage: Stage): number | null {
  const c = model.characterIndex.get(character);
  if (c === undefined || recordingOf(model, taxon, c) !== "recorded") return null;
  const points = scoreFor(model, taxon, c, stage, undefined, model.flora.taxa[taxon].forms[0].id)?.points;
  return points ? (points[1] + points[2]) / 2 : null;
}

/** A bar of 1, 2, 5 or 10 times a power of ten centimeters beside a leaf of middling length; null where no length is recorded. */
function scaleBar(model: Model, taxon: number, stage: Stage, length: number): { shapes: Shape[]; cm: number } | null {
  const middle = middleOf(model, taxon, "leaf-length", stage);
  if (!middle) return null;
  const perCm = length / middle;
  const cm = [50, 20, 10, 5, 2, 1, 0.5, 0.2, 0.1].find((n) => n * perCm <= LONGEST_BAR);
  return cm
    ? {
        cm,
        shapes: [{ d: `M6,90h${(cm * perCm).toFixed(2)}M6,87v6M${(6 + cm * perCm).toFixed(2)},87v6`, ink: "outline" }],
      }
    : null;
}
const LONGEST_BAR = 40;

/** Male and female beside one another, where a plant carries one or the other. */
function sexesOf(model: Model, taxon: number, stage: Stage): Panel[] {
  const c = model.characterIndex.get("flower-sex");
  if (c === undefined || stage !== "flowering" || recordingOf(model, taxon, c) !== "recorded") return [];
  const { shares } = scoreFor(model, taxon, c, stage, undefined, model.flora.taxa[taxon].forms[0].id) ?? {};
  const states = model.flora.characters[c].states;
  const shown = states.filter((s, i) => s.id !== "both" && (shares?.[i] ?? 0) > SEX_SHARE);
  return shown.length < 2
    ? []
    : shown.map((s) => ({
        part: s.id === "male" ? "Male plant or flower" : "Female plant or flower",
        shapes: drawState("flower-sex", s.id),
        measures: "",
      }));
}
const SEX_SHARE = 0.25;

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

/** Shapes with ears or lobes of their own draw them; the joined pair is a picture of its own. */
function baseOf(shape: string, base: string | null): Leaf["base"] {
  if (
    base === null ||
    base === "joined" ||
    ((shape === "heart" || shape === "kidney" || shape === "arrow") && (base === "heart" || base === "flat"))
  )
    return undefined;
  return base as Leaf["base"];
}

/** The flower in its own color; where the color varies, white as paper. */
function flowerPanel(at: At, state: State): Panel {
  const kind = at("flower-kind");
  const colour = at("flower-colour");
  return {
    ...state("Flower", "flower-kind", "flower-width", "flower-length"),
    shapes: kind ? flowerKind(kind, colour ? flowerTint(colour) : "white") : null,
  };
}

/** The fruit in its own color; without one where it varies or is not recorded. */
function fruitPanel(part: string, at: At, state: State): Panel {
  const kind = at("fruit-kind");
  const colour = at("fruit-colour");
  return {
    ...state(part, "fruit-kind", "fruit-length"),
    shapes: kind ? fruit(kind, colour ? (colour as Tint) : "white") : null,
  };
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

/** The one panel for a list: the collar or the leaf that one knows the plant by; null where neither is recorded. */
export function smallPlate(model: Model, taxon: number): Shape[] | null {
  const panels = plateOf(model, taxon, "vegetative");
  return (panels.find((p) => p.part === "Collar" && p.shapes) ?? panels.find((p) => p.shapes))?.shapes ?? null;
}
