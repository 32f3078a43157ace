"use client";
import { Button } from "../ui/button";
import { itemAt } from "@/core/items";
import { Dialog } from "radix-ui";
import { useEffect, useState } from "react";
import { v7 as uuidv7 } from "uuid";
import {
  type Calibration,
  type Mark,
  type Marks,
  measure,
  type Measured,
  POINTS,
  readingFor,
  resized,
  type Tool,
} from "@/core/measure";
import {
  beginAnother,
  calibrationPoints,
  emptyMarks,
  isWhole,
  openSheet,
  removeMark,
  removePoint,
  type Sheet,
  setCalibration,
  setSize,
  setTool,
  undo,
} from "./marks-state";
import { MeasureCanvas } from "./measure-canvas";
import { CORNER_NAMES, TOOL_WORDS } from "./words";

/** A measured character that the readings may go into. */
export interface Wanted {
  id: string;
  name: string;
  kind: string;
  unit?: string;
  tool: Tool;
}

interface Props {
  /** the photograph, as an address that the browser can show */
  src: string;
  marks: Marks | null;
  wanted: Wanted | null;
  onKeep: (marks: Marks) => void;
  /** readings in the unit of the wanted character, with half their common 95% interval */
  onUse?: (values: number[], half: number) => void;
  onClose: () => void;
}

const HINTS: Record<Tool | "calibrate", string> = {
  calibrate: "Mark the points of the known object.",
  length: "Mark both ends.",
  path: "Mark points along it. Then choose “Another”.",
  ratio: "Mark the base of the stalk, the base of the blade and the tip of the blade. Then the next leaf.",
  angle: "Mark the end of one arm, the corner, the end of the other arm.",
  area: "Mark points around it. Then choose “Another”.",
  count: "Mark each one.",
};
const THINGS: { name: string; calibration: Calibration | null }[] = [
  { name: "nothing: only ratios, angles and counts, seen straight on", calibration: null },
  {
    name: "a card of the size of a bank card, by its corners",
    calibration: { kind: "corners", points: [], widthMm: 85.6, heightMm: 54 },
  },
  { name: "a sheet of A5, by its corners", calibration: { kind: "corners", points: [], widthMm: 210, heightMm: 148 } },
  {
    name: "another rectangle, by its corners",
    calibration: { kind: "corners", points: [], widthMm: 100, heightMm: 100 },
  },
  { name: "a known length, seen straight on", calibration: { kind: "length", points: [], mm: 50 } },
];

const inWords = ({ value, half, unit }: Measured) =>
  unit === "" ? `${value}` : `${Number(value.toPrecision(3))} ± ${Number(half.toPrecision(2))} ${unit}`;
const thingOf = (c: Calibration | null) =>
  !c ? 0 : c.kind === "length" ? 4 : c.widthMm === 85.6 ? 1 : c.widthMm === 210 ? 2 : 3;

function tryMeasure(marks: Marks, mark: Mark): Measured | string {
  try {
    return measure(marks, mark);
  } catch (error) {
    return (error as { wanted?: string }).wanted ?? "cannot be measured";
  }
}

/** Measures on a photograph: calibrate, mark, read. Everything can be undone, and moved by a pixel with the arrows. */
export function MeasureSheet({ src, marks, wanted, onKeep, onUse, onClose }: Props) {
  const [sheet, setSheet] = useState<Sheet | null>(null);
  const [fault, setFault] = useState(false);
  useEffect(() => {
    const image = new Image();
    image.onload = () => {
      const now = marks ? resized(marks, image.naturalWidth) : emptyMarks(image.naturalWidth, image.naturalHeight);
      setSheet(openSheet(now, wanted?.tool ?? "length"));
    };
    image.onerror = () => setFault(true);
    image.src = src;
  }, [src, marks, wanted]);
  /** What was marked is kept, however the sheet is left. */
  const leave = () => {
    if (sheet && sheet.past.length > 0) onKeep({ ...sheet.now, marks: sheet.now.marks.filter(isWhole) });
    onClose();
  };
  return (
    <Dialog.Root open onOpenChange={(open) => !open && leave()}>
      <Dialog.Portal>
        <Dialog.Content
          className="fixed inset-0 z-50 bg-[var(--sheet)] overflow-auto"
          aria-describedby={undefined}
          onOpenAutoFocus={(e) => e.preventDefault()}
          onEscapeKeyDown={(e) => e.preventDefault()}
        >
          <div className="flex items-center gap-3 px-4 md:px-6 border-b border-[var(--line)] bg-[var(--paper)] min-h-[52px]">
            <Dialog.Title className="slab text-[20px]">
              Measure on the picture{wanted ? `: ${wanted.name.toLowerCase()}` : ""}
            </Dialog.Title>
            <Dialog.Close className="button ml-auto">Close</Dialog.Close>
          </div>
          {fault ? (
            <p className="p-6 fault" role="alert">
              This file is not a picture that can be shown.
            </p>
          ) : sheet ? (
            <Work src={src} sheet={sheet} setSheet={setSheet} wanted={wanted} onKeep={onKeep} onUse={onUse} />
          ) : (
            <p className="p-6" role="status">
              Opening the picture …
            </p>
          )}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

function Work({
  src,
  sheet,
  setSheet,
  wanted,
  onKeep,
  onUse,
}: {
  src: string;
  sheet: Sheet;
  setSheet: (act: (s: Sheet | null) => Sheet | null) => void;
  wanted: Wanted | null;
  onKeep: Props["onKeep"];
  onUse: Props["onUse"];
}) {
  const act = (change: (s: Sheet) => Sheet) => setSheet((s) => s && change(s));
  const { now, tool } = sheet;
  const whole = now.marks.filter(isWhole);
  const results = whole.map((mark) => ({ mark, got: tryMeasure(now, mark) }));
  const readings = wanted
    ? results
        .flatMap(({ got }) => (typeof got === "string" ? [] : [{ value: readingFor(wanted, got), got }]))
        .filter((r): r is { value: number; got: Measured } => r.value !== null)
    : [];
  const use = () => {
    onKeep({ ...now, marks: whole });
    const halves = readings.map((r) => (r.got.value === 0 ? 0 : (r.got.half * r.value) / r.got.value));
    onUse?.(
      readings.map((r) => r.value),
      Math.sqrt(halves.reduce((sum, h) => sum + h * h, 0)) / Math.max(1, readings.length),
    );
  };
  return (
    <div className="lg:grid lg:grid-cols-[minmax(0,1fr)_340px]">
      <MeasureCanvas src={src} sheet={sheet} act={act} />
      <div className="px-4 py-3 lg:border-l border-[var(--line)]">
        <CalibrationPart sheet={sheet} act={act} />
        <h2 className="ruled mt-4">2 Measure</h2>
        <div className="flex flex-wrap gap-2 mt-2" role="group" aria-label="What to measure">
          {(Object.keys(TOOL_WORDS) as Tool[]).map((t) => (
            <button
              key={t}
              type="button"
              aria-pressed={tool === t}
              className={`button !py-1 ${tool === t ? "press" : ""}`}
              onClick={() => act((s) => setTool(s, t))}
            >
              {TOOL_WORDS[t]}
            </button>
          ))}
        </div>
        <p className="small mt-2">{HINTS[tool]}</p>
        <p className="flex flex-wrap gap-2 mt-2">
          <Button className="!py-1" disabled={sheet.past.length === 0} onClick={() => act(undo)}>
            ↶ Undo
          </Button>
          {tool !== "calibrate" && POINTS[tool][1] > 3 ? (
            <Button className="!py-1" onClick={() => act((s) => beginAnother(s, uuidv7()))}>
              Another
            </Button>
          ) : null}
          {sheet.held ? (
            <Button className="!py-1" onClick={() => act((s) => (s.held ? removePoint(s, s.held) : s))}>
              Remove the point
            </Button>
          ) : null}
        </p>
        <h2 className="ruled mt-4">
          3 Read<span className="small">± is half the 95% interval</span>
        </h2>
        <ul aria-live="polite">
          {results.map(({ mark, got }) => (
            <li key={mark.id} className="row flex items-center gap-2">
              <span className="flex-1">{TOOL_WORDS[mark.tool]}</span>
              <span className={typeof got === "string" ? "fault" : "figure"}>
                {typeof got === "string" ? got : inWords(got)}
              </span>
              <button
                type="button"
                className="min-h-[44px] min-w-[44px]"
                aria-label={`Remove ${TOOL_WORDS[mark.tool]}`}
                onClick={() => act((s) => removeMark(s, mark.id))}
              >
                ×
              </button>
            </li>
          ))}
          {results.length === 0 ? <li className="small py-2">Nothing is measured yet.</li> : null}
        </ul>
        {!now.calibration && results.some(({ mark }) => ["length", "path", "area"].includes(mark.tool)) ? (
          <p className="small">Lengths stay in pixels until the picture is calibrated.</p>
        ) : null}
        <p className="flex flex-wrap gap-2 mt-3">
          {wanted && onUse ? (
            <Button look="press" disabled={readings.length === 0} onClick={use}>
              {readings.length > 1 ? `Use these ${readings.length} readings` : "Use this reading"}
            </Button>
          ) : null}
          <Button onClick={() => onKeep({ ...now, marks: whole })}>Save the marks</Button>
        </p>
        <p className="small mt-3">
          Arrow keys move the selected point by one pixel, with Shift by ten. Delete removes it. U undoes. + and − zoom.
        </p>
      </div>
    </div>
  );
}

/** What of the known object is still to be marked. */
function Missing({
  sheet,
  act,
  calibration,
  missing,
}: {
  sheet: Sheet;
  act: (change: (s: Sheet) => Sheet) => void;
  calibration: Calibration;
  missing: number;
}) {
  const { length } = calibration.points;
  const next = calibration.kind === "corners" ? CORNER_NAMES[length] : length === 0 ? "one end" : "other end";
  const marking = sheet.tool === "calibrate";
  return (
    <p className="small mt-2">
      {missing === 0 ? "Calibrated." : marking ? `Mark its ${next}.` : `${missing} points are missing.`}{" "}
      {!marking && missing > 0 ? (
        <Button look="plain" onClick={() => act((s) => setTool(s, "calibrate"))}>
          Mark them
        </Button>
      ) : null}
    </p>
  );
}

function CalibrationPart({ sheet, act }: { sheet: Sheet; act: (change: (s: Sheet) => Sheet) => void }) {
  const { calibration } = sheet.now;
  const missing = calibrationPoints(calibration) - (calibration?.points.length ?? 0);
  const size = (change: Partial<Record<"widthMm" | "heightMm" | "mm", number>>) =>
    calibration && act((s) => setSize(s, { ...calibration, ...change } as Calibration));
  const number = (text: string) => Math.max(0.1, Number(text.replace(",", ".")) || 0.1);
  return (
    <>
      <h2 className="ruled">1 Known object in the picture</h2>
      <div className="field mt-1">
        <select
          aria-label="Known object"
          value={thingOf(calibration)}
          onChange={(e) => act((s) => setCalibration(s, itemAt(THINGS, Number(e.target.value)).calibration))}
        >
          {THINGS.map((t, i) => (
            <option key={t.name} value={i}>
              {t.name}
            </option>
          ))}
        </select>
      </div>
      {calibration?.kind === "corners" ? (
        <div className="grid grid-cols-2 gap-3 mt-2">
          <label className="field">
            <span className="label">Width, mm</span>
            <input
              inputMode="decimal"
              defaultValue={calibration.widthMm}
              onChange={(e) => size({ widthMm: number(e.target.value) })}
            />
          </label>
          <label className="field">
            <span className="label">Height, mm</span>
            <input
              inputMode="decimal"
              defaultValue={calibration.heightMm}
              onChange={(e) => size({ heightMm: number(e.target.value) })}
            />
          </label>
        </div>
      ) : null}
      {calibration?.kind === "length" ? (
        <label className="field mt-2">
          <span className="label">Length, mm</span>
          <input
            inputMode="decimal"
            defaultValue={calibration.mm}
            onChange={(e) => size({ mm: number(e.target.value) })}
          />
        </label>
      ) : null}
      {calibration ? <Missing sheet={sheet} act={act} calibration={calibration} missing={missing} /> : null}
    </>
  );
}
