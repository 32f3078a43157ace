import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { bladeOutline, type Leaf } from "@/drawings/leaf/leaf";
import { handLeaf } from "@/drawings/leaf/hand";
import { NOT_DRAWN } from "@/core/flora";
import { HEIGHT, type Point, polar, type Shape, WIDTH } from "@/drawings/ink/shapes";
import { drawState } from "@/drawings/states/draw-state";
import { currentFlora } from "@/flora/load";

const flora = currentFlora();

/** Absolute points of a path of M, L, C, and of an ellipse made of two arcs: enough to see where a drawing lies. */
function pointsOf({ d }: Shape): Point[] {
  const points: Point[] = [];
  for (const [, letter, numbers] of d.matchAll(/([MLCQT])([^A-Za-z]*)/g)) {
    const values = numbers
      .split(/[\s,]+/)
      .filter(Boolean)
      .map(Number);
    const step = letter === "C" ? 6 : letter === "Q" ? 4 : 2;
    for (let i = step - 2; i < values.length; i += step) points.push([values[i], values[i + 1]]);
  }
  for (const [, x, y, rx, ry] of d.matchAll(/M([-\d.]+),([-\d.]+)a([-\d.]+),([-\d.]+) /g))
    points.push([+x + +rx, +y - +ry], [+x + 2 * +rx, +y], [+x + +rx, +y + +ry]);
  return points;
}

describe("every picture", () => {
  it("lies on its field: nothing important stands outside it", () => {
    for (const character of flora.characters.filter((c) => !NOT_DRAWN.includes(c.id))) {
      for (const state of character.states) {
        const points = (drawState(character.id, state.id) ?? []).flatMap(pointsOf);
        const outside = points.filter(([x, y]) => x < -4 || x > WIDTH + 4 || y < -6 || y > HEIGHT + 6);
        expect(outside.length / Math.max(1, points.length), `${character.id}: ${state.id}`).toBeLessThan(0.08);
      }
    }
  });

  it("fills enough of its field to be seen", () => {
    for (const character of flora.characters.filter((c) => !NOT_DRAWN.includes(c.id))) {
      for (const state of character.states) {
        const points = (drawState(character.id, state.id) ?? []).flatMap(pointsOf);
        const ys = points.map(([, y]) => y);
        expect(Math.max(...ys) - Math.min(...ys), `${character.id}: ${state.id}`).toBeGreaterThan(15);
      }
    }
  });
});

const anyLeaf: fc.Arbitrary<Leaf> = fc.record({
  shape: fc.constantFrom("linear", "lance", "oval", "egg", "spoon", "round", "diamond"),
  edge: fc.constantFrom("smooth", "fine", "coarse", "blunt", "spiny"),
  tip: fc.constantFrom("blunt", "pointed", "drawn-out"),
});

describe("a blade", () => {
  it("is the same on both sides", () => {
    fc.assert(
      fc.property(anyLeaf, (leaf) => {
        const points = bladeOutline(leaf, [0, 0], 60);
        const right = points.filter(([x]) => x > 0).map(([x]) => x);
        const left = points.filter(([x]) => x < 0).map(([x]) => -x);
        expect(Math.max(...right)).toBeCloseTo(Math.max(...left), 6);
      }),
      { seed: 131 },
    );
  });

  it("keeps its size when it is turned", () => {
    fc.assert(
      fc.property(anyLeaf, fc.double({ min: -180, max: 180, noNaN: true }), (leaf, angle) => {
        const far = (points: Point[]) => Math.max(...points.map(([x, y]) => Math.hypot(x, y)));
        expect(far(bladeOutline(leaf, [0, 0], 60, angle))).toBeCloseTo(far(bladeOutline(leaf, [0, 0], 60)), 6);
      }),
      { seed: 132 },
    );
  });

  it("scales with its length", () => {
    fc.assert(
      fc.property(
        anyLeaf.map((leaf) => ({ ...leaf, edge: "smooth" as const })),
        fc.double({ min: 10, max: 100, noNaN: true }),
        (leaf, length) => {
          const [small, large] = [bladeOutline(leaf, [0, 0], length), bladeOutline(leaf, [0, 0], 2 * length)];
          for (const [i, [x, y]] of small.entries()) {
            expect(large[i][0]).toBeCloseTo(2 * x, 6);
            expect(large[i][1]).toBeCloseTo(2 * y, 6);
          }
        },
      ),
      { seed: 133 },
    );
  });

  it("with a slanted base is lower on one side", () => {
    const points = bladeOutline({ shape: "egg", base: "slanted" }, [0, 0], 60);
    const widthAt = (sign: number) =>
      Math.max(...points.filter(([x, y]) => x * sign > 0 && y > -10).map(([x]) => x * sign), 0);
    expect(Math.abs(widthAt(1) - widthAt(-1))).toBeGreaterThan(1);
  });
});

describe("a leaf like a hand", () => {
  it("has as many points as lobes", () => {
    for (const lobes of [3, 5]) {
      const [blade] = handLeaf(lobes, 40);
      const tips = pointsOf(blade).filter(([x, y], i, all) => {
        const r = (p: Point) => Math.hypot(p[0] - 60, p[1] - 84);
        const here = r([x, y]);
        return here > r(all[(i + all.length - 1) % all.length]) && here > r(all[(i + 1) % all.length]);
      });
      expect(tips.length).toBe(lobes);
    }
  });
  it("has a deeper notch for a narrower angle", () => {
    const depth = (notch: number) => {
      const [blade] = handLeaf(5, notch);
      return Math.min(
        ...pointsOf(blade)
          .slice(2, -2)
          .map(([x, y]) => Math.hypot(x - 60, y - 84))
          .filter((r) => r > 9),
      );
    };
    expect(depth(20)).toBeLessThan(depth(90));
  });
});

it("turns by degrees, clockwise on a screen", () => {
  const [x, y] = polar(0, 0, 10, 90);
  expect(x).toBeCloseTo(0, 9);
  expect(y).toBeCloseTo(10, 9);
});
