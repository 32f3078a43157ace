"use client";
import { Options } from "../ui/options";

import { area as turfArea } from "@turf/area";
import { polygon as turfPolygon } from "@turf/helpers";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { v7 as uuidv7 } from "uuid";
import { readError } from "@/contracts/error";
import { AREA_KINDS, type FeatureRequest, LINE_KINDS, type PatchRequest, type SiteRequest } from "@/contracts/ground";
import { ActionForm, type ActionState, Field } from "../ui/action-form";
import { Button } from "../ui/button";
import { areaText } from "../words/dates";

/** What is to be drawn: a patch on a site, a new site, or a line or an area of the map. */
export interface DrawRequest {
  what: "patch" | "site" | "line" | "area";
  siteId: string;
  taxon: string;
  plant: string;
  findingId: string | null;
  place: [number, number] | null;
}

/** Longitude and latitude of each corner, the first again at the end. */
export type Ring = [number, number][];

interface DrawFormProps {
  request: DrawRequest;
  ring: Ring | null;
  round: (meters: number, given: [number, number] | null) => void;
  taxa: { name: string; plant: string }[];
  grounds: { id: string; name: string }[];
}

/** A typed point, where both numbers are one. */
function pointOf({ latitude, longitude }: { latitude: string; longitude: string }): [number, number] | null {
  const [lat, lng] = [Number(latitude), Number(longitude)];
  return latitude && longitude && Math.abs(lat) <= 85 && Math.abs(lng) <= 180 ? [lng, lat] : null;
}

/** What a patch or site is called, and what else belongs to its outline. */
export function DrawForm({ request, ring, round, taxa, grounds }: DrawFormProps) {
  const router = useRouter();
  const [typed, setTyped] = useState({ latitude: "", longitude: "" });
  const save = async (_: ActionState, form: FormData): Promise<ActionState> => {
    if (!ring) return { ok: false, message: "Draw it on the map first.", issues: [] };
    if (request.what === "patch" && Number.isNaN(coverOf(form)))
      return {
        ok: false,
        message: "Not saved.",
        issues: [{ field: "coverShare", what: "give a number from 0 to 100" }],
      };
    const id = uuidv7();
    const outline = { type: "Polygon" as const, coordinates: [ring] };
    const state =
      request.what === "site"
        ? await send("/api/v1/sites", siteOf(id, outline, form))
        : request.what === "patch"
          ? await send("/api/v1/patches", patchOf(id, outline, request, form))
          : await send("/api/v1/features", featureOf(id, ring, request.what, form));
    if (state.ok && request.what === "patch") router.push(`/ground/patch/${id}`);
    else if (state.ok) location.assign("/ground");
    return state;
  };
  return (
    <ActionForm
      action={save}
      className="grid sm:grid-cols-4 gap-x-5 gap-y-3 p-4 md:px-6 items-end"
      label={`New ${request.what}`}
    >
      <p className="sm:col-span-4">
        <strong>{HOW[request.what]}</strong>{" "}
        {ROUND[request.what].length > 0 ? <span className="small">Or make a round one about the place: </span> : null}
        {ROUND[request.what].map((m) => (
          <Button key={m} className="!px-3 mr-1" onClick={() => round(m / 2, pointOf(typed))}>
            {m} m across
          </Button>
        ))}
        {ring && request.what !== "line" ? (
          <strong className="ml-2" role="status">
            {areaText(turfArea(turfPolygon([ring])))}
          </strong>
        ) : null}
      </p>
      {request.what === "site" ? (
        <SiteFields {...{ typed, setTyped, grounds }} />
      ) : request.what === "patch" ? (
        <PatchFields taxon={request.taxon} taxa={taxa} />
      ) : (
        <FeatureFields what={request.what} />
      )}
      <Button type="submit" look="press" disabled={!ring}>
        {ring ? SAVE[request.what] : "Draw it first"}
      </Button>
    </ActionForm>
  );
}

const textOf = (form: FormData, name: string): string => String(form.get(name) ?? "");

const featureOf = (id: string, ring: Ring, what: "line" | "area", form: FormData): FeatureRequest => ({
  id,
  kind: textOf(form, "kind") as FeatureRequest["kind"],
  name: textOf(form, "name"),
  shape: what === "line" ? { type: "LineString", coordinates: ring } : { type: "Polygon", coordinates: [ring] },
  flows: form.get("flows") === "on",
});

const siteOf = (id: string, outline: SiteRequest["outline"], form: FormData): SiteRequest => ({
  id,
  name: textOf(form, "name"),
  outline,
  ground: textOf(form, "ground"),
  note: textOf(form, "note"),
  rules: Object.fromEntries(SITE_RULES.map(([rule]) => [rule, form.get(rule) === "on"])),
});

/** The share of cover, null where none was said, NaN where it cannot be read. */
const coverOf = (form: FormData): number | null => {
  const said = textOf(form, "coverShare").trim();
  return said === "" ? null : Number(said.replace(",", ".")) / 100;
};

const patchOf = (id: string, outline: SiteRequest["outline"], request: DrawRequest, form: FormData): PatchRequest => ({
  id,
  siteId: request.siteId,
  taxon: textOf(form, "taxon"),
  name: textOf(form, "name"),
  findingId: request.findingId,
  coverShare: coverOf(form),
  outline,
});

async function send(address: string, body: SiteRequest | PatchRequest | FeatureRequest): Promise<ActionState> {
  const refused = (message: string, issues: ActionState["issues"] = []) => ({ ok: false, message, issues });
  try {
    const response = await fetch(address, {
      method: "POST",
      headers: { "content-type": "application/json" },
      body: JSON.stringify(body),
    });
    if (response.ok) return { ok: true, message: "Saved.", issues: [] };
    const error = readError(await response.json());
    return error ? refused(error.message, error.issues) : refused("That was not saved. Try again in a moment.");
  } catch {
    return refused("There is no connection. The outline stays on the map. Save again when there is a connection.");
  }
}

interface SiteFieldsProps {
  typed: { latitude: string; longitude: string };
  setTyped: (typed: { latitude: string; longitude: string }) => void;
  grounds: { id: string; name: string }[];
}
const SiteFields = ({ typed, setTyped, grounds }: SiteFieldsProps) => (
  <>
    {(["latitude", "longitude"] as const).map((name) => (
      <Field key={name} name={name} label={name === "latitude" ? "Latitude" : "Longitude"}>
        <input
          inputMode="decimal"
          value={typed[name]}
          onChange={(e) => setTyped({ ...typed, [name]: e.target.value })}
          className="figure"
        />
      </Field>
    ))}
    <Field name="name" label="Name of the site">
      <input name="name" required />
    </Field>
    <Field name="ground" label="Kind of ground">
      <select name="ground">
        <Options choices={grounds} />
      </select>
    </Field>
    <fieldset className="sm:col-span-4 flex flex-wrap gap-x-5">
      <legend className="small">Rules of the site</legend>
      {SITE_RULES.map(([rule, words]) => (
        <label key={rule} className="tick">
          <input type="checkbox" name={rule} />
          {words}
        </label>
      ))}
    </fieldset>
    <div className="sm:col-span-3">
      <Field name="note" label="Note">
        <input name="note" />
      </Field>
    </div>
  </>
);

const PatchFields = ({ taxon, taxa }: { taxon: string; taxa: { name: string; plant: string }[] }) => (
  <>
    <Field name="name" label="Name of the patch">
      <input name="name" required placeholder="By the lower gate" />
    </Field>
    <Field name="taxon" label="Plant">
      <select name="taxon" required defaultValue={taxon}>
        <option value="">choose</option>
        {taxa.map((t) => (
          <option key={t.name} value={t.name}>
            {t.plant} · {t.name}
          </option>
        ))}
      </select>
    </Field>
    <Field name="coverShare" label="Cover within, %">
      <input name="coverShare" inputMode="decimal" />
    </Field>
  </>
);

const KIND_WORDS: Record<FeatureRequest["kind"], string> = {
  river: "river",
  creek: "creek or ditch",
  track: "track",
  lake: "lake or pond",
  wood: "wood",
  field: "field",
};
const FeatureFields = ({ what }: { what: "line" | "area" }) => (
  <>
    <Field name="kind" label="What it is">
      <select name="kind">
        {(what === "line" ? LINE_KINDS : AREA_KINDS).map((kind) => (
          <option key={kind} value={kind}>
            {KIND_WORDS[kind]}
          </option>
        ))}
      </select>
    </Field>
    <Field name="name" label="Name">
      <input name="name" required />
    </Field>
    {what === "line" ? (
      <label className="tick">
        <input type="checkbox" name="flows" />
        water: I drew it downstream
      </label>
    ) : null}
  </>
);

const ROUND: Record<DrawRequest["what"], number[]> = {
  patch: [4, 10, 20, 40],
  site: [100, 400, 1000],
  area: [20, 50, 200],
  line: [],
};
const HOW: Record<DrawRequest["what"], string> = {
  patch: "Click the corners of the patch. Click the last one again to close it.",
  site: "Click the corners of the site. Click the last one again to close it.",
  area: "Click the corners of the lake, wood or field. Click the last one again to close it.",
  line: "Click along the stream or track, a stream downstream. Click the last point again to end it.",
};
const SAVE: Record<DrawRequest["what"], string> = {
  patch: "Save the patch",
  site: "Save the site",
  area: "Put it on the map",
  line: "Put it on the map",
};
const SITE_RULES = [
  ["noProduct", "no products"],
  ["noMachines", "no machines"],
  ["grazed", "stock graze"],
  ["hayed", "hay is made"],
  ["foraged", "people gather food"],
] as const;
