import { join } from "node:path";
import PDFDocument from "pdfkit";
import type { Shape } from "@/drawings/ink/shapes";
import { INK, lineWidth, TINTS } from "@/drawings/ink/svg";

/** The faces of a printed page. They have every letter of the Latin alphabets, and signs such as “≥”. */
export const REGULAR = "regular";
export const BOLD = "bold";
export const SOFT = "#5a6258";

const FONTS = join(process.cwd(), "node_modules/@expo-google-fonts/atkinson-hyperlegible-next");

/**
 * A new document with the program's own fonts in it.
 * @param margin points
 * @returns the first page, and what ends the document and gives its bytes
 */
export function newPage(
  size: "A4" | "A5",
  margin: number,
  title: string,
): { page: PDFKit.PDFDocument; finish: () => Promise<Buffer> } {
  const page = new PDFDocument({ size, margin, info: { Title: title } });
  page.registerFont(REGULAR, join(FONTS, "400Regular/AtkinsonHyperlegibleNext_400Regular.ttf"));
  page.registerFont(BOLD, join(FONTS, "700Bold/AtkinsonHyperlegibleNext_700Bold.ttf"));
  const chunks: Buffer[] = [];
  const done = new Promise<Buffer>((resolve, reject) => {
    page.on("data", (chunk: Buffer) => chunks.push(chunk));
    page.on("end", () => resolve(Buffer.concat(chunks)));
    page.on("error", reject);
  });
  return {
    page,
    finish: () => {
      page.end();
      return done;
    },
  };
}

/** Draws a shape where the page stands. */
export function drawShape(page: PDFKit.PDFDocument, shape: Shape): void {
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
