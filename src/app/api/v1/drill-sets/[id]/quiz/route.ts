import { WHEN } from "@/components/words/stages";
import { quizToPdf } from "@/papers/quiz-pdf";
import { quizOf } from "@/server/drill/quiz";
import { pdfResponse } from "@/server/platform/pdf-response";
import { respond } from "@/server/platform/respond";
import { requireRole } from "@/server/platform/session";

/** A quiz of a set with its key, as a PDF. */
export async function GET(request: Request, { params }: { params: Promise<{ id: string }> }) {
  return respond(async () => {
    const member = await requireRole("specialist");
    const { id } = await params;
    const { name, model, questions } = await quizOf(member, id, new URL(request.url).searchParams.get("seed"));
    return pdfResponse(await quizToPdf(name, model, questions, WHEN), `quiz-${id}`);
  });
}
