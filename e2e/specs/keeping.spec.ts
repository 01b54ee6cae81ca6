import { mkdtemp, readFile, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { type BrowserContext, chromium, expect, test } from '@playwright/test';
import { CHROMIUM_ARGS, CHROMIUM_PATH, PORT } from '../browser.ts';
import {
  applyAssembly,
  DEMO_JOB,
  newJob,
  openDemo,
  openSheet,
  tallyFigure,
  totalOf,
  waitSaved,
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
  await expect(page.getByText(`‘${DEMO_JOB}’ is deleted.`, { exact: false })).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('button', { name: DEMO_JOB, exact: true })).toBeVisible();

  await page.getByLabel('Job file').setInputFiles(await file.path());
  await expect(page.getByRole('button', { name: DEMO_JOB, exact: true })).toHaveCount(2);
});

test('a second tab on a job only reads until it takes over', async ({ page, context }) => {
  await openDemo(page);
  const second = await context.newPage();
  await openDemo(second);
  await expect(second.getByText('This job is open in another tab.', { exact: false })).toBeVisible();
  const title = second.getByLabel('Sheet title').first();
  await title.fill('Changed');
  await title.press('Enter');
  await expect(second.getByRole('alert')).toContainText('Take over here to change it');
  await title.press('Escape');
  await second.getByRole('button', { name: 'Take over' }).click();
  await expect(page.getByText('This job is open in another tab.', { exact: false })).toBeVisible();
  await title.fill('Changed');
  await title.press('Enter');
  await waitSaved(second);
  await expect(title).toHaveValue('Changed');
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
  await expect(page.getByLabel('Height', { exact: true })).toHaveValue('2,7 m');
  await applyAssembly(page, 'Stud partition');
  await expect.poll(() => totalOf(page)).toBeGreaterThan(0);
  await expect(page.locator('[data-total]')).toHaveText(/^\d{1,3}(\.\d{3})*,\d\d\s€$/);
});
