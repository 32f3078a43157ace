"use client";

import "maplibre-gl/dist/maplibre-gl.css";
import * as maplibregl from "maplibre-gl";
import { VERDICTS } from "@/core/identify";
import { LAYERS } from "./layers";

maplibregl.setWorkerUrl(new URL("maplibre-gl/dist/maplibre-gl-worker.mjs", import.meta.url).href);

/** The district's own map: vector tiles from the database, drawn like a printed survey sheet; no outside tiles, no glyph server. */
export function makeMap(
  container: HTMLElement,
  bounds: [number, number, number, number] | null,
  centre?: [number, number],
): maplibregl.Map {
  const map = new maplibregl.Map({
    container,
    attributionControl: false,
    ...(centre
      ? { center: centre, zoom: 16 }
      : bounds
        ? { bounds, fitBoundsOptions: { padding: 30 } }
        : { center: [0, 20], zoom: 1 }),
    style: {
      version: 8,
      sources: {
        district: { type: "vector", tiles: [`${location.origin}/api/v1/tiles/{z}/{x}/{y}`], minzoom: 8, maxzoom: 17 },
      },
      layers: LAYERS,
    } as maplibregl.StyleSpecification,
  });
  for (const verdict of VERDICTS) map.addImage(`tape-${verdict}`, tapeImage(verdict), { pixelRatio: 2 });
  map.addControl(new maplibregl.NavigationControl({ showCompass: false }), "top-right");
  map.addControl(new maplibregl.ScaleControl({ unit: "metric" }), "bottom-left");
  return map;
}
/** A short piece of the verdict's tape, told apart by pattern before color: plain, stripes, dots, outline, dashed edge. */
function tapeImage(verdict: string): ImageData {
  const [width, height] = [72, 40];
  const canvas = document.createElement("canvas");
  canvas.width = width;
  canvas.height = height;
  const pen = canvas.getContext("2d") as CanvasRenderingContext2D;
  pen.fillStyle = { clear: "#b9d49b", hold: "#e8b63a", keep: "#d3e8e9", unknown: "#ded4f2" }[verdict] ?? "#fbf9f2";
  pen.fillRect(4, 4, width - 8, height - 8);
  pen.strokeStyle = pen.fillStyle = "#1d2a24";
  pen.lineWidth = 5;
  if (verdict === "hold") {
    pen.save();
    pen.beginPath();
    pen.rect(4, 4, width - 8, height - 8);
    pen.clip();
    for (let x = -20; x < width; x += 22) {
      pen.beginPath();
      pen.moveTo(x, height);
      pen.lineTo(x + 20, 0);
      pen.stroke();
    }
    pen.restore();
  }
  if (verdict === "keep")
    for (const [x, y] of [
      [18, 14],
      [36, 14],
      [54, 14],
      [18, 27],
      [36, 27],
      [54, 27],
    ] as const)
      pen.fillRect(x - 3, y - 3, 6, 6);
  if (verdict === "unknown") pen.setLineDash([9, 7]);
  pen.lineWidth = 4;
  pen.strokeRect(4, 4, width - 8, height - 8);
  return pen.getImageData(0, 0, width, height);
}

export { maplibregl };
