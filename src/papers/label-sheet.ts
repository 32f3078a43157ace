import { LABEL_NAMED, LABEL_NUMBERS, LABEL_TEXTS, type LabelLimits, silentOn } from "@/core/records";
import type { Sheet } from "./sheet-pdf";

/** What a district typed in from a label, and what the label does not say, as a sheet (A4). */
export function labelSheet(
  {
    name,
    version,
    limits,
    enteredBy,
    named,
  }: { name: string; version: number; limits: LabelLimits; enteredBy: string; named: Record<string, string> },
  district: string,
): Sheet {
  const said = (names: [keyof LabelLimits, string][]) =>
    names.flatMap(([key, words]): [string, string][] =>
      limits[key] === undefined ? [] : [[words, withUnit(key, limits)]],
    );
  const silent = silentOn(limits);
  const unsaid: [string, string] = ["", silent.length > 0 ? `${silent.join("; ")}.` : "Nothing is missing."];
  return {
    size: "A4",
    title: name,
    about: [
      `Version ${version}, typed in by ${enteredBy}, ${district}`,
      [limits.registration, limits.siteOfAction ? `site-of-action group ${limits.siteOfAction}` : ""]
        .filter(Boolean)
        .join(" · "),
    ].filter(Boolean),
    parts: [
      { heading: "The label says", lines: said(LABEL_NUMBERS) },
      { heading: "In its own words", lines: said(LABEL_TEXTS) },
      {
        heading: "What is checked of that",
        lines: LABEL_NAMED.flatMap(([key, words]): [string, string][] => (named[key] ? [[words, named[key]]] : [])),
      },
      { heading: "The label does not say", lines: [unsaid] },
    ].filter(({ lines }) => lines.length > 0),
    foot: "This sheet is typed from the label, and recommends nothing. Where the two differ, the label is right.",
  };
}

/** Amounts of product are in the label's own unit. */
const PRODUCT_AMOUNTS = ["ratePerHaMax", "seasonMaxPerHa", "tankMax"];
const withUnit = (key: keyof LabelLimits, limits: LabelLimits): string =>
  PRODUCT_AMOUNTS.includes(key) ? `${limits[key]} ${limits.rateUnit}` : String(limits[key]);
