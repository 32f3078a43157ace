import { tuft } from "../habit/figures";
import type { Draw } from "../ink/draw";
import { all, hair, straight, area, pts, faint, smooth, ellipse, outline, flat, smoothClosed } from "../ink/shapes";
import { section } from "../stem/section";
import { hairyStem, type HairKind, stem } from "../stem/stem";
import { bladeForm, bladeTip, midrib } from "./blade";
import { collar } from "./collar";
import { youngest, sheath, sheathFoot } from "./sheath";

export const GRASS_STATES: Record<string, Draw> = {
  "ligule-kind": (s) => collar({ ligule: s as "membrane" }),
  "ligule-edge": (s) => collar({ edge: s as "flat" }),
  auricles: (s) => collar({ auricles: s as "none" }),
  "youngest-leaf": (s) => youngest(s as "rolled"),
  "shoot-section": (s) => section(s as "round", "solid", "pale"),
  "sheath-closure": (s) => sheath(s as "open"),
  "sheath-hair": (s) =>
    s === "edge"
      ? all(
          sheath("open"),
          Array.from({ length: 14 }, (_, i) =>
            hair(
              straight([
                [60, 18 + i * 5],
                [50, 14 + i * 5],
              ]),
            ),
          ),
        )
      : hairyStem(s as HairKind, `sheath-${s}`),
  "blade-hair": (s) =>
    all(
      area(straight(pts("8,34 112,30 114,66 8,62"), true), "leaf"),
      [40, 48, 56].map((y) => faint(straight(pts("8,0 112,0", 0, y)))),
      s === "none"
        ? []
        : Array.from({ length: s === "velvet" ? 70 : s === "fine" ? 36 : 14 }, (_, i) => {
            const n = s === "velvet" ? 14 : s === "fine" ? 12 : 7;
            const x = 14 + (i % n) * (96 / n);
            const y = 40 + Math.floor(i / n) * (s === "long" ? 16 : 6);
            return hair(
              smooth([
                [x, y],
                [x + 1, y - (s === "long" ? 10 : 3)],
                [x + 3, y - (s === "long" ? 20 : 6)],
              ]),
              0.8,
            );
          }),
    ),
  "collar-hair": (s) => collar({ throat: s as "none" }),
  "node-hair": (s) =>
    all(
      stem(60, 4, 92, 10, "pale"),
      area(ellipse(60, 48, 13, 8), "brown"),
      s === "ring"
        ? Array.from({ length: 13 }, (_, i) =>
            hair(
              straight([
                [48 + i * 2, 52],
                [36 + i * 4, 66 - Math.abs(6 - i)],
              ]),
              0.9,
            ),
          )
        : [],
    ),
  "blade-form": bladeForm,
  "blade-tip": bladeTip,
  midrib: midrib,
  "blade-upper": (s) =>
    all(
      area(straight(pts("8,24 112,20 114,72 8,70"), true), "leaf"),
      s === "ribbed"
        ? [28, 36, 44, 52, 60, 66].flatMap((y) => [
            {
              ...outline(straight(pts("8,0 112,-1", 0, y))),
              width: 2,
            },
          ])
        : s === "rough"
          ? Array.from({ length: 60 }, (_, i) =>
              flat(
                straight(
                  [
                    [14 + (i % 12) * 8, 30 + Math.floor(i / 12) * 9],
                    [18 + (i % 12) * 8, 28 + Math.floor(i / 12) * 9],
                    [14 + (i % 12) * 8, 33 + Math.floor(i / 12) * 9],
                  ],
                  true,
                ),
                "ink",
              ),
            )
          : [faint(straight(pts("8,46 112,44")))],
    ),
  "sheath-foot": sheathFoot,
  pull: (s) =>
    all(
      outline(straight(pts("8,66 112,66"))),
      s === "annual"
        ? all(
            tuft(60, 44, 5, 34, 36),
            Array.from({ length: 7 }, (_, i) =>
              hair(
                straight([
                  [60, 44],
                  [48 + i * 4, 60],
                ]),
              ),
            ),
            outline(straight(pts("90,54 90,26 84,34"))),
            outline(straight(pts("90,26 96,34"))),
          )
        : s === "tough"
          ? all(
              tuft(60, 66, 9, 60, 46),
              Array.from({ length: 9 }, (_, i) =>
                hair(
                  straight([
                    [60, 66],
                    [36 + i * 6, 92],
                  ]),
                  1.2,
                ),
              ),
              area(smoothClosed(pts("46,20 74,20 76,34 44,34")), "paper"),
            )
          : all(
              tuft(34, 50, 5, 34, 38),
              {
                ...outline(smooth(pts("34,50 60,58 84,52 112,66"))),
                width: 3,
              },
              [52, 74, 92].map((x) => hair(straight(pts("0,56 2,66", x)))),
            ),
    ),
};
