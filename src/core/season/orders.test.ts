import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { inOrder, type Order, ORDERS, type OrderedWork } from "./index";

const line = (id: string, more: Partial<OrderedWork> = {}): OrderedWork => ({
  ...{ id, taxon: "Jacobaea vulgaris", patchId: id, center: [-123, 45], areaM2: 100, intendedOn: "2026-05-01" },
  ...{ lastBeforeSeed: null, inSeed: false, alongStreamM: null, stream: null },
  ...more,
});
const plain = { wind: "W", from: null } as const;
const ids = (order: Order, work: OrderedWork[], settings: Parameters<typeof inOrder>[2] = plain) =>
  inOrder(order, work, settings)
    .map(({ id }) => id)
    .join("");
/** Meters north of the first, at 45° N. */
const north = (m: number): [number, number] => [-123, 45 + m / 111195];

describe("orders", () => {
  it("put what seeds soonest first, and what is sterile last", () =>
    expect(
      ids("seeding-first", [
        line("a"),
        line("b", { lastBeforeSeed: "2026-07-01" }),
        line("c", { lastBeforeSeed: "2026-06-01" }),
      ]),
    ).toBe("cba"));
  it("put outliers before the core, which is the group with the most area", () => {
    const work = [
      line("a", { center: north(0), areaM2: 500 }),
      line("b", { center: north(150), areaM2: 500 }),
      line("c", { center: north(900) }),
      line("d", { center: north(2000) }),
    ];
    expect(ids("outliers-first", work)).toBe("dcab");
    expect(inOrder("outliers-first", work, plain)[0].why).toBe("It stands 1.9 km from the core of its plant.");
  });
  it("put upstream before downstream, stream by stream, and what stands at none last", () =>
    expect(
      ids("upstream-first", [
        line("a"),
        line("b", { stream: "Otter", alongStreamM: 900 }),
        line("c", { stream: "Otter", alongStreamM: 100 }),
      ]),
    ).toBe("cba"));
  it("put upwind first, by the usual wind", () => {
    const work = [line("a", { center: north(0) }), line("b", { center: north(400) })];
    expect(ids("upwind-first", work, { wind: "N", from: null })).toBe("ba");
    expect(ids("upwind-first", work, { wind: "S", from: null })).toBe("ab");
    expect(inOrder("upwind-first", work, { wind: null, from: null })[0].why).toContain("has not said");
  });
  it("put work that keeps gear clean before work in seed", () =>
    expect(ids("clean-first", [line("a", { inSeed: true }), line("b")])).toBe("ba"));
  it("go to the nearest each time, from where the person stands", () =>
    expect(
      ids(
        "near",
        [line("a", { center: north(0) }), line("b", { center: north(1000) }), line("c", { center: north(300) })],
        { wind: null, from: north(1100) },
      ),
    ).toBe("bca"));
  it("lose no line and double none", () =>
    fc.assert(
      fc.property(
        fc.constantFrom(...(Object.keys(ORDERS) as Order[])),
        fc.uniqueArray(fc.string({ minLength: 1, maxLength: 3 }), { maxLength: 15 }),
        fc.array(
          fc.record({
            center: fc.tuple(fc.double({ min: -1, max: 1, noNaN: true }), fc.double({ min: 44, max: 46, noNaN: true })),
            lastBeforeSeed: fc.option(fc.constant("2026-06-01")),
            inSeed: fc.boolean(),
            taxon: fc.constantFrom("A", "B"),
          }),
          { minLength: 15, maxLength: 15 },
        ),
        (order, names, more) => {
          const work = names.map((id, i) => line(id, more[i]));
          expect(
            inOrder(order, work, plain)
              .map(({ id }) => id)
              .sort(),
          ).toEqual([...names].sort());
        },
      ),
    ));
});
