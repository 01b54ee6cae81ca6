/** Names that a mistyped one was probably meant to be, the nearest first, three at most. */
export function findNear(name: string, candidates: readonly string[]): readonly string[] {
  const wanted = name.toLowerCase();
  const limit = Math.max(1, Math.floor(wanted.length / 3));
  return candidates
    .map((candidate) => ({ candidate, distance: editDistance(wanted, candidate.toLowerCase()) }))
    .filter(({ candidate, distance }) => distance <= limit || candidate.toLowerCase().startsWith(wanted))
    .sort((a, b) => a.distance - b.distance || (a.candidate < b.candidate ? -1 : 1))
    .slice(0, 3)
    .map(({ candidate }) => candidate);
}

/** Edits between two words; two letters the wrong way round are one edit. */
function editDistance(a: string, b: string): number {
  let before: number[] = [];
  let row = Array.from({ length: b.length + 1 }, (_, index) => index);
  for (let i = 1; i <= a.length; i += 1) {
    const next = [i];
    for (let j = 1; j <= b.length; j += 1) {
      const swap = (row[j - 1] ?? 0) + (a[i - 1] === b[j - 1] ? 0 : 1);
      const turned = i > 1 && j > 1 && a[i - 1] === b[j - 2] && a[i - 2] === b[j - 1];
      const crossed = turned ? (before[j - 2] ?? 0) + 1 : Infinity;
      next.push(Math.min((row[j] ?? 0) + 1, (next[j - 1] ?? 0) + 1, swap, crossed));
    }
    before = row;
    row = next;
  }
  return row[b.length] ?? 0;
}
