import type { Figure } from './rule.ts';

/** What nodes were before a change, by number; undefined where one was not there. */
export type Before = ReadonlyMap<number, Figure | undefined>;

/** Keeps what each node was before its first change, once somebody wants to know. */
export class ChangeNotes {
  #before: Map<number, Figure | undefined> | undefined;
  /** Nobody has ever asked for these: there is nothing they were. */
  readonly #unknown = new Set<number>();

  /** From here on notes are kept; gives those that were kept until now. */
  take(): Before {
    const before = this.#before ?? new Map<number, Figure | undefined>();
    this.#before = new Map();
    this.#unknown.clear();
    return before;
  }

  /** True where it matters what the node was until now. */
  wants(node: number): boolean {
    return this.#before !== undefined && !this.#before.has(node) && !this.#unknown.has(node);
  }

  keep(node: number, figure: Figure | undefined): void {
    if (this.wants(node)) this.#before?.set(node, figure);
  }

  leaveOut(node: number): void {
    if (this.wants(node)) this.#unknown.add(node);
  }
}
