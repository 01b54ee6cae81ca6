import type { NodeId } from '../../job/nodeId.ts';

/** A figure within its owner, as a key. */
const keyOf = ({ figure, of }: NodeId): string => (of === undefined ? figure : `${figure}/${of}`);

/** An owner with more figures than this has them by key: most are marks and lines, which have few. */
const FEW = 8;
const END = -1;

/** Nodes by number: who owns the figure, then which it is. A number stays with its node. */
export class NodeIndex {
  readonly #ids: NodeId[] = [];
  /** The latest node of an owner; from there to the ones before. */
  readonly #latest = new Map<string, number>();
  readonly #before: number[] = [];
  readonly #byKey = new Map<string, Map<string, number>>();

  get size(): number {
    return this.#ids.length;
  }

  find(id: NodeId): number | undefined {
    const { owner, figure, of } = id;
    let at = this.#latest.get(owner);
    if (at === undefined) return undefined;
    for (let steps = 0; at !== END; steps += 1) {
      if (steps === FEW) return this.#keyed(owner).get(keyOf(id));
      const known = this.#ids[at] as NodeId;
      if (known.figure === figure && known.of === of) return at;
      at = this.#before[at] as number;
    }
    return undefined;
  }

  /** The figures of an owner that has many. */
  #keyed(owner: string): Map<string, number> {
    const known = this.#byKey.get(owner);
    if (known !== undefined) return known;
    const made = new Map<string, number>();
    for (let at = this.#latest.get(owner) ?? END; at !== END; at = this.#before[at] as number)
      made.set(keyOf(this.idOf(at)), at);
    this.#byKey.set(owner, made);
    return made;
  }

  /** Gives the next number to a node that has none. */
  add(id: NodeId): number {
    const node = this.#ids.push(id) - 1;
    this.#before.push(this.#latest.get(id.owner) ?? END);
    this.#latest.set(id.owner, node);
    this.#byKey.get(id.owner)?.set(keyOf(id), node);
    return node;
  }

  idOf(node: number): NodeId {
    const id = this.#ids[node];
    if (id === undefined) throw new Error(`idOf: no node has the number ${node}`);
    return id;
  }
}
