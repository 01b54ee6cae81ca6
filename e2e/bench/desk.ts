import type { Page } from '@playwright/test';
import type { Mark } from '@zest/core/job/records/mark';
import { createHitIndex } from '../../app/src/workspace/tools/hitIndex.ts';
import { createSnapIndex, packLines } from '@zest/core/geometry/snap';
import { type BenchFigure, median, quantile, timeRuns } from './figures.ts';
import { SHEET_POINTS, USUAL, createLargeJob } from './largeJob.ts';
import { type Bench, importLargeJob, openTimes, startFrames, waitDrawn } from './pages.ts';

const RUNS = 7;

/** Opening the usual job, panning over it, and editing it until the new total stands in the page. */
export async function measureUsualJob(bench: Bench): Promise<readonly BenchFigure[]> {
  const page = await bench.newPage();
  const { name } = await importLargeJob(page, USUAL);
  const opens = await openTimes(page, name, RUNS);
  await page.getByRole('link', { name: /^Measure/ }).click();
  await waitDrawn(page);
  const pan = await panFrames(page);
  const edits = await editTimes(page);
  await page.context().close();
  return [
    { name: 'open.job', value: median(opens), unit: 'ms' },
    { name: 'pan.10k.p95', value: quantile(pan, 0.95), unit: 'ms' },
    { name: 'edit.total.p95', value: quantile(edits, 0.95), unit: 'ms' },
    { name: 'edit.total', value: median(edits), unit: 'ms' },
  ];
}

async function panFrames(page: Page): Promise<readonly number[]> {
  const box = await page.locator('.desk').boundingBox();
  if (box === null) throw new Error('panFrames: no desk');
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  const stop = await startFrames(page);
  for (let i = 0; i < RUNS; i += 1) {
    await page.mouse.move(x, y);
    await page.mouse.down({ button: 'middle' });
    for (let step = 1; step <= 25; step += 1)
      await page.mouse.move(x + Math.sin(step / 4) * 180, y + Math.cos(step / 4) * 120);
    await page.mouse.up({ button: 'middle' });
    for (let step = 0; step < 6; step += 1) await page.mouse.wheel(0, i % 2 === 0 ? -60 : 60);
  }
  return stop();
}

/** From the release of a dragged mark to its new total in the page. */
async function editTimes(page: Page): Promise<readonly number[]> {
  await page.keyboard.press('0');
  await waitDrawn(page);
  await page.evaluate(() => {
    const times: number[] = [];
    (window as unknown as { editTimes: number[] }).editTimes = times;
    let released = 0;
    addEventListener('pointerup', () => (released = performance.now()), { capture: true });
    new PerformanceObserver((list) => {
      for (const { startTime } of list.getEntriesByName('total-shown'))
        if (released > 0) {
          times.push(startTime - released);
          released = 0;
        }
    }).observe({ entryTypes: ['mark'] });
  });
  const box = await page.locator('.desk').boundingBox();
  if (box === null) throw new Error('editTimes: no desk');
  await page.keyboard.press('v');
  for (let i = 0; i < 30; i += 1) {
    const [x, y] = [box.x + 150 + ((i * 37) % 560), box.y + 150 + ((i * 53) % 380)];
    await page.mouse.click(x, y);
    await page.mouse.move(x, y);
    await page.mouse.down();
    await page.mouse.move(x + 12, y + 4);
    await page.mouse.move(x + 24, y + 9);
    await page.mouse.up();
    await page.waitForTimeout(60);
  }
  const times = await page.evaluate(() => (window as unknown as { editTimes: number[] }).editTimes);
  if (times.length < 10) throw new Error(`editTimes: only ${times.length} of 30 drags changed the job`);
  return times;
}

/** Fifty thousand marks on one sheet: panning, dragging a vertex, coming to rest. */
export async function measureCrowdedSheet(bench: Bench): Promise<readonly BenchFigure[]> {
  const page = await bench.newPage();
  const { name } = await importLargeJob(page, { marks: 50_000, scopes: 500, components: 500, lines: 600 });
  await page.getByRole('button', { name, exact: true }).click();
  await page.getByRole('link', { name: /^Measure/ }).click();
  await waitDrawn(page);
  const fit: number[] = [];
  const zoom: number[] = [];
  await page.locator('.desk').hover();
  for (let i = 0; i < 5; i += 1) {
    await page.keyboard.press('0');
    fit.push(await restAfter(page));
    for (let step = 0; step < 8; step += 1) await page.mouse.wheel(0, -240);
    zoom.push(await restAfter(page));
  }
  await page.keyboard.press('0');
  await waitDrawn(page);
  const pan = await panFrames(page);
  await page.keyboard.press('0');
  await waitDrawn(page);
  const drag = await dragFrames(page);
  await page.context().close();
  return [
    { name: 'pan.50k.p95', value: quantile(pan, 0.95), unit: 'ms' },
    { name: 'drag.50k.p95', value: quantile(drag, 0.95), unit: 'ms' },
    { name: 'sharp.50k.fit', value: median(fit), unit: 'ms' },
    { name: 'sharp.50k.zoom', value: median(zoom), unit: 'ms' },
  ];
}

/** Nudges the view and waits until the marks stand properly again; ms. */
async function restAfter(page: Page): Promise<number> {
  await waitDrawn(page);
  await page.evaluate(() => {
    const bench = window as unknown as { rest: Promise<number> };
    bench.rest = new Promise<number>((resolve) => {
      const desk = document.querySelector('.desk');
      let started = 0;
      const watcher = new MutationObserver(() => {
        const state = desk?.getAttribute('data-marks');
        if (state === 'drawing' && started === 0) started = performance.now();
        if (state !== 'drawn' || started === 0) return;
        watcher.disconnect();
        resolve(performance.now() - started);
      });
      if (desk !== null) watcher.observe(desk, { attributeFilter: ['data-marks'] });
    });
  });
  await page.mouse.wheel(0, 3);
  await page.waitForFunction(() => (window as unknown as { rest: Promise<number> }).rest, undefined, {
    timeout: 20_000,
  });
  return page.evaluate(() => (window as unknown as { rest: Promise<number> }).rest);
}

async function dragFrames(page: Page): Promise<readonly number[]> {
  const box = await page.locator('.desk').boundingBox();
  if (box === null) throw new Error('dragFrames: no desk');
  await page.keyboard.press('v');
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.mouse.click(x, y);
  const stop = await startFrames(page);
  await page.mouse.move(x, y);
  await page.mouse.down();
  for (let step = 1; step <= 120; step += 1)
    await page.mouse.move(x + Math.sin(step / 6) * 90, y + Math.cos(step / 6) * 60);
  const frames = await stop();
  await page.mouse.up();
  return frames;
}

/** What lies under the pointer, among fifty thousand marks. */
export function measureHits(): readonly BenchFigure[] {
  const job = createLargeJob(
    { marks: 50_000, scopes: 500, components: 500, lines: 500 },
    { name: 'bench.pdf', bytes: 1 },
  );
  const index = createHitIndex();
  index.set(job.mark.values() as Iterable<Mark>);
  let turn = 0;
  const asks = 2000;
  const times = timeRuns(
    9,
    () => {
      for (let i = 0; i < asks; i += 1) {
        turn += 1;
        const at = { x: (turn * 977) % SHEET_POINTS.width, y: (turn * 613) % SHEET_POINTS.height };
        index.find(at, 8, () => true);
      }
    },
    2,
  );
  return [{ name: 'hit.50k', value: (median(times) / asks) * 1000, unit: 'µs' }];
}

/** A sheet of 35,000 segments: what a point is drawn to, within ten screen pixels of a whole sheet. */
export function measureSnaps(): readonly BenchFigure[] {
  const count = 35_000;
  const lines = new Float32Array(count * 4);
  for (let i = 0; i < count; i += 1) {
    const [x, y] = [(i * 977) % SHEET_POINTS.width, (i * 613) % SHEET_POINTS.height];
    lines.set(i % 2 === 0 ? [x, y, x + 40, y] : [x, y, x, y + 40], i * 4);
  }
  const index = createSnapIndex(packLines({ lines, bends: new Uint8Array(count) }));
  let turn = 0;
  const asks = 2000;
  const times = timeRuns(
    9,
    () => {
      for (let i = 0; i < asks; i += 1) {
        turn += 1;
        const at = { x: (turn * 331) % SHEET_POINTS.width, y: (turn * 757) % SHEET_POINTS.height };
        index.find(at, 5, { x: 0, y: 0 });
      }
    },
    2,
  );
  return [{ name: 'snap.query', value: (median(times) / asks) * 1000, unit: 'µs' }];
}
