import { PageHead } from "@/components/ui/page";
import { Button } from "@/components/ui/button";
import Link from "next/link";
import { Suspense } from "react";
import { NameFinder } from "@/components/flora/name-finder";
import { SetRows } from "@/components/flora/set-rows";
import { STATUS_WORDS } from "@/components/verdict/marks";
import { LIFE_FORMS, STATUSES } from "@/core/flora";
import { listFor } from "@/server/control/list";
import { districtModel } from "@/server/flora/amendments";
import { shippedFlora } from "@/server/flora/flora";
import { plantsIn } from "@/server/flora/plants";
import { asMember, memberOrSignIn } from "@/server/platform/session";

export const metadata = { title: "Flora" };

type Search = { q?: string; status?: string; form?: string; family?: string; hazard?: string };

export default async function FloraPage({ searchParams }: { searchParams: Promise<Search> }) {
  const member = await memberOrSignIn();
  const { q, status, form, family, hazard } = await searchParams;
  const { list, flora } = await asMember(member, async (tx) => ({
    list: await listFor(tx, null),
    flora: (await districtModel(tx)).flora,
  }));
  const plants = plantsIn(flora);
  const shipped = new Set(shippedFlora().taxa.map((t) => t.name));
  const statusOf = (name: string) => list.status[name] ?? "kept";
  const shown = (t: (typeof flora.taxa)[number]) =>
    (!status || statusOf(t.name) === status) &&
    (!form || t.lifeForm === form) &&
    (!family || t.family === family) &&
    (!hazard || t.hazards[hazard === "stock" ? "stock" : "people"] !== undefined);
  const wordsOf = (t: (typeof flora.taxa)[number]) =>
    [
      STATUS_WORDS[statusOf(t.name)],
      t.hazards.people && "harms people",
      t.hazards.stock && "harms stock",
      !shipped.has(t.name) && "added here",
    ]
      .filter(Boolean)
      .join(" · ");
  const families = [...new Set(flora.taxa.map((t) => t.family))].sort();
  const count = flora.taxa.filter(shown).length;
  return (
    <div className="px-4 md:px-6 py-5">
      <PageHead title="Flora">
        <p className="text-[var(--soft)]">
          {flora.taxa.length} plants in {flora.sets.length} sets of look-alikes; a plant can be in several. The status
          is that of this district: see <Link href="/flora/list">the list</Link>.{" "}
          <Link href="/flora/packs">Packs and amendments</Link> ·{" "}
          <Link href="/flora/words">Words without a character</Link>
        </p>
      </PageHead>
      <NameFinder start={q ?? ""} />
      <form className="mt-5 flex flex-wrap gap-x-5 gap-y-3 items-end">
        <label className="field">
          <span className="label">Status here</span>
          <select name="status" defaultValue={status ?? ""}>
            <option value="">any</option>
            {STATUSES.map((x) => (
              <option key={x} value={x}>
                {STATUS_WORDS[x]}
              </option>
            ))}
          </select>
        </label>
        <label className="field">
          <span className="label">Life form</span>
          <select name="form" defaultValue={form ?? ""}>
            <option value="">any</option>
            {LIFE_FORMS.map((x) => (
              <option key={x} value={x}>
                {x}
              </option>
            ))}
          </select>
        </label>
        <label className="field">
          <span className="label">Family</span>
          <select name="family" defaultValue={family ?? ""}>
            <option value="">any</option>
            {families.map((x) => (
              <option key={x} value={x}>
                {x}
              </option>
            ))}
          </select>
        </label>
        <label className="field">
          <span className="label">Harms</span>
          <select name="hazard" defaultValue={hazard ?? ""}>
            <option value="">any or none</option>
            <option value="people">people</option>
            <option value="stock">stock</option>
          </select>
        </label>
        <Button type="submit">Show these</Button>
        <span className="small">
          {count} of {flora.taxa.length}
        </span>
      </form>
      {flora.sets.map((set) => {
        const taxa = flora.taxa.filter((t) => t.sets.includes(set.id) && shown(t));
        return taxa.length === 0 ? null : (
          <section key={set.id} className="mt-6">
            <h2 className="ruled">
              {set.name}
              <span className="small">
                {taxa.length} ·{" "}
                <Link href={`/flora/sets/${set.id}`} prefetch={false} aria-label={`Field card: ${set.name}`}>
                  field card
                </Link>
              </span>
            </h2>
            <Suspense>
              <SetRows
                set={set.id}
                rows={taxa.map((t) => ({
                  id: t.id,
                  common: plants.common(t.name),
                  name: t.name,
                  status: statusOf(t.name),
                  words: wordsOf(t),
                  place: set.taxa.indexOf(t.id),
                }))}
              />
            </Suspense>
          </section>
        );
      })}
    </div>
  );
}
