/** Where this device keeps whether single keys do anything. */
const KEY = "single-keys";

/** Single letters and figures can be switched off: speech input and a hand on the wrong key would set them off (WCAG 2.1.4). */
export function singleKeysAreOn(): boolean {
  try {
    return localStorage.getItem(KEY) !== "off";
  } catch {
    return true;
  }
}

export function switchSingleKeys(on: boolean): void {
  try {
    localStorage.setItem(KEY, on ? "on" : "off");
  } catch {
    // A window that keeps nothing has them on.
  }
}

/** A key pressed there is text, and no command. */
export const isTyping = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement &&
  (target.isContentEditable || ["INPUT", "TEXTAREA", "SELECT"].includes(target.tagName));
