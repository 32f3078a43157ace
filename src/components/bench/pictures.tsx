"use client";
import { memo } from "react";
import type { Stage } from "@/core/flora";
import { cluster } from "@/drawings/flower/cluster";
import { winter } from "@/drawings/habit/winter";
import { drawMeasured } from "@/drawings/measured/draw-measured";
import { compoundLeaf } from "@/drawings/leaf/compound";
import { Drawing } from "@/drawings/ink/render";
import type { Shape } from "@/drawings/ink/shapes";
import { drawState } from "@/drawings/states/draw-state";

const STAGES: Record<Stage, () => Shape[]> = {
  seedling: () => drawState("first-order", "opposite") ?? [],
  vegetative: () => compoundLeaf("pinnate"),
  flowering: () => cluster("flat"),
  fruiting: () => drawState("fruit-kind", "parachute") ?? [],
  winter: () => winter("bare"),
};

export type PictureOf = { character: string; state: string } | { stage: Stage } | { measured: string };

/** The picture of a state, of a stage, or of what is measured. It is drawn again only where another is wanted. */
export default memo(
  function Picture({ of, className = "w-full h-full" }: { of: PictureOf; className?: string }) {
    const shapes =
      "stage" in of
        ? STAGES[of.stage]()
        : "measured" in of
          ? (drawMeasured(of.measured) ?? [])
          : (drawState(of.character, of.state) ?? []);
    return <Drawing shapes={shapes} className={className} />;
  },
  (last, next) => last.className === next.className && JSON.stringify(last.of) === JSON.stringify(next.of),
);
