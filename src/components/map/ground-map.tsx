"use client";

import { Button } from "../ui/button";
import { area as turfArea } from "@turf/area";
import { circle as turfCircle } from "@turf/circle";
import { polygon as turfPolygon } from "@turf/helpers";
import { useRouter } from "next/navigation";
import { useEffect, useRef, useState } from "react";
import { TerraDraw, TerraDrawPolygonMode } from "terra-draw";
import { TerraDrawMapLibreGLAdapter } from "terra-draw-maplibre-gl-adapter";
import { v7 as uuidv7 } from "uuid";
import { areaText } from "@/components/words/dates";
import { refusalWords } from "@/core/errors";
import { makeMap, maplibregl } from "./base-map";
import { readError } from "@/contracts/error";
import type { SiteRequest, PatchRequest } from "@/contracts/ground";

/** What is to be drawn: a patch on a site, or a new site. */
export interface DrawRequest {
  what: "patch" | "site";
  siteId: string;
  taxon: string;
  plant: string;
  findingId: string | null;
  place: [number, number] | null;
}

type Ring = [number, number][];

/** The map of the district. With a request it also draws a new patch or site. */
export function GroundMap({
  bounds,
  request,
  taxa,
  grounds,
}: {
  bounds: [number, number, number, number] | null;
  request: DrawRequest | null;
  taxa: { name: string; plant: string }[];
  grounds: { id: string; name: string }[];
}) {
  const { box, ring, round } = useDrawing(bounds, request);
  return (
    <div>
      <div
        ref={box}
        className="h-[56vh] min-h-[340px] w-full border-y border-[var(--line)]"
        role="application"
        aria-label="Map of the district: arrow keys move it, plus and minus zoom"
      />
      {request ? <DrawForm request={request} ring={ring} round={round} taxa={taxa} grounds={grounds} /> : null}
    </div>
  );
}

/** The map, and on it one outline: drawn corner by corner, or round and so many meters across. */
function useDrawing(bounds: [number, number, number, number] | null, request: DrawRequest | null) {
  const box = useRef<HTMLDivElement>(null);
  const map = useRef<maplibregl.Map | null>(null);
  const draw = useRef<TerraDraw | null>(null);
  const router = useRouter();
  const [ring, setRing] = useState<Ring | null>(null);
  // biome-ignore lint/correctness/useExhaustiveDependencies: the map is made once per request
  useEffect(() => {
    if (!box.current) return;
    const made = makeMap(box.current, bounds, request?.place ?? undefined);
    map.current = made;
    made.on("load", () => {
      box.current?.setAttribute("data-ready", "yes");
      if (request?.place) new maplibregl.Marker({ color: OUTLINE.fillColor }).setLngLat(request.place).addTo(made);
      if (request) draw.current = drawOn(made, setRing);
    });
    openOnClick(made, (address) => !request && router.push(address));
    return () => {
      draw.current?.stop();
      made.remove();
    };
  }, []);
  const round = (meters: number, given: [number, number] | null) => {
    if (given) map.current?.jumpTo({ center: given, zoom: 15 });
    const center = given ?? request?.place ?? (map.current?.getCenter().toArray() as [number, number]);
    const coordinates = roundAbout(center, meters);
    draw.current?.clear();
    draw.current?.addFeatures([
      { type: "Feature", geometry: { type: "Polygon", coordinates: [coordinates] }, properties: { mode: "polygon" } },
    ]);
    setRing(coordinates);
  };
  return { box, ring, round };
}

function drawOn(map: maplibregl.Map, onRing: (ring: Ring) => void): TerraDraw {
  const drawing = new TerraDraw({
    adapter: new TerraDrawMapLibreGLAdapter({ map }),
    modes: [new TerraDrawPolygonMode({ styles: OUTLINE })],
  });
  drawing.start();
  drawing.setMode("polygon");
  drawing.on("finish", (id) => {
    const shape = drawing.getSnapshotFeature(id);
    // one outline at a time: a second one takes the first one's place
    drawing.removeFeatures(drawing.getSnapshot().flatMap((f) => (f.id !== undefined && f.id !== id ? [f.id] : [])));
    if (shape?.geometry.type === "Polygon") onRing(shape.geometry.coordinates[0] as Ring);
  });
  return drawing;
}

/** A press on a finding or a patch leads to its page. */
function openOnClick(map: maplibregl.Map, go: (address: string) => void): void {
  const open = (e: maplibregl.MapMouseEvent & { features?: maplibregl.MapGeoJSONFeature[] }) => {
    const [feature] = e.features ?? [];
    const id = feature?.properties.id;
    if (id) go(`/${feature.layer.id === "findings" ? "findings" : "ground/patch"}/${id}`);
  };
  for (const layer of ["findings", "patches"]) {
    map.on("click", layer, open);
    map.on("mouseenter", layer, () => {
      map.getCanvas().style.cursor = "pointer";
    });
    map.on("mouseleave", layer, () => {
      map.getCanvas().style.cursor = "";
    });
  }
}

/** @param radius in meters */
function roundAbout(center: [number, number], radius: number): Ring {
  const shape = turfCircle(center, radius, { steps: 32, units: "meters" });
  return (shape.geometry.coordinates[0] as Ring).map(([x, y]) => [Number(x.toFixed(9)), Number(y.toFixed(9))]);
}

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

function DrawForm({ request, ring, round, taxa, grounds }: DrawFormProps) {
  const router = useRouter();
  const [name, setName] = useState("");
  const [taxon, setTaxon] = useState(request.taxon);
  const [cover, setCover] = useState("");
  const [typed, setTyped] = useState({ latitude: "", longitude: "" });
  const [fault, setFault] = useState<string | null>(null);
  const [saving, setSaving] = useState(false);
  const save = async (form: FormData) => {
    if (!ring) return;
    setSaving(true);
    const id = uuidv7();
    const outline = { type: "Polygon" as const, coordinates: [ring] };
    const refused =
      request.what === "site"
        ? await send("/api/v1/sites", siteOf(id, name, outline, form))
        : await send("/api/v1/patches", {
            id,
            siteId: request.siteId,
            taxon,
            name,
            findingId: request.findingId,
            coverShare: cover === "" ? null : Number(cover.replace(",", ".")) / 100,
            outline,
          });
    if (refused === null)
      return request.what === "site" ? location.assign("/ground") : router.push(`/ground/patch/${id}`);
    setFault(refused);
    setSaving(false);
    return undefined;
  };
  return (
    <form
      className="grid sm:grid-cols-4 gap-x-5 gap-y-3 p-4 md:px-6 items-end"
      onSubmit={(e) => {
        e.preventDefault();
        save(new FormData(e.currentTarget));
      }}
      aria-label={`New ${request.what}`}
    >
      <p className="sm:col-span-4">
        <strong>Click the corners of the {request.what}. Click the last one again to close it.</strong>{" "}
        <span className="small">Or make a round one about the place:</span>{" "}
        {ROUND[request.what].map((m) => (
          <Button key={m} className="!px-3 mr-1" onClick={() => round(m / 2, pointOf(typed))}>
            {m} m across
          </Button>
        ))}
        {ring ? (
          <strong className="ml-2" role="status">
            {areaText(turfArea(turfPolygon([ring])))}
          </strong>
        ) : null}
      </p>
      {request.what === "site" ? (
        <SiteFields {...{ typed, setTyped, name, setName, grounds }} />
      ) : (
        <PatchFields {...{ name, setName, taxon, setTaxon, cover, setCover, taxa }} />
      )}
      <Button type="submit" look="press" disabled={!ring || !name || (request.what === "patch" && !taxon) || saving}>
        {saving ? "Saving …" : ring ? `Save the ${request.what}` : "Draw it first"}
      </Button>
      {fault ? (
        <p role="alert" className="fault sm:col-span-4">
          {fault}
        </p>
      ) : null}
    </form>
  );
}

function siteOf(id: string, name: string, outline: SiteRequest["outline"], form: FormData): SiteRequest {
  return {
    id,
    name,
    outline,
    ground: String(form.get("ground") ?? ""),
    note: String(form.get("note") ?? ""),
    rules: Object.fromEntries(SITE_RULES.map(([rule]) => [rule, form.get(rule) === "on"])),
  };
}

/** @returns null where it was saved, or why not */
async function send(address: string, body: SiteRequest | PatchRequest): Promise<string | null> {
  try {
    const response = await fetch(address, {
      method: "POST",
      headers: { "content-type": "application/json" },
      body: JSON.stringify(body),
    });
    if (response.ok) return null;
    const error = readError(await response.json());
    return error ? refusalWords(error.message, error.issues).join(" ") : "That was not saved. Try again in a moment.";
  } catch {
    return "There is no connection. The outline stays on the map. Save again when there is a connection.";
  }
}

interface SiteFieldsProps {
  typed: { latitude: string; longitude: string };
  setTyped: (typed: { latitude: string; longitude: string }) => void;
  name: string;
  setName: (name: string) => void;
  grounds: { id: string; name: string }[];
}
const SiteFields = ({ typed, setTyped, name, setName, grounds }: SiteFieldsProps) => (
  <>
    <label className="field">
      <span className="label">Latitude</span>
      <input
        inputMode="decimal"
        value={typed.latitude}
        onChange={(e) => setTyped({ ...typed, latitude: e.target.value })}
        className="figure"
      />
    </label>
    <label className="field">
      <span className="label">Longitude</span>
      <input
        inputMode="decimal"
        value={typed.longitude}
        onChange={(e) => setTyped({ ...typed, longitude: e.target.value })}
        className="figure"
      />
    </label>
    <label className="field">
      <span className="label">Name of the site</span>
      <input required value={name} onChange={(e) => setName(e.target.value)} />
    </label>
    <label className="field">
      <span className="label">Kind of ground</span>
      <select name="ground">
        {grounds.map((g) => (
          <option key={g.id} value={g.id}>
            {g.name}
          </option>
        ))}
      </select>
    </label>
    <fieldset className="sm:col-span-4 flex flex-wrap gap-x-5">
      <legend className="small">Rules of the site</legend>
      {SITE_RULES.map(([rule, words]) => (
        <label key={rule} className="tick">
          <input type="checkbox" name={rule} />
          {words}
        </label>
      ))}
    </fieldset>
    <label className="field sm:col-span-3">
      <span className="label">Note</span>
      <input name="note" />
    </label>
  </>
);

interface PatchFieldsProps {
  name: string;
  setName: (name: string) => void;
  taxon: string;
  setTaxon: (taxon: string) => void;
  cover: string;
  setCover: (cover: string) => void;
  taxa: { name: string; plant: string }[];
}
const PatchFields = ({ name, setName, taxon, setTaxon, cover, setCover, taxa }: PatchFieldsProps) => (
  <>
    <label className="field">
      <span className="label">Name of the patch</span>
      <input required value={name} onChange={(e) => setName(e.target.value)} placeholder="By the lower gate" />
    </label>
    <label className="field">
      <span className="label">Plant</span>
      <select required value={taxon} onChange={(e) => setTaxon(e.target.value)}>
        <option value="">choose</option>
        {taxa.map((t) => (
          <option key={t.name} value={t.name}>
            {t.plant} · {t.name}
          </option>
        ))}
      </select>
    </label>
    <label className="field">
      <span className="label">Cover within, %</span>
      <input inputMode="decimal" value={cover} onChange={(e) => setCover(e.target.value)} />
    </label>
  </>
);

/** In the ink of the map's own lines. */
const OUTLINE = {
  fillColor: "#a8322a",
  fillOpacity: 0.14,
  outlineColor: "#a8322a",
  outlineWidth: 3,
  closingPointColor: "#a8322a",
  closingPointWidth: 6,
} as const;

const ROUND = { patch: [4, 10, 20, 40], site: [100, 400, 1000] } as const;
const SITE_RULES = [
  ["noProduct", "no products"],
  ["noMachines", "no machines"],
  ["grazed", "stock graze"],
  ["hayed", "hay is made"],
  ["foraged", "people gather food"],
] as const;
