import Link from "next/link";
import { areaText } from "@/components/words/dates";
import { plantsOf } from "@/server/flora/amendments";
import { memberOrSignIn } from "@/server/platform/session";
import { ledgerLines } from "@/server/records/ledger";

export const metadata = { title: "Ledger" };

export default async function LedgerPage() {
  const member = await memberOrSignIn();
  const plants = await plantsOf(member);
  const { lines, head, count } = await ledgerLines(member);
  return (
    <div className="px-4 md:px-6 py-5">
      <div className="flex flex-wrap items-baseline gap-x-4">
        <h1>Ledger</h1>
        <p className="small">
          {count} entries · head <span className="figure">{head.slice(0, 16)}</span>
        </p>
        <p className="ml-auto no-print flex gap-4">
          <Link href="/season" className="tap">
            Record planned work
          </Link>
          <Link href="/ledger/labels" className="tap">
            Labels
          </Link>
        </p>
      </div>
      <p className="text-[var(--soft)]">
        What was done, written once. Nothing is changed or taken out; a correction is a new entry.
      </p>
      {lines.length === 0 ? (
        <p className="mt-6">No entry yet. Work that is planned in the Season is recorded here when it is done.</p>
      ) : (
        <table className="w-full mt-4 stacked">
          <thead>
            <tr className="small text-left">
              <th scope="col">No.</th>
              <th scope="col">Day</th>
              <th scope="col">Where</th>
              <th scope="col">Plant</th>
              <th scope="col">What</th>
              <th scope="col">Area</th>
              <th scope="col">Who</th>
            </tr>
          </thead>
          <tbody>
            {lines.map((l) => (
              <tr key={l.id} className="row align-top">
                <td data-label="No." className="figure py-2 pr-3">
                  <Link href={`/ledger/${l.id}`} className="tap">
                    {l.seq}
                  </Link>
                </td>
                <td data-label="Day" className="figure py-2 pr-3 whitespace-nowrap">
                  {l.body.from.slice(0, 10)}
                </td>
                <td data-label="Where" className="py-2 pr-3">
                  {l.patchName}
                  <br />
                  <span className="small">{l.siteName}</span>
                </td>
                <td data-label="Plant" className="py-2 pr-3">
                  {plants.common(l.body.taxon)}
                </td>
                <td data-label="What" className="py-2 pr-3">
                  {l.body.methodName}
                  {l.supersedes ? <span className="small"> · corrects an earlier entry</span> : null}
                  {l.supersededBy ? <span className="small"> · corrected by {l.supersededBy}</span> : null}
                  {l.body.overruling ? <span className="small"> · overruled in writing</span> : null}
                </td>
                <td data-label="Area" className="figure py-2 pr-3 text-right whitespace-nowrap">
                  {areaText(l.body.areaM2)}
                </td>
                <td data-label="Who" className="py-2">
                  {l.body.who}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </div>
  );
}
