import Link from "next/link";
import { PageHead } from "@/components/ui/page";
import { shortDay } from "@/components/words/dates";
import { wordlessLines } from "@/server/findings/wordless";
import { memberOrSignIn } from "@/server/platform/session";

export const metadata = { title: "Words without a character" };

/** What scouts saw that the flora has no character for: what a specialist adds next. */
export default async function WordsPage() {
  const member = await memberOrSignIn();
  const lines = await wordlessLines(member);
  return (
    <div className="px-4 md:px-6 py-5">
      <PageHead title="Words without a character">
        <p className="text-[var(--soft)]">
          Scouts saw these things, and no character of the flora takes them in. They did not change any verdict. Read
          them before you add a character. <Link href="/flora">Back to the flora</Link>
        </p>
      </PageHead>
      {lines.length === 0 ? <p className="mt-4">Everything that was seen could be entered.</p> : null}
      <ul className="mt-3">
        {lines.map((line) => (
          <li key={line.findingId} className="row py-2">
            <ul>
              {line.words.map((words) => (
                <li key={words} className="font-semibold">
                  {words}
                </li>
              ))}
            </ul>
            <p className="small">
              <Link href={`/findings/${line.findingId}`}>Finding {line.number}</Link>, {line.plant}, {line.siteName},{" "}
              {shortDay(line.day)}, by {line.by}
            </p>
          </li>
        ))}
      </ul>
    </div>
  );
}
