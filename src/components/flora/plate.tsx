import type { Panel } from "@/drawings/plate";
import { Drawing } from "@/drawings/render";

/** A plant's parts, each drawn from its own states; what the flora does not say stays blank. */
export function Plate({ panels }: { panels: Panel[] }) {
  return (
    <ul className="grid grid-cols-2 sm:grid-cols-3 xl:grid-cols-5 gap-3 mt-3">
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
  );
}
