/** Whose finding it is: nobody sends another person's under their own name. The value is the key of the device's drafts. */
export const MADE_FOR_HEADER = "x-sentinel-for";
