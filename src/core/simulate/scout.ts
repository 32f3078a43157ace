import type { Character } from "../flora";
import type { Model, Observation } from "../identify";
import type { Chance } from "../random";
import type { SimulatedPlant } from "./plants";

/** How often what was misread on one plant is misread alike on the next. */
const MISREADS_AGAIN = { badDay: 0.5, otherwise: 0.25 };

/**
 * A scout who errs, in another way than the engine assumes: on a bad day for one kind of part
 * (a station, not a block) he errs three times as often there, and a little less elsewhere, so that the
 * mean error is as stated.
 */
export class Scout {
  private readonly mood = new Map<string, number>();
  /** what was misread, and as what: the likes of it are misread so again, more often on a bad day */
  private readonly slips = new Map<number, { truth: number; named: number }>();
  /** what was grossly misread (another part, another unit), and how many times too large: the next is read so again as often */
  private readonly gross = new Map<number, number>();
  private readonly error: number;
  private readonly chance: Chance;

  /** @param error mean observer error; 0.05 is the reference */
  constructor(error: number, chance: Chance) {
    this.error = error;
    this.chance = chance;
  }

  /** @param turn how often the scout has looked at this part before, on other plants */
  look(nature: Model, plant: SimulatedPlant, c: number, turn = 0): Observation {
    const character = nature.flora.characters[c];
    const base = { character: character.id, join: "any" as const, sure: "sure" as const };
    const truth = plant.truth(c);
    if (truth === null)
      return {
        ...base,
        answer: plant.stages.some((stage) => character.stages.includes(stage)) ? "absent" : "not-there-yet",
      };
    const chance = this.chance.named(turn === 0 ? `look ${character.id}` : `look ${character.id} on plant ${turn + 1}`);
    if (chance.uniform() < 0.03) return { ...base, answer: "cannot-tell" };
    if (character.states.length === 0)
      return { ...base, answer: "seen", value: this.read(character, truth, chance, c) };
    const slip = this.slips.get(c);
    const again = slip?.truth === truth && this.misreadsAgain(character, chance);
    const named = again ? slip.named : this.name(character, truth, chance);
    if (named !== truth) this.slips.set(c, { truth, named });
    return { ...base, answer: "seen", states: [character.states[named].id] };
  }

  private errorAt(character: Character): number {
    let mood = this.mood.get(character.station);
    if (mood === undefined) {
      mood = this.chance.named(`mood ${character.station}`).uniform() < 0.15 ? 3 : 0.65;
      this.mood.set(character.station, mood);
    }
    return Math.min(0.6, character.errorRate * (this.error / 0.05) * mood);
  }

  private misreadsAgain = (character: Character, chance: Chance): boolean =>
    chance.named("again").uniform() <
    MISREADS_AGAIN[(this.mood.get(character.station) ?? 1) > 1 ? "badDay" : "otherwise"];

  private read(character: Character, truth: number, chance: Chance, c: number): number {
    const rate = this.errorAt(character);
    const gross = chance.uniform() < rate * 0.5;
    const before = this.gross.get(c);
    const well = truth * Math.exp(chance.normal() * (0.04 + 0.4 * rate));
    const factor =
      before !== undefined && this.misreadsAgain(character, chance)
        ? before
        : gross
          ? Math.exp(chance.normal() * 0.7)
          : 1;
    if (factor !== 1) this.gross.set(c, factor);
    const value = well * factor;
    if (character.kind !== "count") return Math.round(value * 100) / 100;
    return Math.max(
      0,
      Math.round(
        truth < 8 && factor === 1 ? truth + (chance.uniform() < rate ? (chance.uniform() < 0.5 ? -1 : 1) : 0) : value,
      ),
    );
  }

  private name(character: Character, truth: number, chance: Chance): number {
    const rate = this.errorAt(character);
    const overlooked = character.mistake === "overlooked";
    if (chance.uniform() >= rate * (overlooked ? (truth === 0 ? 0.4 : 1.6) : 1)) return truth;
    const n = character.states.length;
    if (overlooked && truth > 0 && chance.uniform() < 0.6) return 0;
    if (character.mistake === "ordered" && chance.uniform() < 0.8)
      return Math.min(n - 1, Math.max(0, truth + (chance.uniform() < 0.5 ? -1 : 1)));
    const other = chance.below(n - 1);
    return other >= truth ? other + 1 : other;
  }
}
