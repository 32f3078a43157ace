import { PageHead } from "@/components/ui/page";
import Link from "next/link";
import { inZone } from "@/core/time";
import { changesOf } from "@/server/people/changes";
import { memberOrSignIn } from "@/server/platform/session";

export const metadata = { title: "Changes" };
const ACTS = { insert: "made", update: "changed", delete: "taken away" } as const;

export default async function ChangesPage() {
  const member = await memberOrSignIn();
  const may = member.roles.some((r) => r === "keeper" || r === "specialist");
  const { lines, zone } = may ? await changesOf(member) : { lines: [], zone: "" };
  return (
    <div className="px-4 md:px-6 py-5 max-w-[980px]">
      <PageHead above={<Link href="/people">People and settings</Link>} title="What was changed" />
      <p className="mt-1 max-w-[70ch] text-[var(--soft)]">
        The database writes this list itself, with its own clock. Nobody can change it. The newest 200 changes are
        shown.
      </p>
      {may ? null : <p className="mt-3">Specialists and keepers read this list.</p>}
      <ol className="mt-4">
        {lines.map((line) => (
          <li key={line.id} className="row py-2">
            <p>
              <span className="font-semibold">{line.what}</span> {line.which ? `${line.which} ` : ""}
              was {ACTS[line.act]}{" "}
              <span className="small">
                by {line.by ?? "the program"}, {inZone(line.at, zone)}
              </span>
            </p>
            {line.fields.map((field) => (
              <p key={field.name} className="small">
                {field.name}: {field.before ?? "nothing"} → <strong>{field.after ?? "nothing"}</strong>
              </p>
            ))}
          </li>
        ))}
      </ol>
    </div>
  );
}
