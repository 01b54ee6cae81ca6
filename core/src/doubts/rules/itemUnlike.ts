import { aboutLine } from '../aboutLine.ts';
import { defineRule } from '../rule.ts';
import { isSameLength, sizesInText, tellingWords } from '../sizesInText.ts';

/** Typed lines whose item is of another size, or of another thing, than the line says. */
export const itemUnlike = defineRule('item-unlike', 'lines', (context) =>
  context.lines.flatMap((line) => {
    const item = line.of.by === 'line' ? context.pricedBy(line) : undefined;
    if (item === undefined) return [];
    const name = context.nameOf(line);
    const what = differs(name, item.description)
      ? ('size' as const)
      : isAnotherThing(name, `${item.description} ${item.group} ${item.tags ?? ''} ${item.family ?? ''}`)
        ? ('words' as const)
        : undefined;
    return what === undefined ? [] : [aboutLine(context, line, { what, item: item.description })];
  }),
);

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
