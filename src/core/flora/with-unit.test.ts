import { expect, it } from "vitest";
import { withUnit } from "./with-unit";

it.each([
  [1, "florets", "1 floret"],
  ["1 to 2", "florets", "1 to 2 florets"],
  [3, "leaflets", "3 leaflets"],
  [1, "cm", "1 cm"],
  [1, "in a ring", "1 in a ring"],
  [1, "× width", "1 × width"],
  [5, undefined, "5"],
])("writes %s with %s as %s", (value, unit, words) => expect(withUnit(value, unit)).toBe(words));
