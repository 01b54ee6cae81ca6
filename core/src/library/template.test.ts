import { describe, expect, it } from '@jest/globals';
import { Calculation } from '../calculate/calculation.ts';
import { knownValue } from '../calculate/define.ts';
import { bidNode, lineNode, measureNode } from '../calculate/graph/nodes.ts';
import { listRows } from '../estimate/rows.ts';
import { confirmQuantities } from '../job/commands/confirm.ts';
import { checkJob } from '../job/integrity.ts';
import { createJob } from '../job/job.ts';
import type { RecordOf } from '../job/record.ts';
import { makeMark, makeScope } from '../testing/job.ts';
import { createBench } from '../testing/priced.ts';
import { type CopiedRow, copyRows } from './copyRows.ts';
import { USUAL_TEMPLATE, templateOf } from './template.ts';
import { makeCrew } from '../testing/records.ts';

/** A measured slab with an assembly, a typed line by a crew, and one with a figure of the job. */
function finishedJob() {
  const bench = createBench();
  const slab = makeScope(bench.makeId, {
    key: 'slab',
    kind: 'area',
    name: 'Slab',
    sectionId: bench.sectionId('03'),
  });
  const assembly = [...bench.job().assembly.values()].find(({ measures }) => measures === 'area');
  if (assembly === undefined) throw new Error('no assembly for areas');
  const use: RecordOf<'use'> = {
    type: 'use',
    id: bench.makeId('use'),
    scopeId: slab.id,
    assemblyId: assembly.id,
    order: 1,
    answers: {},
  };
  const crew = makeCrew(bench.makeId, {
    name: 'Pour crew',
    members: [{ craftId: bench.craft('Laborer').id, count: 3 }],
  });
  const item = bench.item({ code: 'OWN-9', material: '12.5', family: 'Bolts', sizes: { length: '10 in' } });
  const days = bench.line({
    description: 'Layout',
    quantity: '2',
    unit: 'day',
    crewId: crew.id,
    sectionId: bench.sectionId('03'),
  });
  const flows = bench.line({
    description: 'Cure',
    quantity: 'total(slab, area)',
    unit: 'ft²',
    costs: { material: '0.1' },
  });
  const bolts = bench.line({
    description: 'Bolts',
    quantity: '40',
    sizing: { family: 'Bolts', by: { length: '8 in' } },
  });
  bench.change(slab, use, crew, item, days, flows, bolts);
  bench.change(
    makeMark(bench.makeId, slab, bench.sheet, [
      [0, 0],
      [24, 0],
      [24, 30],
      [0, 30],
    ]),
  );
  return { bench, slab, days, flows, bolts, use };
}

describe('a template', () => {
  it('keeps sections, scopes, assemblies and prices, with every quantity at zero', () => {
    const { bench, flows } = finishedJob();
    const job = createJob(templateOf(bench.job(), 'Small building', USUAL_TEMPLATE));
    expect(checkJob(job)).toBeUndefined();
    expect([job.mark.size, job.sheet.size, job.file.size]).toEqual([0, 0, 0]);
    expect([job.scope.size, job.use.size, job.item.size]).toEqual([1, 1, bench.job().item.size]);
    expect([...job.line.values()].map(({ quantity }) => quantity)).toEqual(['0', flows.quantity, '0']);
    expect(knownValue(new Calculation(job).figure(bidNode('total')))).toBe(0);
  });

  it('keeps what it is asked to, and no more', () => {
    const { bench } = finishedJob();
    const kept = createJob(
      templateOf(bench.job(), 'Quantities', { ...USUAL_TEMPLATE, quantities: true, prices: false }),
    );
    expect([...kept.line.values()].map(({ quantity }) => quantity)).toContain('40');
    expect([...kept.item.values()].every(({ material }) => material === '')).toBe(true);
  });
});

describe('a template of a job that went out', () => {
  const { bench } = finishedJob();
  const photo: RecordOf<'file'> = {
    type: 'file',
    id: bench.makeId('file'),
    name: 'pier.png',
    mediaType: 'image/png',
    byteLength: 3,
    pageCount: 1,
  };
  const letter: RecordOf<'document'> = {
    type: 'document',
    id: bench.makeId('document'),
    name: 'Letter',
    blocks: [
      { kind: 'letterhead', key: 'head' },
      { kind: 'picture', key: 'pier', fileId: photo.id, caption: '', widthPercent: 50 },
      { kind: 'sheet', key: 'plan', sheetId: bench.sheet.id, caption: '', marks: 'all' },
      { kind: 'text', key: 'text', text: 'Dear client' },
    ],
    page: {},
    order: 1,
  };
  const sent: RecordOf<'version'> = {
    type: 'version',
    id: bench.makeId('version'),
    documentId: letter.id,
    name: 'Letter',
    number: 1,
    date: '2026-11-20',
    note: '',
    total: 100,
    currency: 'USD',
    fileId: photo.id,
    snapshot: '',
    order: 1,
  };
  const request: RecordOf<'request'> = {
    type: 'request',
    id: bench.makeId('request'),
    number: 1,
    name: 'Bolts',
    date: '2026-11-20',
    due: '',
    note: '',
    rows: [
      {
        key: 'r1',
        itemCode: '',
        partNumber: '',
        description: 'Bolt',
        unit: 'ea',
        quantity: '9',
        needed: '9',
        places: [],
      },
    ],
    suppliers: [{ key: 's1', name: 'Larch', token: 'of-this-job' }],
    secret: 'only-this-job-has-it',
    approved: {},
    order: 1,
  };
  const offer: RecordOf<'offer'> = {
    type: 'offer',
    id: bench.makeId('offer'),
    requestId: request.id,
    supplier: 's1',
    date: '2026-11-21',
    validUntil: '',
    note: '',
    rows: [],
    order: 1,
  };
  const order: RecordOf<'purchaseOrder'> = {
    type: 'purchaseOrder',
    id: bench.makeId('purchaseOrder'),
    number: 1,
    supplier: 'Larch',
    date: '2026-11-22',
    deliverBy: '',
    note: '',
    requestId: request.id,
    rows: [
      { key: 'r1', partNumber: '', description: 'Bolt', unit: 'ea', quantity: '9', price: '2', places: [] },
    ],
    order: 1,
  };
  const stock: RecordOf<'stock'> = {
    type: 'stock',
    id: bench.makeId('stock'),
    key: 'Bolt|ea',
    quantity: '4',
    order: 1,
  };
  bench.change(photo, letter, sent, request, offer, order, stock);
  const job = createJob(templateOf(bench.job(), 'Small building', USUAL_TEMPLATE));

  it('holds nothing that was sent, asked, answered, ordered or in stock', () => {
    expect(checkJob(job)).toBeUndefined();
    for (const type of ['version', 'request', 'offer', 'purchaseOrder', 'stock'] as const)
      expect([type, job[type].size]).toEqual([type, 0]);
  });

  it('keeps its documents, without pictures and sheets that only this job has', () => {
    const [kept] = job.document.values();
    expect(kept?.blocks.map(({ kind }) => kind)).toEqual(['letterhead', 'text']);
  });
});

describe('lines copied from another job', () => {
  function copied() {
    const { bench: from, slab } = finishedJob();
    const to = createBench();
    const rows = listRows(from.job()).filter(
      (row): row is CopiedRow => row.type === 'line' || row.type === 'scope',
    );
    to.change((job) => ({
      ok: true,
      value: {
        added: copyRows(from.calculation.figures, rows, job, null, to.makeId),
        updated: [],
        removed: [],
      },
    }));
    return { from, to, slab };
  }

  it('come with assemblies, items and crews, at the same money', () => {
    const { from, to } = copied();
    expect(checkJob(to.job())).toBeUndefined();
    expect(to.known(bidNode('cost'))).toBe(from.known(bidNode('cost')));
    expect(to.job().crew.size).toBe(1);
    // An assembly that is here with the same content is not brought a second time.
    expect(to.job().assembly.size).toBe(from.job().assembly.size);
  });

  it('are unconfirmed until someone says that they are right', () => {
    const { to, slab } = copied();
    const scope = [...to.job().scope.values()].find(({ name }) => name === slab.name);
    if (scope === undefined) throw new Error('no scope came along');
    expect(to.known(measureNode(scope.id, 'area'))).toBeCloseTo(720 * 0.09290304, 6);
    expect([...to.job().piece.values()].map(({ unconfirmed }) => unconfirmed)).toEqual([true]);
    expect([...to.job().line.values()].every(({ unconfirmed }) => unconfirmed === true)).toBe(true);
    to.change(confirmQuantities(new Set([scope.id, ...to.job().line.keys()])));
    expect(
      [...to.job().line.values(), ...to.job().piece.values()].some(({ unconfirmed }) => unconfirmed),
    ).toBe(false);
  });

  it('bring figures, not formulas over names of the other job', () => {
    const { to } = copied();
    const cure = [...to.job().line.values()].find(({ description }) => description === 'Cure');
    expect(cure?.quantity).toBe('720');
    expect(to.known(lineNode(cure?.id ?? '', 'material'))).toBe(72_00);
  });
});
