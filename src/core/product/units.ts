import { z } from "zod";
import { InputError } from "../errors";
import { calculation } from "./calculation";

type Dimension =
  | "volume"
  | "mass"
  | "area"
  | "length"
  | "speed"
  | "pressure"
  | "flow"
  | "volume per area"
  | "mass per area"
  | "temperature"
  | "temperature difference";

const ACRE = 4046.8564224;
const GAL_US = 3.785411784;
const GAL_IMP = 4.54609;
const OZ_KG = 0.028349523125;

/**
 * Units with their size in SI (L, kg, m², m, m/s, kPa, L/min, L/ha, kg/ha). Exact by definition: NIST Special Publication 811 (2008),
 * appendix B. US and imperial measures, and fluid and weight ounces, never share a name.
 */
const UNITS: Record<string, [Dimension, number]> = {
  L: ["volume", 1],
  mL: ["volume", 1e-3],
  "gal-us": ["volume", GAL_US],
  "qt-us": ["volume", GAL_US / 4],
  "pt-us": ["volume", GAL_US / 8],
  "floz-us": ["volume", GAL_US / 128],
  "gal-imp": ["volume", GAL_IMP],
  "qt-imp": ["volume", GAL_IMP / 4],
  "pt-imp": ["volume", GAL_IMP / 8],
  "floz-imp": ["volume", GAL_IMP / 160],
  kg: ["mass", 1],
  g: ["mass", 1e-3],
  lb: ["mass", OZ_KG * 16],
  "oz-weight": ["mass", OZ_KG],
  m2: ["area", 1],
  ha: ["area", 1e4],
  acre: ["area", ACRE],
  ft2: ["area", 0.09290304],
  m: ["length", 1],
  cm: ["length", 0.01],
  mm: ["length", 1e-3],
  km: ["length", 1000],
  in: ["length", 0.0254],
  ft: ["length", 0.3048],
  mi: ["length", 1609.344],
  "m/s": ["speed", 1],
  "km/h": ["speed", 1 / 3.6],
  mph: ["speed", 0.44704],
  kPa: ["pressure", 1],
  bar: ["pressure", 100],
  psi: ["pressure", 6.894757293168361],
  "L/min": ["flow", 1],
  "mL/s": ["flow", 0.06],
  "gal-us/min": ["flow", GAL_US],
  "gal-imp/min": ["flow", GAL_IMP],
  "floz-us/min": ["flow", GAL_US / 128],
  "L/ha": ["volume per area", 1],
  "mL/ha": ["volume per area", 1e-3],
  "gal-us/acre": ["volume per area", (GAL_US * 1e4) / ACRE],
  "qt-us/acre": ["volume per area", ((GAL_US / 4) * 1e4) / ACRE],
  "pt-us/acre": ["volume per area", ((GAL_US / 8) * 1e4) / ACRE],
  "floz-us/acre": ["volume per area", ((GAL_US / 128) * 1e4) / ACRE],
  "gal-imp/acre": ["volume per area", (GAL_IMP * 1e4) / ACRE],
  "pt-imp/acre": ["volume per area", ((GAL_IMP / 8) * 1e4) / ACRE],
  "floz-imp/acre": ["volume per area", ((GAL_IMP / 160) * 1e4) / ACRE],
  "kg/ha": ["mass per area", 1],
  "g/ha": ["mass per area", 1e-3],
  "lb/acre": ["mass per area", (OZ_KG * 16 * 1e4) / ACRE],
  "oz-weight/acre": ["mass per area", (OZ_KG * 1e4) / ACRE],
  C: ["temperature", 1],
  F: ["temperature", 5 / 9],
  "C-difference": ["temperature difference", 1],
  "F-difference": ["temperature difference", 5 / 9],
};
export type Unit = string;
export const UNIT_NAMES = Object.keys(UNITS);

function unitCalled(name: Unit, field: string): [Dimension, number] {
  const unit = UNITS[name];
  if (!unit) throw new InputError("unknown-unit", field, name, `write one of ${UNIT_NAMES.join(", ")}`);
  return unit;
}

/** Only a temperature has a zero of its own; a difference of temperatures has not. */
const OFFSET: Record<Unit, number> = { F: 32 };

/**
 * A value in another unit of the same kind.
 * @throws {InputError} unknown-unit; units-differ where one is a volume and the other a mass, and so on
 */
export function convert(value: number, from: Unit, to: Unit): number {
  const [kind, size] = unitCalled(from, "from");
  const [otherKind, otherSize] = unitCalled(to, "to");
  if (kind !== otherKind)
    throw new InputError("units-differ", "to", to, `${from} is a ${kind}; choose another unit of ${kind}`);
  return ((value - (OFFSET[from] ?? 0)) * size) / otherSize + (OFFSET[to] ?? 0);
}

export const UNIT_CALCULATIONS = [
  calculation({
    name: "convert",
    says: "A value in another unit of the same kind.",
    inputs: z.strictObject({
      value: z.number().describe("in the unit `from`"),
      from: z.string().describe("unit"),
      to: z.string().describe("unit"),
    }),
    gives: "in the unit `to`",
    source: "NIST Special Publication 811 (2008), appendix B",
    example: { inputs: { value: 33.02, from: "cm", to: "in" }, value: 13 },
    run: ({ value, from, to }) => convert(value, from, to),
  }),
];
