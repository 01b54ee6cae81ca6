/** A table smaller than this is copied whole: cheaper than looking in two places. */
const LAYERED_FROM = 512;
/** Changes kept beside the base before they are folded into a new one. */
const LAYER_LIMIT = 256;

/**
 * A table that shares its bulk with the one it came from. Copying ten thousand marks for every
 * moved vertex would cost more than all the figures that follow from it.
 */
class LayeredTable<Key, Value> implements ReadonlyMap<Key, Value> {
  readonly base: ReadonlyMap<Key, Value>;
  /** What differs from the base; undefined where a record is gone. */
  readonly layer: ReadonlyMap<Key, Value | undefined>;
  readonly size: number;

  constructor(base: ReadonlyMap<Key, Value>, layer: ReadonlyMap<Key, Value | undefined>, size: number) {
    this.base = base;
    this.layer = layer;
    this.size = size;
  }

  get(key: Key): Value | undefined {
    return this.layer.has(key) ? this.layer.get(key) : this.base.get(key);
  }

  has(key: Key): boolean {
    return this.layer.has(key) ? this.layer.get(key) !== undefined : this.base.has(key);
  }

  *entries(): MapIterator<[Key, Value]> {
    for (const [key, value] of this.base) {
      if (!this.layer.has(key)) yield [key, value];
      else {
        const changed = this.layer.get(key);
        if (changed !== undefined) yield [key, changed];
      }
    }
    for (const [key, value] of this.layer) if (value !== undefined && !this.base.has(key)) yield [key, value];
  }

  *keys(): MapIterator<Key> {
    for (const [key] of this.entries()) yield key;
  }

  *values(): MapIterator<Value> {
    for (const [, value] of this.entries()) yield value;
  }

  forEach(visit: (value: Value, key: Key, map: ReadonlyMap<Key, Value>) => void): void {
    for (const [key, value] of this.entries()) visit(value, key, this);
  }

  [Symbol.iterator](): MapIterator<[Key, Value]> {
    return this.entries();
  }
}

/** The table with values put in or, where undefined, taken out. The given table stays as it is. */
export function changeTable<Key, Value>(
  table: ReadonlyMap<Key, Value>,
  changes: ReadonlyMap<Key, Value | undefined>,
): ReadonlyMap<Key, Value> {
  const layered = table instanceof LayeredTable ? (table as LayeredTable<Key, Value>) : undefined;
  const kept = layered?.layer.size ?? 0;
  if (table.size < LAYERED_FROM || kept + changes.size > LAYER_LIMIT) return copyTable(table, changes);
  let { size } = table;
  for (const [key, value] of changes) size += Number(value !== undefined) - Number(table.has(key));
  const layer = new Map(layered?.layer);
  for (const [key, value] of changes) layer.set(key, value);
  return new LayeredTable(layered?.base ?? table, layer, size);
}

/** Keys of what differs between two tables, the later one made of the earlier by changes: few where both share their bulk. */
export function* changedKeys<Key, Value>(
  before: ReadonlyMap<Key, Value>,
  after: ReadonlyMap<Key, Value>,
): Generator<Key> {
  if (before === after) return;
  const shared = baseOf(after);
  const keys =
    shared === baseOf(before)
      ? new Set([...layerOf(before), ...layerOf(after)])
      : new Set([...before.keys(), ...after.keys()]);
  for (const key of keys) if (before.get(key) !== after.get(key)) yield key;
}

const baseOf = <Key, Value>(table: ReadonlyMap<Key, Value>): ReadonlyMap<Key, Value> =>
  table instanceof LayeredTable ? (table as LayeredTable<Key, Value>).base : table;

const layerOf = <Key, Value>(table: ReadonlyMap<Key, Value>): Iterable<Key> =>
  table instanceof LayeredTable ? (table as LayeredTable<Key, Value>).layer.keys() : [];

function copyTable<Key, Value>(
  table: ReadonlyMap<Key, Value>,
  changes: ReadonlyMap<Key, Value | undefined>,
): ReadonlyMap<Key, Value> {
  const copy = new Map(table);
  for (const [key, value] of changes) {
    if (value === undefined) copy.delete(key);
    else copy.set(key, value);
  }
  return copy;
}
