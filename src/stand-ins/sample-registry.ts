import { type Chance, seededChance } from "@/core/random";
import type { RegistryAnswer, RegistryPort, RegistryReport } from "@/ports/registry";

/** How often the invented registry is down, and which share of these times only after it took the report. */
const DOWN = 0.3;
const DOWN_AFTER = 1 / 3;
/** A report without these lines is no report. */
const LINES = [/^Plant: .+/m, /^Place: -?\d+(\.\d+)?, -?\d+(\.\d+)?/m, /^Seen on: \d{4}-\d{2}-\d{2}/m];

/** An invented registry: it acknowledges, asks about every fourth report, sends back what is malformed, and is down now and then. */
export class SampleRegistry implements RegistryPort {
  readonly simulated = true;
  /** reports that arrived, by key: one that comes twice is one */
  readonly arrived = new Map<string, RegistryReport>();
  private readonly chance: Chance;
  private readonly down: number;

  constructor({ seed = 26, down = DOWN }: { seed?: number; down?: number } = {}) {
    this.chance = seededChance(seed);
    this.down = down;
  }

  async hand(report: RegistryReport): Promise<RegistryAnswer> {
    const fails = this.chance.uniform() < this.down;
    const after = fails && this.chance.uniform() < DOWN_AFTER;
    if (fails && !after) throw new Error("the registry does not answer");
    const missing = LINES.filter((line) => !line.test(report.text));
    if (missing.length === 0) this.arrived.set(report.key, report);
    if (after) throw new Error("the registry broke off while it answered");
    if (missing.length > 0) return { said: "refused", why: "The report lacks the plant, the place or the day." };
    if (report.answers.length === 0 && asksAbout(report.key))
      return { said: "question", text: "How many plants are there, and can stock or people get to them?" };
    return { said: "acknowledged", reference: `INV-${report.key.slice(-6).toUpperCase()}` };
  }
}

const asksAbout = (key: string): boolean => Number.parseInt(key.slice(-1), 16) % 4 === 0;
