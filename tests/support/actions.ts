import { readFileSync } from "node:fs";
import type { Client } from "./client";

interface Entry {
  exportedName: string;
  filename: string;
  workers: Record<string, unknown>;
}
const manifest = (): Record<string, Entry> =>
  (JSON.parse(readFileSync(".next/server/server-reference-manifest.json", "utf8")) as { node: Record<string, Entry> })
    .node;

/** Every act that a form can send, by its name in the code; taken from the build, so that none is missing. */
export const allActions = (): string[] => [...new Set(Object.values(manifest()).map((e) => e.exportedName))].sort();

/**
 * Sends a form as a page would, whatever the page shows: past every button and every hidden field.
 * @returns the status, and what came back as text
 */
export async function act(
  client: Client,
  name: string,
  fields: Record<string, string | string[]>,
  { origin = client.base }: { origin?: string } = {},
): Promise<{ status: number; text: string; location: string | null }> {
  const found = Object.entries(manifest()).find(([, e]) => e.exportedName === name);
  if (!found) throw new Error(`there is no act ${name}`);
  const [id, entry] = found;
  const page = pageOf(Object.keys(entry.workers)[0]);
  const body = new FormData();
  for (const [key, values] of Object.entries(fields))
    for (const value of [values].flat()) body.append(`1_${key}`, value);
  body.append("0", JSON.stringify([{ ok: false, message: "", issues: [] }, "$K1"]));
  const response = await client.fetch(page, { method: "POST", headers: { "next-action": id, origin }, body });
  return { status: response.status, text: await response.text(), location: response.headers.get("x-action-redirect") };
}

/** The address of a page of the build; what stands in brackets is made up. */
const pageOf = (worker: string): string =>
  worker
    .replace(/^app/, "")
    .replace(/\/\([^)]+\)/g, "")
    .replace(/\/page$/, "")
    .replace(/\[[^\]]+\]/g, "01920000-0000-7000-8000-0000000fffff") || "/";
