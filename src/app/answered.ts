import { refresh } from "next/cache";
import type { ActionState } from "@/components/ui/action-form";
import { answerForm } from "@/server/respond";

/** An answer to a form that stays on its page; the page then shows what is new. */
export async function answered(work: () => Promise<string>): Promise<ActionState> {
  const answer = await answerForm(work);
  if (answer.ok) refresh();
  return answer;
}
