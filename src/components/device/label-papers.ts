import type { BenchPack } from "@/contracts/bench-pack";
import { openStore } from "./store";

/** What the papers of a person's labels may take on the device; a label beyond it needs a signal to be read. */
const MOST_BYTES = 40_000_000;

const storedId = (key: string, labelId: string): string => `${key}.${labelId}`;

/** Brings the PDFs of the labels in force to the device, and drops those of labels that are no longer in force. */
export async function keepLabelPapers(key: string, labels: NonNullable<BenchPack["labels"]>): Promise<void> {
  const store = await openStore();
  const wanted = labels.filter(({ hasPaper }) => hasPaper).map(({ id }) => id);
  const held = await store.labelPapers.where("key").equals(key).toArray();
  const dropped = held.filter(({ id }) => !wanted.some((labelId) => storedId(key, labelId) === id));
  await store.labelPapers.bulkDelete(dropped.map(({ id }) => id));
  const kept = held.filter((paper) => !dropped.includes(paper));
  let bytes = kept.reduce((sum, { content }) => sum + content.size, 0);
  for (const labelId of wanted) {
    const id = storedId(key, labelId);
    if (kept.some((paper) => paper.id === id)) continue;
    const response = await fetch(`/api/v1/label-papers/${labelId}`);
    if (!response.ok) continue;
    const content = await response.blob();
    bytes += content.size;
    if (bytes > MOST_BYTES) return;
    await store.labelPapers.put({ id, key, content });
  }
}

/** The PDF of a label as this device has it, or null. */
export async function labelPaper(key: string, labelId: string): Promise<Blob | null> {
  return (await (await openStore()).labelPapers.get(storedId(key, labelId)))?.content ?? null;
}
