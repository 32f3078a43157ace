import type { ClueQuestion, CollarQuestion } from "@/core/drill";
import type { Model } from "@/core/identify";
import { afterwardsOf } from "@/drawings/question/afterwards";
import type { DrawnClue } from "@/drawings/question/clue";
import { sceneOf } from "@/drawings/question/scene";
import { HEIGHT, WIDTH } from "@/drawings/ink/shapes";
import { INK } from "@/drawings/ink/svg";
import { BOLD, drawShape, newPage, REGULAR, SOFT } from "./page";

/** A question on paper. */
interface PrintedQuestion {
  stage: string;
  clues: DrawnClue[];
  options: { id: string; plain: string; latin: string }[];
  /** id of the right one, and what decides, for the key */
  right: string;
  deciding: string;
}

/** A4, points. */
const MARGIN = 42;
const COLUMNS = 5;
const CELL = 100;
const SCALE = (CELL - 8) / WIDTH;
const PANEL = HEIGHT * SCALE + 26;
/** Room for the answers under the drawings. */
const ANSWERS = 46;

/**
 * A quiz as a PDF: the questions with their drawings, and a key on a page of its own.
 * @param stageWords how a plant stands at a stage, within a sentence
 */
export function quizToPdf(
  name: string,
  model: Model,
  asked: (ClueQuestion | CollarQuestion)[],
  stageWords: Record<string, string>,
): Promise<Buffer> {
  const questions = asked.map((question) => printed(model, question, stageWords[question.stage] ?? ""));
  const { page, finish } = newPage("A4", MARGIN, name);
  page.fillColor(INK).font(BOLD).fontSize(20).text(`Quiz: ${name}`);
  page
    .font(REGULAR)
    .fontSize(10)
    .fillColor(SOFT)
    .text("Name: ______________________   Date: ______________   Mark one name for each plant.");
  let top = page.y + 12;
  questions.forEach((question, i) => {
    const height = 18 + Math.ceil(question.clues.length / COLUMNS) * PANEL + ANSWERS;
    if (top + height > page.page.height - MARGIN) {
      page.addPage();
      top = MARGIN;
    }
    drawQuestion(page, question, i + 1, top);
    top += height;
  });
  page.addPage();
  drawKey(page, name, questions);
  return finish();
}

function printed(model: Model, question: ClueQuestion | CollarQuestion, stage: string): PrintedQuestion {
  const { clues, options } = sceneOf(model, question);
  const { other, deciding, misleading } = afterwardsOf(model, question, {
    kind: "plant",
    taxon: question.taxon,
    clues: 1,
  });
  const [first] = deciding;
  return {
    ...{ stage, clues, options, right: question.taxon },
    deciding: [
      first && other ? `${first.check}: ${first.words[0]} (${other.plain}: ${first.words[1]}).` : "",
      misleading ? `One clue was misleading. ${misleading}` : "",
    ]
      .filter(Boolean)
      .join(" "),
  };
}

function drawQuestion(page: PDFKit.PDFDocument, question: PrintedQuestion, number: number, top: number): void {
  page.font(BOLD).fontSize(11).fillColor(INK).text(`${number}. A plant ${question.stage}`, MARGIN, top);
  question.clues.forEach((clue, i) => {
    drawClue(page, clue, MARGIN + (i % COLUMNS) * (CELL + 2), top + 18 + Math.floor(i / COLUMNS) * PANEL);
  });
  const below = top + 18 + Math.ceil(question.clues.length / COLUMNS) * PANEL;
  question.options.forEach(({ plain, latin }, i) => {
    const [x, y] = [MARGIN + (i % 2) * 256, below + Math.floor(i / 2) * 18];
    page.lineWidth(0.8).rect(x, y, 10, 10).stroke(INK);
    page
      .font(REGULAR)
      .fontSize(10)
      .fillColor(INK)
      .text(`${plain} (${latin})`, x + 16, y - 1, { width: 236, lineBreak: false });
  });
}

function drawClue(page: PDFKit.PDFDocument, { title, words, shapes }: DrawnClue, x: number, y: number): void {
  page.save().translate(x, y).scale(SCALE);
  page.lineWidth(0.6).rect(0, 0, WIDTH, HEIGHT).stroke("#cfc8b4");
  for (const shape of shapes ?? []) drawShape(page, shape);
  page.restore();
  const at = y + HEIGHT * SCALE + 2;
  page
    .font(REGULAR)
    .fontSize(6.5)
    .fillColor(SOFT)
    .text(title, x, at, { width: CELL - 8, height: 8, ellipsis: true });
  page
    .font(BOLD)
    .fontSize(7.5)
    .fillColor(INK)
    .text(words, x, at + 8, { width: CELL - 8, height: 18, ellipsis: true });
}

function drawKey(page: PDFKit.PDFDocument, name: string, questions: PrintedQuestion[]): void {
  page.font(BOLD).fontSize(16).fillColor(INK).text(`Key: ${name}`, MARGIN, MARGIN);
  page.moveDown(0.5);
  questions.forEach(({ options, right, deciding }, i) => {
    const found = options.find(({ id }) => id === right);
    page
      .font(BOLD)
      .fontSize(10.5)
      .text(`${i + 1}. ${found?.plain ?? right}`, { continued: true });
    page.font(REGULAR).text(`  ${found?.latin ?? ""}`);
    page.font(REGULAR).fontSize(9.5).fillColor(SOFT).text(deciding).fillColor(INK);
    page.moveDown(0.3);
  });
}
