import { readFileSync } from 'node:fs';
import { type Page, expect } from '@playwright/test';
import { newJob } from '../drivers/zest.ts';
import { drawingSet } from './drawings.ts';
import { type BenchFigure, median } from './figures.ts';
import { type Bench, waitDrawn } from './pages.ts';

const RUNS = 5;

/** Reloads the job and waits for the given sheet to stand drawn; ms from the click that asks for it. */
async function openSheetTime(page: Page, index: number): Promise<number> {
  const select = page.getByRole('complementary', { name: 'Tally' }).getByLabel('Sheet', { exact: true });
  await select.waitFor();
  const started = Date.now();
  await select.selectOption({ index });
  await waitDrawn(page);
  return Date.now() - started;
}

/** A set of drawings: the first page from a cold start, any other page, and sharp tiles. */
async function measureSet(bench: Bench, pages: number): Promise<readonly BenchFigure[]> {
  const path = await drawingSet(pages, 8_000);
  const page = await bench.newPage();
  await newJob(page, `Bench set of ${pages}`);
  const started = Date.now();
  await page.getByLabel('PDF of the drawings').setInputFiles(path);
  await expect(page.getByRole('article')).toHaveCount(pages, { timeout: 180_000 });
  const read = Date.now() - started;
  await page.getByRole('link', { name: /^Measure/ }).click();
  await waitDrawn(page);
  const first: number[] = [];
  for (let i = 0; i < RUNS; i += 1) {
    await page.reload({ waitUntil: 'commit' });
    const from = Date.now();
    await page.locator('[data-drawn]').waitFor({ state: 'attached' });
    await waitDrawn(page);
    first.push(Date.now() - from);
  }
  const any: number[] = [];
  for (let i = 1; i <= RUNS; i += 1)
    any.push(await openSheetTime(page, Math.floor((i * pages) / (RUNS + 1))));
  const tiles = await tileTimes(page);
  const snaps = await snapTimes(page);
  if (pages >= 100) await visitAll(page, pages);
  const memory = await memoryOf(page);
  await page.context().close();
  return [
    { name: `pdf.${pages}.read`, value: read, unit: 'ms' },
    { name: `pdf.${pages}.first`, value: median(first), unit: 'ms' },
    { name: `pdf.${pages}.page`, value: median(any), unit: 'ms' },
    ...(pages < 100
      ? [
          { name: 'pdf.tile', value: median(tiles), unit: 'ms' } as const,
          { name: 'snap.ready', value: median(snaps), unit: 'ms' } as const,
        ]
      : [{ name: `pdf.${pages}.memory`, value: memory, unit: 'MB' } as const]),
  ];
}

/** What each sharp tile took while panning zoomed in, as the sheet layer marks it. */
async function tileTimes(page: Page): Promise<readonly number[]> {
  await page.locator('.desk').hover();
  for (let step = 0; step < 14; step += 1) await page.mouse.wheel(0, -240);
  await waitDrawn(page);
  await page.evaluate(() => performance.clearMeasures('sheet-tile'));
  for (let i = 0; i < 8; i += 1) {
    for (let step = 0; step < 12; step += 1) await page.keyboard.press('ArrowRight');
    await waitDrawn(page);
  }
  const times = await page.evaluate(() =>
    performance.getEntriesByName('sheet-tile').map(({ duration }) => duration),
  );
  if (times.length === 0) throw new Error('tileTimes: no tile was drawn');
  return times;
}

/** From a page's opening until its lines can be snapped to, as the desk marks it. */
async function snapTimes(page: Page): Promise<readonly number[]> {
  const times = await page.evaluate(() =>
    performance.getEntriesByName('snap-ready').map(({ duration }) => duration),
  );
  if (times.length === 0) throw new Error('snapTimes: no lines were read');
  return times;
}

/** Memory of the page with all its workers, as the system counts its process; MB. */
async function memoryOf(page: Page): Promise<number> {
  const browser = page.context().browser();
  if (browser === null) throw new Error('memoryOf: no browser');
  const session = await browser.newBrowserCDPSession();
  const { processInfo } = await session.send('SystemInfo.getProcessInfo');
  const sizes = processInfo
    .filter(({ type }) => type === 'renderer')
    .map(({ id }) => {
      const status = readFileSync(`/proc/${id}/status`, 'utf8');
      return Number(/VmRSS:\s+(\d+)/.exec(status)?.[1] ?? 0) / 1024;
    });
  await session.detach();
  return Math.max(...sizes);
}

/** Goes through every sheet of the set once, as somebody looking for something does. */
async function visitAll(page: Page, pages: number): Promise<void> {
  for (let index = 0; index < pages; index += 1) await openSheetTime(page, index);
}

export const measureSmallSet = (bench: Bench) => measureSet(bench, 20);
export const measureLargeSet = (bench: Bench) => measureSet(bench, 200);
