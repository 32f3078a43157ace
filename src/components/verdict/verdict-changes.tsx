import Link from "next/link";
import type { ChangedVerdict } from "@/contracts/work";
import { fullDay } from "../words/dates";

/** The findings whose verdict would be another. Nothing is rewritten: each stands as it was given. */
export function VerdictChanges({
  changed,
  judged,
  aside = "on which it was checked",
}: {
  changed: ChangedVerdict[];
  judged: number;
  aside?: string;
}) {
  return (
    <section>
      <h3 className="ruled">
        Findings it would change
        <span className="small">
          {changed.length} of {judged} {aside}
        </span>
      </h3>
      {changed.length === 0 ? (
        <p className="small py-2">No finding would get a different verdict.</p>
      ) : (
        <ul>
          {changed.map((f) => (
            <li key={f.id} className="row py-2">
              <Link href={`/findings/${f.id}`} className="font-semibold">
                F-{f.number}
              </Link>{" "}
              <span className="small">
                {f.siteName}, {fullDay(f.day)}
              </span>
              <br />
              {f.before.verdict}, {f.before.name} →{" "}
              <span className="font-semibold">
                {f.after.verdict}, {f.after.name}
              </span>
            </li>
          ))}
        </ul>
      )}
      <p className="small mt-1">Verdicts already given are not rewritten.</p>
    </section>
  );
}
