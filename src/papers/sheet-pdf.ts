import { INK } from "@/drawings/ink/svg";
import { BOLD, newPage, REGULAR, SOFT } from "./page";

/** What stands on a sheet of paper, in the order in which it is read. */
export interface Sheet {
  size: "A4" | "A5";
  title: string;
  /** under the title, one line each */
  about: string[];
  parts: Part[];
  /** what the sheet stands under, at the foot of each page */
  foot: string;
}

export interface Part {
  heading: string;
  /** a tank drawn to scale beside the lines, as a share of what it takes */
  tankShare?: number;
  /** what a line is about, and what it says; the words alone where the first is empty */
  lines: [about: string, says: string][];
  /** set in bold, with a rule before it: what can hurt */
  grave?: boolean;
}

/** Points. */
const MARGIN = { A4: 48, A5: 32 };
const FOOT = 26;
const TANK = { width: 34, height: 56 };

/** A sheet as a PDF; a new page where a part does not fit on one. */
export function sheetToPdf(sheet: Sheet): Promise<Buffer> {
  const margin = MARGIN[sheet.size];
  const { page, finish } = newPage(sheet.size, margin, sheet.title);
  const small = sheet.size === "A5";
  page.on("pageAdded", () => footOf(page, sheet, margin));
  footOf(page, sheet, margin);
  page
    .fillColor(INK)
    .font(BOLD)
    .fontSize(small ? 17 : 20)
    .text(sheet.title);
  page.font(REGULAR).fontSize(10).fillColor(SOFT);
  for (const line of sheet.about) page.text(line);
  for (const part of sheet.parts) drawPart(page, part, margin, small ? 11 : 10.5);
  return finish();
}

/** The foot is written where the page ends; the place to write on is then what it was. */
function footOf(page: PDFKit.PDFDocument, { foot }: Sheet, margin: number): void {
  const at = { x: page.x, y: page.y };
  page.font(REGULAR).fontSize(8).fillColor(SOFT);
  const bottom = page.page.margins.bottom;
  page.page.margins.bottom = 0;
  page.text(foot, margin, page.page.height - margin - 8, { width: page.page.width - 2 * margin, height: 22 });
  page.page.margins.bottom = bottom + FOOT;
  page.x = at.x;
  page.y = at.y;
}

function drawPart(page: PDFKit.PDFDocument, part: Part, margin: number, size: number): void {
  const inset = part.tankShare === undefined ? 0 : TANK.width + 14;
  const width = page.page.width - 2 * margin;
  const bottom = page.page.height - page.page.margins.bottom;
  if (page.y + (inset ? TANK.height + 24 : 44) > bottom) page.addPage();
  page.y += 8;
  page
    .moveTo(margin, page.y)
    .lineTo(margin + width, page.y)
    .lineWidth(part.grave ? 1.6 : 0.5)
    .stroke(INK);
  page.y += 5;
  const top = page.y;
  if (part.tankShare !== undefined) drawTank(page, margin, top + 2, part.tankShare);
  const x = margin + inset;
  page
    .font(BOLD)
    .fontSize(size + 1.5)
    .fillColor(INK)
    .text(part.heading, x, top, { width: width - inset });
  for (const [about, says] of part.lines) {
    page.font(part.grave ? BOLD : REGULAR).fontSize(size);
    if (about) page.fillColor(SOFT).text(`${about}  `, x, page.y, { width: width - inset, continued: true });
    page.font(about || part.grave ? BOLD : REGULAR).fillColor(INK);
    if (about) page.text(says);
    else page.text(says, x, page.y, { width: width - inset });
  }
  if (inset) page.y = Math.max(page.y, top + TANK.height + 6);
  page.x = margin;
}

function drawTank(page: PDFKit.PDFDocument, x: number, y: number, share: number): void {
  const filled = TANK.height * Math.min(1, Math.max(0, share));
  page.rect(x, y + TANK.height - filled, TANK.width, filled).fill("#d8e6e8");
  page.roundedRect(x, y, TANK.width, TANK.height, 3).lineWidth(1.2).stroke(INK);
  page.rect(x + TANK.width / 2 - 5, y - 4, 10, 4).stroke(INK);
  for (const quarter of [0.25, 0.5, 0.75])
    page
      .moveTo(x, y + TANK.height * quarter)
      .lineTo(x + 6, y + TANK.height * quarter)
      .lineWidth(0.5)
      .stroke(INK);
}
