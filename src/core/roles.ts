/** What a person may be in a district. */
export const ROLES = ["visitor", "scout", "specialist", "applicator", "keeper"] as const;
export type Role = (typeof ROLES)[number];
