import type { Item } from '@zest/core/job/records/item';

/** Items whose code, description, group or supplier hold every word, in any order; codes first. */
export function searchItems(items: Iterable<Item>, text: string): readonly Item[] {
  const words = text.toLowerCase().split(/\s+/).filter(Boolean);
  const scored: { readonly item: Item; readonly score: number }[] = [];
  for (const item of items) {
    const code = item.code.toLowerCase();
    const rest = `${item.description} ${item.group} ${item.supplier}`.toLowerCase();
    if (!words.every((word) => code.includes(word) || rest.includes(word))) continue;
    const score =
      words.length === 0
        ? 0
        : words.filter((word) => code.startsWith(word)).length * 2 +
          words.filter((word) => rest.startsWith(word)).length;
    scored.push({ item, score });
  }
  return scored
    .sort((a, b) => b.score - a.score || (a.item.code < b.item.code ? -1 : 1))
    .map(({ item }) => item);
}
