"use client";
import { useMemo, useState } from "react";
import { type Mark, type Marks, measure, type Point } from "@/core/measure";
import { FIGURE } from "@/drawings/plant/pen";
import type { Shape } from "@/drawings/ink/shapes";
import { pathsOf } from "@/drawings/ink/svg";
import { MeasureCanvas } from "../measure/measure-canvas";
import { emptyMarks, openSheet, type Sheet } from "../measure/marks-state";
import { Button } from "../ui/button";

const SCALE = 3;
/** A fallen leaf points any way. */
const MOST_TURN = 28;

const HOW: Record<string, string> = {
  "stalk-ratio":
    "Move the three points: the foot of the stalk, the foot of the blade, the tip of the blade. The tool divides stalk by blade.",
  "leaf-ratio":
    "Move the points of the first line to the foot and the tip of the blade, those of the second to its widest part.",
  "notch-angle": "Move the points: one on each edge of the notch, and the corner between them to its deepest point.",
};
const UNIT: Record<string, string> = { "notch-angle": "°" };

/** Where the points stand before they are moved, in the field of the figure. */
const START: Record<string, { tool: Mark["tool"]; points: Point[] }[]> = {
  "stalk-ratio": [
    {
      tool: "ratio",
      points: [
        [60, 340],
        [60, 240],
        [60, 140],
      ],
    },
  ],
  "notch-angle": [
    {
      tool: "angle",
      points: [
        [40, 60],
        [80, 120],
        [120, 60],
      ],
    },
  ],
  "leaf-ratio": [
    {
      tool: "length",
      points: [
        [40, 300],
        [40, 160],
      ],
    },
    {
      tool: "length",
      points: [
        [80, 360],
        [180, 360],
      ],
    },
  ],
};

/** A leaf of this very plant, as it lay, to be measured with the tool of the Bench. */
export function MeasureLeaf({
  character,
  shapes,
  seed,
  isAnswered,
  onAnswer,
}: {
  character: string;
  shapes: Shape[];
  seed: number;
  isAnswered: boolean;
  onAnswer: (value: number) => void;
}) {
  const src = useMemo(() => pictureOf(shapes, (Math.abs(seed) % (2 * MOST_TURN + 1)) - MOST_TURN), [shapes, seed]);
  const [sheet, setSheet] = useState(() => startingSheet(character));
  const reading = readingOf(character, sheet.now);
  return (
    <div className="mt-3">
      <p>{HOW[character]}</p>
      <div className="max-w-[420px] mt-2 border border-[var(--rule)]">
        <MeasureCanvas src={src} sheet={sheet} act={(change) => setSheet((s) => onlyOwn(change(s), s))} />
      </div>
      <p className="mt-2 flex flex-wrap gap-3 items-center">
        <Button
          look="press"
          disabled={isAnswered || sheet.past.length === 0 || reading === null}
          data-answer={1}
          onClick={() => reading !== null && onAnswer(reading)}
        >
          Answer {reading === null ? "" : `${Number(reading.toPrecision(3))}${UNIT[character] ?? ""}`}
        </Button>
        <span className="small max-md:hidden">
          Tab reaches each point, and the arrow keys move it. Shift moves it by ten.
        </span>
      </p>
    </div>
  );
}

function startingSheet(character: string): Sheet {
  const marks = (START[character] ?? []).map(({ tool, points }, i) => ({
    id: `mark-${i}`,
    tool,
    points: points.map(([x, y]): Point => [x * SCALE, y * SCALE]),
  }));
  const now = { ...emptyMarks(FIGURE.width * SCALE, FIGURE.height * SCALE), marks };
  return openSheet(now, marks[0]?.tool ?? "length");
}

/** A tap beside the points makes no further mark here. */
const onlyOwn = (next: Sheet, before: Sheet): Sheet =>
  next.now.marks.length === before.now.marks.length &&
  next.now.marks.every((mark, i) => mark.points.length === before.now.marks[i]?.points.length)
    ? next
    : before;

function readingOf(character: string, now: Marks): number | null {
  try {
    const [first, second] = now.marks.map((mark) => measure(now, mark).value);
    if (first === undefined) return null;
    if (character !== "leaf-ratio") return first;
    return second ? first / second : null;
  } catch {
    return null;
  }
}

function pictureOf(shapes: Shape[], turn: number): string {
  const { width, height } = FIGURE;
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="${width * SCALE}" height="${height * SCALE}" viewBox="0 0 ${width} ${height}"><rect width="100%" height="100%" fill="#efe9da"/><g transform="rotate(${turn} ${width / 2} ${height / 2})">${pathsOf(shapes)}</g></svg>`;
  return `data:image/svg+xml,${encodeURIComponent(svg)}`;
}
