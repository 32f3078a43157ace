import { isTarget, type Status } from "../flora";
import type { Verdict } from "../identify";
import type { Method } from "./method-schema";
import type { Role } from "../roles";
import { dayWords, seasonOf } from "../time";

/** What is to be done: planned today, or done on a day that is recorded or corrected afterward. */
export type Act = "plan" | "record" | "correction";

/** Something that was found on the patch, with the plant that it names; an overruling in writing takes the verdict's place. */
export interface FoundOnPatch {
  number: number;
  day: string;
  verdict: Verdict;
  taxon: string | null;
  overruled: boolean;
}

/** How the report of a plant stands that is reported before anything is done. */
export type ReportStanding = "not-needed" | "none" | "waiting" | "acknowledged" | "waived";

/** All that the gate asks for, as it stood on one day. */
export interface GateCase {
  act: Act;
  /** day of the act at the site, ISO */
  day: string;
  hemisphere: "north" | "south";
  finding: FoundOnPatch;
  /** the plant of the finding on this site's list on that day; null where it is on no list and counts as kept */
  status: Status | null;
  report: ReportStanding;
  /** findings on the patch after this one, up to the day of the act */
  later: FoundOnPatch[];
  /** seasons after that of the finding in which it still counts */
  seasons: number;
  /** days on which a later check found the same plant on the patch */
  foundAgain: string[];
  /** name of the set that the finder would have had to pass for this plant; null where nothing is missing */
  practice: string | null;
  patchWithdrawn: boolean;
  method: { name: string; kind: Method["kind"] };
  rules: { noProduct?: boolean; noMachines?: boolean };
  /** who does the work, as the register says for that day; null where the person belonged to the district no more */
  person: { name: string; roles: Role[]; licence: string | null; licenceExpires: string | null } | null;
}

export const GATE_CODES = [
  "verdict",
  "list",
  "later-finding",
  "too-old",
  "report",
  "practice",
  "rules",
  "withdrawn",
  "role",
  "license",
] as const;
export type GateCode = (typeof GATE_CODES)[number];
export interface GateReason {
  code: GateCode;
  /** a whole sentence for a person */
  what: string;
}

const NO_REPORT_OPEN: ReportStanding[] = ["not-needed", "acknowledged", "waived"];

/**
 * Whether a plant may be acted on. Nothing else in the program answers this question: plans, records and corrections ask here, with
 * the state of the day of the act.
 * @returns every reason against it; none where it may be done
 */
export function mayAct(of: GateCase): GateReason[] {
  const reasons: GateReason[] = [];
  const because = (code: GateCode, what: string | null) => what !== null && reasons.push({ code, what });
  // What is sown after control harms no plant, whatever was found there since.
  if (of.method.kind !== "follow") {
    because("verdict", verdictFault(of.finding));
    because("list", listFault(of));
    because("later-finding", laterFault(of));
    because("too-old", ageFault(of));
    because("report", reportFault(of));
    because("practice", practiceFault(of));
  }
  because("rules", ruleFault(of));
  if (of.patchWithdrawn) because("withdrawn", "The patch was withdrawn.");
  because("role", roleFault(of));
  because("license", licenseFault(of));
  return reasons;
}

function reportFault({ report }: GateCase): string | null {
  if (NO_REPORT_OPEN.includes(report)) return null;
  return report === "none"
    ? "This plant must be reported first. Nobody has sent the report."
    : "This plant must be reported first. The report is not acknowledged yet.";
}

/** A finding that was overruled in writing is a specialist's own. */
function practiceFault({ practice, finding }: GateCase): string | null {
  if (practice === null || finding.overruled) return null;
  return `${call(finding)} waits for a specialist to confirm it: this district asks for the practice set “${practice}” first, and its finder has not passed it.`;
}

const call = ({ number }: FoundOnPatch) => `F-${number}`;

const verdictFault = (finding: FoundOnPatch): string | null =>
  finding.taxon !== null && (finding.overruled || finding.verdict === "clear")
    ? null
    : `${call(finding)} is not clear to act: its verdict is “${finding.verdict}”.`;

function listFault({ status, finding, day }: GateCase): string | null {
  if (status !== null && isTarget(status)) return null;
  return `${finding.taxon ?? "The plant"} was ${status ?? "kept"} on this site on ${dayWords(day)}, not target or watch.`;
}

/** An open finding says nothing against another: too little was seen. */
const contradicts = (later: FoundOnPatch, finding: FoundOnPatch): boolean =>
  later.overruled || later.verdict === "clear"
    ? later.taxon !== finding.taxon
    : later.verdict === "keep" || later.verdict === "hold" || later.verdict === "unknown";

function laterFault({ later, finding, day }: GateCase): string | null {
  const against = later.filter((other) => other.day <= day && isAfter(other, finding) && contradicts(other, finding));
  if (against.length === 0) return null;
  const said = against.map((other) => `${call(other)} of ${dayWords(other.day)} says “${saidBy(other)}”`).join("; ");
  return `A later finding on this patch is against it: ${said}.`;
}

const isAfter = (other: FoundOnPatch, finding: FoundOnPatch): boolean =>
  other.day > finding.day || (other.day === finding.day && other.number > finding.number);

const saidBy = ({ verdict, taxon, overruled }: FoundOnPatch): string =>
  (overruled || verdict === "clear") && taxon ? taxon : verdict;

function ageFault({ finding, day, hemisphere, seasons, foundAgain }: GateCase): string | null {
  const newest = [finding.day, ...foundAgain.filter((again) => again <= day)].sort().at(-1) ?? finding.day;
  const age = seasonOf(day, hemisphere) - seasonOf(newest, hemisphere);
  if (age <= seasons) return null;
  return `${call(finding)} is of ${dayWords(finding.day)}: older than this district allows (its season and ${seasons} more). Check the plant again.`;
}

function ruleFault({ method, rules }: GateCase): string | null {
  if (method.kind === "product" && rules.noProduct) return `${method.name}: no products may be used on this site.`;
  if (method.kind === "machine" && rules.noMachines) return `${method.name}: no machines may be used on this site.`;
  return null;
}

/** Work is given to applicators and specialists. */
function roleFault({ person, day }: GateCase): string | null {
  if (!person) return `The person who does the work did not belong to this district on ${dayWords(day)}.`;
  if (person.roles.some((role) => role === "applicator" || role === "specialist")) return null;
  return `${person.name} was neither applicator nor specialist here on ${dayWords(day)}.`;
}

function licenseFault({ person, method, day }: GateCase): string | null {
  if (method.kind !== "product" || !person) return null;
  if (!person.licence) return `${person.name} has no license in the register, and this method uses a product.`;
  if (person.licenceExpires !== null && person.licenceExpires < day)
    return `The license of ${person.name} ended on ${dayWords(person.licenceExpires)}.`;
  return null;
}
