import type { Stage } from "@/core/flora";
import { type Model, plainName } from "@/core/identify";
import { type Figure, typicalFigure } from "../figure/figure";
import { HEIGHT } from "../ink/shapes";
import { pathsOf, escapeXml, INK } from "../ink/svg";
import type { Panel } from "./panel";
import { plateOf } from "./plate";

/** What stands on the label of a plate; left out where nobody is to know which plant it is. */
interface PlateLabel {
  common: string;
  name: string;
  stage: string;
  /** what it does to people; empty where nothing is recorded */
  caution: string;
}

const SHEET = { width: 1000, height: 640 };

const SCALE = 1.5;

const CELL = { width: 138, height: 142, columns: 3, left: 574, top: 30 };

/** More details than this do not fit on one sheet. */
const MOST_PANELS = 12;

const SOFT = "#5a6258";

/** A line of the label has room for so many. */
const MOST_LETTERS = 48;

/** A whole plant as a free-standing SVG group. */
const figureGroup = (figure: Figure): string =>
  `${pathsOf(figure.shapes)}${figure.words
    .map(
      ({ at: [x, y], text, end }) =>
        `<text x="${x.toFixed(1)}" y="${y.toFixed(1)}" font-size="9" fill="${SOFT}" text-anchor="${end ? "end" : "middle"}">${escapeXml(text)}</text>`,
    )
    .join("")}`;

const monthName = (month: number): string =>
  new Date(Date.UTC(2026, month - 1, 15)).toLocaleString("en-US", { month: "long", timeZone: "UTC" });

/** The plate of a plant at a stage, from its scores. @param isNamed whether its label stands on it */
export function plateSheet(model: Model, taxon: number, stage: Stage, isNamed: boolean): string {
  const { name, hazards, calendar } = model.flora.taxa[taxon];
  const months = (calendar[stage] ?? []).map(([from, to]) => `${monthName(from)} to ${monthName(to)}`).join(", ");
  const label = {
    common: plainName({ model }, taxon),
    name,
    stage: [stage, months].filter(Boolean).join(" · "),
    caution: hazards.people ?? "",
  };
  return plateToSvg(typicalFigure(model, taxon, stage), plateOf(model, taxon, stage), isNamed ? label : null);
}

/** A plate like a herbarium sheet: the whole plant at the left, its details at the right, and the label. */
export function plateToSvg(figure: Figure, panels: Panel[], label: PlateLabel | null): string {
  const shown = panels.filter(({ shapes }) => shapes).slice(0, MOST_PANELS);
  const cells = shown.map(({ part, shapes, measures }, i) => {
    const x = CELL.left + (i % CELL.columns) * CELL.width;
    const y = CELL.top + Math.floor(i / CELL.columns) * CELL.height;
    return `<g transform="translate(${x},${y})">${pathsOf(shapes ?? [])}<text y="${HEIGHT + 13}" font-size="11" font-weight="600" fill="${INK}">${escapeXml(part)}</text><text y="${HEIGHT + 26}" font-size="9" fill="${SOFT}">${escapeXml(measures)}</text></g>`;
  });
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${SHEET.width}" height="${SHEET.height}" viewBox="0 0 ${SHEET.width} ${SHEET.height}" font-family="Atkinson Hyperlegible Next, sans-serif"><rect width="100%" height="100%" fill="#fbf9f2"/><rect x="8" y="8" width="${SHEET.width - 16}" height="${SHEET.height - 16}" fill="none" stroke="#cfc8b4"/><g transform="translate(14,20) scale(${SCALE})">${figureGroup(figure)}</g><path d="M562,30V${SHEET.height - 30}" stroke="#cfc8b4"/>${cells.join("")}${label ? labelBox(label, MOST_LETTERS) : ""}</svg>`;
}

function labelBox({ common, name, stage, caution }: PlateLabel, inset: number): string {
  const [x, y, width, height] = [SHEET.width - 300 - 24, SHEET.height - 116, 300, 92];
  const line = (dy: number, size: number, text: string, style = "") =>
    `<text x="${x + 12}" y="${y + dy}" font-size="${size}" ${style}>${escapeXml(text.length > inset ? `${text.slice(0, inset - 1)}…` : text)}</text>`;
  return `<rect x="${x}" y="${y}" width="${width}" height="${height}" fill="#fffdf6" stroke="${INK}"/>${line(24, 17, common, `font-weight="700" fill="${INK}"`)}${line(43, 12.5, name, `font-style="italic" fill="${INK}"`)}${line(61, 11, stage, `fill="${SOFT}"`)}${line(79, 10.5, caution, `font-weight="700" fill="#a8322a"`)}`;
}
