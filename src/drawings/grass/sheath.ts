import {
  type Shape,
  area,
  straight,
  pts,
  outline,
  faint,
  flat,
  all,
  smoothClosed,
  circle,
  smooth,
  polar,
  ellipse,
  hair,
} from "../ink/shapes";

export function sheath(closure: "open" | "half" | "closed"): Shape[] {
  const body = area(straight(pts("46,10 74,10 74,92 46,92"), true), "leaf");
  const until = { open: 92, half: 52, closed: 18 }[closure];
  const gap = [
    outline(
      straight([
        [60, 10],
        [60, until],
      ]),
    ),
    ...(closure === "open"
      ? [faint(straight(pts("64,10 64,92"))), flat(straight(pts("60,10 64,10 64,92 60,92"), true), "pale")]
      : []),
    ...(closure === "half" ? [flat(straight(pts("57,10 63,10 60,52"), true), "paper")] : []),
    ...(closure === "closed" ? [flat(straight(pts("57,10 63,10 60,18"), true), "paper")] : []),
  ];
  return all(body, gap, area(smoothClosed(pts("74,12 90,4 110,16 92,16")), "leaf"));
}

export function youngest(kind: "rolled" | "folded"): Shape[] {
  if (kind === "rolled")
    return all(
      area(circle(60, 48, 36), "pale"),
      area(circle(60, 48, 28), "paper"),
      Array.from({ length: 1 }, () => ({
        ...outline(smooth(Array.from({ length: 40 }, (_, i) => polar(60, 48, 3 + i * 0.55, i * 24)))),
        width: 3,
      })),
    );
  return all(
    area(smoothClosed(pts("60,8 76,40 74,80 60,92 46,80 44,40")), "pale"),
    {
      ...outline(straight(pts("56,18 58,84"))),
      width: 3,
    },
    {
      ...outline(straight(pts("64,18 62,84"))),
      width: 3,
    },
    {
      ...outline(smooth(pts("58,84 60,87 62,84"))),
      width: 3,
    },
  );
}

export function sheathFoot(kind: string): Shape[] {
  const tint =
    ({ green: "pale", red: "red", striped: "white", brown: "brown", blue: "bluegrey" } as const)[kind as "green"] ??
    "pale";
  const stripes =
    kind === "striped"
      ? [40, 47, 54, 61, 68, 75].map((x) => ({
          ...outline(straight(pts("0,40 0,80", x))),
          width: 1.6,
        }))
      : kind === "brown"
        ? [36, 44, 52, 68, 78].map((x, i) =>
            outline(
              smooth([
                [x, 80],
                [x - 6 + i * 3, 60],
                [x - 12 + i * 6, 44 + (i % 2) * 8],
              ]),
            ),
          )
        : kind === "red"
          ? [50, 60, 70].map((x) => faint(straight(pts("0,44 0,80", x))))
          : kind === "blue"
            ? [48, 60, 72].map((x) => flat(ellipse(x, 60, 2, 9), "paper"))
            : [];
  return all(
    area(smoothClosed(pts("44,10 76,10 82,60 80,82 40,82 38,60")), "leaf"),
    area(smoothClosed(pts("39,44 81,44 82,66 80,82 40,82 38,66")), tint),
    stripes,
    outline(straight(pts("14,84 106,84"))),
    Array.from({ length: 7 }, (_, i) =>
      hair(
        straight([
          [46 + i * 5, 84],
          [40 + i * 7, 94],
        ]),
      ),
    ),
  );
}
