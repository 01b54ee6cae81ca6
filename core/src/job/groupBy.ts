/** Items under their keys, each group in the order it was met. */
export const groupBy = <Item, Key>(
  items: Iterable<Item>,
  keyOf: (item: Item) => Key,
): ReadonlyMap<Key, Item[]> => {
  const groups = new Map<Key, Item[]>();
  for (const item of items) {
    const group = groups.get(keyOf(item));
    if (group === undefined) groups.set(keyOf(item), [item]);
    else group.push(item);
  }
  return groups;
};
