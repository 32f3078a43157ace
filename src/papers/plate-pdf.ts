import type { Figure } from "@/drawings/figure/figure";
import { FIGURE } from "@/drawings/plant/pen";
import type { Panel } from "@/drawings/plate/panel";
import { HEIGHT, WIDTH } from "@/drawings/ink/shapes";
import { INK } from "@/drawings/ink/svg";
import { BOLD, drawShape, newPage, REGULAR, SOFT } from "./page";

/** A4, points; the field of one drawing on the page. */
const MARGIN = 42;
const COLUMNS = 5;
const CELL = { width: 96, height: 112 };
/** The whole plant above them, at this scale. */
const WHOLE = 0.74;
const SCALE = (CELL.width - 14) / WIDTH;

/**
 * A plate as a page for print: vector, A4, a new page where the parts do not fit on one.
 * @param heading name, status and stage, one line each
 * @param foot what the page does not say, and above what it does not stand
 */
export function plateToPdf(heading: string[], figure: Figure, panels: Panel[], foot: string): Promise<Buffer> {
  const { page, finish } = newPage("A4", MARGIN, heading[0] ?? "");
  page
    .fillColor(INK)
    .font(BOLD)
    .fontSize(20)
    .text(heading[0] ?? "");
  page.font(REGULAR).fontSize(11);
  for (const line of heading.slice(1)) page.text(line);
  let top = page.y + 10;
  drawFigure(page, figure, MARGIN + (page.page.width - 2 * MARGIN - WHOLE * FIGURE.width) / 2, top);
  top += WHOLE * FIGURE.height + 12;
  panels.forEach((panel, i) => {
    const column = i % COLUMNS;
    if (column === 0 && i > 0) top += CELL.height;
    if (column === 0 && top + CELL.height > page.page.height - MARGIN - 24) {
      page.addPage();
      top = MARGIN;
    }
    drawPanel(page, panel, MARGIN + column * (CELL.width + 8), top);
  });
  page
    .font(REGULAR)
    .fontSize(8)
    .fillColor(SOFT)
    .text(foot, MARGIN, page.page.height - MARGIN - 14, { width: page.page.width - 2 * MARGIN, lineBreak: false });
  return finish();
}

function drawFigure(page: PDFKit.PDFDocument, figure: Figure, x: number, y: number): void {
  page.save().translate(x, y).scale(WHOLE);
  for (const shape of figure.shapes) drawShape(page, shape);
  page.restore();
  page.undash().font(REGULAR).fontSize(7).fillColor(SOFT);
  for (const { at, text, end } of figure.words) {
    const left = x + WHOLE * at[0] - (end ? WORDS : WORDS / 2);
    page.text(text, left, y + WHOLE * at[1] - 7, { width: WORDS, align: end ? "right" : "center", lineBreak: false });
  }
}
/** Room for words of the figure, points. */
const WORDS = 120;

function drawPanel(page: PDFKit.PDFDocument, panel: Panel, x: number, y: number): void {
  page.save().translate(x, y).scale(SCALE);
  page.lineWidth(0.6).rect(0, 0, WIDTH, HEIGHT).stroke("#cfc8b4");
  if (panel.shapes) for (const shape of panel.shapes) drawShape(page, shape);
  page.restore();
  if (!panel.shapes)
    page
      .font(REGULAR)
      .fontSize(9)
      .fillColor(SOFT)
      .text("varies or not recorded", x, y + (HEIGHT * SCALE) / 2 - 5, { width: WIDTH * SCALE, align: "center" });
  page
    .font(BOLD)
    .fontSize(9.5)
    .fillColor(INK)
    .text(panel.part, x, y + HEIGHT * SCALE + 4, { width: CELL.width });
  page.font(REGULAR).fontSize(8.5).fillColor(SOFT).text(panel.measures, { width: CELL.width });
}
