import { type Shape, type Point, pts, all, area, smooth, faint, ellipse, inner, straight, hair } from "../ink/shapes";

export function pod(hairs: "none" | "seams" | "all"): Shape[] {
  const top: Point[] = pts("14,40 40,26 76,28 106,48");
  const bottom: Point[] = pts("106,48 76,66 40,64 14,40");
  const parts = all(
    area(`${smooth(top)}${smooth(bottom).replace("M", "L")}Z`, "green"),
    [36, 54, 72, 88].map((x) => faint(ellipse(x, 46, 7, 9))),
    inner(straight(pts("4,34 14,40"))),
  );
  const edge: Point[] = pts("22,33 32,28 44,25.5 56,25.5 68,26.5 80,30 92,38 100,44");
  const under: Point[] = pts("24,54 34,61 46,65 58,67 70,67 82,64 94,57");
  if (hairs !== "none")
    parts.push(
      ...edge.map(([x, y]) => hair(straight(pts("0,0 2,-10", x, y)))),
      ...under.map(([x, y]) => hair(straight(pts("0,0 2,10", x, y)))),
    );
  if (hairs === "all")
    for (let i = 0; i < 18; i++)
      parts.push(
        hair(
          straight([
            [26 + (i % 9) * 8, 38 + Math.floor(i / 9) * 14],
            [28 + (i % 9) * 8, 31 + Math.floor(i / 9) * 14],
          ]),
          0.8,
        ),
      );
  return parts;
}
