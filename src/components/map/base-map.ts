"use client";

import "maplibre-gl/dist/maplibre-gl.css";
import * as maplibregl from "maplibre-gl";
import { VERDICTS } from "@/core/identify";

maplibregl.setWorkerUrl(new URL("maplibre-gl/dist/maplibre-gl-worker.mjs", import.meta.url).href);

const FONT = ["Atkinson Hyperlegible Next Variable"];

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
      layers: [
        { id: "paper", type: "background", paint: { "background-color": "#f3eedf" } },
        {
          id: "wood",
          type: "fill",
          source: "district",
          "source-layer": "features",
          filter: ["==", ["get", "kind"], "wood"],
          paint: { "fill-color": "#dbe3c8" },
        },
        {
          id: "field",
          type: "fill",
          source: "district",
          "source-layer": "features",
          filter: ["==", ["get", "kind"], "field"],
          paint: { "fill-color": "#efe6c6" },
        },
        {
          id: "lake",
          type: "fill",
          source: "district",
          "source-layer": "features",
          filter: ["==", ["get", "kind"], "lake"],
          paint: { "fill-color": "#c9dde0", "fill-outline-color": "#1c6b75" },
        },
        {
          id: "sites",
          type: "fill",
          source: "district",
          "source-layer": "sites",
          paint: { "fill-color": "#fbf9f2", "fill-opacity": 0.45 },
        },
        {
          id: "site-lines",
          type: "line",
          source: "district",
          "source-layer": "sites",
          paint: { "line-color": "#1d2a24", "line-width": 1.4, "line-dasharray": [5, 2] },
        },
        {
          id: "river",
          type: "line",
          source: "district",
          "source-layer": "features",
          filter: ["in", ["get", "kind"], ["literal", ["river", "creek"]]],
          paint: { "line-color": "#5f9aa5", "line-width": ["match", ["get", "kind"], "river", 5, 2.2] },
        },
        {
          id: "track",
          type: "line",
          source: "district",
          "source-layer": "features",
          filter: ["==", ["get", "kind"], "track"],
          paint: { "line-color": "#8a7a55", "line-width": 1.6, "line-dasharray": [3, 2] },
        },
        {
          id: "patches",
          type: "fill",
          source: "district",
          "source-layer": "patches",
          paint: {
            "fill-color": [
              "match",
              ["get", "state"],
              "open",
              "#a8322a",
              "treated",
              "#e8b63a",
              "watched",
              "#1c6b75",
              "#7d8a80",
            ],
            "fill-opacity": 0.4,
          },
        },
        {
          id: "patch-lines",
          type: "line",
          source: "district",
          "source-layer": "patches",
          paint: { "line-color": "#1d2a24", "line-width": 1.2 },
        },
        {
          id: "findings",
          type: "symbol",
          source: "district",
          "source-layer": "findings",
          layout: {
            "icon-image": ["concat", "tape-", ["get", "verdict"]],
            "icon-allow-overlap": true,
            "icon-size": ["interpolate", ["linear"], ["zoom"], 11, 0.35, 16, 0.8],
          },
        },
        {
          id: "landing",
          type: "circle",
          source: "district",
          "source-layer": "features",
          filter: ["==", ["get", "kind"], "landing"],
          paint: { "circle-radius": 4, "circle-color": "#1d2a24" },
        },
        {
          id: "line-names",
          type: "symbol",
          source: "district",
          "source-layer": "features",
          minzoom: 12.5,
          filter: ["==", ["geometry-type"], "LineString"],
          layout: { "text-field": ["get", "name"], "text-font": FONT, "text-size": 12, "symbol-placement": "line" },
          paint: { "text-color": "#40605f", "text-halo-color": "#f3eedf", "text-halo-width": 1.4 },
        },
        {
          id: "place-names",
          type: "symbol",
          source: "district",
          "source-layer": "place_names",
          minzoom: 12.5,
          layout: { "text-field": ["get", "name"], "text-font": FONT, "text-size": 12, "text-offset": [0, 0.9] },
          paint: { "text-color": "#40605f", "text-halo-color": "#f3eedf", "text-halo-width": 1.4 },
        },
        {
          id: "site-names",
          type: "symbol",
          source: "district",
          "source-layer": "site_names",
          layout: { "text-field": ["get", "name"], "text-font": FONT, "text-size": 14 },
          paint: { "text-color": "#1d2a24", "text-halo-color": "#fbf9f2", "text-halo-width": 1.8 },
        },
      ],
    } as maplibregl.StyleSpecification,
  });
  for (const verdict of VERDICTS) map.addImage(`tape-${verdict}`, tapeImage(verdict), { pixelRatio: 2 });
  map.addControl(new maplibregl.NavigationControl({ showCompass: false }), "top-right");
  map.addControl(new maplibregl.ScaleControl({ unit: "metric" }), "bottom-left");
  return map;
}
/** A short piece of the verdict's tape, told apart by pattern before colour: plain, stripes, dots, outline, dashed edge. */
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
    ])
      pen.fillRect(x - 3, y - 3, 6, 6);
  if (verdict === "unknown") pen.setLineDash([9, 7]);
  pen.lineWidth = 4;
  pen.strokeRect(4, 4, width - 8, height - 8);
  return pen.getImageData(0, 0, width, height);
}

export { maplibregl };
