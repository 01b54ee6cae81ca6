import { describe, expect, it } from '@jest/globals';
import { createBench } from '../testing/priced.ts';
import { BookSearch } from './bookSearch.ts';

const { item } = createBench();
const search = new BookSearch([
  item({ code: 'EL-114', description: 'EMT conduit 1-1/4"', group: 'Electrical' }),
  item({ code: 'EL-100', description: 'EMT conduit 1"', group: 'Electrical' }),
  item({ code: 'EL-010', description: 'EMT coupling 1"' }),
  item({ code: 'EL-LB', description: 'LB fitting 10 in' }),
  item({
    code: 'FTG-1',
    description: 'Strip footing form',
    family: 'Footing',
    sizes: { width: '20 in', depth: '30 in' },
  }),
  item({ code: 'FTG-2', description: 'Footing 24 x 36', tags: 'pad' }),
  item({ code: 'PAD', description: 'Neoprene pad', supplier: 'Büroholz & Söhne' }),
]);
const codes = (text: string): readonly string[] => search.find(text).map(({ code }) => code);

describe('the search of the price book', () => {
  it('finds words in any order, the size that was meant before those that only begin so', () => {
    expect(codes('emt 1')).toEqual(['EL-010', 'EL-100', 'EL-114']);
    expect(codes('conduit emt 1')[0]).toBe('EL-100');
    expect(codes('1 conduit')).toEqual(['EL-100', 'EL-114']);
  });

  it('finds sizes however they are written', () => {
    expect(codes('footing 20x30')).toEqual(['FTG-1']);
    expect(codes('footing 24 x 36')).toEqual(['FTG-2']);
    expect(codes('1-1/4"')).toEqual(['EL-114']);
  });

  it('finds codes, the whole one first, and their beginnings', () => {
    expect(codes('pad')).toEqual(['PAD', 'FTG-2']);
    expect(codes('el-1')).toEqual(['EL-100', 'EL-114']);
  });

  it('gives what is called so before what comes from a supplier that is called so', () => {
    const book = new BookSearch([
      item({ code: 'A-BAR', description: 'Reinforcing bar', supplier: 'Harbor Ready Mix' }),
      item({ code: 'B-MIX', description: 'Ready-mix concrete' }),
    ]);
    expect(book.find('ready').map(({ code }) => code)).toEqual(['B-MIX', 'A-BAR']);
  });

  it('finds names with marks by plain letters', () => {
    expect(codes('buroholz')).toEqual(['PAD']);
  });

  it('gives everything by code for no words, and nothing for a word that is not there', () => {
    expect(codes('')).toHaveLength(7);
    expect(codes('emt zinc')).toEqual([]);
  });

  it('leaves out what a filter does not want', () => {
    expect(search.find('emt', ({ group }) => group === 'Electrical')).toHaveLength(2);
  });
});
