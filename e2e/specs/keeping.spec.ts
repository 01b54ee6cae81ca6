import { mkdtemp, readFile, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { type BrowserContext, chromium, expect, test } from '@playwright/test';
import { CHROMIUM_ARGS, CHROMIUM_PATH, PORT } from '../browser.ts';
import {
  applyAssembly,
  DEMO_JOB,
  goTo,
  newJob,
  openDemo,
  openSheet,
  tallyFigure,
  totalOf,
  waitSaved,
  expectFormula,
} from '../drivers/zest.ts';

test('a killed browser loses nothing that was shown as saved', async () => {
  const profile = await mkdtemp(join(tmpdir(), 'zest-profile-'));
  const launch = (): Promise<BrowserContext> =>
    chromium.launchPersistentContext(profile, {
      executablePath: CHROMIUM_PATH,
      args: [...CHROMIUM_ARGS],
      baseURL: `http://127.0.0.1:${PORT}`,
      viewport: { width: 1280, height: 800 },
    });
  const context = await launch();
  const page = context.pages()[0]!;
  await openDemo(page);
  const desk = await openSheet(page, 'A-101');
  await page.getByRole('button', { name: 'Furring, creek side', exact: true }).click();
  await desk.draw('l', [
    [1, 2],
    [1, 42],
  ]);
  await expect(tallyFigure(page, 'furring')).toHaveText(/^(39|40)′/);
  await waitSaved(page);
  await expect(tallyFigure(page, 'furring')).toHaveText(/′/);
  const figure = await tallyFigure(page, 'furring').innerText();
  const session = await context.browser()?.newBrowserCDPSession();
  // No chance to write anything more: the whole browser goes down at once.
  await session?.send('Browser.crash').catch(() => undefined);
  if (session === undefined) await page.goto('chrome://crash').catch(() => undefined);
  await context.close().catch(() => undefined);
  for (const name of ['SingletonLock', 'SingletonCookie', 'SingletonSocket'])
    await rm(join(profile, name), { force: true });

  const again = await launch();
  const reopened = again.pages()[0]!;
  await openDemo(reopened);
  await openSheet(reopened, 'A-101');
  await expect(tallyFigure(reopened, 'furring')).toHaveText(figure);
  await again.close();
  await rm(profile, { recursive: true, force: true });
});

test('jobs are made, renamed, duplicated, exported, deleted, brought back and imported', async ({ page }) => {
  await newJob(page, 'Garden wall');
  await page.getByRole('link', { name: 'All jobs' }).click();
  await page.getByRole('button', { name: 'Rename Garden wall' }).click();
  await page.getByLabel('New name of Garden wall').fill('Orchard wall');
  await page.getByLabel('New name of Garden wall').press('Enter');
  await expect(page.getByRole('button', { name: 'Orchard wall', exact: true })).toBeVisible();

  await page.getByRole('button', { name: `Duplicate ${DEMO_JOB}` }).click();
  await expect(page.getByRole('button', { name: `${DEMO_JOB} (copy)`, exact: true })).toBeVisible();

  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: `Export ${DEMO_JOB}`, exact: true }).click();
  const file = await download;
  expect(file.suggestedFilename()).toBe('tern-island-boathouse.zestjob');
  // What goes out is what came in, to the byte.
  expect(
    (await readFile(await file.path())).equals(await readFile('demo/files/tern-island-boathouse.zestjob')),
  ).toBe(true);

  await page.getByRole('button', { name: `Delete ${DEMO_JOB}`, exact: true }).click();
  await expect(page.getByText(`‘${DEMO_JOB}’ was deleted.`, { exact: false })).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('button', { name: DEMO_JOB, exact: true })).toBeVisible();

  await page.getByLabel('Job file').setInputFiles(await file.path());
  await page.getByRole('button', { name: 'Keep both' }).click();
  await expect(page.getByRole('button', { name: DEMO_JOB, exact: true })).toHaveCount(1);
  await expect(page.getByRole('button', { name: `${DEMO_JOB} (from file)`, exact: true })).toHaveCount(1);
});

test('a second tab on a job only reads until it takes over', async ({ page, context }) => {
  await openDemo(page);
  const second = await context.newPage();
  await openDemo(second);
  await expect(second.getByText('This job is open in another tab.', { exact: false })).toBeVisible();
  const title = second.getByLabel('Sheet title').first();
  await title.fill('Changed');
  await title.press('Enter');
  await expect(second.getByRole('alert')).toContainText('to make changes, choose Edit here');
  await title.press('Escape');
  await second.getByRole('button', { name: 'Edit here' }).click();
  await expect(page.getByText('This job is open in another tab.', { exact: false })).toBeVisible();
  await title.fill('Changed');
  await title.press('Enter');
  await waitSaved(second);
  await expect(title).toHaveValue('Changed');
  // The first tab follows, without being touched.
  await expect(page.getByLabel('Sheet title').first()).toHaveValue('Changed');
});

test('copies of a job go to a folder when it is closed, and open as the same job', async ({ page }) => {
  // The browser's own private folder stands in for one that a person picks.
  await page.addInitScript(() => {
    Object.assign(window, {
      showDirectoryPicker: async () =>
        (await navigator.storage.getDirectory()).getDirectoryHandle('Bids', { create: true }),
    });
  });
  await page.goto('/jobs');
  const kept = page.getByRole('region', { name: 'Where your jobs are kept' });
  await expect(kept).toContainText('No copies outside the browser yet.');
  await kept.getByRole('button', { name: 'Choose a folder for copies' }).click();
  await expect(kept).toContainText('Copies go to the folder ‘Bids’');
  await newJob(page, 'Garden wall');
  await goTo(page, 'Estimate');
  await page.getByRole('button', { name: 'Add a line' }).click();
  await waitSaved(page);
  await page.getByRole('link', { name: 'All jobs' }).click();
  await expect(kept).toContainText('Last copy');
  const copies = await page.evaluate(async () => {
    const folder = await (await navigator.storage.getDirectory()).getDirectoryHandle('Bids');
    const found: { name: string; bytes: number[] }[] = [];
    for await (const entry of folder.values()) {
      if (entry.kind !== 'file') continue;
      const file = await (entry as FileSystemFileHandle).getFile();
      found.push({ name: file.name, bytes: [...new Uint8Array(await file.arrayBuffer())] });
    }
    return found;
  });
  expect(copies.map(({ name }) => name)).toEqual([
    expect.stringMatching(/^garden-wall \w{8} [-\d ]+\.zestjob$/),
  ]);
  const [{ name, bytes }] = copies as [(typeof copies)[0]];
  await page
    .getByLabel('Job file')
    .setInputFiles({ name, mimeType: 'application/zip', buffer: Buffer.from(bytes) });
  await page.getByRole('button', { name: 'Keep both' }).click();
  await expect(page.getByRole('button', { name: 'Garden wall (from file)', exact: true })).toHaveCount(1);
  await page.reload();
  await expect(kept).toContainText('Copies go to the folder ‘Bids’');
});

test('a metric job measures in meters, writes commas and prices in euro', async ({ page }) => {
  await newJob(page, 'Pavilion', 'metric');
  await page.getByLabel('PDF of the drawings').setInputFiles('demo/files/tern-island-boathouse.pdf');
  const desk = await openSheet(page, 'A-101');
  await page.keyboard.press('s');
  await desk.click([0, -8]);
  await desk.click([124, -8]);
  await page.getByLabel('How long is this really?').fill('37,7952 m');
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: 'Done' }).click();
  await desk.draw('l', [
    [0, 0],
    [62, 0],
  ]);
  await expect(tallyFigure(page, 'run_1')).toHaveText(/^18,[89]\d m$/);
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: '+ Height' }).click();
  await page.getByLabel('Height', { exact: true }).fill('2,7');
  await page.getByLabel('Height', { exact: true }).press('Enter');
  await expectFormula(page.getByLabel('Height', { exact: true }), '2,7 m');
  await applyAssembly(page, 'Stud partition');
  await expect.poll(() => totalOf(page)).toBeGreaterThan(0);
  await expect(page.locator('[data-total]')).toHaveText(/^\d{1,3}(\.\d{3})*,\d\d\s€$/);
});

test('what was done before a reload is undone by name, and done again', async ({ page }) => {
  await openDemo(page);
  const title = page.getByLabel('Sheet title').first();
  const before = await title.inputValue();
  await title.fill('Cover sheet');
  await title.press('Enter');
  await waitSaved(page);
  const undo = page.getByRole('button', { name: /^Undo / });
  const name = (await undo.getAttribute('aria-label')) ?? '';
  await page.reload();
  await page.getByRole('button', { name, exact: true }).click();
  await expect(title).toHaveValue(before);
  await waitSaved(page);
  await page.reload();
  await expect(title).toHaveValue(before);
  await page.getByRole('button', { name: name.replace('Undo', 'Redo'), exact: true }).click();
  await expect(title).toHaveValue('Cover sheet');
});

test('a bid that an earlier version of the program figured otherwise is told when the job is opened', async ({
  page,
}) => {
  await openDemo(page);
  const total = await page.locator('[data-total]').innerText();
  await page.goto('/jobs');
  await page.evaluate(
    (name) =>
      new Promise<void>((resolve, reject) => {
        const opening = indexedDB.open('zest-line');
        opening.onerror = () => reject(new Error('no database'));
        opening.onsuccess = () => {
          const jobs = opening.result.transaction('jobs', 'readwrite').objectStore('jobs');
          const asked = jobs.getAll();
          asked.onsuccess = () => {
            const job = asked.result.find((each: { name: string }) => each.name === name) as object;
            jobs.put({ ...job, totalMinor: 100_000_000 });
          };
          jobs.transaction.oncomplete = () => {
            opening.result.close();
            resolve();
          };
        };
      }),
    DEMO_JOB,
  );
  await page.goto('/jobs');
  await page.getByRole('button', { name: DEMO_JOB, exact: true }).click();
  const told = page.getByText('The bid was $1,000,000.00 when this job was last saved', { exact: false });
  await expect(told).toContainText(`makes it ${total}`);
  await page.getByRole('button', { name: 'Got it' }).click();
  await expect(told).toHaveCount(0);
});

test('records of an older version that cannot be read are named, given out and kept; the job opens without', async ({
  page,
}) => {
  await openDemo(page);
  const total = await totalOf(page);
  await page.goto('/jobs');
  await page.evaluate(
    (name) =>
      new Promise<void>((resolve, reject) => {
        const opening = indexedDB.open('zest-line');
        opening.onerror = () => reject(new Error('no database'));
        opening.onsuccess = () => {
          const transaction = opening.result.transaction(['jobs', 'bulk'], 'readwrite');
          const asked = transaction.objectStore('jobs').getAll();
          asked.onsuccess = () => {
            const job = asked.result.find((each: { name: string }) => each.name === name) as { id: string };
            transaction.objectStore('jobs').put({ ...job, version: 5 });
            const bulk = transaction.objectStore('bulk').get([job.id, 0]);
            bulk.onsuccess = () => {
              const part = bulk.result as { json: string };
              const records = JSON.parse(part.json) as { description?: string; unit?: unknown }[];
              const line = records.find(({ description }) => description === 'Superintendent');
              if (line !== undefined) line.unit = 7;
              transaction.objectStore('bulk').put({ ...part, json: JSON.stringify(records) });
            };
          };
          transaction.oncomplete = () => {
            opening.result.close();
            resolve();
          };
        };
      }),
    DEMO_JOB,
  );
  await page.goto('/jobs');
  await page.getByRole('button', { name: DEMO_JOB, exact: true }).click();
  const told = page.getByRole('alert').filter({ hasText: '1 record in this job couldn’t be read' });
  await expect(told).toContainText('‘Superintendent’');
  await expect(page.getByText('without the records named below it is', { exact: false })).toBeVisible();
  expect(await totalOf(page)).toBeLessThan(total);
  const saving = page.waitForEvent('download');
  await told.getByRole('button', { name: 'Save the missing records' }).click();
  const saved = JSON.parse(await readFile(await (await saving).path(), 'utf8')) as { record: object }[];
  expect(saved.map(({ record }) => record)).toEqual([
    expect.objectContaining({ description: 'Superintendent', unit: 7 }),
  ]);
  await told.getByRole('button', { name: 'Got it' }).click();
  await expect(told).toHaveCount(0);
  // The first change writes the job in this version; what was set aside is not asked about again.
  await goTo(page, 'Estimate');
  await page.getByRole('button', { name: 'Add a line' }).click();
  await waitSaved(page);
  await page.reload();
  await expect(page.getByRole('grid', { name: 'Estimate' })).toBeVisible();
  await expect(told).toHaveCount(0);
});

test('a page that stops by a mistake of the program says so; the job is exported, and the rest goes on', async ({
  page,
}) => {
  await openDemo(page);
  const title = page.getByLabel('Sheet title').first();
  await title.fill('Cover sheet');
  await title.press('Enter');
  await waitSaved(page);
  /** Charts cannot be drawn any more, as after a mistake in what draws them. */
  const breakCharts = (): Promise<void> =>
    page.evaluate(() => {
      const real = HTMLCanvasElement.prototype.getContext;
      (window as unknown as { mend: () => void }).mend = () => {
        HTMLCanvasElement.prototype.getContext = real;
      };
      HTMLCanvasElement.prototype.getContext = () => {
        throw new Error('no ink');
      };
    });
  const mend = (): Promise<void> => page.evaluate(() => (window as unknown as { mend: () => void }).mend());
  const failed = page.getByRole('alert').filter({ hasText: 'This page stopped working' });
  const openCharts = async (): Promise<void> => {
    await goTo(page, 'Estimate');
    await page.getByRole('link', { name: 'Charts' }).click();
  };
  await breakCharts();
  await openCharts();
  await expect(failed).toContainText('no ink');
  const saving = page.waitForEvent('download');
  await failed.getByRole('button', { name: 'Export the job' }).click();
  expect((await saving).suggestedFilename()).toBe('tern-island-boathouse.zestjob');
  await mend();
  await failed.getByRole('button', { name: 'Try again' }).click();
  await expect(page.locator('canvas').first()).toBeVisible();
  await expect(failed).toHaveCount(0);
  await breakCharts();
  await openCharts();
  await expect(failed).toBeVisible();
  await mend();
  await failed.getByRole('button', { name: /^Go back to before/ }).click();
  await expect(page.locator('canvas').first()).toBeVisible();
  await goTo(page, 'Sheets');
  await expect(page.getByLabel('Sheet title').first()).not.toHaveValue('Cover sheet');
});
