import type { Item } from '../../job/records/item.ts';
import type { Line } from '../../job/records/line.ts';
import { aboutLine } from '../aboutLine.ts';
import { defineRule } from '../rule.ts';
import { isSameLength, sizesInText } from '../sizesInText.ts';
import { tellingWords } from '../../pricing/tellingWords.ts';

/** Typed lines whose item is of another size, or of another thing, than the line says. */
export const itemUnlike = defineRule('item-unlike', 'lines', (context) =>
  context.lines.flatMap((line) => {
    if (line.of.by !== 'line') return [];
    const item = context.pricedBy(line);
    if (item === undefined) return [];
    const what = unlikeness(line.of.made, item);
    return what === undefined ? [] : [aboutLine(context, line, { what, item: item.description })];
  }),
);

const known = new WeakMap<Line, { readonly item: Item; readonly what: 'size' | 'words' | undefined }>();

/** How the words of a line and of its item differ; read again once one of them is another. */
function unlikeness(line: Line, item: Item): 'size' | 'words' | undefined {
  const had = known.get(line);
  if (had?.item === item) return had.what;
  const { description, group, tags = '', family = '' } = item;
  const what = differs(line.description, description)
    ? 'size'
    : isAnotherThing(line.description, `${description} ${group} ${tags} ${family}`)
      ? 'words'
      : undefined;
  known.set(line, { item, what });
  return what;
}

/** Both say sizes of one kind, and not one of them is the same. */
function differs(line: string, item: string): boolean {
  const [ours, theirs] = [sizesInText(line), sizesInText(item)];
  const isOther = <Size>(a: readonly Size[], b: readonly Size[], same: (x: Size, y: Size) => boolean) =>
    a.length > 0 && b.length > 0 && !a.some((x) => b.some((y) => same(x, y)));
  return (
    isOther(
      ours.nominal,
      theirs.nominal,
      (x, y) => x === y || x.startsWith(`${y}x`) || y.startsWith(`${x}x`),
    ) || isOther(ours.lengthsM, theirs.lengthsM, isSameLength)
  );
}

function isAnotherThing(line: string, item: string): boolean {
  const [ours, theirs] = [tellingWords(line), tellingWords(item)];
  return ours.length > 0 && theirs.length > 0 && !ours.some((word) => theirs.includes(word));
}
