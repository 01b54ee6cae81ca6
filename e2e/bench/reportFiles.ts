import type { Page } from '@playwright/test';
import { mkdirSync, writeFileSync } from 'node:fs';
import { writeZestjob } from '@zest/core/formats/zestjob/write';
import { settingsOf } from '@zest/core/job/job';
import { type BenchFigure, median, quantile } from './figures.ts';
import type { Bench } from './pages.ts';
import { createLinesJob } from './reportRows.ts';

const RUNS = 5;
const EDITS = 30;

/** A report of 20,000 rows as a person sees it: its first rows, an edit to its foot, and its files. */
export async function measureReportFiles(bench: Bench): Promise<readonly BenchFigure[]> {
  const page = await bench.newPage();
  await openLinesJob(page);
  const opens: number[] = [];
  for (let run = 0; run < RUNS + 1; run += 1) {
    await showReport(page, 'Everything measured');
    const took = await showReport(page, 'Bench rows');
    if (run > 0) opens.push(took);
  }
  const edits = await editTimes(page);
  const xlsx: number[] = [];
  for (let run = 0; run < RUNS; run += 1) xlsx.push(await saveTime(page, 'XLSX with live formulas'));
  await showReport(page, 'Bench pages');
  const pdf: number[] = [];
  for (let run = 0; run < RUNS; run += 1) pdf.push(await saveTime(page, 'PDF'));
  await page.context().close();
  return [
    { name: 'report.open', value: median(opens), unit: 'ms' },
    { name: 'report.edit.p95', value: quantile(edits, 0.95), unit: 'ms' },
    { name: 'report.xlsx', value: median(xlsx), unit: 'ms' },
    { name: 'report.pdf', value: median(pdf), unit: 'ms' },
  ];
}

async function openLinesJob(page: Page): Promise<void> {
  const job = createLinesJob();
  mkdirSync('.cache/bench', { recursive: true });
  const path = '.cache/bench/lines.zestjob';
  writeFileSync(path, writeZestjob(job, new Map()));
  await page.goto('/jobs');
  await page.getByLabel('Job file').setInputFiles(path);
  const { name } = settingsOf(job);
  await page.getByRole('button', { name, exact: true }).click({ timeout: 120_000 });
  await page.getByRole('link', { name: /^Reports/ }).click();
  await page.getByRole('button', { name: 'Bench rows' }).waitFor();
}

/** From the click on a report of the list to rows of it, or to the word that it has none; ms. */
const showReport = (page: Page, name: string): Promise<number> =>
  page
    .getByRole('navigation', { name: 'Reports' })
    .getByRole('button', { name, exact: true })
    .evaluate(
      (button, label) =>
        new Promise<number>((resolve) => {
          const start = performance.now();
          const wait = (): void => {
            const isShown =
              document.querySelectorAll(`[role=grid][aria-label="${label}"] [role=row]`).length > 5 ||
              [...document.querySelectorAll('h2')].some(({ textContent }) => textContent === 'No rows');
            if (isShown) resolve(performance.now() - start);
            else requestAnimationFrame(wait);
          };
          (button as HTMLElement).click();
          requestAnimationFrame(wait);
        }),
      name,
    );

/** From Enter in a cell to another figure at the foot of the report; ms. */
async function editTimes(page: Page): Promise<readonly number[]> {
  const grid = page.getByRole('grid', { name: 'Bench rows' });
  await page.locator('[data-foot]').waitFor();
  await page.evaluate(() => {
    const times: number[] = [];
    (window as unknown as { footTimes: number[] }).footTimes = times;
    const foot = document.querySelector('[data-foot]');
    let pressed = 0;
    addEventListener('keydown', ({ key }) => key === 'Enter' && (pressed = performance.now()), {
      capture: true,
    });
    new MutationObserver(() => {
      if (pressed > 0) times.push(performance.now() - pressed);
      pressed = 0;
    }).observe(foot as Element, { subtree: true, childList: true, characterData: true });
  });
  const row = grid.getByRole('row', { name: /^Line / }).first();
  for (let i = 0; i < EDITS; i += 1) {
    await row.getByRole('gridcell').nth(1).click();
    await page.keyboard.type(String(100 + i));
    // The second look after the edit before has had its turn, as it has when a person types.
    await page.evaluate(() => new Promise((resolve) => requestIdleCallback(resolve)));
    await page.keyboard.press('Enter');
    await page.waitForFunction(
      (count) => (window as unknown as { footTimes: number[] }).footTimes.length > count,
      i,
    );
  }
  return page.evaluate(() => (window as unknown as { footTimes: number[] }).footTimes);
}

/** From the choice of a format to the file; ms. */
async function saveTime(page: Page, format: string): Promise<number> {
  await page.getByRole('button', { name: 'Save as' }).click();
  const entry = page.getByRole('menuitem', { name: format });
  await entry.waitFor();
  const download = page.waitForEvent('download', { timeout: 120_000 });
  const start = performance.now();
  await entry.click();
  await download;
  return performance.now() - start;
}
