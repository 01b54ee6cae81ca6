import { describe, expect, it } from '@jest/globals';
import { pinnedColumns } from './stay.ts';

const column = (id: string, width: string, stays = false) => ({ id, width, stays });

describe('columns that stay while the table is scrolled sideways', () => {
  it('are the first ones that are to', () => {
    const columns = [column('a', '80px', true), column('b', '150px', true), column('c', '90px')];
    expect(pinnedColumns(columns)).toEqual(['a', 'b']);
  });

  it('are only the first ones: behind one that goes, none stays', () => {
    expect(pinnedColumns([column('a', '80px'), column('b', '90px', true)])).toEqual([]);
  });

  it('end with one whose width is not fixed, since it is not known where the next would stand', () => {
    const columns = [column('a', 'minmax(150px, 1fr)', true), column('b', '90px', true)];
    expect(pinnedColumns(columns)).toEqual(['a']);
    expect(pinnedColumns(columns, { a: 200 })).toEqual(['a', 'b']);
  });
});
