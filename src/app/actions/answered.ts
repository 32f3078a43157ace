import { refresh } from "next/cache";
import type { ActionState } from "@/components/ui/action-form";
import { answerForm } from "@/server/platform/respond";

/** What a form says under a name; nothing, where what came is no form. */
export const text = (form: unknown, name: string) => (form instanceof FormData ? String(form.get(name) ?? "") : "");

/** An answer to a form that stays on its page; the page then shows what is new. */
export async function answered(work: () => Promise<string>): Promise<ActionState> {
  const answer = await answerForm(work);
  if (answer.ok) refresh();
  return answer;
}
