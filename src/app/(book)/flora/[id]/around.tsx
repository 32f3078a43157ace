import { Button } from "@/components/ui/button";
import Link from "next/link";
import { statusAction } from "@/app/actions/control";
import { amendmentSubject, AmendmentWords } from "@/components/flora/amendment-words";
import { UnscoredName } from "@/components/flora/unscored-name";
import { ListFields } from "@/components/control/list-fields";
import { ActionForm } from "@/components/ui/action-form";
import { StatusMark } from "@/components/verdict/marks";
import { fullDay } from "@/components/words/dates";
import { STAGE_WORDS } from "@/components/words/stages";
import { PLANT_KEY } from "@/core/pack";
import type { PlantPage } from "@/server/flora/plant-page";

/** Plants that this one would be mistaken for at the stage shown, found by the engine. */
export const FoundTwins = ({ view: { taxon, stage, found } }: { view: PlantPage }) => (
  <>
    <h2 className="ruled mt-6">
      Twins, {STAGE_WORDS[stage].toLowerCase()}
      <span className="small">found by the engine</span>
    </h2>
    <ul>
      {found.map((f) => (
        <li key={f.id} className="row">
          <Link
            href={`/twins?t=${taxon.id}&t=${f.id}&stage=${stage}`}
            className="no-underline flex gap-2 items-center py-1.5 min-h-[44px] hover:underline"
          >
            <StatusMark status={f.status} size={16} />
            <span className="flex-1">
              <span className="font-semibold">{f.common}</span> <span className="latin">{f.name}</span>
            </span>
            <span className="figure small">{Math.round(100 * f.likeness)}%</span>
          </Link>
        </li>
      ))}
    </ul>
    <p className="small mt-1">
      The share says how alike they are after six checks. Plants to keep come first. Follow one to see what tells the
      two apart.
    </p>
  </>
);

/** Plants that people mistake for this one, and what to check. */
export const MistakenFor = ({
  view: {
    model: { flora },
    plants,
    taxon,
    list,
    mistaken,
  },
}: {
  view: PlantPage;
}) => (
  <>
    <h2 className="ruled mt-6">Mistaken for</h2>
    <ul>
      {mistaken.map((p) => {
        const other = p.a === taxon.id ? p.b : p.a;
        const t = flora.taxa.find((x) => x.id === other);
        return (
          <li key={other} className="row py-2">
            {t ? (
              <Link href={`/flora/${other}`} className="font-semibold">
                {plants.common(t.name)}
              </Link>
            ) : (
              <UnscoredName pair={p} />
            )}{" "}
            <StatusMark status={list.status[t?.name ?? ""] ?? "kept"} size={14} />
            <br />
            <span className="small">
              {p.mistake} Check:{" "}
              {p.deciders
                .flatMap((d) => d.characters)
                .filter((c, i, all) => all.indexOf(c) === i)
                .slice(0, 5)
                .map((c) => flora.characters.find((x) => x.id === c)?.name.toLowerCase())
                .join(", ")}
              .
            </span>
          </li>
        );
      })}
    </ul>
  </>
);

/** What the district does about the plant, here or everywhere. */
export const ListForm = ({ view: { taxon, list, versions, sites } }: { view: PlantPage }) => (
  <>
    <h2 className="ruled mt-6">The list</h2>
    <ActionForm action={statusAction} label="Status here" className="grid gap-3 mt-2">
      <input type="hidden" name="taxon" value={taxon.name} />
      <input type="hidden" name="versions" value={JSON.stringify(versions)} />
      <ListFields
        status={list.status[taxon.name] ?? "kept"}
        action={list.actions[taxon.name] ?? ""}
        reportFirst={list.reportFirst.has(taxon.name)}
        sites={sites}
      />
      <Button type="submit" className="justify-self-start">
        Put it on the list
      </Button>
    </ActionForm>
  </>
);

/** Patches and findings of the plant in this district. */
export const StandsHere = ({ view: { patches, findings } }: { view: PlantPage }) => (
  <>
    <h2 className="ruled mt-6">
      Where it grows here
      <span className="small">
        {patches.length} {patches.length === 1 ? "patch" : "patches"}
      </span>
    </h2>
    <ul>
      {patches.slice(0, 6).map((p) => (
        <li key={p.id} className="row py-1.5">
          <Link href={`/ground/patch/${p.id}`}>{p.name}</Link>{" "}
          <span className="small">
            {p.siteName} · {p.state}
          </span>
        </li>
      ))}
      {findings.map((f) => (
        <li key={f.id} className="row py-1.5">
          <Link href={`/findings/${f.id}`}>F-{f.number}</Link>{" "}
          <span className="small">
            {f.siteName} · {fullDay(f.day)} · {f.verdict}
          </span>
        </li>
      ))}
      {patches.length + findings.length === 0 ? (
        <li className="small py-2">Not found in this district so far.</li>
      ) : null}
    </ul>
  </>
);

/** What this district has changed about the plant. */
export const ChangedHere = ({ view: { history, addedHere } }: { view: PlantPage }) => (
  <>
    <h2 className="ruled mt-6">
      Changed here<span className="small">{history.length}</span>
    </h2>
    <ul>
      {addedHere ? (
        <li className="small py-2">
          Added by {history.find((a) => a.key === PLANT_KEY)?.madeBy}:{" "}
          {history.find((a) => a.key === PLANT_KEY)?.reason} All of its rows are under packs and amendments.
        </li>
      ) : history.length === 0 ? (
        <li className="small py-2">Nothing was changed here: the shipped flora applies.</li>
      ) : (
        history.map((a) => (
          <li key={a.id} className="row py-2">
            <span className="small">
              {amendmentSubject(a.key)}:{" "}
              <AmendmentWords name={a.key} before={a.before} value={a.value} struck={a.revertedAt !== null} /> ·{" "}
              {a.reason} · {a.madeBy}, {fullDay(a.createdAt.toISOString())}
              {a.revertedAt ? " · taken back" : ""}
            </span>
          </li>
        ))
      )}
    </ul>
  </>
);
