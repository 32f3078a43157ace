import { calculateProduct } from "@/core/product";
import { type MixEntry, siOf } from "./mix-entry";
import { fromSi } from "./mix-units";

export const WAYS = [
  { value: "catch", words: "Backpack, by a plot" },
  { value: "boom", words: "Boom" },
  { value: "handgun", words: "Handgun" },
] as const;
export type Way = (typeof WAYS)[number]["value"];

export const wayOf = ({ typed }: MixEntry): Way => WAYS.find(({ value }) => value === typed.way)?.value ?? "catch";

export const STEPS: Record<Way, string> = {
  catch:
    "Spray a measured plot with water, as you would on the job, and take the time. Then spray into a jug for as long.",
  boom: "Catch each nozzle for a minute, and drive a measured run at the speed of the job.",
  handgun: "Catch the gun for a minute. Then spray a measured plot, and take the time.",
};

export interface Rate {
  name: string;
  inputs: Record<string, number>;
  rateLPerHa: number;
}

/** The rate of a way, once its numbers are there. */
export function rateOf(way: Way, mix: MixEntry): Rate | null {
  const fields: Record<Way, [name: string, fields: Record<string, string>]> = {
    catch: ["catch-rate", { plotM2: "plot", caughtMl: "caught" }],
    boom: ["boom-rate", { flowLPerMin: "flow", speedKmH: "speed", spacingM: "spacing" }],
    handgun: ["handgun-rate", { flowLPerMin: "flow", seconds: "seconds", areaM2: "plot" }],
  };
  const [name, of] = fields[way];
  const read = Object.entries(of).map(([input, field]) => [input, siOf(mix, field)] as const);
  if (read.some(([, value]) => value === undefined)) return null;
  const inputs = Object.fromEntries(read) as Record<string, number>;
  return { name, inputs, rateLPerHa: calculateProduct(name, inputs) as number };
}

export interface NozzleCheck {
  meanLPerMin: number;
  offMean: { nozzle: number; share: number }[];
  offNominal: { nozzle: number; share: number }[] | null;
}
/** More nozzles than this are on no boom that is checked by hand. */
const MOST_NOZZLES = 60;

/** The flows that were typed, in the person's own unit, and what is off among them; null until there are two. */
export function nozzlesOf(mix: MixEntry): { each: number[]; check: NozzleCheck | null } {
  const each = (mix.typed.nozzles ?? "")
    .split(/[\s;]+/)
    .map((text) => Number(text.replace(",", ".")))
    .filter((value) => value > 0)
    .slice(0, MOST_NOZZLES);
  const toLiters = (value: number) => value / fromSi("flow", mix.system, 1);
  if (each.length < 2) return { each, check: null };
  const inputs = { flowsLPerMin: each.map(toLiters), nominalLPerMin: siOf(mix, "flow") };
  return { each, check: calculateProduct("nozzle-check", inputs) as NozzleCheck };
}

export const offWords = (what: string, off: { nozzle: number; share: number }[]): string =>
  off.length === 0
    ? `No nozzle is more than 10% off ${what}.`
    : `Clean or replace: ${off.map(({ nozzle, share }) => `nozzle ${nozzle} (${Math.round(share * 100)}% of ${what})`).join(", ")}.`;
