"use client";

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

/** The map of the district. With a request it also draws a new patch: corner by corner, or as a round one of so many metres. */
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
  const box = useRef<HTMLDivElement>(null);
  const map = useRef<maplibregl.Map | null>(null);
  const draw = useRef<TerraDraw | null>(null);
  const router = useRouter();
  const [ring, setRing] = useState<Ring | null>(null);
  const [name, setName] = useState("");
  const [taxon, setTaxon] = useState(request?.taxon ?? "");
  const [cover, setCover] = useState("");
  const [fault, setFault] = useState<string | null>(null);
  const [saving, setSaving] = useState(false);
  // biome-ignore lint/correctness/useExhaustiveDependencies: the map is made once per request
  useEffect(() => {
    if (!box.current) return;
    const made = makeMap(box.current, bounds, request?.place ?? undefined);
    map.current = made;
    made.on("load", () => {
      box.current?.setAttribute("data-ready", "yes");
      if (request?.place) new maplibregl.Marker({ color: "#a8322a" }).setLngLat(request.place).addTo(made);
      if (!request) return;
      const drawing = new TerraDraw({
        adapter: new TerraDrawMapLibreGLAdapter({ map: made }),
        modes: [new TerraDrawPolygonMode({ styles: OUTLINE })],
      });
      drawing.start();
      drawing.setMode("polygon");
      drawing.on("finish", (id) => {
        const shape = drawing.getSnapshotFeature(id);
        // one outline at a time: a second one takes the first one's place
        drawing.removeFeatures(drawing.getSnapshot().flatMap((f) => (f.id !== undefined && f.id !== id ? [f.id] : [])));
        if (shape?.geometry.type === "Polygon") setRing(shape.geometry.coordinates[0] as Ring);
      });
      draw.current = drawing;
    });
    const open = (e: maplibregl.MapMouseEvent & { features?: maplibregl.MapGeoJSONFeature[] }) => {
      const id = e.features?.[0]?.properties.id;
      if (id && !request)
        router.push(`/${e.features?.[0]?.layer.id === "findings" ? "findings" : "ground/patch"}/${id}`);
    };
    for (const layer of ["findings", "patches"]) {
      made.on("click", layer, open);
      made.on("mouseenter", layer, () => {
        made.getCanvas().style.cursor = "pointer";
      });
      made.on("mouseleave", layer, () => {
        made.getCanvas().style.cursor = "";
      });
    }
    return () => {
      draw.current?.stop();
      made.remove();
    };
  }, []);
  const [typed, setTyped] = useState({ latitude: "", longitude: "" });
  const round = (metres: number) => {
    const [lat, lng] = [Number(typed.latitude), Number(typed.longitude)];
    const given =
      typed.latitude && typed.longitude && Math.abs(lat) <= 85 && Math.abs(lng) <= 180
        ? ([lng, lat] as [number, number])
        : null;
    if (given) map.current?.jumpTo({ center: given, zoom: 15 });
    const centre = given ?? request?.place ?? (map.current?.getCenter().toArray() as [number, number]);
    const shape = turfCircle(centre, metres, { steps: 32, units: "meters" });
    draw.current?.clear();
    const coordinates = (shape.geometry.coordinates[0] as Ring).map(
      ([x, y]) => [Number(x.toFixed(9)), Number(y.toFixed(9))] as [number, number],
    );
    draw.current?.addFeatures([
      { type: "Feature", geometry: { type: "Polygon", coordinates: [coordinates] }, properties: { mode: "polygon" } },
    ]);
    setRing(coordinates);
  };
  const save = async (form: FormData) => {
    if (!request || !ring) return;
    setSaving(true);
    const id = uuidv7();
    const site = request.what === "site";
    const outline = { type: "Polygon", coordinates: [ring] };
    const checked = (rule: string) => form.get(rule) === "on";
    const body = site
      ? {
          id,
          name,
          outline,
          ground: form.get("ground"),
          note: form.get("note"),
          rules: Object.fromEntries(SITE_RULES.map(([rule]) => [rule, checked(rule)])),
        }
      : {
          id,
          siteId: request.siteId,
          taxon,
          name,
          findingId: request.findingId,
          coverShare: cover === "" ? null : Number(cover) / 100,
          outline,
        };
    try {
      const response = await fetch(site ? "/api/v1/sites" : "/api/v1/patches", {
        method: "POST",
        headers: { "content-type": "application/json" },
        body: JSON.stringify(body),
      });
      if (response.ok && site) return location.assign("/ground");
      if (response.ok) return router.push(`/ground/patch/${id}`);
      const error = readError(await response.json());
      setFault(
        error ? refusalWords(error.message, error.issues).join(" ") : "That was not saved. Try again in a moment.",
      );
    } catch {
      setFault("There is no connection. The outline stays on the map; save again when there is.");
    }
    setSaving(false);
    return undefined;
  };
  return (
    <div>
      <div
        ref={box}
        className="h-[56vh] min-h-[340px] w-full border-y border-[var(--line)]"
        role="application"
        aria-label="Map of the district: arrow keys move it, plus and minus zoom"
      />
      {request ? (
        <form
          className="grid sm:grid-cols-4 gap-x-5 gap-y-3 p-4 md:px-6 items-end"
          onSubmit={(e) => {
            e.preventDefault();
            save(new FormData(e.currentTarget));
          }}
          aria-label={`New ${request.what}`}
        >
          <p className="sm:col-span-4">
            <strong>Click the corners of the {request.what}; click the last one again to close it.</strong>{" "}
            <span className="small">Or take a round one about the place:</span>{" "}
            {ROUND[request.what].map((m) => (
              <button key={m} type="button" className="button !px-3 mr-1" onClick={() => round(m / 2)}>
                {m} m across
              </button>
            ))}
            {ring ? (
              <strong className="ml-2" role="status">
                {areaText(turfArea(turfPolygon([ring])))}
              </strong>
            ) : null}
          </p>
          {request.what === "site" ? (
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
          ) : (
            <>
              <label className="field">
                <span className="label">Name of the patch</span>
                <input
                  required
                  value={name}
                  onChange={(e) => setName(e.target.value)}
                  placeholder="By the lower gate"
                />
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
          )}
          <button
            type="submit"
            className="button press"
            disabled={!ring || !name || (request.what === "patch" && !taxon) || saving}
          >
            {saving ? "Saving …" : ring ? `Save the ${request.what}` : "Draw it first"}
          </button>
          {fault ? (
            <p role="alert" className="fault sm:col-span-4">
              {fault}
            </p>
          ) : null}
        </form>
      ) : null}
    </div>
  );
}

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
