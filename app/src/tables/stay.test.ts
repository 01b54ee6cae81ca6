import { describe, expect, it } from '@jest/globals';
import type { GridColumn } from './gridProps.ts';
import { placeColumns } from './stay.ts';

const column = (id: string, width: string, stays = false): GridColumn<string> => ({
  id,
  title: id,
  width,
  stays,
  show: (row) => row,
  text: (row) => row,
});
const lefts = (...columns: readonly GridColumn<string>[]): readonly (number | undefined)[] =>
  placeColumns(columns).map(({ left }) => left);

describe('columns that stay while the table is scrolled sideways', () => {
  it('stand one beside the other from the left', () => {
    expect(lefts(column('a', '80px', true), column('b', '150px', true), column('c', '90px'))).toEqual([
      0,
      80,
      undefined,
    ]);
  });

  it('end with one that what goes, goes under', () => {
    const placed = placeColumns([column('a', '80px', true), column('b', '90px', true), column('c', '90px')]);
    expect(placed.filter(({ edge }) => edge === true).map(({ id }) => id)).toEqual(['b']);
  });

  it('are only the first ones: behind one that goes, none stays', () => {
    expect(lefts(column('a', '80px'), column('b', '90px', true))).toEqual([undefined, undefined]);
  });

  it('end with one whose width is not fixed, since it is not known where the next would stand', () => {
    expect(lefts(column('a', 'minmax(150px, 1fr)', true), column('b', '90px', true))).toEqual([0, undefined]);
  });
});
