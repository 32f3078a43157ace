import { type Point, type Tint, type Shape, area, faint, straight, polar, smoothClosed, circle } from "../ink/shapes";

export function grid(n: number, vary: (s: number) => number): Point[] {
  const points: Point[] = [];
  for (let i = 0; i < n; i++)
    for (let k = 0; k < n; k++) {
      const x = 22 + (i * 78) / n + vary(3);
      const y = 22 + (k * 62) / n + vary(3);
      if (y > 78 - (x - 14) * 0.9 - 4 && y < 86 - Math.max(0, x - 84) * 1.2) points.push([x, y]);
    }
  return points;
}

/** A cut across a stem: its outline, and what fills it. */
export function section(
  shape: "round" | "angled" | "square" | "flattened" | "furrowed" | "oval" | "flat" | "green-ridged" | "triangular",
  fill: "solid" | "hollow" | "pith" | "plain",
  tint: Tint = "leaf",
): Shape[] {
  const ring = sectionOutline(shape, 34);
  const parts: Shape[] = [area(ring, tint)];
  if (fill === "hollow") parts.push(area(sectionOutline(shape, 23), "paper"));
  if (fill === "pith") parts.push(area(sectionOutline(shape, 22), "white"), ...dots(60, 48, 18));
  if (fill === "solid")
    parts.push(
      ...[26, 18, 10].map((r) => faint(sectionOutline(shape, r))),
      ...[0, 45, 90, 135].map((a) => faint(straight([polar(60, 48, 28, a), polar(60, 48, 28, a + 180)]))),
    );
  if (fill === "plain") parts.push(faint(sectionOutline(shape, 28)));
  return parts;
}

function sectionOutline(shape: string, r: number): string {
  const ring = (radius: (a: number) => number, squash = 1) =>
    smoothClosed(
      Array.from({ length: 48 }, (_, i) => {
        const [x, y] = polar(0, 0, radius((i * 360) / 48), (i * 360) / 48);
        return [60 + x, 48 + y * squash] as Point;
      }),
    );
  if (shape === "triangular")
    return straight([polar(60, 54, r * 1.15, -90), polar(60, 54, r * 1.15, 30), polar(60, 54, r * 1.15, 150)], true);
  if (shape === "angled")
    return straight(
      Array.from({ length: 6 }, (_, i) => polar(60, 48, r, i * 60 + 15)),
      true,
    );
  if (shape === "square")
    return straight(
      [
        [60 - r * 0.8, 48 - r * 0.8],
        [60 + r * 0.8, 48 - r * 0.8],
        [60 + r * 0.8, 48 + r * 0.8],
        [60 - r * 0.8, 48 + r * 0.8],
      ],
      true,
    );
  if (shape === "furrowed") return ring((a) => r * (0.86 + 0.16 * Math.cos((5 * a * Math.PI) / 180)));
  if (shape === "green-ridged")
    return ring((a) => r * (0.84 + 0.18 * Math.abs(Math.cos((4 * a * Math.PI) / 180)) ** 6));
  if (shape === "oval") return ring(() => r, 0.68);
  if (shape === "flat" || shape === "flattened")
    return smoothClosed([
      [60 - r * 1.25, 48],
      [60 - r * 0.5, 48 - r * 0.34],
      [60 + r * 0.5, 48 - r * 0.34],
      [60 + r * 1.25, 48],
      [60 + r * 0.5, 48 + r * 0.34],
      [60 - r * 0.5, 48 + r * 0.34],
    ]);
  return ring(() => r);
}

function dots(cx: number, cy: number, r: number): Shape[] {
  return Array.from({ length: 19 }, (_, i) =>
    faint(circle(...polar(cx, cy, r * Math.sqrt((i + 0.5) / 20), i * 137.5), 1.6)),
  );
}
