"use client";

import { circle as turfCircle } from "@turf/circle";
import { useRouter } from "next/navigation";
import { useEffect, useRef, useState } from "react";
import { TerraDraw, TerraDrawLineStringMode, TerraDrawPolygonMode } from "terra-draw";
import { TerraDrawMapLibreGLAdapter } from "terra-draw-maplibre-gl-adapter";
import { makeMap, maplibregl } from "./base-map";
import { DrawForm, type DrawRequest, type Ring } from "./draw-form";

/** The map of the district. With a request it also draws a new patch or site. */
export function GroundMap({
  notes,
  bounds,
  request,
  taxa,
  grounds,
}: {
  /** what is said of each patch under the pointer, by its id */
  notes: Record<string, string>;
  bounds: [number, number, number, number] | null;
  request: DrawRequest | null;
  taxa: { name: string; plant: string }[];
  grounds: { id: string; name: string }[];
}) {
  const { box, ring, round } = useDrawing(bounds, request, notes);
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
function useDrawing(
  bounds: [number, number, number, number] | null,
  request: DrawRequest | null,
  notes: Record<string, string>,
) {
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
      if (request) draw.current = drawOn(made, request.what === "line" ? "linestring" : "polygon", setRing);
    });
    noteUnderPointer(made, notes);
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

function drawOn(map: maplibregl.Map, mode: "polygon" | "linestring", onRing: (ring: Ring) => void): TerraDraw {
  const drawing = new TerraDraw({
    adapter: new TerraDrawMapLibreGLAdapter({ map }),
    modes: [
      mode === "polygon"
        ? new TerraDrawPolygonMode({ styles: OUTLINE })
        : new TerraDrawLineStringMode({ styles: LINE }),
    ],
  });
  drawing.start();
  drawing.setMode(mode);
  drawing.on("finish", (id) => {
    const shape = drawing.getSnapshotFeature(id);
    // one outline at a time: a second one takes the first one's place
    drawing.removeFeatures(drawing.getSnapshot().flatMap((f) => (f.id !== undefined && f.id !== id ? [f.id] : [])));
    if (shape?.geometry.type === "Polygon") onRing(shape.geometry.coordinates[0] as Ring);
    if (shape?.geometry.type === "LineString") onRing(shape.geometry.coordinates as Ring);
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

/** Beside the pointer: which patch it is, and the last good day before its plant seeds. */
function noteUnderPointer(map: maplibregl.Map, notes: Record<string, string>): void {
  const popup = new maplibregl.Popup({ closeButton: false, closeOnClick: false, className: "map-note" });
  map.on("mousemove", "patches", (e) => {
    const note = notes[e.features?.[0]?.properties.id];
    if (note) popup.setLngLat(e.lngLat).setText(note).addTo(map);
  });
  map.on("mouseleave", "patches", () => popup.remove());
}

/** @param radius in meters */
function roundAbout(center: [number, number], radius: number): Ring {
  const shape = turfCircle(center, radius, { steps: 32, units: "meters" });
  return (shape.geometry.coordinates[0] as Ring).map(([x, y]) => [Number(x.toFixed(9)), Number(y.toFixed(9))]);
}

const LINE = {
  lineStringColor: "#1c6b75",
  lineStringWidth: 3,
  closingPointColor: "#1c6b75",
  closingPointWidth: 6,
} as const;
/** In the ink of the map's own lines. */
const OUTLINE = {
  fillColor: "#a8322a",
  fillOpacity: 0.14,
  outlineColor: "#a8322a",
  outlineWidth: 3,
  closingPointColor: "#a8322a",
  closingPointWidth: 6,
} as const;
