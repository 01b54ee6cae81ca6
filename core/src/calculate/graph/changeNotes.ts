import type { Figure } from './rule.ts';

/** What nodes were before a change, by number; undefined where one was not there. */
export type Before = ReadonlyMap<number, Figure | undefined>;

/** Keeps what each node was before its first change, once somebody wants to know. */
export class ChangeNotes {
  #before: Map<number, Figure | undefined> | undefined;
  /** By node: the round in which it was noted, or was found to have been nothing that anybody knows. */
  #noted = new Int32Array(1024);
  #round = 0;

  /** From here on notes are kept; gives those that were kept until now. */
  take(): Before {
    const before = this.#before ?? new Map<number, Figure | undefined>();
    this.#before = new Map();
    this.#round += 1;
    return before;
  }

  /** True where it matters what the node was until now. */
  wants(node: number): boolean {
    return this.#before !== undefined && this.#noted[node] !== this.#round;
  }

  keep(node: number, figure: Figure | undefined): void {
    this.leaveOut(node);
    this.#before?.set(node, figure);
  }

  /** Nobody has ever asked for the node: there is nothing it was. */
  leaveOut(node: number): void {
    if (node >= this.#noted.length) {
      const grown = new Int32Array(Math.max(node + 1, this.#noted.length * 2));
      grown.set(this.#noted);
      this.#noted = grown;
    }
    this.#noted[node] = this.#round;
  }
}
