/**
 * Shares whole minor units over weights so that the shares add up exactly: everyone gets the part
 * below, and what is left goes to the largest remainders. With no weight at all, the first takes it.
 */
export function distribute(total: number, weights: readonly number[]): readonly number[] {
  const sum = weights.reduce((all, weight) => all + weight, 0);
  if (weights.length === 0) return [];
  if (sum === 0) return weights.map((_, index) => (index === 0 ? total : 0));
  const exact = weights.map((weight) => (total * weight) / sum);
  const shares = exact.map((share) => Math.floor(share));
  let left = total - shares.reduce((all, share) => all + share, 0);
  const byRemainder = exact
    .map((share, index) => ({ index, remainder: share - Math.floor(share) }))
    .sort((a, b) => b.remainder - a.remainder || a.index - b.index);
  for (const { index } of byRemainder) {
    if (left <= 0) break;
    shares[index] = (shares[index] ?? 0) + 1;
    left -= 1;
  }
  return shares;
}
