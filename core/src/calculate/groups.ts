const NONE: readonly never[] = [];

/** Records filed under what they belong to, each group in the order its records came. */
export class Groups<Item extends { readonly id: string }> {
  readonly #groups = new Map<string, Map<string, Item>>();

  put(key: string, item: Item): void {
    const group = this.#groups.get(key);
    if (group === undefined) this.#groups.set(key, new Map([[item.id, item]]));
    else group.set(item.id, item);
  }

  remove(key: string, id: string): void {
    const group = this.#groups.get(key);
    group?.delete(id);
    if (group?.size === 0) this.#groups.delete(key);
  }

  has(key: string): boolean {
    return this.#groups.has(key);
  }

  list(key: string): readonly Item[] {
    const group = this.#groups.get(key);
    return group === undefined ? NONE : [...group.values()];
  }
}
