import type { Stage } from "@/core/flora";
import { type Model, recordingOf, scoreFor } from "@/core/identify";
import { flowerKind } from "../flower/flower-kind";
import { flowerTint } from "../flower/tints";
import { fruit } from "../fruit/fruit-kind";
import type { Tint } from "../ink/shapes";
import { drawState } from "../states/draw-state";
import type { Panel, At, State } from "./panel";

/** Male and female beside one another, where a plant carries one or the other. */
export function sexesOf(model: Model, taxon: number, stage: Stage): Panel[] {
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

/** The flower in its own color; where the color varies, white as paper. */
export function flowerPanel(at: At, state: State): Panel {
  const kind = at("flower-kind");
  const colour = at("flower-colour");
  return {
    ...state("Flower", "flower-kind", "flower-width", "flower-length"),
    shapes: kind ? flowerKind(kind, colour ? flowerTint(colour) : "white") : null,
  };
}

/** The fruit in its own color; without one where it varies or is not recorded. */
export function fruitPanel(part: string, at: At, state: State): Panel {
  const kind = at("fruit-kind");
  const colour = at("fruit-colour");
  return {
    ...state(part, "fruit-kind", "fruit-length"),
    shapes: kind ? fruit(kind, colour ? (colour as Tint) : "white") : null,
  };
}
