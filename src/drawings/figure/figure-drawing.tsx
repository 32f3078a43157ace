import { shapeClass } from "../ink/render";
import { joinLines } from "../ink/shapes";
import { FIGURE } from "../plant/pen";
import type { Figure } from "./figure";
import type { Callout } from "./side-by-side";

/** A whole plant on the screen; inks and tints are classes, so that each theme and the printed page give their own. */
export function FigureDrawing({
  figure,
  title,
  callouts = [],
  className,
}: {
  figure: Figure;
  title: string;
  callouts?: Callout[];
  className?: string;
}) {
  return (
    <svg viewBox={`0 0 ${FIGURE.width} ${FIGURE.height}`} className={className} role="img" aria-label={title}>
      {joinLines(figure.shapes).map((shape, i) => (
        <path
          // biome-ignore lint/suspicious/noArrayIndexKey: shapes have no identity but their order
          key={i}
          d={shape.d}
          className={shapeClass(shape)}
          style={shape.width ? { strokeWidth: shape.width } : undefined}
          strokeDasharray={shape.dash ? "3 3" : undefined}
        />
      ))}
      {figure.words.map(({ at: [x, y], text, end }) => (
        <text key={`${x} ${y}`} x={x} y={y} textAnchor={end ? "end" : "middle"} className="figure-words">
          {text}
        </text>
      ))}
      {callouts.map(({ text, at, words: [x, y], end }) => (
        <g key={`${x} ${y}`} className="callout">
          <path d={`M${x + (end ? -20 : 20)},${y + 4}L${at[0].toFixed(1)},${at[1].toFixed(1)}`} />
          <circle cx={at[0]} cy={at[1]} r={2.4} />
          <text x={x} y={y} textAnchor={end ? "end" : "start"}>
            {text}
          </text>
        </g>
      ))}
    </svg>
  );
}
