import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { observationSchema } from "./case";
import { isOfOnePlant, withSecondPlant } from "./with-second-plant";

const stateSeen = (state: string) => observationSchema.parse({ character: "sap", states: [state] });
const read = (...values: number[]) =>
  observationSchema.parse({ character: "leaf-ratio", ...(values.length === 1 ? { value: values[0] } : { values }) });

describe("what a second plant of the patch adds", () => {
  it("counts both that show it, or one of two", () => {
    expect(withSecondPlant(stateSeen("milky"), stateSeen("milky"))).toMatchObject({
      states: ["milky"],
      of: { yes: 2, n: 2 },
    });
    expect(withSecondPlant(stateSeen("milky"), stateSeen("clear"))).toMatchObject({
      states: ["milky"],
      of: { yes: 1, n: 2 },
    });
    expect(
      withSecondPlant(stateSeen("milky"), observationSchema.parse({ character: "sap", answer: "absent" })),
    ).toMatchObject({ of: { yes: 1, n: 2 } });
  });
  it("changes nothing where nothing could be told of it", () => {
    const [one, gone] = [read(3), observationSchema.parse({ character: "leaf-ratio", answer: "absent" })];
    expect(withSecondPlant(one, gone)).toBe(one);
    for (const answer of ["cannot-tell", "not-there-yet"] as const) {
      const told = observationSchema.parse({ character: "sap", answer });
      expect(withSecondPlant(stateSeen("milky"), told)).toEqual(stateSeen("milky"));
      expect(withSecondPlant(read(3), { ...told, character: "leaf-ratio" })).toEqual(read(3));
    }
  });
  it("is as sure as the less sure of the two", () => {
    expect(withSecondPlant(stateSeen("milky"), { ...stateSeen("milky"), sure: "guess" }).sure).toBe("guess");
    expect(withSecondPlant({ ...stateSeen("milky"), sure: "likely" }, stateSeen("milky")).sure).toBe("likely");
    expect(withSecondPlant(read(3), { ...read(4), sure: "likely" }).sure).toBe("likely");
  });
  it("keeps what the first plant read, the second's beside it, and the wider interval of two", () => {
    const number = fc.double({ min: 0, max: 50, noNaN: true });
    fc.assert(
      fc.property(
        fc.array(number, { minLength: 1, maxLength: 4 }),
        fc.array(number, { minLength: 1, maxLength: 4 }),
        number,
        (a, b, half) => {
          const both = withSecondPlant({ ...read(...a), half: 0.2 }, { ...read(...b), half });
          expect(both).toMatchObject({
            ...read(...a),
            other: expect.closeTo(b.reduce((x, y) => x + y) / b.length, 9),
            half: Math.max(0.2, half),
          });
          expect(withSecondPlant({ ...read(...a), half: 0.2 }, read(...b)).half).toBeUndefined();
          expect(observationSchema.safeParse(both).success).toBe(true);
        },
      ),
      { seed: 141, numRuns: 40 },
    );
  });
  it("is asked for once, of one state or the readings of one plant", () => {
    for (const one of [stateSeen("milky"), read(3), read(3, 4)]) expect(isOfOnePlant(one)).toBe(true);
    for (const more of [
      withSecondPlant(stateSeen("milky"), stateSeen("milky")),
      withSecondPlant(read(3), read(4)),
      observationSchema.parse({ character: "sap", states: ["milky", "clear"] }),
      observationSchema.parse({ character: "sap", answer: "absent" }),
      observationSchema.parse({ character: "sap", answer: "cannot-tell" }),
    ])
      expect(isOfOnePlant(more)).toBe(false);
  });
});
