import fc from "fast-check";
import { describe, expect, it } from "vitest";
import type { Point } from "@/core/measure";
import {
  beginAnother,
  emptyMarks,
  isWhole,
  movePoint,
  openSheet,
  pointAt,
  removePoint,
  type Sheet,
  setCalibration,
  setPoint,
  setTool,
  undo,
} from "./marks-state";

const start = (tool: Sheet["tool"] = "length") => openSheet(emptyMarks(1600, 1200), tool);
let n = 0;
const put = (sheet: Sheet, ...points: Point[]) => points.reduce((s, p) => setPoint(s, p, `m${n++}`), sheet);
const P: Point = [10, 20];

describe("the sheet on which a photograph is measured", () => {
  it("fills a mark before it begins another", () => {
    const sheet = put(start("ratio"), P, P, P, P);
    expect(sheet.now.marks.map((m) => m.points.length)).toEqual([3, 1]);
    expect(sheet.now.marks.map(isWhole)).toEqual([true, false]);
  });

  it("lets a path grow until another is begun", () => {
    const sheet = put(beginAnother(put(start("path"), P, P, P), "next"), P, P);
    expect(sheet.now.marks.map((m) => m.points.length)).toEqual([3, 2]);
  });

  it("takes four corners and no more", () => {
    const sheet = put(
      setCalibration(start(), { kind: "corners", points: [], widthMm: 85.6, heightMm: 54 }),
      P,
      P,
      P,
      P,
      P,
    );
    expect(sheet.now.calibration?.points).toHaveLength(4);
    expect(sheet.now.marks).toEqual([]);
  });

  it("moves the point that is held, and takes it away", () => {
    const sheet = put(start(), P, [30, 40]);
    const held = sheet.held as NonNullable<Sheet["held"]>;
    expect(pointAt(movePoint(sheet, held, [31, 40]), held)).toEqual([31, 40]);
    expect(removePoint(sheet, held).now.marks[0].points).toEqual([P]);
    expect(removePoint(put(start(), P), { of: `m${n - 1}`, index: 0 }).now.marks).toEqual([]);
  });

  it("undoes any number of steps, back to where it began", () => {
    const step = fc.constantFrom<(s: Sheet) => Sheet>(
      (s) => put(s, P),
      (s) => setCalibration(s, { kind: "length", points: [], mm: 20 }),
      (s) => setTool(s, "angle"),
      (s) => beginAnother(s, `b${n++}`),
      (s) => (s.held ? removePoint(s, s.held) : s),
      (s) => (s.held ? movePoint(s, s.held, [1, 2]) : s),
    );
    fc.assert(
      fc.property(fc.array(step, { maxLength: 20 }), (steps) => {
        let sheet = start();
        for (const act of steps) sheet = act(sheet);
        for (let i = 0; i <= steps.length; i++) sheet = undo(sheet);
        expect(sheet.now.calibration).toBeNull();
        expect(sheet.now.marks).toEqual([]);
      }),
      { seed: 8 },
    );
  });
});
