/** What came of one kind of fault. */
export interface Faults {
  readonly kind: string;
  readonly tried: number;
  /** What went wrong, in words with the number of the try; nothing where all held. */
  readonly lost: readonly string[];
}

/** Chance that repeats by the number of the try, so that a loss can be tried again alone. */
export function chanceOf(seed: number): () => number {
  let state = (seed * 2654435761) >>> 0;
  return () => {
    state = (Math.imul(state ^ (state >>> 15), 2246822519) + 0x9e3779b9) >>> 0;
    return ((state ^ (state >>> 13)) >>> 0) / 2 ** 32;
  };
}

const SHOWN = 10;

export function printFaults({ kind, tried, lost }: Faults): void {
  process.stdout.write(`${kind}: ${tried} tried, ${lost.length} lost\n`);
  for (const each of lost.slice(0, SHOWN)) process.stdout.write(`  ${each}\n`);
  if (lost.length > SHOWN) process.stdout.write(`  and ${lost.length - SHOWN} more\n`);
}
