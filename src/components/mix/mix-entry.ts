import { type Kind, readNumber, type System, toSi } from "./mix-units";

/** What was typed, as it was typed, by field; and the units it was typed in. */
export interface MixEntry {
  system: System;
  typed: Record<string, string>;
}

/** Which measure each field is of; fields that are no measure of these are numbers without a unit. */
export const FIELD_KINDS: Record<string, Kind> = {
  ...{ plot: "plot", caught: "caught", area: "area", tank: "tank", rate: "rate" },
  ...{ spotMix: "tank", spotArea: "plot", rinse: "tank", rinseLeft: "tank" },
  ...{ flow: "flow", speed: "speed", spacing: "spacing", band: "stem" },
};

/** A field's number in SI, or undefined where none is typed. */
export function siOf({ system, typed }: MixEntry, field: string): number | undefined {
  const value = readNumber(typed[field]);
  const kind = FIELD_KINDS[field];
  return value === undefined ? undefined : kind ? toSi(kind, system, value) : value;
}

/** Under which name the numbers of a person and a plan are kept. */
export const mixId = (key: string, planId: string): string => `${key}.${planId}`;
