import { type Shape, all, area, smoothClosed, faint, straight, type Point } from "../ink/shapes";
import { stem } from "../stem/stem";

const STEM_WINGS_KINDS: Record<string, (s: string) => Shape[]> = {
  none: (s) => {
    const body = stem(60, 4, 92, 6, s === "corky" ? "bark" : "leaf");
    return body;
  },
  corky: (s) => {
    const body = stem(60, 4, 92, 6, s === "corky" ? "bark" : "leaf");
    return all(
      [-1, 1].map((d) =>
        area(
          smoothClosed([
            [60 + d * 6, 6],
            [60 + d * 22, 12],
            [60 + d * 20, 40],
            [60 + d * 24, 70],
            [60 + d * 18, 90],
            [60 + d * 6, 92],
          ]),
          "straw",
        ),
      ),
      [-1, 1].flatMap((d) =>
        [14, 20].map((w) =>
          faint(
            straight([
              [60 + d * w, 14],
              [60 + d * w, 86],
            ]),
          ),
        ),
      ),
      body,
    );
  },
  broken: (s) => {
    const body = stem(60, 4, 92, 6, s === "corky" ? "bark" : "leaf");
    return all(
      [
        [12, 30],
        [44, 56],
        [70, 86],
      ].flatMap(([a, b]) =>
        [-1, 1].map((d) =>
          area(
            straight(
              [
                [60 + d * 6, a],
                [60 + d * 16, (a + b) / 2],
                [60 + d * 6, b],
              ],
              true,
            ),
            "green",
          ),
        ),
      ),
      body,
    );
  },
};

const otherStemWings = (s: string): Shape[] => {
  const body = stem(60, 4, 92, 6, s === "corky" ? "bark" : "leaf");
  return all(
    [-1, 1].map((d) =>
      area(
        straight(
          [
            [60 + d * 6, 4],
            ...Array.from({ length: 12 }, (_, i) => [60 + d * (i % 2 ? 26 : 17), 6 + i * 7.6] as Point),
            [60 + d * 6, 92],
          ],
          true,
        ),
        "green",
      ),
    ),
    body,
  );
};

export function stemWings(s: string): Shape[] {
  return (STEM_WINGS_KINDS[s] ?? otherStemWings)(s);
}
