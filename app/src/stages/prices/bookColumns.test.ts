import { describe, expect, it } from '@jest/globals';
import { put } from '@zest/core/job/change';
import { settingsOf } from '@zest/core/job/job';
import type { Item } from '@zest/core/job/records/item';
import { createBench } from '@zest/core/testing/priced';
import { makeCrew } from '@zest/core/testing/records';
import { COMMA_FORMAT } from '@zest/core/units/numberFormat';
import { formatsOf } from '../../stores/context.tsx';
import { BOOK_COLUMNS, USUAL_BOOK_COLUMNS, editItem, workerOf } from './bookColumns.tsx';

const bench = createBench();
const mason = bench.craft('Mason');
const crew = makeCrew(bench.makeId, { name: 'Wall crew', members: [{ craftId: mason.id, count: 2 }] });
bench.change(put(crew));
const job = bench.job();
const point = formatsOf(settingsOf(job));
const comma = formatsOf({ ...settingsOf(job), currency: 'EUR', decimalMark: ',', groupMark: '.' });
const item: Item = bench.item({
  code: 'BLK',
  description: 'Block',
  unit: 'ea',
  material: '1.80',
  sample: true,
});

/** The item after something was typed into a column of it; the kind of problem where it was refused. */
function typed(column: string, text: string, formats = point, of = item): Item | string {
  const edited = editItem(of, column, text, formats, job);
  return edited.ok ? edited.value : `refused: ${edited.problem.kind}`;
}

describe('what is typed into the price book', () => {
  it('is a cost in the marks of the job, with its currency or without', () => {
    expect(typed('material', '2.35')).toMatchObject({ material: '2.35' });
    expect(typed('material', ' $1,250.5 ')).toMatchObject({ material: '1250.5' });
    expect(typed('material', '1.250,5 €', comma)).toMatchObject({ material: '1250.5' });
    expect(typed('equipment', '0', point)).toMatchObject({ equipment: '0' });
    expect(COMMA_FORMAT).toEqual(comma.numbers);
  });

  it('is refused where it is no figure, below zero, or of another currency', () => {
    for (const wrong of ['cheap', '-1', '1.2.3', '€ 5', '9999999999'])
      expect([wrong, typed('material', wrong)]).toEqual([wrong, expect.stringContaining('refused')]);
    // Hours, packs and waste are no money.
    for (const column of ['laborHours', 'packSize', 'wastePercent'])
      expect([column, typed(column, '$5')]).toEqual([column, expect.stringContaining('refused')]);
  });

  it('makes a price one’s own: a sample whose cost is typed is none any more', () => {
    expect(typed('material', '2')).not.toHaveProperty('sample');
    expect(typed('description', 'Hollow block')).toMatchObject({ sample: true, description: 'Hollow block' });
    expect(typed('packSize', '90')).toMatchObject({ sample: true });
  });

  it('empties a cost, and leaves out what may be left out', () => {
    const full: Item = { ...item, wastePercent: '5', packSize: '90', laborBasis: 10, basis: 100 };
    expect(typed('material', '', point, full)).toMatchObject({ material: '' });
    expect(typed('wastePercent', '', point, full)).not.toHaveProperty('wastePercent');
    expect(typed('packSize', ' ', point, full)).not.toHaveProperty('packSize');
    expect(typed('laborBasis', '', point, full)).not.toHaveProperty('laborBasis');
    // A price is always for something.
    expect(typed('basis', '', point, full)).toMatchObject({ basis: 1 });
  });

  it('is a whole number where things are counted, and a percent with its sign or without', () => {
    expect(typed('basis', '100')).toMatchObject({ basis: 100 });
    expect(typed('basis', '2.5')).toEqual(expect.stringContaining('refused'));
    expect(typed('basis', '0')).toEqual(expect.stringContaining('refused'));
    expect(typed('wastePercent', '7.5 %')).toMatchObject({ wastePercent: '7.5' });
    expect(typed('packSize', '2.5')).toMatchObject({ packSize: '2.5' });
  });

  it('names who does it by the beginning of a craft or a crew', () => {
    expect(typed('craft', 'mas')).toMatchObject({ craftId: mason.id });
    const byCrew = typed('craft', 'Wall');
    expect(byCrew).toMatchObject({ craftId: null, crewId: crew.id });
    if (typeof byCrew === 'string') throw new Error(byCrew);
    expect(workerOf(byCrew, job)).toBe('Wall crew');
    expect(typed('craft', '', point, byCrew)).not.toHaveProperty('crewId');
    expect(typed('craft', 'mason', point, byCrew)).not.toHaveProperty('crewId');
    expect(typed('craft', 'Astronaut')).toBe('refused: worker-unknown');
    expect(workerOf(item, job)).toBe('');
  });

  it('is any text elsewhere, without the spaces around it', () => {
    for (const column of ['code', 'unit', 'supplier', 'date', 'tags', 'source', 'group'])
      expect(typed(column, '  a text ')).toMatchObject({ [column]: 'a text' });
  });
});

describe('the columns of the price book', () => {
  it('have each a name of their own, and some are there where nobody chose others', () => {
    expect(new Set(BOOK_COLUMNS.map(({ id }) => id)).size).toBe(BOOK_COLUMNS.length);
    expect(BOOK_COLUMNS.every(({ name, group }) => name !== '' && group !== '')).toBe(true);
    expect(USUAL_BOOK_COLUMNS).toEqual(expect.arrayContaining(['code', 'description', 'unit', 'material']));
    expect(USUAL_BOOK_COLUMNS).not.toContain('packSize');
  });
});
