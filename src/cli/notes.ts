import { existsSync, readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { isTarget } from "@/core/flora";
import {
  buildModel,
  caseAt,
  decide,
  type Identification,
  identify,
  judge,
  type Model,
  type VerdictResult,
} from "@/core/identify";
import { looksSuffice } from "@/core/trials";
import { currentFlora, FLORA_ROOT, loadList } from "@/flora/load";
import { type FieldNote, readNotes } from "@/flora/read-notes";
import { printJson, run } from "./output";

interface Figures {
  named: number;
  top1: number;
  top3: number;
  wronglyCleared: number;
  clearable: number;
  cleared: number;
  /** of the clearable, those whose looks could lead to Clear at all, and how many of these were cleared; first runs were counted without */
  looksSuffice?: number;
  looksSufficeCleared?: number;
  unknownNamed: number;
  /** of notes that are split: pieces, and those of which something could be entered */
  pieces?: number;
  piecesEntered?: number;
  /** of the clearable, those on which a specialist would act, and how many of these were cleared */
  actable?: number;
  actableCleared?: number;
}

/** What keeps a note from being cleared on which a specialist would act. */
const OBSTACLES = [
  "not recorded of a kept plant",
  "a twin not in the flora",
  "an unknown plant",
  "one kind of check",
  "another",
] as const;
type Obstacle = (typeof OBSTACLES)[number];

/** What each lot of notes gave when it was first scored: written once, never again. */
const FIRST_RUN = join(FLORA_ROOT, "notes", "first-run.json");
type FirstRuns = Record<string, Figures & { day: string }>;

run(() => {
  const model = buildModel(currentFlora());
  const list = loadList("otter-valley");
  const results = readNotes().map((note) => answer(model, list, note));
  const lots = [...new Set(results.map((r) => r.note.lot))].map((lot) => ({
    lot,
    now: figures(results.filter((r) => r.note.lot === lot)),
  }));
  const firstRuns = keepFirstRuns(lots);
  const misses = results
    .filter((r) => r.note.truth && r.rank !== 1)
    .map((r) => ({
      id: r.note.id,
      truth: r.note.truth,
      got: r.got,
      rank: r.rank,
      sealed: r.note.sealed,
      verdict: r.verdict,
    }));
  printJson({
    notes: results.length,
    firstRun: together(lots.map((l) => firstRuns[l.lot])),
    now: figures(results),
    sealed: figures(results.filter((r) => r.note.sealed)),
    misses,
    lots: lots.map((l) => ({ ...l, firstRun: firstRuns[l.lot] })),
    notEntered: results.flatMap((r) =>
      (r.note.pieces ?? []).flatMap(({ text, entered }) => (entered ? [] : [{ id: r.note.id, text }])),
    ),
    held: results.flatMap((r) => (r.obstacle ? [{ id: r.note.id, truth: r.note.truth, obstacle: r.obstacle }] : [])),
    unknown: results
      .filter((r) => !r.note.truth)
      .map((r) => ({ id: r.note.id, got: r.got, probability: r.probability, unknown: r.unknown, verdict: r.verdict })),
  });
});

function keepFirstRuns(lots: { lot: string; now: Figures }[]): FirstRuns {
  const known: FirstRuns = existsSync(FIRST_RUN) ? JSON.parse(readFileSync(FIRST_RUN, "utf8")) : {};
  const fresh = lots.filter((l) => !known[l.lot]);
  if (fresh.length === 0) return known;
  const day = new Date().toISOString().slice(0, 10);
  const all = { ...known, ...Object.fromEntries(fresh.map((l) => [l.lot, { day, ...l.now }])) };
  writeFileSync(FIRST_RUN, `${JSON.stringify(all, null, 1)}\n`);
  return all;
}

/** Figures of several lots as if they were one: counts are added, shares weighted by the notes named. */
function together(lots: Figures[]): Figures {
  const sum = (of: (f: Figures) => number) => lots.reduce((total, f) => total + of(f), 0);
  const named = sum((f) => f.named);
  const weighted = (of: (f: Figures) => number) =>
    named === 0 ? 0 : Math.round((1000 * sum((f) => of(f) * f.named)) / named) / 1000;
  return {
    named,
    top1: weighted((f) => f.top1),
    top3: weighted((f) => f.top3),
    wronglyCleared: sum((f) => f.wronglyCleared),
    clearable: sum((f) => f.clearable),
    cleared: sum((f) => f.cleared),
    unknownNamed: sum((f) => f.unknownNamed),
  };
}

function answer(model: Model, list: ReturnType<typeof loadList>, note: FieldNote) {
  const given = caseAt({ list: list.status, actions: list.actions }, note, model);
  const result = identify(model, given);
  const order = result.candidatesFlat.map((c) => c.taxon);
  const rank = note.truth ? order.indexOf(note.truth) + 1 : 0;
  const status = note.truth ? (list.status[note.truth] ?? "kept") : null;
  const suffices =
    status && isTarget(status) && given.stage
      ? looksSuffice(model, given, model.taxonIndex.get(note.truth as string) as number, given.stage)
      : false;
  return {
    note,
    suffices,
    rank,
    got: order[0],
    probability: result.candidatesFlat[0].probability,
    unknown: result.unknown,
    verdict: result.verdict,
    named: result.named,
    status,
    obstacle:
      note.act && status && isTarget(status) && result.verdict !== "clear"
        ? obstacleOf(decide(judge(model, given)), result)
        : null,
  };
}

/** What stands in the way of a clear verdict, by the rule that holds it. */
function obstacleOf(decided: VerdictResult, result: Identification): Obstacle {
  if (decided.leansOn) return "one kind of check";
  if (decided.twinsInTheWay.length > 0) return "a twin not in the flora";
  if (/not recorded for/.test(result.because)) return "not recorded of a kept plant";
  return /not in this flora/.test(result.because) ? "an unknown plant" : "another";
}

function figures(results: ReturnType<typeof answer>[]): Figures {
  const held = results.filter((r) => r.note.truth);
  const clearable = held.filter((r) => r.status && isTarget(r.status));
  const split = results.filter((r) => r.note.pieces);
  const pieces = split.flatMap((r) => r.note.pieces ?? []);
  const actable = clearable.filter((r) => r.note.act);
  const sufficient = clearable.filter((r) => r.suffices);
  return {
    named: held.length,
    top1: share(held, (r) => r.rank === 1),
    top3: share(held, (r) => r.rank >= 1 && r.rank <= 3),
    wronglyCleared: results.filter((r) => r.verdict === "clear" && !(r.status && isTarget(r.status))).length,
    clearable: clearable.length,
    cleared: clearable.filter((r) => r.verdict === "clear").length,
    looksSuffice: sufficient.length,
    looksSufficeCleared: sufficient.filter((r) => r.verdict === "clear").length,
    unknownNamed: results.filter((r) => !r.note.truth && r.named).length,
    ...(split.length === 0
      ? {}
      : {
          pieces: pieces.length,
          piecesEntered: pieces.filter((piece) => piece.entered).length,
          actable: actable.length,
          actableCleared: actable.filter((r) => r.verdict === "clear").length,
        }),
  };
}

function share<T>(items: T[], is: (item: T) => boolean): number {
  return items.length === 0 ? 0 : Math.round((1000 * items.filter(is).length) / items.length) / 1000;
}
