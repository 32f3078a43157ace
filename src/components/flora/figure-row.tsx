import type { CSSProperties } from "react";
import type { Stage } from "@/core/flora";
import { decidingChecks, type Model } from "@/core/identify";
import { FigureDrawing } from "@/drawings/figure/figure-drawing";
import { sideBySide } from "@/drawings/figure/side-by-side";

const CALLED_OUT = 4;

/** Whole plants beside one another at one scale; what separates them is called out on each. */
export function FigureRow({
  model,
  plants,
  stage,
}: {
  model: Model;
  plants: { index: number; common: string }[];
  stage: Stage;
}) {
  const taxa = plants.map(({ index }) => index);
  const deciding = decidingChecks(model, taxa, stage)
    .slice(0, CALLED_OUT)
    .map(({ character }) => character);
  return (
    <ul className="figure-row mt-4 no-print" style={{ "--plants": plants.length } as CSSProperties}>
      {sideBySide(model, taxa, stage, deciding).map(({ figure, callouts }, i) => (
        <li key={taxa[i]} className="max-w-[420px]">
          <FigureDrawing
            figure={figure}
            callouts={callouts}
            title={`${plants[i]?.common}, the whole plant`}
            className="w-full drawing-ground border border-[var(--rule)]"
          />
          <p className="font-semibold mt-1">{plants[i]?.common}</p>
        </li>
      ))}
    </ul>
  );
}
