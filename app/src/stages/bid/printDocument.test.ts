import { strFromU8, unzipSync } from 'fflate';
import { describe, expect, it } from '@jest/globals';
import type { PrintedBlock } from '@zest/core/formats/document/printed';
import { settingsOf } from '@zest/core/job/job';
import type { DocumentBlock } from '@zest/core/job/records/document';
import type { Settings } from '@zest/core/job/records/settings';
import { DOCUMENT_PRESETS, documentPreset, usualBid } from '@zest/core/library/documentPresets';
import { type Bench, createBench } from '@zest/core/testing/priced';
import { writeDocx } from '../../workers/writeDocx.ts';
import { type Printed, printDocument } from './printDocument.ts';

/** A slab and some work in no section: 1,200.50 and 0.50. */
function benchOf(settings: Partial<Settings> = {}): Bench {
  const bench = createBench();
  bench.change(
    {
      ...settingsOf(bench.job()),
      name: 'Boathouse',
      company: 'Builders',
      client: 'Club',
      bidDate: '2026-11-24',
      validDays: 30,
      inclusions: 'Doors\nWindows',
      exclusions: '',
      documentLanguage: 'en-US',
      ...settings,
    },
    bench.line({ sectionId: bench.sectionId('03'), description: 'Slab', costs: { material: '1200.50' } }),
    bench.line({ sectionId: null, description: 'Nails', costs: { material: '0.50' } }),
  );
  return bench;
}

function print(blocks: readonly DocumentBlock[], bench = benchOf(), hasSamples = false): Printed {
  return printDocument(
    { name: 'Bid', blocks, page: {} },
    {
      figures: bench.calculation.figures,
      hasSamples,
      pictures: {},
      isComplete: true,
      reportOf: () => undefined,
    },
  );
}

const blockOf = (block: DocumentBlock, bench = benchOf()): PrintedBlock => {
  const [printed] = print([block], bench).document.blocks;
  if (printed === undefined) throw new Error('no block');
  return printed;
};
const tableOf = (block: DocumentBlock, bench = benchOf()) => {
  const printed = blockOf(block, bench);
  if (printed.kind !== 'table') throw new Error(`${printed.kind} is no table`);
  return printed.table.rows.map(({ cells }) => cells.map(({ text }) => text));
};
const textOf = (text: string, bench = benchOf()) => {
  const printed = print([{ kind: 'text', key: 'text', text }], bench);
  const [block] = printed.document.blocks;
  return {
    says: block?.kind === 'paragraphs' ? block.paragraphs.map((each) => each.text).join('\n') : '',
    problems: printed.problems.map(({ formula }) => formula),
  };
};

describe('the prices of a document', () => {
  it('say sections, work in none by its own name, and the total in its currency', () => {
    expect(tableOf({ kind: 'prices', key: 'prices', detail: 'sections' })).toEqual([
      ['03', 'Concrete', '$1,200.50'],
      ['', 'Other work', '$0.50'],
      ['', 'Total, USD', '$1,201.00'],
    ]);
  });

  it('say nothing but the total where only that is shown', () => {
    expect(tableOf({ kind: 'prices', key: 'prices', detail: 'total' })).toEqual([
      ['', 'Total, USD', '$1,201.00'],
    ]);
  });

  it('have tax below the total, each rate on its share', () => {
    const bench = benchOf();
    bench.change({
      ...settingsOf(bench.job()),
      valueAddedTax: {
        name: 'VAT',
        percent: '20',
        rates: [{ sectionId: bench.sectionId('03') as never, percent: '5' }],
      },
    });
    expect(tableOf({ kind: 'prices', key: 'prices', detail: 'total' }, bench)).toEqual([
      ['', 'Total, USD', '$1,201.00'],
      ['', 'VAT 20 % on $0.50', '$0.10'],
      ['', 'VAT 5 % on $1,200.50', '$60.03'],
      ['', 'Total with VAT, USD', '$1,261.13'],
    ]);
  });
});

describe('the head of a document', () => {
  const headOf = (settings: Partial<Settings>) => {
    const head = blockOf({ kind: 'letterhead', key: 'letterhead' }, benchOf(settings));
    return head.kind === 'letterhead' ? { title: head.title, dated: head.dated } : undefined;
  };

  it('is in the language of the job’s documents, dates too', () => {
    expect(headOf({ documentLanguage: 'en-US' })?.dated).toBe('November 24, 2026');
    expect(headOf({ documentLanguage: 'en-GB' })?.dated).toBe('24 November 2026');
  });

  it('carries its number and revision', () => {
    expect(headOf({})?.title).toBe('Bid');
    expect(headOf({ bidNumber: '26-114' })?.title).toBe('Bid 26-114');
    expect(headOf({ bidNumber: '26-114', bidRevision: 2 })?.title).toBe('Bid 26-114, revision 2');
  });

  it('warns of sample prices above everything else', () => {
    const [first] = print([{ kind: 'letterhead', key: 'letterhead' }], benchOf(), true).document.blocks;
    expect(JSON.stringify(first)).toMatch(/sample prices/);
    expect(JSON.stringify(print([]).document)).not.toMatch(/sample prices/);
  });
});

describe('a text with live figures', () => {
  it('names the job and its total, and works formulas out in the units of the job', () => {
    expect(textOf('For {client}: {total} for {job}, {2 * 3 ft, ft} of it.')).toEqual({
      says: 'For Club: $1,201.00 for Boathouse, 6.00 ft of it.',
      problems: [],
    });
  });

  it('keeps what has no figure in its braces, and tells it', () => {
    expect(textOf('Of {no_such_scope.length} feet')).toEqual({
      says: 'Of {no_such_scope.length} feet',
      problems: ['no_such_scope.length'],
    });
  });
});

describe('terms and lists', () => {
  const termsOf = (validDays: number): unknown =>
    blockOf({ kind: 'terms', key: 'terms', text: '' }, benchOf({ validDays }));

  it('say for how long the bid is valid, or nothing', () => {
    expect(JSON.stringify(termsOf(30))).toContain('This bid is valid for 30 days from its date.');
    expect(JSON.stringify(termsOf(1))).toContain('This bid is valid for one day from its date.');
    expect(termsOf(0)).toMatchObject({ paragraphs: [] });
  });

  it('have an item a line, under the usual heading or one’s own', () => {
    expect(blockOf({ kind: 'inclusions', key: 'inclusions' })).toMatchObject({
      heading: 'Included',
      items: ['Doors', 'Windows'],
    });
    expect(blockOf({ kind: 'inclusions', key: 'inclusions', heading: 'With it' })).toMatchObject({
      heading: 'With it',
    });
  });
});

describe('a schedule of values', () => {
  it('numbers what is billed, and comes to the total', () => {
    expect(tableOf({ kind: 'values', key: 'values' })).toEqual([
      ['1', 'Concrete', '03', '$1,200.50'],
      ['2', 'Other work', '', '$0.50'],
      ['', 'Total, USD', '', '$1,201.00'],
    ]);
  });
});

describe('unit prices', () => {
  it('are of the lines chosen, or of all', () => {
    const bench = benchOf();
    const line = bench.line({
      description: 'Board',
      quantity: '8',
      unit: 'ft2',
      costs: { material: '1.25' },
    });
    bench.change(line);
    expect(tableOf({ kind: 'unit-prices', key: 'unit_prices', lines: [line.id] }, bench)).toEqual([
      ['Board', 'ft²', '$1.25'],
    ]);
    expect(tableOf({ kind: 'unit-prices', key: 'unit_prices', lines: [] }, bench)).toHaveLength(3);
  });
});

describe('what a document shows that is gone', () => {
  it('is told in its place', () => {
    expect(JSON.stringify(blockOf({ kind: 'report', key: 'report', report: 'report:gone' }))).toContain(
      'is gone',
    );
    expect(
      JSON.stringify(
        blockOf({ kind: 'sheet', key: 'sheet', sheetId: 'sheet:gone', caption: '', marks: 'all' }),
      ),
    ).toContain('is gone');
  });
});

describe('documents that ship', () => {
  it.each(DOCUMENT_PRESETS)('%s prints without a problem, and its keys are its own', (preset) => {
    const { blocks } = documentPreset(preset, 'Name');
    expect(new Set(blocks.map(({ key }) => key)).size).toBe(blocks.length);
    const { document, problems } = print(blocks);
    expect(problems).toEqual([]);
    expect(document.blocks).toHaveLength(blocks.length);
  });

  it('tells how it was calculated where the company is used to that', () => {
    expect(usualBid('Bid', { notesInBid: true }).blocks.map(({ kind }) => kind)).toContain('notes');
    expect(usualBid('Bid', {}).blocks.map(({ kind }) => kind)).not.toContain('notes');
  });
});

describe('a document for word processors', () => {
  it('holds every word, and is the same file twice', async () => {
    const { document } = print(usualBid('Bid', {}).blocks, benchOf());
    const bytes = await writeDocx(document);
    const body = strFromU8(unzipSync(bytes)['word/document.xml'] ?? new Uint8Array());
    for (const text of [
      'Builders',
      'Club',
      'Concrete',
      '$1,200.50',
      'Total, USD',
      'Doors',
      'valid for 30 days',
    ])
      expect(body).toContain(text);
    expect(await writeDocx(document)).toEqual(bytes);
  });
});
