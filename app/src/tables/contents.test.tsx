import { describe, expect, it } from '@jest/globals';
import type { ReactElement } from 'react';
import { keepContents, sameNode } from './contents.ts';

function Cell({ figure }: { readonly figure: { readonly value: number; readonly unit: string } }) {
  return (
    <span>
      {figure.value} {figure.unit}
    </span>
  );
}

const shown = (value: number, unit = 'm'): ReactElement => (
  <>
    <Cell figure={{ value, unit }} />
    {value > 10 ? <b>much</b> : null}
  </>
);

describe('what a cell shows', () => {
  it('is the same where its elements and all their values are', () => {
    expect(sameNode(shown(3), shown(3))).toBe(true);
    expect(sameNode('3 m', '3 m')).toBe(true);
    expect(sameNode([shown(3), null], [shown(3), null])).toBe(true);
  });

  it.each<[string, unknown, unknown]>([
    ['a value deep inside', shown(3), shown(4)],
    ['another unit of the same value', shown(3), shown(3, 'ft')],
    ['one more element', shown(10), shown(11)],
    ['another element', <b key="a">3</b>, <i key="a">3</i>],
    ['another key', <b key="a">3</b>, <b key="b">3</b>],
    [
      'a property that came',
      <b key="a">3</b>,
      <b key="a" title="pinned">
        3
      </b>,
    ],
    [
      'a property that went',
      <b key="a" title="pinned">
        3
      </b>,
      <b key="a">3</b>,
    ],
    ['an element for text', '3', <b key="a">3</b>],
    ['nothing for text', null, '3'],
    ['more cells', ['3'], ['3', '4']],
  ])('is another with %s', (_what, before, after) => {
    expect(sameNode(before, after)).toBe(false);
  });

  it('is handed back as it was while it is the same, row by row', () => {
    const keep = keepContents();
    const first = keep('a', [shown(3)]);
    expect(keep('b', [shown(3)])).not.toBe(first);
    expect(keep('a', [shown(3)])).toBe(first);
    const next = keep('a', [shown(4)]);
    expect(next).not.toBe(first);
    expect(keep('a', [shown(4)])).toBe(next);
  });

  it('is let go of when very many rows were shown, and kept again', () => {
    const keep = keepContents();
    const first = keep('0', [shown(0)]);
    for (let row = 1; row <= 2000; row += 1) void keep(String(row), [shown(row)]);
    const again = keep('0', [shown(0)]);
    expect(again).not.toBe(first);
    expect(keep('0', [shown(0)])).toBe(again);
  });
});
