import type { Taxon } from "../flora";

/**
 * What the remains of a plant need once it is cut or pulled, the most pressing first: what is written for this plant, then
 * what follows from what grows from its pieces, whom it harms, its seed and where it lives. The label, local rules for
 * waste and licensed people take precedence over it.
 */
export function disposalOf(taxon: Taxon): string[] {
  const { disposal, fragments, hazards, lifeForm, ripeSeed, spread } = taxon;
  const said: string[] = disposal ? [disposal] : [];
  if (hazards.contact === "skin" && !/burn/i.test(disposal ?? ""))
    said.push("Never burn it: the smoke carries what harms the skin.");
  if (fragments !== "none" && !/grow|root/i.test(disposal ?? ""))
    said.push(
      `What is left of its ${fragments.split(", ").join(" and ")} grows again: bag it or dry it clear of the ground, on no heap and by no water.`,
    );
  if (hazards.stock) said.push("Leave none of it where stock can reach it, wilted or dry.");
  if (lifeForm === "aquatic")
    said.push("Dry it well above high water; rinse boat, rake and boots before the next water.");
  if (spread.some((way) => /seed|fruit/.test(way)))
    said.push(
      `With seed on it, bag what bears it before anything is moved${ripeSeed ? `; it is ripe when it is ${ripeSeed.join(" or ")}` : ""}.`,
    );
  return said.length > 0 ? said : ["Nothing beyond the local rules for green waste."];
}
