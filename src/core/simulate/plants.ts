import type { Character, CompiledFlora, Score, Stage } from "../flora";
import {
  minimumWidth,
  type Model,
  quantile,
  recordingOf,
  scoreFor,
  backgroundRow,
  inheritedChances,
} from "../identify";
import { type Chance, seededChance } from "../random";

/** Share of scores that are plainly wrong in a perturbed flora: the states shuffled, the measure shifted. */
export const WRONG_SCORES = 0.03;

/**
 * A flora that the engine does not know: each score is drawn around its value, wider the less it is trusted,
 * and three in a hundred are wrong. Simulated plants come from this one, not from the scores that identify.
 * A score is drawn by what it is of, so that one that is added leaves the others as they were.
 */
export function perturb(flora: CompiledFlora, seed: number): CompiledFlora {
  const chance = seededChance(seed + 7919);
  const nameOf = ({ taxon, character, stage, position, form }: Score) =>
    [flora.taxa[taxon].name, flora.characters[character].id, stage, position, form].join(" ");
  return {
    ...flora,
    scores: flora.scores.map((score) =>
      perturbScore(score, flora.characters[score.character], chance.named(nameOf(score))),
    ),
  };
}

function perturbScore(score: Score, character: Character, chance: Chance): Score {
  if (score.notApplicable) return score;
  const wrong = chance.uniform() < WRONG_SCORES;
  const doubt = 1 - score.confidence;
  if (score.points) {
    const width = Math.max(score.points[2] - score.points[1], minimumWidth(character.kind), 0.15 * score.points[2]);
    const shift = chance.normal() * width * (wrong ? 1 : 0.08 + doubt);
    const stretch = Math.exp(chance.normal() * (0.1 + doubt));
    const middle = (score.points[1] + score.points[2]) / 2;
    const points = score.points.map((p) => Math.max(0, middle + (p - middle) * stretch + shift)) as Score["points"];
    return { ...score, points };
  }
  const shares = score.shares as number[];
  const moved = shares.map((share) => share * Math.exp(chance.normal() * (0.25 + 2 * doubt)));
  if (wrong) moved.push(moved.shift() as number);
  const total = moved.reduce((a, b) => a + b, 0);
  const even = 1 / shares.length;
  return { ...score, shares: moved.map((share) => (1 - doubt / 2) * (share / total) + (doubt / 2) * even) };
}

/** Share of the plants of a patch that are shoots of one plant. */
const SHOOTS = 0.5;

/** One plant standing somewhere: what each of its parts really shows, drawn once and then fixed, each by itself. */
export class SimulatedPlant {
  readonly taxon: number;
  /** one stage, or two at once: each part is at one of them */
  readonly stages: Stage[];
  private readonly shown = new Map<number, number>();
  /** what other parts stand on, also where the stage does not show it */
  private readonly bases = new Map<number, number | null>();
  private readonly nature: Model;
  private readonly chance: Chance;
  private readonly form: string;

  private readonly shoots: SimulatedPlant | null;

  /** @param patch a plant of the same patch: one in two is a shoot of it, and shows all that it shows */
  constructor(nature: Model, taxon: number, stages: Stage | Stage[], chance: Chance, patch?: SimulatedPlant) {
    this.nature = nature;
    this.taxon = taxon;
    this.stages = [stages].flat();
    this.chance = chance;
    const forms = nature.flora.taxa[taxon].forms;
    this.shoots = patch && chance.named("shoot").uniform() < SHOOTS ? patch : null;
    this.form = forms[chance.named("form").pick(forms.map((f) => f.share))].id;
  }

  /** The state index or the measure that this plant shows; null where it does not carry or not yet show the part. */
  truth(c: number): number | null {
    const known = this.shown.get(c);
    if (known !== undefined) return Number.isNaN(known) ? null : known;
    const drawn = this.shoots ? this.shoots.truth(c) : this.draw(c);
    this.shown.set(c, drawn ?? Number.NaN);
    return drawn;
  }

  private draw(c: number): number | null {
    const character = this.nature.flora.characters[c];
    const shownAt = this.stages.filter(
      (stage) => character.stages.includes(stage) || this.keepsInWinter(character, stage),
    );
    if (shownAt.length === 0) return null;
    const which = shownAt.length === 1 ? 0 : this.chance.named(`stage of ${character.id}`).below(shownAt.length);
    return this.drawShown(c, character, shownAt[which]);
  }

  private drawShown(c: number, character: Character, stage = this.stages[0]): number | null {
    const chance = this.chance.named(`plant ${character.id}`);
    if (recordingOf(this.nature, this.taxon, c) === "not-applicable" || this.lacksBase(character)) {
      const none = character.states.findIndex((s) => s.id === "none");
      return none >= 0 ? none : null;
    }
    const score = scoreFor(this.nature, this.taxon, c, stage, undefined, this.form);
    if (score?.notApplicable) return null;
    if (score?.points) {
      const raw = quantile(score.points, 0.001 + 0.998 * chance.uniform(), minimumWidth(character.kind));
      return character.kind === "count" ? Math.max(0, Math.round(raw)) : Math.max(0, raw);
    }
    if (score?.shares) return chance.pick(score.shares);
    const answer = chance.pick(
      inheritedChances(
        this.nature,
        c,
        this.taxon,
        backgroundRow(this.nature, c, this.nature.taxonLifeForm[this.taxon]),
      ),
    );
    return character.states.length > 0 ? answer : this.withinClass(c, answer, chance);
  }

  /** Whether this one plant lacks what the part stands on: no plan of lobes on a leaf that is whole. */
  private lacksBase({ when }: Character): boolean {
    const base = when && this.nature.characterIndex.get(when.character);
    if (!when || base === undefined) return false;
    const shown = this.bases.get(base) ?? this.truth(base) ?? this.drawShown(base, this.nature.flora.characters[base]);
    this.bases.set(base, shown);
    return shown === null || !when.states.includes(this.nature.flora.characters[base].states[shown].id);
  }

  /** Whether this one plant has kept over winter what the part belongs to. */
  private keepsInWinter(character: Character, stage: Stage): boolean {
    if (stage !== "winter" || !character.winter) return false;
    return character.winter.every(({ character: id, states }, i) => {
      const kept = this.nature.characterIndex.get(id) as number;
      if (recordingOf(this.nature, this.taxon, kept) !== "recorded") return i > 0;
      const truth = i === 0 ? this.truth(kept) : this.drawShown(kept, this.nature.flora.characters[kept]);
      return truth !== null && states.includes(this.nature.flora.characters[kept].states[truth].id);
    });
  }

  /** A measure somewhere within a class of answers. */
  private withinClass(c: number, answer: number, chance: Chance): number {
    const edges = this.nature.edges[c];
    const low = edges[answer - 1] ?? 0.6 * edges[0];
    const high = edges[answer] ?? 1.5 * edges[edges.length - 1];
    return low + chance.uniform() * (high - low);
  }
}

/** Months of the stage for this plant, as a day drawn within them (ISO, 2026, north). */
export function drawDay(flora: CompiledFlora, taxon: number, stage: Stage, chance: Chance): string | null {
  const ranges = flora.taxa[taxon].calendar[stage];
  if (!ranges) return null;
  const [first, last] = ranges[chance.below(ranges.length)];
  const length = ((last - first + 12) % 12) + 1;
  const month = ((first - 1 + chance.below(length)) % 12) + 1;
  return `2026-${String(month).padStart(2, "0")}-${String(1 + chance.below(28)).padStart(2, "0")}`;
}
