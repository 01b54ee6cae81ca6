/** The readers of a node, by number. */
export type ReadersOf = (node: number) => readonly number[];

/** True where something that is read leads back to the reader. Nodes that are set aside already lead nowhere. */
export function leadsBack(node: number, readersOf: ReadersOf, isAside: (node: number) => boolean): boolean {
  const pending = [node];
  const seen = new Set<number>();
  for (let at = pending.pop(); at !== undefined; at = pending.pop())
    for (const reader of readersOf(at)) {
      if (reader === node) return true;
      if (seen.has(reader) || isAside(reader)) continue;
      seen.add(reader);
      pending.push(reader);
    }
  return false;
}

/** Everything that stands in some loop together with a node, itself included; empty where it stands in none. */
export function loopsAround(
  node: number,
  readersOf: ReadersOf,
  inputsOf: (node: number) => Iterable<number>,
): ReadonlySet<number> {
  const after = reach(node, readersOf, () => true);
  return after.has(node) ? reach(node, inputsOf, (each) => after.has(each)) : NONE;
}

const NONE: ReadonlySet<number> = new Set();

function reach(
  from: number,
  next: (node: number) => Iterable<number>,
  isWanted: (node: number) => boolean,
): Set<number> {
  const seen = new Set<number>();
  const pending = [from];
  for (let at = pending.pop(); at !== undefined; at = pending.pop())
    for (const each of next(at)) {
      if (seen.has(each) || !isWanted(each)) continue;
      seen.add(each);
      pending.push(each);
    }
  return seen;
}

/** The members of the loop a node stands in, by a search along its readers back to itself. */
export function membersOfLoop(node: number, readersOf: ReadersOf): readonly number[] {
  const from = new Map<number, number>();
  const pending = [node];
  for (let at = pending.shift(); at !== undefined; at = pending.shift())
    for (const reader of readersOf(at)) {
      if (reader === node) return pathBack(from, at);
      if (from.has(reader)) continue;
      from.set(reader, at);
      pending.push(reader);
    }
  return [node];
}

function pathBack(from: ReadonlyMap<number, number>, last: number): readonly number[] {
  const members: number[] = [];
  for (let node: number | undefined = last; node !== undefined; node = from.get(node)) members.unshift(node);
  return members;
}
