import type { Pictures } from "../ink/draw";
import { type Shape, area, inner, outline, all, circle, key, ellipse, faint, rectangle, flat } from "../ink/shapes";
import { stem, hairyStem } from "./stem";

/** A hand's finger beside a stem, so that the eye has a measure. */
const finger = (): Shape[] => [
  area("M70,92L70,44Q70,34 79,34Q88,34 88,44L88,92Z", "paper"),
  inner("M73,62L85,62M73,78L85,78"),
  outline("M74,38Q79,35 84,38"),
];

const beside = (half: number): Shape[] => all(stem(44, 4, 92, half), finger());

/** A leafy shoot along a line, leaves at the given points. */
const shoot = (line: string, leaves: [number, number, number][], width = 2): Shape[] =>
  all(
    { ...outline(line), width },
    leaves.map(([x, y, way]) =>
      area(`M${x},${y}q${way * 12},-12 ${way * 26},-6q${-way * 10},12 ${-way * 26},6Z`, "leaf"),
    ),
  );

const bark = (tint: "silver" | "brown" | "red" | "black" | "straw", marks: string): Shape[] =>
  all(area("M26,4L94,4L94,92L26,92Z", tint), inner(marks));

const bud = (scales: Shape[]): Shape[] =>
  all(stem(46, 4, 92, 9, "bark"), area("M55,74Q64,40 78,26Q92,46 84,66Q74,80 55,78Z", "brown"), scales);

export const STEM_LOOKS: Pictures = {
  "stem-thick": {
    thread: () => beside(1.2),
    pencil: () => beside(4.5),
    thumb: () => beside(10),
    wrist: () => beside(24),
  },
  "stem-firm": {
    weak: () =>
      shoot("M8,88C30,60 40,92 62,84S84,40 112,66", [
        [30, 76, 1],
        [62, 84, -1],
        [86, 60, 1],
      ]),
    wiry: () =>
      all(shoot("M60,92L58,60L64,34L60,6M58,60L34,34M64,34L88,12", [[60, 26, 1]], 1), outline("M52,92L68,92")),
    firm: () =>
      shoot(
        "M60,92L60,6",
        [
          [60, 70, 1],
          [60, 56, -1],
          [60, 40, 1],
          [60, 26, -1],
        ],
        4,
      ),
    juicy: () =>
      all(
        area("M50,92L52,50L44,8L60,8L68,50L70,92Z", "yellowgreen"),
        inner("M56,90L58,52L52,12M63,90L62,52"),
        [circle(82, 60, 4), circle(88, 74, 3)].map((d) => area(d, "water")),
        key("M52,50L68,50"),
      ),
    woody: () =>
      all(
        shoot(
          "M60,60L60,6",
          [
            [60, 48, 1],
            [60, 34, -1],
            [60, 22, 1],
          ],
          3,
        ),
        area("M50,92L55,58L65,58L70,92Z", "bark"),
        inner("M56,88L58,64M63,90L61,66M66,90L63,70"),
      ),
  },
  "stem-course": {
    straight: () =>
      shoot(
        "M60,92L60,4",
        [
          [60, 74, 1],
          [60, 52, -1],
          [60, 30, 1],
        ],
        3,
      ),
    zigzag: () =>
      shoot(
        "M48,92L72,72L48,50L72,28L50,6",
        [
          [72, 72, 1],
          [48, 50, -1],
          [72, 28, 1],
        ],
        3,
      ),
  },
  "stem-snap": {
    clean: () => all(stem(60, 4, 42, 9), stem(60, 54, 92, 9), key("M51,42L69,42M51,54L69,54")),
    thread: () =>
      all(
        stem(60, 4, 34, 9),
        stem(60, 62, 92, 9),
        key("M60,34C58,42 62,52 60,62"),
        outline("M51,34L69,34M51,62L69,62"),
      ),
    fibers: () =>
      all(
        stem(60, 4, 34, 9),
        stem(60, 62, 92, 9),
        outline("M51,34L55,38L58,34L62,39L69,34M51,62L56,58L60,62L65,57L69,62"),
        key("M51,34C48,44 49,52 51,62M69,34C73,44 71,54 69,62M54,36C50,46 56,54 54,61"),
      ),
  },
  "tip-rooting": {
    none: () =>
      all(
        outline("M4,88L116,88"),
        shoot("M14,88C22,20 74,2 104,44", [
          [36, 40, -1],
          [62, 20, 1],
          [88, 26, 1],
        ]),
      ),
    rooted: () =>
      all(
        outline("M4,78L116,78"),
        shoot("M14,78C22,8 92,2 98,78", [
          [34, 34, -1],
          [62, 14, 1],
        ]),
        key("M98,78L90,92M98,78L98,94M98,78L107,91"),
      ),
  },
  "bark-color": {
    gray: () => bark("silver", "M40,4L42,92M58,4L57,92M76,4L78,92"),
    brown: () => bark("brown", "M40,8L38,34L44,60L40,90M62,4L60,40L66,70L62,92M82,6L80,46L84,90"),
    reddish: () => bark("red", "M34,20L50,20M58,34L76,34M36,56L54,56M64,74L84,74"),
    dark: () => bark("black", "M44,6L46,90M70,6L68,90"),
    pale: () => bark("straw", "M44,4L44,92M64,4L64,92M84,4L84,92M54,20L54,70"),
  },
  "bud-scales": {
    cap: () => bud([]),
    two: () => bud([outline("M57,76Q72,52 78,26")]),
    many: () =>
      bud([outline("M56,72Q66,66 74,76M60,60Q72,56 84,64M64,48Q76,46 88,54M70,38Q78,36 86,44M66,72Q72,60 76,58")]),
  },
  "leaf-threads": {
    none: () => all(halfLeaf(0), halfLeaf(1)),
    threads: () =>
      all(halfLeaf(0), halfLeaf(1), [hairs("M40,44C50,47 56,47 72,44M42,52L74,52M40,60C52,57 60,58 72,60")]),
  },
  "hair-base": {
    plain: () => all(skin(), outline("M30,62L34,22M60,62L62,18M90,62L88,22")),
    blister: () =>
      all(
        skin(),
        outline("M30,54L34,16M60,54L62,12M90,54L88,16"),
        [30, 60, 90].map((x) => area(ellipse(x, 60, 9, 8), "purple")),
      ),
  },
  "stalk-hair": {
    none: () => hairyStem("none", "leaf stalk"),
    hairy: () => hairyStem("soft", "leaf stalk"),
    gland: () => hairyStem("sticky", "leaf stalk"),
  },
  "stalk-color": {
    green: () => stalk("leaf"),
    red: () => all(stalk("red"), faint("M54,92L57,56M66,92L63,56")),
    pale: () => all(stalk("white"), faint("M60,92L60,56")),
  },
  "root-age": {
    "this-year": () =>
      all(
        outline("M6,36L114,36"),
        stem(60, 4, 36, 3),
        area("M57,36L60,92L63,36Z", "straw"),
        inner("M59,50L46,62M61,58L74,70M60,70L50,80"),
      ),
    older: () =>
      all(
        outline("M6,36L114,36"),
        [48, 60, 72].flatMap((x) => stem(x, 4, 36, 3)),
        [rectangle(38, 26, 5, 10), rectangle(78, 24, 5, 12), rectangle(54, 28, 4, 8)].map((d) => flat(d, "brown")),
        area("M38,36Q34,60 46,66L44,92L56,74L62,94L70,72L84,90L78,64Q88,54 84,36Z", "brown"),
        inner("M48,42L50,60M60,42L60,66M72,42L70,60"),
      ),
  },
  "rhizome-look": {
    sharp: () => all(rhizome("white"), area("M92,44L116,52L92,60Z", "straw")),
    rope: () =>
      all(
        area("M4,40Q30,30 60,42T116,40L116,62Q88,72 60,64T4,62Z", "white"),
        outline("M30,64L26,84M64,66L66,88M92,66L98,84"),
      ),
    scaly: () =>
      all(rhizome("brown"), outline("M14,44L24,52L14,60M34,44L44,52L34,60M54,44L64,52L54,60M74,44L84,52L74,60")),
    colored: () => all(rhizome("brown"), area(ellipse(92, 52, 9, 14), "orange"), inner("M92,42L92,62M84,52L100,52")),
    thin: () =>
      all({ ...outline("M4,48Q30,60 56,48T116,52"), width: 2 }, inner("M24,54L20,70M60,48L62,66M92,50L98,66")),
  },
  "row-place": {
    "in-row": () => all(rows(), key("M60,70L60,36M60,52L50,44M60,52L70,44")),
    between: () => all(rows(), key("M80,78L80,44M80,60L70,52M80,60L90,52")),
    none: () =>
      all(
        flat("M0,66L120,66L120,96L0,96Z", "ground"),
        tufts([12, 40, 74, 104]),
        key("M58,84L58,50M58,66L48,58M58,66L68,58"),
      ),
  },
};

const hairs = (d: string): Shape => ({ d, ink: "hair", width: 0.9 });

const halfLeaf = (right: number): Shape[] =>
  right
    ? [area("M72,44Q96,18 114,52Q96,84 72,60Z", "leaf"), inner("M72,52L112,52")]
    : [area("M40,44Q20,16 6,52Q20,88 40,60Z", "leaf"), inner("M40,52L8,52")];

const skin = (): Shape[] => [area("M4,62L116,62L116,92L4,92Z", "leaf"), faint("M4,76L116,76")];

const stalk = (tint: "leaf" | "red" | "white"): Shape[] =>
  all(area("M55,92L58,54L62,54L65,92Z", tint), area("M60,56Q26,44 60,6Q94,44 60,56Z", "leaf"), inner("M60,54L60,12"));

const rhizome = (tint: "white" | "brown"): Shape[] =>
  all(
    area("M4,44L92,44L92,60L4,60Z", tint),
    inner("M26,44L26,60M50,44L50,60M74,44L74,60"),
    outline("M26,60L22,82M50,60L52,84M74,60L80,80"),
  );

const tufts = (at: number[]): Shape[] =>
  at.map((x) => outline(`M${x},78L${x - 6},62M${x},78L${x},58M${x},78L${x + 6},62`));

const rows = (): Shape[] =>
  all(
    flat("M0,66L120,66L120,96L0,96Z", "ground"),
    tufts([20, 60, 100]),
    tufts([20, 100]),
    faint("M20,96L20,40M60,96L60,40M100,96L100,40"),
  );
