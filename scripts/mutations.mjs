/**
 * Faults that the core's own tests must notice: each replaces a text that occurs exactly once in its file. A rule of the engine
 * that is added gets its line here.
 */
const V = "src/core/identify/verdict/";
const P = "src/core/identify/posterior/";
const E = "src/core/identify/evidence/";
const T = "src/core/identify/tuning/";
const G = "src/core/control/gate.ts";
export const MUTATIONS = [
  // what once survived
  [
    `${T}verdict.ts`,
    "groupShare: tuned(\n    0.95,",
    "groupShare: tuned(\n    0.5,",
    "half of the target side is enough to act",
  ],
  [
    `${V}decide.ts`,
    'reportFirst: status[about] === "watch"',
    "reportFirst: false",
    "a plant on watch is not reported first",
  ],
  [`${T}verdict.ts`, "fewestToHold: tuned(3,", "fewestToHold: tuned(1,", "one answer is enough for Hold"],
  [
    `${E}state.ts`,
    "chance *= (i + 1) * rows[from + named[i]]",
    "chance *= rows[from + named[i]]",
    "states together without their orders",
  ],
  [
    `${T}flora-model.ts`,
    "inapplicableNumber: tuned(\n    0.05,",
    "inapplicableNumber: tuned(\n    0.9,",
    "a number from a part that is not there",
  ],
  // every return of decide
  [`${V}decide.ts`, 'verdict: "unknown", about: -1', 'verdict: "open", about: -1', "unknown is open"],
  [`${V}decide.ts`, 'verdict: "keep", about', 'verdict: "hold", about', "keep is hold"],
  [`${V}decide.ts`, "if (open.length > 0) return", "if (open.length > 99) return", "unscored twins do not hold"],
  [`${V}decide.ts`, "if (!leansOn)\n", "if (true)\n", "a block that carries the verdict does not hold"],
  [`${V}decide.ts`, 'verdict: "hold", about, leansOn', 'verdict: "open", about, leansOn', "a leaning verdict is open"],
  [
    `${V}decide.ts`,
    'verdict: "hold", about: topOnSide(judgement, 0)',
    'verdict: "open", about: topOnSide(judgement, 0)',
    "hold is open",
  ],
  [`${V}decide.ts`, 'return { ...base, verdict: "open" }', 'return { ...base, verdict: "hold" }', "open is hold"],
  [`${V}decide.ts`, "named: names(about), group,", "named: false, group,", "a cleared plant is not named"],
  // its conditions
  [
    `${V}decide.ts`,
    "local.unknown >= unknownShare && flat",
    "local.unknown >= unknownShare || flat",
    "unknown under one prior",
  ],
  [
    `${V}decide.ts`,
    "local.keptSide >= keepShare && flat",
    "local.keptSide >= keepShare || flat",
    "keep under one prior",
  ],
  [`${V}decide.ts`, "targetSide >= holdTargetShare", "targetSide >= 0", "any target side holds"],
  [
    `${V}decide.ts`,
    "const telling = judgement.evidence.filter(Boolean).length",
    "const telling = judgement.evidence.length",
    "answers that tell nothing count",
  ],
  // every gate
  [
    `${V}gates.ts`,
    "if (p.keptSide > limit) return null",
    "if (p.keptSide > 4 * limit) return null",
    "four times the limit",
  ],
  [`${V}gates.ts`, "return local === flat ? local : null", "return local", "the local prior alone"],
  [
    `${V}gates.ts`,
    "judgement.guarded.local, judgement.guarded.flat",
    "judgement.local, judgement.flat",
    "no guard on the way to Clear",
  ],
  [
    `${V}gates.ts`,
    "if (!judgement.keptSide[t])",
    'if (judgement.status[t] === "target")',
    "a plant on watch has no group",
  ],
  [
    `${V}gates.ts`,
    "const left = local.keptSide >= flat.keptSide ? local : flat",
    "const left = local.keptSide >= flat.keptSide ? flat : local",
    "the better posterior without a block",
  ],
  [`${V}gates.ts`, "weak: group ? weakBlock(judgement, limit) : null", "weak: null", "no block is left out"],
  [
    `${T}verdict.ts`,
    "leaveOneOut: tuned(\n    5,",
    "leaveOneOut: tuned(\n    500,",
    "leaving a block out hardly matters",
  ],
  [`${T}verdict.ts`, "highestLimit: tuned(\n    0.02,", "highestLimit: tuned(\n    0.1,", "one wrong clearing in ten"],
  [`${T}verdict.ts`, "keepShare: tuned(\n    0.95,", "keepShare: tuned(\n    0.8,", "keep at four in five"],
  [`${T}verdict.ts`, "worthAsking: tuned(0.05,", "worthAsking: tuned(0.9,", "unscored twins of one plant alone"],
  [`${V}gates.ts`, "costs.missedTarget / (costs.missedTarget + costs.wrongClear)", "1", "costs do not count"],
  [`${V}twins-in-the-way.ts`, "parting.length > 1", "parting.length > 0", "one check is enough against a twin"],
  [
    `${V}twins-in-the-way.ts`,
    "fresh.length === 0 && !fits",
    "fresh.length === 0",
    "a check that fits the twin is forgiven",
  ],
  // both priors
  [
    `${T}prior.ts`,
    "unknownPrior: tuned(\n    0.05,",
    "unknownPrior: tuned(\n    0.005,",
    "the unknown plant is ten times rarer",
  ],
  [
    `${P}judge.ts`,
    "(1 - model.tuning.unknownPrior) / model.flora.taxa.length",
    "1 / model.flora.taxa.length",
    "a flat prior beside the unknown plant",
  ],
  [`${P}prior.ts`, "byStatus[status[t]] * share", "share", "the list does not count before anything is seen"],
  [`${P}posterior.ts`, "let kept = unknown / all", "let kept = 0", "the unknown plant is no reason to wait"],
  [
    `${P}posterior.ts`,
    "if (keptSide[a] || keptSide[b]) kept",
    "if (keptSide[a] && keptSide[b]) kept",
    "a cross with one kept parent may go",
  ],
  [`${P}unknown-plant.ts`, "(1 - relativeShare) * Math.max", "Math.max", "unknown plants count twice"],
  // guard, blocks and evidence
  [
    `${P}guard-unrecorded.ts`,
    "if (raised) for",
    "if (raised && false) for",
    "what is not recorded speaks against a kept plant",
  ],
  [`${P}block.ts`, "const doubt = model.flora.blocks[name]", "const doubt = 0", "no block goes wrong"],
  [`${E}state.ts`, "return 1 - sum;", "return sum;", "looked for and absent is seen"],
  [
    `${E}evidence-of.ts`,
    "scaleWhere(model, c, false, evidence.chance,",
    "scaleWhere(model, c, true, evidence.chance,",
    "parts are seen out of their stage",
  ],
  [`${T}observer.ts`, "widenGuess: tuned(6,", "widenGuess: tuned(1,", "a guess is sure"],
  // every line of the gate
  [G, '(finding.overruled || finding.verdict === "clear")', "true", "anything may be acted on"],
  [G, "finding.taxon !== null &&", "true &&", "a plant without a name may be acted on"],
  [G, "if (status !== null && isTarget(status)) return null;", "return null;", "a kept plant may be treated"],
  [G, "if (against.length === 0) return null;", "return null;", "a later finding closes nothing"],
  [G, "other.day <= day && isAfter", "isAfter", "a finding of tomorrow closes the gate"],
  [G, "? later.taxon !== finding.taxon\n", "? false\n", "another plant on the patch closes nothing"],
  [G, 'later.verdict === "keep" || ', "", "a later keep closes nothing"],
  [G, '|| later.verdict === "unknown"', "", "a later unknown plant closes nothing"],
  [G, "if (age <= seasons) return null;", "return null;", "a finding counts for ever"],
  [G, "...foundAgain.filter((again) => again <= day)", "...foundAgain", "a check of tomorrow renews a finding"],
  [
    G,
    '["not-needed", "acknowledged", "waived"]',
    '["not-needed", "acknowledged", "waived", "waiting"]',
    "nobody waits for the acknowledgment",
  ],
  [G, 'method.kind === "product" && rules.noProduct', "false", "products on a site without products"],
  [G, 'method.kind === "machine" && rules.noMachines', "false", "machines on a site without machines"],
  [G, 'if (of.method.kind !== "follow") {', "{", "what is sown waits for a finding"],
  [G, "if (of.patchWithdrawn)", "if (false)", "work on a withdrawn patch"],
  [G, 'role === "applicator" || role === "specialist"', "true", "anyone does the work"],
  [G, 'if (method.kind !== "product" || !person) return null;', "return null;", "no license is asked for"],
  [G, "person.licenceExpires < day", "person.licenceExpires <= day", "the last day of a license does not count"],
].map(([file, find, replace, what]) => ({ file, find, replace, what }));
