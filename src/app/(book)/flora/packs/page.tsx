import Link from "next/link";
import { revertAction } from "@/app/actions";
import { fullDay } from "@/components/dates";
import { PackForm } from "@/components/pack-form";
import { ActionForm } from "@/components/ui/action-form";
import { amendmentHistory } from "@/server/amendments";
import { commonName, shippedFlora } from "@/server/flora";
import { asMember, memberOrSignIn } from "@/server/session";

export const metadata = { title: "Packs" };

export default async function PacksPage() {
  const member = await memberOrSignIn();
  const history = await asMember(member, (tx) => amendmentHistory(tx));
  const mayChange = member.roles.includes("specialist");
  const out = (scope: string, format: string) => `/api/v1/packs?scope=${scope}&format=${format}`;
  return (
    <div className="px-4 md:px-6 py-5">
      <p className="small"><Link href="/flora">Flora</Link></p>
      <h1 className="mt-1">Packs and amendments</h1>
      <p className="text-[var(--soft)] max-w-[70ch]">The flora leaves as a table that opens in a spreadsheet, one score a row in plain words, and comes back the same way. What this district changes lies over the shipped flora and can be taken back.</p>
      <section className="mt-6">
        <h2 className="ruled">Out</h2>
        <ul>
          <li className="row py-2">The whole flora: <a href={out("all", "csv")} download>table</a> · <a href={out("all", "json")} download>JSON</a></li>
          <li className="row py-2">What this district changed: <a href={out("amendments", "csv")} download>table</a> · <a href={out("amendments", "json")} download>JSON</a></li>
        </ul>
        <details><summary className="min-h-[44px] flex items-center"><span className="plain-button">One set at a time</span></summary><ul className="sm:columns-2">{shippedFlora().sets.map((s) => <li key={s.id} className="row py-1.5">{s.name}: <a href={out(s.id, "csv")} download>table</a> · <a href={out(s.id, "json")} download>JSON</a></li>)}</ul></details>
      </section>
      {mayChange ? <section className="mt-8"><h2 className="ruled">In</h2><PackForm /></section> : <p className="mt-8">Taking a pack in needs the role of specialist.</p>}
      <section className="mt-8">
        <h2 className="ruled">Amendments<span className="small">newest first; what the shipped flora says is never lost</span></h2>
        {history.length === 0 ? <p className="small py-3">This district has changed nothing yet. A specialist corrects a score on the page of the plant.</p> : (
          <ul>{history.map((a) => (
            <li key={a.id} className="row py-3">
              <span className="font-semibold">{commonName(a.taxon)}</span>, {a.key}: <span className={a.revertedAt ? "line-through" : ""}>{a.before ?? "not recorded"} → <span className="font-semibold">{a.value ?? "not recorded"}</span></span>
              <br /><span className="small">{a.reason} · {a.madeBy}, {fullDay(a.createdAt.toISOString())}{a.revertedAt ? ` · taken back by ${a.revertedBy}, ${fullDay(a.revertedAt.toISOString())}` : ""}</span>
              {mayChange && !a.revertedAt ? <ActionForm action={revertAction} label={`Take back ${a.key} of ${a.taxon}`}><input type="hidden" name="id" value={a.id} /><button type="submit" className="plain-button">Take it back</button></ActionForm> : null}
            </li>
          ))}</ul>
        )}
      </section>
    </div>
  );
}
