import type { Stage } from "@/core/flora";
import { type Model, type Where, usualState, recordingOf, usuallySeen, namedStates, scoreFor } from "@/core/identify";
import { liveliness, type Shape } from "../ink/shapes";
import type { Leaf } from "../leaf/leaf";
import { foliageOf, drawFoliage } from "../plant/foliage";
import { firstLeafOf } from "../seedling/first-leaves";
import { type At, type State, type Panel, range } from "./panel";

/** One picture of a first leaf that is undivided and of known outline, with teeth and tip; else its plan by itself. */
export function firstLeaves(at: At, state: State): Panel[] {
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
export const STALKS = ["canes", "ribbed", "woody"];

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

export function leafFrom(at: At): Leaf | null {
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
export function leavesOf(model: Model, taxon: number, stage: Stage): Panel[] {
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
