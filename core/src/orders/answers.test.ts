import { describe, expect, it } from '@jest/globals';
import type { PriceRequest } from '../job/records/request.ts';
import { checkRecord } from '../job/checkRecord.ts';
import { type Answer, isSameOffer, offerOf } from './answers.ts';

const REQUEST: PriceRequest = {
  type: 'request',
  id: 'request:r',
  number: 1,
  name: 'Lumber',
  date: '2026-11-20',
  due: '2026-12-01',
  note: '',
  rows: ['r1', 'r2'].map((key) => ({
    key,
    itemCode: '',
    partNumber: '',
    description: `Row ${key}`,
    unit: 'ft',
    quantity: '10',
    needed: '10',
    places: [],
  })),
  suppliers: [{ key: 's1', name: 'Larch', token: 't' }],
  secret: '',
  approved: {},
  order: 1,
};

const ANSWER: Answer = {
  at: '2026-11-30T09:15:00.000Z',
  declined: false,
  validUntil: '2026-12-31',
  note: 'Ex yard',
  rows: [
    { key: 'r1', price: '1.25', unit: 'ft', leadDays: '5', substitute: '', note: '' },
    { key: 'r2', price: '', unit: 'ft', leadDays: '', substitute: 'Spruce', note: 'none in stock' },
  ],
};

describe('an answer as an offer', () => {
  it('has its day, what it says of each row, and days only where they were given', () => {
    expect(offerOf(REQUEST, 's1', ANSWER)).toEqual({
      type: 'offer',
      requestId: 'request:r',
      supplier: 's1',
      date: '2026-11-30',
      validUntil: '2026-12-31',
      note: 'Ex yard',
      rows: [
        { key: 'r1', price: '1.25', unit: 'ft', leadDays: 5, substitute: '', note: '' },
        { key: 'r2', price: '', unit: 'ft', substitute: 'Spruce', note: 'none in stock' },
      ],
    });
  });

  it('is a record that the job takes', () => {
    const offer = { ...offerOf(REQUEST, 's1', ANSWER), id: 'offer:o', order: 1 };
    expect(checkRecord('offer', offer).ok).toBe(true);
  });

  it('leaves out rows that nobody asked for', () => {
    const [first] = ANSWER.rows;
    const more = { ...ANSWER, rows: first === undefined ? [] : [first, { ...first, key: 'r9' }] };
    expect(offerOf(REQUEST, 's1', more).rows.map(({ key }) => key)).toEqual(['r1']);
  });

  it('is late after the day answers were wanted by, and on that day in time', () => {
    const at = (day: string, due = REQUEST.due): boolean | undefined =>
      offerOf({ ...REQUEST, due }, 's1', { ...ANSWER, at: `${day}T23:59:00.000Z` }).late;
    expect(at('2026-12-02')).toBe(true);
    expect(at('2026-12-01')).toBeUndefined();
    // No day was said.
    expect(at('2030-01-01', '')).toBeUndefined();
  });

  it('says where they do not want to offer', () => {
    expect(offerOf(REQUEST, 's1', { ...ANSWER, declined: true, rows: [] })).toMatchObject({
      declined: true,
      rows: [],
    });
  });
});

describe('the same answer again', () => {
  const offer = offerOf(REQUEST, 's1', ANSWER);
  const changed = (content: Partial<Answer>) => offerOf(REQUEST, 's1', { ...ANSWER, ...content });

  it('is told from another one by anything that it says', () => {
    expect(isSameOffer(offer, offerOf(REQUEST, 's1', structuredClone(ANSWER)))).toBe(true);
    expect(isSameOffer(offer, changed({ note: 'Delivered' }))).toBe(false);
    expect(isSameOffer(offer, changed({ validUntil: '' }))).toBe(false);
    expect(isSameOffer(offer, changed({ declined: true }))).toBe(false);
    expect(isSameOffer(offer, changed({ at: '2026-12-01T00:00:00.000Z' }))).toBe(false);
    const [first, second] = ANSWER.rows;
    if (first === undefined || second === undefined) throw new Error('no rows');
    for (const field of ['price', 'unit', 'leadDays', 'substitute', 'note'] as const)
      expect(isSameOffer(offer, changed({ rows: [{ ...first, [field]: '9' }, second] }))).toBe(false);
  });

  it('stays the same when only the day it was wanted by is another', () => {
    expect(isSameOffer(offer, offerOf({ ...REQUEST, due: '2026-11-01' }, 's1', ANSWER))).toBe(true);
  });
});
