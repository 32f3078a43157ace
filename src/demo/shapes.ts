import { type Chance, seededChance } from "@/core/random";
import type { Meters } from "./valley";

/** How far the middle of a stretch moves aside, as a share of its length. */
const RUGGED = 0.09;
const STEPS = 4;

/** A line as nature draws it: the middle of each stretch moves aside by chance, and again in each half. The corners stay. */
export function natural(points: Meters[], seed: number, rugged = RUGGED): Meters[] {
  const chance = seededChance(seed);
  let line = points;
  for (let step = 0; step < STEPS; step++) line = halved(line, chance, rugged);
  return line;
}

function halved(line: Meters[], chance: Chance, rugged: number): Meters[] {
  return line.flatMap((from, i): Meters[] => {
    const to = line[i + 1];
    if (!to) return [from];
    const aside = (chance.uniform() - 0.5) * 2 * rugged;
    const [dx, dy] = [to[0] - from[0], to[1] - from[1]];
    return [from, [(from[0] + to[0]) / 2 - dy * aside, (from[1] + to[1]) / 2 + dx * aside]];
  });
}

/** The same of a closed outline, given without its first corner again at the end. */
export function naturalRing(ring: Meters[], seed: number, rugged = RUGGED): Meters[] {
  const [first] = ring;
  return first ? natural([...ring, first], seed, rugged).slice(0, -1) : [];
}

/** Whether a point lies within an outline. */
export function isWithin([x, y]: Meters, ring: readonly Meters[]): boolean {
  let inside = false;
  for (const [i, [ax, ay]] of ring.entries()) {
    const [bx, by] = ring[(i + 1) % ring.length] ?? [ax, ay];
    if (ay > y !== by > y && x < ((bx - ax) * (y - ay)) / (by - ay) + ax) inside = !inside;
  }
  return inside;
}
