import { type BenchFigure, median } from './figures.ts';
import type { Bench } from './pages.ts';

const RUNS = 5;

/** The evidence book of the demo's whole bid, some 370 lines: from the click to the file. */
export async function measureEvidence(bench: Bench): Promise<readonly BenchFigure[]> {
  const page = await bench.newPage();
  await page.goto('/jobs');
  await page.getByRole('button', { name: 'Tern Island Boathouse', exact: true }).click();
  await page.getByRole('navigation', { name: 'Stages' }).getByRole('link', { name: /^Bid/ }).click();
  await page.getByRole('article').locator('svg').first().waitFor();
  const times: number[] = [];
  for (let run = 0; run < RUNS; run += 1) {
    await page.getByRole('button', { name: 'Save as' }).click();
    await page.getByRole('menuitem', { name: /^Evidence book/ }).click();
    const download = page.waitForEvent('download', { timeout: 120_000 });
    const start = performance.now();
    await page.getByRole('button', { name: 'Make the book' }).click();
    await download;
    times.push(performance.now() - start);
    await page.getByRole('dialog').waitFor({ state: 'detached' });
  }
  await page.context().close();
  return [{ name: 'evidence.pdf', value: median(times), unit: 'ms' }];
}
