import { readFileSync } from 'node:fs';
import { describe, expect, it } from '@jest/globals';
import ExcelJS from 'exceljs';
import { guessMapping } from '@zest/core/formats/prices/columns';
import { DUPLICATE_POLICIES, planPrices } from '@zest/core/formats/prices/plan';
import { readPrices } from '@zest/core/formats/prices/read';
import { readZestjob } from '@zest/core/formats/zestjob/read';
import { createIdMaker } from '@zest/core/job/id';
import type { Job } from '@zest/core/job/job';
import { createChance } from '@zest/core/testing/job';
import { POINT_FORMAT } from '@zest/core/units/numberFormat';
import { readPriceBytes } from '../../workers/readPriceFile.ts';
import { writePriceCsv, writePriceXlsx } from './writePriceFile.ts';

function demo(): Job {
  const read = readZestjob(
    new Uint8Array(readFileSync(`${__dirname}/../../../../demo/files/tern-island-boathouse.zestjob`)),
  );
  if (!read.ok) throw new Error(JSON.stringify(read.problem));
  return read.value.job;
}
const job = demo();

/** What reading a written price book into the job again would change. */
async function readBack(blob: Blob) {
  const read = await readPriceBytes(await blob.arrayBuffer());
  if (!read.ok || read.value[0] === undefined) throw new Error('not read');
  const [sheet] = read.value;
  const { drafts, refused } = readPrices({
    rows: sheet.rows,
    brokenRows: sheet.brokenRows,
    headRow: 0,
    mapping: guessMapping(sheet.rows[0] ?? []),
    numbers: POINT_FORMAT,
    crafts: job.craft.values(),
    crews: job.crew.values(),
  });
  return { drafts, refused };
}

describe.each([
  ['CSV', async (of: Job) => writePriceCsv(of.item.values(), of)],
  ['XLSX', async (of: Job) => writePriceXlsx(of.item.values(), of)],
])('the price book as %s', (_kind, write) => {
  it('is read back whole, every price and hour as it was', async () => {
    const { drafts, refused } = await readBack(await write(job));
    expect(refused).toEqual([]);
    expect(drafts).toHaveLength(job.item.size);
    const byCode = new Map([...job.item.values()].map((item) => [item.code, item]));
    for (const { draft } of drafts) {
      const item = byCode.get(draft.code);
      for (const field of ['description', 'unit', 'supplier', 'date', 'group', 'tags'] as const)
        expect([draft.code, draft[field] ?? '']).toEqual([draft.code, item?.[field] ?? '']);
      for (const field of ['material', 'laborHours', 'equipment', 'subcontract', 'other'] as const)
        expect([draft.code, Number(draft[field] ?? 0)]).toEqual([draft.code, Number(item?.[field] ?? 0)]);
      expect(draft.sizes ?? {}).toEqual(item?.sizes ?? {});
    }
  });

  it.each(DUPLICATE_POLICIES)(
    'changes nothing when it is read again and the policy is to %s',
    async (policy) => {
      const { drafts } = await readBack(await write(job));
      const plan = planPrices({ drafts }, job, policy, createIdMaker(createChance()));
      expect([plan.added, plan.updated, plan.kept]).toEqual([[], [], job.item.size]);
    },
  );

  it('cannot carry a text that runs as a formula', async () => {
    const [item] = job.item.values();
    if (item === undefined) throw new Error('no item');
    const wicked = { ...item, description: '=HYPERLINK("x")', supplier: '@SUM(A1)', tags: '-1+2' };
    const blob = await write({ ...job, item: new Map([[item.id, wicked]]) });
    const read = await readPriceBytes(await blob.arrayBuffer());
    if (!read.ok) throw new Error('not read');
    const cells = (read.value[0]?.rows[1] ?? []).filter((text) => /HYPERLINK|SUM|-1\+2/.test(text));
    expect(cells).toHaveLength(3);
    for (const text of cells) expect(text.startsWith("'")).toBe(true);
    // Read back it is the text again.
    const { drafts } = await readBack(blob);
    expect(drafts[0]?.draft).toMatchObject({ description: wicked.description, tags: wicked.tags });
  });
});

it('a price book as XLSX has figures as figures, under a head that stays in sight', async () => {
  const blob = await writePriceXlsx(job.item.values(), job);
  const book = new ExcelJS.Workbook();
  await book.xlsx.load(await blob.arrayBuffer());
  const sheet = book.getWorksheet('Prices');
  const heads = (sheet?.getRow(1).values as readonly string[]).map(String);
  const material = heads.findIndex((head) => /^material/i.test(head));
  const figures: unknown[] = [];
  sheet?.eachRow((row, at) => {
    const { value } = row.getCell(material);
    if (at > 1 && value !== null && value !== '') figures.push(value);
  });
  expect(figures.length).toBeGreaterThan(100);
  for (const value of figures) expect(typeof value).toBe('number');
  expect(sheet?.views[0]).toMatchObject({ state: 'frozen', ySplit: 1 });
});
