import { earth } from "../habit/earth";
import type { Draw } from "../ink/draw";
import { all, outline, straight, pts, type Point, area, hair, inner, smooth, circle } from "../ink/shapes";
import { stem } from "../stem/stem";
import { compoundLeaf, ferny } from "./compound";
import { drawLeaf } from "./leaf";
import { veinPiece } from "./veins";

export const LEAF_PART_STATES: Record<string, Draw> = {
  stipules: (s) => {
    const base = all(stem(40, 4, 92, 6), {
      ...outline(straight(pts("46,58 112,26"))),
      width: 3,
    });
    const wing = (edge: Point[]) => area(straight([[46, 60], ...edge, [86, 42]], true), "pale");
    if (s === "none") return base;
    if (s === "free")
      return all(
        base,
        area(straight(pts("46,62 62,76 50,66"), true), "pale"),
        area(straight(pts("34,62 22,76 32,68"), true), "pale"),
      );
    if (s === "fused")
      return all(
        base,
        wing([
          [58, 70],
          [92, 54],
        ]),
        area(straight(pts("46,54 56,40 90,28 80,40"), true), "pale"),
      );
    if (s === "fringed")
      return all(
        base,
        wing([
          [58, 70],
          [92, 54],
        ]),
        Array.from({ length: 9 }, (_, i) =>
          hair(
            straight([
              [54 + i * 4.4, 68 - i * 1.8],
              [60 + i * 4.6, 82 - i * 1.6],
            ]),
            1.3,
          ),
        ),
        Array.from({ length: 8 }, (_, i) =>
          hair(
            straight([
              [56 + i * 4, 50 - i * 2],
              [54 + i * 4, 36 - i * 2],
            ]),
            1.3,
          ),
        ),
      );
    if (s === "tube")
      return all(
        base,
        area(straight(pts("31,62 49,62 48,30 32,30"), true), "straw"),
        inner(straight(pts("37,60 37,32"))),
        inner(straight(pts("43,60 43,32"))),
      );
    return all(base, drawLeaf({ shape: "egg" }, [46, 62], 38, 122), drawLeaf({ shape: "egg" }, [34, 62], 34, -122));
  },
  "middle-stalk": (s) => compoundLeaf("three", s as "same"),
  "vein-run": (s) => {
    if (s === "arched" || s === "fan") return veinPiece(s);
    const teeth: Point[] = Array.from({ length: 21 }, (_, i) => [10 + i * 5, i % 4 === 0 ? 40 : i % 4 === 2 ? 24 : 32]);
    const piece = area(
      straight(
        [
          ...(s === "tips" || s === "notches" || s === "loops"
            ? teeth
            : ([
                [10, 24],
                [110, 24],
              ] as Point[])),
          [110, 84],
          [10, 84],
        ],
        true,
      ),
      "leaf",
    );
    if (s === "single")
      return all(piece, {
        ...outline(straight(pts("10,56 110,56"))),
        width: 2,
      });
    if (s === "three")
      return all(
        piece,
        [40, 56, 72].map((y) => ({
          ...outline(straight(pts("10,0 110,0", 0, y))),
          width: 1.8,
        })),
      );
    const rib = outline(straight(pts("10,76 110,76")));
    if (s === "loops")
      return all(
        piece,
        rib,
        [20, 40, 60, 80].map((x) => outline(smooth(pts("0,76 12,52 26,48 30,60", x)))),
      );
    return all(
      piece,
      rib,
      [0, 1, 2, 3].map((i) => ({
        ...outline(straight([[14 + i * 20, 76], s === "tips" ? [20 + i * 20, 25] : [30 + i * 20, 40]])),
        width: 2,
      })),
    );
  },
  "last-parts": (s) =>
    ({
      broad: () =>
        all(
          outline(straight(pts("60,92 60,40"))),
          drawLeaf({ shape: "egg", edge: "coarse" }, [60, 48], 42),
          drawLeaf({ shape: "egg", edge: "coarse" }, [60, 70], 40, 76),
          drawLeaf({ shape: "egg", edge: "coarse" }, [60, 70], 40, -76),
        ),
      lance: () =>
        all(
          outline(straight(pts("60,92 60,30"))),
          drawLeaf({ shape: "lance", edge: "fine" }, [60, 44], 42),
          ...[56, 76]
            .flatMap((y) => [
              drawLeaf({ shape: "lance", edge: "fine" }, [60, y], 44, 58),
              drawLeaf({ shape: "lance", edge: "fine" }, [60, y], 44, -58),
            ])
            .flat(),
        ),
      blunt: () =>
        all(
          outline(straight(pts("60,92 60,16"))),
          [20, 38, 56, 74]
            .flatMap((y, i) => [
              drawLeaf({ shape: "round", lobes: "shallow", veins: false }, [60, y], 16 + i * 3, 66),
              drawLeaf({ shape: "round", lobes: "shallow", veins: false }, [60, y], 16 + i * 3, -66),
            ])
            .flat(),
        ),
      narrow: () =>
        all(
          outline(straight(pts("60,92 60,10"))),
          [16, 32, 48, 64, 80].flatMap((y) =>
            [-1, 1].flatMap((d) => [
              {
                ...outline(
                  straight([
                    [60, y],
                    [60 + d * 34, y - 20],
                  ]),
                ),
                width: 3,
              },
              {
                ...outline(
                  straight([
                    [60 + d * 15, y - 9],
                    [60 + d * 26, y + 3],
                  ]),
                ),
                width: 2.4,
              },
            ]),
          ),
        ),
      thread: () => ferny([60, 94], 86, -90, 3, 0.9),
    })[s as "broad"](),
  "low-leaves": (s) =>
    ({
      "flat-rosette": () =>
        all(
          earth(),
          [-88, -74, -60, 60, 74, 88].flatMap((a) => drawLeaf({ shape: "spoon" }, [60, 82], 46, a)),
        ),
      "upright-rosette": () =>
        all(
          earth(),
          [-38, -20, 0, 20, 38].flatMap((a) => drawLeaf({ shape: "spoon" }, [60, 84], 58, a)),
        ),
      withered: () =>
        all(
          earth(),
          stem(60, 6, 84, 3),
          [
            [48, 84, 34, 80],
            [72, 84, 88, 80],
          ].map(([a, b, c, d]) => ({
            ...outline(
              smooth([
                [a, b],
                [(a + c) / 2, d - 4],
                [c, d],
              ]),
            ),
            dash: true,
          })),
          drawLeaf({ shape: "lance" }, [60, 46], 30, 60),
        ),
    })[s as "withered"](),
  "stem-leaves": (s) =>
    all(
      stem(60, 16, 92, 2),
      area(circle(60, 12, 8), "yellow"),
      s === "none"
        ? [-76, -40, 40, 76].flatMap((a) => drawLeaf({ shape: "spoon", veins: false }, [60, 92], 26, a))
        : s === "few"
          ? all(
              drawLeaf({ shape: "lance", veins: false }, [60, 64], 24, 50),
              drawLeaf({ shape: "lance", veins: false }, [60, 40], 15, -50),
            )
          : [84, 72, 60, 48, 36].flatMap((y, i) =>
              drawLeaf({ shape: "lance", veins: false }, [60, y], 30 - i * 2, i % 2 ? -60 : 60),
            ),
    ),
  "stem-leaf-foot": (s) =>
    all(
      stem(46, 4, 92, 5),
      s === "stalked"
        ? all(outline(straight(pts("51,56 66,50"))), drawLeaf({ shape: "egg" }, [66, 50], 46, 70))
        : s === "stalkless"
          ? drawLeaf({ shape: "lance" }, [50, 54], 64, 72)
          : all(drawLeaf({ shape: "egg", base: "ears" }, [48, 56], 62, 68)),
    ),
};
