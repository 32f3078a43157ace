import Link from "next/link";
import { fullDay, shortDay } from "@/components/words/dates";
import { planLines } from "@/server/control/plans";
import { plantsOf } from "@/server/flora/amendments";
import { shippedMethods } from "@/server/flora/flora";
import { memberOrSignIn } from "@/server/platform/session";

export const metadata = { title: "Season" };

export default async function SeasonPage() {
  const member = await memberOrSignIn();
  const plants = await plantsOf(member);
  const rows = await planLines(member);
  const name = (id: string) => shippedMethods().find((m) => m.id === id)?.name ?? id;
  const table = (state: string) => {
    const own = rows.filter((r) => r.p.state === state);
    return own.length === 0 ? (
      <p className="small py-3">
        {state === "planned"
          ? "Nothing is planned. Open a finding that is clear to act and choose what can be done."
          : "Nothing done from a plan yet."}
      </p>
    ) : (
      <table className="w-full stacked">
        <thead>
          <tr className="small text-left">
            <th scope="col">Meant for</th>
            <th scope="col">What</th>
            <th scope="col">Where</th>
            <th scope="col">Who</th>
            <th scope="col">Window</th>
            <th scope="col">What follows</th>
            <th scope="col">
              <span className="sr-only">Act</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {own.map(({ p, ...r }) => (
            <tr key={p.id} className="row align-top">
              <td data-label="Meant for" className="py-2 pr-3 whitespace-nowrap">
                {fullDay(p.intendedOn)}
              </td>
              <td data-label="What" className="py-2 pr-3">
                <span className="font-semibold">{name(p.method)}</span>
                <br />
                <span className="small">
                  {plants.common(p.taxon)}
                  {p.overruling ? " · overruled in writing" : ""}
                </span>
              </td>
              <td data-label="Where" className="py-2 pr-3">
                <Link href={`/ground/patch/${p.patchId}`} className="tap">
                  {r.patch}
                </Link>
                <br />
                <span className="small">{r.site}</span>
              </td>
              <td data-label="Who" className="py-2 pr-3">
                {r.person}
              </td>
              <td data-label="Window" className="small py-2 pr-3">
                {shortDay(p.windowFrom)} to {shortDay(p.windowTo)}
              </td>
              <td data-label="What follows" className="small py-2 pr-3 max-w-[26ch]">
                {p.followedBy}
              </td>
              <td className="py-2">
                {state === "planned" ? (
                  <Link href={`/ledger/new?plan=${p.id}`} className="tap">
                    Record it
                  </Link>
                ) : null}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    );
  };
  return (
    <div className="px-4 md:px-6 py-5">
      <h1>Season</h1>
      <p className="text-[var(--soft)]">
        What is meant to be done, when and by whom. Work hangs on a finding that is clear to act.
      </p>
      <section className="mt-5">
        <h2 className="ruled">Planned</h2>
        {table("planned")}
      </section>
      <section className="mt-8">
        <h2 className="ruled">Done</h2>
        {table("done")}
      </section>
    </div>
  );
}
