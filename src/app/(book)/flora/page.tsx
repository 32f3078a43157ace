import Link from "next/link";
import { STATUS_WORDS, StatusMark } from "@/components/marks";
import { commonName, shippedFlora } from "@/server/flora";
import { listFor } from "@/server/list";
import { asMember, memberOrSignIn } from "@/server/session";

export const metadata = { title: "Flora" };

export default async function FloraPage({ searchParams }: { searchParams: Promise<{ q?: string }> }) {
  const member = await memberOrSignIn();
  const q = ((await searchParams).q ?? "").trim();
  const list = await asMember(member, (tx) => listFor(tx, null));
  const flora = shippedFlora();
  const found = (name: string, common: string[], synonyms: string[]) => !q || [name, ...common, ...synonyms].some((text) => text.toLowerCase().includes(q.toLowerCase()));
  const carrying = q ? flora.taxa.filter((t) => t.common.some((c) => c.toLowerCase() === q.toLowerCase())) : [];
  return (
    <div className="px-4 md:px-6 py-5">
      <h1>Flora</h1>
      <p className="text-[var(--soft)]">{flora.taxa.length} plants in {flora.sets.length} sets of look-alikes, as far as this first part goes. The status is this district’s.</p>
      <form className="mt-3 max-w-[420px] flex gap-3 items-end"><label className="field flex-1"><span className="label">Name, old name or common name</span><input name="q" defaultValue={q} /></label><button type="submit" className="button">Find</button></form>
      {carrying.length > 1 ? <p className="mt-3"><strong>“{q}” is the name of {carrying.length} plants:</strong> {carrying.map((t) => t.name).join(", ")}.</p> : null}
      {flora.sets.map((set) => {
        const taxa = flora.taxa.filter((t) => t.sets.includes(set.id) && found(t.name, t.common, t.synonyms));
        return taxa.length === 0 ? null : (
          <section key={set.id} className="mt-6"><h2 className="ruled">{set.name}<span className="small">{taxa.length}</span></h2>
            <ul className="grid sm:grid-cols-2 xl:grid-cols-3 gap-x-8">{taxa.map((t) => <li key={t.id} className="row"><Link href={`/flora/${t.id}`} style={{ textDecoration: "none" }} className="flex gap-3 items-center py-2 min-h-[48px] hover:underline"><StatusMark status={list.status[t.name] ?? "kept"} size={18} /><span><span className="font-semibold">{commonName(t.name)}</span> <span className="latin">{t.name}</span><br /><span className="small">{STATUS_WORDS[list.status[t.name] ?? "kept"]}{t.hazards.people ? " · harms people" : ""}{t.hazards.stock ? " · harms stock" : ""}</span></span></Link></li>)}</ul>
          </section>
        );
      })}
    </div>
  );
}
