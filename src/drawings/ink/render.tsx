import { type Shape, WIDTH, HEIGHT, joinLines } from "./shapes";

/** Draws shapes as SVG. Inks and tints are classes, so that each theme and the printed page give their own; a width of its own stands as a style, since a class outweighs an attribute. */
export function Drawing({ shapes, title, className }: { shapes: Shape[]; title?: string; className?: string }) {
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className={className}
      {...(title ? { role: "img", "aria-label": title } : { "aria-hidden": true })}
    >
      {joinLines(shapes).map((shape, i) => (
        <path
          // biome-ignore lint/suspicious/noArrayIndexKey: shapes have no identity but their order
          key={i}
          d={shape.d}
          className={shapeClass(shape)}
          style={shape.width ? { strokeWidth: shape.width } : undefined}
          strokeDasharray={shape.dash ? "3 3" : undefined}
        />
      ))}
    </svg>
  );
}

export function shapeClass({ ink, tint }: Shape): string {
  return `${tint ? `tint-${tint}` : "tint-none"} ${ink ? `ink-${ink}` : "ink-none"}`;
}
