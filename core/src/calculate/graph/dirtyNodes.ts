/** Nodes that are to be figured, by rank: what is read comes before what reads it. */
export class DirtyNodes {
  #rank = new Int32Array(1024);
  /** 0 clean, 1 waiting in a bucket. */
  #dirty = new Uint8Array(1024);
  readonly #buckets: number[][] = [];

  rankOf(node: number): number {
    return this.#rank[node] as number;
  }

  setRank(node: number, rank: number): void {
    this.#rank[node] = rank;
    if (this.#dirty[node] === 1) this.#enqueue(node);
  }

  mark(node: number): void {
    if (this.#dirty[node] === 1) return;
    this.#dirty[node] = 1;
    this.#enqueue(node);
  }

  /** The node has been figured by other ways. */
  clear(node: number): void {
    this.#dirty[node] = 0;
  }

  /** Visits all that is marked, also what is marked meanwhile: readers rank above what they read. */
  drain(visit: (node: number) => void): void {
    for (let rank = 0; rank < this.#buckets.length; rank += 1) {
      const bucket = this.#buckets[rank];
      if (bucket === undefined) continue;
      for (let i = 0; i < bucket.length; i += 1) {
        const node = bucket[i] as number;
        if (this.#dirty[node] === 0 || this.#rank[node] !== rank) continue;
        this.#dirty[node] = 0;
        visit(node);
      }
      bucket.length = 0;
    }
  }

  grow(size: number): void {
    const [ranks, dirty] = [new Int32Array(size), new Uint8Array(size)];
    ranks.set(this.#rank);
    dirty.set(this.#dirty);
    [this.#rank, this.#dirty] = [ranks, dirty];
  }

  #enqueue(node: number): void {
    const rank = this.#rank[node] as number;
    for (let i = this.#buckets.length; i <= rank; i += 1) this.#buckets[i] = [];
    (this.#buckets[rank] as number[]).push(node);
  }
}
