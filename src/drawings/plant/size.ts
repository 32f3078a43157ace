import { GROUND, TOP } from "./pen";
import type { Seen } from "./seen";

/** How large the plant is drawn. Where no measure is recorded there is no scale, and the figure says so. */
export interface Size {
  /** units of the field for a centimeter; nominal where `isKnown` is false */
  perCm: number;
  isKnown: boolean;
  heightUnits: number;
  /** length of a blade in the field's units */
  leafUnits: number;
}

const FULL = GROUND - TOP;

/** Before it flowers a herb stands about so tall, as a share of the field, where no height is recorded for its stage. */
const YOUNG = 0.72;

const NOMINAL_LEAF = 0.2;

/** A plant that creeps is drawn with its runners, at so much of the field's height. */
const CREEPING = 0.36;

export const isCreeper = (seen: Seen): boolean =>
  seen.lifeForm === "herb" &&
  (seen.state("clump") === "runners" || (seen.state("stem-firm") === "weak" && seen.state("clump") === "patch"));

/**
 * From the recorded height, else from the length of a leaf, else nominal.
 * @param perCm the scale of a figure beside it, where the two are to be compared; a plant is never drawn larger than its field
 */
export function sizeOf(seen: Seen, perCm?: number): Size {
  const own = uprightSize(seen);
  const size = perCm && own.isKnown ? rescaled(own, Math.min(own.perCm, perCm)) : own;
  return isCreeper(seen) && !perCm ? rescaled(size, size.perCm * CREEPING) : size;
}

const rescaled = (size: Size, perCm: number): Size => ({
  ...size,
  perCm,
  heightUnits: (size.heightUnits * perCm) / size.perCm,
  leafUnits: (size.leafUnits * perCm) / size.perCm,
});

function uprightSize(seen: Seen): Size {
  const height = seen.value("height");
  const leaf = seen.value("leaf-length") ?? seen.value("blade-length");
  if (height) {
    const perCm = FULL / height;
    return { perCm, isKnown: true, heightUnits: FULL, leafUnits: (leaf ?? height * NOMINAL_LEAF) * perCm };
  }
  const tall = FULL * YOUNG;
  if (leaf) {
    // a plant is at least about twice as tall as its leaves are long, and rarely more than twelve times
    const perCm = Math.min(60, Math.max(tall / (leaf * 9), Math.min(tall / (leaf * 2.2), 46 / leaf)));
    return { perCm, isKnown: true, heightUnits: tall, leafUnits: leaf * perCm };
  }
  return { perCm: 3, isKnown: false, heightUnits: tall, leafUnits: tall * NOMINAL_LEAF };
}
