/** The tape stays in sight at the top; it is as tall as its words. */
export const tapeHeight = () => document.querySelector("#sheet .tape")?.getBoundingClientRect().height ?? 0;
const ROOM_UNDER_TAPE = 14;

/** Brings a part of the Bench right under the tape. */
export function bringIntoSight(id: string): void {
  const part = document.getElementById(id);
  if (part) window.scrollBy(0, part.getBoundingClientRect().top - tapeHeight() - ROOM_UNDER_TAPE);
}
