"use client";
import { useEffect, useRef } from "react";
import { makeMap, maplibregl } from "./base-map";

/** A small map on which a place is pointed out; arrow keys move the map, Enter takes its middle. */
export function PickMap({ place, onPick }: { place: [number, number]; onPick: (place: [number, number]) => void }) {
  const box = useRef<HTMLDivElement>(null);
  const pick = useRef(onPick);
  pick.current = onPick;
  // biome-ignore lint/correctness/useExhaustiveDependencies: the map is made once; later places move only the marker
  useEffect(() => {
    if (!box.current) return;
    const map = makeMap(box.current, null, place);
    const marker = new maplibregl.Marker({ color: "#a8322a" }).setLngLat(place).addTo(map);
    const take = (at: maplibregl.LngLat) => {
      marker.setLngLat(at);
      pick.current([at.lng, at.lat]);
    };
    map.on("click", (e) => take(e.lngLat));
    const canvas = map.getCanvas();
    const onKey = (e: KeyboardEvent) => e.key === "Enter" && take(map.getCenter());
    canvas.addEventListener("keydown", onKey);
    return () => map.remove();
  }, []);
  return (
    <div
      ref={box}
      className="h-[300px] w-full border border-[var(--line)]"
      role="application"
      aria-label="Map for pointing out the place: arrow keys move, Enter takes the middle"
    />
  );
}
