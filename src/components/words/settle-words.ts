import { fullDay } from "./dates";

/**
 * When a finding that is on hold or open can be settled, as a sentence; nothing where no day is known.
 * @param finding its own day, and the day from which what would settle it can be seen (ISO)
 * @param today ISO date
 */
export function settleWords({ day, settleFrom }: { day: string; settleFrom: string | null }, today: string): string {
  if (settleFrom === null) return "";
  if (settleFrom > today) return `Can be settled from ${fullDay(settleFrom)}.`;
  return settleFrom > day ? "It can be settled now." : "Others of its kind may show now what would settle it.";
}
