/** What cannot be drawn: smells. Everything else must have a picture, and no two states of a character the same one. */
export const NOT_DRAWN = ["smell", "limbs-smell", "flower-scent"];
