import type { Actor } from "@/db/client";

type Signed<P extends string> = Record<P, string> & Record<`${P}Id`, string> & Record<`${P}Roles`, string[]>;

/** Columns with which a person signs a row: the name and the roles as they are now, and the id. */
export const signature = <P extends string>(field: P, who: Actor): Signed<P> =>
  ({ [field]: who.personName, [`${field}Id`]: who.personId, [`${field}Roles`]: [...who.roles] }) as Signed<P>;
