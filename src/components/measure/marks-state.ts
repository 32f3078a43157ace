import { type Calibration, type Mark, type Marks, type Point, POINTS, type Tool } from "@/core/measure";

/** Where the next point goes, or which point is held: of the calibration or of a mark. */
export interface At {
  of: "calibration" | string;
  index: number;
}

/** What is on the sheet, with everything before it, so that each step can be undone. */
export interface Sheet {
  now: Marks;
  past: Marks[];
  /** the point that is held: arrows move it */
  held: At | null;
  tool: Tool | "calibrate";
}

export const CORNERS = 4;
const MOST_UNDONE = 100;

/** A person points at a photograph about this well: a six-hundredth of its width, or one pixel. */
export const emptyMarks = (widthPx: number, heightPx: number): Marks => ({
  widthPx,
  heightPx,
  calibration: null,
  marks: [],
  pointingPx: Math.max(1, widthPx / 1600),
});

export const openSheet = (now: Marks, tool: Sheet["tool"]): Sheet => ({ now, past: [], held: null, tool });

const next = (sheet: Sheet, now: Marks, held: At | null = sheet.held): Sheet => ({
  ...sheet,
  now,
  past: [...sheet.past, sheet.now].slice(-MOST_UNDONE),
  held,
});

export function undo(sheet: Sheet): Sheet {
  const before = sheet.past.at(-1);
  return before ? { ...sheet, now: before, past: sheet.past.slice(0, -1), held: null } : sheet;
}

export const calibrationPoints = (calibration: Calibration | null): number =>
  calibration?.kind === "corners" ? CORNERS : calibration ? 2 : 0;

export const isWhole = (mark: Mark): boolean => mark.points.length >= POINTS[mark.tool][0];

/** A point is set: into the calibration while that is being marked, else into the mark that is not full, else into a new one. */
export function setPoint(sheet: Sheet, point: Point, newId: string): Sheet {
  const { now, tool } = sheet;
  if (tool === "calibrate") {
    const { calibration } = now;
    if (!calibration || calibration.points.length >= calibrationPoints(calibration)) return sheet;
    const points = [...calibration.points, point];
    return next(
      sheet,
      { ...now, calibration: { ...calibration, points } },
      { of: "calibration", index: points.length - 1 },
    );
  }
  const last = now.marks.at(-1);
  const open = last?.tool === tool && last.points.length < POINTS[tool][1] ? last : null;
  if (open)
    return next(
      sheet,
      { ...now, marks: now.marks.map((m) => (m === open ? { ...m, points: [...m.points, point] } : m)) },
      { of: open.id, index: open.points.length },
    );
  return next(sheet, { ...now, marks: [...now.marks, { id: newId, tool, points: [point] }] }, { of: newId, index: 0 });
}

/** A mark with as many points as one likes (path, area, count) is closed: the next point begins another. */
export function beginAnother(sheet: Sheet, newId: string): Sheet {
  if (sheet.tool === "calibrate") return sheet;
  const last = sheet.now.marks.at(-1);
  if (!last || last.points.length === 0) return sheet;
  return next(sheet, { ...sheet.now, marks: [...sheet.now.marks, { id: newId, tool: sheet.tool, points: [] }] }, null);
}

export const pointAt = ({ now }: Sheet, at: At): Point | undefined =>
  at.of === "calibration" ? now.calibration?.points[at.index] : now.marks.find((m) => m.id === at.of)?.points[at.index];

const placed = (points: Point[], index: number, point: Point) => points.map((p, i) => (i === index ? point : p));

/** Moves a point. While it is dragged only the first step is kept for undoing. */
export function movePoint(sheet: Sheet, at: At, point: Point, dragging = false): Sheet {
  const { now } = sheet;
  const moved: Marks =
    at.of === "calibration"
      ? {
          ...now,
          calibration: now.calibration && {
            ...now.calibration,
            points: placed(now.calibration.points, at.index, point),
          },
        }
      : {
          ...now,
          marks: now.marks.map((m) => (m.id === at.of ? { ...m, points: placed(m.points, at.index, point) } : m)),
        };
  return dragging ? { ...sheet, now: moved, held: at } : next(sheet, moved, at);
}

/** Takes the held point away; a mark without points goes with it. */
export function removePoint(sheet: Sheet, at: At): Sheet {
  const { now } = sheet;
  const without = (points: Point[]) => points.filter((_, i) => i !== at.index);
  if (at.of === "calibration")
    return next(
      sheet,
      { ...now, calibration: now.calibration && { ...now.calibration, points: without(now.calibration.points) } },
      null,
    );
  return next(
    sheet,
    {
      ...now,
      marks: now.marks
        .map((m) => (m.id === at.of ? { ...m, points: without(m.points) } : m))
        .filter((m) => m.points.length > 0),
    },
    null,
  );
}

export const removeMark = (sheet: Sheet, id: string): Sheet =>
  next(sheet, { ...sheet.now, marks: sheet.now.marks.filter((m) => m.id !== id) }, null);

/** Another way to calibrate begins with no points. */
export const setCalibration = (sheet: Sheet, calibration: Calibration | null): Sheet => ({
  ...next(sheet, { ...sheet.now, calibration }, null),
  tool: calibration ? "calibrate" : sheet.tool,
});

/** Another size of the same thing keeps its points. */
export const setSize = (sheet: Sheet, calibration: Calibration): Sheet =>
  next(sheet, { ...sheet.now, calibration }, sheet.held);

export const setTool = (sheet: Sheet, tool: Sheet["tool"]): Sheet => ({
  ...sheet,
  tool,
  held: null,
  now: { ...sheet.now, marks: sheet.now.marks.filter((m) => m.points.length > 0) },
});
