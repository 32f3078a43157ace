"use client";
import { Button } from "../ui/button";
import { itemAt } from "@/core/items";
import { type PointerEvent as PointerEventOfReact, useEffect, useRef, useState } from "react";
import { v7 as uuidv7 } from "uuid";
import type { Point } from "@/core/measure";
import { type At, movePoint, pointAt, removePoint, type Sheet, setPoint, undo } from "./marks-state";
import { CORNER_NAMES, POINT_NAMES, TOOL_WORDS } from "./words";

const ZOOMS = [1, 1.5, 2, 3, 4, 6, 8];
const LOUPE = 132;

/** The photograph with all that is marked on it. */
export function MeasureCanvas({ src, sheet, act }: CanvasProps) {
  const { now, held } = sheet;
  const box = useRef<HTMLDivElement>(null);
  const svg = useRef<SVGSVGElement>(null);
  const [zoom, setZoom] = useState(0);
  const fit = useFit(box, now.widthPx);
  const scale = fit * itemAt(ZOOMS, zoom);
  const { down, move, up } = usePointer(svg, sheet, act);
  const heldPoint = held && pointAt(sheet, held);
  return (
    <div className="relative min-w-0">
      <ZoomBar zoom={zoom} setZoom={setZoom} />
      <div ref={box} className="overflow-auto max-h-[62vh] lg:max-h-[calc(100dvh-110px)] bg-[#3a3a36]">
        <svg
          ref={svg}
          role="group"
          aria-label="The picture, with its marks"
          // biome-ignore lint/a11y/noNoninteractiveTabindex: the picture takes points and arrows, and its points are buttons
          tabIndex={0}
          width={now.widthPx * scale}
          height={now.heightPx * scale}
          viewBox={`0 0 ${now.widthPx} ${now.heightPx}`}
          className="block cursor-crosshair outline-offset-[-3px]"
          onKeyDown={(e) => onKey(e, held, act, setZoom)}
          onPointerDown={(e) => down(e, null)}
          onPointerMove={move}
          onPointerUp={up}
        >
          <image href={src} width={now.widthPx} height={now.heightPx} />
          <Lines now={now} shown={1 / scale} />
          {namedPoints(now).map((p) => (
            <PointMark
              key={`${p.at.of} ${p.at.index}`}
              {...p}
              isHeld={held?.of === p.at.of && held.index === p.at.index}
              shown={1 / scale}
              onHold={() => act((s) => ({ ...s, held: p.at }))}
              onDown={(e) => down(e, p.at)}
            />
          ))}
        </svg>
      </div>
      {heldPoint ? <Loupe src={src} now={now} at={heldPoint} scale={scale} /> : null}
    </div>
  );
}

interface CanvasProps {
  src: string;
  sheet: Sheet;
  act: (change: (s: Sheet) => Sheet) => void;
}

/** How much the picture is made smaller to fit its box. */
function useFit(box: React.RefObject<HTMLDivElement | null>, widthPx: number): number {
  const [fit, setFit] = useState(1);
  useEffect(() => {
    const measureBox = () => box.current && setFit(box.current.clientWidth / widthPx);
    measureBox();
    window.addEventListener("resize", measureBox);
    return () => window.removeEventListener("resize", measureBox);
  }, [box, widthPx]);
  return fit;
}

const ARROWS: Record<string, Point> = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] };

function onKey(
  e: React.KeyboardEvent,
  held: At | null,
  act: CanvasProps["act"],
  setZoom: (change: (zoom: number) => number) => void,
): void {
  const arrow = ARROWS[e.key];
  if (arrow && held) {
    e.preventDefault();
    const step = e.shiftKey ? 10 : 1;
    act((s) => {
      const p = s.held && pointAt(s, s.held);
      return s.held && p ? movePoint(s, s.held, [p[0] + step * arrow[0], p[1] + step * arrow[1]]) : s;
    });
  } else if ((e.key === "Delete" || e.key === "Backspace") && held) act((s) => (s.held ? removePoint(s, s.held) : s));
  else if (e.key === "u" || (e.key === "z" && (e.ctrlKey || e.metaKey))) act(undo);
  else if (e.key === "+") setZoom((z) => Math.min(ZOOMS.length - 1, z + 1));
  else if (e.key === "-") setZoom((z) => Math.max(0, z - 1));
  else return;
  e.stopPropagation();
}

/** Setting points, holding one, and moving it. */
function usePointer(svg: React.RefObject<SVGSVGElement | null>, { now }: Sheet, act: CanvasProps["act"]) {
  const drag = useRef<{ at: At; moved: boolean } | null>(null);
  const pointOf = (e: { clientX: number; clientY: number }): Point => {
    const rect = (svg.current as SVGSVGElement).getBoundingClientRect();
    return [
      ((e.clientX - rect.left) / rect.width) * now.widthPx,
      ((e.clientY - rect.top) / rect.height) * now.heightPx,
    ];
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
  return { down, move, up };
}

const ZoomBar = ({ zoom, setZoom }: { zoom: number; setZoom: (zoom: number) => void }) => (
  <div className="flex items-center gap-2 px-4 py-1 border-b border-[var(--rule)]">
    <Button className="!py-1" aria-label="Smaller" disabled={zoom === 0} onClick={() => setZoom(zoom - 1)}>
      −
    </Button>
    <span className="figure">{Math.round(itemAt(ZOOMS, zoom) * 100)}%</span>
    <Button
      className="!py-1"
      aria-label="Larger"
      disabled={zoom === ZOOMS.length - 1}
      onClick={() => setZoom(zoom + 1)}
    >
      +
    </Button>
  </div>
);

type Marked = Sheet["now"];

/** The outline of the known object, and what is measured. */
function Lines({ now, shown }: { now: Marked; shown: number }) {
  const lines = now.marks.map((m) => ({
    id: m.id,
    closed: m.tool === "area" && m.points.length > 2,
    points: m.tool === "count" ? [] : m.points,
  }));
  return (
    <>
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
    </>
  );
}

interface NamedPoint {
  at: At;
  point: Point;
  name: string;
}

/** Every point that is marked, with what a screen reader calls it. */
const namedPoints = (now: Marked): NamedPoint[] => [
  ...(now.calibration?.points ?? []).map((point, index) => ({
    at: { of: "calibration", index },
    point,
    name: `Known object, ${now.calibration?.kind === "corners" ? CORNER_NAMES[index] : `end ${index + 1}`}`,
  })),
  ...now.marks.flatMap((m, k) =>
    m.points.map((point, index) => ({
      at: { of: m.id, index },
      point,
      name: `${TOOL_WORDS[m.tool]} ${k + 1}, ${POINT_NAMES[m.tool]?.[index] ?? `point ${index + 1}`}`,
    })),
  ),
];

const PointMark = ({
  at,
  point: [x, y],
  name,
  isHeld,
  shown,
  onHold,
  onDown,
}: NamedPoint & {
  isHeld: boolean;
  shown: number;
  onHold: () => void;
  onDown: (e: PointerEventOfReact) => void;
}) => (
  <g
    role="button"
    tabIndex={0}
    aria-label={name}
    aria-pressed={isHeld}
    onFocus={onHold}
    onPointerDown={onDown}
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

/** The held point enlarged, so that the finger does not hide it. */
const Loupe = ({ src, now, at: heldPoint, scale }: { src: string; now: Marked; at: Point; scale: number }) => (
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
);
