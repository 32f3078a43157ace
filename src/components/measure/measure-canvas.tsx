"use client";
import { type PointerEvent as PointerEventOfReact, useEffect, useRef, useState } from "react";
import { v7 as uuidv7 } from "uuid";
import type { Point } from "@/core/measure";
import { type At, movePoint, pointAt, removePoint, type Sheet, setPoint, undo } from "./marks-state";
import { CORNER_NAMES, POINT_NAMES, TOOL_WORDS } from "./words";

const ZOOMS = [1, 1.5, 2, 3, 4, 6, 8];
const LOUPE = 132;

/** The photograph with all that is marked on it. */
export function MeasureCanvas({
  src,
  sheet,
  act,
}: {
  src: string;
  sheet: Sheet;
  act: (change: (s: Sheet) => Sheet) => void;
}) {
  const { now, held } = sheet;
  const box = useRef<HTMLDivElement>(null);
  const svg = useRef<SVGSVGElement>(null);
  const drag = useRef<{ at: At; moved: boolean } | null>(null);
  const [zoom, setZoom] = useState(0);
  const [fit, setFit] = useState(1);
  useEffect(() => {
    const measureBox = () => box.current && setFit(box.current.clientWidth / now.widthPx);
    measureBox();
    window.addEventListener("resize", measureBox);
    return () => window.removeEventListener("resize", measureBox);
  }, [now.widthPx]);
  const scale = fit * ZOOMS[zoom];
  const pointOf = (e: { clientX: number; clientY: number }): Point => {
    const rect = (svg.current as SVGSVGElement).getBoundingClientRect();
    return [
      ((e.clientX - rect.left) / rect.width) * now.widthPx,
      ((e.clientY - rect.top) / rect.height) * now.heightPx,
    ];
  };
  const onKey = (e: React.KeyboardEvent) => {
    const step = e.shiftKey ? 10 : 1;
    const by: Record<string, Point> = {
      ArrowLeft: [-step, 0],
      ArrowRight: [step, 0],
      ArrowUp: [0, -step],
      ArrowDown: [0, step],
    };
    if (by[e.key] && held) {
      e.preventDefault();
      act((s) => {
        const p = s.held && pointAt(s, s.held);
        return s.held && p ? movePoint(s, s.held, [p[0] + by[e.key][0], p[1] + by[e.key][1]]) : s;
      });
    } else if ((e.key === "Delete" || e.key === "Backspace") && held) act((s) => (s.held ? removePoint(s, s.held) : s));
    else if (e.key === "u" || (e.key === "z" && (e.ctrlKey || e.metaKey))) act(undo);
    else if (e.key === "+") setZoom((z) => Math.min(ZOOMS.length - 1, z + 1));
    else if (e.key === "-") setZoom((z) => Math.max(0, z - 1));
    else return;
    e.stopPropagation();
  };
  const down = (e: PointerEventOfReact, at: At | null) => {
    e.stopPropagation();
    if (at) {
      drag.current = { at, moved: false };
      svg.current?.setPointerCapture(e.pointerId);
      act((s) => ({ ...s, held: at }));
    } else {
      const point = pointOf(e);
      act((s) => setPoint(s, point, uuidv7()));
      svg.current?.focus();
    }
  };
  const move = (e: PointerEventOfReact) => {
    if (!drag.current) return;
    const { at, moved } = drag.current;
    const point = pointOf(e);
    drag.current.moved = true;
    act((s) => movePoint(s, at, point, moved));
  };
  /** A tap on a point of what was marked with another tool sets a point of this one at the same place; on one of its own it holds it. */
  const up = () => {
    const dragged = drag.current;
    drag.current = null;
    if (!dragged || dragged.moved) return;
    act((s) => {
      const owner =
        dragged.at.of === "calibration" ? "calibrate" : s.now.marks.find((m) => m.id === dragged.at.of)?.tool;
      const point = pointAt(s, dragged.at);
      return owner !== s.tool && point ? setPoint(s, point, uuidv7()) : s;
    });
  };
  const heldPoint = held && pointAt(sheet, held);
  const shown = 1 / scale;
  const lines = now.marks.map((m) => ({
    id: m.id,
    closed: m.tool === "area" && m.points.length > 2,
    points: m.tool === "count" ? [] : m.points,
  }));
  const all: { at: At; point: Point; name: string }[] = [
    ...(now.calibration?.points ?? []).map((point, index) => ({
      at: { of: "calibration", index },
      point,
      name: `Known thing, ${now.calibration?.kind === "corners" ? CORNER_NAMES[index] : `end ${index + 1}`}`,
    })),
    ...now.marks.flatMap((m, k) =>
      m.points.map((point, index) => ({
        at: { of: m.id, index },
        point,
        name: `${TOOL_WORDS[m.tool]} ${k + 1}, ${POINT_NAMES[m.tool]?.[index] ?? `point ${index + 1}`}`,
      })),
    ),
  ];
  return (
    <div className="relative min-w-0">
      <div className="flex items-center gap-2 px-4 py-1 border-b border-[var(--rule)]">
        <button
          type="button"
          className="button !py-1"
          aria-label="Smaller"
          disabled={zoom === 0}
          onClick={() => setZoom(zoom - 1)}
        >
          −
        </button>
        <span className="figure">{Math.round(ZOOMS[zoom] * 100)}%</span>
        <button
          type="button"
          className="button !py-1"
          aria-label="Larger"
          disabled={zoom === ZOOMS.length - 1}
          onClick={() => setZoom(zoom + 1)}
        >
          +
        </button>
      </div>
      <div ref={box} className="overflow-auto max-h-[62vh] lg:max-h-[calc(100dvh-110px)] bg-[#3a3a36]">
        <svg
          ref={svg}
          role="group"
          aria-label="The picture, with what is marked on it"
          // biome-ignore lint/a11y/noNoninteractiveTabindex: the picture takes points and arrows, and its points are buttons
          tabIndex={0}
          width={now.widthPx * scale}
          height={now.heightPx * scale}
          viewBox={`0 0 ${now.widthPx} ${now.heightPx}`}
          className="block cursor-crosshair outline-offset-[-3px]"
          onKeyDown={onKey}
          onPointerDown={(e) => down(e, null)}
          onPointerMove={move}
          onPointerUp={up}
        >
          <image href={src} width={now.widthPx} height={now.heightPx} />
          {now.calibration && now.calibration.points.length > 1 ? (
            <polygon
              points={now.calibration.points.map((p) => p.join(",")).join(" ")}
              fill="none"
              stroke="#1f5f8b"
              strokeWidth={2 * shown}
              strokeDasharray={`${7 * shown} ${5 * shown}`}
            />
          ) : null}
          {lines.map((l) =>
            l.closed ? (
              <polygon
                key={l.id}
                points={l.points.map((p) => p.join(",")).join(" ")}
                fill="rgba(255,255,255,.25)"
                stroke="#111"
                strokeWidth={2 * shown}
              />
            ) : (
              <polyline
                key={l.id}
                points={l.points.map((p) => p.join(",")).join(" ")}
                fill="none"
                stroke="#111"
                strokeWidth={2 * shown}
              />
            ),
          )}
          {all.map(({ at, point: [x, y], name }) => {
            const isHeld = held?.of === at.of && held.index === at.index;
            return (
              <g
                key={`${at.of} ${at.index}`}
                role="button"
                tabIndex={0}
                aria-label={name}
                aria-pressed={isHeld}
                onFocus={() => act((s) => ({ ...s, held: at }))}
                onPointerDown={(e) => down(e, at)}
                style={{ touchAction: "none" }}
              >
                <circle cx={x} cy={y} r={18 * shown} fill="transparent" />
                <circle cx={x} cy={y} r={7 * shown} fill="none" stroke="#fff" strokeWidth={4 * shown} />
                <circle
                  cx={x}
                  cy={y}
                  r={7 * shown}
                  fill="none"
                  stroke={at.of === "calibration" ? "#1f5f8b" : "#a3261b"}
                  strokeWidth={2 * shown}
                />
                {isHeld ? (
                  <path
                    d={`M${x - 14 * shown},${y}h${28 * shown}M${x},${y - 14 * shown}v${28 * shown}`}
                    stroke="#111"
                    strokeWidth={1 * shown}
                  />
                ) : null}
              </g>
            );
          })}
        </svg>
      </div>
      {heldPoint ? (
        <svg
          aria-hidden
          className="absolute right-3 top-[56px] border-2 border-[var(--ink)] bg-[#3a3a36] pointer-events-none"
          width={LOUPE}
          height={LOUPE}
          viewBox={`${heldPoint[0] - LOUPE / (6 * scale)} ${heldPoint[1] - LOUPE / (6 * scale)} ${LOUPE / (3 * scale)} ${LOUPE / (3 * scale)}`}
        >
          <image href={src} width={now.widthPx} height={now.heightPx} />
          <path
            d={`M${heldPoint[0] - 99},${heldPoint[1]}h198M${heldPoint[0]},${heldPoint[1] - 99}v198`}
            stroke="#a3261b"
            strokeWidth={0.7 / scale}
          />
        </svg>
      ) : null}
    </div>
  );
}
