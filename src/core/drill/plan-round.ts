import type { Card } from "ts-fsrs";
import type { Stage } from "../flora";
import type { Chance } from "../random";
import type { Confusion } from "./memory";

/** A plant by its flora id, at a stage. */
export interface NamedSubject {
  taxon: string;
  stage: Stage;
}

/** What a question of a round is about, and which plants the learner mixes up with it. */
export interface Planned extends NamedSubject {
  preferred: string[];
}

/** How often a plant comes, against one that is not due: due, never asked, and for each mistake that still stands. */
const WEIGHT = { notDue: 0.25, due: 2, unseen: 1, weak: 5 };

/**
 * The plants of a round: what is due and what is mixed up comes first, what is known rarely. No plant comes twice while others of
 * weight are left.
 * @param now ISO instant
 */
export function planRound(
  subjects: readonly NamedSubject[],
  known: { cards: ReadonlyMap<string, Card>; confusions: readonly Confusion[] },
  now: string,
  questions: number,
  chance: Chance,
): Planned[] {
  const partners = partnersOf(known.confusions);
  const weights = subjects.map(({ taxon }) => weightOf(known.cards.get(taxon), partners.get(taxon) ?? [], now));
  const planned: Planned[] = [];
  while (planned.length < questions && subjects.length > 0) {
    const at = chance.pick(weights);
    const subject = subjects[at] as NamedSubject;
    planned.push({ ...subject, preferred: (partners.get(subject.taxon) ?? []).map(({ other }) => other) });
    subjects.forEach(({ taxon }, i) => {
      if (taxon === subject.taxon) weights[i] = (weights[i] ?? 0) * ASKED_ALREADY;
    });
  }
  return planned;
}

const ASKED_ALREADY = 0.15;

type Partner = { other: string; weakness: number };

function partnersOf(confusions: readonly Confusion[]): Map<string, Partner[]> {
  const partners = new Map<string, Partner[]>();
  const add = (taxon: string, partner: Partner) => partners.set(taxon, [...(partners.get(taxon) ?? []), partner]);
  for (const { pair, weakness } of confusions) {
    add(pair[0], { other: pair[1], weakness });
    add(pair[1], { other: pair[0], weakness });
  }
  return partners;
}

function weightOf(card: Card | undefined, partners: Partner[], now: string): number {
  const weakness = Math.min(
    3,
    partners.reduce((sum, partner) => sum + partner.weakness, 0),
  );
  const base = card ? (card.due.toISOString() <= now ? WEIGHT.due : WEIGHT.notDue) : WEIGHT.unseen;
  return base + WEIGHT.weak * weakness;
}
