import PDFDocument from "pdfkit";
import type { Panel } from "./plate";
import { HEIGHT, type Shape, WIDTH } from "./shapes";
import { INK, lineWidth, TINTS } from "./svg";

/** A4, points; the field of one drawing on the page. */
const MARGIN = 42;
const COLUMNS = 3;
const CELL = { width: 164, height: 164 };
const SCALE = (CELL.width - 14) / WIDTH;

/**
 * A plate as a page for print: vector, A4, a new page where the parts do not fit on one.
 * @param heading name, status and stage, one line each
 * @param foot what the page does not say, and above what it does not stand
 */
export function plateToPdf(heading: string[], panels: Panel[], foot: string): Promise<Buffer> {
  const page = new PDFDocument({ size: "A4", margin: MARGIN, info: { Title: heading[0] } });
  const chunks: Buffer[] = [];
  const done = new Promise<Buffer>((resolve, reject) => {
    page.on("data", (chunk: Buffer) => chunks.push(chunk));
    page.on("end", () => resolve(Buffer.concat(chunks)));
    page.on("error", reject);
  });
  page.fillColor(INK).font("Helvetica-Bold").fontSize(20).text(heading[0]);
  page.font("Helvetica").fontSize(11);
  for (const line of heading.slice(1)) page.text(line);
  let top = page.y + 14;
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
    .font("Helvetica")
    .fontSize(8)
    .fillColor("#5a6258")
    .text(foot, MARGIN, page.page.height - MARGIN - 14, { width: page.page.width - 2 * MARGIN, lineBreak: false });
  page.end();
  return done;
}

function drawPanel(page: PDFKit.PDFDocument, panel: Panel, x: number, y: number): void {
  page.save().translate(x, y).scale(SCALE);
  page.lineWidth(0.6).rect(0, 0, WIDTH, HEIGHT).stroke("#cfc8b4");
  if (panel.shapes) for (const shape of panel.shapes) drawShape(page, shape);
  page.restore();
  if (!panel.shapes)
    page
      .font("Helvetica")
      .fontSize(9)
      .fillColor("#5a6258")
      .text("varies or not recorded", x, y + (HEIGHT * SCALE) / 2 - 5, { width: WIDTH * SCALE, align: "center" });
  page
    .font("Helvetica-Bold")
    .fontSize(9.5)
    .fillColor(INK)
    .text(panel.part, x, y + HEIGHT * SCALE + 4, { width: CELL.width });
  page.font("Helvetica").fontSize(8.5).fillColor("#5a6258").text(panel.measures, { width: CELL.width });
}

function drawShape(page: PDFKit.PDFDocument, shape: Shape): void {
  const width = lineWidth(shape);
  page
    .path(shape.d)
    .lineCap("round")
    .lineJoin("round")
    .lineWidth(width || 0.1);
  if (shape.dash) page.dash(3, { space: 3 });
  else page.undash();
  if (shape.tint && shape.ink) page.fillAndStroke(TINTS[shape.tint], INK);
  else if (shape.tint) page.fill(TINTS[shape.tint]);
  else page.stroke(INK);
}
