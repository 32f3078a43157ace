import type { Panel } from "@/drawings/plate/panel";
import type { Figure } from "@/drawings/figure/figure";
import { FigureDrawing } from "@/drawings/figure/figure-drawing";
import { Drawing } from "@/drawings/ink/render";

/** A plate like a herbarium sheet: the whole plant, and its details around it; what the flora does not say stays blank. */
export function Plate({ figure, panels, name }: { figure: Figure; panels: Panel[]; name: string }) {
  return (
    <div className="grid md:grid-cols-[minmax(0,5fr)_minmax(0,6fr)] gap-4 mt-3 items-start">
      <FigureDrawing
        figure={figure}
        title={`${name}, the whole plant`}
        className="w-full max-w-[520px] drawing-ground border border-[var(--rule)]"
      />
      <ul className="grid grid-cols-2 sm:grid-cols-3 gap-3">
        {panels.map((panel) => (
          <li key={panel.part}>
            <div className="drawing-ground border border-[var(--rule)] aspect-[5/4] flex items-center justify-center">
              {panel.shapes ? (
                <Drawing shapes={panel.shapes} title={panel.part} className="w-full h-full" />
              ) : (
                <span className="small" style={{ color: "#5a6258" }}>
                  varies or not recorded
                </span>
              )}
            </div>
            <p className="mt-1 leading-tight">
              <span className="font-semibold">{panel.part}</span>
              {panel.measures ? (
                <>
                  <br />
                  <span className="small">{panel.measures}</span>
                </>
              ) : null}
            </p>
          </li>
        ))}
      </ul>
    </div>
  );
}
