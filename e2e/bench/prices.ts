import type { Page } from '@playwright/test';
import { Calculation } from '@zest/core/calculate/calculation';
import { takeSecondLook } from '@zest/core/doubts/secondLook';
import { put } from '@zest/core/job/change';
import { createIdMaker } from '@zest/core/job/id';
import { type Job, applyDiff } from '@zest/core/job/job';
import type { RecordOf } from '@zest/core/job/record';
import { BookSearch } from '@zest/core/pricing/bookSearch';
import { createChance } from '@zest/core/testing/job';
import { type BenchFigure, median, quantile, timeRuns } from './figures.ts';
import { USUAL, createLargeJob } from './largeJob.ts';
import { type Bench, importLargeJob, startFrames } from './pages.ts';

const RUNS = 7;
const ITEMS = 20_000;

const THINGS = [
  'EMT conduit',
  'Copper pipe',
  'Strip footing',
  'Stud',
  'Board',
  'Rigid elbow',
  'Anchor bolt',
  'Breaker',
  'Membrane',
  'Paver',
];
const SIZES = [
  '1/2',
  '3/4',
  '1',
  '1-1/4',
  '1-1/2',
  '2',
  '2-1/2',
  '3',
  '4',
  '6',
  '20x30',
  '24x36',
  '30x36',
  '16x8',
];
const KINDS = [
  'galvanized',
  'heavy',
  'light',
  'outdoor',
  'plain',
  'coated',
  'long',
  'short',
  'fire rated',
  'moisture resistant',
];

/** A price book as large as a supplier's list. */
export function createItems(): readonly RecordOf<'item'>[] {
  const makeId = createIdMaker(createChance(19));
  const chance = createChance(5);
  const of = <Item>(list: readonly Item[]): Item => list[Math.floor(chance() * list.length)] as Item;
  return Array.from({ length: ITEMS }, (_, i) => ({
    type: 'item',
    id: makeId('item'),
    code: `L${String(i).padStart(5, '0')}`,
    description: `${of(THINGS)} ${of(SIZES)} in, ${of(KINDS)}, ${of(KINDS)}`,
    unit: 'ea',
    basis: of([1, 10, 100, 1000]),
    material: String(Math.round(chance() * 10_000) / 100),
    laborHours: '',
    craftId: null,
    equipment: '',
    subcontract: '',
    other: '',
    supplier: of(['Larch', 'Mudlark', 'Cobble Yard']),
    date: '2026-09-01',
    group: of(THINGS),
  }));
}

/** As someone types it, a letter at a time. */
const TYPED = ['emt 1', 'footing 20x30', 'board fire rated', 'coated 2 pipe', 'l0042'];

/** The search of 20,000 items, a keystroke each. */
export function measureSearch(): readonly BenchFigure[] {
  const search = new BookSearch(createItems());
  const times: number[] = [];
  for (let run = 0; run < RUNS; run += 1)
    for (const text of TYPED)
      for (let end = 1; end <= text.length; end += 1) {
        const start = performance.now();
        search.find(text.slice(0, end));
        times.push(performance.now() - start);
      }
  return [{ name: 'book.search.p95', value: quantile(times, 0.95), unit: 'ms' }];
}

/** The usual job as a colleague would doubt it: the first look, and one after an edit. */
export function measureLook(): readonly BenchFigure[] {
  const job = createLargeJob(USUAL, { name: 'bench.pdf', bytes: 1 });
  const calculation = new Calculation(job);
  const today = '2026-11-25';
  takeSecondLook(calculation.figures, today);
  let current: Job = job;
  const marks = [...job.mark.keys()];
  let turn = 0;
  const times = timeRuns(
    RUNS * 3,
    () => {
      takeSecondLook(calculation.figures, today);
    },
    3,
  );
  const after = timeRuns(RUNS * 3, () => {
    const mark = current.mark.get(marks[(turn += 31) % marks.length] as (typeof marks)[0]);
    if (mark === undefined) throw new Error('measureLook: a mark is gone');
    const diff = put({
      ...mark,
      strokes: mark.strokes.map((stroke) => stroke.map(({ x, y }) => ({ x: x + 1, y }))),
    })(current);
    if (!diff.ok) throw new Error('measureLook: refused');
    current = applyDiff(current, diff.value);
    calculation.apply(current, diff.value);
    takeSecondLook(calculation.figures, today);
  });
  return [
    { name: 'look.run', value: median(times), unit: 'ms' },
    { name: 'look.edit', value: median(after), unit: 'ms' },
  ];
}

/** From the click on Prices to the first rows of 20,000 items; and from a cell's Enter to the new total at 5,000 lines. */
export async function measureBook(bench: Bench): Promise<readonly BenchFigure[]> {
  const page = await bench.newPage();
  const { name } = await importLargeJob(page, USUAL, createItems());
  await page.getByRole('button', { name, exact: true }).click();
  await page.getByRole('heading', { name: 'Sheets' }).waitFor();
  const opens: number[] = [];
  for (let run = 0; run < RUNS; run += 1) {
    await page.getByRole('link', { name: /^Bid/ }).click();
    await page.getByRole('heading', { name: 'Bid' }).waitFor();
    opens.push(
      await page.getByRole('link', { name: /^Prices/ }).evaluate(
        (link) =>
          new Promise<number>((resolve) => {
            const start = performance.now();
            const wait = (): void => {
              if (document.querySelectorAll('[aria-label="Price book"] [role=row]').length < 5)
                requestAnimationFrame(wait);
              else resolve(performance.now() - start);
            };
            (link as HTMLElement).click();
            wait();
          }),
      ),
    );
  }
  const cells = await cellTimes(page);
  const scroll = await scrollFrames(page);
  await page.context().close();
  return [
    { name: 'book.open', value: median(opens), unit: 'ms' },
    { name: 'edit.cell.p95', value: quantile(cells, 0.95), unit: 'ms' },
    { name: 'edit.cell', value: median(cells), unit: 'ms' },
    { name: 'scroll.lines.p95', value: quantile(scroll, 0.95), unit: 'ms' },
  ];
}

/** Frames while 5,000 lines fly by under the wheel. */
async function scrollFrames(page: Page): Promise<readonly number[]> {
  const box = await page.getByRole('grid', { name: 'Estimate' }).boundingBox();
  if (box === null) throw new Error('scrollFrames: no lines');
  await page.mouse.move(box.x + 300, box.y + 300);
  const stop = await startFrames(page);
  for (let i = 0; i < 60; i += 1) {
    await page.mouse.wheel(0, i < 30 ? -240 : 240);
    await page.evaluate(() => new Promise(requestAnimationFrame));
  }
  return stop();
}

async function cellTimes(page: Page): Promise<readonly number[]> {
  await page.getByRole('link', { name: /^Estimate/ }).click();
  const grid = page.getByRole('grid', { name: 'Estimate' });
  await grid.waitFor();
  // The typed lines stand at the end.
  await grid.focus();
  await page.getByRole('button', { name: 'Add a line' }).click();
  await page.evaluate(() => {
    const times: number[] = [];
    (window as unknown as { cellTimes: number[] }).cellTimes = times;
    let pressed = 0;
    addEventListener('keydown', ({ key }) => key === 'Enter' && (pressed = performance.now()), {
      capture: true,
    });
    new PerformanceObserver((list) => {
      for (const { startTime } of list.getEntriesByName('total-shown'))
        if (pressed > 0) {
          times.push(startTime - pressed);
          pressed = 0;
        }
    }).observe({ entryTypes: ['mark'] });
  });
  const row = grid.getByRole('row', { name: /New line/ });
  for (let i = 0; i < 30; i += 1) {
    await row.getByRole('gridcell').nth(4).click();
    await page.keyboard.type(String(100 + i));
    await page.keyboard.press('Enter');
    await page.waitForFunction(
      (count) => (window as unknown as { cellTimes: number[] }).cellTimes.length > count,
      i,
    );
  }
  return page.evaluate(() => (window as unknown as { cellTimes: number[] }).cellTimes);
}
