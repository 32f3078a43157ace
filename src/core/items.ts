/**
 * An item that is known to be there: an index that came out of the list itself.
 * @throws {RangeError} where it is not, which is a fault of ours
 * @example itemAt(["a", "b"], 1) // "b"
 */
export function itemAt<Item>(list: ArrayLike<Item>, index: number): Item {
  if (!(index >= 0 && index < list.length)) throw new RangeError(`there is no item ${index} of ${list.length}`);
  return list[index] as Item;
}

/** The first item of a list that is known to have one: a row that is always there, say. */
export const firstOf = <Item>(list: ArrayLike<Item>): Item => itemAt(list, 0);
