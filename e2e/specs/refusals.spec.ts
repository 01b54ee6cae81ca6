import { readFile } from 'node:fs/promises';
import { deflateSync } from 'node:zlib';
import { type Page, expect, test } from '@playwright/test';
import { PDFDocument } from '@cantoo/pdf-lib';
import { zipSync, strToU8 } from 'fflate';
import {
  DEMO_SHEETS,
  DEMO_PDF,
  addPdf,
  goTo,
  newJob,
  openDemo,
  openSheet,
  tallyFigure,
  totalOf,
  waitSaved,
  expectFormula,
} from '../drivers/zest.ts';

const pdf = (name: string, buffer: Buffer) => ({ name, mimeType: 'application/pdf', buffer });

/** An encryption dictionary with nothing that opens it: a reader must ask for the password. */
async function lockedPdf(): Promise<Buffer> {
  const document = await PDFDocument.create();
  document.addPage([200, 200]);
  const plain = Buffer.from(await document.save({ useObjectStreams: false })).toString('latin1');
  const secret = '00'.repeat(32);
  const entry = `/Encrypt << /Filter /Standard /V 1 /R 2 /O <${secret}> /U <${secret}> /P -44 >> /ID [<${'ab'.repeat(16)}> <${'ab'.repeat(16)}>]`;
  return Buffer.from(plain.replace(/trailer\s*<</, `trailer\n<< ${entry}`), 'latin1');
}

async function manyPages(count: number): Promise<Buffer> {
  const document = await PDFDocument.create();
  for (let i = 0; i < count; i += 1) document.addPage([100, 100]);
  return Buffer.from(await document.save());
}

/** A PDF written by hand; what reads it finds its objects by itself. */
const rawPdf = (...objects: readonly (string | Buffer)[]): Buffer =>
  Buffer.concat([
    Buffer.from('%PDF-1.7\n'),
    ...objects.flatMap((object, i) => [
      Buffer.from(`${i + 1} 0 obj\n`),
      Buffer.from(object),
      Buffer.from('\nendobj\n'),
    ]),
    Buffer.from('trailer\n<< /Root 1 0 R >>\n%%EOF\n'),
  ]);
const stream = (dictionary: string, content: Buffer): Buffer =>
  Buffer.concat([
    Buffer.from(`<< ${dictionary} /Length ${content.length} >>\nstream\n`),
    content,
    Buffer.from('\nendstream'),
  ]);
const PAGES = ['<< /Type /Catalog /Pages 2 0 R >>', '<< /Type /Pages /Kids [3 0 R] /Count 1 >>'] as const;
const pageWith = (content: string): string =>
  `<< /Type /Page /Parent 2 0 R /MediaBox [0 0 612 792] /Contents ${content} >>`;

/** 200 MB of blanks in a file of 200 KB. */
const blanks = (): Buffer =>
  rawPdf(...PAGES, pageWith('4 0 R'), stream('/Filter /FlateDecode', deflateSync(Buffer.alloc(200e6, ' '))));

/** Four million operations in a file of 30 KB. */
const crowded = (): Buffer =>
  rawPdf(
    ...PAGES,
    pageWith('4 0 R'),
    stream('/Filter /FlateDecode', deflateSync(Buffer.from('q Q '.repeat(2e6)))),
  );

test('drawings that cannot be taken are refused in a sentence, and the next ones still come in', async ({
  page,
}) => {
  await newJob(page, 'Refusals');
  const whole = await readFile(DEMO_PDF);
  const cases: readonly (readonly [Parameters<typeof addPdf>[1], RegExp])[] = [
    [pdf('empty.pdf', Buffer.alloc(0)), /empty\.pdf: The file is empty/],
    [pdf('letter.pdf', Buffer.from('Dear estimator, please find attached')), /letter\.pdf: This isn’t a PDF/],
    [pdf('cut.pdf', Buffer.from(whole.subarray(0, 700))), /cut\.pdf: The PDF is damaged or incomplete/],
    [
      {
        name: 'huge.png',
        mimeType: 'image/png',
        // The header alone says 30,000 by 30,000; nothing is unpacked to find that out.
        buffer: Buffer.from(
          '89504e470d0a1a0a0000000d49484452000075300000753008020000000000000000000000',
          'hex',
        ),
      },
      /huge\.png: The scan is 30,000 by 30,000 pixels/,
    ],
    [
      { name: 'torn.jpg', mimeType: 'image/jpeg', buffer: Buffer.from('ffd8ffe000104a46', 'hex') },
      /torn\.jpg: The image is damaged/,
    ],
    [pdf('locked.pdf', await lockedPdf()), /locked\.pdf: This PDF is password-protected/],
    [pdf('atlas.pdf', await manyPages(3000)), /atlas\.pdf: The PDF has 3,000 pages; up to 1,000/],
    [pdf('blanks.pdf', blanks()), /blanks\.pdf: One piece of the PDF would unpack to more than 92 MB/],
  ];
  for (const [file, words] of cases) {
    await addPdf(page, file);
    await expect(page.getByText(words)).toBeVisible({ timeout: 30_000 });
    await expect(page.getByRole('article')).toHaveCount(0);
  }
  await addPdf(page);
  await expect(page.getByRole('article')).toHaveCount(DEMO_SHEETS);
});

test('a page with more on it than can be drawn says so, and the others are drawn', async ({ page }) => {
  test.setTimeout(120_000);
  await newJob(page, 'Too dense');
  await addPdf(page);
  await expect(page.getByRole('article')).toHaveCount(DEMO_SHEETS);
  await addPdf(page, pdf('crowded.pdf', crowded()));
  await expect(page.getByRole('article')).toHaveCount(DEMO_SHEETS + 1, { timeout: 60_000 });
  await goTo(page, 'Measure');
  const sheets = page.getByRole('complementary', { name: 'Tally' }).getByLabel('Sheet', { exact: true });
  await sheets.selectOption({ index: DEMO_SHEETS });
  await expect(page.getByText('This page has too much on it to draw.')).toBeVisible({ timeout: 60_000 });
  await sheets.selectOption({ index: 0 });
  await expect(page.locator('[data-drawn="sharp"]')).toBeAttached({ timeout: 30_000 });
});

test('a long set can be canceled, and nothing of it stays', async ({ page }) => {
  await newJob(page, 'Canceled');
  await addPdf(page, pdf('long.pdf', await manyPages(900)));
  await page.getByRole('button', { name: 'Cancel' }).click();
  await expect(page.getByText('Reading long.pdf was canceled; no sheets were added.')).toBeVisible();
  await expect(page.getByRole('heading', { name: 'No sheets yet' })).toBeVisible();
});

test('job files that cannot be taken are refused in a sentence', async ({ page }) => {
  await page.goto('/jobs');
  await expect(page.getByRole('row')).toHaveCount(5);
  const give = (name: string, bytes: Uint8Array) =>
    page
      .getByLabel('Job file')
      .setInputFiles({ name, mimeType: 'application/zip', buffer: Buffer.from(bytes) });
  const envelope = (content: object): Uint8Array => zipSync({ 'job.json': strToU8(JSON.stringify(content)) });
  const cases: readonly (readonly [Uint8Array, RegExp])[] = [
    [
      new Uint8Array(await readFile('demo/files/tern-island-boathouse.zestjob')).slice(0, 9000),
      /isn’t a job file, or it is incomplete/,
    ],
    [envelope({ format: 'zestjob', version: 99, records: [] }), /comes from a newer Zest Line/],
    [
      envelope({ format: 'zestjob', version: 1, records: [], extra: true }),
      /field ‘extra’ that this program doesn’t know/,
    ],
    [zipSync({ 'notes.txt': strToU8('hello') }), /no job in this file/],
  ];
  for (const [bytes, words] of cases) {
    await give('job.zestjob', bytes);
    await expect(page.getByText(words)).toBeVisible();
  }
  await expect(page.getByRole('row')).toHaveCount(5);
});

test('formulas that do not work say why in their place, and the bid goes on', async ({ page }) => {
  await openDemo(page);
  await goTo(page, 'Assemblies');
  await page.getByRole('button', { name: /^Slab on grade/ }).click();
  const bid = await totalOf(page);
  const formula = page.getByLabel('Formula of Ready-mix concrete');
  const say = async (text: string, words: RegExp): Promise<void> => {
    await formula.fill(text);
    await formula.press('Enter');
    await expect(page.getByText(words).first()).toBeVisible();
    await expectFormula(formula, text);
  };
  await say('area + thickness', /area \+ thickness: an area cannot be added to a length/);
  await say('area', /This gives an area; a volume is needed here/);
  await say('area * thicknes', /Did you mean thickness/);
  await say('area * (', /isn’t finished/);
  await formula.fill('area * thickness / (pumped - 1)');
  await formula.press('Enter');
  await expect(page.getByText('divides by zero').first()).toBeVisible();
  await formula.fill('place');
  await formula.press('Enter');
  await expect(page.getByText('loop').first()).toBeVisible();
  expect(await totalOf(page)).toBeGreaterThan(20_000_000);
  for (let i = 0; i < 6; i += 1) await page.getByRole('button', { name: /^Undo/ }).click();
  await expectFormula(formula, 'area * thickness');
  expect(await totalOf(page)).toBe(bid);
});

test('a name of 5,000 characters is refused where it is typed, and stays there to be shortened', async ({
  page,
}) => {
  await openDemo(page);
  await openSheet(page, 'A-101');
  await page.getByRole('button', { name: 'Rubber floor', exact: true }).click();
  const name = page.getByLabel('Scope name');
  await name.fill('x'.repeat(5000));
  await name.press('Enter');
  await expect(page.getByRole('alert')).toHaveText(
    'The name of the scope is too long; the limit is 200 characters.',
  );
  await expect(name).toHaveValue('x'.repeat(5000));
  await expect(tallyFigure(page, 'rubber_floor')).toHaveText(/2,822\.0/);
});

/** The browser's disk is full from now on, until `free` is called. */
async function fillDisk(page: Page): Promise<{ readonly free: () => Promise<void> }> {
  await page.evaluate(() => {
    const real = IDBDatabase.prototype.transaction;
    (window as unknown as { freeDisk: () => void }).freeDisk = () => {
      IDBDatabase.prototype.transaction = real;
    };
    IDBDatabase.prototype.transaction = function refuse(this: IDBDatabase, names, mode, options) {
      if (mode === 'readwrite') throw new DOMException('The disk is full', 'QuotaExceededError');
      return real.call(this, names, mode, options);
    };
  });
  return { free: () => page.evaluate(() => (window as unknown as { freeDisk: () => void }).freeDisk()) };
}

/** Changes the first sheet's title while the disk is full; it is told, and what was typed stays. */
async function typeUnsaved(page: Page): Promise<Awaited<ReturnType<typeof fillDisk>>> {
  const disk = await fillDisk(page);
  const title = page.getByLabel('Sheet title').first();
  await title.fill('Cover sheet');
  await title.press('Enter');
  await expect(
    page.getByText('The disk is full, so the last changes aren’t saved.', { exact: false }),
  ).toBeVisible();
  await expect(page.locator('[data-saved="failed"]')).toBeVisible();
  await expect(title).toHaveValue('Cover sheet');
  return disk;
}

test('a full disk is told, nothing is lost, and saving goes on when there is room', async ({ page }) => {
  await openDemo(page);
  const disk = await typeUnsaved(page);
  await disk.free();
  await page.getByRole('button', { name: 'Try again' }).click();
  await waitSaved(page);
  await page.reload();
  await expect(page.getByLabel('Sheet title').first()).toHaveValue('Cover sheet');
});

test('what could not be saved is asked about before the job is left, and before the tab is closed', async ({
  page,
}) => {
  await openDemo(page);
  await typeUnsaved(page);
  const leave = page.getByRole('dialog', { name: 'Leave with unsaved changes?' });
  // Going back, as the browser does it.
  await page.goBack();
  await expect(leave).toContainText('1 change could not be saved in this browser.');
  const saving = page.waitForEvent('download');
  await leave.getByRole('button', { name: 'Export the job' }).click();
  expect((await saving).suggestedFilename()).toBe('tern-island-boathouse.zestjob');
  await leave.getByRole('button', { name: 'Stay' }).click();
  await expect(leave).toBeHidden();
  await expect(page.getByLabel('Sheet title').first()).toHaveValue('Cover sheet');
  const asked = page.waitForEvent('dialog');
  const closing = page.close({ runBeforeUnload: true });
  const question = await asked;
  expect(question.type()).toBe('beforeunload');
  await question.dismiss();
  await closing;
  await page.goBack();
  await leave.getByRole('button', { name: 'Leave and lose 1 change' }).click();
  await expect(page.getByRole('heading', { name: 'Jobs', exact: true })).toBeVisible();
});

test('a tab that cannot save is not taken over without a word, and what it could not save never comes back', async ({
  page,
  context,
}) => {
  await openDemo(page);
  const disk = await typeUnsaved(page);
  const second = await context.newPage();
  await openDemo(second);
  const take = second.getByRole('button', { name: 'Edit here' });
  await take.click();
  await expect(second.getByText('The other tab has 1 change it can’t save.', { exact: false })).toBeVisible();
  await second.getByRole('button', { name: 'Edit here and lose them' }).click();
  await expect(
    page.getByText('Another tab took this job before 1 change made here could be saved.', { exact: false }),
  ).toBeVisible();
  const title = second.getByLabel('Sheet title').first();
  await title.fill('Cover');
  await title.press('Enter');
  await waitSaved(second);
  await disk.free();
  await page.reload();
  await expect(page.getByLabel('Sheet title').first()).toHaveValue('Cover');
});
