import type { Character, Stage } from "@/core/flora";
import { type Identification, type Later, nextLater, verdictTodo } from "@/core/identify";
import { shortDay } from "../words/dates";
import { WHEN } from "../words/stages";

/**
 * The one thing to do next, after the verdict's reason.
 * @param second the part to look at on a second plant, where there is one
 */
export function todoFor(
  found: Identification,
  characters: Character[],
  today: string,
  second?: string,
): string | undefined {
  const first = found.nothingNow ? undefined : found.next.action[0];
  const name = characters.find((c) => c.id === first?.character)?.name.toLowerCase();
  const onSecond = characters.find((c) => c.id === second);
  if (found.verdict === "hold" && onSecond) return `Check a second plant of the patch: ${onSecond.name.toLowerCase()}.`;
  if (found.verdict === "hold" && first?.seldom)
    return "There is little left to ask about the plants that fit. Check your first answers again.";
  if (found.verdict === "hold" && name) return `One check may settle it: ${name}.`;
  const later = nextLater(found.next.later, today);
  if (found.verdict === "hold" && later)
    return later.from > today
      ? `Come back from ${shortDay(later.from)}.`
      : `Find another plant of this kind that is ${inStage(later.stage)} today.`;
  if (found.verdict === "open") return undefined;
  return verdictTodo(found.verdict, found.reportFirst ? "watch" : found.standing);
}

/** How a plant stands, within a sentence. */
const inStage = (stage: Stage): string =>
  stage === "seedling" ? "a seedling" : stage === "winter" ? "bare in winter" : WHEN[stage];

/** When another stage shows what would settle it: from a day on, or today, on another of their kind. */
export const laterWords = ({ stage, from }: Later, today: string): string =>
  from > today ? `${inStage(stage)}, from ${shortDay(from)}` : `today, on a plant that is ${inStage(stage)}`;
